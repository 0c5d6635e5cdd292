<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { checkKinds } from '#core/check/registry'
import { unitOfResult } from '#core/check/results'
import { formatFigure, type Exact } from '#core/quantity/figure'
import { familiesFor } from '~/composables/families'
import { RefusedError, api, faultAt, faultsOf } from '~/composables/useApi'
import { useRemoval } from '~/composables/useRemoval'
import { key, useKeys } from '~/composables/useKeys'
import { usePreferences } from '~/stores/preferences'
import type { CheckView, Fault, JobView, StationMark, StockView } from '#shared/types'

const id = String(useRoute().params.id)
const preferences = usePreferences()
const job = ref<JobView | null>(null)
const faults = ref<readonly Fault[]>([])
const changed = ref<readonly string[]>([])
const notes = ref('')
const saved = ref('')
const making = ref(false)
const stock = ref<StockView | null>(null)
const titleField = ref<HTMLInputElement>()
const kind = ref(checkKinds[0]!.id)
const title = ref('')
const setup = reactive<Record<string, string>>({ ...checkKinds[0]!.defaultSetup })
const families = computed(() => (stock.value ? familiesFor(kind.value, stock.value) : null))
/** by hand; null: the one that fits the kind */
const chosenFamily = ref<string | null>(null)
const family = computed({
  get: () => chosenFamily.value ?? families.value?.first ?? '',
  set: picked => {
    chosenFamily.value = picked
  },
})
const lower = ref<Exact | null>(null)
const upper = ref<Exact | null>(null)
const chosenKind = computed(() => checkKinds.find(k => k.id === kind.value)!)
const mainResult = computed(() => chosenKind.value.results(setup).find(result => result.main)!)
const limitUnit = computed(() => unitOfResult(mainResult.value, preferences.system))
watch(
  kind,
  () => {
    chosenFamily.value = null
    for (const field of Object.keys(setup)) Reflect.deleteProperty(setup, field)
    Object.assign(setup, chosenKind.value.defaultSetup)
  },
  { flush: 'sync' },
)

