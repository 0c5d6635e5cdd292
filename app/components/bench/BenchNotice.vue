<script setup lang="ts">
import { useBench } from '~/stores/bench'

/** Server away, stale tab, writes that were not taken: what happened and what to do. */
const bench = useBench()
</script>

<template>
  <div aria-live="assertive" class="empty:hidden">
    <div
      v-if="bench.connection === 'away'"
      class="flex flex-wrap items-center gap-3 border-b rule bg-near/15 px-4 py-2 md:px-7"
      data-test="away"
    >
      <p class="flex-1">
        <strong>{{ bench.why ?? 'The server is away.' }}</strong> Go on measuring:
        {{ bench.waiting === 0 ? 'readings' : bench.waiting === 1 ? 'one entry' : `${bench.waiting} entries` }}
        {{ bench.waiting === 0 ? 'are' : bench.waiting === 1 ? 'is' : 'are' }} kept in this browser and sent when it is back.
      </p>
    </div>
    <div
      v-else-if="bench.connection === 'stale'"
      class="flex flex-wrap items-center gap-3 border-b rule bg-near/15 px-4 py-2 md:px-7"
      data-test="stale"
    >
      <p class="flex-1">
        <strong>This page is behind.</strong> {{ bench.changed.join('. ') }}.
        <span v-if="bench.waiting"
          >Your {{ bench.waiting === 1 ? 'entry is' : `${bench.waiting} entries are` }} kept and will be put on top.</span
        >
      </p>
      <button type="button" class="button" @click="bench.reload()">Show the newer state</button>
    </div>
    <div
      v-else-if="bench.connection === 'gone'"
      class="flex flex-wrap items-center gap-3 border-b rule bg-out/10 px-4 py-2 md:px-7"
      data-test="gone"
    >
      <p class="flex-1">
        <strong>This check is not here any more:</strong> it was taken away, or a backup without it was restored.
        <template v-if="bench.waiting"> What you typed is kept in this browser, and stands on the first page until you drop it. </template>
      </p>
      <NuxtLink to="/" class="button">All jobs</NuxtLink>
    </div>
    <div v-if="bench.refused.length" class="border-b rule bg-out/10 px-4 py-2 md:px-7" data-test="refused">
      <p v-for="item in bench.refused" :key="item.words"><strong>Not taken: {{ item.words }}.</strong> {{ item.reason }}</p>
      <button type="button" class="button mt-1 min-h-9" @click="bench.dismissRefused">Understood</button>
    </div>
  </div>
</template>
