<script setup lang="ts">
import { groups as groupBy } from 'd3-array'
import { checkKinds } from '#core/check/registry'
import type { LibraryLimit } from '#core/check/library'
import { limitedResults, ruleFields } from '#core/check/library'
import { describeLimits } from '#core/verdict/limits'
import { allOf, faultsOf } from '~/composables/server/useApi'
import { key, useKeys } from '~/composables/keys/useKeys'
import { useFileIn } from '~/composables/files/useFileIn'
import { inLibrary } from '~/composables/server/keptIn'
import { sourceWords } from '~/composables/server/useLibrary'
import { usePicked } from '~/composables/keys/usePicked'
import { useRemoval } from '~/composables/server/useRemoval'
import type { Fault, KeptLimit } from '#shared/types'

/** The shop’s library of limits: what its checks take, with where it stands written. */
const entries = ref<readonly LibraryLimit[] | null>(null)
const picked = usePicked()
const adding = ref(false)
const faults = ref<readonly Fault[]>([])
const find = ref('')
const findField = ref<HTMLInputElement>()
async function load(): Promise<void> {
  try {
    entries.value = await allOf<LibraryLimit>('/api/limits')
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
onMounted(load)
const titleOf = (kind: string) => checkKinds.find(({ id }) => id === kind)?.title ?? kind
const resultOf = ({ kind: id, result }: LibraryLimit) => {
  const kind = checkKinds.find(candidate => candidate.id === id)
  const [of, position] = result.split('@')
  const label = kind && limitedResults(kind).find(candidate => candidate.id === of)?.label
  return (label ?? result) + (position ? `, ${position}` : '')
}
const ruleOf = ({ kind: id, rule }: LibraryLimit) => {
  const kind = checkKinds.find(candidate => candidate.id === id)
  return kind
    ? ruleFields(kind)
        .flatMap(field =>
          field.kind === 'choice' ? field.options.filter(({ value }) => rule[field.id] === value && value !== field.options[0]!.value) : [],
        )
        .map(({ label }) => label)
        .join(', ')
    : ''
}
const shown = computed(() => {
  const words = find.value.trim().toLowerCase()
  return (entries.value ?? []).filter(entry =>
    [entry.name, entry.type, titleOf(entry.kind), resultOf(entry), sourceWords(entry)].join(' ').toLowerCase().includes(words),
  )
})
const kinds = computed(() => groupBy(shown.value, entry => entry.kind))
const entry = computed(() => entries.value?.find(({ id }) => id === picked.value) ?? null)
function pick(id: string | null): void {
  picked.value = id
  adding.value = false
}
function move(by: number): void {
  const all = kinds.value.flatMap(([, of]) => of)
  pick(all[Math.min(all.length - 1, Math.max(0, all.findIndex(({ id }) => id === picked.value) + by))]?.id ?? null)
}
function keep({ removed, ...entry }: KeptLimit): void {
  entries.value = removed ? entries.value!.filter(({ id }) => id !== entry.id) : inLibrary(entries.value!, entry)
}
function changed(entry: KeptLimit): void {
  keep(entry)
  pick(entry.id)
}
const removal = useRemoval('POST /api/limits/:id/removal', keep)
const fileIn = reactive(useFileIn<{ added: number; changed: number }>('text/csv'))
const file = ref<HTMLInputElement>()
const read = ref('')
async function pickedFile(): Promise<void> {
  const csv = file.value?.files?.[0]
  file.value!.value = ''
  read.value = ''
  const answer = csv && (await fileIn.send('/api/limits/csv', await csv.text()))
  if (!answer) return
  await load()
  read.value = `${answer.added} entered, ${answer.changed} changed.`
}
useKeys(
  computed(() => [
    key('↑ ↓', 'move', pressed => move(pressed === 'ArrowDown' ? 1 : -1), { keys: ['ArrowDown', 'ArrowUp'] }),
    key('N', 'new limits', () => {
      adding.value = true
    }),
    key('/', 'find', () => findField.value?.focus()),
  ]),
)
useHead({ title: 'Limits · Finitum' })
</script>

<template>
  <div class="w-full px-4 py-5 md:px-7">
    <div class="mb-3 flex flex-wrap items-center gap-x-5 gap-y-3">
      <h1 class="display text-[30px]">Limits</h1>
      <p v-if="entries" class="text-mute">{{ entries.length }} in the library</p>
      <div class="ml-auto flex flex-wrap gap-3">
        <label class="sr-only" for="find-limits">Find limits</label>
        <input id="find-limits" ref="findField" v-model="find" type="search" class="field !w-40" placeholder="find" autocomplete="off" />
        <button type="button" class="button" :disabled="fileIn.busy" @click="file?.click()">Import CSV</button>
        <input
          ref="file"
          type="file"
          accept="text/csv,.csv"
          class="sr-only"
          tabindex="-1"
          aria-label="Limits as CSV"
          data-test="limits-file"
          @change="pickedFile"
        />
        <a class="button" href="/api/limits/csv" download="limits.csv">Export CSV</a>
        <button type="button" class="button primary" @click="adding = true">New limits</button>
      </div>
    </div>
    <p v-for="fault in [...faults, ...fileIn.faults]" :key="fault.path + fault.reason" class="fault" role="alert">
      <template v-if="fault.path">{{ fault.path }}: </template>{{ fault.reason }}
    </p>
    <p v-if="read" role="status" class="mb-2">{{ read }}</p>
    <RemovedNotice :removed="removal.removed.value" :refusal="removal.refusal.value" @undo="removal.undo" />
    <div v-if="entries" class="grid grid-cols-1 gap-6 lg:grid-cols-[minmax(0,1fr)_430px]">
      <div v-if="entries.length" class="relative overflow-x-auto" tabindex="0" aria-label="Library of limits" role="region">
        <table class="tight">
          <thead>
            <tr>
              <th>What</th>
              <th>Figure</th>
              <th>Limits</th>
              <th class="hidden md:table-cell">Where it stands</th>
              <th><span class="sr-only">Open</span></th>
            </tr>
          </thead>
          <tbody v-for="[kind, list] in kinds" :key="kind">
            <tr>
              <th colspan="5" class="!pt-4 text-[15px] !font-bold !text-ink">{{ titleOf(kind) }}</th>
            </tr>
            <tr
              v-for="e in list"
              :key="e.id"
              :aria-selected="picked === e.id"
              :class="picked === e.id ? 'bg-sheet' : ''"
              class="cursor-pointer"
              @click="pick(e.id)"
            >
              <td>{{ e.name }}<span class="block text-[13px] text-mute">{{ e.type || 'any unit' }}</span></td>
              <td class="text-[14px]">
                {{ resultOf(e) }}<span v-if="ruleOf(e)" class="block text-[13px] text-mute">for {{ ruleOf(e) }}</span>
              </td>
              <td class="figure whitespace-nowrap">
                {{ describeLimits(e.set) }}<span class="block font-sans text-[13px] text-mute">{{ e.role }}</span>
              </td>
              <td class="hidden text-[13.5px] text-mute md:table-cell">{{ sourceWords(e) }}</td>
              <td class="text-right">
                <button type="button" class="link text-[13.5px]" :aria-label="`Open ${e.name}`" @click.stop="pick(e.id)">open</button>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="shown.length === 0" class="py-5 text-mute">Nothing in the library matches “{{ find.trim() }}”.</p>
      </div>
      <p v-else class="max-w-2xl border-t rule py-5">
        The library is empty. What stands here is offered when a check is made: figures from the maker’s manual with page and revision, and
        the shop’s own. Begin with <strong>New limits</strong>, or import a CSV file.
      </p>
      <LibraryPanel v-if="adding" key="new" :entry="null" @changed="changed" @close="adding = false" />
      <LibraryPanel
        v-else-if="entry"
        :key="`${entry.id}-${entry.version}`"
        :entry="entry"
        @changed="changed"
        @close="pick(null)"
        @reload="load"
        @remove="removal.remove(entry.name, entry.id, entry.version)"
      />
      <p v-else-if="entries.length" class="text-[14px] text-mute lg:border-l lg:pl-6 rule">
        Pick one with ↑ ↓ or a click. A changed entry is asked about at open checks that took it; what is signed keeps what it was signed
        with.
      </p>
    </div>
    <p v-else-if="!faults.length" class="py-6 text-mute">Opening the library …</p>
  </div>
</template>
