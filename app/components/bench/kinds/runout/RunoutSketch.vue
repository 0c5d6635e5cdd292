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
    viewBox="0 0 340 146"
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
      <circle cx="164" cy="60" r="9" stroke="var(--accent)" fill="var(--sheet)" />
      <path d="M172 57l6-8" stroke="var(--out)" stroke-width="2" />
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
      <path d="M146 56v-14" stroke="var(--out)" stroke-width="2" />
      <circle cx="146" cy="30" r="12" stroke="var(--accent)" fill="var(--sheet)" />
      <text x="164" y="34" font-size="11" fill="var(--ink)" stroke="none">tip square, mid-way</text>
      <text x="36" y="128" font-size="11" fill="var(--ink)" stroke="none">rests on sound places</text>
    </template>
    <template v-else>
      <path d="M60 62h60v22H60z" fill="var(--paper)" />
      <path d="M120 18h22v110h-22z" fill="var(--steel)" />
      <path d="M30 73h150" stroke="var(--mute)" stroke-dasharray="7 3 2 3" stroke-width=".8" />
      <template v-if="what === 'face'">
        <path d="M142 36h14" stroke="var(--out)" stroke-width="2" />
        <circle cx="168" cy="36" r="12" stroke="var(--accent)" fill="var(--sheet)" />
        <path d="M200 36v37m-5 0h10m-10-37h10" stroke="var(--mute)" />
        <text x="208" y="58" font-size="11" fill="var(--ink)" stroke="none">radius</text>
      </template>
      <template v-else>
        <path d="M131 18v-4" stroke="var(--out)" stroke-width="2" />
        <circle cx="131" cy="-2" r="12" stroke="var(--accent)" fill="var(--sheet)" transform="translate(0 6)" />
        <text x="152" y="14" font-size="11" fill="var(--ink)" stroke="none">tip square to the rim</text>
      </template>
      <text x="152" y="124" font-size="11" fill="var(--ink)" stroke="none">turned by hand, one way</text>
    </template>
    <text v-if="what === 'housing'" x="196" y="124" font-size="11" fill="var(--ink)" stroke="none">
      tip in: figure {{ sense === 'rises' ? 'up' : 'down' }}
    </text>
  </svg>
</template>
