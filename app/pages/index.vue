<script setup lang="ts">
import { useWorksheetIn } from '~/composables/files/useWorksheetIn'
import { watchDebounced } from '@vueuse/core'
import { api, faultAt, faultsOf } from '~/composables/server/useApi'
import { key, useKeys } from '~/composables/keys/useKeys'
import { usePreferences } from '~/stores/preferences'
import { formatFigure } from '#core/quantity/figure'
import { STAGE_NAME } from '#core/worksheet/job-facts'
import { dayText } from '#core/quantity/day'
import { waitingText } from '~/composables/words/waitingText'
import { today } from '~/composables/words/today'
import type { Fault, JobList, JobSummary, RouteView, StationMark } from '#shared/types'

const STATES = [
  ['all', 'all jobs'],
  ['open', 'with something open'],
  ['waiting', 'waiting for a decision'],
  ['above', 'loose or above'],
  ['below', 'tight or below'],
  ['close', 'too close to call'],
  ['doubted', 'in, but doubtful'],
  ['stale', 'stale'],
  ['to-do', 'to do'],
  ['part-read', 'points to read'],
  ['accepted', 'accepted with reason'],
  ['finished', 'finished'],
] as const
const preferences = usePreferences()
/** More jobs than this stand a line each, as long as nobody wants all of it. */
const FEW = 8
const whole = ref(false)
const dense = computed(() => !whole.value && (list.value?.counts.jobs ?? 0) > FEW)
/** Jobs shown so far; what the server said of the whole book with the last page. */
const jobs = ref<readonly JobSummary[]>([])
const list = ref<JobList | null>(null)
const faults = ref<readonly Fault[]>([])
const making = ref(false)
/** a route is being picked; the one that was */
const choosing = ref(false)
const route = ref<RouteView | null>(null)
const find = ref('')
const state = ref<(typeof STATES)[number][0]>('all')
const findField = ref<HTMLInputElement>()
const form = ref<{ focus: () => void }>()
/** what an empty workshop begins with */
const line = ref<{ enter: () => void }>()
const rows = ref<HTMLElement[]>([])

/** Promised for a day that has gone by, and not handed over. */
const isLate = ({ promised, stage }: JobSummary) =>
  promised !== undefined && promised < today() && stage !== 'handed-over' && stage !== 'ready'
/** What is to be known of a job besides its checks, before it is opened. */
const standing = (job: JobSummary) =>
  [
    job.stage ? STAGE_NAME[job.stage] : '',
    job.promised && job.stage !== 'handed-over' ? `${isLate(job) ? 'was promised for' : 'promised for'} ${dayText(job.promised)}` : '',
  ]
    .filter(Boolean)
    .join(' · ')

let asked = 0
async function load(more = false): Promise<void> {
  const mine = ++asked
  const query = new URLSearchParams({
    find: find.value.trim(),
    state: state.value,
    who: preferences.signer.trim(),
    skip: String(more ? jobs.value.length : 0),
  })
  try {
    const page = await api<JobList>(`/api/jobs?${query}`)
    // An answer that was overtaken by another question is not shown.
    if (mine !== asked) return
    // What comes first is on the first page.
    list.value = more && list.value ? { ...page, mine: list.value.mine, next: list.value.next } : page
    jobs.value = more ? [...jobs.value, ...page.jobs] : page.jobs
    faults.value = []
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
onMounted(() => load())
watchDebounced(find, () => load(), { debounce: 150 })
watch([state, () => preferences.signer], () => load())
const next = computed(() => list.value?.next ?? null)
const asking = computed(() => find.value.trim() !== '' || state.value !== 'all')
const figure = (check: StationMark) =>
  check.figure === null ? '' : ` at ${formatFigure(check.figure, check.measure ?? preferences.unit, { unit: true })}`

function begin(): void {
  making.value = true
  void nextTick(() => form.value?.focus())
}
function byRoute(picked: RouteView): void {
  choosing.value = false
  route.value = picked
  // The dialog gives the focus back first.
  setTimeout(begin)
}
function leave(): void {
  making.value = false
  route.value = null
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
    key('R', 'by a route', () => {
      choosing.value = true
    }),
    key('/', 'find', () => findField.value?.focus()),
    ...(list.value?.counts.jobs === 0
      ? [key('Enter', 'answer the example', () => line.value?.enter(), { quiet: true, keys: ['Enter'] })]
      : []),
  ]),
)
const sheet = useWorksheetIn(() => void load())
</script>

