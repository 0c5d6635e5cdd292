<script setup lang="ts">
import { asBegun } from '#core/command/begin'
import { mustBeSaid } from '#core/check/sentence/setup-words'
import { familyMeant } from '#core/line/as-check'
import { keptBy } from '#core/line/given'
import type { Line } from '#core/line/line'
import { saidIn } from '#core/line/said'
import { needsOfRead } from '#core/line/stand-in'
import type { Lot } from '#core/pack/lot'
import { systemOf } from '#core/quantity/figure'
import type { LengthUnit } from '#core/quantity/length'
import { GAUGE_NAME, suits, type Gauge } from '#core/reading/gauge'
import { familiesFor } from '~/composables/drawer/families'
import { heldBack } from '~/composables/server/heldBack'
import { allOf, api, write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { useBench } from '~/stores/bench'
import type { UnitSummary } from '#shared/record'
import type { Families, JobList, JobSummary, JobView } from '#shared/types'

/** A job that was typed in one line becomes a check: asked is only what the line cannot say. */
const props = defineProps<{
  line: Line
  /** of the drawer, where it is needed */ lots: readonly Lot[]
  text: string
  /** what a bare figure means */ unit: LengthUnit
}>()
const emit = defineEmits<{ close: []; kept: [] }>()
const form = useForm()
const route = useRoute()
const bench = useBench()
const said = computed(() => saidIn(props.line, props.text))
const kind = computed(() => said.value.kind)
const system = computed(() => systemOf(props.line.unit))

const jobs = shallowRef<readonly JobSummary[]>([])
const units = shallowRef<readonly UnitSummary[]>([])
const families = shallowRef<Families | null>(null)
const register = shallowRef<readonly Gauge[]>([])
/** The job one comes from, if any. */
const here = computed(() => {
  const id = String(route.params.id ?? '')
  return route.path.startsWith('/jobs/') ? id : route.path.startsWith('/checks/') ? (bench.view?.job.id ?? '') : ''
})
/** id; empty: a new one */
const job = ref('')
const draft = reactive({ unit: '', jobTitle: '', title: '' })
const setup = reactive<Record<string, string>>({})
const picked = ref<string | null>(null)
const box = useTemplateRef<HTMLElement>('box')

onMounted(async () => {
  const nothing = () => undefined
  await Promise.all([
    api<JobList>('/api/jobs?state=all').then(list => (jobs.value = list.jobs), nothing),
    allOf<UnitSummary>('/api/units').then(all => (units.value = all), nothing),
    api<Families>('/api/stock/families').then(all => (families.value = all), nothing),
    allOf<Gauge>('/api/gauges').then(all => (register.value = all), nothing),
  ])
  // A book of many jobs comes in pages: the one that is open is among them all the same.
  const known = jobs.value.some(({ id }) => id === here.value)
  if (here.value && !known) await api<JobView>(`/api/jobs/${here.value}`).then(one => (jobs.value = [one, ...jobs.value]), nothing)
  if (jobs.value.some(({ id }) => id === here.value)) job.value = here.value
  await nextTick()
  // Whoever types in it already is not moved away by what arrives.
  if (!box.value?.contains(document.activeElement)) box.value?.querySelector<HTMLElement>('input, select, button')?.focus()
})

const offered = computed(() => (families.value ? familiesFor(kind.value.id, families.value) : null))
const family = computed({
  get: () => {
    const { drawer } = props.line
    const ids = [...(props.line.fitted ?? []), ...(drawer && 'pieces' in drawer ? drawer.pieces : [])].map(({ lotId }) => lotId)
    const goesBy = props.lots.find(({ id }) => ids.includes(id))?.family
    const named = drawer && 'family' in drawer ? familyMeant(drawer.family, families.value?.families ?? []) : undefined
    return picked.value ?? named ?? goesBy ?? offered.value?.first ?? ''
  },
  set: to => {
    picked.value = to
  },
})
const given = computed(() => keptBy(props.line, said.value, family.value))
const whole = computed(() => ({ ...given.value.settings.setup, ...setup }))
/** What no one knows. Once it is said it stays a field. */
const asked = mustBeSaid(kind.value, whole.value)
const gauges = reactive<Record<string, string>>({})
const begun = computed(() => asBegun(kind.value, { ...given.value.settings, setup: whole.value, gauges: { ...gauges } }, register.value))
/** What it was read with, by what the register has. */
const read = computed(() => {
  const { document } = begun.value
  const points = given.value.steps.flatMap(step => (step.kind === 'read' ? [step.reading.point] : []))
  return needsOfRead(kind.value.points(document.setup), points).map(need => ({
    ...need,
    gauge: document.gauges[need.key]?.id ?? '',
    choices: register.value.filter(gauge => suits(need.kind, gauge)),
  }))
})
const lacking = computed(() => read.value.find(({ choices }) => choices.length === 0) ?? null)
const entering = ref(false)
/** The pieces that could go in are not in a drawer by being named. */
const leftOut = computed(() => props.line.drawer !== null && 'pieces' in props.line.drawer)

async function keep(): Promise<void> {
  if (lacking.value) {
    entering.value = true
    return
  }
  await form.submit(
    names =>
      write('POST /api/lines', {
        ...names,
        line: props.text,
        entryUnit: props.unit,
        ...(job.value ? { job: job.value } : { unit: draft.unit, jobTitle: draft.jobTitle }),
        ...(draft.title.trim() ? { title: draft.title } : {}),
        ...(family.value ? { family: family.value } : {}),
        setup: { ...setup },
        gauges: Object.fromEntries(read.value.flatMap(({ key, gauge }) => (gauge ? [[key, gauge]] : []))),
      }),
    async check => {
      await navigateTo(`/checks/${check.document.id}`)
      emit('kept')
    },
  )
}
function made(gauge: Gauge): void {
  register.value = [...register.value, gauge]
  entering.value = false
  void nextTick(() => box.value?.querySelector<HTMLElement>('[type=submit]')?.focus())
}
</script>

<template>
  <div ref="box" class="mt-4 border-t rule pt-4" data-test="line-keep" @keydown.esc.prevent.stop="emit('close')">
    <LazyNewGaugeHere v-if="entering && lacking" :kind="lacking.kind" :system="system" @made="made" @close="entering = false" />
    <form
      class="grid grid-cols-[repeat(auto-fit,minmax(min(11.5rem,100%),1fr))] items-start gap-x-4 gap-y-3"
      novalidate
      @submit.prevent="heldBack($event) || keep()"
    >
      <div v-if="jobs.length">
        <label class="label mb-1 block" for="keep-job">Job</label>
        <select id="keep-job" v-model="job" class="field" @keydown.enter.prevent="keep">
          <option value="">A new job</option>
          <option v-for="one in jobs" :key="one.id" :value="one.id">{{ one.unit.name }} › {{ one.title }}</option>
        </select>
        <p v-if="form.fault('job')" class="fault">{{ form.fault('job') }}</p>
      </div>
      <template v-if="!job">
        <div>
          <label class="label mb-1 block" for="keep-unit">Unit</label>
          <input
            id="keep-unit"
            v-model="draft.unit"
            class="field"
            placeholder="mail launch"
            autocomplete="off"
            list="keep-units"
            :aria-invalid="form.fault('unit') !== undefined"
          />
          <datalist id="keep-units">
            <option v-for="one in units" :key="one.id" :value="one.name" />
          </datalist>
          <p v-if="form.fault('unit')" class="fault">{{ form.fault('unit') }}</p>
        </div>
        <div>
          <label class="label mb-1 block" for="keep-title">What is to be done</label>
          <input
            id="keep-title"
            v-model="draft.jobTitle"
            class="field"
            placeholder="reduction box rebuild"
            autocomplete="off"
            :aria-invalid="form.fault('jobTitle') !== undefined"
          />
          <p v-if="form.fault('jobTitle')" class="fault">{{ form.fault('jobTitle') }}</p>
        </div>
      </template>
      <div>
        <label class="label mb-1 block" for="keep-name">Name of the check</label>
        <input id="keep-name" v-model="draft.title" class="field" :placeholder="kind.title" autocomplete="off" />
        <p v-if="form.fault('settings.title')" class="fault">{{ form.fault('settings.title') }}</p>
      </div>
      <div v-if="asked.length" class="grid gap-3 col-span-full md:grid-cols-2">
        <SetupFields
          :kind="kind"
          :setup="whole"
          :unit-system="system"
          :only="asked"
          :disabled="false"
          :settled="false"
          :faults="form.faults"
          @change="Object.assign(setup, $event)"
        />
      </div>
      <div v-if="given.settings.family !== undefined">
        <label class="label mb-1 block" for="keep-family">Pieces come from</label>
        <select id="keep-family" v-model="family" class="field" @keydown.enter.prevent="keep">
          <option value="">no drawer yet</option>
          <option v-for="one in offered?.families ?? []" :key="one" :value="one">{{ one }}</option>
        </select>
      </div>
      <div v-for="{ key: need, kind: lacks, gauge, choices } in read" :key="need">
        <label class="label mb-1 block" :for="`keep-${need}`">Read with</label>
        <select
          v-if="choices.length"
          :id="`keep-${need}`"
          class="field"
          :value="gauge"
          @change="gauges[need] = ($event.target as HTMLSelectElement).value"
          @keydown.enter.prevent="keep"
        >
          <option v-for="one in choices" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
        <p v-else class="flex flex-wrap items-baseline gap-x-3 pt-2 text-near">
          {{ GAUGE_NAME[lacks] }}: the register has none.
          <button :id="`keep-${need}`" type="button" class="link" @click="entering = true">New gauge</button>
        </p>
      </div>
      <div class="col-span-full flex flex-wrap items-center gap-x-2 gap-y-1">
        <button type="submit" class="button primary" :disabled="form.busy">Keep it</button>
        <button type="button" class="button" @click="emit('close')">Back to the line</button>
        <p class="ml-2 max-w-prose flex-1 basis-80 text-[14px] text-mute">
          <template v-if="leftOut">What could go in is chosen from the drawer then: count it there, if it is not in it yet. </template>Ticks
          and states are left to do.
        </p>
      </div>
      <FormSays class="col-span-full" :says="form.rest('settings.setup')" :busy="form.busy" />
    </form>
  </div>
</template>
