<script setup lang="ts">
import type { CheckView } from '#shared/types'
import { RefusedError, api } from '~/composables/server/useApi'
import { checksWaiting, dropWrites, storedWrites } from '~/stores/outbox'

/** What was typed while the server was away, for checks that are not open: it is sent when they are. */
interface Waiting {
  readonly id: string
  readonly words: readonly string[]
  /** null: the check is not here any more */
  readonly title: string | null
}
const waiting = ref<readonly Waiting[]>([])
const AGAIN_MS = 2_000
let again: ReturnType<typeof setTimeout> | undefined
async function look(): Promise<void> {
  let silent = false
  const all = await Promise.all(
    checksWaiting().map(async (id): Promise<Waiting> => {
      const words = storedWrites(id).map(write => write.words)
      try {
        const { document, job } = await api<CheckView>(`/api/checks/${id}`)
        return { id, words, title: `${document.title}, ${job.unit}` }
      } catch (error) {
        if (error instanceof RefusedError && error.status === 404) return { id, words, title: null }
        silent = true
        return { id, words, title: id }
      }
    }),
  )
  waiting.value = all.filter(({ words }) => words.length > 0)
  if (silent) again = setTimeout(() => void look(), AGAIN_MS)
}
onMounted(look)
onUnmounted(() => clearTimeout(again))
function drop(id: string): void {
  dropWrites(id)
  waiting.value = waiting.value.filter(other => other.id !== id)
}
</script>

<template>
  <div
    v-if="waiting.length"
    class="mb-4 rounded-[5px] border-2 border-[var(--near)] px-4 py-3 text-[14px]"
    role="status"
    data-test="waiting"
  >
    <p class="font-bold">Kept in this browser, not with the server yet</p>
    <p v-for="{ id, words, title } in waiting" :key="id" class="mt-1 flex flex-wrap items-center gap-x-3">
      <template v-if="title !== null">
        <NuxtLink class="link font-semibold" :to="`/checks/${id}`">{{ title }}</NuxtLink>
        <span>{{ words.join(', ') }}: sent when you open it.</span>
      </template>
      <template v-else>
        <span>{{ words.join(', ') }}: of a check that is not here any more.</span>
        <button type="button" class="button" @click="drop(id)">Drop it</button>
      </template>
    </p>
  </div>
</template>
