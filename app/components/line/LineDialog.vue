<script setup lang="ts">
import { key, useKeys } from '~/composables/keys/useKeys'

/** The job in one line, from anywhere. */
const route = useRoute()
const open = ref(false)
function show(): void {
  // An empty workshop begins with it.
  const here = document.querySelector<HTMLElement>('#one-line')
  if (here) here.focus()
  else open.value = true
}
useKeys(
  computed(() => [key('W', 'in one line', show, { quiet: route.path !== '/' })]),
  { everywhere: true },
)
</script>

<template>
  <PlainDialog :open="open" title="In one line" wide @close="open = false">
    <LazyLinePanel focused />
  </PlainDialog>
</template>
