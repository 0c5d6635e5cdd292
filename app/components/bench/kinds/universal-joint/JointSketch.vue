<script setup lang="ts">
/** The two set-ups, seen along the shaft, a quarter turn apart: what is held, where the base stands, where the tip. Not to scale. */
const props = defineProps<{ ears1: string; ears2: string }>()
const fill = (ears: string) => (ears === 'steel' ? 'var(--sheet)' : 'var(--hair)')
/** What lies across in each plane, and what stands: turned a quarter they change places. */
const planes = computed(() => [
  { id: '1', at: 84, across: fill(props.ears1), upright: fill(props.ears2), base: 'M130 89h30v-9' },
  { id: '2', at: 262, across: fill(props.ears2), upright: fill(props.ears1), base: 'M279 30h59v24' },
])
</script>

<template>
  <svg
    viewBox="0 0 372 158"
    class="w-full max-w-[350px]"
    role="img"
    aria-label="Seen along the shaft. Plane 1: ears of the held yoke across, base on it, tip on the bearing cap. Plane 2: the shaft turned a quarter, the held yoke upright, base on it, tip on the flange yoke"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <g v-for="{ id, at, across, upright, base } in planes" :key="id">
      <path :d="`M${at - 58} 55h22v34h-22zM${at + 36} 55h22v34h-22z`" :fill="across" />
      <path :d="`M${at - 17} 20h34v18h-34zM${at - 17} 106h34v18h-34z`" :fill="upright" />
      <path :d="`M${at - 36} 64h72v16h-72zM${at - 8} 38h16v68h-16z`" fill="var(--steel)" />
      <path :d="`M${at - 8} 64h16v16h-16z`" fill="var(--paper)" />
      <path :d="`M${at - 41} 58h5v28h-5zM${at + 36} 58h5v28h-5z`" fill="var(--brass)" stroke="var(--brass-line)" />
      <path :d="base" stroke="var(--mute)" />
      <LitPlace :at="id">
        <path :d="`M${at - 26} 138h52m-52 0l6-4m-6 4l6 4m46-4l-6-4m6 4l-6 4`" stroke="var(--out)" stroke-width="1.7" />
        <SketchDial :x="at + 76" :y="66" :r="8" :stem="[-18, 0]" right />
      </LitPlace>
    </g>
    <path d="M176 52a24 24 0 0 1 20 20m0 0l-6-4m6 4l2-7" stroke="var(--mute)" />
    <g font-size="11" fill="var(--ink)" stroke="none">
      <text x="4" y="12">plane 1: tip on the cap</text>
      <text x="182" y="12">plane 2: tip on the flange yoke</text>
      <text x="4" y="106">held yoke</text>
      <text x="190" y="32">held yoke</text>
      <text x="176" y="46" font-size="10">¼ turn</text>
      <text x="18" y="50">ring</text>
      <text x="118" y="142">push, pull</text>
    </g>
    <path d="M40 52l5 7" stroke="var(--mute)" stroke-width=".7" />
  </svg>
</template>
