import type { Nm } from '../quantity/length'
import type { Shape } from '../pack/lot'
import type { Response } from '../pack/response'
import type { Stacked } from '../pack/stacking'

/** What a piece does to a result, per thickness: a washer that fills a gap takes its play away, −1. */
export interface Effect {
  /** id of the result, with its position: `play`, `clearance@3` */
  readonly result: string
  readonly perPiece: 1 | -1
  /** the result that is the most of what this one is the least of: both are moved alike, and both must be in limits */
  readonly widest?: string
  /** It is built after, and read after: while it was not, the choice goes without it. */
  readonly after?: true
}

/** How what goes into a place is found. `pair`: equal pieces, one each side. */
export type Chosen =
  /** by the totals that bring all it moves into their limits */
  | { readonly by: 'window'; readonly pair: boolean }
  /** How much its pieces move the result is learned from fittings; only the way is known. A torque tells no thickness before that. */
  | { readonly by: 'slope'; readonly first: readonly FirstPack[] }
  /**
   * From a list of the kind, each entry with the way it is set. With a `window` the thickness moves the result as that of any pack, and
   * which piece goes where moves another; without one the setting decides: a dowel and its clock place.
   */
  | { readonly by: 'catalogue'; readonly pair: boolean; readonly window: boolean }

/** What the first pack is chosen by, while its result says nothing yet: a length, such as the gap a pack has to fill. */
export interface FirstPack extends Pick<Effect, 'result' | 'perPiece'> {
  /** what should be left of it; null: by its limits; `closed`: none, and what an earlier service says the preload takes besides, else a first step */
  readonly aim: Nm | null | 'closed'
}

/** Where pieces go, and what they move. A check that selects nothing has no place. */
export interface PackPlace {
  readonly id: string
  readonly label: string
  /** The first is what its pieces are chosen for. A pack is in limits when all of them are, and as sure as the worst. */
  readonly effects: readonly [Effect, ...Effect[]]
  readonly chosen: Chosen
  /** What stands left and right of the pack in its drawing. */
  readonly between: readonly [string, string]
  /** Pieces that must be in it, and that it holds: one ring a groove, two halves. As many as must be is as many as can be: they are replaced one for one. */
  readonly capacity: { readonly fewest: number; readonly most: number }
  /** Why it cannot do without any, where that is worth saying. */
  readonly without?: string
  /** It takes pieces of this shape and no others; pieces of this shape go nowhere else. A packing is in for a trial: it comes out when the pack beside it is changed. */
  readonly holds?: 'packing'
  /** Nothing is in it until something is put in. */
  readonly startsEmpty?: true
  /** What will be in it once it is closed for good, unless it was measured so already: a film of sealant, as squeezed. */
  readonly film?: { readonly thickness: Nm; readonly unless: { readonly condition: string; readonly is: string } }
  /** It takes washers whose hole clears this, and whose rim stays inside that, diameters in nm; null where nobody knows. */
  readonly washers?: { readonly over: Nm | null; readonly within: Nm | null }
  /** Exactly one piece of this shape must be among them: the stepped spacer, the sprung shim. */
  readonly one?: Shape
  /** A piece for it can be lapped to size; shells cannot. */
  readonly lappable: boolean
}

/** What the pieces of a place are chosen for. */
export const chosenFor = ({ effects: [first] }: Pick<PackPlace, 'effects'>): Effect => first
/** What its pieces do to a result; undefined: nothing. @param result  id, with its position */
export const effectOn = ({ effects }: Pick<PackPlace, 'effects'>, result: string): Effect | undefined =>
  effects.find(effect => effect.result === result)
/** Its pieces go in equal pairs, one each side. */
export const inPairs = ({ chosen }: Pick<PackPlace, 'chosen'>): boolean => chosen.by !== 'slope' && chosen.pair
/** How its pieces lie in it. */
export const stacked = (place: Pick<PackPlace, 'chosen' | 'between'>): Stacked => ({ between: place.between, pair: inPairs(place) })
/** How its pieces move what they are chosen for. */
export const responseOf = (place: Pick<PackPlace, 'effects' | 'chosen'>): Response => ({
  perPiece: chosenFor(place).perPiece,
  pair: inPairs(place),
})

/** Nothing can be taken out of what nobody listed. */
export const UNLISTED = 'The fitted pack is not known. List its pieces to see which ones to take out.'
