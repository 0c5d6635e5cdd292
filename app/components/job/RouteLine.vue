<script setup lang="ts">
import { stateText } from '~/composables/words/stateColour'
import { waitingText } from '~/composables/words/waitingText'
import type { StationMark } from '#shared/types'

/** A job as a line with its checks as stations; each state has its own shape and word. */
defineProps<{ checks: readonly StationMark[] }>()
const word = (s: StationMark) =>
  (s.waiting ? `${s.word}: ${waitingText(s.waiting)}` : s.note ? `${s.word}: ${s.note}` : s.word) +
  (s.signed ? ', signed' : '') +
  (s.pending ? ` · ${s.pending} to do` : '')
</script>

<template>
  <ol class="flex flex-wrap gap-y-3">
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
