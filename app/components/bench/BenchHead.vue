<script setup lang="ts">
import { useBench } from '~/stores/bench'

/** In the head of the page: whose check this is, and whether all of it is stored. */
defineProps<{ title: string }>()
const bench = useBench()
const saved = computed(() => ({ saved: 'Saved', sending: 'Saving …', away: 'Kept here', stale: 'Behind', gone: 'Gone' })[bench.connection])
const settled = computed(() => bench.connection === 'saved' || bench.connection === 'sending')
</script>

<template>
  <PageCrumbs>
    <NuxtLink :to="`/jobs/${bench.view!.job.id}`" class="hover:underline"
      >{{ bench.view!.job.unit }} › {{ bench.view!.job.title }}</NuxtLink
    >
    › <strong class="text-ink">{{ title }}</strong>
  </PageCrumbs>
  <Teleport defer to="#saved">
    <span :class="settled ? 'text-mute' : 'font-bold text-near'" data-test="saved">{{ saved }}</span>
  </Teleport>
</template>
