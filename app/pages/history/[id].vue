<script setup lang="ts">
import { api, faultsOf } from '~/composables/server/useApi'
import { shortTime } from '~/composables/words/shortTime'
import type { Done } from '#shared/record'
import type { Fault, JobView } from '#shared/types'

/** Who did what to a job and its checks, and when. Nothing here can be changed. */
const route = useRoute()
const id = String(route.params.id)
const job = ref<JobView | null>(null)
const done = ref<readonly Done[] | null>(null)
const check = ref(typeof route.query.check === 'string' ? route.query.check : '')
const faults = ref<readonly Fault[]>([])
onMounted(async () => {
  try {
    ;[job.value, done.value] = await Promise.all([api<JobView>(`/api/jobs/${id}`), api<Done[]>(`/api/jobs/${id}/history`)])
  } catch (error) {
    faults.value = faultsOf(error)
  }
})
const shown = computed(() => (done.value ?? []).filter(one => check.value === '' || one.check?.id === check.value))
useHead({ title: computed(() => (job.value ? `Who did what: ${job.value.title} · Finitum` : 'Finitum')) })
</script>

<template>
  <div class="w-full max-w-5xl px-4 py-5 md:px-7">
    <p v-for="fault in faults" :key="fault.reason" class="fault" role="alert">{{ fault.reason }}</p>
    <template v-if="job && done">
      <div class="mb-3 flex flex-wrap items-end gap-x-5 gap-y-3">
        <div>
          <h1 class="display text-[30px] leading-tight">Who did what</h1>
          <p class="text-mute">{{ job.unit.name }}, {{ job.title }}</p>
        </div>
        <div class="ml-auto">
          <label class="label mb-1 block" for="history-check">Of</label>
          <select id="history-check" v-model="check" class="field">
            <option value="">the job and all its checks</option>
            <option v-for="mark in job.checks" :key="mark.id" :value="mark.id">{{ mark.title }}</option>
          </select>
        </div>
        <NuxtLink class="button" :to="`/jobs/${id}`">Back to the job</NuxtLink>
      </div>
      <div v-if="shown.length" class="overflow-x-auto" tabindex="0" role="region" aria-label="What was done">
        <table class="tight" data-test="history">
          <thead>
            <tr>
              <th>When</th>
              <th>Who</th>
              <th>What</th>
              <th>Where</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, i) in shown" :key="i">
              <td class="whitespace-nowrap text-mute">{{ shortTime(one.at) }}</td>
              <td class="whitespace-nowrap">{{ one.who || '–' }}</td>
              <td>{{ one.what }}</td>
              <td class="text-mute">{{ one.check?.title ?? 'the job' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-else class="border-t rule py-5 text-mute">Nothing was done yet.</p>
    </template>
    <p v-else-if="!faults.length" class="py-6 text-mute">Opening the book …</p>
    <NuxtLink v-else to="/" class="button">All jobs</NuxtLink>
  </div>
</template>
