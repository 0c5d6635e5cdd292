<script setup lang="ts">
import { api } from '~/composables/server/useApi'

/** Said on every screen where anybody on the network may read and write. */
const open = ref(false)
onMounted(async () => {
  const health = await api<{ open: boolean }>('/api/health').catch(() => null)
  open.value = health?.open ?? false
})
</script>

<template>
  <p v-if="open" class="bg-near px-4 py-1.5 text-[14px] font-semibold text-[var(--on-state)] md:px-6" role="note" data-test="open">
    Open to the network: anybody on it can read and change what is here. There is no sign-in yet.
  </p>
</template>
