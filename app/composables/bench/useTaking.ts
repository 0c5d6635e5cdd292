import { useSessionStorage } from '@vueuse/core'
import { computed, ref, watch, type Ref } from 'vue'
import type { CheckDocument, PointReading } from '#core/check/document'
import { askedAgain, nextStepOf } from '#core/check/evaluate/evaluate-check'
import { leftOutOf } from '#core/check/said'
import { freshReadings, readingsAt } from '#core/check/evaluate/point-readings'
import { gaugeOf, unitAt } from '#core/check/evaluate/gauge-needs'
import { zeroWordsAt } from '#core/check/evaluate/none-said'
import { plausibleAt } from '#core/check/evaluate/plausible'
import { turnedRound } from '#core/check/evaluate/point-order'
import { checkKind } from '#core/check/registry'
import type { MeasuringPoint } from '#core/check/contract'
import { ways } from '#core/method/ways'
import { torqueUnitBeside } from '#core/method/zero-words'
import type { Unit } from '#core/quantity/figure'
import { unitOfGauge } from '#core/quantity/format-length'
import type { Gauge } from '#core/reading/gauge'
import { unvoided } from '#core/reading/reading'
import { useDraft, type DraftForm } from './useDraft'

/**
 * Which point is being read, the readings it has, and the one being typed. The field belongs to the point in hand: only the technician,
 * a completed figure, a fitting or a part change moves it on.
 */
export function useTaking(checkId: string, document: Ref<CheckDocument>) {
  const chosen = useSessionStorage<string>(`finitum.point.${checkId}`, '')
  const turned = useSessionStorage<boolean>(`finitum.turned.${checkId}`, false)
  const points = computed(() => {
    const inOrder = checkKind(document.value.kind).points(document.value.setup)
    return turned.value ? turnedRound(inOrder) : inOrder
  })
  const index = computed(() => document.value.trials.length - 1)
  const readingsOf = (point: MeasuringPoint): PointReading[] => readingsAt(document.value.trials, point, index.value)
  /** What a hand said before is set against the figure, and asked again. */
  const again = computed(() => askedAgain(document.value))
  /** Still to be read: nothing there, or only what went stale, or what is asked again. */
  const open = (point: MeasuringPoint) => {
    if (again.value.includes(point.id)) return true
    const { readings, stale } = freshReadings(document.value, checkKind(document.value.kind), point, index.value)
    return stale !== null || unvoided(readings).length === 0
  }
  const required = computed(() => points.value.filter(point => !point.optional || again.value.includes(point.id)))
  /** Why it is not read in this fitting; null: it is asked for. */
  const leftOut = (of: MeasuringPoint) => leftOutOf(document.value.trials, of, index.value)
  /** The first required point that is open; null once all are read, or left out. */
  const next = computed(() => required.value.find(of => open(of) && leftOut(of) === null) ?? null)
  const named = (id: string | null | undefined) => points.value.find(candidate => candidate.id === id) ?? null
  const picked = computed(() => named(chosen.value))
  /** Where the kind’s own order of work wants the next reading. */
  const due = () => named(again.value[0] ?? nextStepOf(document.value)?.point)
  const suggested = () => due() ?? next.value ?? required.value.findLast(point => readingsOf(point).length > 0) ?? points.value[0]!
  const point = computed<MeasuringPoint>(() => picked.value ?? suggested())
  /** Pointed at by hand: the eye stays with it. */
  const pointed = ref(false)
  const take = (id: string) => {
    chosen.value = id
    pointed.value = false
  }
  const pick = (id: string) => {
    chosen.value = id
    pointed.value = true
  }
  /** To where the work goes on. */
  const resume = () => take(suggested().id)
  // A point is in hand from the start, by its name: what is stored or recomputed does not move the field.
  watch(
    () => picked.value === null,
    lost => {
      if (lost) resume()
    },
    { immediate: true, flush: 'sync' },
  )
  // After a fitting or a part change the field goes to what has to be read anew.
  watch(() => `${document.value.trials.length}/${document.value.partChanges.length}/${document.value.reopened?.order ?? 0}`, resume, {
    flush: 'sync',
  })

  // Set up otherwise, other points come first: the field does not stay at one nobody chose and nothing was read at.
  watch(
    () =>
      points.value
        .map(({ id, optional }) => (optional ? `${id}?` : id))
        .sort()
        .join(),
    () => {
      if (picked.value && !pointed.value && open(picked.value)) resume()
    },
    { flush: 'sync' },
  )

  const gaugeAt = (of: MeasuringPoint): Gauge | null => gaugeOf(document.value, of)
  /** A bare figure is what the gauge in hand is read in; without a gauge, the check’s unit. */
  const unitOf = (of: MeasuringPoint): Unit => {
    const read = unitAt(document.value, of)
    return ways[of.way].scale === 'size' ? unitOfGauge(read, 'size') : read
  }
  const way = computed(() => ways[point.value.way])
  const gauge = computed(() => gaugeAt(point.value))
  const unit = computed(() => unitOf(point.value))
  const backwards = computed(() => {
    const [low, high] = way.value.ends ?? ['first', 'second']
    return low === 'goes' ? 'What does not go must be thicker than what goes.' : `The ${high} figure is below the ${low}.`
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
    const all = readingsOf(point.value)
    const { readings, stale } = freshReadings(document.value, checkKind(document.value.kind), point.value, index.value)
    return new Set((stale ? all : all.filter(reading => !readings.includes(reading))).map(({ id }) => id))
  })
  /** A movement between stops can be said to be none; so can a gap. */
  const zeroWords = computed(() => zeroWordsAt(checkKind(document.value.kind).results(document.value.setup), point.value))
  /**
   * After a reading: from end to end where the kind’s order of work wants the next; else a movement is repeated where it is, and anything else goes on to
   * the next point that lacks one; where one was read again, first through the rest of its part at its position; where one was read
   * that could have been left out, first through the others of its part, then to where the work goes on.
   * @param lacked  it had no reading before
   */
  function advance(read: MeasuringPoint, lacked: boolean, said = false): void {
    const wanted = due()
    if (wanted && (wanted.way === read.way || again.value.length > 0)) return take(wanted.id)
    // A log that may be left out ends where the order of work asks for nothing more of it: a bore at size.
    if (ways[read.way].again === 'another' && read.optional && next.value) return take((wanted ?? next.value).id)
    // A movement is repeated, but not once it was said to be none.
    if (ways[read.way].again !== 'next' && !said) return
    const at = points.value.indexOf(read)
    const after = [...points.value.slice(at + 1), ...points.value.slice(0, at)].filter(candidate => !candidate.optional)
    const beside = points.value.slice(at + 1).find(({ at: { part, position } }) => part === read.at.part && position === read.at.position)
    if (read.optional && lacked) {
      const part = points.value.filter(({ at: { part: of } }) => of === read.at.part)
      const from = part.indexOf(read)
      const other = [...part.slice(from + 1), ...part.slice(0, from)].find(open) ?? wanted
      if (other) return take(other.id)
    }
    // Reading again by hand goes on by hand.
    if (!lacked && beside && !beside.optional) return pick(beside.id)
    const to = after.find(of => open(of) && leftOut(of) === null)
    if (to) take(to.id)
  }
  const turnRound = () => {
    turned.value = !turned.value
  }
  return {
    points,
    point,
    next,
    pointed,
    staleReadings,
    zeroWords,
    way,
    gauge,
    unit,
    unitOf,
    turned,
    pick,
    resume,
    turnRound,
    open,
    leftOut,
    advance,
    readingsOf,
    ...useDraft(checkId, form),
  }
}
