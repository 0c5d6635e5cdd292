<script setup lang="ts">
import { useLastScan, useScan } from '~/composables/keys/useScan'

/** What was scanned last, where it did not open by itself; and what could not be read. */
useScan()
const last = useLastScan()
const NAMES = { job: 'job', set: 'matched set', bag: 'bag', gauge: 'gauge', size: 'size' } as const
// Once it is opened, nothing more is to be said.
const route = useRoute()
watch(
  () => route.fullPath,
  path => {
    if (last.value && 'path' in last.value && last.value.path === path) last.value = null
  },
)
</script>

<template>
  <div
    v-if="last"
    class="flex flex-wrap items-center gap-x-4 border-b rule px-4 py-1.5 text-[14.5px] md:px-6 print:hidden"
    role="status"
    data-test="scan"
  >
    <template v-if="'fault' in last"><span class="text-near">{{ last.fault }}</span></template>
    <template v-else-if="'unknown' in last">
      <span class="text-near">Nothing here goes by “{{ last.unknown }}”.</span>
      <NuxtLink :to="`/stock?article=${encodeURIComponent(last.unknown)}`" class="link" @click="last = null"
        >make it the article of a size</NuxtLink
      >
    </template>
    <template v-else-if="'both' in last">
      <span
        >“{{ last.both }}” stands in the field as a figure, and is the article of <strong>{{ last.size.name }}</strong>. Enter takes the
        figure.</span
      >
      <NuxtLink :to="last.size.path" class="link">open the size</NuxtLink>
    </template>
    <template v-else>
      <span>Scanned: {{ NAMES[last.thing] }} <strong>{{ last.name }}</strong></span>
      <NuxtLink :to="last.path" class="link">open it</NuxtLink>
    </template>
    <button type="button" class="link ml-auto" @click="last = null">away with it</button>
  </div>
</template>
