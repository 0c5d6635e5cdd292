<script setup lang="ts">
import type { PointReading } from '#core/check/document'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { ways } from '#core/method/ways'
import { zeroAnswer } from '#core/method/zero-words'
import { besideUnit } from '#core/quantity/format-length'
import { unitName, type Exact, type FigureEntry } from '#core/quantity/figure'
import type { LengthUnit } from '#core/quantity/length'
import type { Finding } from '#core/reading/gates'
import { takes } from '#core/sheet/keys'
import { gaugeWarnings, hasStandard } from '#core/reading/gauge'
import { isWord } from '#core/reading/reading'
import { usePointCells } from '~/composables/bench/usePointCells'
import type { useTaking } from '~/composables/bench/useTaking'
import type { ReadsAs } from '~/composables/keys/readsAs'
import { exactText } from '~/composables/words/sizeText'
import { today } from '~/composables/words/today'
import { entryFields } from './entry-fields'
import { useEntry } from './useEntry'
import { useWordEntry } from './useWordEntry'

/**
 * The sheet: every point of the check, or the repeats of its only one, and the cell in hand is the field. What is said of that cell, and what goes
 * with its figure, stands below it.
 */
const props = defineProps<{
  taking: ReturnType<typeof useTaking>
  results: readonly ResultEvaluation[]
  readings: readonly PointReading[]
  findings: readonly Finding[]
  /** the check’s unit, shown beside that of the gauge */
  checkUnit: LengthUnit
  locked: boolean
  oneMore: string | null
  /** a pack is being chosen: only what is typed, and what was read */
  quiet: boolean
  /** the point in hand can be left out */
  canLeave: boolean
}>()
const emit = defineEmits<{ log: []; zeroed: []; void: [PointReading]; word: [string]; pick: [string]; leave: []; ask: [] }>()
const { points, point, way, gauge, unit, turned, draft, start, far, back, heatFault, answer, zeroWords } = props.taking
const several = computed(() => points.value.filter(({ way: of }) => ways[of].entry !== 'pieces').length > 1)
const { cells, decimalsAt } = usePointCells(
  points,
  props.taking.readingsOf,
  computed(() => props.results),
  props.taking.unitOf,
  props.taking.leftOut,
  props.taking.waiting,
)
const leftOut = computed(() => props.taking.leftOut(point.value))
const form = computed(() => way.value.entry)
const figures = computed(() => form.value !== 'word' && form.value !== 'pieces')
const writes = computed(() => !props.locked && props.taking.lacks.value === null && form.value !== 'pieces')
const leaves = computed(() => (way.value.gauge === 'feeler-set' ? (gauge.value?.sizes ?? []) : null))
const fields = computed(() => {
  const asked = entryFields(form.value, unit.value, way.value.ends ?? ['from', 'to'], leaves.value !== null)
  // What stands there already is seen through the empty field.
  const stored = several.value && asked.second === null ? cells.value.find(one => one.point.id === point.value.id)?.figure : null
  return stored ? { ...asked, first: { ...asked.first, placeholder: stored } } : asked
})
/** What was said here last. */
const saidHere = computed(() => {
  const last = props.readings.findLast(reading => !reading.voided && !props.taking.staleReadings.value.has(reading.id))
  return last && isWord(last) ? last.word : null
})
const warm = computed(() => point.value.heat !== undefined && (form.value === 'figure' || form.value === 'pass'))

const cell = useTemplateRef<{ first: HTMLInputElement | null; second: HTMLInputElement | null }>('cell')
const aside = useTemplateRef<{ warmth: HTMLInputElement | null }>('aside')
const choiceList = useTemplateRef<HTMLElement>('choiceList')
const isNone = computed(() => zeroWords.value.length > 0 && 'word' in (zeroAnswer(draft.value.far) ?? {}))
const {
  asking,
  reason,
  beside,
  focus,
  firstEntered,
  submit: log,
  answered,
  answerByKey,
  afterDigit,
} = useEntry({
  fields: {
    first: computed(() => cell.value?.first ?? null),
    second: computed(() => cell.value?.second ?? aside.value?.warmth ?? null),
    choiceList,
  },
  state: computed(() => ({
    unit: unit.value,
    other: besideUnit(unit.value, props.checkUnit, way.value.scale),
    start: start.value,
    far: far.value,
    back: back.value,
    heatFault: heatFault.value,
    word: isNone.value,
  })),
  draft,
  missing: () => fields.value.missing,
  log: () => emit('log'),
  answer,
})
const asEntry = (entry: FigureEntry): ReadsAs => (entry.ok ? 'entry' : entry.choices ? 'asked' : 'nothing')
const reads = computed(() => ({ first: isNone.value ? ('entry' as const) : asEntry(far.value), second: asEntry(back.value) }))

const words = computed(() => (form.value === 'word' ? (point.value.words ?? []) : []))
const typedWord = computed({
  get: () => draft.value.far,
  set: far_ => {
    draft.value = { ...draft.value, far: far_ }
  },
})
/** What a key means in the cell in hand. */
const writesHere = (text: string, key: string) =>
  takes({ unit: figures.value ? unit.value : null, words: [...words.value, ...zeroWords.value] }, text, key)
const inWords = useWordEntry(words, typedWord)
const inHand = computed(() => ({
  figures: figures.value,
  fields: fields.value,
  beside: beside.value,
  reads: reads.value,
  said: words.value.find(({ value }) => value === saidHere.value)?.label ?? null,
  meant: inWords.meant.value !== null,
  invalid: (figures.value ? reason.value : inWords.fault.value) !== null,
  takes: writesHere,
}))
function submit(): void {
  if (figures.value) return log()
  inWords.tried.value = true
  if (inWords.meant.value) return emit('word', inWords.meant.value.value)
  // What is refused is selected, so that the next word takes its place.
  cell.value?.first?.focus()
  cell.value?.first?.select()
}
/** The gap of a mark goes into the cell; Enter logs it. */
function pickGap(gap: Exact): void {
  draft.value = { ...draft.value, far: exactText(gap, unit.value) }
  focus()
}

