<script setup lang="ts">
import { formatChange, formatFigure, OTHER_MEASURE, unitName, type Unit } from '#core/quantity/figure'
import type { MeasureUnit } from '#core/quantity/measure'
import { bandOf, describeLimits, endsOf, finiteEnds, type LimitSet } from '#core/verdict/limits'
import { usePreferences } from '~/stores/preferences'
import { useChartWidth } from './axis'
import { bandLabels, spaced } from './band-labels'
import { bandScale, ticks } from './band-scale'

/**
 * The strip of dyed blue with the limits scribed on it, thou along the top and millimetres along the bottom; a torque in its unit
 * and that of the other system. Tight is left, loose is right. Everything in small units.
 */
const props = defineProps<{
  book: LimitSet | null
  /** what the set-up itself asks for */
  demand: LimitSet | null
  shop: LimitSet | null
  aim: number | null
  readings: readonly number[]
  measured: { value: number; U: number } | null
  /** no figure, but so much or less */
  atMost?: { value: number; words: string } | null
  predicted: { value: number; U: number; words: string; atMost?: true } | null
  ends: { below: string; above: string }
  /** which result this is, where a check has several */
  label?: string | null
  /** of a figure that is no length */
  measure?: MeasureUnit
}>()
const box = ref<HTMLElement>()
const preferences = usePreferences()
const width = useChartWidth(box, 300)
const narrow = computed(() => width.value < 560)
/** Small until there is something on it. */
const blank = computed(() => anchors.value.length === 0 && marks.value.length === 0)
const HEIGHT = 112
const TOP = 27
const BOTTOM = 87
const LINE = 61

/** Up to something, from nothing; a temperature has no nothing. */
const beginsAtZero = (set: LimitSet) => set.kind === 'upper' && bandOf(set) !== null
const anchors = computed(() => {
  const found = [...finiteEnds(props.book), ...finiteEnds(props.shop), ...finiteEnds(props.demand)]
  const open = [props.book, props.shop, props.demand].some(set => set && beginsAtZero(set)) ? [0] : []
  return [...found, ...open]
})
const marks = computed(() => [
  ...props.readings,
  ...(props.atMost ? [props.atMost.value] : []),
  ...(props.aim === null ? [] : [props.aim]),
  ...[props.measured, props.predicted].flatMap(m => (m ? [m.value - m.U, m.value + m.U] : [])),
  ...[props.book, props.shop].flatMap(set => (set?.kind === 'figure' ? [set.figure as number] : [])),
])
const scale = computed(() => bandScale(anchors.value, marks.value, width.value, narrow.value ? 22 : 40))
const x = (value: number) => scale.value.x(value)
const clampX = (value: number) =>
  Math.min(width.value - 2, Math.max(2, value === -Infinity ? 2 : value === Infinity ? width.value - 2 : x(value)))
const zone = (set: LimitSet | null) => {
  const ends = endsOf(set)
  if (!ends || !set) return null
  const left = clampX(beginsAtZero(set) ? 0 : ends.lower)
  return {
    left,
    right: clampX(ends.upper),
    lower: Number.isFinite(ends.lower) ? x(ends.lower) : null,
    upper: Number.isFinite(ends.upper) ? x(ends.upper) : null,
  }
}
const zones = computed(() =>
  [
    { name: 'Book', set: props.book, at: zone(props.book) },
    { name: 'Shop', set: props.shop, at: zone(props.shop) },
    { name: 'Asked for', set: props.demand, at: zone(props.demand) },
  ].filter(z => z.at !== null),
)
/** Along the top, and along the bottom. */
const axes = computed<readonly [Unit, Unit]>(() => (props.measure ? [props.measure, OTHER_MEASURE[props.measure]] : ['thou', 'mm']))
const unit = computed<Unit>(() => props.measure ?? preferences.unit)
const topTicks = computed(() => ticks(scale.value, axes.value[0], 13))
const bottomTicks = computed(() => ticks(scale.value, axes.value[1], 13))
const tickLabel = (value: number) => String(Math.round(value * 1e6) / 1e6).replace('-', '−')
/** Labels keep clear of the unit’s name at the right end, of the left edge, and of the break. */
const clear = (at: number) => at > 12 && at < width.value - 56 && Math.abs(at - (scale.value.breakAt ?? -100)) > 26
const labelled = (all: ReturnType<typeof ticks>) =>
  spaced(
    all.filter(tick => tick.major && clear(tick.at)),
    tickLabel,
  )
