<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { api, faultAt, faultsOf } from '~/composables/useApi'
import { key, useKeys } from '~/composables/useKeys'
import { usePreferences } from '~/stores/preferences'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import type { Fault, JobSummary, StationMark } from '#shared/types'

const preferences = usePreferences()
const jobs = ref<readonly JobSummary[] | null>(null)
const faults = ref<readonly Fault[]>([])
const making = ref(false)
const draft = reactive({ unit: '', title: '' })
const find = ref('')
const findField = ref<HTMLInputElement>()
const unitField = ref<HTMLInputElement>()
const rows = ref<HTMLElement[]>([])

async function load(): Promise<void> {
  try {
    jobs.value = await api<JobSummary[]>('/api/jobs')
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
onMounted(load)

const shown = computed(() =>
  (jobs.value ?? []).filter(job =>
    `${job.unit.name} ${job.title} ${job.checks.map(c => c.title).join(' ')}`.toLowerCase().includes(find.value.trim().toLowerCase()),
  ),
)
const all = computed(() => (jobs.value ?? []).flatMap(job => job.checks.map(check => ({ job, check }))))
const waits = ({ check }: { check: StationMark }) => !check.signed && check.state !== 'to-do'
/** The one to carry on with: out of limits first, then whatever is begun, then the first to do. */
const next = computed(() => {
  const rank: readonly StationMark['state'][] = ['above', 'below', 'stale', 'not-valid', 'close', 'provisional', 'in', 'no-limit', 'to-do']
  return (
    [...all.value].filter(item => !item.check.signed).sort((a, b) => rank.indexOf(a.check.state) - rank.indexOf(b.check.state))[0] ?? null
  )
})
const figure = (check: StationMark) =>
  check.figure === null ? '' : ` at ${formatLength(check.figure, preferences.unit)} ${UNIT_NAME[preferences.unit]}`

async function make(): Promise<void> {
  faults.value = []
  try {
    const job = await api<JobSummary>('/api/jobs', { body: { op: uuid(), id: uuid(), unit: draft.unit, title: draft.title } })
    await navigateTo(`/jobs/${job.id}`)
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
function begin(): void {
  making.value = true
  nextTick(() => unitField.value?.focus())
}
function move(by: number): void {
  const at = rows.value.findIndex(row => row.contains(document.activeElement))
  const to = rows.value[Math.min(rows.value.length - 1, Math.max(0, at + by))]
  to?.querySelector('a')?.focus()
}
useKeys(
  computed(() => [
    key('↑ ↓', 'move', pressed => move(pressed === 'ArrowDown' ? 1 : -1), { keys: ['ArrowDown', 'ArrowUp'] }),
    key('C', 'carry on', () => {
      if (next.value) void navigateTo(`/checks/${next.value.check.id}`)
    }),
    key('N', 'new job', begin),
    key('/', 'find', () => findField.value?.focus()),
  ]),
)
</script>

<template>
  <div class="w-full px-4 py-5 md:px-7">
    <div class="mb-3 flex flex-wrap items-center gap-x-5 gap-y-3">
      <h1 class="display text-[30px]">On the bench</h1>
      <p v-if="jobs?.length" class="text-mute">
        {{ jobs.length }} {{ jobs.length === 1 ? 'job' : 'jobs' }}, {{ all.length }} checks, {{ all.filter(waits).length }} waiting for a
        decision or a signature
      </p>
      <div class="ml-auto flex flex-wrap items-start gap-3">
        <label class="sr-only" for="find">Find a job</label>
        <input
          v-if="jobs?.length"
          id="find"
          ref="findField"
          v-model="find"
          type="search"
          class="field w-40"
          placeholder="find"
          autocomplete="off"
        />
        <ImportButton @done="load" />
        <button type="button" class="button primary" @click="begin">New job</button>
      </div>
    </div>
    <p v-if="faultAt(faults, '')" class="fault" role="alert">{{ faultAt(faults, '') }}</p>
    <form v-if="making" class="mb-4 grid max-w-3xl gap-3 border-y rule py-4 md:grid-cols-[1fr_1fr_auto]" novalidate @submit.prevent="make">
      <div>
        <label class="label mb-1 block" for="new-unit">Unit</label>
        <input
          id="new-unit"
          ref="unitField"
          v-model="draft.unit"
          class="field"
          placeholder="mail launch"
          autocomplete="off"
          :aria-invalid="faultAt(faults, 'unit') !== undefined"
        />
        <p v-if="faultAt(faults, 'unit')" class="fault">{{ faultAt(faults, 'unit') }}</p>
      </div>
      <div>
        <label class="label mb-1 block" for="new-title">What is to be done</label>
        <input
          id="new-title"
          v-model="draft.title"
          class="field"
          placeholder="reduction box rebuild"
          autocomplete="off"
          :aria-invalid="faultAt(faults, 'title') !== undefined"
        />
        <p v-if="faultAt(faults, 'title')" class="fault">{{ faultAt(faults, 'title') }}</p>
      </div>
      <div class="flex items-start gap-2 md:pt-[26px]">
        <button type="submit" class="button primary">Begin</button>
        <button type="button" class="button" @click="making = false">Leave it</button>
      </div>
    </form>

    <div v-if="jobs && jobs.length === 0" class="max-w-2xl border-t rule py-8">
      <h2 class="display mb-2 text-xl">Nothing on the bench yet</h2>
      <p class="mb-2">
        A job is one unit that came in: a gearbox, an engine’s front end. It holds checks in build order; each check goes through Set up,
        Measure, Choose and Prove.
      </p>
      <p class="mb-4">
        Begin with <strong>New job</strong>, or import a worksheet. <code class="figure">npm run demo</code> opens an invented workshop to
        look around in.
      </p>
      <button type="button" class="button primary" @click="begin">New job</button>
    </div>
    <template v-else-if="jobs">
      <div v-if="next" class="dye mb-2 flex flex-wrap items-center gap-x-4 gap-y-2 px-5 py-3.5">
        <StateMark :state="next.check.state" :size="32" inherit />
        <div class="min-w-0 flex-1">
          <p class="text-[18px] font-bold">{{ next.check.title }}, {{ next.job.unit.name.toLowerCase() }}</p>
          <p class="text-[14px]">{{ next.check.word }}{{ figure(next.check) }}. {{ next.job.title }}.</p>
        </div>
        <NuxtLink :to="`/checks/${next.check.id}`" class="button scribed">{{
          next.check.state === 'to-do' && !next.check.note ? 'Begin' : 'Carry on'
        }}</NuxtLink>
      </div>
      <ul>
        <li
          v-for="(job, i) in shown"
          :key="job.id"
          :ref="
            el => {
              if (el) rows[i] = el as HTMLElement
            }
          "
          class="grid gap-x-6 gap-y-3 border-b rule py-3.5 md:grid-cols-[250px_1fr]"
        >
          <NuxtLink :to="`/jobs/${job.id}`" class="block min-h-11">
            <span class="block text-[18px] font-bold">{{ job.unit.name }}</span>
            <span class="text-[14px] text-mute">{{ job.title }}</span>
          </NuxtLink>
          <RouteLine :checks="job.checks" />
        </li>
      </ul>
      <p v-if="shown.length === 0" class="py-6 text-mute">No job matches “{{ find }}”.</p>
    </template>
    <p v-else-if="!faults.length" class="py-6 text-mute">Opening the book …</p>
  </div>
</template>
