import { lowerFirst } from '../../quantity/first-letter'
import { stateSaid } from '../said'
import { newerThan, type CheckDocument, type Clearing } from '../document'
import type { CheckKind } from '../contract'
import type { Condition, Reminder } from '../conditions'

/** What was said of a condition in a fitting. */
export interface ConditionState {
  readonly condition: Condition
  /** null: nothing yet */
  readonly said: string | null
  readonly is: 'as-asked' | 'short' | 'not-said'
}

/** A reminder of this fitting, and by whom it was cleared. */
export interface PendingItem extends Reminder {
  readonly cleared: Clearing | null
}

/** What the kind asks about the state of the unit, with what was said of a fitting. */
export const conditionsOf = (kind: CheckKind, document: SaidDocument, index = document.trials.length - 1): ConditionState[] =>
  (kind.conditions?.(document.setup) ?? []).map(condition => {
    const said = stateSaid(document, condition, index)
    return { condition, said, is: said === null ? 'not-said' : said === condition.states[0]!.value ? 'as-asked' : 'short' }
  })
type SaidDocument = Pick<CheckDocument, 'setup' | 'trials' | 'struck'>

/** Those that concern a result: of its position, or of all. */
export const concerning = (conditions: readonly ConditionState[], position: string | null): ConditionState[] =>
  conditions.filter(({ condition }) => condition.position === undefined || position === null || condition.position === position)

/**
 * What is still to be done when the figure stands: what was measured in a state the build does not end in, and the reminders of the
 * kind. Cleared or accepted for this fitting, and not before the check was opened again.
 */
export function pendingItems(kind: CheckKind, document: CheckDocument): PendingItem[] {
  const trial = document.trials.at(-1)!
  const items: Reminder[] = [
    ...conditionsOf(kind, document).flatMap(({ condition: { id, later }, is }) =>
      later !== undefined && is === 'as-asked' ? [{ id, words: later }] : [],
    ),
    ...(kind.reminders?.(document.setup) ?? []),
  ]
  return items.map(item => {
    const last = document.clearings.filter(clearing => clearing.item === item.id && clearing.trial === trial.id).at(-1)
    const holds = last && last.how !== 'open' && newerThan(last.order, document.reopened?.order ?? -1)
    return { ...item, cleared: holds ? last : null }
  })
}

/** What a fitting was measured in and the present one not, so that a figure is not held against another. @param position  of the figure */
export function unlikeNow(kind: CheckKind, document: SaidDocument, index: number, position: string | null): ConditionState[] {
  const now = conditionsOf(kind, document)
  const then = conditionsOf(kind, document, index)
  return concerning(then, position).filter(({ condition, said }) => {
    const here = now.find(other => other.condition.id === condition.id)!.said
    return condition.apart && said !== null && here !== null && said !== here
  })
}

/** A state in words: `seals in`. */
export const stateWords = ({ condition: { label, states }, said }: ConditionState): string =>
  `${lowerFirst(label)} ${lowerFirst(states.find(({ value }) => value === said)?.label ?? 'not said')}`
