<script setup lang="ts">
import type { PointReading } from '#core/check/document'
import type { Finding } from '#core/reading/gates'
import { isFigure, isPieces, isRange, isRepeat, isWord, type Entry } from '#core/reading/reading'
import { closingError } from '#core/reading/repeat'
import { formatFigure, readDecimals, type Unit } from '#core/quantity/figure'

/** The series so far at one point: what was read, what is said of each, and the way to strike one out. */
const props = defineProps<{
  readings: readonly PointReading[]
  findings: readonly Finding[]
  /** readings that no longer hold: a part was replaced since */
  stale: ReadonlySet<string>
  unit: Unit
  entry: Entry
  /** what the two figures of a range are called */
  ends: readonly [string, string]
  locked: boolean
  /** pieces and passes: the last one is what the eye looks for */
  newestFirst: boolean
  /** decimals it has at least */
  least: number
  words: readonly { value: string; label: string }[]
  /** the next one is written in the row below them */
  writes: boolean
}>()
defineEmits<{ void: [PointReading] }>()
/** What a second figure like the first means: one stack went snugly, the start was not noted. */
const SAME: Readonly<Record<string, string>> = { goes: 'snug', turning: '–' }
const HEADS: Readonly<Record<Entry, readonly string[]>> = {
  travel: ['start', 'far', 'back'],
  figure: ['figure'],
  pass: ['figure', 'stone'],
  pieces: ['pieces'],
  range: [],
  word: ['found'],
}
const decimals = computed(() =>
  Math.max(
    props.least,
    readDecimals(
      props.readings.flatMap(reading =>
        isFigure(reading)
          ? [reading.figure]
          : isRange(reading)
            ? [reading.low, reading.high]
            : isRepeat(reading)
              ? [reading.start, reading.far, reading.back]
              : [],
      ),
      props.unit,
    ),
  ),
)
const show = (value: number) => formatFigure(value, props.unit, { decimals: decimals.value })
const rows = computed(() => {
  const numbered = props.readings.map((reading, i) => ({ reading, number: i + 1 }))
  return props.newestFirst ? numbered.reverse() : numbered
})
const box = useTemplateRef<HTMLElement>('box')
// The row that is written in stays in sight.
watch(
  () => props.readings.length,
  () => void nextTick(() => box.value?.scrollTo({ top: props.newestFirst ? 0 : box.value.scrollHeight })),
  { immediate: true },
)
const says = (reading: PointReading) => props.findings.filter(f => f.repeatId === reading.id)
const shortWord = (finding: Finding, reading: PointReading) =>
  (
    {
      'closing': isRepeat(reading) ? `${show(closingError(reading))} off zero` : 'not back to zero',
      'spring-back': 'sprang back',
      'outlier': 'stands apart',
      'size': 'out of range',
      'heat': 'warm',
      'hot': 'read hot',
    } as Record<string, string>
  )[finding.gate] ?? finding.gate

/** The start is shown where any was not zero: the table says what was typed. */
const starts = computed(() => props.readings.some(reading => isRepeat(reading) && reading.start !== 0))
const heads = computed(() => (props.entry === 'range' ? props.ends : HEADS[props.entry].filter(head => head !== 'start' || starts.value)))
const struck = (reading: PointReading) => reading.voided !== undefined || props.stale.has(reading.id)

function cells(reading: PointReading): string[] {
  if (isRepeat(reading)) return [...(starts.value ? [show(reading.start)] : []), show(reading.far), show(reading.back)]
  if (isFigure(reading)) return [show(reading.figure), ...(props.entry === 'pass' ? [reading.stone ?? '–'] : [])]
  if (isPieces(reading)) return [String(reading.pieces.length)]
  if (isRange(reading))
    return [show(reading.low), reading.high !== reading.low ? show(reading.high) : (SAME[props.ends[0]] ?? show(reading.high))]
  return [isWord(reading) ? (props.words.find(word => word.value === reading.word)?.label ?? reading.word) : '']
}
</script>

<template>
  <div
    ref="box"
    class="relative max-h-[23rem] overflow-y-auto"
    :tabindex="readings.length > 8 ? 0 : undefined"
    :aria-label="readings.length > 8 ? 'Series' : undefined"
    :role="readings.length > 8 ? 'region' : undefined"
  >
    <table class="tight" data-test="series">
      <thead>
        <tr>
          <th>
            <span class="sr-only">Number</span>
          </th>
          <th v-for="head in heads" :key="head" class="text-right">{{ head }}</th>
          <th class="font-normal">{{ entry === 'travel' ? 'zero' : 'note' }}</th>
          <th>
            <span class="sr-only">Void</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-if="writes && newestFirst" :key="`next-${readings.length}`" data-writes>
          <td class="figure w-8 !py-0.5 font-bold">{{ readings.length + 1 }}</td>
          <td :colspan="heads.length" class="!py-0.5 !pl-0"><slot /></td>
          <td class="!py-0.5 text-[13px] text-mute" colspan="2"><slot name="beside" /></td>
        </tr>
        <tr v-for="{ reading, number } in rows" :key="reading.id" :class="struck(reading) ? 'text-mute' : ''">
          <td class="figure w-8 text-mute" :class="{ 'line-through': struck(reading) }">{{ number }}</td>
          <td
            v-for="(cell, at) in cells(reading)"
            :key="at"
            :colspan="isWord(reading) ? heads.length : 1"
            class="figure text-right"
            :class="{ 'line-through': struck(reading) }"
          >
            {{ cell }}
          </td>
          <td class="text-[13px]">
            <span v-if="reading.voided" class="text-out">void: {{ reading.voided.reason }}</span>
            <span v-else-if="stale.has(reading.id)">before the change</span>
            <span
              v-else-if="isFigure(reading) && reading.celsius !== undefined && says(reading).every(f => f.gate === 'heat')"
              class="text-mute"
              >{{ says(reading)[0]?.words ?? `${reading.celsius} °C` }}</span
            >
            <span
              v-else-if="says(reading).length"
              :class="says(reading).some(f => f.level === 'fail') ? 'text-out' : 'text-near'"
              :title="
                says(reading)
                  .map(f => f.words)
                  .join(' ')
              "
              >{{
                says(reading)
                  .map(finding => shortWord(finding, reading))
                  .join(', ')
              }}</span
            >
            <span v-else-if="entry === 'travel' && !isWord(reading)" class="text-in">holds zero</span>
          </td>
          <td class="text-right">
            <button
              v-if="!reading.voided && !locked"
              type="button"
              class="link text-[13px] text-mute"
              :aria-label="`Void reading ${number}`"
              @click="$emit('void', reading)"
            >
              void
            </button>
          </td>
        </tr>
        <tr v-if="writes && !newestFirst" :key="`next-${readings.length}`" data-writes>
          <td class="figure w-8 !py-0.5 font-bold">{{ readings.length + 1 }}</td>
          <td :colspan="heads.length" class="!py-0.5 !pl-0"><slot /></td>
          <td class="!py-0.5 text-[13px] text-mute" colspan="2"><slot name="beside" /></td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
