<script setup lang="ts">
import { formatChange, formatFigure, unitName, type Unit } from '#core/quantity/figure'
import { upperFirst } from '#core/quantity/first-letter'
import { unitFor } from '#core/quantity/format-length'
import { describeLimits, type LimitSet } from '#core/verdict/limits'
import { METER_NAME, type Meter } from '#core/worksheet/job-facts'
import { api, faultsOf } from '~/composables/server/useApi'
import { csvOf } from '~/composables/files/csvOf'
import { saveText } from '~/composables/files/saveText'
import { dayText } from '#core/quantity/day'
import { drawingsOn, saveDrawing } from '~/composables/bench/drawings'
import { driftInWords } from '~/composables/words/driftWords'
import { usePreferences } from '~/stores/preferences'
import type { Trend, Trends, UnitView } from '#shared/record'
import type { Fault } from '#shared/types'

/** What was measured on a unit over the years, or on all units of its type: a figure, service by service. */
const id = String(useRoute().params.id)
const preferences = usePreferences()
const unit = ref<UnitView | null>(null)
const own = ref<Trends | null>(null)
const alike = ref<Trends | null>(null)
const over = ref<'unit' | 'type'>('unit')
const picked = ref('')
const faults = ref<readonly Fault[]>([])
const page = ref<HTMLElement>()
onMounted(async () => {
  try {
    ;[unit.value, own.value] = await Promise.all([api<UnitView>(`/api/units/${id}`), api<Trends>(`/api/units/${id}/trends`)])
  } catch (error) {
    faults.value = faultsOf(error)
  }
})
watch(over, async which => {
  if (which === 'unit' || alike.value) return
  try {
    alike.value = await api<Trends>(`/api/trends?${new URLSearchParams({ type: own.value!.type })}`)
  } catch (error) {
    faults.value = faultsOf(error)
  }
})
const trends = computed(() => (over.value === 'type' ? alike.value : own.value)?.trends ?? [])
const trend = computed<Trend | null>(() => trends.value.find(({ key }) => key === picked.value) ?? trends.value[0] ?? null)
const shownUnit = computed<Unit>(() => trend.value?.measure ?? unitFor(preferences.system))
/** Those that count together: hours of the one are not kilometres of the other. */
const meter = computed<Meter | null>(() => {
  const meters = new Set(trend.value?.units.map(({ meter: one }) => one))
  return meters.size === 1 ? [...meters][0]! : null
})
const counted = computed(
  () =>
    meter.value !== null &&
    trend.value!.units.some(({ services }) => services.filter(({ meterReading }) => meterReading !== null).length > 1),
)
const chosenBy = ref<'meter' | 'day' | null>(null)
const by = computed(() => (counted.value ? (chosenBy.value ?? 'meter') : 'day'))
const titleOf = ({ title, label }: Trend) =>
  title.toLowerCase().endsWith(label.toLowerCase()) ? title : `${title}, ${label.toLowerCase()}`
const services = computed(() => trend.value?.units.flatMap(line => line.services.map(service => ({ ...service, line: line.name }))) ?? [])
const words = computed(
  () =>
    trend.value?.units.map(line => ({
      name: line.name,
      words: driftInWords(line.services, by.value, by.value === 'meter' ? meter.value : null, shownUnit.value),
    })) ?? [],
)
const limitsOf = ({ lower, upper }: { lower: number | null; upper: number | null }) =>
  lower === null && upper === null
    ? '–'
    : describeLimits(
        {
          kind: lower === null ? 'upper' : upper === null ? 'lower' : 'two-sided',
          ...(lower === null ? {} : { lower }),
          ...(upper === null ? {} : { upper }),
          unit: shownUnit.value,
          source: { kind: 'book' },
        } as LimitSet,
        shownUnit.value,
      )
const figure = (of: { value: number; U: number } | null) =>
  of ? `${formatFigure(of.value, shownUnit.value)} ± ${formatChange(of.U, shownUnit.value)}` : '–'
function takeCsv(): void {
  const exact = (value: number | null) => (value === null ? '' : formatFigure(value, shownUnit.value, { decimals: 6, trim: true }))
  const rows = services.value.map(s => [
    ...[s.line, s.day, s.meterReading ?? '', s.job.title, exact(s.found?.value ?? null), exact(s.found?.U ?? null)],
    ...[exact(s.left.value), exact(s.left.U), s.word, exact(s.lower), exact(s.upper), s.changes.join('; ')],
  ])
  const name = unitName(shownUnit.value)
  const head = [
    'unit',
    'day',
    'meter',
    'job',
    `found, ${name}`,
    'found ±',
    `left, ${name}`,
    'left ±',
    'state',
    'lower',
    'upper',
    'replaced',
  ]
  saveText(csvOf(head, rows), `${titleOf(trend.value!)}.csv`, 'text/csv')
}
const takeSvg = () => drawingsOn(page.value!).forEach(saveDrawing)
useHead({ title: computed(() => (unit.value ? `Trends, ${unit.value.name} · Finitum` : 'Finitum')) })
</script>

