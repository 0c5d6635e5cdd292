<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { useHealth } from '~/composables/server/useHealth'

/** Said on every screen: that anybody on the network may read and write; that no copies are made, until somebody has seen to it. */
const { health, look } = useHealth()
const AGAIN_MS = 60_000
onMounted(look)
useIntervalFn(() => void look(), AGAIN_MS)
</script>

<template>
  <p v-if="health?.open" class="bg-near px-4 py-1.5 text-[14px] font-semibold text-[var(--on-state)] md:px-6" role="note" data-test="open">
    Open to the network: anybody on it can read and change what is here. There is no sign-in yet.
  </p>
  <p
    v-if="health?.copies"
    class="flex flex-wrap gap-x-3 bg-near px-4 py-1.5 text-[14px] font-semibold text-[var(--on-state)] md:px-6"
    role="alert"
    data-test="no-copies"
  >
    {{ health.copies }}
    <NuxtLink to="/backup" class="underline">Safe keeping</NuxtLink>
  </p>
</template>
