<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import { shownFigure, type CheckEvaluation } from '#core/check/evaluate-check'
import { resultName } from '#core/check/evaluate-fitting'
import { formatLength, unitFor, otherUnit } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { verdictWord } from '#core/verdict/words'
import { stateText } from '~/composables/stateColour'
import { usePreferences } from '~/stores/preferences'

/** The answer, readable from two metres: mark, word, figure; then one sentence and its sum. */
const props = defineProps<{ evaluation: CheckEvaluation, document: CheckDocument, sentence: string, arithmetic: string }>()
const preferences = usePreferences()
const result = computed(() => props.evaluation.headline)
const raw = computed(() => result.value.estimate)
const unit = computed(() => unitFor(preferences.system, result.value.kind.scale))
const figure = computed(() => shownFigure(result.value, unit.value))
const several = computed(() => props.evaluation.current.results.filter(other => other.kind.main).length > 1)
/** What the other rule would say, when it says something else. */
const otherRule = computed(() => {
  const verdict = result.value.verdict.working
  if (!verdict || verdict.plain === verdict.guarded) return null
  const name = props.document.rule === 'plain' ? 'guarded' as const : 'plain' as const
  return { name, word: verdictWord(verdict[name], result.value.kind.ends) }
})
</script>

<template>
  <div class="flex flex-wrap items-end justify-between gap-x-8 gap-y-2">
    <div class="flex flex-wrap items-center gap-x-5 gap-y-1" aria-live="polite" data-test="verdict">
      <span class="flex items-center gap-3" :class="stateText(evaluation.state)"><StateMark :state="evaluation.state" :size="34" /><span class="display text-3xl">{{ evaluation.word }}</span></span>
      <span class="figure text-[58px] font-bold leading-none" data-test="figure">{{ figure }}</span>
      <span v-if="raw" class="figure text-[17px] leading-tight text-mute">
        <span v-if="several" class="block font-sans text-[14px] font-semibold">{{ resultName(result) }}</span>
        ± {{ formatLength(raw.U, unit) }} {{ UNIT_NAME[unit] }}<br>{{ formatLength(raw.value, otherUnit(unit, result.kind.scale), { unit: true }) }}
      </span>
    </div>
    <div class="min-w-0 flex-1 basis-72 md:text-right" data-test="answer">
      <p class="text-[17px]">{{ sentence }}</p>
      <p v-if="arithmetic" class="text-[13.5px] text-mute">{{ arithmetic }}</p>
      <p v-if="otherRule" class="text-[13.5px] text-near">By the {{ otherRule.name }} rule it would be: {{ otherRule.word }}.</p>
    </div>
  </div>
</template>
