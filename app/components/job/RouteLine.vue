<script setup lang="ts">
import { stateText } from '~/composables/words/stateColour'
import { waitingText } from '~/composables/words/waitingText'
import type { StationMark } from '#shared/types'

/** A job as a line with its checks as stations; each state has its own shape and word. */
const props = defineProps<{
  checks: readonly StationMark[]
  /** one row: the shapes, and what is to be done next in words */ dense?: boolean
  /** one below the other, where it is narrow */ down?: boolean
}>()
/** A note that begins with the word itself says it for both. */
const told = ({ word: state, note }: StationMark) => (note === '' ? state : note.startsWith(state) ? note : `${state}: ${note}`)
const word = (s: StationMark) =>
  (s.waiting ? `${s.word}: ${waitingText(s.waiting)}` : told(s)) + (s.signed ? ', signed' : '') + (s.pending ? ` · ${s.pending} to do` : '')
/** What presses: the first that is not signed and not in, else the first that is not signed. */
const next = computed(() => {
  const open = props.checks.filter(({ signed }) => !signed)
  return open.find(({ state }) => state !== 'in' && state !== 'to-do') ?? open.find(({ state }) => state !== 'in') ?? open[0] ?? null
})
</script>

<template>
  <div v-if="dense" class="flex min-w-0 items-center gap-x-4">
    <ol class="flex shrink-0 items-center">
      <li v-for="(check, i) in checks" :key="check.id" class="flex items-center">
        <span v-if="i > 0" class="h-0.5 w-1.5 bg-hair" aria-hidden="true" />
        <NuxtLink :to="`/checks/${check.id}`" class="block px-0.5" :title="`${check.title}: ${word(check)}`">
          <StateMark :state="check.state" :size="19" />
          <span class="sr-only">{{ check.title }} {{ word(check) }}</span>
        </NuxtLink>
      </li>
    </ol>
    <span v-if="next" class="min-w-0 truncate text-[13.5px]" aria-hidden="true">
      {{ next.title }} <span :class="stateText(next.state)">{{ word(next) }}</span>
    </span>
  </div>
  <ol v-else-if="down" class="min-w-0">
    <li v-for="(check, i) in checks" :key="check.id" class="relative">
      <span v-if="i < checks.length - 1" class="absolute top-[27px] bottom-[-3px] left-[9px] w-0.5 bg-hair" aria-hidden="true" />
      <NuxtLink :to="`/checks/${check.id}`" class="grid min-h-8 grid-cols-[20px_minmax(0,1fr)] gap-x-3 py-1.5 text-[13.5px] leading-snug">
        <StateMark :state="check.state" :size="20" />
        <span>
          <span class="font-semibold" :class="check.state === 'to-do' ? 'text-mute' : ''">{{ check.title }}</span>{{ ' '
          }}<span :class="stateText(check.state)">{{ word(check) }}</span>
        </span>
      </NuxtLink>
    </li>
  </ol>
  <ol v-else class="flex flex-wrap gap-y-3">
    <li v-for="(check, i) in checks" :key="check.id" class="relative w-40 pr-3">
      <span v-if="i < checks.length - 1" class="absolute top-[11px] left-6 h-0.5 w-[calc(100%-1.5rem)] bg-hair" aria-hidden="true" />
      <NuxtLink :to="`/checks/${check.id}`" class="block min-h-11">
        <StateMark :state="check.state" :size="23" />
        <span class="mt-1 block text-[13.5px] leading-tight font-semibold" :class="check.state === 'to-do' ? 'text-mute' : ''">{{
          check.title
        }}</span>
        <span class="block text-[13px]" :class="stateText(check.state)">{{ word(check) }}</span>
      </NuxtLink>
    </li>
  </ol>
</template>
