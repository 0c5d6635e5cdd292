<script setup lang="ts">
import { heldBack } from '~/composables/server/heldBack'
import type { BodyOf } from '#shared/writes'
import { GAUGE_KINDS, GAUGE_NAME, isListOfSizes, readsOf, type Gauge, type GaugeKind } from '#core/reading/gauge'
import { parseLength } from '#core/quantity/parse-length'
import { unitOfGauge } from '#core/quantity/format-length'
import { unitName, unitsOf, type Exact, type Unit } from '#core/quantity/figure'
import type { LengthUnit, Nm } from '#core/quantity/length'
import { write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { exactText } from '~/composables/words/sizeText'
import { usePreferences } from '~/stores/preferences'
import type { RegisteredGauge } from '#shared/types'

/** One gauge of the register, or a new one: what its uncertainty needs to know, and when it was checked. */
const props = defineProps<{ gauge: RegisteredGauge | null }>()
const emit = defineEmits<{ changed: [RegisteredGauge]; close: []; reload: [] }>()
const preferences = usePreferences()
const form = useForm()
const kind = ref<GaugeKind>(props.gauge?.kind ?? 'dial-indicator')
const g = props.gauge
const fields = reactive({
  name: g?.name ?? '',
  unit: g?.unit ?? ((preferences.system === 'inch' ? 'thou' : 'mm') as Gauge['unit']),
  graduation: g?.graduation ?? (null as Exact | null),
  readableFraction: String(g?.readableFraction ?? 0.5),
  permissibleError: g?.permissibleError ?? (null as Exact | null),
  repeatability: g?.repeatability ?? (null as Exact | null),
  hysteresis: g?.hysteresis ?? (null as Exact | null),
  rangePerTurn: g?.rangePerTurn ?? (null as Exact | null),
  low: g?.range?.low ?? (null as Exact | null),
  high: g?.range?.high ?? (null as Exact | null),
  sense: g?.sense ?? ('climbs' as Gauge['sense']),
  sizes: '',
  widest: g?.widest ?? (null as Exact | null),
  lastCheck: g?.lastCheck ?? '',
  due: g?.due ?? '',
})
/** A gauge reads one quantity: a scale no lengths. */
const units = computed(() => unitsOf(readsOf(kind.value)))
watch(units, all => {
  if (!all.includes(fields.unit)) fields.unit = all[0]!
})
/** What a bare figure means here: what the gauge itself is read in, whatever is shown elsewhere. */
const own = computed<Unit>(() => (fields.unit === 'in' ? 'thou' : fields.unit))
const ownSize = computed(() => unitOfGauge(fields.unit, 'size'))
const listUnit = computed(() => unitOfGauge(fields.unit, 'play') as LengthUnit)
const asList = (list: readonly Exact[]) => list.map(size => exactText(size, listUnit.value).replace(' ', '')).join(', ')
fields.sizes = asList(g?.sizes ?? [])
watch(listUnit, (_, was) => {
  const list = sizes(was)
  if (list) fields.sizes = asList(list)
})
const SENSES = ['climbs', 'falls'] as const
const listed = computed(() => isListOfSizes(kind.value))
const fault = (path: string) => form.fault(`fields.${path}`)

function sizes(unit: LengthUnit): Nm[] | null {
  const entries = fields.sizes
    .split(/[;,]\s*|\s+/)
    .filter(Boolean)
    .map(text => parseLength(text, unit))
  const bad = entries.find(entry => !entry.ok)
  if (bad && !bad.ok) {
    form.refuse([{ path: 'fields.sizes', reason: bad.reason }])
    return null
  }
  return entries.map(entry => (entry as { value: Nm }).value)
}
async function keep(): Promise<void> {
  const list = listed.value ? sizes(listUnit.value) : []
  if (!list) return
  if ((fields.low === null) !== (fields.high === null)) {
    form.refuse([{ path: 'fields.range', reason: 'A range needs both ends, or neither.' }])
    return
  }
  const { low, high } = fields
  const sent: BodyOf<'POST /api/gauges'>['fields'] = {
    ...(fields.name.trim() || props.gauge ? { name: fields.name.trim() } : {}),
    unit: fields.unit,
    readableFraction: Number(fields.readableFraction.replace(',', '.')),
    sense: fields.sense,
    sizes: list,
    ...Object.fromEntries(
      (['graduation', 'permissibleError', 'repeatability', 'hysteresis'] as const)
        .filter(key => fields[key] !== null)
        .map(key => [key, fields[key]]),
    ),
    widest: kind.value === 'plastic-strip' ? fields.widest : null,
    rangePerTurn: fields.rangePerTurn,
    range: low === null || high === null ? null : { low, high },
    lastCheck: fields.lastCheck || null,
    due: fields.due || null,
  }
  await form.submit(
    ({ op, id }) =>
      props.gauge
        ? write('PATCH /api/gauges/:id', { op, version: props.gauge.version, fields: sent }, props.gauge.id)
        : write('POST /api/gauges', { op, id, kind: kind.value, fields: sent }),
    kept => emit('changed', kept),
  )
}
</script>

<template>
  <form
    class="grid content-start gap-3 border-t rule pt-3 lg:border-t-0 lg:border-l lg:pt-0 lg:pl-6"
    novalidate
    data-test="gauge-panel"
    @submit.prevent="heldBack($event) || keep()"
  >
    <h2 class="display text-xl">{{ gauge ? gauge.name : 'New gauge' }}</h2>
    <div v-if="!gauge">
      <label class="label mb-1 block" for="gauge-kind">Kind</label>
      <select id="gauge-kind" v-model="kind" class="field">
        <option v-for="k in GAUGE_KINDS" :key="k" :value="k">{{ GAUGE_NAME[k] }}</option>
      </select>
    </div>
    <div>
      <label class="label mb-1 block" for="gauge-name">Name</label>
      <input
        id="gauge-name"
        v-model="fields.name"
        class="field"
        maxlength="80"
        :placeholder="GAUGE_NAME[kind]"
        autocomplete="off"
        :aria-invalid="fault('name') !== undefined"
      />
      <p v-if="fault('name')" class="fault">{{ fault('name') }}</p>
    </div>
    <div>
      <label class="label mb-1 block" for="gauge-unit">Read in</label>
      <select id="gauge-unit" v-model="fields.unit" class="field">
        <option v-for="unit in units" :key="unit" :value="unit">{{ unitName(unit) }}</option>
      </select>
    </div>
    <FigureField v-model="fields.graduation" :label="listed ? 'Step' : 'Graduation'" change :unit="own" :fault="fault('graduation')" />
    <div v-if="!listed">
      <label class="label mb-1 block" for="gauge-fraction">Read to, parts of a graduation</label>
      <input id="gauge-fraction" v-model="fields.readableFraction" class="field figure" inputmode="decimal" autocomplete="off" />
      <p v-if="fault('readableFraction')" class="fault">{{ fault('readableFraction') }}</p>
    </div>
    <FigureField
      v-model="fields.permissibleError"
      :label="kind === 'feeler-set' ? 'Permissible error of a leaf, ±' : 'Permissible error, ±'"
      change
      :unit="own"
      :fault="fault('permissibleError')"
    />
    <FigureField
      v-if="!listed"
      v-model="fields.repeatability"
      label="Scatter of one reading to the next"
      change
      :unit="own"
      :fault="fault('repeatability')"
    />
    <template v-if="kind === 'dial-indicator'">
      <FigureField v-model="fields.hysteresis" label="Push and pull read apart by" :unit="own" :fault="fault('hysteresis')" />
      <FigureField v-model="fields.rangePerTurn" label="One turn of the pointer" optional :unit="own" :fault="fault('rangePerTurn')" />
    </template>
    <div v-if="kind === 'micrometer' || kind === 'bore-gauge' || readsOf(kind) !== 'length'">
      <p v-if="readsOf(kind) !== 'length'" class="label mb-1">Usable range: below it, it reads nothing</p>
      <div class="grid grid-cols-2 gap-2">
        <FigureField v-model="fields.low" label="From" plain :unit="ownSize" />
        <FigureField v-model="fields.high" label="To" plain :unit="ownSize" />
      </div>
      <p v-if="fault('range')" class="fault">{{ fault('range') }}</p>
    </div>
    <fieldset v-if="kind === 'bore-gauge' || kind === 'dial-indicator'">
      <legend class="label">As the plunger goes in, the dial</legend>
      <div class="flex gap-5">
        <label v-for="sense in SENSES" :key="sense" class="flex min-h-11 items-center gap-2">
          <input v-model="fields.sense" type="radio" name="sense" :value="sense" class="size-4" />{{ sense }}</label
        >
      </div>
      <svg
        v-if="kind === 'bore-gauge'"
        viewBox="0 0 350 52"
        class="w-full max-w-[320px]"
        role="img"
        :aria-label="
          fields.sense === 'climbs'
            ? 'Plunger in, needle climbs: bore is master minus reading'
            : 'Plunger in, needle falls: bore is master plus reading'
        "
        fill="none"
        stroke="var(--ink)"
        stroke-width="1.5"
      >
        <rect x="20" y="18" width="64" height="16" fill="var(--sheet)" />
        <path d="M84 26h18" stroke-width="4" />
        <path d="M126 26h-16m0 0l6-4m-6 4l6 4" stroke="var(--out)" stroke-width="1.8" />
        <circle cx="160" cy="26" r="20" fill="var(--sheet)" stroke="var(--accent)" stroke-width="2" />
        <path d="M160 26V12" stroke="var(--accent)" stroke-width="2" />
        <path
          :d="fields.sense === 'climbs' ? 'M164 13q9 3 11 12m0 0l-5-3m5 3l2-6' : 'M156 13q-9 3-11 12m0 0l5-3m-5 3l-2-6'"
          stroke="var(--out)"
          stroke-width="1.8"
        />
        <text x="192" y="30" font-size="13" fill="var(--mute)" stroke="none">
          bore = master {{ fields.sense === 'climbs' ? '−' : '+' }} reading
        </text>
      </svg>
    </fieldset>
    <FigureField
      v-if="kind === 'plastic-strip'"
      v-model="fields.widest"
      label="Printed width at the smallest gap"
      :unit="ownSize"
      optional
      :fault="fault('widest')"
    />
    <div v-if="listed">
      <label class="label mb-1 block" for="gauge-sizes"
        >{{ kind === 'feeler-set' ? 'Leaves' : 'Gaps printed on the scale' }}, {{ listUnit }}</label
      >
      <input
        id="gauge-sizes"
        v-model="fields.sizes"
        class="field figure"
        placeholder="1.5, 2, 3, 4"
        autocomplete="off"
        :aria-invalid="fault('sizes') !== undefined"
      />
      <p v-if="fault('sizes')" class="fault">{{ fault('sizes') }}</p>
    </div>
    <div class="grid grid-cols-2 gap-2">
      <div>
        <label class="label mb-1 block" for="gauge-checked">Last check</label>
        <input id="gauge-checked" v-model="fields.lastCheck" type="date" class="field" />
        <p v-if="fault('lastCheck')" class="fault">{{ fault('lastCheck') }}</p>
      </div>
      <div>
        <label class="label mb-1 block" for="gauge-due">Next is due</label>
        <input id="gauge-due" v-model="fields.due" type="date" class="field" />
        <p v-if="fault('due')" class="fault">{{ fault('due') }}</p>
      </div>
    </div>
    <FormSays :says="form.rest()" :busy="form.busy" />
    <StaleNotice :changed="form.behind" @reload="emit('reload')" />
    <div class="flex gap-2">
      <button type="submit" class="button primary" :disabled="form.busy">{{ gauge ? 'Keep' : 'Enter it' }}</button>
      <button v-if="!gauge" type="button" class="button" @click="emit('close')">Close</button>
    </div>
  </form>
</template>
