<script setup lang="ts">
import type { Draft } from '~/composables/useDraft'
import { useEntry, type EntryProps } from './useEntry'

/** A movement there and back: type, Enter, back to zero, Enter. */
const props = defineProps<EntryProps>()
const draft = defineModel<Draft>('draft', { required: true })
const emit = defineEmits<{ log: []; answer: [string, number] }>()
const { first, second, choiceList, asking, reason, beside, focus, firstEntered, submit, answered } = useEntry({
  props,
  draft,
  missing: 'Type the far reading first: the figure the dial shows when pushed fully over.',
  log: () => emit('log'),
  answer: (text, value) => emit('answer', text, value),
})
defineExpose({ focus, submit })
</script>

<template>
  <div>
    <div
      class="flex items-stretch rounded-md border-2 border-accent bg-sheet focus-within:outline-2 focus-within:outline-accent"
      data-test="entry"
    >
      <input
        ref="first"
        v-model="draft.far"
        data-keys
        aria-label="Far reading"
        type="text"
        inputmode="decimal"
        autocomplete="off"
        placeholder="far"
        class="entry figure min-h-14 w-0 flex-1 bg-transparent pl-4 text-[27px]"
        :aria-invalid="reason !== null"
        aria-describedby="entry-note"
        @keydown.enter.prevent.stop="firstEntered"
      />
      <span class="flex items-center px-2 text-right text-[12px] leading-tight text-mute">{{ beside }}</span>
      <label class="flex items-center gap-1 border-l rule pl-2 text-[12px] text-mute"
        >back
        <input
          ref="second"
          v-model="draft.back"
          aria-label="Back reading; blank means it returned to zero"
          data-keys
          type="text"
          inputmode="decimal"
          autocomplete="off"
          placeholder="0"
          class="entry figure min-h-14 w-16 bg-transparent text-[20px] text-ink"
          @keydown.enter.prevent.stop="submit"
        />
      </label>
    </div>
    <div ref="choiceList">
      <EntryNote :reason="reason" :choices="asking?.choices ?? []" @answer="answered" />
    </div>
    <div class="mt-1 flex flex-wrap items-center gap-x-4 text-[13px] text-mute">
      <label class="flex min-h-11 items-center gap-2">
        <input v-model="draft.springBack" type="checkbox" class="size-4 accent-[var(--out)]" />sprang back</label
      >
      <label class="flex min-h-11 items-center gap-2"
        >started at
        <input
          v-model="draft.start"
          aria-label="Start reading; blank means zero"
          type="text"
          inputmode="decimal"
          autocomplete="off"
          placeholder="0"
          class="figure w-12 border-b rule bg-transparent text-ink"
          @keydown.enter.prevent.stop="submit"
      /></label>
      <button type="button" class="button ml-auto min-h-9 px-3" @click="submit">Log</button>
    </div>
  </div>
</template>
