<script setup lang="ts">
import { keptLimits, libraryChanges, limitsFrom, type LibraryChange } from '#core/check/library'
import { resultName } from '#core/check/evaluate/state-words'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { describeLimits } from '#core/verdict/limits'
import { sourceWords, useLibrary } from '~/composables/server/useLibrary'
import { useCommand } from '~/composables/bench/useCommand'

/** Limits that were taken from the library and have been changed there since: whoever works on the check decides. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation }>()
const { entries, load } = useLibrary()
const { busy, said, command } = useCommand()
const fromThere = computed(() =>
  Object.values(props.document.limits.sets).some(({ book, shop }) => book?.source.entry !== undefined || shop?.source.entry !== undefined),
)
watch(fromThere, there => (there ? void load() : undefined), { immediate: true })
const asked = computed(() => (fromThere.value ? libraryChanges(props.document, entries.value) : []))
const nameOf = ({ result }: LibraryChange) => {
  const of = props.evaluation.current.results.find(({ id, kind }) => id === result || kind.id === result)
  return of ? resultName(of) : result
}
const answer = ({ result, role, entry, ...change }: LibraryChange, take: boolean) =>
  command('settings', {
    settings: {
      limits: [{ result, role, set: take ? limitsFrom(entry) : keptLimits({ result, role, entry, ...change }) }],
      ...(take && Object.keys(entry.rule).length > 0 ? { setup: { ...props.document.setup, ...entry.rule } } : {}),
    },
  })
</script>

<template>
  <div v-if="asked.length" class="border-b rule px-4 py-2 md:px-6" role="status" data-test="library-asks">
    <div v-for="change in asked" :key="change.result + change.role" class="flex flex-wrap items-center gap-x-4 gap-y-1 text-[14.5px]">
      <span class="min-w-0 flex-1"
        ><strong class="text-near">The library was changed.</strong> {{ nameOf(change) }}, {{ change.role }}: now
        {{ describeLimits(change.entry.set) }} ({{ sourceWords(change.entry) }}); this check goes by {{ describeLimits(change.here) }} ({{
          sourceWords({ set: change.here })
        }}).</span
      >
      <button type="button" class="button min-h-9" :disabled="busy" @click="answer(change, true)">Take the new ones</button>
      <button type="button" class="button min-h-9" :disabled="busy" @click="answer(change, false)">Keep these</button>
    </div>
    <p v-if="said" class="fault">{{ said }}</p>
  </div>
</template>
