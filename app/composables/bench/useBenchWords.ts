import { chosenFor } from '#core/check/contract'
import { computed, type Ref } from 'vue'
import { packAt, type CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { counts, resultName, type ResultEvaluation } from '#core/check/evaluate/evaluate-fitting'
import type { PlaceEvaluation } from '#core/check/evaluate/evaluate-place'
import type { Phase } from '#core/method/step'
import { changeWords } from '#core/pack/arithmetic'
import type { PackChoice } from '#core/choice/answer/chooser/choose'
import { sumInOneLine, type Proposal } from '#core/choice/answer/chooser/proposal'
import { lotMap, type Lot } from '#core/pack/lot'
import { unitOfResult } from '#core/check/common/results'
import { toldValue } from '#core/choice/question/told'
import { stateWords } from '#core/check/evaluate/said-conditions'
import { formatFigure, unitName } from '#core/quantity/figure'
import { lowerFirst } from '#core/quantity/first-letter'
import { coverageFactor } from '#core/reading/student'
import { usePreferences } from '~/stores/preferences'
import { percent } from '#core/quantity/percent'
import { moreReadingsInWords, proposalInWords, windowInWords } from './benchWords'
import { shortTime } from '../words/shortTime'

interface Bench {
  readonly document: Ref<CheckDocument>
  readonly evaluation: Ref<CheckEvaluation>
  /** the result looked at */
  readonly shown: Ref<ResultEvaluation>
  /** the place that moves it */
  readonly place: Ref<PlaceEvaluation | null>
  readonly choice: Ref<PackChoice | null>
  readonly proposal: Ref<Proposal | null>
  readonly lots: Ref<readonly Lot[]>
  readonly phase: Ref<Phase>
}

/** What the bench says: the answer in one sentence, its sum in one line, and what the band points at. */
export function useBenchWords({ document, evaluation, shown, place, choice, proposal, lots, phase }: Bench) {
  const preferences = usePreferences()
  const unit = computed(() => unitOfResult(shown.value.kind, preferences.system))
  const name = computed(() => unitName(unit.value))
  const show = (value: number) => formatFigure(value, unit.value)
  const index = computed(() => lotMap(lots.value))
  const current = computed(() => document.value.trials.at(-1)!)
  const fitted = computed(() => (place.value ? packAt(current.value, place.value.place) : null) ?? [])
  const change = computed(() => (proposal.value ? changeWords(fitted.value, proposal.value.pack, index.value, preferences.unit) : ''))
  /** Main results that are read, of how many. */
  const progress = computed(() => {
    const main = evaluation.value.current.results.filter(counts)
    return { done: main.filter(result => result.estimate !== null || result.overrule !== null).length, all: main.length }
  })
  const at = computed(() => (progress.value.all > 1 ? `${resultName(shown.value)}: ` : ''))

  /** Is it the result that the pieces of the place are chosen for? */
  const effect = computed(() => (place.value ? chosenFor(place.value.place) : null))
  const moved = computed(() => effect.value !== null && [effect.value.result, effect.value.widest].includes(shown.value.id))

  /** How much more the most at a position is than its least: a pack moves both alike. */
  const spread = computed(() => {
    const result = place.value?.result
    const most = effect.value?.widest
    const widest = evaluation.value.current.results.find(({ id }) => most !== undefined && id === most)
    return result?.estimate && widest?.estimate ? Math.max(0, widest.estimate.value - result.estimate.value) : 0
  })
  /** What the proposal leaves of the result looked at; null: that cannot be told yet, the first pack is chosen by the gap it fills, or it moves something else. */
  const leaves = computed(() => {
    const told = place.value?.request?.question.told
    if (!proposal.value || told?.by === 'direction' || (place.value?.learned && !told)) return null
    const other = proposal.value.also.find(({ id }) => id === shown.value.id)
    if (other) return { value: other.play, U: coverageFactor(other.nu) * other.u }
    if (!moved.value) return null
    const { play, U } = proposal.value.predicted
    return {
      value: toldValue(play, told) + (shown.value.id === effect.value?.widest ? spread.value : 0),
      U: toldValue(U, told),
    }
  })

  /** Nothing needs changing while it is measured: the pack in hand is no answer yet. */
  const settled = computed(() => phase.value === 'measure' && (shown.value.state === 'in' || shown.value.state === 'provisional'))

  /** The first of a catalogue that is here, and how sure it is. */
  const offer = computed(() => {
    const catalogue = evaluation.value.catalogues.find(({ place: id }) => id === place.value?.place.id)
    const best = catalogue?.entries.find(({ here }) => here)
    if (!best) return catalogue?.note ?? null
    const sure = best.chance === null ? '' : best.chance >= 0.95 ? ': in limits' : `: ${percent(best.chance)} in limits`
    return `${at.value}${best.words}${sure}.`
  })

  const sentence = computed(() => {
    if (document.value.signOff) return `Signed off by ${document.value.signOff.by}, ${shortTime(document.value.signOff.at)}.`
    const e = evaluation.value
    const result = shown.value
    const fine = result.state === 'in' || result.state === 'provisional'
    if (result.stale) return `${at.value}stale: ${result.stale}. Measure again.`
    const offered = (result.overrule !== null || e.next !== null) && phase.value === 'choose' && place.value?.learned && proposal.value
    if (result.overrule) return `${at.value}${result.overrule}.${offered ? ` ${change.value}.` : ''}`
    const wrong = result.findings.find(f => f.level === 'fail')
    if (!result.estimate && wrong) return wrong.words
    if (e.next && !result.estimate) return offered ? `${e.next.words} ${change.value}.` : e.next.words
    if (!result.estimate) {
      const due = result.predicted
      if (due && current.value.predicted[result.id]) return `Fitted. Measure again: ${show(due.play)} ${name.value} is expected.`
      return progress.value.all > 1
        ? `${progress.value.done} of ${progress.value.all} measured.`
        : 'Nothing measured with this fitting yet.'
    }
    if (!result.valid) return wrong?.words ?? ''
    if (progress.value.done < progress.value.all && phase.value === 'measure')
      return `${progress.value.done} of ${progress.value.all} measured.`
    if (!place.value) return e.state === 'in' ? 'In limits. Ready to sign.' : e.state === 'provisional' ? provisional(e) : ''
    if (settled.value)
      return result.state === 'in'
        ? `${at.value ? `${at.value}in` : 'In'} limits${e.state === 'in' ? ': nothing needs changing. Sign it under Prove.' : '.'}`
        : provisional(e)
    if (!moved.value && leaves.value === null && phase.value !== 'prove') return result.findings.at(-1)?.words ?? ''
    if (proposal.value && phase.value !== 'prove')
      return proposalInWords({
        proposal: proposal.value,
        choice: choice.value,
        change: change.value,
        leaves: leaves.value,
        fine,
        at: at.value,
        unit: unit.value,
      })
    if (result.state === 'provisional') return provisional(e)
    // What is in limits can stay as it is, whatever would be nearer.
    if (offer.value && phase.value === 'choose') return fine ? `${at.value}in limits: nothing needs changing.` : offer.value
    if (result.residual)
      return `Predicted ${show(result.predicted!.play)}, measured ${show(result.estimate.value)}: ${result.residual.flagged ? 'it did not move as it should.' : 'it moved as predicted.'}`
    return choice.value?.notes[0] ?? place.value.note ?? ''
  })
  const provisional = (e: CheckEvaluation) =>
    e.pending.length > 0
      ? 'In limits, provisional until every required step is ticked.'
      : e.conditions.some(({ is }) => is === 'not-said')
        ? 'In limits, provisional until it is said in which state it was measured.'
        : (short(e) ?? byHand())
  const short = ({ conditions }: CheckEvaluation) => {
    const found = conditions.find(({ is }) => is === 'short')
    return found ? `In limits, provisional: measured with ${stateWords(found)}.` : null
  }
  const byHand = () =>
    shown.value.findings.some(({ gate }) => gate === 'hot')
      ? 'In limits, read hot: provisional until it is read cold.'
      : 'In limits by hand: provisional until a gauge has been there.'

  const arithmetic = computed(() => {
    if (!proposal.value || !place.value?.request || !moved.value || phase.value === 'prove' || settled.value || document.value.signOff)
      return ''
    if (proposal.value.change.in.length + proposal.value.change.out.length === 0) return ''
    const { request } = place.value
    const inside = proposal.value.chance?.inside
    return (
      sumInOneLine(request.question, request.fitted, proposal.value, index.value, request.response, preferences.unit) +
      (spread.value > 0 ? `, most ${show(proposal.value.predicted.play + spread.value)}` : '') +
      // Said in the sentence where it is less.
      (inside === undefined || inside < 0.95 ? '' : ` · chance in limits ${percent(inside)}`)
    )
  })
  const predicted = computed(() => {
    if (phase.value === 'prove' || settled.value || !proposal.value) {
      const standing = evaluation.value.next?.standing
      if (standing?.result === shown.value.id && !shown.value.estimate)
        return { value: standing.estimate.value, U: standing.estimate.U, words: 'as it stands' }
      const due = current.value.predicted[shown.value.id]
      return due && !shown.value.estimate ? { value: due.play, U: coverageFactor(Infinity) * due.u, words: 'expected' } : null
    }
    const { out, in: put } = proposal.value.change
    if (out.length + put.length === 0) return null
    return leaves.value && { ...leaves.value, words: lowerFirst(change.value) }
  })
  const windowWords = computed(() => {
    const { window, place: own } = place.value ?? {}
    return window && own ? windowInWords(window, packAt(current.value, own) !== null, preferences.unit) : null
  })
  const oneMore = computed(() => moreReadingsInWords(shown.value, document.value.rule, unit.value))
  /** What is aimed at, where the pieces are chosen for the result looked at. */
  const aim = computed(() => (moved.value ? (place.value?.aim ?? null) : null))
  return { sentence, arithmetic, predicted, aim, windowWords, oneMore }
}
