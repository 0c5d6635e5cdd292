<script setup lang="ts">
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'

/** The positions of a check side by side, in Choose in the place of the readings. */
const props = defineProps<{
  evaluation: CheckEvaluation
  row: readonly ResultEvaluation[]
  /** id of the result looked at */ shown: string
}>()
const picked = defineModel<string>('picked', { required: true })
/** Named with what is drawn beside it: the least and the most. */
const title = computed(() => {
  const first = props.row[0]?.kind
  const twin = props.evaluation.current.results.find(({ kind }) => first && kind.judgedBy === first.id)
  return [first, twin?.kind].flatMap(one => (one ? [one.label] : [])).join('; ')
})
</script>

<template>
  <h2 class="label mb-1">{{ title }}</h2>
  <JournalRow :results="row" :all="evaluation.current.results" :picked="shown" :worst="evaluation.headline.id" @pick="picked = $event" />
</template>
