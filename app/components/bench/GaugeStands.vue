<script setup lang="ts">
import type { MeasuringPoint } from '#core/check/contract'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { gaugeOf } from '#core/check/evaluate/gauge-needs'
import { checkKind } from '#core/check/registry'
import { plusOf, type Sense } from '#core/method/plus'
import type { Lot } from '#core/pack/lot'
import { lowerFirst } from '#core/quantity/first-letter'
import { measuredStacks } from '~/components/bench/kinds/stacks'
import { useKindView } from '~/components/bench/kinds/views'
import { POINT_IN_HAND } from '~/components/chart/point-in-hand'

/** What is measured from where to where, with the gauge in place, and what lies in the gap. */
const props = defineProps<{
  document: CheckDocument
  evaluation: CheckEvaluation
  lots: readonly Lot[]
  /** the point that is read now; left out: none is in hand */
  point?: MeasuringPoint | undefined
  /** it is the only one: nothing to light */
  only?: boolean
}>()
const view = useKindView(() => props.document.kind)
provide(
  POINT_IN_HAND,
  computed(() => (props.point && !props.only ? props.point.id : null)),
)
/** Of the set-up where it says so, else of the gauge in hand. */
const sense = computed((): Sense => {
  const said = { ...checkKind(props.document.kind).defaultSetup, ...props.document.setup }.sense
  if (said !== undefined) return said === 'falls' ? 'falls' : 'climbs'
  return (props.point && gaugeOf(props.document, props.point)?.sense) || 'climbs'
})
const plus = computed(() => (props.point ? plusOf(props.point.way, sense.value) : null))
const ARROW = {
  in: 'M10 8h22m0 0l-7-5m7 5l-7 5M36 2v12',
  out: 'M12 8h22m0 0l-7-5m7 5l-7 5M8 2v12',
  apart: 'M6 8h30m0 0l-6-5m6 5l-6 5M6 8l6-5m-6 5l6 5',
  round: 'M10 13a11 9 0 1 1 22 0m0 0l-6-3m6 3l3-6',
} as const
</script>

<template>
  <section aria-label="Where the gauge stands">
    <h2 class="label mb-1">Where the gauge stands<template v-if="point && !only">: {{ lowerFirst(point.label) }}</template></h2>
    <component :is="view.drawing" v-if="view" v-bind="view.drawn(document.setup)" data-drawing="where the gauge stands" />
    <p v-if="plus" class="mt-1 flex items-center gap-2 text-[13px]" data-test="plus">
      <svg viewBox="0 0 42 16" class="w-[42px] flex-none" fill="none" stroke="var(--out)" stroke-width="1.7" aria-hidden="true">
        <path :d="ARROW[plus.moves]" />
      </svg>
      <span><strong>Plus</strong>: {{ plus.words }}</span>
    </p>
    <LazyStackDrawing v-for="stack in measuredStacks(view?.stacks?.(document, evaluation, lots) ?? [])" :key="stack.label" :stack="stack" />
  </section>
</template>
