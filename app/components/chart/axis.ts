import { useElementSize } from '@vueuse/core'
import { extent } from 'd3-array'
import type { ScaleContinuousNumeric } from 'd3-scale'
import { computed, type Ref } from 'vue'

/** Narrower a drawing is not made: it is scrolled. */
const LEAST_WIDTH = 280

/** The width a drawing has in its box, px. */
export function useChartWidth(box: Ref<HTMLElement | undefined>, least = LEAST_WIDTH): Ref<number> {
  const { width } = useElementSize(box)
  return computed(() => Math.max(least, width.value))
}

/**
 * Round figures along an axis.
 * @param scale  from nm to px
 * @param unit  nm of the unit the figures are in
 */
export function axisTicks(scale: ScaleContinuousNumeric<number, number>, unit: number, count = 5): { value: number; at: number }[] {
  const inUnit = scale.copy().domain(scale.domain().map(value => value / unit))
  return inUnit.ticks(count).map(value => ({ value, at: scale(value * unit) }))
}

/** From the least to the most of the values, with room on either side: a part of what they span, or `least`, nm. */
export function paddedExtent(values: readonly number[], part: number, least: number): [number, number] {
  const [low = 0, high = 0] = extent(values) as [number | undefined, number | undefined]
  const pad = Math.max((high - low) * part, least)
  return [low - pad, high + pad]
}

/** A plot of a figure against pack thickness, px; `room` round what is drawn, as a part of what it spans. */
export const PLOT = { height: 236, left: 52, base: 196, top: 12, room: 0.18 } as const
