<script setup lang="ts">
/** The cell that is answered in a word, by its first letters. */
defineProps<{
  /** what was said there last */ said: string | null
  meant: boolean
  invalid: boolean
  /** whether a key writes in it */ takes: (text: string, key: string) => boolean
}>()
const typed = defineModel<string>('typed', { required: true })
defineEmits<{ last: [] }>()
const first = useTemplateRef<HTMLInputElement>('first')
defineExpose({ first, second: null })
</script>

<template>
  <div class="cell flex w-full min-w-[8rem] items-stretch" data-test="entry">
    <input
      ref="first"
      v-model="typed"
      v-reads="() => (meant ? 'entry' : 'nothing')"
      v-takes="takes"
      data-keys
      class="entry min-h-9 w-0 flex-1 bg-transparent px-2 text-right text-[15px] text-ink"
      aria-label="Answer in a word"
      :placeholder="said ?? 'or type the word'"
      autocomplete="off"
      :aria-invalid="invalid"
      aria-describedby="entry-note"
      @keydown.enter.prevent.stop="$emit('last')"
    />
  </div>
</template>
