<script setup lang="ts">
/** An answer in a word; one press logs it. */
defineProps<{ words: readonly { value: string; label: string }[] }>()
const emit = defineEmits<{ word: [string] }>()
const box = ref<HTMLElement>()
const focus = () => void nextTick(() => box.value?.querySelector('button')?.focus())
defineExpose({ focus, submit: focus })
</script>

<template>
  <div ref="box" class="flex flex-wrap gap-2" data-test="entry">
    <button v-for="word in words" :key="word.value" type="button" class="button flex-1" @click="emit('word', word.value)">
      {{ word.label }}
    </button>
  </div>
</template>
