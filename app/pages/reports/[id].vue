<script setup lang="ts">
import type { Report, ReportLength } from '#core/report/report'
import { useFileOut } from '~/composables/files/useFileOut'
import { api, faultsOf } from '~/composables/server/useApi'
import type { Fault } from '#shared/types'

/** What was found, what was fitted, on whose word: to be read here, printed, or taken away as a PDF. */
const route = useRoute()
const job = String(route.params.id)
const check = computed(() => (typeof route.query.check === 'string' ? route.query.check : null))
const length = ref<ReportLength>(route.query.length === 'full' ? 'full' : 'page')
const paper = ref<'A4' | 'LETTER'>('A4')
const report = ref<Report | null>(null)
const faults = ref<readonly Fault[]>([])
const query = computed(() => new URLSearchParams({ length: length.value, ...(check.value ? { check: check.value } : {}) }).toString())
const pdf = computed(() => `/api/jobs/${job}/report.pdf?${query.value}&paper=${paper.value}`)
watch(
  query,
  async () => {
    faults.value = []
    try {
      report.value = await api<Report>(`/api/jobs/${job}/report?${query.value}`)
    } catch (error) {
      faults.value = faultsOf(error)
    }
  },
  { immediate: true },
)
const file = useFileOut()
const take = () => file.take(pdf.value)
const print = () => globalThis.print()
const back = computed(() => (check.value ? `/checks/${check.value}` : `/jobs/${job}`))
useHead({ title: computed(() => (report.value ? `Report, ${report.value.title}: ${report.value.subtitle}` : 'Report')) })
</script>

<template>
  <div class="mx-auto w-full max-w-4xl px-5 py-5 lg:px-7 print:max-w-none print:p-0">
    <form class="mb-5 flex flex-wrap items-end gap-3 border-b rule pb-4 print:hidden" @submit.prevent="take">
      <div>
        <label class="label mb-1 block" for="report-length">How much of it</label>
        <select id="report-length" v-model="length" class="field max-w-[calc(100vw-2.5rem)]">
          <option value="page">In short, for the customer</option>
          <option value="full">All of it: readings, budgets, stacks, steps</option>
        </select>
      </div>
      <div>
        <label class="label mb-1 block" for="report-paper">Paper</label>
        <select id="report-paper" v-model="paper" class="field">
          <option value="A4">A4</option>
          <option value="LETTER">Letter</option>
        </select>
      </div>
      <button type="submit" class="button primary" :disabled="file.making !== null || !report">Take the PDF</button>
      <button type="button" class="button" :disabled="!report" @click="print">Print</button>
      <NuxtLink class="link ml-auto min-h-9" :to="back">back to the {{ check ? 'check' : 'job' }}</NuxtLink>
      <FileInProgress v-if="file.slow" class="w-full" :progress="file.progress" starting="Setting the pages …" @cancel="file.cancel" />
      <p v-for="f in [...faults, ...file.faults]" :key="f.reason" class="fault w-full" role="alert">{{ f.reason }}</p>
    </form>
    <article v-if="report" data-test="report" class="text-[14px]">
      <h1 class="display text-3xl">{{ report.title }}</h1>
      <p class="mb-3 text-lg text-mute">{{ report.subtitle }}</p>
      <template v-for="(block, i) in report.blocks" :key="i">
        <component :is="block.level === 1 ? 'h2' : 'h3'" v-if="block.kind === 'heading'" class="display mt-6 mb-1 text-xl">
          {{ block.text }}
        </component>
        <p
          v-else-if="block.kind === 'text'"
          class="my-2"
          :class="block.tone === 'caution' ? 'text-near' : block.tone === 'small' ? 'text-[12.5px] break-words text-mute' : ''"
        >
          {{ block.text }}
        </p>
        <dl v-else-if="block.kind === 'facts'" class="my-1 grid grid-cols-[minmax(6rem,auto)_1fr] gap-x-4 gap-y-0.5">
          <template v-for="[label, value] in block.facts" :key="label">
            <dt class="text-mute">{{ label }}</dt>
            <dd>{{ value }}</dd>
          </template>
        </dl>
        <img
          v-else-if="block.kind === 'drawing'"
          class="my-2 h-auto max-w-full rounded-sm bg-white"
          data-test="report-drawing"
          :src="`data:image/svg+xml;charset=utf-8,${encodeURIComponent(block.drawing.svg)}`"
          :alt="block.drawing.label"
          :width="block.drawing.width"
          :height="block.drawing.height"
        />
        <div v-else-if="block.kind === 'photos'" class="my-3 grid gap-3 sm:grid-cols-3">
          <figure v-for="photo in block.photos" :key="photo.id">
            <img
              :src="`/api/photos/${photo.id}`"
              :alt="photo.caption || 'Photograph'"
              :width="photo.width"
              :height="photo.height"
              class="h-auto w-full"
            />
            <figcaption class="text-[13px] text-mute">{{ photo.caption }}</figcaption>
          </figure>
        </div>
        <div v-else class="my-3 overflow-x-auto print:overflow-visible">
          <table class="tight w-full">
            <caption class="mb-1 text-left font-semibold">
              {{ block.title }}
            </caption>
            <thead>
              <tr>
                <component
                  :is="title ? 'th' : 'td'"
                  v-for="(title, column) in block.head"
                  :key="column"
                  :class="[block.figures.includes(column) ? 'text-right' : '', title ? '' : '!border-0']"
                >
                  {{ title }}
                </component>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(row, at) in block.rows" :key="at">
                <td
                  v-for="(cell, column) in row"
                  :key="column"
                  :class="block.figures.includes(column) ? 'figure text-right whitespace-nowrap' : ''"
                >
                  {{ cell }}
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </template>
    </article>
    <p v-else-if="faults.length === 0" class="text-mute">The report is put together …</p>
  </div>
</template>
