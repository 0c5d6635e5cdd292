<script setup lang="ts">
import { nextLeaves } from '#core/method/feeler/leaves'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME, type Nm } from '#core/quantity/length'
import type { Draft } from '~/composables/useDraft'
import { useEntry, type EntryProps } from './useEntry'

/** Between two figures: what goes and what does not, or the range a hand judged. */
const props = defineProps<EntryProps & { leaves: readonly Nm[] | null }>()
const draft = defineModel<Draft>('draft', { required: true })
const emit = defineEmits<{ log: []; answer: [string, number] }>()
const { first, second, choiceList, asking, reason, beside, focus, firstEntered, submit, answered } = useEntry({
  props,
  draft,
  missing: 'Type the first figure, or a range such as 5..6.',
  log: () => emit('log'),
  answer: (text, value) => emit('answer', text, value),
})
const show = (value: number) => formatLength(value, props.unit, { trim: true })
const next = computed(() => (props.leaves && props.far.ok && draft.value.far.trim() ? nextLeaves(props.leaves, props.far.value) : null))
defineExpose({ focus, submit })
</script>

<template>
  <div>
    <div
      class="flex items-stretch rounded-md border-2 border-accent bg-sheet focus-within:outline-2 focus-within:outline-accent"
      data-test="entry"
    >
      <label class="flex w-0 flex-1 items-center gap-2 pl-3 text-[12px] text-mute"
        >{{ leaves ? 'goes' : 'from' }}
        <input
          ref="first"
          v-model="draft.far"
          data-keys
          :aria-label="leaves ? 'Thickest stack that goes' : 'From; a range such as 15..20 may be typed here'"
          type="text"
          inputmode="decimal"
          autocomplete="off"
          class="entry figure min-h-14 w-0 flex-1 bg-transparent text-[24px] text-ink"
          :aria-invalid="reason !== null"
          aria-describedby="entry-note"
          @keydown.enter.prevent.stop="firstEntered"
        />
      </label>
      <label class="flex w-0 flex-1 items-center gap-2 border-l rule pl-3 text-[12px] text-mute"
        >{{ leaves ? 'does not' : 'to' }}
        <input
          ref="second"
          v-model="draft.back"
          data-keys
          :aria-label="leaves ? 'Thinnest stack that does not go; blank means the first went snugly' : 'To'"
          type="text"
          inputmode="decimal"
          autocomplete="off"
          :placeholder="leaves ? 'snug' : ''"
          class="entry figure min-h-14 w-0 flex-1 bg-transparent text-[24px] text-ink"
          @keydown.enter.prevent.stop="submit"
        />
      </label>
    </div>
    <div ref="choiceList">
      <EntryNote :reason="reason" :choices="asking?.choices ?? []" @answer="answered" />
    </div>
    <div class="mt-1 flex flex-wrap items-center gap-x-4 text-[13px] text-mute">
      <label v-if="leaves" class="flex min-h-11 items-center gap-2"
        >leaves in the stack
        <input
          v-model="draft.leaves"
          aria-label="Leaves in the stack"
          type="text"
          inputmode="numeric"
          autocomplete="off"
          placeholder="1"
          class="figure w-8 border-b rule bg-transparent text-ink"
          @keydown.enter.prevent.stop="submit"
      /></label>
      <span>{{ beside }}</span>
      <button type="button" class="button ml-auto min-h-9 px-3" @click="submit">Log</button>
    </div>
    <p v-if="next" class="text-[13px] text-mute" data-test="next-leaves">
      Next up: {{ next.up.map(show).join(' + ') || 'none in this set'
      }}<template v-if="next.down.length"> · down: {{ next.down.map(show).join(' + ') }}</template> {{ UNIT_NAME[unit] }}
    </p>
  </div>
</template>
