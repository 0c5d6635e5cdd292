<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { utcTicks } from 'd3-time'
import { extent } from 'd3-array'
import { formatFigure, perUnit, unitName, type Unit } from '#core/quantity/figure'
import { METER_NAME, type Meter } from '#core/worksheet/job-facts'
import type { Trend } from '#shared/record'
import { axisTicks, paddedExtent, useChartWidth } from './axis'

/** How did it come in, and how did it go out, service by service? Time or meter across, the figure up, the limits of each service behind. */
const props = defineProps<{ trend: Trend; unit: Unit; by: 'meter' | 'day'; meter: Meter | null; title: string }>()
const box = ref<HTMLElement>()
const width = useChartWidth(box, 340)
const PLOT = { height: 320, left: 54, base: 270, top: 16 } as const
const LINES = ['var(--ink)', 'var(--accent)', 'var(--brass-line)', 'var(--near)'] as const
const DASH = ['', '6 3', '2 3', '9 3 2 3'] as const
type Service = Trend['units'][number]['services'][number]
const placeOf = (service: Service): number | null => (props.by === 'day' ? Date.parse(service.day) : service.meterReading)
const lines = computed(() =>
  props.trend.units.map((unit, i) => ({
    ...unit,
    colour: LINES[i % LINES.length]!,
    dash: DASH[i % DASH.length]!,
    services: unit.services.flatMap((service, j) => {
      const at = placeOf(service)
      const before = unit.services[j - 1]
      return at === null ? [] : [{ ...service, at, joined: before !== undefined && placeOf(before) !== null }]
    }),
  })),
)
const all = computed(() => lines.value.flatMap(({ services }) => services))
const room = (values: readonly number[]) => (props.by === 'day' ? 20 * 86_400_000 : Math.max(1, Math.max(0, ...values) * 0.02))
const across = computed(() => {
  const places = all.value.map(({ at }) => at)
  const [low, high] = paddedExtent(places, 0.06, room(places))
  return [low, high] as const
})
const x = computed(() => scaleLinear(across.value, [PLOT.left, width.value - 14]))
const y = computed(() => {
  const values = all.value.flatMap(({ found, left, lower, upper }) => [
    left.value + left.U,
    left.value - left.U,
    ...(found ? [found.value + found.U, found.value - found.U] : []),
    ...(lower === null ? [] : [lower]),
    ...(upper === null ? [] : [upper]),
  ])
  return scaleLinear(paddedExtent(values, 0.1, perUnit(props.unit) * 0.2), [PLOT.base, PLOT.top])
})
const ticksAcross = computed(() =>
  props.by === 'day'
    ? utcTicks(new Date(across.value[0]!), new Date(across.value[1]!), Math.max(2, Math.round(width.value / 160))).map(date => ({
        at: x.value(date.getTime()),
        words: date.toLocaleDateString('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' }),
      }))
    : x.value
        .ticks(Math.max(2, Math.round(width.value / 130)))
        .map(value => ({ at: x.value(value), words: value.toLocaleString('en-GB') })),
)
/** The limits that judged each service, from it half way to its neighbours. */
const bands = computed(() => {
  const services = [...all.value].sort((a, b) => a.at - b.at)
  const [from, to] = x.value.range() as [number, number]
  return services.flatMap((service, i) => {
    const [before, after] = [services[i - 1], services[i + 1]]
    const start = before ? (x.value(before.at) + x.value(service.at)) / 2 : from
    const end = after ? (x.value(after.at) + x.value(service.at)) / 2 : to
    if (service.lower === null && service.upper === null) return []
    const top = service.upper === null ? PLOT.top : y.value(service.upper)
    return [
      {
        start,
        width: Math.max(0, end - start),
        top,
        height: Math.max(1, (service.lower === null ? PLOT.base : y.value(service.lower)) - top),
      },
    ]
  })
})
/** No line over a service whose place is not known. */
const path = (services: readonly (Service & { readonly at: number; readonly joined: boolean })[]) =>
  services
    .map(s =>
      !s.joined
        ? `M${x.value(s.at)} ${y.value(s.left.value)}`
        : s.found
          ? `L${x.value(s.at)} ${y.value(s.found.value)}M${x.value(s.at)} ${y.value(s.left.value)}`
          : `M${x.value(s.at)} ${y.value(s.left.value)}`,
    )
    .join('')
const show = (value: number) => formatFigure(value, props.unit)
const span = computed(() => extent(all.value, ({ day }) => day))
const label = computed(
  () =>
    `${props.title}, ${unitName(props.unit)}: ${all.value.length} services${span.value[0] ? `, ${span.value[0]} to ${span.value[1]}` : ''}.`,
)
const sideOf = (at: number) => (x.value(at) > width.value - 110 ? 'end' : 'start')
</script>

