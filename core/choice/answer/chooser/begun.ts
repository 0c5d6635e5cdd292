import { piecesPerPick } from '../../../pack/response'
import type { suffixBounds } from './bounds'
import { changeVariance, type PreparedDrawer } from './prepare'

/** A pack while it is built, lot by lot; lots that were passed over have given up what they had fitted. */
export interface Begun {
  /** nm */
  readonly sum: number
  /** Σu² of its pieces, nm² */
  readonly variance: number
  /** pieces out and in */
  readonly changes: number
  /** unmeasured pieces put in */
  readonly unmeasured: number
  readonly cost: number
  /** variance its changes add to the prediction, nm² */
  readonly spread: number
  /** net measured pieces changed: they move together by one micrometer's offset */
  readonly shared: number
  /** one of the shape of which there must be just one is in */
  readonly one: boolean
}
export const NOTHING: Begun = { sum: 0, variance: 0, changes: 0, unmeasured: 0, cost: 0, spread: 0, shared: 0, one: false }

/** With x picks of lot i. */
export function taken(drawer: PreparedDrawer, so: Begun, i: number, x: number): Begun {
  const delta = x * piecesPerPick(drawer.response) - drawer.fittedPieces[i]!
  return {
    sum: so.sum + x * drawer.size[i]!,
    variance: so.variance + x * drawer.variance[i]!,
    changes: so.changes + Math.abs(delta),
    unmeasured: so.unmeasured + (drawer.measured[i] ? 0 : Math.max(0, delta)),
    cost: so.cost + x * drawer.cost[i]!,
    spread: so.spread + changeVariance(drawer, i, delta),
    shared: so.shared + (drawer.measured[i] ? delta : 0),
    one: so.one || (x > 0 && drawer.single[i]!),
  }
}

/** What it is when the lots from `from` up to `to` give up all they have fitted. */
export function passed(suffix: ReturnType<typeof suffixBounds>, so: Begun, from: number, to: number): Begun {
  const gone = suffix.fitted[from]! - suffix.fitted[to]!
  if (gone === 0) return so
  return {
    ...so,
    changes: so.changes + gone,
    spread: so.spread + suffix.removal[from]! - suffix.removal[to]!,
    shared: so.shared - suffix.measuredFitted[from]! + suffix.measuredFitted[to]!,
  }
}
