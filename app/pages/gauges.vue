<script setup lang="ts">
import { dayText } from '#core/quantity/day'
import { groups as groupBy } from 'd3-array'
import { unitOfGauge } from '#core/quantity/format-length'
import { formatChange, formatFigure, isLengthUnit, systemOf, unitName } from '#core/quantity/figure'
import { GAUGE_NAME, hasStandard, isZeroed, type Gauge } from '#core/reading/gauge'
import { allOf, faultsOf } from '~/composables/server/useApi'
import { inRegister } from '~/composables/server/keptIn'
import { useZeroed } from '~/composables/server/useZeroed'
import { usePicked } from '~/composables/keys/usePicked'
import { key, useKeys } from '~/composables/keys/useKeys'
import { today } from '~/composables/words/today'
import type { Fault, RegisteredGauge } from '#shared/types'

const gauges = ref<readonly RegisteredGauge[] | null>(null)
const picked = usePicked()
const adding = ref(false)
const faults = ref<readonly Fault[]>([])
const helpers = ref<HTMLElement>()

async function load(): Promise<void> {
  try {
    gauges.value = await allOf<RegisteredGauge>('/api/gauges')
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
onMounted(load)
const kinds = computed(() => groupBy(gauges.value ?? [], gauge => gauge.kind))
/** While none is picked the first is looked at. */
const gauge = computed(() => gauges.value?.find(({ id }) => id === picked.value) ?? kinds.value[0]?.[1][0] ?? null)
const late = (g: Gauge) => g.due !== null && g.due < today()
const overdue = computed(() => (gauges.value ?? []).filter(late).length)
const zeroes = (g: Gauge) => isZeroed(g.kind)
/** Each gauge in its own system: its figures are those engraved on it. */
const step = (value: number, g: Gauge) =>
  formatChange(value, unitOfGauge(g.unit, 'play'), {
    trim: true,
    decimals: !isLengthUnit(g.unit) ? 3 : systemOf(g.unit) === 'metric' ? 4 : 2,
  })
const stepUnit = (g: Gauge) => unitName(unitOfGauge(g.unit, 'play'))
const size = (value: number, g: Gauge, unit = false) => formatFigure(value, unitOfGauge(g.unit, 'size'), { trim: true, unit })
const reach = (g: Gauge) =>
  g.range
    ? `${size(g.range.low, g)} – ${size(g.range.high, g, true)}`
    : g.sizes.length > 0
      ? `${g.sizes.length} ${g.kind === 'feeler-set' ? 'leaves' : 'gaps'}`
      : g.rangePerTurn
        ? `turn counter, ${step(g.rangePerTurn, g)} ${stepUnit(g)} a turn`
        : ''

function keep(gauge: RegisteredGauge): void {
  gauges.value = inRegister(gauges.value ?? [], gauge)
}
const sayZeroed = useZeroed()
async function zeroed(id: string): Promise<void> {
  try {
    keep(await sayZeroed(id))
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
function changed(gauge: RegisteredGauge): void {
  keep(gauge)
  pick(gauge.id)
}
function pick(id: string | null): void {
  picked.value = id
  adding.value = false
}
function move(by: number): void {
  const all = kinds.value.flatMap(([, of]) => of)
  pick(all[Math.min(all.length - 1, Math.max(0, all.findIndex(g => g.id === picked.value) + by))]?.id ?? null)
}
useKeys(
  computed(() => [
    key('↑ ↓', 'move', pressed => move(pressed === 'ArrowDown' ? 1 : -1), { keys: ['ArrowDown', 'ArrowUp'] }),
    ...(gauge.value && zeroes(gauge.value) ? [key('Z', 'zeroed today', () => void zeroed(gauge.value!.id))] : []),
    key('N', 'new gauge', () => {
      adding.value = true
    }),
    key('H', 'helpers', () => {
      helpers.value?.querySelector<HTMLElement>('[role="tab"][aria-selected="true"]')?.focus()
    }),
  ]),
)
useHead({ title: 'Gauges · Finitum' })
</script>

<template>
  <div class="w-full px-4 py-5 md:px-7">
    <div class="mb-3 flex flex-wrap items-center gap-x-5 gap-y-3">
      <h1 class="display text-[30px]">Gauges</h1>
      <p v-if="gauges" class="text-mute">
        {{ gauges.length }} in the register<span v-if="overdue" class="font-semibold text-near"
          >, {{ overdue }} overdue for {{ overdue === 1 ? 'its' : 'their' }} check</span
        >
      </p>
      <button type="button" class="button primary ml-auto" @click="adding = true">New gauge</button>
    </div>
    <p v-for="fault in faults" :key="fault.reason" class="fault" role="alert">{{ fault.reason }}</p>
    <div v-if="gauges" class="grid gap-6 lg:grid-cols-[minmax(0,1fr)_330px]">
      <div class="relative overflow-x-auto" tabindex="0" aria-label="Register of gauges" role="region">
        <table class="tight">
          <thead>
            <tr>
              <th>Gauge</th>
              <th class="text-right">Graduation</th>
              <th class="text-right">Error, ±</th>
              <th class="hidden pl-5 md:table-cell">Reach</th>
              <th>Due</th>
              <th>Zero</th>
              <th>
                <span class="sr-only">Open</span>
              </th>
            </tr>
          </thead>
          <tbody v-for="[kind, list] in kinds" :key="kind">
            <tr>
              <th colspan="7" class="!pt-4 text-[15px] !font-bold !text-ink">{{ GAUGE_NAME[kind] }}</th>
            </tr>
            <tr
              v-for="g in list"
              :key="g.id"
              :aria-selected="gauge?.id === g.id"
              :class="gauge?.id === g.id ? 'bg-sheet' : ''"
              class="cursor-pointer"
              @click="pick(g.id)"
            >
              <td>
                {{ g.name
                }}<span v-if="g.uses" class="text-[13px] text-mute"> · on {{ g.uses }} {{ g.uses === 1 ? 'check' : 'checks' }}</span>
              </td>
              <td class="figure text-right whitespace-nowrap">
                {{ step(g.graduation, g) }}<span class="ml-1.5 inline-block w-9 text-left text-[13px] text-mute">{{ stepUnit(g) }}</span>
              </td>
              <td class="figure text-right whitespace-nowrap">
                {{ g.permissibleError === 0 ? '–' : step(g.permissibleError, g)
                }}<span class="ml-1.5 inline-block w-9 text-left text-[13px] text-mute">{{
                  g.permissibleError === 0 ? '' : stepUnit(g)
                }}</span>
              </td>
              <td class="hidden pl-5 text-[13.5px] text-mute md:table-cell">{{ reach(g) }}</td>
              <td class="text-[13.5px] whitespace-nowrap" :class="late(g) ? 'font-semibold text-near' : 'text-mute'">
                <span v-if="g.foundWrong" class="block font-semibold text-out">found wrong, {{ dayText(g.foundWrong) }}</span
                >{{ g.due === null ? '–' : late(g) ? `overdue, ${dayText(g.due)}` : dayText(g.due) }}
              </td>
              <td class="text-[13.5px] whitespace-nowrap">
                <template v-if="!zeroes(g)">
                  <span class="text-mute">none needed</span>
                </template>
                <span v-else-if="g.zeroedOn === today()" class="text-in">today</span>
                <!-- Said where it is used; here of the one that is looked at. -->
                <span v-else-if="gauge?.id !== g.id" class="text-mute">not today</span>
                <button
                  v-else
                  type="button"
                  class="link"
                  :aria-label="`${g.name}: ${hasStandard(g.kind) ? 'tried today, on its standard' : 'zeroed today'}`"
                  @click.stop="zeroed(g.id)"
                >
                  {{ hasStandard(g.kind) ? 'tried today' : 'zeroed today' }}
                </button>
              </td>
              <td class="text-right">
                <button type="button" class="link text-[13.5px]" :aria-label="`Open ${g.name}`" @click.stop="pick(g.id)">open</button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <GaugePanel v-if="adding" key="new" :gauge="null" @changed="changed" @close="adding = false" />
      <div v-else-if="gauge" class="grid content-start gap-4">
        <GaugePanel :key="`${gauge.id}-${gauge.version}`" :gauge="gauge" @changed="changed" @reload="load" />
        <GaugeRecordPanel :key="gauge.id" :gauge="gauge" @checked="load" />
      </div>
      <p v-else class="text-[14px] text-mute lg:border-l lg:pl-6 rule">
        No gauge yet. What stands here goes into the uncertainty of every reading taken with it. Overdue or unzeroed gauges warn at the
        bench; they never block.
      </p>
    </div>
    <section ref="helpers" class="mt-8" aria-label="Helpers">
      <h2 class="display mb-2 text-xl">Helpers</h2>
      <HelperTabs v-if="gauges" :gauges="gauges" :prefer="picked ?? undefined" @changed="keep" />
    </section>
  </div>
</template>
