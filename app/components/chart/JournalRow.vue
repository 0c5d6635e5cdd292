<script setup lang="ts">
import { extent } from 'd3-array'
import { scaleBand, scaleLinear } from 'd3-scale'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { worstOf } from '#core/check/evaluate/gravity'
import { stateWord } from '#core/check/evaluate/state-words'
import { unitOfResult } from '#core/check/common/results'
import { formatFigure, OTHER_MEASURE, perUnit, unitName, type Unit } from '#core/quantity/figure'
import { endsOf, finiteEnds } from '#core/verdict/limits'
import { statePaint } from '~/composables/words/stateColour'
import { usePreferences } from '~/stores/preferences'
import { axisTicks, useChartWidth } from './axis'

/**
 * The row of journals: clearance at each position to one scale, thou on the left and millimetres on the right (a torque in its unit, and that of the other system), limits, the worst marked.
 * Where a position has a least and a most, its bar shows both and is named by the one that decides.
 */
const props = defineProps<{
  results: readonly ResultEvaluation[]
  /** where the most at a position is looked for */
  all: readonly ResultEvaluation[]
  picked: string
  worst: string
}>()
const emit = defineEmits<{ pick: [string] }>()
const box = ref<HTMLElement>()
const preferences = usePreferences()
const width = useChartWidth(box)
const HEIGHT = 170
const TOP = 26
const FOOT = 164
const SIDE = 44

/** Along the left, and along the right. */
const axes = computed<readonly [Unit, Unit]>(() => {
  const unit = props.results[0]?.kind.unit
  return unit ? [unit, OTHER_MEASURE[unit]] : ['thou', 'mm']
})
const columns = computed(() =>
  props.results.map(least => {
    const most =
      props.all.find(other => other.kind.judgedBy === least.kind.id && other.position === least.position && other.estimate) ?? least
    return { id: least.id, least, most, result: most === least ? least : worstOf([least, most]), ids: [least.id, most.id] }
  }),
)
const y = computed(() => {
  const marks = columns.value.flatMap(({ least, most }) => [
    ...finiteEnds(least.limits.working),
    ...(least.estimate ? [least.estimate.value - least.estimate.U] : []),
    ...(most.estimate ? [most.estimate.value + most.estimate.U] : []),
  ])
  const [low = 0, high = perUnit(axes.value[0]) * 3] = extent(marks) as [number | undefined, number | undefined]
  const span = Math.max(high, 0) - Math.min(low, 0)
  return scaleLinear([Math.min(low, 0) - (low < 0 ? span * 0.08 : 0), Math.max(high, 0) + span * 0.12], [FOOT, TOP])
})
const x = computed(() =>
  scaleBand(
    props.results.map(result => result.id),
    [SIDE, width.value - SIDE],
  ).padding(0.32),
)
const bars = computed(() =>
  columns.value.map(({ id, least, most, result, ids }) => {
    const left = x.value(id)!
    const wide = x.value.bandwidth()
    const ends = endsOf(result.limits.working)
    const zone = ends
      ? { top: y.value(Math.min(ends.upper, y.value.domain()[1]!)), foot: y.value(Math.max(ends.lower, y.value.domain()[0]!)) }
      : null
    return {
      id,
      ids,
      result,
      left,
      wide,
      zone,
      colour: statePaint(result.state),
      value: least.estimate &&
        most.estimate && {
          top: y.value(Math.max(least.estimate.value, 0)),
          foot: y.value(Math.min(least.estimate.value, 0)),
          most: y.value(most.estimate.value),
          high: y.value(most.estimate.value + most.estimate.U),
          low: y.value(least.estimate.value - least.estimate.U),
        },
    }
  }),
)
const show = (result: ResultEvaluation) =>
  result.estimate ? formatFigure(result.estimate.value, unitOfResult({ ...result.kind, scale: 'play' }, preferences.system)) : '–'
const summary = computed(() => columns.value.map(({ result }) => `${result.label} ${show(result)}, ${stateWord(result)}`).join('; '))
</script>

