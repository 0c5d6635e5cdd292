<script setup lang="ts">
import type { MeasuringPoint } from '#core/check/contract'
import type { PointReading } from '#core/check/document'
import { ways } from '#core/method/ways'
import { zeroAnswer } from '#core/method/zero-words'
import type { Finding } from '#core/reading/gates'
import { hasStandard, type Gauge, type GaugeWarning } from '#core/reading/gauge'
import { besideUnit } from '#core/quantity/format-length'
import { unitName, type Exact, type FigureEntry, type Unit } from '#core/quantity/figure'
import type { LengthUnit } from '#core/quantity/length'
import { exactText } from '~/composables/words/sizeText'
import type { Draft } from '~/composables/bench/useDraft'

/** The reading being taken at one point, in the form its way of measuring asks for, and the series so far. */
const props = defineProps<{
  point: MeasuringPoint
  several: boolean
  /** what a bare figure means */
  unit: Unit
  checkUnit: LengthUnit
  gauge: Gauge | null
  readings: readonly PointReading[]
  findings: readonly Finding[]
  far: FigureEntry
  back: FigureEntry
  start: FigureEntry
  heatFault: string | null
  locked: boolean
  oneMore: string | null
  warnings: readonly GaugeWarning[]
  /** readings that no longer hold */
  stale: ReadonlySet<string>
  /** the eye is elsewhere: only what is typed, and what was read */
  quiet: boolean
  /** of the figures of its part; the series has no fewer */
  decimals: number
  /** the movement can be said to be none, in a word */
  /** what may be said where there is nothing to measure */
  zeroWords: readonly { readonly value: string; readonly label: string }[]
}>()
const draft = defineModel<Draft>('draft', { required: true })
const emit = defineEmits<{ log: []; answer: [string, number]; void: [PointReading]; word: [string]; zeroed: [] }>()
const form = ref<{ focus: () => void; submit: () => void }>()
const way = computed(() => ways[props.point.way])
const general = computed(() => props.findings.filter(f => !f.repeatId || f.repeatId === 'draft'))
const entry = computed(() => ({
  unit: props.unit,
  other: besideUnit(props.unit, props.checkUnit, way.value.scale),
  start: props.start,
  far: props.far,
  back: props.back,
  hint: way.value.hint,
  heatFault: props.heatFault,
  word: props.zeroWords.length > 0 && 'word' in (zeroAnswer(draft.value.far) ?? {}),
}))
const lacksGauge = computed(() => way.value.gauge !== null && props.gauge === null)
/** The gap of a mark goes into the field; Enter logs it. */
function pickGap(gap: Exact): void {
  draft.value = { ...draft.value, far: exactText(gap, props.unit) }
  form.value?.focus()
}
defineExpose({ focus: () => form.value?.focus(), submit: () => form.value?.submit() })
</script>

<template>
  <section aria-label="Readings">
    <h2 class="label mb-1">
      {{ several ? `${point.label}, ` : 'Readings, ' }}{{ way.entry === 'word' ? way.title.toLowerCase() : unitName(unit) }}
    </h2>
    <p v-if="!locked && lacksGauge" class="text-[14px] text-near">
      There is no gauge for this yet: put one in the register under Gauges, then choose it in Set up.
    </p>
    <template v-else-if="!locked">
      <ReadingEntry
        v-if="way.entry !== 'word' && way.entry !== 'pieces'"
        ref="form"
        v-model:draft="draft"
        v-bind="entry"
        :form="way.entry"
        :ends="way.ends ?? ['from', 'to']"
        :warm="point.heat !== undefined && (way.entry === 'figure' || way.entry === 'pass')"
        :leaves="way.gauge === 'feeler-set' ? (gauge?.sizes ?? []) : null"
        @log="emit('log')"
        @answer="(text, value) => emit('answer', text, value)"
      />
      <WordEntry v-else ref="form" v-model:typed="draft.far" :words="point.words ?? []" @word="emit('word', $event)" />
    </template>
    <p v-if="!locked && zeroWords.length && !quiet" class="my-1 flex flex-wrap items-center gap-x-3 text-[13px] text-mute">
      {{ point.noneWord ? 'Nothing to measure?' : 'No movement?' }}
      <button v-for="word in zeroWords" :key="word.value" type="button" class="link min-h-9" @click="emit('word', word.value)">
        {{ word.label }}
      </button>
      <span>· or type it</span>
    </p>
    <StripScale
      v-if="!locked && point.way === 'plastic-strip' && gauge"
      :gauge="gauge"
      :figure="draft.far.trim() && far.ok ? far.value : null"
      :unit="unit"
      @pick="pickGap"
    />
    <p
      v-for="warning in locked || quiet ? [] : warnings"
      :key="warning.words"
      class="my-1 flex flex-wrap items-baseline gap-x-2 text-[13px] text-near"
      data-test="gauge-warning"
    >
      {{ warning.words
      }}<button v-if="warning.zero" type="button" class="link" @click="emit('zeroed')">
        {{ gauge && hasStandard(gauge.kind) ? 'tried now' : 'zeroed now' }}
      </button>
    </p>
    <p
      v-for="finding in general"
      :key="finding.words"
      class="my-1 text-[13.5px]"
      :class="finding.level === 'fail' ? 'text-out' : finding.level === 'warn' ? 'text-near' : 'text-mute'"
      data-test="finding"
    >
      {{ finding.level === 'fail' ? '▪ ' : '' }}{{ finding.words }}
    </p>
    <p v-if="oneMore" class="my-1 text-[13.5px] text-mute">{{ oneMore }}</p>
    <SeriesTable
      v-if="readings.length"
      :readings="readings"
      :findings="findings"
      :unit="unit"
      :entry="way.entry"
      :ends="way.ends ?? ['from', 'to']"
      :locked="locked"
      :newest-first="way.again === 'another'"
      :words="[...(point.words ?? []), ...zeroWords]"
      :stale="stale"
      :least="decimals"
      @void="emit('void', $event)"
    />
    <p v-else class="py-2 text-[13.5px] text-mute">
      {{ way.hint
      }}<template v-if="gauge?.rangePerTurn != null && way.entry === 'travel'">
        With the turn counter: 2:37 is two turns and 37; note it at zero too.</template
      >
    </p>
  </section>
</template>
