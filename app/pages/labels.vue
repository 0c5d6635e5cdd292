<script setup lang="ts">
import type { Coded } from '#core/label/code'
import { SHEETS } from '#core/label/sheets'
import { faultAt, faultsOf, write } from '~/composables/server/useApi'
import { useFileOut } from '~/composables/files/useFileOut'
import { usePreferences } from '~/stores/preferences'
import type { LabelView } from '#shared/record'
import type { Fault } from '#shared/types'

/** Labels of what was chosen: on which sheet, from which place on; with the code of each. */
const route = useRoute()
/** `job:launch-box,gauge:dial-1` */
const of = String(route.query.of ?? '')
  .split(',')
  .filter(Boolean)
  .map(one => ({ thing: one.slice(0, one.indexOf(':')) as Coded, id: one.slice(one.indexOf(':') + 1) }))
const sheet = ref(localStorage.getItem('finitum.labels') ?? SHEETS[0]!.id)
const skip = ref('0')
const labels = ref<readonly LabelView[] | null>(null)
const faults = ref<readonly Fault[]>([])
const body = computed(() => ({ of, sheet: sheet.value, skip: Number(skip.value) }))
async function look(): Promise<void> {
  faults.value = []
  try {
    labels.value = await write('POST /api/labels', { ...body.value, skip: 0 })
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
watch(
  sheet,
  id => {
    localStorage.setItem('finitum.labels', id)
    void look()
  },
  { immediate: true },
)
const file = useFileOut()
async function take(): Promise<void> {
  faults.value = /^\d{1,3}$/.test(skip.value.trim()) ? [] : [{ path: 'skip', reason: 'A whole number of labels.' }]
  if (faults.value.length > 0) return
  await file.take('/api/labels/pdf', body.value)
}
const preferences = usePreferences()
const gap = ref(String(preferences.scanGap))
const gapFault = ref<string | null>(null)
const gapKept = ref(false)
function keepGap(): void {
  const ms = /^\d{1,3}$/.test(gap.value.trim()) ? Number(gap.value) : null
  gapFault.value = ms === null || ms > 200 ? 'A whole number of ms, 200 at most: a hand types no faster than that.' : null
  gapKept.value = gapFault.value === null
  if (gapKept.value) preferences.scanGap = ms!
}
const cut = computed(() => (labels.value ?? []).filter(label => label.cut))
useHead({ title: 'Labels · Finitum' })
</script>

<template>
  <div class="grid w-full gap-x-12 px-4 py-5 md:px-7 lg:grid-cols-[minmax(0,1fr)_23rem]">
    <div>
      <h1 class="display mb-3 text-[30px]">Labels</h1>
      <form class="mb-4 flex flex-wrap items-end gap-3" novalidate @submit.prevent="take">
        <div class="min-w-0">
          <label class="label mb-1 block" for="label-sheet">Sheet</label>
          <select id="label-sheet" v-model="sheet" class="field max-w-full">
            <option v-for="one in SHEETS" :key="one.id" :value="one.id">{{ one.words }}</option>
          </select>
        </div>
        <div>
          <label class="label mb-1 block" for="label-skip">Labels gone already</label>
          <input
            id="label-skip"
            v-model="skip"
            class="field figure !w-36"
            inputmode="numeric"
            autocomplete="off"
            :aria-invalid="faultAt(faults, 'skip') !== undefined"
          />
          <p v-if="faultAt(faults, 'skip')" class="fault">{{ faultAt(faults, 'skip') }}</p>
        </div>
        <button type="submit" class="button primary" :disabled="!labels?.length || file.making !== null">Take the PDF</button>
      </form>
      <FileInProgress v-if="file.slow" class="mb-3" :progress="file.progress" starting="Setting the labels …" @cancel="file.cancel" />
      <p v-for="fault in [...faults, ...file.faults].filter(({ path }) => path !== 'skip')" :key="fault.reason" class="fault" role="alert">
        {{ fault.reason }}
      </p>
      <p v-if="cut.length" class="mb-3 text-near" role="status">
        {{ cut.map(({ title }) => title).join(', ') }}: longer than the label. What does not fit is left out, and marked.
      </p>
      <ul v-if="labels" class="grid gap-3 sm:grid-cols-2 lg:grid-cols-3" data-test="labels">
        <li v-for="label in labels" :key="label.code" class="rounded-md border rule bg-sheet px-3 py-2">
          <p class="font-bold">{{ label.title }}</p>
          <p v-for="line in label.lines" :key="line" class="text-[14px]">{{ line }}</p>
          <p class="figure mt-1 text-[13px] text-mute">{{ label.code }}</p>
        </li>
      </ul>
    </div>
    <aside class="lg:pt-14">
      <p class="mt-4 text-[13.5px] text-mute">
        A scanner that types like a keyboard opens what a label names, from any page; in a list that has the thing it picks it. A code is
        never a command. Print at full size, without fitting to the page.
      </p>
      <form class="mt-4" novalidate @submit.prevent="keepGap">
        <label class="label mb-1 block" for="scan-gap">The scanner at this screen: one sign to the next, at most ms</label>
        <div class="flex gap-3">
          <input
            id="scan-gap"
            v-model="gap"
            class="field figure !w-36"
            inputmode="numeric"
            autocomplete="off"
            aria-describedby="scan-gap-note"
            :aria-invalid="gapFault !== null"
          />
          <button type="submit" class="button">Keep it so</button>
        </div>
        <p v-if="gapFault" class="fault">{{ gapFault }}</p>
        <p v-else-if="gapKept" class="text-[13.5px] text-in" role="status">Kept.</p>
        <p id="scan-gap-note" class="mt-1 text-[13.5px] text-mute">
          Four signs or more that come so fast, and Enter, are a scan, of whatever code: it is looked up among sizes, articles and gauges.
          50 does for most; a slow scanner takes 100. 0: there is no scanner, and keys act at once.
        </p>
      </form>
    </aside>
  </div>
</template>
