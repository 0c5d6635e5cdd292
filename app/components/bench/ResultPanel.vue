<script setup lang="ts">
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import type { Phase } from '#core/method/step'

/** What a check with several results comes to: the row of positions, and the figures beside it. */
defineProps<{
  evaluation: CheckEvaluation
  row: readonly ResultEvaluation[]
  phase: Phase
  /** id of the result looked at */ shown: string
}>()
defineEmits<{ pick: [string] }>()
</script>

<template>
  <div class="mb-4 space-y-3">
    <LazyJournalRow
      v-if="row.length > 1 && phase !== 'prove'"
      :results="row"
      :all="evaluation.current.results"
      :picked="shown"
      :worst="evaluation.headline.id"
      @pick="$emit('pick', $event)"
    />
    <ResultTable
      :picked="shown"
      :results="evaluation.current.results"
      :headline="evaluation.headline.id"
      :worst-first="phase !== 'measure'"
      @update:picked="$emit('pick', $event)"
    />
  </div>
</template>
