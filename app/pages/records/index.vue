<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { METER_NAME, STAGE_NAME } from '#core/worksheet/job-facts'
import { api, faultAt, faultsOf } from '~/composables/server/useApi'
import { dayText } from '#core/quantity/day'
import { key, useKeys } from '~/composables/keys/useKeys'
import { PATH_OF } from '#shared/paths'
import type { Found } from '#shared/record'
import type { Fault } from '#shared/types'

/** Everything that was ever done here, found by its words and days. */
const words = ref(String(useRoute().query.words ?? ''))
const from = ref('')
const to = ref('')
const found = ref<Found | null>(null)
const faults = ref<readonly Fault[]>([])
const field = ref<HTMLInputElement>()
const rows = ref<HTMLElement[]>([])
let asked = 0
async function ask(more = false): Promise<void> {
  const mine = ++asked
  const query = new URLSearchParams({
    words: words.value,
    ...(from.value ? { from: from.value } : {}),
    ...(to.value ? { to: to.value } : {}),
    skip: String(more ? found.value!.jobs.length : 0),
  })
  try {
    const answer = await api<Found>(`/api/find?${query}`)
    // An answer that was overtaken by another question is not shown.
    if (mine !== asked) return
    found.value = more ? { ...answer, jobs: [...found.value!.jobs, ...answer.jobs], others: found.value!.others } : answer
    faults.value = []
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
onMounted(() => {
  field.value?.focus()
  void ask()
})
watchDebounced([words, from, to], () => void ask(), { debounce: 150 })
const NAMES = { gauge: 'gauge', limits: 'limits', size: 'size in the drawer', order: 'order' } as const
function move(by: number): void {
  const at = rows.value.findIndex(row => row.contains(document.activeElement))
  rows.value[Math.min(rows.value.length - 1, Math.max(0, at + by))]?.querySelector('a')?.focus()
}
useKeys(
  computed(() => [
    key('↑ ↓', 'move', pressed => move(pressed === 'ArrowDown' ? 1 : -1), { keys: ['ArrowDown', 'ArrowUp'] }),
    key('/', 'find', () => field.value?.focus()),
  ]),
)
useHead({ title: 'Records · Finitum' })
</script>

<template>
  <div class="w-full px-4 py-5 md:px-7">
    <div class="mb-3 flex flex-wrap items-center gap-x-5 gap-y-3">
      <h1 class="display text-[30px]">Records</h1>
      <p class="text-mute">Everything that was done here.</p>
      <NuxtLink class="button ml-auto" to="/backup">Safe keeping</NuxtLink>
    </div>
    <form class="mb-4 grid max-w-4xl gap-3 md:grid-cols-[minmax(0,1fr)_10rem_10rem]" role="search" @submit.prevent="ask()">
      <div>
        <label class="label mb-1 block" for="find-words">Words: a unit, a check, a person, a part, a state, anything written</label>
        <input
          id="find-words"
          ref="field"
          v-model="words"
          type="search"
          class="field"
          maxlength="200"
          placeholder="launch thrust marl"
          autocomplete="off"
          @keydown.down.prevent="move(1)"
        />
      </div>
      <div>
        <label class="label mb-1 block" for="find-from">From</label>
        <input id="find-from" v-model="from" type="date" class="field" />
        <p v-if="faultAt(faults, 'from')" class="fault">{{ faultAt(faults, 'from') }}</p>
      </div>
      <div>
        <label class="label mb-1 block" for="find-to">To</label>
        <input id="find-to" v-model="to" type="date" class="field" />
        <p v-if="faultAt(faults, 'to')" class="fault">{{ faultAt(faults, 'to') }}</p>
      </div>
    </form>
    <p v-if="faultAt(faults, '')" class="fault" role="alert">{{ faultAt(faults, '') }}</p>
    <template v-if="found">
      <p class="label mb-1" role="status" data-test="found">
        {{ found.found === 0 ? 'No job has all of that.' : `${found.found} ${found.found === 1 ? 'job' : 'jobs'}` }}
      </p>
      <ul v-if="found.others.length" class="mb-3 flex flex-wrap gap-x-5 gap-y-1 text-[14px]" data-test="others">
        <li v-for="other in found.others" :key="other.what + other.id">
          <span class="text-mute">{{ NAMES[other.what] }}</span>
          {{ ' ' }}<NuxtLink :to="PATH_OF[other.what](other.id)" class="link">{{ other.name }}</NuxtLink>
        </li>
      </ul>
      <ul class="border-b rule xl:grid xl:grid-cols-2 xl:gap-x-10" data-test="found-jobs">
        <li
          v-for="(job, i) in found.jobs"
          :key="job.id"
          :ref="
            el => {
              if (el) rows[i] = el as HTMLElement
            }
          "
          class="grid gap-x-5 gap-y-2 border-t rule py-3 md:grid-cols-[16rem_minmax(0,1fr)] xl:grid-cols-[12rem_minmax(0,1fr)]"
        >
          <NuxtLink :to="`/jobs/${job.id}`" class="block min-h-11">
            <span class="block font-bold">{{ job.unit.name }}</span>
            <span class="block text-[14.5px]">{{ job.title }}</span>
            <span class="block text-[13.5px] text-mute"
              >{{ dayText(job.cameIn ?? job.begun)
              }}<template v-if="job.meterReading !== undefined">
                · <span class="figure">{{ job.meterReading.toLocaleString('en-GB') }}</span>
                {{ job.unit.meter ? METER_NAME[job.unit.meter] : '' }}</template
              ><template v-if="job.stage"> · {{ STAGE_NAME[job.stage] }}</template></span
            >
          </NuxtLink>
          <RouteLine down :checks="job.matches.length ? job.checks.filter(({ id }) => job.matches.includes(id)) : job.checks" />
        </li>
      </ul>
      <button v-if="found.jobs.length < found.found" type="button" class="button mt-4" @click="ask(true)">Show more</button>
    </template>
    <p v-else-if="!faults.length" class="py-6 text-mute">Opening the book …</p>
  </div>
</template>
