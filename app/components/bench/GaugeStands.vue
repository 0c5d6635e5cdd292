<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { Lot } from '#core/pack/lot'
import { measuredStacks } from '~/components/bench/kinds/stacks'
import { useKindView } from '~/components/bench/kinds/views'

/** What is measured from where to where, with the gauge in place, and what lies in the gap. */
const props = defineProps<{
  document: CheckDocument
  evaluation: CheckEvaluation
  lots: readonly Lot[]
  /** where it is read now; left out: there is one place only, or none in hand */
  at?: string | undefined
}>()
const view = useKindView(() => props.document.kind)
</script>

<template>
  <section aria-label="Where the gauge stands">
    <h2 class="label mb-1">Where the gauge stands<template v-if="at">: {{ at }}</template></h2>
    <component :is="view.drawing" v-if="view" v-bind="view.drawn(document.setup)" data-drawing="where the gauge stands" />
    <StackDrawing v-for="stack in measuredStacks(view?.stacks?.(document, evaluation, lots) ?? [])" :key="stack.label" :stack="stack" />
  </section>
</template>
