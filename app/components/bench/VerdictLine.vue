<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import { headlineFigure, type CheckEvaluation } from '#core/check/evaluate-check'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** The answer, readable from two metres: mark, word, figure; then one sentence and its sum. */
const props = defineProps<{ evaluation: CheckEvaluation, document: CheckDocument, sentence: string, arithmetic: string }>()
const preferences = usePreferences()
const colour = computed(() => ({ 'in': 'text-in', 'below': 'text-out', 'above': 'text-out', 'not-valid': 'text-out', 'close': 'text-near', 'provisional': 'text-near', 'stale': 'text-mute', 'no-limit': 'text-mute', 'to-do': 'text-mute' })[props.evaluation.state])
const raw = computed(() => props.evaluation.current?.results[0]?.estimate ?? null)
const figure = computed(() => (props.evaluation.estimate ? headlineFigure(props.evaluation, props.document, preferences.unit) : raw.value ? formatLength(raw.value.value, preferences.unit) : '–'))
const otherRule = computed(() => {
  const verdict = props.evaluation.current?.verdict.working
  return verdict && verdict.plain !== verdict.guarded ? props.document.rule : null
})
const word = (state: string) => ({ in: 'In', below: 'Tight', above: 'Loose', close: 'Too close to call' })[state] ?? state
</script>

<template>
  <div class="flex flex-wrap items-end justify-between gap-x-8 gap-y-2">
    <div class="flex flex-wrap items-center gap-x-5 gap-y-1" aria-live="polite" data-test="verdict">
      <span class="flex items-center gap-3" :class="colour"><StateMark :state="evaluation.state" :size="34" /><span class="display text-3xl">{{ evaluation.word }}</span></span>
      <span class="figure text-[58px] font-bold leading-none" data-test="figure">{{ figure }}</span>
      <span v-if="raw" class="figure text-[17px] leading-tight text-mute">
        ± {{ formatLength(raw.U, preferences.unit) }} {{ UNIT_NAME[preferences.unit] }}<br>{{ formatLength(raw.value, preferences.other, { unit: true }) }}
      </span>
    </div>
    <div class="min-w-0 flex-1 basis-72 md:text-right" data-test="answer">
      <p class="text-[17px]">{{ sentence }}</p>
      <p v-if="arithmetic" class="text-[13.5px] text-mute">{{ arithmetic }}</p>
      <p v-if="otherRule" class="text-[13.5px] text-near">By the {{ otherRule === 'plain' ? 'guarded' : 'plain' }} rule it would be: {{ word(otherRule === 'plain' ? evaluation.current!.verdict.working!.guarded : evaluation.current!.verdict.working!.plain) }}.</p>
    </div>
  </div>
</template>
