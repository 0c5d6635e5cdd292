import { useSessionStorage } from '@vueuse/core'
import { computed, shallowRef, watch, type Ref } from 'vue'
import type { CheckDocument, PointReading } from '#core/check/document'
import { gaugeOf, needOf, unitAt } from '#core/check/evaluate/gauge-needs'
import { zeroWordsAt } from '#core/check/evaluate/none-said'
import { plausibleAt } from '#core/check/evaluate/plausible'
import { checkKind } from '#core/check/registry'
import type { MeasuringPoint } from '#core/check/contract'
import { ways } from '#core/method/ways'
import { torqueUnitBeside } from '#core/method/zero-words'
import type { Unit } from '#core/quantity/figure'
import { unitOfGauge } from '#core/quantity/format-length'
import type { Gauge } from '#core/reading/gauge'
import { cellAt, isWanted, sheetOf } from '#core/sheet/cells'
import { dueCell, fieldAt, moved, type Move } from '#core/sheet/field'
import { useDraft, type Draft, type DraftForm } from './useDraft'

/**
 * Which point is being read, the readings it has, and the one being typed. Where the field stands is decided by the sheet’s own machine; here it
 * is only told what happens.
 */
export function useTaking(checkId: string, document: Ref<CheckDocument>) {
  const left = useSessionStorage<string>(`finitum.point.${checkId}`, '')
  const turned = useSessionStorage<boolean>(`finitum.turned.${checkId}`, false)
  const sheet = computed(() => sheetOf(document.value, turned.value))
  const field = shallowRef(fieldAt(sheet.value, left.value))
  function move(what: Move): void {
    field.value = moved(field.value, what, sheet.value)
    left.value = field.value.at
  }
  watch(sheet, () => move({ kind: 'changed' }), { flush: 'sync' })

  const points = computed(() => sheet.value.cells.map(cell => cell.point))
  const cell = computed(() => cellAt(sheet.value, field.value.at) ?? dueCell(sheet.value))
  const point = computed<MeasuringPoint>(() => cell.value.point)
  const cellOf = (of: MeasuringPoint) => cellAt(sheet.value, of.id)
  const readingsOf = (of: MeasuringPoint): readonly PointReading[] => cellOf(of)?.readings ?? []
  const open = (of: MeasuringPoint) => cellOf(of)?.open ?? false
  /** Why it is not read in this fitting; null: it is asked for. */
  const leftOut = (of: MeasuringPoint) => cellOf(of)?.leftOut ?? null
  /** The first required point that is open; null once all are read, or left out. */
  const next = computed(() => sheet.value.cells.find(isWanted)?.point ?? null)
  const pointed = computed(() => field.value.pointed)
  /** id of the point the eye is with */
  const seen = computed(() => (cellAt(sheet.value, field.value.seen) ? field.value.seen : point.value.id))

  const gaugeAt = (of: MeasuringPoint): Gauge | null => gaugeOf(document.value, of)
  /** A bare figure is what the gauge in hand is read in; without a gauge, the check’s unit. */
  const unitOf = (of: MeasuringPoint): Unit => {
    const read = unitAt(document.value, of)
    // A micrometer that reads thou reads a shim in thou, and a journal in inches.
    return ways[of.way].scale === 'size' && !(of.small && read === 'thou') ? unitOfGauge(read, 'size') : read
  }
  const way = computed(() => ways[point.value.way])
  const gauge = computed(() => gaugeAt(point.value))
  const unit = computed(() => unitOf(point.value))
  /** What the point in hand is read with, and the check has none of; null: it has, or needs none. */
  const lacks = computed(() => (gauge.value ? null : needOf(point.value)))
  const backwards = computed(() => {
    const [low, high] = way.value.ends ?? ['first', 'second']
    return low === 'goes' ? 'What does not go must be thicker than what goes.' : `“${high}” is below “${low}”.`
  })
  const form = computed<DraftForm>(() => ({
    point: point.value.id,
    entry: way.value.entry,
    unit: unit.value,
    asks: plausibleAt(document.value, checkKind(document.value.kind), point.value),
    perTurn: gauge.value?.rangePerTurn ?? null,
    warm: point.value.heat !== undefined,
    backwards: backwards.value,
    canBeNone: zeroWords.value.length > 0,
    torqueUnit: torqueUnitBeside(document.value.entryUnit),
  }))
  /** Readings of the point in hand that no longer hold: what they rest on was replaced since. */
  const staleReadings = computed<ReadonlySet<string>>(() => {
    const { readings, live } = cell.value
    return new Set(readings.flatMap(reading => (reading.voided || live.includes(reading) ? [] : [reading.id])))
  })
  /** A movement between stops can be said to be none; so can a gap. */
  const zeroWords = computed(() => zeroWordsAt(checkKind(document.value.kind).results(document.value.setup), point.value))
  const { draft, ...typing } = useDraft(checkId, form)
  const isBlank = ({ start, far, back }: Draft) => [start, far, back].every(text => text.trim() === '')
  watch(
    () => isBlank(draft.value),
    blank => move({ kind: 'typed', blank }),
    { immediate: true, flush: 'sync' },
  )
  const pick = (id: string) => move({ kind: 'chosen', point: id, blank: typing.waiting(id) === '' })
  const turnRound = () => {
    turned.value = !turned.value
  }
  return {
    points,
    point,
    next,
    pointed,
    seen,
    staleReadings,
    zeroWords,
    way,
    gauge,
    lacks,
    unit,
    unitOf,
    turned,
    move,
    pick,
    turnRound,
    open,
    leftOut,
    readingsOf,
    draft,
    ...typing,
  }
}
