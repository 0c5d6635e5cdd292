<script setup lang="ts">
import { parseTemperature } from '#core/quantity/temperature'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { UNIT_NAME, type Nm } from '#core/quantity/length'
import { EXPANSION, atReference, heatError, heatMatters, sizeAt, type Metal } from '#core/reading/temperature'
import { usePreferences } from '~/stores/preferences'

/** A reading taken warm, brought to 20 °C; part and gauge each with its metal and its temperature. */
const props = defineProps<{ band: number | null }>()
const preferences = usePreferences()
const unit = computed(() => unitFor(preferences.system, 'size'))
const reading = ref<Nm | null>(null)
const bodies = reactive({ part: { metal: 'steel' as Metal, text: '20', ppm: '' }, gauge: { metal: 'steel' as Metal, text: '20', ppm: '' } })
/** How warm the part runs; blank: not asked. */
const runs = ref('')
const running = computed(() => (runs.value.trim() === '' ? null : parseTemperature(runs.value)))
const ownBand = ref<Nm | null>(null)
const width = computed(() => ownBand.value ?? props.band)
const parsed = (which: 'part' | 'gauge') => parseTemperature(bodies[which].text)
const heatFault = (which: 'part' | 'gauge') => {
  const read = parsed(which)
  return read.ok ? null : read.reason
}
/** An expansion of one's own, in millionths per kelvin; blank: that of the metal. */
const ppmOf = (which: 'part' | 'gauge') =>
  bodies[which].ppm.trim() === '' ? EXPANSION[bodies[which].metal] * 1e6 : Number(bodies[which].ppm.replace(',', '.'))
const ppmFault = (which: 'part' | 'gauge') =>
  Number.isFinite(ppmOf(which)) && ppmOf(which) >= 0 && ppmOf(which) < 100 ? null : 'Millionths per kelvin, 0 to 100.'
const answer = computed(() => {
  const [part, gauge] = [parsed('part'), parsed('gauge')]
  if (reading.value === null || !part.ok || !gauge.ok || ppmFault('part') || ppmFault('gauge')) return null
  const [p, g] = [
    { alpha: ppmOf('part') * 1e-6, celsius: part.celsius },
    { alpha: ppmOf('gauge') * 1e-6, celsius: gauge.celsius },
  ]
  const effect = heatError(reading.value, g, p)
  const cold = atReference(reading.value, g, p)
  const hot = running.value?.ok ? { celsius: running.value.celsius, size: sizeAt(cold, { ...p, celsius: running.value.celsius }) } : null
  return { cold, hot, effect, matters: heatMatters(effect, width.value) }
})
const NAMES = { part: 'Part', gauge: 'Gauge, scale or master' } as const
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 lg:grid-cols-[minmax(0,440px)_minmax(0,1fr)]" data-test="temperature-helper">
    <div class="space-y-3">
      <FigureField v-model="reading" label="It reads" :unit="unit" />
      <div v-for="which in ['part', 'gauge'] as const" :key="which" class="grid grid-cols-[1fr_7rem_7rem] gap-2">
        <div>
          <label class="label mb-1 block" :for="`metal-${which}`">{{ NAMES[which] }}</label>
          <select :id="`metal-${which}`" v-model="bodies[which].metal" class="field">
            <option v-for="(_, metal) in EXPANSION" :key="metal" :value="metal">{{ metal }}</option>
          </select>
        </div>
        <div>
          <label class="label mb-1 block" :for="`ppm-${which}`">10⁻⁶ per K</label>
          <input
            :id="`ppm-${which}`"
            v-model="bodies[which].ppm"
            class="field figure"
            :placeholder="String(EXPANSION[bodies[which].metal] * 1e6)"
            inputmode="decimal"
            autocomplete="off"
            :aria-invalid="ppmFault(which) !== null"
          />
        </div>
        <div>
          <label class="label mb-1 block" :for="`heat-${which}`">is at</label>
          <input
            :id="`heat-${which}`"
            v-model="bodies[which].text"
            class="field figure"
            placeholder="20 °C"
            autocomplete="off"
            :aria-invalid="!parsed(which).ok"
          />
        </div>
        <p v-if="heatFault(which)" class="fault col-span-3">{{ heatFault(which) }}</p>
        <p v-if="ppmFault(which)" class="fault col-span-3">{{ ppmFault(which) }}</p>
      </div>
      <div class="grid grid-cols-2 gap-2">
        <FigureField v-model="ownBand" label="Width of the limits" optional :unit="preferences.unit" />
        <div>
          <label class="label mb-1 block" for="heat-running">Part runs at, if asked</label>
          <input
            id="heat-running"
            v-model="runs"
            class="field figure"
            placeholder="90 °C"
            autocomplete="off"
            :aria-invalid="running?.ok === false"
          />
          <p v-if="running && !running.ok" class="fault">{{ running.reason }}</p>
        </div>
      </div>
    </div>
    <div v-if="answer" class="space-y-2" data-test="temperature-answer">
      <p class="text-[17px]">
        At 20 °C it is
        <strong class="figure">{{ formatLength(answer.cold, unit, { decimals: unit === 'in' ? 5 : 4 }) }} {{ UNIT_NAME[unit] }}</strong>.
      </p>
      <p>
        It reads
        <span class="figure">{{
          formatLength(Math.abs(answer.effect), unitFor(preferences.system), {
            decimals: preferences.system === 'inch' ? 2 : 4,
            unit: true,
          })
        }}</span>
        {{ answer.effect > 0 ? 'big with heat' : answer.effect < 0 ? 'small with cold' : 'off: nothing to correct' }}.
      </p>
      <p v-if="answer.matters !== null" :class="answer.matters ? 'text-out' : 'text-in'">
        {{
          answer.matters
            ? 'More than a tenth of the limits: it matters. Let both come to one temperature, or correct.'
            : 'Less than a tenth of the limits: it does not matter.'
        }}
      </p>
      <p v-if="answer.hot">
        Running at <span class="figure">{{ answer.hot.celsius }} °C</span> it should be
        <span class="figure">{{ formatLength(answer.hot.size, unit, { decimals: unit === 'in' ? 5 : 4 }) }} {{ UNIT_NAME[unit] }}</span>: a
        prediction, never a measurement.
      </p>
      <p class="text-[13.5px] text-mute">
        Same metal at the same temperature needs no correction: leave part and master in the same oil bath. L20 = R · (1 + α gauge · (T
        gauge − 20) − α part · (T part − 20)), ISO 1; expansions from engineering handbooks.
      </p>
    </div>
    <p v-else class="self-center text-mute">
      What matters is part and master at the same temperature. Type what it reads and how warm each is.
    </p>
  </div>
</template>