<template>
  <div ref="box">
    <svg
      :width="width"
      :height="PLOT.height"
      :viewBox="`0 0 ${width} ${PLOT.height}`"
      role="img"
      :aria-label="label"
      class="block"
      :data-drawing="`trend of ${title.toLowerCase()}`"
      data-test="trend-plot"
    >
      <rect
        v-for="(band, i) in bands"
        :key="i"
        :x="band.start"
        :y="band.top"
        :width="band.width"
        :height="band.height"
        fill="var(--in)"
        opacity="0.13"
      />
      <text v-if="bands.length" :x="width - 18" :y="bands[0]!.top + 15" text-anchor="end" font-size="12.5" fill="var(--in)">limits</text>
      <g stroke="var(--hair)">
        <line :x1="PLOT.left" :x2="width - 8" :y1="PLOT.base" :y2="PLOT.base" />
        <line :x1="PLOT.left" :x2="PLOT.left" :y1="PLOT.top - 6" :y2="PLOT.base" />
      </g>
      <g class="figure" font-size="12" fill="var(--mute)">
        <text v-for="t in ticksAcross" :key="t.words" :x="t.at" :y="PLOT.base + 17" text-anchor="middle">{{ t.words }}</text>
        <text v-for="t in axisTicks(y, perUnit(unit))" :key="t.value" :x="PLOT.left - 7" :y="t.at + 4" text-anchor="end">
          {{ t.value }}
        </text>
      </g>
      <text :x="width - 8" :y="PLOT.height - 8" text-anchor="end" font-size="12.5" fill="var(--mute)">
        {{ by === 'day' ? 'day it came in' : meter ? METER_NAME[meter] : 'meter' }}
      </text>
      <text x="2" :y="PLOT.height - 8" font-size="12.5" fill="var(--mute)">↑ {{ unitName(unit) }}</text>
      <g v-for="line in lines" :key="line.id">
        <path :d="path(line.services)" fill="none" :stroke="line.colour" stroke-width="1.6" :stroke-dasharray="line.dash" />
        <g v-for="s in line.services" :key="s.check">
          <template v-if="s.found">
            <line
              :x1="x(s.at)"
              :x2="x(s.at)"
              :y1="y(s.found.value)"
              :y2="y(s.left.value)"
              :stroke="line.colour"
              stroke-width="1.2"
              stroke-dasharray="2 3"
            />
            <line
              :x1="x(s.at)"
              :x2="x(s.at)"
              :y1="y(s.found.value - s.found.U)"
              :y2="y(s.found.value + s.found.U)"
              :stroke="line.colour"
              stroke-width="1"
            />
            <circle :cx="x(s.at)" :cy="y(s.found.value)" r="5" fill="var(--paper)" :stroke="line.colour" stroke-width="2" />
          </template>
          <line
            :x1="x(s.at)"
            :x2="x(s.at)"
            :y1="y(s.left.value - s.left.U)"
            :y2="y(s.left.value + s.left.U)"
            :stroke="line.colour"
            stroke-width="1"
          />
          <circle :cx="x(s.at)" :cy="y(s.left.value)" r="5" :fill="line.colour" />
          <path v-if="s.changes.length" :d="`M${x(s.at) - 6} ${PLOT.base}h12l-6 -10z`" fill="var(--near)" />
        </g>
        <text
          v-if="line.services.length && lines.length > 1"
          :x="x(line.services.at(-1)!.at) + (sideOf(line.services.at(-1)!.at) === 'end' ? -10 : 10)"
          :y="y(line.services.at(-1)!.left.value) + 16"
          :text-anchor="sideOf(line.services.at(-1)!.at)"
          font-size="12.5"
          :fill="line.colour"
        >
          {{ line.name }}
        </text>
        <text
          v-else-if="line.services.length"
          :x="x(line.services.at(-1)!.at) + (sideOf(line.services.at(-1)!.at) === 'end' ? -10 : 10)"
          :y="y(line.services.at(-1)!.left.value) - 8"
          :text-anchor="sideOf(line.services.at(-1)!.at)"
          font-size="13"
          fill="var(--ink)"
        >
          {{ show(line.services.at(-1)!.left.value) }}
        </text>
      </g>
    </svg>
    <p class="mt-1 flex flex-wrap gap-x-5 text-[13px] text-mute">
      <span>○ as it came in</span><span>● as it went out</span><span class="text-near">▲ something it rests on was replaced</span>
    </p>
  </div>
</template>
