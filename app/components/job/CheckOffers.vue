<script setup lang="ts">
import { checkKinds } from '#core/check/registry'
import type { JobView } from '#shared/types'

/** Checks that are a routine for work like this job’s, as long as it has none of them; and signed ones that what is said of it makes doubtful. */
const props = defineProps<{ job: JobView }>()
const offers = computed(() => {
  const words = `${props.job.title} ${props.job.notes}`
  const has = new Set(props.job.checks.map(({ kind }) => kind))
  return checkKinds.flatMap(({ id, title, offered }) =>
    offered?.to.test(words) && !has.has(id) ? [{ id, title, words: offered.words }] : [],
  )
})
const suspects = computed(() => {
  const said = `${props.job.title} ${props.job.notes}`
  return checkKinds.flatMap(({ id, suspect }) =>
    suspect?.to.test(said)
      ? props.job.signedOnUnit.filter(({ kind }) => kind === id).map(check => ({ ...check, words: suspect.words }))
      : [],
  )
})
</script>

<template>
  <p v-for="offer in offers" :key="offer.id" class="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 text-[15px]" data-test="offer">
    {{ offer.words }}
    <NuxtLink class="button" :to="{ path: `/jobs/${job.id}/check`, query: { kind: offer.id } }">{{ offer.title }}</NuxtLink>
  </p>
  <p
    v-for="check in suspects"
    :key="check.id"
    class="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 text-[15px] text-near"
    data-test="suspect"
  >
    {{ check.words }}
    <NuxtLink :to="{ path: `/checks/${check.id}`, query: { suspect: `suspect: ${job.title}` } }" class="button">{{ check.title }}</NuxtLink>
  </p>
</template>
