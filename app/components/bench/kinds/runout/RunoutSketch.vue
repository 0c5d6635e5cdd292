<script setup lang="ts">
/** Where the base stands and where the tip runs. Not to scale. */
defineProps<{ what: 'housing' | 'radial' | 'face' | 'shaft'; sense: 'rises' | 'falls' }>()
const LABEL = {
  housing: 'Base on the flywheel, tip in the housing bore; the crank is turned',
  radial: 'Base on what stands, tip on the rim; the part is turned',
  face: 'Base on what stands, tip square to the face at its radius',
  shaft: 'Shaft on two rests, tip square to it',
} as const
</script>

<template>
  <svg
    :viewBox="what === 'radial' ? '0 -24 340 170' : '0 0 340 146'"
    class="w-full max-w-[330px]"
    role="img"
    :aria-label="`${LABEL[what]}. Pushing the tip in ${sense === 'rises' ? 'raises' : 'lowers'} the figure`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <template v-if="what === 'housing'">
      <path d="M20 20h34v104H20z" fill="var(--paper)" />
      <path d="M54 26h12v92H54z" fill="var(--steel)" />
      <path d="M66 14h70l52 26v8h-18l-40-18H66zM66 130h70l52-26v-8h-18l-40 18H66z" fill="var(--sheet)" />
      <path d="M66 70h48v-8" stroke="var(--accent)" stroke-width="2" />
      <path d="M114 62l42-10" stroke="var(--accent)" stroke-width="2" />
      <SketchDial :x="158" :y="62" :r="10" :stem="[9, -14]" right :falls="sense === 'falls'" />
      <path d="M30 72h210" stroke="var(--mute)" stroke-dasharray="7 3 2 3" stroke-width=".8" />
      <g font-size="11" fill="var(--ink)" stroke="none">
        <text x="24" y="140">block</text>
        <text x="70" y="90">flywheel</text>
        <text x="196" y="44">bore of the housing</text>
        <text x="196" y="60" fill="var(--mute)">tip in the bore</text>
        <text x="196" y="90">axis of the crank</text>
      </g>
    </template>
    <template v-else-if="what === 'shaft'">
      <path d="M36 56h220v20H36z" fill="var(--steel)" />
      <path d="M52 76l-14 34h28zM240 76l-14 34h28z" fill="var(--paper)" />
      <SketchDial :x="146" :y="20" :r="12" :stem="[0, 24]" :falls="sense === 'falls'" />
      <text x="174" y="30" font-size="11" fill="var(--ink)" stroke="none">tip square, mid-way</text>
      <text x="36" y="128" font-size="11" fill="var(--ink)" stroke="none">rests on sound places</text>
    </template>
    <template v-else>
      <path d="M60 62h60v22H60z" fill="var(--paper)" />
      <path d="M120 18h22v110h-22z" fill="var(--steel)" />
      <path d="M30 73h150" stroke="var(--mute)" stroke-dasharray="7 3 2 3" stroke-width=".8" />
      <template v-if="what === 'face'">
        <SketchDial :x="178" :y="36" :r="12" :stem="[-24, 0]" :falls="sense === 'falls'" />
        <path d="M212 36v37m-5 0h10m-10-37h10" stroke="var(--mute)" />
        <text x="220" y="58" font-size="11" fill="var(--ink)" stroke="none">radius</text>
      </template>
      <template v-else>
        <SketchDial :x="131" :y="-12" :r="11" :stem="[0, 19]" :falls="sense === 'falls'" />
        <text x="160" y="4" font-size="11" fill="var(--ink)" stroke="none">tip square to the rim</text>
      </template>
      <text x="152" y="124" font-size="11" fill="var(--ink)" stroke="none">turned by hand, one way</text>
    </template>
    <text v-if="what === 'housing'" x="196" y="124" font-size="11" fill="var(--ink)" stroke="none">
      tip in: figure {{ sense === 'rises' ? 'up' : 'down' }}
    </text>
  </svg>
</template>