// Whatever moves the cell in hand takes the cursor along, if it was in the one before.
const box = useTemplateRef<HTMLElement>('box')
watch(
  () => point.value.id,
  () => {
    if (box.value?.querySelector('.cell')?.contains(document.activeElement)) focus()
  },
  { flush: 'pre' },
)
const general = computed(() => props.findings.filter(f => !f.repeatId || f.repeatId === 'draft'))
const warnings = computed(() => (gauge.value && !props.locked && !props.quiet ? gaugeWarnings(gauge.value, today()) : []))
/** Repeats are seen where there are any; a single figure stands in its cell. */
const shown = computed(
  () =>
    props.readings.length > 0 &&
    (!several.value || way.value.again !== 'next' || form.value === 'range' || props.readings.length > 1 || says.value),
)
const says = computed(() => props.readings.some(({ id, voided }) => voided || props.findings.some(({ repeatId }) => repeatId === id)))
defineExpose({ focus, submit })
</script>

<template>
  <section ref="box" aria-label="Readings" class="@container" @keydown.capture="afterDigit">
    <div class="mb-1 flex flex-wrap items-baseline gap-x-4">
      <h2 class="label">
        {{ several ? `${point.label}, ` : 'Readings, ' }}{{ form === 'word' ? way.title.toLowerCase() : unitName(unit) }}
      </h2>
      <span v-if="several" class="ml-auto flex items-baseline gap-x-4 text-[13px] text-mute">
        <span class="hidden @2xl:inline"><kbd>Tab</kbd> next · <kbd>↑ ↓ ← →</kbd> any point</span>
        <button type="button" class="link" :aria-pressed="turned" @click="taking.turnRound">the other way round</button>
      </span>
    </div>

    <SheetGrid v-if="several" :picked="point.id" :cells="cells" :writes="writes" @pick="$emit('pick', $event)">
      <CellInHand ref="cell" v-model:draft="draft" v-model:typed="typedWord" v-bind="inHand" @first="firstEntered" @last="submit" />
    </SheetGrid>
    <SeriesTable
      v-if="several ? shown : shown || writes"
      :class="several ? 'mt-3' : ''"
      :readings="readings"
      :findings="findings"
      :unit="unit"
      :entry="form"
      :ends="way.ends ?? ['from', 'to']"
      :locked="locked"
      :newest-first="way.again === 'another'"
      :words="[...(point.words ?? []), ...zeroWords]"
      :stale="taking.staleReadings.value"
      :least="decimalsAt(point)"
      :writes="!several && writes"
      @void="emit('void', $event)"
    >
      <CellInHand ref="cell" v-model:draft="draft" v-model:typed="typedWord" v-bind="inHand" @first="firstEntered" @last="submit" />
    </SeriesTable>

    <template v-if="writes">
      <div
        ref="choiceList"
        role="group"
        aria-label="What is meant"
        tabindex="-1"
        class="focus-visible:outline-none"
        @keydown.capture="answerByKey"
      >
        <EntryNote :reason="figures ? reason : inWords.fault.value" :choices="(figures && asking?.choices) || []" @answer="answered" />
      </div>
      <div v-if="words.length" class="mt-2 flex flex-wrap gap-2">
        <button
          v-for="word in words"
          :key="word.value"
          type="button"
          class="button min-h-10"
          :class="saidHere === word.value ? '!border-ink !bg-sheet' : ''"
          :aria-pressed="saidHere === word.value"
          @click="emit('word', word.value)"
        >
          {{ word.label }}
        </button>
      </div>
      <EntryAside
        v-if="figures"
        ref="aside"
        v-model:draft="draft"
        :form="form"
        :unit="unit"
        :far="far"
        :start="start"
        :heat-fault="heatFault"
        :warm="warm"
        :leaves="leaves"
        @submit="submit"
      />
      <p v-if="zeroWords.length && !quiet" class="flex flex-wrap items-center gap-x-3 text-[13px] text-mute">
        {{ point.noneWord ? 'Nothing to measure?' : 'No movement?' }}
        <button v-for="word in zeroWords" :key="word.value" type="button" class="link min-h-9" @click="emit('word', word.value)">
          {{ word.label }}
        </button>
        <span>· or type it</span>
      </p>
      <LazyStripScale
        v-if="point.way === 'plastic-strip' && gauge"
        :gauge="gauge"
        :figure="draft.far.trim() && far.ok ? far.value : null"
        :unit="unit"
        @pick="pickGap"
      />
    </template>
    <p
      v-for="warning in warnings"
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
    <p v-if="oneMore && !several" class="my-1 text-[13.5px] text-mute">{{ oneMore }}</p>
    <p v-if="readings.length === 0" class="py-1 text-[13.5px] text-mute">
      {{ way.hint
      }}<template v-if="gauge?.rangePerTurn != null && form === 'travel'">
        With the turn counter: 2:37 is two turns and 37; note it at zero too.</template
      >
    </p>
    <p v-if="several && leftOut !== null && taking.open(point)" class="mb-1 text-[13.5px] text-near" data-test="left-out">
      {{ point.label }}: left out, {{ leftOut }}.
      <button v-if="!locked" type="button" class="link min-h-9" @click="$emit('ask')">Ask for it again</button>
    </p>
    <button v-else-if="several && canLeave" type="button" class="link mb-1 min-h-9 text-[13.5px]" @click="$emit('leave')">
      leave this point out
    </button>
  </section>
</template>
