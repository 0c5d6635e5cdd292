<script setup lang="ts">
import { METERS, METER_NAME, STAGE_NAME, type Meter } from '#core/worksheet/job-facts'
import { api, faultAt, faultsOf } from '~/composables/server/useApi'
import { dayText } from '#core/quantity/day'
import { shortTime } from '~/composables/words/shortTime'
import { useKept } from '~/composables/server/useKept'
import { key, useKeys } from '~/composables/keys/useKeys'
import type { UnitView } from '#shared/record'
import type { Fault } from '#shared/types'

/** One unit over the years: its jobs, what was replaced, the sets that belong together, pictures, notes. */
const id = String(useRoute().params.id)
const unit = ref<UnitView | null>(null)
const problems = ref<readonly Fault[]>([])
async function load(): Promise<void> {
  try {
    unit.value = await api<UnitView>(`/api/units/${id}`)
    behind.value = []
  } catch (error) {
    problems.value = faultsOf(error)
  }
}
onMounted(load)
const { faults, behind, saved, keep } = useKept(
  'PATCH /api/units/:id',
  () => unit.value!,
  next => {
    unit.value = next
  },
)
const fault = (path: string) => faultAt(faults.value, path)
const meterName = computed(() => (unit.value?.meter ? METER_NAME[unit.value.meter] : null))
const TEXTS = [
  ['name', 'Name', 80],
  ['type', 'Type', 60],
  ['description', 'Description', 200],
] as const
useKeys(computed(() => [key('J', 'all jobs', () => void navigateTo('/'))]))
useHead({ title: computed(() => (unit.value ? `${unit.value.name} · Finitum` : 'Finitum')) })
</script>

<template>
  <div class="w-full px-4 py-5 md:px-7">
    <p v-for="problem in problems" :key="problem.reason" class="fault mb-3 text-lg" role="alert">{{ problem.reason }}</p>
    <template v-if="unit">
      <div class="mb-4 flex flex-wrap items-baseline gap-x-5">
        <h1 class="display text-[30px] leading-tight">{{ unit.name }}</h1>
        <p class="text-mute">{{ [unit.type, unit.description].filter(Boolean).join(' · ') }}</p>
        <NuxtLink class="button ml-auto" :to="`/trends/${id}`">Trends</NuxtLink>
      </div>
      <div class="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <div>
          <h2 class="label mb-1">Jobs, the newest first</h2>
          <ul class="border-b rule" data-test="unit-jobs">
            <li v-for="job in unit.jobs" :key="job.id" class="grid gap-x-5 gap-y-2 border-t rule py-3 md:grid-cols-[15rem_minmax(0,1fr)]">
              <NuxtLink :to="`/jobs/${job.id}`" class="block min-h-11">
                <span class="block font-bold">{{ job.title }}</span>
                <span class="block text-[13.5px] text-mute"
                  >{{ dayText(job.cameIn ?? job.begun)
                  }}<template v-if="job.meterReading !== undefined">
                    · <span class="figure">{{ job.meterReading.toLocaleString('en-GB') }}</span> {{ meterName }}</template
                  ></span
                >
                <span v-if="job.stage || job.reference" class="block text-[13.5px] text-mute">{{
                  [job.reference, job.stage && STAGE_NAME[job.stage]].filter(Boolean).join(' · ')
                }}</span>
              </NuxtLink>
              <RouteLine :checks="job.checks" />
            </li>
          </ul>
          <template v-if="unit.changes.length">
            <h2 class="label mt-6 mb-1">Replaced or reworked</h2>
            <ul class="border-b rule">
              <li v-for="change in unit.changes" :key="change.at + change.part" class="border-t rule py-1.5 text-[14px]">
                <span class="font-semibold">{{ change.part }}</span>, {{ change.reason }}
                <span class="text-mute">· {{ shortTime(change.at) }}{{ change.by ? `, ${change.by}` : '' }} · {{ change.job }}</span>
              </li>
            </ul>
          </template>
          <template v-if="unit.sets.length">
            <h2 class="label mt-6 mb-2">Sets that belong together</h2>
            <div class="grid gap-4 md:grid-cols-2">
              <div v-for="{ check, set } in unit.sets" :key="check.id">
                <NuxtLink :to="`/checks/${check.id}`" class="link">{{ check.title }}</NuxtLink>
                <MatchedSetLabel :set="set" />
              </div>
            </div>
          </template>
          <PhotoStrip :path="`/api/units/${id}`" :photos="unit.photos" @changed="unit = { ...unit, photos: $event }" />
        </div>
        <section aria-label="About the unit" class="grid content-start gap-3 lg:border-l lg:pl-6 rule">
          <h2 class="label">About the unit <span class="font-normal" role="status">{{ saved ? 'Saved' : '' }}</span></h2>
          <div v-for="[field, label, most] in TEXTS" :key="field">
            <label class="label mb-1 block" :for="`unit-${field}`">{{ label }}</label>
            <TextField
              :id="`unit-${field}`"
              :text="unit[field] ?? ''"
              :maxlength="most"
              :aria-invalid="fault(field) !== undefined"
              @keep="keep({ [field]: $event })"
            />
            <p v-if="fault(field)" class="fault">{{ fault(field) }}</p>
          </div>
          <p class="text-[12.5px] text-mute">
            Units of one type are alike: they share limits and routes, and their trends can be compared.
          </p>
          <div>
            <label class="label mb-1 block" for="unit-meter">Counts</label>
            <select
              id="unit-meter"
              class="field"
              :value="unit.meter ?? ''"
              @change="keep({ meter: (($event.target as HTMLSelectElement).value || null) as Meter | null })"
            >
              <option value="">nothing</option>
              <option v-for="meter in METERS" :key="meter" :value="meter">{{ METER_NAME[meter] }}</option>
            </select>
          </div>
          <div>
            <label class="label mb-1 block" for="unit-notes">Notes</label>
            <TextField id="unit-notes" as="textarea" rows="5" maxlength="4000" :text="unit.notes" @keep="keep({ notes: $event })" />
          </div>
          <p v-if="fault('')" class="fault">{{ fault('') }}</p>
          <StaleNotice :changed="behind" @reload="load" />
        </section>
      </div>
    </template>
    <p v-else-if="!problems.length" class="py-6 text-mute">Opening the book …</p>
    <NuxtLink v-else to="/units" class="button">All units</NuxtLink>
  </div>
</template>
