<script setup lang="ts">
/** What was taken away, and the way back. */
defineProps<{ removed: { readonly what: string } | null; refusal: string | null }>()
defineEmits<{ undo: [] }>()
</script>

<template>
  <div role="status" data-test="removed">
    <p v-if="removed" class="mb-3 flex flex-wrap items-center gap-x-3 rounded-md bg-sheet px-4 py-2">
      Removed: {{ removed.what }}. <button type="button" class="button" @click="$emit('undo')">Undo</button>
    </p>
    <p v-if="refusal" class="fault mb-3">{{ refusal }}</p>
  </div>
</template>
