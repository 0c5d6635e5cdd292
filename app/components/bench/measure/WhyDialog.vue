<script setup lang="ts">
/** Something is struck out, or left out: it stays in the record with the reason. */
const props = defineProps<{
  open: boolean
  title: string
  label: string
  /** said where no reason is given */
  fault: string
  /** those one has to type most often */
  reasons: readonly string[]
  action: string
}>()
const emit = defineEmits<{ close: []; done: [string] }>()
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
  if (reason.value.trim()) emit('done', reason.value.trim())
}
</script>

<template>
  <PlainDialog :open="open" :title="title" @close="$emit('close')">
    <form class="space-y-3" novalidate @submit.prevent="submit">
      <label class="label block" for="why">{{ label }}</label>
      <input id="why" v-model="reason" class="field" autocomplete="off" maxlength="200" :aria-invalid="tried && !reason.trim()" />
      <p v-if="tried && !reason.trim()" class="fault">{{ fault }}</p>
      <div class="flex flex-wrap gap-2">
        <button v-for="word in reasons" :key="word" type="button" class="button min-h-9" @click="emit('done', word)">{{ word }}</button>
      </div>
      <button type="submit" class="button primary">{{ action }}</button>
    </form>
  </PlainDialog>
</template>
