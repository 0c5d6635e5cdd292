<script setup lang="ts">
import type { ReadsAs } from '~/composables/keys/readsAs'
import type { Draft } from '~/composables/bench/useDraft'
import type { EntryFields } from './entry-fields'

/** The cell in hand, in the form its point asks for: a figure, two that belong together, or a word. */
defineProps<{
  /** it takes figures; else it is answered in a word */
  figures: boolean
  fields: EntryFields
  beside: string
  reads: { readonly first: ReadsAs; readonly second: ReadsAs }
  /** the word that stands there */
  said: string | null
  /** a word is clear as far as it is typed */
  meant: boolean
  invalid: boolean
  takes: (text: string, key: string) => boolean
}>()
const draft = defineModel<Draft>('draft', { required: true })
const typed = defineModel<string>('typed', { required: true })
defineEmits<{ first: []; last: [] }>()
const cell = useTemplateRef<{ first: HTMLInputElement | null; second: HTMLInputElement | null }>('cell')
defineExpose({ first: computed(() => cell.value?.first ?? null), second: computed(() => cell.value?.second ?? null) })
</script>

<template>
  <CellEntry
    v-if="figures"
    ref="cell"
    v-model:draft="draft"
    :fields="fields"
    :beside="beside"
    :reads="reads"
    :invalid="invalid"
    :takes="takes"
    @first="$emit('first')"
    @last="$emit('last')"
  />
  <WordCell v-else ref="cell" v-model:typed="typed" :said="said" :meant="meant" :invalid="invalid" :takes="takes" @last="$emit('last')" />
</template>
