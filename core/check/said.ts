import type { Step } from '../method/step'
import type { Condition } from './conditions'
import { piecesIn, type CheckDocument, type Struck, type Trial } from './document'

/**
 * What was said of a fitting belongs to it: states, ticks, points left out. A part that is changed, or the check being opened again, strikes
 * all of it out; it stays on the record with what it was said of, and is asked again.
 * @param order  of what happened
 * @param keep  steps whose ticks hold all the same
 */
export function strike(document: CheckDocument, order: number, keep: readonly string[]): CheckDocument {
  const { trials, ticks } = document
  const gone = ticks.filter(({ step }) => !keep.includes(step))
  const struck: Struck[] = [
    ...gone.map(({ step, trial }): Struck => ({ what: 'step', id: step, trial, said: null, order })),
    ...trials.flatMap(({ id: trial, conditions, leftOut }): Struck[] => [
      ...Object.entries(conditions).map(([id, said]): Struck => ({ what: 'state', id, trial, said, order })),
      ...Object.entries(leftOut).flatMap(([id, said]): Struck[] => (said === '' ? [] : [{ what: 'left-out', id, trial, said, order }])),
    ]),
  ]
  return {
    ...document,
    ticks: ticks.filter(tick => !gone.includes(tick)),
    trials: trials.map(trial => ({ ...trial, conditions: {}, leftOut: {} })),
    struck: [...document.struck, ...struck],
  }
}

/** The steps a fitting is asked for: what speaks of what was put in is not asked of what was found. */
export const stepsOf = (steps: readonly Step[], { refitted }: Pick<Trial, 'refitted'>): readonly Step[] =>
  steps.filter(({ of }) => of !== 'refit' || refitted.length > 0)

/** Was a step ticked of a fitting? Of an earlier one it counts as it was then. */
export function isTicked(
  { ticks, trials, struck }: Pick<CheckDocument, 'ticks' | 'trials' | 'struck'>,
  { id, once }: { readonly id: string; readonly once?: true },
  trial: Pick<Trial, 'id'>,
): boolean {
  const upTo = trials.slice(0, trials.findIndex(other => other.id === trial.id) + 1).map(other => other.id)
  const here = (of: string) => (once ? upTo.includes(of) : of === trial.id)
  if (ticks.some(tick => tick.step === id && here(tick.trial))) return true
  const earlier = trial.id !== trials.at(-1)!.id
  return earlier && struck.some(one => one.what === 'step' && one.id === id && one.trial === trial.id)
}

/**
 * The state said of a fitting; null: none yet. Where the places it is said of were not refitted, that of the fitting before holds, as its
 * readings do. Of an earlier fitting it is the state as it was then.
 */
export function stateSaid(
  { trials, struck }: Pick<CheckDocument, 'trials' | 'struck'>,
  { id, moves, packing }: Condition,
  index: number,
): string | null {
  if (packing && piecesIn(trials[index]!, packing.place).length > 0) return packing.state
  for (let i = index; i >= 0; i--) {
    const trial = trials[i]!
    const said = trial.conditions[id] ?? (index < trials.length - 1 ? lastStruck(struck, id, trial.id) : null)
    if (said !== null) return said === packing?.state ? null : said
    if (trial.refitted.some(place => moves?.includes(place) ?? true)) return null
  }
  return null
}

const lastStruck = (struck: readonly Struck[], id: string, trial?: string): string | null =>
  struck.findLast(one => one.what === 'state' && one.id === id && (trial === undefined || one.trial === trial))?.said ?? null

/** What was said of it last, whatever happened since: what “as before” means. Null: nothing, or what a packing said that is out. */
export function stateBefore({ trials, struck }: Pick<CheckDocument, 'trials' | 'struck'>, { id, packing }: Condition): string | null {
  const in_ = trials.findLast(({ conditions }) => conditions[id] !== undefined)?.conditions[id]
  const said = in_ ?? lastStruck(struck, id)
  return said === packing?.state ? null : said
}

/** Why a point was left out of a fitting; null: it was not. It holds as a reading of it would. */
export function leftOutOf(
  trials: readonly Trial[],
  { id, moves }: { readonly id: string; readonly moves: readonly string[] },
  index: number,
): string | null {
  for (let i = index; i >= 0; i--) {
    const trial = trials[i]!
    if (trial.leftOut[id] !== undefined) return trial.leftOut[id] || null
    if (trial.refitted.some(place => moves.includes(place))) return null
  }
  return null
}

/** A state said before positions were told apart is said of each of them. */
export function spread(conditions: readonly Condition[], said: Readonly<Record<string, string>>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(said).flatMap(([id, state]) => {
      if (conditions.some(condition => condition.id === id)) return [[id, state]]
      const each = conditions.filter(condition => condition.id.startsWith(`${id}@`))
      return each.length === 0 ? [[id, state]] : each.map(condition => [condition.id, state])
    }),
  )
}
