<script setup lang="ts">
import { METER_NAME, STAGES, STAGE_NAME, type Stage } from '#core/worksheet/job-facts'
import { faultAt } from '~/composables/server/useApi'
import { useKept } from '~/composables/server/useKept'
import { parsePlain } from '~/composables/words/parsePlain'
import type { JobView } from '#shared/types'

/** What is known of a job besides its checks; each field is kept as it is left. */
const props = defineProps<{ job: JobView }>()
const emit = defineEmits<{ changed: [JobView]; reload: [] }>()
const { faults, behind, saved, keep } = useKept(
  'PATCH /api/jobs/:id',
  () => props.job,
  job => emit('changed', job),
)
const DAYS = [
  ['cameIn', 'Came in'],
  ['promised', 'Promised for'],
  ['handedOver', 'Handed over'],
] as const
const fault = (path: string) => faultAt(faults.value, path)
const meter = computed(() => (props.job.unit.meter ? `Meter, ${METER_NAME[props.job.unit.meter]}` : 'Meter'))
/** not a figure */
const unread = ref(false)
function keepMeter(text: string): void {
  const figure = parsePlain(text)
  unread.value = figure === undefined
  if (figure !== undefined) void keep({ meterReading: figure })
}
</script>

<template>
  <section aria-label="About the job" class="mt-6" data-test="job-facts">
    <h2 class="label mb-1">About the job <span class="font-normal" role="status">{{ saved ? 'Saved' : '' }}</span></h2>
    <div class="grid max-w-5xl grid-cols-2 gap-3 md:grid-cols-6">
      <div>
        <label class="label mb-1 block" for="job-stage">Stage</label>
        <select
          id="job-stage"
          class="field"
          :value="job.stage ?? 'in-work'"
          @change="keep({ stage: ($event.target as HTMLSelectElement).value as Stage })"
        >
          <option v-for="stage in STAGES" :key="stage" :value="stage">{{ STAGE_NAME[stage] }}</option>
        </select>
      </div>
      <div>
        <label class="label mb-1 block" for="job-reference">Reference</label>
        <TextField id="job-reference" :text="job.reference ?? ''" maxlength="60" @keep="keep({ reference: $event })" />
        <p v-if="fault('reference')" class="fault">{{ fault('reference') }}</p>
      </div>
      <div v-for="[field, label] in DAYS" :key="field">
        <label class="label mb-1 block" :for="`job-${field}`">{{ label }}</label>
        <TextField
          :id="`job-${field}`"
          type="date"
          :text="job[field] ?? ''"
          :aria-invalid="fault(field) !== undefined"
          @keep="keep({ [field]: $event || null })"
        />
        <p v-if="fault(field)" class="fault">{{ fault(field) }}</p>
      </div>
      <div>
        <label class="label mb-1 block" for="job-meter">{{ meter }}</label>
        <TextField
          id="job-meter"
          class="figure"
          inputmode="decimal"
          :text="job.meterReading ?? ''"
          :aria-invalid="unread || fault('meterReading') !== undefined"
          @keep="keepMeter"
        />
        <p v-if="unread" class="fault">A number, as the meter shows it.</p>
        <p v-else-if="fault('meterReading')" class="fault">{{ fault('meterReading') }}</p>
        <p v-else-if="job.meterDoubt" class="text-[13.5px] text-near" role="status" data-test="meter-doubt">{{ job.meterDoubt }}</p>
      </div>
      <div class="col-span-2 md:col-span-6 md:max-w-2xl">
        <label class="label mb-1 block" for="job-notes">Notes</label>
        <TextField id="job-notes" as="textarea" rows="3" maxlength="4000" :text="job.notes" @keep="keep({ notes: $event })" />
      </div>
    </div>
    <p v-if="fault('')" class="fault">{{ fault('') }}</p>
    <StaleNotice :changed="behind" @reload="emit('reload')" />
  </section>
</template>
