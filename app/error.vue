<script setup lang="ts">
defineProps<{ error: { statusCode?: number } }>()
</script>

<template>
  <main class="px-7 py-12">
    <h1 class="display mb-2 text-2xl">
      {{ error.statusCode === 404 ? 'There is nothing at this address' : 'Something went wrong on this page' }}
    </h1>
    <p class="mb-5 max-w-xl">
      {{
        error.statusCode === 404
          ? 'The job or check may have been opened from an old link.'
          : 'What was saved is safe, and what was typed on the bench is kept in this browser.'
      }}
    </p>
    <button type="button" class="button primary" @click="clearError({ redirect: '/' })">All jobs</button>
  </main>
</template>