const names = computed(() =>
  zones.value.map(({ name, set }) => ({
    name,
    words: `${name} ${describeLimits(set, unit.value).replace(` ${unitName(unit.value)}`, '')}`,
  })),
)
const limitNames = computed(() => names.value.map(({ words }) => words).join(' · '))
const spots = computed(() => {
  const edges = zones.value.flatMap(z => [z.at!.lower, z.at!.upper]).filter(edge => edge !== null)
  const tickBoxes = [
    ...labelled(topTicks.value).map(tick => ({ ...tick, y: 23 })),
    ...labelled(bottomTicks.value).map(tick => ({ ...tick, y: HEIGHT - 15 })),
  ]
  return bandLabels(
    {
      width: width.value,
      edges,
      zone:
        zones.value.length === 0
          ? null
          : { left: Math.min(...zones.value.map(z => z.at!.left)), right: Math.max(...zones.value.map(z => z.at!.right)) },
      breakAt: scale.value.breakAt,
      ticks: tickBoxes.map(({ at, value, y }) => ({ at, text: tickLabel(value), y })),
      // On a phone they stand below it.
      title: narrow.value ? null : (props.label ?? null),
      below: narrow.value ? '' : props.ends.below.toLowerCase(),
      above: narrow.value ? '' : props.ends.above.toLowerCase(),
      limits: limitNames.value,
      measured: props.measured ? { at: x(props.measured.value), text: show(props.measured.value) } : null,
      predicted: props.predicted
        ? {
            at: x(props.predicted.value),
            text: `${props.predicted.atMost ? '≤ ' : ''}${show(props.predicted.value)}`,
            words: narrow.value && props.measured ? '' : props.predicted.words,
          }
        : null,
    },
    { top: TOP, bottom: BOTTOM, line: LINE },
  )
})
const spot = (id: string) => spots.value.get(id)
/** What had room nowhere on the band. */
const untold = computed(() => [
  ...(!narrow.value && props.label && !spot('title') ? [props.label] : []),
  ...(limitNames.value !== '' && !spot('limits') ? [limitNames.value] : []),
])
const show = (value: number) => formatFigure(value, unit.value)
const arrow = computed(() => {
  if (!props.measured || !props.predicted) return null
  const from = x(props.measured.value)
  const to = x(props.predicted.value)
  if (Math.abs(from - to) < 26) return null
  return { from, to, sign: Math.sign(to - from) }
})
const summary = computed(() =>
  [
    props.measured
      ? `Measured ${show(props.measured.value)} plus or minus ${formatChange(props.measured.U, unit.value)} ${unitName(unit.value)}`
      : props.atMost
        ? `No more than ${show(props.atMost.value)} ${unitName(unit.value)}: ${props.atMost.words}`
        : 'Nothing measured',
    ...zones.value.map(z => `${z.name} limits ${describeLimits(z.set, unit.value)}`),
    ...(props.predicted
      ? [
          props.measured
            ? `the pack in hand leaves ${props.predicted.atMost ? 'at most ' : ''}${show(props.predicted.value)}`
            : `${props.predicted.words}: ${show(props.predicted.value)}`,
        ]
      : []),
  ].join('; '),
)
</script>

