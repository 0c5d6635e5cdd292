<script setup lang="ts">
/** What this page had not seen when it wanted to write, and the way to see it. */
defineProps<{ changed: readonly string[] }>()
defineEmits<{ reload: [] }>()
</script>

<template>
  <p v-if="changed.length" class="fault" role="alert">
    Changed elsewhere: {{ changed.join('. ') }}. What you typed is still here.
    <button type="button" class="link" @click="$emit('reload')">Show the newer state</button>
  </p>
</template>
