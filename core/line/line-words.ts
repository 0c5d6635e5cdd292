import type { PackChoice } from '../choice/answer/chooser/choose'
import type { Proposal } from '../choice/answer/chooser/proposal'
import { unitOfResult } from '../check/common/results'
import { piecesIn, type CheckDocument } from '../check/document'
import type { ResultEvaluation } from '../check/evaluate/evaluated'
import type { Target } from '../check/work'
import { isChange } from '../check/sentence/scene'
import { changeWords } from '../pack/arithmetic'
import { lotMap, type Lot } from '../pack/lot'
import { formatChange, formatFigure, systemOf, type Unit } from '../quantity/figure'
import { formatLength, unitFor } from '../quantity/format-length'
import type { UnitSystem } from '../quantity/length'
import { lowerFirst } from '../quantity/first-letter'
import { percent } from '../quantity/percent'
import { describeLimits } from '../verdict/limits'
import { verdictWord } from '../verdict/words'

/** What was reckoned of a line. */
export interface Reckoned {
  readonly document: CheckDocument
  readonly lots: readonly Lot[]
  readonly shown: ResultEvaluation
  readonly choice: PackChoice | null
  /** id of the place the pieces go to; null: none, or nothing is chosen yet */
  readonly place: string | null
  /** figures something is set to, where no piece is chosen */
  readonly targets: readonly Target[]
  /** judged beside the one shown */
  readonly beside: readonly ResultEvaluation[]
  /** what the bench would say: where there is no figure */
  readonly sentence: string
}

/** As good as sure. */
const SURE = 0.95
/** Only figures were looked at: what is in limits would be, and never is. */
const would = (inside: number | undefined): string =>
  inside === undefined || inside >= SURE ? 'would be in limits' : `${percent(inside)} sure to be in limits`
const leaves = ({ predicted: { play, U } }: Proposal, unit: Unit): string =>
  `${formatFigure(play, unit)} ± ${formatChange(U, unit, { unit: true })}`

/** What something is set to, and what would do as well. */
function targetInWords({ label, value, low, high, scale, impossible }: Target, system: UnitSystem): string {
  const unit = unitFor(system, scale)
  const show = (figure: number) => formatLength(figure, unit)
  const window = impossible || low === null || high === null ? '' : `; ${show(low)} to ${show(high)} would do`
  return `${label} ${formatLength(value, unit, { unit: true })}${window}.`
}
/** A second result of the same check, as far as there is a figure. */
const besideInWords = ({ label, estimate, kind, valid }: ResultEvaluation, system: UnitSystem): string =>
  estimate && valid
    ? ` ${label}: ${formatFigure(estimate.value, unitOfResult(kind, system))} ± ${formatChange(estimate.U, unitOfResult(kind, system), { unit: true })}.`
    : ''

/**
 * A line’s answer in a sentence: what to take out and put in, and what that leaves; or what it is as it stands.
 */
export function lineInWords({ document, lots, shown, choice, place, targets, beside, sentence }: Reckoned): string {
  const system = systemOf(document.entryUnit)
  const unit = unitOfResult(shown.kind, system)
  const best = choice?.proposals[0]
  if (best && place !== null && isChange(best) && !best.atMost) {
    const change = changeWords(piecesIn(document.trials[0]!, place), best.pack, lotMap(lots), document.entryUnit)
    return choice.fallback
      ? `Nothing named reaches the limits. Nearest for a trial: ${lowerFirst(change)}, leaves ${leaves(best, unit)}.`
      : `${change}: leaves ${leaves(best, unit)}, ${would(best.chance?.inside)}.`
  }
  if (!shown.estimate && targets.length > 0) return targets.map(target => targetInWords(target, system)).join(' ')
  if (best?.atMost || !shown.estimate || !shown.valid) return sentence
  const figure = `${formatFigure(shown.estimate.value, unit)} ± ${formatChange(shown.estimate.U, unit, { unit: true })}`
  const { working } = shown.limits
  const verdict = shown.verdict.working
  const also = beside.map(one => besideInWords(one, system)).join('')
  if (!working || !verdict || verdict.plain === 'no-limit') return `${figure}. No limits said.${also}`
  const outside = verdict.plain === 'above' || verdict.plain === 'below'
  const told = outside ? verdictWord(verdict.plain, shown.kind.ends).toLowerCase() : would(verdict.chance?.inside)
  const more = outside ? (place === null ? '' : ` ${sentence}`) : best ? ' Leave the pack as it is.' : ''
  return `${figure}: ${told}, ${describeLimits(working, unit)}.${more}${also}`
}