<template>
  <div ref="page" class="w-full max-w-6xl px-4 py-5 md:px-7">
    <p v-for="fault in faults" :key="fault.reason" class="fault" role="alert">{{ fault.reason }}</p>
    <template v-if="unit && own">
      <div class="mb-3 flex flex-wrap items-end gap-x-5 gap-y-3">
        <div>
          <h1 class="display text-[30px] leading-tight">Trends</h1>
          <p class="text-mute">{{ over === 'type' ? `all units of the type ${unit.type}` : unit.name }}</p>
        </div>
        <NuxtLink class="button ml-auto" :to="`/units/${id}`">Back to the unit</NuxtLink>
      </div>
      <div v-if="trend" class="mb-4 flex flex-wrap items-end gap-3">
        <div class="min-w-0">
          <label class="label mb-1 block" for="trend-figure">Figure</label>
          <select
            id="trend-figure"
            class="field max-w-full"
            :value="trend.key"
            @change="picked = ($event.target as HTMLSelectElement).value"
          >
            <option v-for="one in trends" :key="one.key" :value="one.key">
              {{ titleOf(one) }} · {{ Math.max(...one.units.map(({ services: all }) => all.length)) }}×
            </option>
          </select>
        </div>
        <div v-if="counted">
          <label class="label mb-1 block" for="trend-by">Against</label>
          <select id="trend-by" class="field" :value="by" @change="chosenBy = ($event.target as HTMLSelectElement).value as 'meter'">
            <option value="meter">{{ METER_NAME[meter!] }}</option>
            <option value="day">time</option>
          </select>
        </div>
        <div v-if="unit.type">
          <label class="label mb-1 block" for="trend-over">Of</label>
          <select id="trend-over" v-model="over" class="field">
            <option value="unit">this unit</option>
            <option value="type">all of the type {{ unit.type }}</option>
          </select>
        </div>
        <button type="button" class="button" @click="takeCsv">Table as CSV</button>
        <button type="button" class="button" @click="takeSvg">Drawing as SVG</button>
      </div>
      <template v-if="trend">
        <p v-for="line in words" :key="line.name" class="mb-1 text-[16px]" data-test="drift">
          <strong v-if="trend.units.length > 1">{{ line.name }}: </strong>{{ line.words }}
        </p>
        <TrendPlot class="mt-3" :trend="trend" :unit="shownUnit" :by="by" :meter="meter" :title="titleOf(trend)" />
        <div class="mt-4 overflow-x-auto" tabindex="0" role="region" aria-label="Services">
          <table class="tight" data-test="trend-table">
            <thead>
              <tr>
                <th v-if="trend.units.length > 1">Unit</th>
                <th>Came in</th>
                <th class="text-right">{{ meter ? upperFirst(METER_NAME[meter]) : 'Meter' }}</th>
                <th class="pl-5">Job</th>
                <th class="text-right">Came in with, {{ unitName(shownUnit) }}</th>
                <th class="text-right">Went out with</th>
                <th class="pl-5">Verdict</th>
                <th>Limits</th>
                <th>Replaced</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="s in services" :key="s.check">
                <td v-if="trend.units.length > 1">{{ s.line }}</td>
                <td class="whitespace-nowrap">{{ dayText(s.day) }}</td>
                <td class="figure text-right">{{ s.meterReading?.toLocaleString('en-GB') ?? '–' }}</td>
                <td class="pl-5">
                  <NuxtLink class="link" :to="`/checks/${s.check}`">{{ s.job.title }}</NuxtLink>
                </td>
                <td class="figure text-right whitespace-nowrap">{{ figure(s.found) }}</td>
                <td class="figure text-right whitespace-nowrap">{{ figure(s.left) }}</td>
                <td class="pl-5">{{ s.word }}</td>
                <td class="whitespace-nowrap">{{ limitsOf(s) }}</td>
                <td class="text-[13.5px] text-mute">{{ s.changes.join('; ') || '–' }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </template>
      <p v-else class="max-w-2xl border-t rule py-5">
        Nothing is signed yet on {{ unit.name }}. Each signed check leaves its figures here: as the unit came in, and as it went out. From
        the second service on they make a line.
      </p>
    </template>
    <p v-else-if="!faults.length" class="py-6 text-mute">Opening the book …</p>
  </div>
</template>
