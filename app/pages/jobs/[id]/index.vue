<script setup lang="ts">
import { formatFigure } from '#core/quantity/figure'
import { api, faultAt, faultsOf } from '~/composables/server/useApi'
import { useSaid } from '~/composables/bench/useSaid'
import { useRemoval } from '~/composables/server/useRemoval'
import { keepForNextPage } from '~/composables/keys/useKeysAhead'
import { key, useKeys } from '~/composables/keys/useKeys'
import { usePreferences } from '~/stores/preferences'
import type { CheckView, Fault, JobView, StationMark } from '#shared/types'

const id = String(useRoute().params.id)
const preferences = usePreferences()
const job = ref<JobView | null>(null)
const faults = ref<readonly Fault[]>([])
/** What was said as it began, until somebody goes on. */
const said = useSaid()
onBeforeUnmount(() => {
  said.value = []
})

async function load(): Promise<void> {
  try {
    job.value = await api<JobView>(`/api/jobs/${id}`)
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
onMounted(load)

const check = useRemoval('POST /api/checks/:id/removal', answer => {
  job.value = answer
})
/** The version of a check is known to the bench alone: it is asked for when the check is to go. */
async function removeCheck(mark: { id: string; title: string }): Promise<void> {
  try {
    const { version } = await api<CheckView>(`/api/checks/${mark.id}`)
    await check.remove(mark.title, mark.id, version)
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
const gone = ref(false)
const whole = useRemoval('POST /api/jobs/:id/removal', answer => {
  gone.value = answer.removed
  if (!answer.removed) void load()
})
/** Nothing rests on any of its checks. */
const canGo = computed(() => job.value !== null && job.value.checks.every(({ id: c }) => job.value!.removable.includes(c)))

function begin(): void {
  keepForNextPage()
  void navigateTo(`/jobs/${id}/check`)
}
const next = computed(() => job.value?.checks.find(check => !check.signed) ?? null)
const figureOf = ({ figure, measure }: StationMark) =>
  figure === null ? '–' : formatFigure(figure, measure ?? preferences.unit, { unit: true })
useKeys(
  computed(() => [
    ...(next.value ? [key('C', 'carry on', () => void navigateTo(`/checks/${next.value!.id}`))] : []),
    key('N', 'new check', begin),
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
      <p v-for="line in said" :key="line" class="mb-2 text-near" role="status" data-test="said">{{ line }}</p>
      <div class="mb-3 flex flex-wrap items-center gap-x-5 gap-y-3">
        <div>
          <h1 class="display text-[30px] leading-tight">
            <NuxtLink :to="`/units/${job.unit.id}`" class="hover:underline">{{ job.unit.name }}</NuxtLink>
          </h1>
          <p class="text-mute">{{ job.title }}<template v-if="job.unit.description"> · {{ job.unit.description }}</template></p>
        </div>
        <div class="ml-auto flex flex-wrap justify-end gap-3">
          <NuxtLink class="button" :to="`/labels?of=job:${id}`">Tag</NuxtLink>
          <NuxtLink class="button" :to="`/history/${id}`">Who did what</NuxtLink>
          <NuxtLink class="button" :to="`/reports/${id}`">Report</NuxtLink>
          <a class="button" :href="`/api/jobs/${id}/worksheet`" download>Export worksheet</a>
          <NuxtLink class="button primary" :to="`/jobs/${id}/check`">New check</NuxtLink>
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

      <CheckOffers :job="job" />
      <RemovedNotice :removed="check.removed.value" :refusal="check.refusal.value" @undo="check.undo" />
      <h2 class="label mb-1">Route, in build order</h2>
      <p v-if="job.checks.length === 0" class="max-w-2xl border-t rule py-5">
        No check yet. A check is one thing to measure, judge and prove: the end play of one shaft. Begin with <strong>New check</strong>:
        what it begins with is filled in, and can be changed on the bench.
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
      <JobFacts :job="job" @changed="job = $event" @reload="load" />
      <JobParts v-if="job.parts.length" :job-id="id" :parts="job.parts" @changed="job = $event" />
      <PhotoStrip :path="`/api/jobs/${id}`" :photos="job.photos" @changed="job = { ...job, photos: $event }" />
      <KeepRoute :job="job" />
      <p v-if="canGo" class="mt-6">
        <button type="button" class="link text-[14px]" @click="whole.remove(job.title, id, job.version)">
          Entered by mistake: remove this job
        </button>
      </p>
    </template>
    <p v-else-if="!faults.length" class="py-6 text-mute">Opening the job …</p>
    <NuxtLink v-else to="/" class="button">All jobs</NuxtLink>
  </div>
</template>
