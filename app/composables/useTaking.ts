import { useSessionStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import type { CheckDocument, PointReading } from '#core/check/document'
import { evaluateCheck } from '#core/check/evaluate-check'
import { freshReadings, readingsAt } from '#core/check/evaluate-fitting'
import { checkKind } from '#core/check/registry'
import type { MeasuringPoint } from '#core/check/contract'
import { ways } from '#core/method/ways'
import { unitFor } from '#core/quantity/format-length'
import { nm, type Nm } from '#core/quantity/length'
import { unvoided } from '#core/reading/reading'
import { usePreferences } from '~/stores/preferences'
import { useDraft, type DraftForm } from './useDraft'

/** No diameter on a bench is larger: a metre. */
const LARGEST_SIZE = nm(1_000_000_000)
const NO_FORM: DraftForm = { point: '', entry: 'travel', unit: 'thou', plausible: 0 as Nm, perTurn: null, warm: false, canBeNone: false }

/** Which point is being read, the readings it has, and the one being typed. */
export function useTaking(checkId: string, document: Ref<CheckDocument | null>) {
  const preferences = usePreferences()
  const chosen = useSessionStorage<string>(`finitum.point.${checkId}`, '')
  const points = computed(() => (document.value ? checkKind(document.value.kind).points(document.value.setup) : []))
  const index = computed(() => (document.value?.trials.length ?? 1) - 1)
  const readingsOf = (point: MeasuringPoint): PointReading[] =>
    document.value ? readingsAt(document.value.trials, point, index.value) : []
  /** Still to be read: nothing there, or only what went stale. */
  const open = (point: MeasuringPoint) => {
    const { readings, stale } = freshReadings(document.value!, point, readingsOf(point))
    return stale !== null || unvoided(readings).length === 0
  }
  /** The first required point that is open; null once all are read. */
  const next = computed(() => points.value.find(point => !point.optional && open(point)) ?? null)
  const lastRead = () => points.value.findLast(point => !point.optional && readingsOf(point).length > 0)
  const picked = computed(() => points.value.find(candidate => candidate.id === chosen.value) ?? null)
  /** Where the kind’s own order of work wants the next reading. */
  const due = computed(() => {
    if (!document.value || !checkKind(document.value.kind).next) return null
    const wanted = evaluateCheck(document.value, []).next?.point
    return points.value.find(candidate => candidate.id === wanted) ?? null
  })
  const point = computed<MeasuringPoint>(() => picked.value ?? due.value ?? next.value ?? lastRead() ?? points.value[0]!)
  const way = computed(() => ways[point.value.way])
  const gauge = computed(() => (way.value.gauge === null ? null : (document.value?.gauges[way.value.gauge] ?? null)))
  const unit = computed(() => unitFor(preferences.system, way.value.scale))
  const form = computed<DraftForm>(() =>
    points.value.length === 0
      ? NO_FORM
      : {
          point: point.value.id,
          entry: way.value.entry,
          unit: unit.value,
          plausible: way.value.scale === 'size' ? LARGEST_SIZE : checkKind(document.value!.kind).plausible,
          perTurn: gauge.value?.rangePerTurn ?? null,
          warm: point.value.heat !== undefined,
          canBeNone: canBeNone.value,
        },
  )
  /** Readings of the point in hand that no longer hold: what they rest on was replaced since. */
  const staleReadings = computed<ReadonlySet<string>>(() => {
    if (!document.value || points.value.length === 0) return new Set()
    const all = readingsOf(point.value)
    const { readings, stale } = freshReadings(document.value, point.value, all)
    return new Set((stale ? all : all.filter(reading => !readings.includes(reading))).map(({ id }) => id))
  })
  /** A movement between stops can be said to be none. */
  const canBeNone = computed(
    () =>
      document.value !== null &&
      points.value.length > 0 &&
      checkKind(document.value.kind)
        .results(document.value.setup)
        .some(({ id, floored }) => floored && id === point.value.result),
  )
  const pick = (id: string) => {
    chosen.value = id
  }
  /** After a reading: a movement is repeated where it is, pieces and passes follow one another, anything else goes on to the next point that lacks one. */
  function advance(read: MeasuringPoint): void {
    if (ways[read.way].again !== 'next') return
    const at = points.value.indexOf(read)
    const after = [...points.value.slice(at + 1), ...points.value.slice(0, at)].find(candidate => !candidate.optional && open(candidate))
    if (after) chosen.value = after.id
  }
  return { points, point, next, picked, staleReadings, canBeNone, way, gauge, unit, pick, advance, readingsOf, ...useDraft(checkId, form) }
}
