<script setup lang="ts">
import { allOf, api, faultsOf } from '~/composables/server/useApi'
import { dayText } from '#core/quantity/day'
import { key, useKeys } from '~/composables/keys/useKeys'
import type { UnitSummary } from '#shared/record'
import type { Fault, JobList, JobSummary } from '#shared/types'

/** Everything that was ever on the bench, each with its own page. */
const units = ref<readonly UnitSummary[] | null>(null)
const faults = ref<readonly Fault[]>([])
const rows = ref<HTMLElement[]>([])
/** More units than this stand a line each: what is open on them is under Jobs. */
const FEW = 12
/** open jobs a unit shows here */
const SHOWN = 4
const open = ref<readonly JobSummary[]>([])
const openOf = (unit: string) => open.value.filter(job => job.unit.id === unit)
onMounted(async () => {
  try {
    units.value = await allOf<UnitSummary>('/api/units')
    if (units.value.length > 0 && units.value.length <= FEW) open.value = (await api<JobList>('/api/jobs?state=open&limit=100')).jobs
  } catch (error) {
    faults.value = faultsOf(error)
  }
})
function move(by: number): void {
  const at = rows.value.findIndex(row => row.contains(document.activeElement))
  rows.value[Math.min(rows.value.length - 1, Math.max(0, at + by))]?.querySelector('a')?.focus()
}
useKeys(computed(() => [key('↑ ↓', 'move', pressed => move(pressed === 'ArrowDown' ? 1 : -1), { keys: ['ArrowDown', 'ArrowUp'] })]))
useHead({ title: 'Units · Finitum' })
</script>

<template>
  <div class="w-full px-4 py-5 md:px-7">
    <div class="mb-3 flex flex-wrap items-center gap-x-5">
      <h1 class="display text-[30px]">Units</h1>
      <p v-if="units?.length" class="text-mute">{{ units.length }} that were on the bench</p>
    </div>
    <p v-for="fault in faults" :key="fault.reason" class="fault" role="alert">{{ fault.reason }}</p>
    <ul v-if="units?.length" class="border-b rule">
      <li
        v-for="(unit, i) in units"
        :key="unit.id"
        :ref="
          el => {
            if (el) rows[i] = el as HTMLElement
          }
        "
        class="border-t rule"
      >
        <NuxtLink
          :to="`/units/${unit.id}`"
          class="grid min-h-13 items-center gap-x-6 py-2 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_10rem_10rem]"
        >
          <span class="text-[17px] font-bold">{{ unit.name }}</span>
          <span class="text-[14px] text-mute">{{ [unit.type, unit.description].filter(Boolean).join(' · ') }}</span>
          <span class="text-[14px]"
            >{{ unit.jobs }} {{ unit.jobs === 1 ? 'job' : 'jobs'
            }}<span v-if="unit.open" class="text-near">, {{ unit.open }} open</span></span
          >
          <span class="text-[14px] text-mute md:text-right">{{ unit.last ? `last ${dayText(unit.last)}` : '' }}</span>
        </NuxtLink>
        <ul v-if="openOf(unit.id).length" class="pb-2" :aria-label="`Open on ${unit.name}`">
          <li
            v-for="job in openOf(unit.id).slice(0, SHOWN)"
            :key="job.id"
            class="grid items-center gap-x-6 py-[3px] md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_10rem_10rem]"
          >
            <NuxtLink :to="`/jobs/${job.id}`" class="truncate text-[14px] md:pl-5">{{ job.title }}</NuxtLink>
            <RouteLine dense class="md:col-span-3" :checks="job.checks" />
          </li>
          <li v-if="openOf(unit.id).length > SHOWN" class="text-[13.5px] text-mute md:pl-5">
            and {{ openOf(unit.id).length - SHOWN }} more
          </li>
        </ul>
      </li>
    </ul>
    <p v-else-if="units" class="max-w-2xl border-t rule py-5">
      No unit yet. A unit is what comes to the bench again and again: a launch, a bus, a pump. It is entered with its first job, under
      <NuxtLink to="/" class="link">Jobs</NuxtLink>; its page then shows what was measured and replaced on it over the years.
    </p>
    <p v-else-if="!faults.length" class="py-6 text-mute">Opening the book …</p>
  </div>
</template>
