<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { checkKind } from '#core/check/registry'
import { closingCard } from '#core/check/sentence/closing-card'
import { stateText } from '~/composables/words/stateColour'
import { shortTime } from '~/composables/words/shortTime'
import { usePreferences } from '~/stores/preferences'

/** Before there is no way back, at one key: the question, the figure, what it rests on, what is pending. Readable from two metres. */
const props = defineProps<{ open: boolean; document: CheckDocument; evaluation: CheckEvaluation }>()
defineEmits<{ close: [] }>()
const preferences = usePreferences()
const card = computed(() => closingCard(props.document, props.evaluation, { system: preferences.system, time: shortTime }))
const question = computed(() => `${checkKind(props.document.kind).closing ?? 'Before it is closed up'}: ${props.document.title}?`)
</script>

<template>
  <PlainDialog :open="open" :title="question" wide @close="$emit('close')">
    <div class="space-y-7 pt-2 pb-4" data-test="closing-card">
      <p class="flex items-center gap-5 text-[44px] leading-tight font-bold" :class="stateText(card.state)">
        <StateMark :state="card.state" :size="56" />{{ card.answer }}
      </p>
      <p v-if="card.stop" class="text-[32px] leading-snug font-bold text-out" data-test="stop">{{ card.stop }}</p>
      <dl v-if="card.questions.length > 0" class="space-y-2 text-[26px] leading-snug" data-test="questions">
        <div v-for="{ ask, answer, figure } in card.questions" :key="ask" class="flex flex-wrap items-baseline gap-x-4">
          <dt>{{ ask }}</dt>
          <dd>
            <strong :class="answer === 'Yes' ? 'text-in' : answer === 'No' ? 'text-out' : 'text-near'">{{ answer }}</strong>
            <span class="ml-3 text-[19px] text-mute">{{ figure }}</span>
          </dd>
        </div>
      </dl>
      <ul v-if="card.others.length > 0" class="space-y-1 text-[22px] leading-snug">
        <li v-for="words in card.others" :key="words">{{ words }}</li>
      </ul>
      <p v-if="card.beside" class="text-[28px] leading-snug">{{ card.beside }}</p>
      <p v-if="card.film" class="text-[28px] leading-snug" data-test="film">{{ card.film }}</p>
      <p class="text-[28px] leading-snug">{{ card.rests }}</p>
      <p
        class="text-[28px] leading-snug font-semibold"
        :class="card.open === 'Nothing is pending.' && !card.stop ? 'text-in' : 'text-near'"
      >
        {{ card.open }}
      </p>
    </div>
  </PlainDialog>
</template>
