<script setup lang="ts">
import type { ReadsAs } from '~/composables/keys/readsAs'
import type { Draft } from '~/composables/bench/useDraft'
import type { EntryFields } from './entry-fields'

/** The cell that is being filled: the field itself, in its place on the sheet. Enter goes to its second figure, and from there on. */
defineProps<{
  fields: EntryFields
  /** what a bare figure means, or what is typed in the other system */
  beside: string
  /** what stands in it, as the cell takes it */
  reads: { readonly first: ReadsAs; readonly second: ReadsAs }
  invalid: boolean
  /** whether a key writes in it; else it commands */
  takes: (text: string, key: string) => boolean
}>()
const draft = defineModel<Draft>('draft', { required: true })
defineEmits<{ first: []; last: [] }>()
const first = useTemplateRef<HTMLInputElement>('first')
const second = useTemplateRef<HTMLInputElement>('second')
defineExpose({ first, second })
</script>

<template>
  <div class="cell flex w-full items-stretch" :class="fields.second ? 'min-w-[13.5rem]' : 'min-w-[8rem]'" data-test="entry">
    <label class="flex w-0 flex-1 items-center gap-1.5 pl-2 text-[12px] text-mute"
      ><span class="max-w-[9rem] leading-tight">{{ fields.first.name }} {{ beside }}</span>
      <input
        ref="first"
        v-model="draft.far"
        v-reads="() => reads.first"
        v-takes="takes"
        data-keys
        :aria-label="fields.first.aria"
        type="text"
        inputmode="decimal"
        autocomplete="off"
        :placeholder="fields.first.placeholder"
        class="entry figure min-h-9 w-0 flex-1 bg-transparent pr-2 text-right text-[20px] text-ink placeholder:text-[15px]"
        :aria-invalid="invalid"
        aria-describedby="entry-note"
        @keydown.enter.prevent.stop="fields.second ? $emit('first') : $emit('last')"
      />
    </label>
    <label v-if="fields.second" class="flex w-0 flex-1 items-center gap-1.5 border-l rule pl-2 text-[12px] text-mute"
      >{{ fields.second.name }}
      <input
        ref="second"
        v-model="draft.back"
        v-reads="() => reads.second"
        v-takes="takes"
        data-keys
        :aria-label="fields.second.aria"
        type="text"
        inputmode="decimal"
        autocomplete="off"
        :placeholder="fields.second.placeholder"
        class="entry figure min-h-9 w-0 flex-1 bg-transparent pr-2 text-right text-[20px] text-ink placeholder:text-[15px]"
        @keydown.enter.prevent.stop="$emit('last')"
      />
    </label>
  </div>
</template>
