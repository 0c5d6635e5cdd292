<script setup lang="ts">
/** Where a diameter is read: the planes round, seen from the front, and the stations along. Not to scale. */
const props = defineProps<{ part: 'bore' | 'shaft'; planes: number; stations: number }>()
const R = 44
const lines = computed(() =>
  ['A', 'B', 'C', 'D'].slice(0, props.planes).map((name, i) => {
    const angle = -Math.PI / 2 + (Math.PI * i) / props.planes
    return { name, x: Math.cos(angle), y: Math.sin(angle) }
  }),
)
const marks = computed(() =>
  ['1', '2', '3']
    .slice(0, props.stations)
    .map((name, i) => ({ name, at: 178 + (props.stations === 1 ? 62 : (124 * i) / (props.stations - 1)) })),
)
</script>

<template>
  <svg
    viewBox="0 0 340 132"
    class="w-full max-w-[320px]"
    role="img"
    :aria-label="`${part === 'bore' ? 'Bore' : 'Shaft'} from the front with ${planes} planes, and along it with ${stations} stations`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <circle v-if="part === 'bore'" cx="74" cy="64" r="58" fill="var(--paper)" />
    <circle cx="74" cy="64" :r="R" :fill="part === 'bore' ? 'var(--sheet)' : 'var(--steel)'" />
    <LitPlace v-for="line in lines" :key="line.name" :at="line.name">
      <path :d="`M${74 - R * line.x} ${64 - R * line.y}L${74 + R * line.x} ${64 + R * line.y}`" stroke="var(--out)" stroke-width="1.6" />
      <text
        :x="74 + (R - 18) * line.x - 9 * line.y"
        :y="68 + (R - 18) * line.y + 9 * line.x"
        text-anchor="middle"
        font-size="11"
        fill="var(--ink)"
        stroke="none"
      >
        {{ line.name }}
      </text>
    </LitPlace>
    <path v-if="part === 'bore'" d="M168 6h150v22H168zM168 100h150v22H168z" fill="var(--paper)" />
    <path v-if="part === 'shaft'" d="M168 24h150v80H168z" fill="var(--steel)" />
    <LitPlace v-for="mark in marks" :key="mark.name" :at="mark.name">
      <path :d="`M${mark.at} ${part === 'bore' ? 28 : 24}V${part === 'bore' ? 100 : 104}`" stroke="var(--out)" stroke-width="1.6" />
      <text :x="mark.at + 5" y="68" font-size="11" fill="var(--ink)" stroke="none">{{ mark.name }}</text>
    </LitPlace>
  </svg>
</template>
