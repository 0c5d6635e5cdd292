import { pendingItems } from '../check/evaluate/said-conditions'
import { piecesIn } from '../check/document'
import { checkKind } from '../check/registry'
import { lowerFirst } from '../quantity/first-letter'
import type { Bench, ClearCommand, SayCommand } from './command'
import { happened, refused, type Outcome } from './happening'

const EARLIER = 'That belongs to an earlier fitting: the pack was changed since.'

/** The state the unit is measured in, one of those the kind knows. */
export function say({ document }: Bench, { condition: id, trial, state }: SayCommand): Outcome {
  const condition = checkKind(document.kind)
    .conditions?.(document.setup)
    .find(candidate => candidate.id === id)
  if (!condition) return refused('invalid', 'This check does not ask for that.', 'condition')
  if (trial !== document.trials.at(-1)!.id) return refused('conflict', EARLIER, 'trial')
  const { packing } = condition
  if (packing && (state === packing.state) !== piecesIn(document.trials.at(-1)!, packing.place).length > 0)
    return refused('conflict', 'What lies in the joint for a trial says that by itself: fit it, or take it out.', 'state')
  const said = condition.states.find(({ value }) => value === state)
  if (!said) return refused('invalid', 'That is not an answer here.', 'state')
  return happened(`${condition.label}: ${lowerFirst(said.label)}`, { type: 'said', trial, condition: id, state })
}

const HOW = { done: 'Done', accepted: 'Accepted as it is', open: 'Open again' } as const

/** What was pending is done; also of a check that is signed, which it does not change. */
export function clear({ document }: Bench, { item: id, trial, how, by, at }: ClearCommand): Outcome {
  if (trial !== document.trials.at(-1)!.id) return refused('conflict', EARLIER, 'trial')
  const item = pendingItems(checkKind(document.kind), document).find(candidate => candidate.id === id)
  if (!item) return refused('invalid', 'Nothing of that kind is pending.', 'item')
  if (by.trim() === '') return refused('invalid', 'Say who did it.', 'by')
  return happened(`${HOW[how]} by ${by.trim()}: ${lowerFirst(item.words)}`, {
    type: 'cleared',
    clearing: { item: id, trial, how, by: by.trim(), at },
  })
}