<template>
  <div ref="box">
    <svg
      :width="width"
      :height="HEIGHT"
      :viewBox="`0 0 ${width} ${HEIGHT}`"
      role="img"
      :aria-label="`Row of journals: ${summary}`"
      class="block"
      data-drawing="row of journals"
      data-test="journal-row"
    >
      <g class="figure" font-size="11.5" fill="var(--mute)">
        <g v-for="(t, i) in axisTicks(y, perUnit(axes[0]))" :key="`t${i}`">
          <line :x1="SIDE - 6" :x2="width - SIDE + 6" :y1="t.at" :y2="t.at" stroke="var(--hair)" />
          <text :x="SIDE - 10" :y="t.at + 4" text-anchor="end">{{ t.value }}</text>
        </g>
        <text v-for="(t, i) in axisTicks(y, perUnit(axes[1]))" :key="`m${i}`" :x="width - SIDE + 10" :y="t.at + 4">{{ t.value }}</text>
      </g>
      <g font-size="12" fill="var(--mute)">
        <text :x="SIDE - 10" y="12" text-anchor="end">{{ unitName(axes[0]) }}</text>
        <text :x="width - SIDE + 10" y="12">{{ unitName(axes[1]) }}</text>
      </g>
      <line :x1="SIDE - 6" :x2="width - SIDE + 6" :y1="y(0)" :y2="y(0)" stroke="var(--ink)" stroke-width="1.3" />
      <g v-for="bar in bars" :key="bar.id" class="cursor-pointer" @click="emit('pick', bar.result.id)">
        <rect
          v-if="bar.zone"
          :x="bar.left - bar.wide * 0.2"
          :width="bar.wide * 1.4"
          :y="bar.zone.top"
          :height="Math.max(0, bar.zone.foot - bar.zone.top)"
          fill="var(--in)"
          opacity="0.16"
        />
        <rect :x="bar.left" :width="bar.wide" :y="TOP - 20" :height="HEIGHT - TOP + 20" fill="transparent" />
        <template v-if="bar.value">
          <rect
            :x="bar.left"
            :width="bar.wide"
            :y="bar.value.top"
            :height="Math.max(1.5, bar.value.foot - bar.value.top)"
            fill="var(--brass)"
            stroke="var(--brass-line)"
          />
          <rect
            v-if="bar.value.most < bar.value.top"
            :x="bar.left"
            :width="bar.wide"
            :y="bar.value.most"
            :height="bar.value.top - bar.value.most"
            fill="var(--brass)"
            fill-opacity="0.35"
            stroke="var(--brass-line)"
          />
          <path
            :d="`M${bar.left + bar.wide / 2} ${bar.value.high}V${bar.value.low}m-5 0h10m-10 ${bar.value.high - bar.value.low}h10`"
            stroke="var(--ink)"
            stroke-width="1.6"
            fill="none"
          />
        </template>
        <path
          v-if="bar.ids.includes(worst) && bar.value"
          :d="`M${bar.left + bar.wide / 2 - 6} ${Math.min(bar.value.high, bar.value.most) - 13}h12l-6 8z`"
          :fill="bar.colour"
        />
      </g>
    </svg>
    <div class="relative h-12">
      <button
        v-for="bar in bars"
        :key="bar.id"
        type="button"
        class="absolute top-0 flex h-full cursor-pointer flex-col items-center justify-center border-b-3 leading-tight"
        :class="bar.ids.includes(picked) ? 'border-accent font-bold' : 'border-transparent'"
        :style="{ left: `${bar.left + bar.wide / 2 - x.step() / 2}px`, width: `${x.step()}px` }"
        :aria-pressed="bar.ids.includes(picked)"
        :aria-label="`${bar.wide < 34 ? bar.result.position : bar.result.label} ${show(bar.result)}, ${stateWord(bar.result)}`"
        @click="emit('pick', bar.result.id)"
      >
        <span :class="bar.wide < 34 ? 'text-[11px]' : 'text-[13px]'">{{ bar.wide < 34 ? bar.result.position : bar.result.label }}</span
        >{{ ' ' }}
        <span
          class="figure"
          :class="[bar.wide < 34 ? 'text-[11px]' : 'text-[13.5px]', bar.ids.includes(worst) ? 'font-bold' : 'font-normal']"
          :style="{ color: bar.colour }"
          >{{ show(bar.result) }}</span
        >
      </button>
    </div>
  </div>
</template>
