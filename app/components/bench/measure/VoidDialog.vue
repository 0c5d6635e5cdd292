<script setup lang="ts">
import { lowerFirst } from '#core/quantity/first-letter'

/** Striking a reading out: it is named, with the point it was taken at where there are several. */
const props = defineProps<{ open: boolean; figure: string; at: string }>()
const emit = defineEmits<{ close: []; void: [string] }>()
const reasons = ['base moved', 'tip loose', 'not seated', 'misread', 'pushed unevenly']
const reason = ref('')
const tried = ref(false)
watch(
  () => props.open,
  () => {
    reason.value = ''
    tried.value = false
  },
)
function submit(): void {
  tried.value = true
  if (reason.value.trim()) emit('void', reason.value.trim())
}
</script>

<template>
  <PlainDialog :open="open" :title="`Void reading ${figure}${at ? `, ${lowerFirst(at)}` : ''}`" @close="$emit('close')">
    <form class="space-y-3" novalidate @submit.prevent="submit">
      <label class="label block" for="void-reason">Why? It stays in the record, struck out.</label>
      <input id="void-reason" v-model="reason" class="field" autocomplete="off" maxlength="200" :aria-invalid="tried && !reason.trim()" />
      <p v-if="tried && !reason.trim()" class="fault">Say why this reading is struck out.</p>
      <div class="flex flex-wrap gap-2">
        <button v-for="word in reasons" :key="word" type="button" class="button min-h-9" @click="emit('void', word)">{{ word }}</button>
      </div>
      <button type="submit" class="button primary">Void it</button>
    </form>
  </PlainDialog>
</template>
