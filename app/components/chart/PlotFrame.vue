<script setup lang="ts">
import type { ScaleLinear } from 'd3-scale'
import { endsOf, type LimitSet } from '#core/verdict/limits'
import { axisTicks, PLOT } from './axis'

/** Axes of a figure against the thickness of the pack, the limits behind; what is drawn in it comes by the slot. */
const props = defineProps<{
  width: number
  x: ScaleLinear<number, number>
  y: ScaleLinear<number, number>
  /** where the axis of thickness lies, px from the top */
  floor: number
  limits: LimitSet | null
  /** at which end the word “limits” stands out of the way */
  limitsAt: 'start' | 'end'
  /** small units of one shown unit, across and up */
  per: { readonly x: number; readonly y: number }
  captions: { readonly x: string; readonly y: string }
  label: string
}>()
const limitBox = computed(() => {
  const ends = endsOf(props.limits)
  if (!ends) return null
  const top = Number.isFinite(ends.upper) ? props.y(ends.upper) : PLOT.top
  return { top, height: (Number.isFinite(ends.lower) ? props.y(ends.lower) : PLOT.base) - top }
})
</script>

<template>
  <svg :width="width" :height="PLOT.height" :viewBox="`0 0 ${width} ${PLOT.height}`" role="img" :aria-label="label" class="block">
    <template v-if="limitBox">
      <rect
        :x="PLOT.left"
        :y="limitBox.top"
        :width="width - PLOT.left - 8"
        :height="Math.max(1, limitBox.height)"
        fill="var(--in)"
        opacity="0.13"
      />
      <text
        :x="limitsAt === 'start' ? PLOT.left + 6 : width - 14"
        :y="limitBox.top + 15"
        :text-anchor="limitsAt"
        font-size="12.5"
        fill="var(--in)"
      >
        limits
      </text>
    </template>
    <slot name="behind" />
    <g stroke="var(--hair)">
      <line :x1="PLOT.left" :x2="width - 8" :y1="floor" :y2="floor" />
      <line :x1="PLOT.left" :x2="PLOT.left" y1="8" :y2="PLOT.base" />
    </g>
    <g class="figure" font-size="12" fill="var(--mute)">
      <text v-for="(t, i) in axisTicks(x, per.x)" :key="`x${i}`" :x="t.at" :y="PLOT.base + 17" text-anchor="middle">{{ t.value }}</text>
      <text v-for="(t, i) in axisTicks(y, per.y)" :key="`y${i}`" :x="PLOT.left - 7" :y="t.at + 4" text-anchor="end">{{ t.value }}</text>
    </g>
    <text :x="width - 8" :y="PLOT.height - 6" text-anchor="end" font-size="12.5" fill="var(--mute)">{{ captions.x }}</text>
    <text x="2" :y="PLOT.height - 6" font-size="12.5" fill="var(--mute)">↑ {{ captions.y }}</text>
    <slot />
  </svg>
</template>
