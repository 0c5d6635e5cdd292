<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import type { Learned } from '#core/check/learned'
import { valueAt } from '#core/pack/learned-slope'
import { formatFigure, perUnit, unitName } from '#core/quantity/figure'
import { formatLength } from '#core/quantity/format-length'
import { endsOf, finiteEnds, type LimitSet } from '#core/verdict/limits'
import { usePreferences } from '~/stores/preferences'
import { axisTicks, paddedExtent, useChartWidth } from './axis'

/** What does the pack do to the torque? Total thickness across, torque up: the fittings, the learned line with its interval, those without drag on the floor. */
const props = defineProps<{ learned: Learned; limits: LimitSet | null; aim: number | null }>()
const box = ref<HTMLElement>()
const preferences = usePreferences()
const width = useChartWidth(box)
const HEIGHT = 236
const LEFT = 52
const BASE = HEIGHT - 40
const ROOM = 0.18
const all = computed(() => [...props.learned.points, ...props.learned.none.map(none => ({ ...none, value: 0, U: 0 }))])
const next = computed(() => props.learned.next)
const x = computed(() => {
  const totals = [...all.value.map(({ thickness }) => thickness), ...(next.value ? [next.value.thickness] : [])]
  return scaleLinear(paddedExtent(totals, ROOM, 20_000), [LEFT, width.value - 16])
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
  const [low, high] = paddedExtent([0, ...values, ...finiteEnds(props.limits)], ROOM, 1e7)
  return scaleLinear([Math.max(low, -high * 0.08), high], [BASE, 12]).clamp(true)
})
const limitBox = computed(() => {
  const ends = endsOf(props.limits)
  if (!ends) return null
  const top = Number.isFinite(ends.upper) ? y.value(ends.upper) : 12
  return { top, height: (Number.isFinite(ends.lower) ? y.value(ends.lower) : BASE) - top }
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
const onAxis = (thickness: number) => Math.min(width.value - 8, Math.max(LEFT, x.value(thickness)))
const labelSide = (thickness: number) => (x.value(thickness) > width.value - 90 ? 'end' : 'start')
</script>

<template>
  <div ref="box">
    <svg
      :width="width"
      :height="HEIGHT"
      :viewBox="`0 0 ${width} ${HEIGHT}`"
      role="img"
      :aria-label="`Torque against pack thickness. ${words}`"
      class="block"
      data-drawing="torque against thickness"
      data-test="slope-plot"
    >
      <rect
        v-if="limitBox"
        :x="LEFT"
        :y="limitBox.top"
        :width="width - LEFT - 8"
        :height="Math.max(1, limitBox.height)"
        fill="var(--in)"
        opacity="0.13"
      />
      <text v-if="limitBox" :x="width - 14" :y="limitBox.top + 15" text-anchor="end" font-size="12.5" fill="var(--in)">limits</text>
      <path v-if="band" :d="area" fill="var(--accent)" opacity="0.14" />
      <g stroke="var(--hair)">
        <line :x1="LEFT" :x2="width - 8" :y1="y(0)" :y2="y(0)" />
        <line :x1="LEFT" :x2="LEFT" y1="8" :y2="BASE" />
      </g>
      <g class="figure" font-size="12" fill="var(--mute)">
        <text v-for="t in axisTicks(x, perUnit(preferences.unit))" :key="`x${t.value}`" :x="t.at" :y="BASE + 17" text-anchor="middle">
          {{ t.value }}
        </text>
        <text v-for="t in axisTicks(y, perUnit(learned.unit))" :key="`y${t.value}`" :x="LEFT - 7" :y="t.at + 4" text-anchor="end">
          {{ t.value }}
        </text>
      </g>
      <text :x="width - 8" :y="HEIGHT - 6" text-anchor="end" font-size="12.5" fill="var(--mute)">
        pack thickness, {{ unitName(preferences.unit) }}
      </text>
      <text x="2" :y="HEIGHT - 6" font-size="12.5" fill="var(--mute)">↑ torque, {{ unitName(learned.unit) }}</text>
      <path v-if="band" :d="path" fill="none" stroke="var(--accent)" stroke-width="2" />
      <g v-if="next && aim !== null" stroke="var(--accent)">
        <line :x1="LEFT" :x2="x(next.thickness)" :y1="y(aim)" :y2="y(aim)" stroke-dasharray="3 4" />
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
      <g v-for="(point, i) in learned.points" :key="point.id">
        <line
          :x1="x(point.thickness)"
          :x2="x(point.thickness)"
          :y1="y(point.value - point.U)"
          :y2="y(point.value + point.U)"
          stroke="var(--ink)"
          stroke-width="1.5"
        />
        <circle :cx="x(point.thickness)" :cy="y(point.value)" r="5.5" fill="var(--ink)" />
        <text
          :x="x(point.thickness) + (labelSide(point.thickness) === 'end' ? -10 : 10)"
          :y="y(point.value) - 8"
          :text-anchor="labelSide(point.thickness)"
          font-size="13"
          fill="var(--ink)"
        >
          {{ i + 1 }}: {{ show(point.value) }}
        </text>
      </g>
      <g v-for="point in learned.none" :key="point.id" fill="var(--mute)">
        <path :d="`M${x(point.thickness) - 6} ${y(0) - 11}h12l-6 9z`" />
        <text :x="x(point.thickness)" :y="y(0) - 16" font-size="12.5" text-anchor="middle">no drag</text>
      </g>
    </svg>
    <p class="mt-1 text-[13px] text-mute">
      {{ words
      }}<template v-if="next"> Aimed at with {{ size(next.thickness) }} ± {{ size(next.U) }} {{ unitName(preferences.unit) }}.</template>
      Where nothing drags it says “no more than this”, and is not in the line.
    </p>
    <table class="mt-1 text-sm">
      <thead>
        <tr>
          <th>Fitting</th>
          <th>Pack</th>
          <th>Torque, {{ unitName(learned.unit) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(point, i) in learned.points" :key="point.id">
          <td>{{ i + 1 }}</td>
          <td class="figure">{{ size(point.thickness) }}</td>
          <td class="figure">{{ show(point.value) }} ± {{ show(point.U) }}</td>
        </tr>
        <tr v-for="point in learned.none" :key="point.id">
          <td>–</td>
          <td class="figure">{{ size(point.thickness) }}</td>
          <td>no drag</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
