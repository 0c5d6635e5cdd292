<script setup lang="ts">
import type { Draft } from '~/composables/useDraft'
import { useEntry, type EntryProps } from './useEntry'

/** One figure: type, Enter. */
const props = defineProps<EntryProps>()
const draft = defineModel<Draft>('draft', { required: true })
const emit = defineEmits<{ log: [], answer: [string, number] }>()
const { first, choiceList, asking, reason, beside, focus, submit, answered } = useEntry({ props, draft, missing: 'Type the figure first.', log: () => emit('log'), answer: (text, value) => emit('answer', text, value) })
defineExpose({ focus, submit })
</script>

<template>
  <div>
    <div class="flex items-stretch rounded-md border-2 border-accent bg-sheet focus-within:outline-2 focus-within:outline-accent" data-test="entry">
      <input ref="first" v-model="draft.far" data-keys aria-label="Figure read" type="text" inputmode="decimal" autocomplete="off" placeholder="figure" class="entry figure min-h-14 w-0 flex-1 bg-transparent pl-4 text-[27px]" :aria-invalid="reason !== null" aria-describedby="entry-note" @keydown.enter.prevent.stop="submit">
      <span class="flex items-center px-3 text-right text-[12px] leading-tight text-mute">{{ beside }}</span>
      <button type="button" class="border-l rule px-4 text-[14px] font-semibold" @click="submit">Log</button>
    </div>
    <div ref="choiceList"><EntryNote :reason="reason" :choices="asking?.choices ?? []" @answer="answered" /></div>
  </div>
</template>
