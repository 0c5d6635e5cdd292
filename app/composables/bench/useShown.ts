import { chosenFor } from '#core/check/pack-place'
import { computed, ref, type Ref } from 'vue'
import type { CheckDocument, PointReading } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { placeMoving } from '#core/check/sentence/look'
import type { Phase } from '#core/method/step'
import { isRepeat, unvoided } from '#core/reading/reading'
import { signedPlay } from '#core/reading/repeat'
import type { useTaking } from './useTaking'

interface Bench {
  readonly document: Ref<CheckDocument>
  readonly evaluation: Ref<CheckEvaluation>
  readonly phase: Ref<Phase>
  readonly taking: ReturnType<typeof useTaking>
  /** the reading being typed, where it counts */
  readonly typed: Ref<PointReading | null>
}

/** Which result the bench looks at, the place that moves it, and what is said and drawn of it. */
export function useShown({ document, evaluation, phase, taking, typed }: Bench) {
  const results = computed(() => evaluation.value.current.results)
  const several = computed(() => results.value.length > 1)
  /** by hand; empty: as the work goes */
  const picked = ref('')

  /** The result picked, else the one the point in hand belongs to, else the one that decides. */
  const shown = computed(() => {
    const measuring = phase.value === 'measure' && (taking.next.value || taking.pointed.value)
    const proving = phase.value === 'prove' && taking.next.value
    const id = (of: string | undefined) => results.value.find(result => result.id === of)
    return (
      id(picked.value) ??
      // Once all is read and nobody points elsewhere, the eye should meet what decides.
      (measuring || proving ? results.value.find(({ kind, points }) => kind.main && points.includes(taking.seen.value)) : undefined) ??
      // What this fitting was to move; what is being worked to size.
      (phase.value === 'prove'
        ? results.value.find(result => document.value.trials.at(-1)!.predicted[result.id] !== undefined)
        : undefined) ??
      (phase.value === 'choose' ? id(evaluation.value.next?.standing?.result) : undefined) ??
      evaluation.value.headline
    )
  })

  /** A place beside the first that moves the same result, by hand. */
  const pickedPlace = ref('')
  /** The place that moves the result looked at, or another result at its position. */
  const place = computed(() => {
    const { places } = evaluation.value
    const byHand = places.find(({ place }) => place.id === pickedPlace.value && chosenFor(place).result === shown.value.id)
    return byHand ?? placeMoving(evaluation.value, shown.value)
  })

  /** Main results at several positions, drawn side by side; in Choose they take the place of the readings. */
  const row = computed(() => {
    const main = results.value.filter(({ kind, position }) => kind.main && !kind.judgedBy && position !== null)
    return main.filter(({ kind }) => kind.id === main[0]!.kind.id)
  })

  const readings = computed(() => taking.readingsOf(taking.point.value))
  /** What is said of the series being taken: that of its point, with what its result adds; each thing once. */
  const findings = computed(() => {
    const all = results.value.filter(({ points }) => points.includes(taking.point.value.id)).flatMap(result => result.findings)
    if (!several.value) return all
    // What is wrong with a set of rollers is said where sets are taken.
    const own = (id: string | undefined) => !id || id === 'draft' || readings.value.some(reading => reading.id === id)
    return all.filter(
      ({ words, repeatId, gate }, i) =>
        gate !== 'set' && all.findIndex(other => other.words === words && other.repeatId === repeatId) === i && own(repeatId),
    )
  })

  /** Ticks on the band: the readings of a result that is read at one point. */
  const plays = computed(() => {
    const [only, ...others] = shown.value.points
    const point = others.length === 0 ? taking.points.value.find(({ id }) => id === only) : undefined
    if (!point) return []
    const all = [...taking.readingsOf(point), ...(typed.value?.point === point.id ? [typed.value] : [])]
    return unvoided(all).flatMap(one => (isRepeat(one) ? [Math.abs(signedPlay(one))] : []))
  })

  return { several, picked, shown, place, pickedPlace, row, readings, findings, plays }
}
