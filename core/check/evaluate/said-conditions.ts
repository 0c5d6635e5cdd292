import { lowerFirst } from '../../quantity/first-letter'
import { newerThan, type CheckDocument, type Clearing, type Trial } from '../document'
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
export const conditionsOf = (kind: CheckKind, document: Pick<CheckDocument, 'setup'>, trial: Pick<Trial, 'conditions'>): ConditionState[] =>
  (kind.conditions?.(document.setup) ?? []).map(condition => {
    const said = trial.conditions[condition.id] ?? null
    return { condition, said, is: said === null ? 'not-said' : said === condition.states[0]!.value ? 'as-asked' : 'short' }
  })

/**
 * What is still to be done when the figure stands: what was measured in a state the build does not end in, and the reminders of the
 * kind. Cleared or accepted for this fitting, and not before the check was opened again.
 */
export function pendingItems(kind: CheckKind, document: CheckDocument): PendingItem[] {
  const trial = document.trials.at(-1)!
  const items: Reminder[] = [
    ...conditionsOf(kind, document, trial).flatMap(({ condition: { id, later }, is }) =>
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

/** What one of two fittings was measured in and the other not, so that they are not held against each other. */
export function unlike(
  kind: CheckKind,
  document: Pick<CheckDocument, 'setup'>,
  trial: Pick<Trial, 'conditions'>,
  other: Pick<Trial, 'conditions'>,
): ConditionState[] {
  const others = conditionsOf(kind, document, other)
  return conditionsOf(kind, document, trial).filter(
    ({ condition, said }, i) => condition.apart && said !== null && others[i]!.said !== null && said !== others[i]!.said,
  )
}

/** A state in words: `seals in`. */
export const stateWords = ({ condition: { label, states }, said }: ConditionState): string =>
  `${lowerFirst(label)} ${lowerFirst(states.find(({ value }) => value === said)?.label ?? 'not said')}`

/** What was said of a fitting and holds for the next one. */
export const keptConditions = (kind: CheckKind, document: Pick<CheckDocument, 'setup'>, trial: Pick<Trial, 'conditions'>) =>
  Object.fromEntries(
    conditionsOf(kind, document, trial).flatMap(({ condition, said }) => (condition.stays && said !== null ? [[condition.id, said]] : [])),
  )
