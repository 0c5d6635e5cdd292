<script setup lang="ts">
/** Thrust halves in block and cap, one out of line, and the shaft that presses them into one plane. Not to scale. */
const props = defineProps<{ construction: 'flanged-halves' | 'loose-half' | 'washers' | 'girdle'; thrustEnd: 'flywheel' | 'front' }>()
const words = computed(
  () =>
    ({
      'flanged-halves': 'push both ways',
      'loose-half': 'push one way only',
      'washers': 'push back, tap the cap',
      'girdle': 'push both ways',
    })[props.construction],
)
</script>

<template>
  <svg
    viewBox="0 0 340 128"
    class="w-full max-w-[300px]"
    role="img"
    :aria-label="`Section: thrust halves in block and cap; ${words}; dial on the shaft's end`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.5"
  >
    <path d="M70 8h90v38H70zM74 82h90v32H74z" fill="var(--paper)" />
    <rect x="14" y="46" width="226" height="36" fill="var(--sheet)" />
    <rect x="40" y="24" width="16" height="80" fill="var(--sheet)" />
    <rect x="178" y="24" width="16" height="80" fill="var(--sheet)" />
    <path d="M62 22h8v24h-8zM160 22h8v24h-8z" fill="var(--brass)" stroke="var(--brass-line)" />
    <path v-if="construction !== 'loose-half'" d="M66 82h8v24h-8zM164 82h8v24h-8z" fill="var(--brass)" stroke="var(--brass-line)" />
    <path d="M62 12v108M168 12v108" stroke="var(--out)" stroke-dasharray="3 4" />
    <SketchDial :x="296" :y="64" :stem="[-36, 0]" />
    <path
      v-if="construction === 'flanged-halves' || construction === 'girdle'"
      d="M92 64h54m-54 0l7-5m-7 5l7 5m47-5l-7-5m7 5l-7 5"
      stroke="var(--out)"
      stroke-width="1.7"
    />
    <path
      v-else-if="construction === 'loose-half' && thrustEnd === 'front'"
      d="M92 64h54m0 0l-7-5m7 5l-7 5"
      stroke="var(--out)"
      stroke-width="1.7"
    />
    <path v-else d="M92 64h54m-54 0l7-5m-7 5l7 5" stroke="var(--out)" stroke-width="1.7" />
    <text x="119" y="30" text-anchor="middle" font-size="11" fill="var(--mute)" stroke="none">block</text>
    <text x="119" y="102" text-anchor="middle" font-size="11" fill="var(--mute)" stroke="none">cap</text>
    <text x="205" y="122" font-size="11.5" fill="var(--mute)" stroke="none">{{ words }}</text>
  </svg>
</template>
