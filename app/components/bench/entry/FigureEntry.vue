<script setup lang="ts">
import { STONES } from '#core/reading/reading'
import type { Draft } from '~/composables/useDraft'
import { useEntry, type EntryProps } from './useEntry'

/** One figure: type, Enter. A warm part’s temperature, and the stone of a pass, go with it where they matter. */
const props = defineProps<EntryProps & { warm: boolean; pass: boolean }>()
const draft = defineModel<Draft>('draft', { required: true })
const emit = defineEmits<{ log: []; answer: [string, number] }>()
const { first, second, choiceList, asking, reason, beside, focus, submit, answered } = useEntry({
  props,
  draft,
  missing: 'Type the figure first.',
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
        aria-label="Figure read"
        type="text"
        inputmode="decimal"
        autocomplete="off"
        placeholder="figure"
        class="entry figure min-h-14 w-0 flex-1 bg-transparent pl-4 text-[27px]"
        :aria-invalid="reason !== null"
        aria-describedby="entry-note"
        @keydown.enter.prevent.stop="submit"
      />
      <span class="flex items-center px-3 text-right text-[12px] leading-tight text-mute">{{ beside }}</span>
    </div>
    <div ref="choiceList">
      <EntryNote :reason="reason" :choices="asking?.choices ?? []" @answer="answered" />
    </div>
    <div class="mt-1 flex flex-wrap items-center gap-x-3 text-[13px] text-mute">
      <label v-if="warm" class="flex min-h-11 items-center gap-2"
        >part at
        <input
          ref="second"
          v-model="draft.celsius"
          aria-label="Temperature of the part; blank: as the gauge"
          type="text"
          inputmode="decimal"
          autocomplete="off"
          placeholder="as gauge"
          class="figure w-17 border-b rule bg-transparent text-ink"
          :aria-invalid="heatFault !== null"
          aria-describedby="entry-note"
          @keydown.enter.prevent.stop="submit"
        />
        °C</label
      >
      <label v-if="pass" class="flex min-h-11 items-center gap-2"
        >stone
        <select v-model="draft.stone" aria-label="Stone of this pass" class="field !min-h-9 !w-auto !py-0">
          <option value="">none yet</option>
          <option v-for="stone in STONES" :key="stone" :value="stone">{{ stone }}</option>
        </select>
      </label>
      <button type="button" class="button ml-auto min-h-9 px-3" @click="submit">Log</button>
    </div>
  </div>
</template>
