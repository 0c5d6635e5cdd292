<script setup lang="ts">
/** An answer in a word: one press logs it, or it is typed, as far as it is clear. A figure typed here is kept and said not to belong. */
const props = defineProps<{ words: readonly { value: string; label: string }[] }>()
const typed = defineModel<string>('typed', { required: true })
const emit = defineEmits<{ word: [string] }>()
const field = ref<HTMLInputElement>()
const tried = ref(false)
const focus = () => void nextTick(() => field.value?.focus())
const meant = computed(() => {
  const text = typed.value.trim().toLowerCase()
  const fitting = props.words.filter(({ value, label }) => text !== '' && [value, label].some(word => word.toLowerCase().startsWith(text)))
  return fitting.length === 1 ? fitting[0]! : null
})
const fault = computed(() =>
  !tried.value || meant.value
    ? null
    : `${/\d/.test(typed.value) ? `“${typed.value.trim()}” is a figure; this` : 'This'} is answered in a word: ${props.words.map(({ label }) => label).join(' or ')}.`,
)
function submit(): void {
  tried.value = true
  if (!meant.value) return focus()
  emit('word', meant.value.value)
}
defineExpose({ focus, submit })
</script>

<template>
  <div>
    <div class="flex flex-wrap gap-2" data-test="entry">
      <button v-for="word in words" :key="word.value" type="button" class="button flex-1" @click="emit('word', word.value)">
        {{ word.label }}
      </button>
    </div>
    <input
      ref="field"
      v-model="typed"
      v-reads="() => (meant ? 'entry' : 'nothing')"
      class="entry field mt-2"
      aria-label="Answer in a word"
      placeholder="or type the word"
      autocomplete="off"
      :aria-invalid="fault !== null"
      @input="tried = false"
      @keydown.enter.prevent.stop="submit"
    />
    <p v-if="fault" class="fault mt-1" role="alert">{{ fault }}</p>
  </div>
</template>
