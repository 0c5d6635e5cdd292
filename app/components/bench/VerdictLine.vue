<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import { shownFigure, type CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { counts } from '#core/check/evaluate/gravity'
import { IN_BUT, resultName, stateWord } from '#core/check/evaluate/state-words'
import { unitOfResult } from '#core/check/common/results'
import { formatChange, formatFigure, unitName } from '#core/quantity/figure'
import { otherUnit } from '#core/quantity/format-length'
import { RULES } from '#core/verdict/decide'
import { verdictWord } from '#core/verdict/words'
import { stateText } from '~/composables/words/stateColour'
import { usePreferences } from '~/stores/preferences'

/** The answer, readable from two metres: mark, word, figure; then one sentence and its sum. Of the result in hand; what decides is said below it. */
const props = defineProps<{
  evaluation: CheckEvaluation
  shown: ResultEvaluation
  document: CheckDocument
  sentence: string
  arithmetic: string
}>()
const preferences = usePreferences()
const result = computed(() => props.shown)
/** What speaks against it is told beside the word. */
const word = computed(() => (result.value.state === 'doubted' ? IN_BUT : stateWord(result.value)))
const raw = computed(() => result.value.estimate)
const unit = computed(() => unitOfResult(result.value.kind, preferences.system))
const figure = computed(() => (result.value.atMost && !result.value.estimate ? '≤ 0' : shownFigure(result.value, unit.value)))
const several = computed(() => props.evaluation.current.results.filter(counts).length > 1)
/** What the check comes to as a whole, where another result decides than the one in hand. */
const whole = computed(() => {
  const { headline, word: decided } = props.evaluation
  if (!several.value || headline.id === result.value.id || headline.state === 'to-do') return null
  const headUnit = unitOfResult(headline.kind, preferences.system)
  return `The whole check: ${decided.toLowerCase()}, ${resultName(headline)}${headline.estimate ? ` at ${shownFigure(headline, headUnit)} ${unitName(headUnit)}` : ''}.`
})
/** Outside the limits that judge, inside the wider ones. */
const between = computed(() => result.value.findings.find(({ gate, level }) => gate === 'limits' && level === 'note')?.words)
/** What the other rules would say, where they say something else. */
const otherRules = computed(() => {
  const verdict = result.value.verdict.working
  if (!verdict) return ''
  const others = RULES.filter(rule => rule !== props.document.rule && verdict[rule] !== verdict.state)
  return others.map(rule => `${rule}: ${verdictWord(verdict[rule], result.value.kind.ends).toLowerCase()}`).join(', ')
})
</script>

<template>
  <div class="flex flex-wrap items-end justify-between gap-x-8 gap-y-2">
    <div class="flex flex-wrap items-center gap-x-5 gap-y-1" aria-live="polite" data-test="verdict">
      <span class="flex items-center gap-3" :class="stateText(result.state)">
        <StateMark :state="result.state" :size="34" />
        <span class="display text-3xl">{{ word }}</span>
      </span>
      <span class="figure text-[58px] font-bold leading-none" data-test="figure">{{ figure }}</span>
      <div v-if="raw || several" class="leading-tight text-mute">
        <p
          v-if="result.state === 'doubted' && !sentence.includes(result.doubt!)"
          class="text-[15px] font-semibold text-near"
          data-test="doubt"
        >
          {{ result.doubt }}
        </p>
        <p v-if="several" class="text-[14px] font-semibold">{{ resultName(result) }}</p>
        <p v-if="raw" class="figure text-[17px]">
          ± {{ formatChange(raw.U, unit) }} {{ unitName(unit) }}<br />{{
            formatFigure(raw.value, otherUnit(unit, result.kind.scale), { unit: true })
          }}
        </p>
      </div>
    </div>
    <div class="min-w-0 flex-1 basis-72 md:text-right" data-test="answer">
      <p class="text-[17px] text-balance">{{ sentence }}</p>
      <p v-if="arithmetic" class="text-[13.5px] text-mute">{{ arithmetic }}</p>
      <p v-if="whole" class="text-[13.5px]" :class="stateText(evaluation.state)" data-test="whole">{{ whole }}</p>
      <p v-if="between" class="text-[13.5px] text-near" data-test="between">{{ between }}</p>
      <p v-if="otherRules" class="text-[13.5px] text-near">By the other rules: {{ otherRules }}.</p>
    </div>
  </div>
</template>