async function load(): Promise<void> {
  try {
    job.value = await api<JobView>(`/api/jobs/${id}`)
    notes.value = job.value.notes
    changed.value = []
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
onMounted(load)

const check = useRemoval<JobView>(answer => {
  job.value = answer
})
/** The version of a check is known to the bench alone: it is asked for when the check is to go. */
async function removeCheck(mark: { id: string; title: string }): Promise<void> {
  try {
    const { version } = await api<CheckView>(`/api/checks/${mark.id}`)
    await check.remove(mark.title, `/api/checks/${mark.id}`, version)
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
const gone = ref(false)
const whole = useRemoval<{ removed: boolean }>(answer => {
  gone.value = answer.removed
  if (!answer.removed) void load()
})
/** Nothing rests on any of its checks. */
const canGo = computed(() => job.value !== null && job.value.checks.every(({ id: c }) => job.value!.removable.includes(c)))

async function keepNotes(): Promise<void> {
  if (!job.value || notes.value === job.value.notes) return
  try {
    job.value = await api<JobView>(`/api/jobs/${id}`, {
      method: 'PATCH',
      body: { op: uuid(), version: job.value.version, notes: notes.value },
    })
    saved.value = 'Saved'
  } catch (error) {
    if (error instanceof RefusedError && error.refusal.changed) changed.value = error.refusal.changed
    else faults.value = faultsOf(error)
  }
}

/** Its first field takes the focus as soon as it is there, however early it was asked for. */
watch(titleField, field => field?.focus(), { flush: 'post' })
/** A check that the job is offered. */
async function take(own: string): Promise<void> {
  kind.value = own
  await begin()
}
let shop = Promise.resolve()
async function begin(): Promise<void> {
  making.value = true
  titleField.value?.focus()
  shop = lookAround()
  await shop
}
/** The drawers a new check can start with. */
async function lookAround(): Promise<void> {
  stock.value = await api<StockView>('/api/stock').catch(() => null)
}
async function make(): Promise<void> {
  faults.value = []
  // Whoever types faster than the shop answers still gets its drawer. Gauges the server takes from the register.
  await shop
  const has = { lower: lower.value !== null, upper: upper.value !== null }
  const limits =
    has.lower && has.upper
      ? { kind: 'two-sided', lower: lower.value, upper: upper.value }
      : has.upper
        ? { kind: 'upper', upper: upper.value }
        : has.lower
          ? { kind: 'lower', lower: lower.value }
          : null
  try {
    const check = await api<CheckView>(`/api/jobs/${id}/checks`, {
      body: {
        op: uuid(),
        id: uuid(),
        kind: kind.value,
        settings: {
          title: title.value.trim() || chosenKind.value.title,
          entryUnit: preferences.unit,
          setup: { ...setup },
          family: family.value,
          ...(limits
            ? {
                limits: [
                  { result: mainResult.value.id, role: 'book', set: { ...limits, unit: limitUnit.value, source: { kind: 'book' } } },
                ],
              }
            : {}),
        },
      },
    })
    await navigateTo(`/checks/${check.document.id}`)
  } catch (error) {
    faults.value = faultsOf(error)
  }
}

const next = computed(() => job.value?.checks.find(check => !check.signed) ?? null)
const figureOf = ({ figure, measure }: StationMark) =>
  figure === null ? '–' : formatFigure(figure, measure ?? preferences.unit, { unit: true })
useKeys(
  computed(() => [
    ...(next.value ? [key('C', 'carry on', () => void navigateTo(`/checks/${next.value!.id}`))] : []),
    key('N', 'new check', () => void begin()),
    key('J', 'all jobs', () => void navigateTo('/')),
  ]),
)
useHead({ title: computed(() => (job.value ? `${job.value.unit.name}: ${job.value.title} · Finitum` : 'Finitum')) })
</script>

<template>
  <div class="w-full px-4 py-5 md:px-7">
    <p v-if="faultAt(faults, '')" class="fault mb-3 text-lg" role="alert">{{ faultAt(faults, '') }}</p>
    <RemovedNotice :removed="whole.removed.value" :refusal="whole.refusal.value" @undo="whole.undo" />
    <NuxtLink v-if="gone" to="/" class="button">All jobs</NuxtLink>
    <template v-else-if="job">
      <div class="mb-3 flex flex-wrap items-center gap-x-5 gap-y-3">
        <div>
          <h1 class="display text-[30px] leading-tight">{{ job.unit.name }}</h1>
          <p class="text-mute">
            {{ job.title }}<template v-if="job.unit.description"> · {{ job.unit.description }}</template>
          </p>
        </div>
        <div class="ml-auto flex flex-wrap justify-end gap-3">
          <NuxtLink class="button" :to="`/reports/${id}`">Report</NuxtLink>
          <a class="button" :href="`/api/jobs/${id}/worksheet`" download>Export worksheet</a>
          <button type="button" class="button primary" @click="begin">New check</button>
        </div>
      </div>
      <div v-if="next" class="dye mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 px-5 py-3.5">
        <StateMark :state="next.state" :size="32" inherit />
        <div class="min-w-0 flex-1">
          <p class="text-[18px] font-bold">Next: {{ next.title }}</p>
          <p class="text-[14px]">
            {{ next.word }}{{ next.figure === null ? '' : ` at ${figureOf(next)}` }}{{ next.note ? `: ${next.note}` : '' }}
          </p>
        </div>
        <NuxtLink :to="`/checks/${next.id}`" class="button scribed">{{
          next.state === 'to-do' && !next.note ? 'Begin' : 'Carry on'
        }}</NuxtLink>
      </div>
      <p v-else-if="job.checks.length" class="mb-4 text-in">Every check is signed off.</p>

      <form v-if="making" class="mb-5 grid max-w-4xl gap-3 border-y rule py-4 md:grid-cols-2" novalidate @submit.prevent="make">
        <div>
          <label class="label mb-1 block" for="check-kind">Kind of check</label>
          <select id="check-kind" v-model="kind" class="field">
            <option v-for="k in checkKinds" :key="k.id" :value="k.id">{{ k.title }}</option>
          </select>
          <p class="mt-0.5 text-[12.5px] text-mute">{{ chosenKind.about }}</p>
        </div>
        <div>
          <label class="label mb-1 block" for="check-title">Name</label>
          <input id="check-title" ref="titleField" v-model="title" class="field" :placeholder="chosenKind.title" autocomplete="off" />
          <p v-if="faultAt(faults, 'settings.title')" class="fault">{{ faultAt(faults, 'settings.title') }}</p>
        </div>
        <SetupFields
          :kind="chosenKind"
          :setup="setup"
          :unit-system="preferences.system"
          :disabled="false"
          :settled="false"
          :faults="faults"
          @change="change => Object.assign(setup, change)"
        />
        <div v-if="chosenKind.places(setup).length">
          <label class="label mb-1 block" for="check-family">Pieces come from</label>
          <select id="check-family" v-model="family" class="field">
            <option value="">no drawer yet</option>
            <option v-for="f in families?.families ?? []" :key="f" :value="f">{{ f }}</option>
          </select>
        </div>
        <FigureField v-model="lower" label="Book limit, lower" :unit="limitUnit" optional />
        <FigureField
          v-model="upper"
          label="Book limit, upper"
          :unit="limitUnit"
          optional
          :fault="faultAt(faults, 'settings.limits.0.set')"
        />
        <div class="flex gap-2 md:col-span-2">
          <button type="submit" class="button primary">Begin the check</button>
          <button type="button" class="button" @click="making = false">Leave it</button>
        </div>
      </form>

      <CheckOffers v-if="!making" :job="job" @take="take" />
      <RemovedNotice :removed="check.removed.value" :refusal="check.refusal.value" @undo="check.undo" />
      <h2 class="label mb-1">Route, in build order</h2>
      <p v-if="job.checks.length === 0" class="max-w-2xl border-t rule py-5">
        No check yet. A check is one thing to measure, judge and prove: the end play of one shaft. Begin with <strong>New check</strong>;
        what you leave out takes a sensible default and can be changed on the bench.
      </p>
      <ul v-else class="border-b rule">
        <li v-for="mark in job.checks" :key="mark.id" class="flex items-center border-t rule">
          <NuxtLink
            :to="`/checks/${mark.id}`"
            class="grid min-h-13 flex-1 grid-cols-[32px_minmax(0,1fr)_auto] items-center gap-x-3 py-1.5 md:grid-cols-[32px_minmax(0,1fr)_minmax(0,1fr)_9rem]"
          >
            <StateMark :state="mark.state" :size="24" />
            <span class="font-semibold">{{ mark.title }}</span>
            <span class="col-start-2 text-[14px] text-mute md:col-start-3"
              >{{ mark.word }}{{ mark.note ? `: ${mark.note}` : '' }}{{ mark.signed ? ', signed off' : ''
              }}<span v-if="mark.pending" class="text-near"> · {{ mark.pending }} still to do</span></span
            >
            <span class="figure col-start-3 row-start-1 text-right md:col-start-4">{{ figureOf(mark) }}</span>
          </NuxtLink>
          <span class="w-20 text-right">
            <button
              v-if="job.removable.includes(mark.id)"
              type="button"
              class="link text-[13.5px]"
              :aria-label="`Remove ${mark.title}`"
              @click="removeCheck(mark)"
            >
              remove
            </button>
          </span>
        </li>
      </ul>
      <JobParts v-if="job.parts.length" :job-id="id" :parts="job.parts" @changed="job = $event" />
      <div class="mt-6 max-w-2xl">
        <label class="label mb-1 block" for="job-notes"
          >Notes <span class="font-normal">{{ saved }}</span>
        </label>
        <textarea id="job-notes" v-model="notes" class="field" rows="3" maxlength="4000" @blur="keepNotes" @input="saved = ''" />
        <p v-if="changed.length" class="fault">
          {{ changed.join('. ') }} in another tab. Your text is still here.
          <button type="button" class="link" @click="load">Show the newer one</button>
        </p>
      </div>
      <p v-if="canGo" class="mt-6">
        <button type="button" class="link text-[14px]" @click="whole.remove(job.title, `/api/jobs/${id}`, job.version)">
          Entered by mistake: remove this job
        </button>
      </p>
    </template>
    <p v-else-if="!faults.length" class="py-6 text-mute">Opening the job …</p>
    <NuxtLink v-else to="/" class="button">All jobs</NuxtLink>
  </div>
</template>