<template>
  <div ref="box" class="dye w-full overflow-hidden">
    <p v-if="blank" class="px-4 py-2.5 text-[14px]" data-test="limit-band">
      {{ label ? `${label}: n` : 'N' }}o limit known, nothing measured.
    </p>
    <svg
      v-else
      :width="width"
      :height="HEIGHT"
      :viewBox="`0 0 ${width} ${HEIGHT}`"
      role="img"
      :aria-label="summary"
      class="block"
      data-drawing="limit band"
      data-test="limit-band"
    >
      <g v-for="z in zones" :key="z.name">
        <rect
          :x="z.at!.left"
          :y="TOP"
          :width="Math.max(0, z.at!.right - z.at!.left)"
          :height="BOTTOM - TOP"
          fill="var(--scribe)"
          opacity="0.17"
        />
        <template v-for="end in [z.at!.lower, z.at!.upper]" :key="String(end)">
          <line
            v-if="end !== null"
            :x1="end"
            :x2="end"
            :y1="TOP"
            :y2="BOTTOM"
            stroke="var(--scribe)"
            :stroke-width="z.name === 'Book' ? 2 : 1.2"
          />
        </template>
      </g>
      <g stroke="var(--scribe)" stroke-width="1">
        <path :d="topTicks.map(t => `M${t.at} 0V${t.major ? 12 : 5}`).join('')" />
        <path :d="bottomTicks.map(t => `M${t.at} ${HEIGHT}V${HEIGHT - (t.major ? 12 : 5)}`).join('')" />
      </g>
      <g class="figure" fill="var(--scribe)" font-size="12" text-anchor="middle">
        <text v-for="(t, i) in labelled(topTicks)" :key="`tl${i}`" :x="t.at" y="23">{{ tickLabel(t.value) }}</text>
        <text v-for="(t, i) in labelled(bottomTicks)" :key="`ml${i}`" :x="t.at" :y="HEIGHT - 15">{{ tickLabel(t.value) }}</text>
      </g>
      <g fill="var(--scribe-soft)" font-size="12.5">
        <text :x="width - 8" y="23" text-anchor="end">{{ unitName(axes[0]) }}</text>
        <text :x="width - 8" :y="HEIGHT - 15" text-anchor="end">{{ unitName(axes[1]) }}</text>
        <PlacedWord :spot="spot('title')" font-size="13" font-weight="650" fill="var(--scribe)">{{ label }}</PlacedWord>
        <template v-if="!narrow">
          <PlacedWord :spot="spot('below')">{{ ends.below.toLowerCase() }}</PlacedWord>
          <PlacedWord :spot="spot('above')">{{ ends.above.toLowerCase() }}</PlacedWord>
        </template>
      </g>
      <PlacedWord :spot="spot('limits')" fill="var(--scribe)" font-size="13">
        <tspan v-for="(n, i) in names" :key="n.name" :font-weight="n.name === 'Book' ? 650 : 400">
          {{ i > 0 ? ' · ' : '' }}{{ n.words }}
        </tspan>
      </PlacedWord>
      <path
        v-if="scale.breakAt"
        :d="`M${scale.breakAt - 5} 0l6 31-8 31 8 31-8 31 8 31-6 31M${scale.breakAt + 5} 0l6 31-8 31 8 31-8 31 8 31-6 31`"
        fill="none"
        stroke="var(--scribe)"
        stroke-width="1.2"
      />
      <path v-if="aim !== null" :d="`M${x(aim) - 5} ${TOP + 1}h10l-5 6z`" fill="var(--scribe)" data-test="aim" />
      <g v-if="arrow" stroke="var(--scribe)" fill="var(--scribe)">
        <line :x1="arrow.from" :x2="arrow.to + -arrow.sign * 18" :y1="LINE" :y2="LINE" stroke-dasharray="3 4" stroke-width="1.5" />
        <path :d="`M${arrow.to - arrow.sign * 12} ${LINE}l${-arrow.sign * 10} -5v10z`" stroke="none" />
      </g>
      <g v-if="predicted" stroke="var(--scribe)">
        <path v-if="predicted.atMost" :d="`M${x(predicted.value)} ${LINE - 12}v24m0 -12h-26m8 -7l-8 7 8 7`" fill="none" stroke-width="2" />
        <line v-else :x1="x(predicted.value - predicted.U)" :x2="x(predicted.value + predicted.U)" :y1="LINE" :y2="LINE" stroke-width="2" />
        <circle v-if="!predicted.atMost" :cx="x(predicted.value)" :cy="LINE" r="7" fill="var(--dye-bottom)" stroke-width="2.2" />
      </g>
      <g v-if="atMost && !measured" stroke="var(--scribe)" fill="none" stroke-width="2" data-mark="at-most">
        <line :x1="x(atMost.value)" :x2="x(atMost.value)" :y1="LINE - 15" :y2="LINE + 15" />
        <path :d="`M${x(atMost.value)} ${LINE}h-26m8 -7l-8 7 8 7`" />
        <text class="figure" :x="x(atMost.value) + 8" :y="LINE + 5" font-size="14" fill="var(--scribe)" stroke="none">
          ≤ {{ show(atMost.value) }}
        </text>
      </g>
      <g v-if="measured" stroke="var(--scribe)">
        <line
          v-for="(reading, i) in readings"
          :key="i"
          :x1="x(reading)"
          :x2="x(reading)"
          :y1="LINE - 11"
          :y2="LINE + 11"
          stroke-width="1.2"
        />
        <line :x1="x(measured.value - measured.U)" :x2="x(measured.value + measured.U)" :y1="LINE" :y2="LINE" stroke-width="2" />
        <circle :cx="x(measured.value)" :cy="LINE" r="6.5" fill="var(--scribe)" />
      </g>
      <g fill="var(--scribe)" font-size="14">
        <PlacedWord :spot="spot('words')" font-size="13">{{ predicted?.words }}</PlacedWord>
        <PlacedWord :spot="spot('predicted')" class="figure">
          {{ predicted?.atMost ? '≤ ' : '' }}{{ predicted ? show(predicted.value) : '' }}
        </PlacedWord>
        <PlacedWord :spot="spot('measured')" class="figure">{{ measured ? show(measured.value) : '' }}</PlacedWord>
      </g>
    </svg>
    <p v-if="!blank && (narrow || untold.length > 0)" class="flex justify-between gap-x-3 px-3 pb-2 text-[13px]">
      <span v-if="narrow">← {{ ends.below.toLowerCase() }}</span>
      <span>{{ untold.join(' · ') }}</span>
      <span v-if="narrow">{{ ends.above.toLowerCase() }} →</span>
    </p>
  </div>
</template>