<template>
  <div class="w-full px-4 py-5 md:px-7">
    <div class="mb-3 flex flex-wrap items-center gap-x-4 gap-y-3">
      <h1 class="display text-[30px]">On the bench</h1>
      <p v-if="list?.counts.jobs" class="text-[14px] text-mute">
        {{ list.counts.jobs }} {{ list.counts.jobs === 1 ? 'job' : 'jobs' }}, {{ list.counts.checks }}
        {{ list.counts.checks === 1 ? 'check' : 'checks' }}, {{ list.counts.waiting }} waiting{{ list.mine > 0 ? ', yours first' : '' }}
      </p>
      <div class="ml-auto flex flex-wrap items-start gap-2">
        <label class="sr-only" for="find">Find a job</label>
        <input
          v-if="list?.counts.jobs"
          id="find"
          ref="findField"
          v-model="find"
          type="search"
          class="field !w-28"
          placeholder="find"
          autocomplete="off"
        />
        <label class="sr-only" for="state">Which jobs</label>
        <select v-if="list?.counts.jobs" id="state" v-model="state" class="field !w-36">
          <option v-for="[value, words] in STATES" :key="value" :value="value">{{ words }}</option>
        </select>
        <button v-if="list && list.counts.jobs > FEW" type="button" class="button" :aria-pressed="whole" @click="whole = !whole">
          {{ whole ? 'A line each' : 'At length' }}
        </button>
        <ImportButton :busy="sheet.busy" @picked="sheet.picked" />
        <button type="button" class="button" @click="choosing = true">By a route</button>
        <button type="button" class="button primary" @click="begin">New job</button>
      </div>
    </div>
    <WaitingNotice />
    <ImportSays :sheet="sheet" />
    <p v-if="faultAt(faults, '')" class="fault" role="alert">{{ faultAt(faults, '') }}</p>
    <NewJobForm v-if="making" ref="form" :key="route?.id ?? ''" :route="route" @close="leave" />
    <RoutesDialog :open="choosing" @close="choosing = false" @pick="byRoute" />

    <div v-if="list && list.counts.jobs === 0" class="max-w-2xl border-t rule py-8">
      <LazyLinePanel ref="line" class="mb-8" />
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
    <template v-else-if="list">
      <div v-if="next && !asking" class="dye mb-2 flex flex-wrap items-center gap-x-4 gap-y-2 px-5 py-3.5">
        <StateMark :state="next.check.state" :size="32" inherit />
        <div class="min-w-0 flex-1">
          <p class="text-[18px] font-bold">{{ next.check.title }}, {{ next.job.unit.toLowerCase() }}</p>
          <p class="text-[14px]">
            {{ next.check.word }}{{ figure(next.check) }}{{ next.check.waiting ? `, ${waitingText(next.check.waiting)}` : '' }}.
            {{ next.job.title }}.
          </p>
        </div>
        <NuxtLink :to="`/checks/${next.check.id}`" class="button scribed">{{
          next.check.state === 'to-do' && !next.check.note ? 'Begin' : 'Carry on'
        }}</NuxtLink>
      </div>
      <ul>
        <li
          v-for="(job, i) in jobs"
          :key="job.id"
          :ref="
            el => {
              if (el) rows[i] = el as HTMLElement
            }
          "
          class="grid gap-x-6 border-b rule"
          :class="dense ? 'py-[3px] md:grid-cols-[380px_1fr] md:items-center' : 'gap-y-3 py-3.5 md:grid-cols-[250px_1fr]'"
        >
          <NuxtLink :to="`/jobs/${job.id}`" class="block min-w-0" :class="dense ? 'truncate' : 'min-h-11'">
            <span class="font-bold" :class="dense ? '' : 'block text-[18px]'">{{ job.unit.name }}</span>{{ dense ? ' ' : ''
            }}<span class="text-[14px] text-mute" :class="dense ? '' : 'block'">{{ job.title }}</span>{{ dense ? ' ' : ''
            }}<span
              v-if="standing(job)"
              class="text-[13px]"
              :class="[dense ? '' : 'block', isLate(job) ? 'font-semibold text-near' : 'text-mute']"
              >{{ dense ? '· ' : '' }}{{ standing(job) }}</span
            >
          </NuxtLink>
          <RouteLine :checks="job.checks" :dense="dense" />
        </li>
      </ul>
      <p v-if="jobs.length === 0" class="py-6 text-mute">
        No job {{ find.trim() ? `matches “${find.trim()}”` : 'is like that'
        }}<template v-if="find.trim() && state !== 'all'">, {{ STATES.find(([value]) => value === state)![1] }}</template>.
      </p>
      <p v-else class="flex items-center gap-4 py-4 text-mute">
        <span>{{
          jobs.length === list.found ? `${list.found} ${list.found === 1 ? 'job' : 'jobs'}` : `${jobs.length} of ${list.found} jobs`
        }}</span>
        <button v-if="jobs.length < list.found" type="button" class="button" data-test="more-jobs" @click="load(true)">Show more</button>
      </p>
    </template>
    <p v-else-if="!faults.length" class="py-6 text-mute">Opening the book …</p>
  </div>
</template>
