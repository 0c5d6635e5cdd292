<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import type { Learned } from '#core/check/evaluate/learned'
import { valueAt } from '#core/choice/grounds/learned-slope'
import { formatFigure, perUnit, unitName } from '#core/quantity/figure'
import { formatLength } from '#core/quantity/format-length'
import { finiteEnds, type LimitSet } from '#core/verdict/limits'
import { usePreferences } from '~/stores/preferences'
import { paddedExtent, PLOT, useChartWidth } from './axis'
import { alongLine, beside, laidOut } from './labels'
import PlotFrame from './PlotFrame.vue'

/** What does the pack do to the torque? Total thickness across, torque up: the fittings, the learned line with its interval, those without drag on the floor. */
const props = defineProps<{ learned: Learned; limits: LimitSet | null; aim: number | null }>()
const box = ref<HTMLElement>()
const preferences = usePreferences()
const width = useChartWidth(box)
const all = computed(() => [...props.learned.points, ...props.learned.none.map(none => ({ ...none, value: 0, U: 0 }))])
const next = computed(() => props.learned.next)
const x = computed(() => {
  const totals = [...all.value.map(({ thickness }) => thickness), ...(next.value ? [next.value.thickness] : [])]
  return scaleLinear(paddedExtent(totals, PLOT.room, 20_000), [PLOT.left, width.value - 16])
})
/** The line with its interval, from edge to edge. */
const band = computed(() => {
  const { line } = props.learned
  if (!line) return null
  const [from, to] = x.value.domain() as [number, number]
  return Array.from({ length: 25 }, (_, i) => from + ((to - from) * i) / 24).map(at => ({ at, ...valueAt(line, at) }))
})
const y = computed(() => {
  const values = all.value.flatMap(({ value, U }) => [value - U, value + U])
  const [low, high] = paddedExtent([0, ...values, ...finiteEnds(props.limits)], PLOT.room, 1e7)
  return scaleLinear([Math.max(low, -high * 0.08), high], [PLOT.base, PLOT.top]).clamp(true)
})
const path = computed(() => band.value?.map(({ at, value }, i) => `${i ? 'L' : 'M'}${x.value(at)} ${y.value(value)}`).join('') ?? '')
const area = computed(() => {
  if (!band.value) return ''
  const upper = band.value.map(({ at, value, U }) => `${x.value(at)} ${y.value(value + U)}`)
  const lower = band.value.map(({ at, value, U }) => `${x.value(at)} ${y.value(value - U)}`).reverse()
  return `M${[...upper, ...lower].join('L')}Z`
})
const show = (value: number) => formatFigure(value, props.learned.unit)
const size = (value: number) => formatLength(value, preferences.unit)
const words = computed(() => {
  const { line, ends } = props.learned
  if (!line) return 'No line yet: it takes two fittings with drag.'
  const slope = formatFigure(line.slope * perUnit(preferences.unit), props.learned.unit, { sign: true, unit: true })
  return `${slope} per ${unitName(preferences.unit)}${ends ? `; the drag ends at ${size(ends.thickness)} ${unitName(preferences.unit)}` : ''}.`
})
/** What reaches beyond the drawing ends at its edge. */
const onAxis = (thickness: number) => Math.min(width.value - 8, Math.max(PLOT.left, x.value(thickness)))
const nameOf = ({ number, value }: { readonly number: number; readonly value: number }) => `${number}: ${show(value)}`
/** Their names: beside each, where neither line nor bar nor another name is. */
const names = computed(() =>
  laidOut(
    props.learned.points.map(point => ({
      id: point.id,
      width: nameOf(point).length * 6.9,
      size: 13,
      spots: beside(x.value(point.thickness), y.value(point.value)),
    })),
    [
      ...props.learned.points.map(({ thickness, value, U }) => ({
        left: x.value(thickness) - 7,
        right: x.value(thickness) + 7,
        top: y.value(value + U),
        bottom: y.value(value - U),
      })),
      ...(band.value ?? [])
        .slice(1)
        .flatMap(({ at, value }, i) =>
          alongLine([x.value(band.value![i]!.at), y.value(band.value![i]!.value)], [x.value(at), y.value(value)]),
        ),
    ],
    { left: PLOT.left + 2, right: width.value - 4, top: 0, bottom: y.value(0) },
  ),
)
</script>

<template>
  <div ref="box">
    <PlotFrame
      :width="width"
      :x="x"
      :y="y"
      :floor="y(0)"
      :limits="limits"
      limits-at="end"
      :per="{ x: perUnit(preferences.unit), y: perUnit(learned.unit) }"
      :captions="{ x: `pack thickness, ${unitName(preferences.unit)}`, y: `torque, ${unitName(learned.unit)}` }"
      :label="`Torque against pack thickness. ${words}`"
      data-drawing="torque against thickness"
      data-test="slope-plot"
    >
      <template #behind><path v-if="band" :d="area" fill="var(--accent)" opacity="0.14" /></template>
      <path v-if="band" :d="path" fill="none" stroke="var(--accent)" stroke-width="2" />
      <g v-if="next && aim !== null" stroke="var(--accent)">
        <line :x1="PLOT.left" :x2="x(next.thickness)" :y1="y(aim)" :y2="y(aim)" stroke-dasharray="3 4" />
        <line :x1="x(next.thickness)" :x2="x(next.thickness)" :y1="y(aim)" :y2="y(0)" stroke-dasharray="3 4" />
        <line
          :x1="onAxis(next.thickness - next.U)"
          :x2="onAxis(next.thickness + next.U)"
          :y1="y(0)"
          :y2="y(0)"
          stroke-width="5"
          opacity="0.55"
        />
      </g>
      <g v-for="point in learned.points" :key="point.id">
        <line
          :x1="x(point.thickness)"
          :x2="x(point.thickness)"
          :y1="y(point.value - point.U)"
          :y2="y(point.value + point.U)"
          stroke="var(--ink)"
          stroke-width="1.5"
        />
        <circle :cx="x(point.thickness)" :cy="y(point.value)" r="5.5" fill="var(--ink)" />
        <PlacedWord :spot="names.get(point.id)" font-size="13" fill="var(--ink)">{{ nameOf(point) }}</PlacedWord>
      </g>
      <g v-for="point in learned.none" :key="point.id" fill="var(--mute)">
        <path :d="`M${x(point.thickness) - 6} ${y(0) - 11}h12l-6 9z`" />
        <text :x="x(point.thickness)" :y="y(0) - 16" font-size="12.5" text-anchor="middle">no drag</text>
      </g>
    </PlotFrame>
    <p class="mt-1 text-[13px] text-mute">
      {{ words
      }}<template v-if="next"> Aimed at with {{ size(next.thickness) }} ± {{ size(next.U) }} {{ unitName(preferences.unit) }}.</template>
      Where nothing drags it says “no more than this”, and is not in the line.
    </p>
    <p v-if="learned.film" class="mt-1 text-[14px] text-near" data-test="film">{{ learned.film.words }}</p>
    <table class="mt-1 text-sm">
      <thead>
        <tr>
          <th>Fitting</th>
          <th>Pack</th>
          <th>Torque, {{ unitName(learned.unit) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="point in learned.points" :key="point.id">
          <td>{{ point.number }}</td>
          <td class="figure">{{ size(point.thickness) }}</td>
          <td class="figure">{{ show(point.value) }} ± {{ show(point.U) }}</td>
        </tr>
        <tr v-for="point in learned.none" :key="point.id">
          <td>{{ point.number }}</td>
          <td class="figure">{{ size(point.thickness) }}</td>
          <td>no drag</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
