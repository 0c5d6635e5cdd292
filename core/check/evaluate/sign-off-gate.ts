import { formatChange } from '../../quantity/figure'
import type { VerdictState } from '../../verdict/decide'
import type { Step } from '../../method/step'
import { placeDoubt } from './doubt'
import type { ConditionState } from './said-conditions'
import { newerThan, type CheckDocument, type Reopening } from '../document'
import type { FittingEvaluation, ResultEvaluation } from './evaluated'
import { counts } from './gravity'
import { resultName, stateWord } from './state-words'
import type { PlaceEvaluation } from './evaluate-place'

/** What stands between a check and a signature. */
export interface SignOffGate {
  /** empty: it may be signed */
  readonly blockers: readonly string[]
  /** it may be signed only with a reason, and why */
  readonly needsReason: string | null
}

/** States in which a figure is out, or may be. */
const OUT: readonly VerdictState[] = ['below', 'above', 'close']

const several = (names: readonly string[]) =>
  names.length > 4 ? `${names.slice(0, 4).join('; ')} and ${names.length - 4} more` : names.join('; ')

/** Unmeasured, not valid, stale or with open steps: not at all. Outside limits, off its prediction, by hand: with a reason. */
export function signOffGate(
  document: CheckDocument,
  current: FittingEvaluation,
  places: readonly PlaceEvaluation[],
  { pending, conditions }: { readonly pending: readonly Step[]; readonly conditions: readonly ConditionState[] },
): SignOffGate {
  if (document.signOff) return { blockers: ['This check is signed off.'], needsReason: null }
  const judged = current.results.filter(counts)
  const single = judged.length === 1
  // The least and the most of one figure are named once.
  const named = (state: ResultEvaluation['state']) => {
    const all = judged.filter(result => result.state === state)
    const twin = ({ kind, position }: ResultEvaluation) => all.some(other => other.kind.id === kind.judgedBy && other.position === position)
    return all.filter(result => !twin(result)).map(resultName)
  }
  const blockers: string[] = []
  const open = named('to-do')
  if (open.length > 0) blockers.push(single ? 'Nothing is measured with this fitting yet.' : `Not measured yet: ${several(open)}.`)
  for (const { again, findings } of judged) if (again.length > 0) blockers.push(findings.at(-1)!.words)
  const partly = judged.filter(({ state, again }) => state === 'part-read' && again.length === 0)
  if (partly.length > 0)
    blockers.push(
      `${single ? stateWord(partly[0]!) : several(partly.map(result => `${resultName(result)}: ${stateWord(result)}`))} read: read the others, or leave them out with a reason.`,
    )
  const invalid = named('not-valid')
  if (invalid.length > 0)
    blockers.push(
      single ? 'The series is not valid: void the bad reading or take it again.' : `Not valid, to be taken again: ${several(invalid)}.`,
    )
  for (const reason of new Set(judged.filter(result => result.stale !== null).map(result => result.stale)))
    blockers.push(`Stale: ${reason}. Measure again.`)
  for (const step of pending) blockers.push(`Still to tick: ${step.text}.`)
  for (const { condition, is } of conditions) if (is === 'not-said') blockers.push(`Still to say: ${condition.label}.`)

  if (document.reopened && !readSince(document, document.reopened))
    blockers.push('It was opened again: what was read before does not sign it twice. Measure once more.')

  const about = (result: ResultEvaluation, words: string) => (single ? words : `${resultName(result)}: ${words.replace(/^it is /, '')}`)
  const reasons = judged.flatMap(result => {
    const own: string[] = []
    const verdict = result.both?.verdict ?? result.verdict.working
    // By what the set-up asks for, where the limits have but one figure.
    const judged = OUT.includes(result.state) ? result.state : (verdict?.state ?? 'in')
    if (result.overrule !== null && result.state !== 'in') own.push(about(result, result.overrule))
    else if (judged !== 'in')
      own.push(
        about(
          result,
          judged === 'no-limit' ? 'no limit is known' : judged === 'close' ? 'it is too close to call' : 'it is outside the limits',
        ),
      )
    else if (result.findings.some(finding => finding.gate === 'feel')) own.push(about(result, 'it was judged by hand'))
    else if (result.findings.some(finding => finding.gate === 'hot')) own.push(about(result, 'it was read hot'))
    if (result.asksReason !== null) own.push(about(result, result.asksReason))
    if (result.residual?.flagged)
      own.push(
        about(
          result,
          `the proof is ${formatChange(Math.abs(result.residual.difference), result.kind.unit ?? document.entryUnit, { unit: true })} off what was predicted`,
        ),
      )
    return own
  })
  for (const { condition, said, is } of conditions)
    if (is === 'short') reasons.push(`it was measured with ${condition.label.toLowerCase()}: ${saidWords(condition, said!)}`)
  reasons.push(...new Set(places.flatMap(place => placeDoubt(place, document) ?? [])))
  return { blockers, needsReason: reasons.length > 0 ? reasons.slice(0, 4).join('; ') : null }
}

const saidWords = ({ states }: ConditionState['condition'], said: string): string =>
  states.find(({ value }) => value === said)?.label.toLowerCase() ?? said

const readSince = ({ trials }: CheckDocument, { order }: Reopening): boolean =>
  trials.some(trial => trial.readings.some(reading => !reading.voided && newerThan(reading.order, order)))
