<script setup lang="ts">
/** Picks a worksheet file. */
defineProps<{ busy: boolean }>()
const emit = defineEmits<{ picked: [File] }>()
const input = ref<HTMLInputElement>()
function picked(): void {
  const file = input.value?.files?.[0]
  if (file) emit('picked', file)
  input.value!.value = ''
}
</script>

<template>
  <button type="button" class="button" :disabled="busy" @click="input?.click()">Import worksheet</button>
  <input
    ref="input"
    type="file"
    accept="application/json,.json"
    class="sr-only"
    tabindex="-1"
    aria-label="Worksheet file"
    data-test="import-file"
    @change="picked"
  />
</template>
