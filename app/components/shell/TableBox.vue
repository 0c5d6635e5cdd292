<script setup lang="ts">
/** A table that may be wider than its place: it scrolls by itself, and the page does not. */
defineProps<{ label: string }>()
</script>

<template>
  <div class="overflow-x-auto" role="region" tabindex="0" :aria-label="label"><slot /></div>
</template>
