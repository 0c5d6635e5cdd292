import { piecesIn, type CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { lotMap, lotOf, thickness, type Lot } from '#core/pack/lot'
import { stackingOrder } from '#core/pack/stacking'

/** One layer of a stack, bottom up. */
export interface StackLayer {
  readonly label: string
  /** nm; null: nobody measures it, and it is drawn as thick as its name needs */
  readonly size: number | null
  readonly look: 'metal' | 'pack' | 'gap'
}
export interface Stack {
  readonly label: string
  readonly layers: readonly StackLayer[]
}
export type StacksOf = (document: CheckDocument, evaluation: CheckEvaluation, lots: readonly Lot[]) => Stack[]

/** What is not measured: a housing, a cone, a nut. */
export const part = (label: string): StackLayer => ({ label, size: null, look: 'metal' })

/** The pieces fitted in a place in stacking order. */
export function piecesUp(document: CheckDocument, place: string, lots: readonly Lot[]): StackLayer[] {
  const index = lotMap(lots)
  return stackingOrder(piecesIn(document.trials.at(-1)!, place), index).map((id): StackLayer => {
    const { shape } = lotOf(index, id)
    const words =
      shape === 'stepped' ? 'stepped spacer, its step to the bearing' : shape === 'sprung' ? 'sprung shim, pressed flat' : 'piece'
    return { label: words, size: thickness(lotOf(index, id)), look: 'pack' }
  })
}

/** A figure of the present fitting as the gap it is; nothing where it was not measured, no longer holds, or is none. @param short  what it is called where it lacks */
export function gapUp(evaluation: CheckEvaluation, result: string, label: string, short?: string): StackLayer[] {
  const found = evaluation.current.results.find(({ id }) => id === result)
  if (!found?.valid || found.stale !== null || !found.estimate) return []
  const { value } = found.estimate
  if (value > 0) return [{ label, size: value, look: 'gap' }]
  return value < 0 && short !== undefined ? [{ label: short, size: -value, look: 'gap' }] : []
}

/** Those in which something is measured: the others would show nothing. */
export const measuredStacks = (stacks: readonly Stack[]): Stack[] => stacks.filter(({ layers }) => layers.some(({ size }) => size !== null))
