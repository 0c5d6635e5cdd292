<script setup lang="ts">
/** Where the base stands and where the tip runs. Not to scale. */
const props = defineProps<{
  what: 'housing' | 'radial' | 'face' | 'shaft'
  sense: 'rises' | 'falls'
  view: 'unsaid' | 'gearbox' | 'front'
}>()
/** The crank turned its usual way passes 12, 9, 6, 3 as seen from the gearbox side, and the other way round from the front. */
const turned = computed(() =>
  props.view === 'front' ? 'M289 92a28 28 0 0 1 32 0m0 0l-8-1m8 1l-3-7' : 'M321 92a28 28 0 0 0-32 0m0 0l8-1m-8 1l3-7',
)
const seenFrom = computed(
  () => ({ unsaid: 'seen from which side?', gearbox: 'from the gearbox side', front: 'from the front' })[props.view],
)
const LABEL = {
  housing: 'Base on the flywheel, tip in the housing bore; the crank is turned',
  radial: 'Base on what stands, tip on the rim; the part is turned',
  face: 'Base on what stands, tip square to the face at its radius',
  shaft: 'Shaft on two rests, tip square to it',
} as const
</script>

<template>
  <svg
    :viewBox="what === 'radial' ? '0 -24 340 170' : what === 'housing' ? '0 0 372 166' : '0 0 340 146'"
    class="w-full"
    :class="what === 'housing' ? 'max-w-[360px]' : 'max-w-[330px]'"
    role="img"
    :aria-label="`${LABEL[what]}. Pushing the tip in ${sense === 'rises' ? 'raises' : 'lowers'} the figure${what === 'housing' ? `. The clock, ${seenFrom}` : ''}`"
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
        <text x="196" y="34">bore of the housing</text>
        <text x="196" y="49" fill="var(--mute)">tip in: figure {{ sense === 'rises' ? 'up' : 'down' }}</text>
        <text x="196" y="86" fill="var(--mute)">crank axis</text>
      </g>
      <!-- from where its clock is seen -->
      <template v-if="view !== 'unsaid'">
        <path
          :d="view === 'gearbox' ? 'M262 72h-16m0 0l6-4m-6 4l6 4' : 'M2 72h16m0 0l-6-4m6 4l-6 4'"
          stroke="var(--accent)"
          stroke-width="2"
        />
      </template>
      <circle cx="305" cy="120" r="22" fill="var(--paper)" />
      <path d="M305 98v5M327 120h-5M305 142v-5M283 120h5" />
      <path v-if="view !== 'unsaid'" :d="turned" stroke="var(--out)" stroke-width="1.6" />
      <g font-size="10.5" fill="var(--ink)" stroke="none" text-anchor="middle">
        <text x="305" y="113">12</text>
        <text x="318" y="124">3</text>
        <text x="305" y="136">6</text>
        <text x="292" y="124">9</text>
        <text x="305" y="158" font-size="11" :fill="view === 'unsaid' ? 'var(--near)' : 'var(--ink)'">{{ seenFrom }}</text>
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
  </svg>
</template>
