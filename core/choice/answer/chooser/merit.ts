import type { MeritOrder } from '../../question/rules'
import { systemOf } from '../../../quantity/figure'
import { NM_PER, type LengthUnit } from '../../../quantity/length'

/**
 * The order of merit of packs, as a key compared entry by entry, smaller is better:
 * class of chance, distance from the aim in steps that can be told apart, what a shop moved up, trouble, exact distance (nm),
 * Σu² of the pieces (nm²), cost; lot ids break what is left.
 */
export type MeritKey = readonly [number, number, number, number, number, number, number]

/** Chances that part the classes: at least 99, 95, 80, 50 %. */
export const CLASSES: readonly number[] = [0.99, 0.95, 0.8, 0.5]

/** 1 is best; one more for each chance of `levels` not reached. Without limits there is one class. */
export const chanceClass = (inside: number | null, levels: readonly number[] = CLASSES): number =>
  inside === null ? 1 : 1 + levels.filter(level => inside < level).length

export const binOf = (distance: number, width: number): number => Math.floor(distance / width)

/** What counts of a pack beside its chance and its distance. */
export interface Effort {
  readonly pieces: number
  /** pieces out and pieces in */
  readonly changes: number
  /** unmeasured pieces put in */
  readonly unmeasured: number
  /** Σu² of its pieces, nm² */
  readonly variance: number
  /** smallest coin */
  readonly cost: number
}

/** Pieces moved, pieces in the pack, and unmeasured ones put in: what a technician has in hand. */
export const troubleOf = ({ pieces, changes, unmeasured }: Pick<Effort, 'pieces' | 'changes' | 'unmeasured'>): number =>
  pieces + changes + unmeasured

export function movedUp(order: MeritOrder, { pieces, changes, cost }: Effort): number {
  switch (order) {
    case 'trouble':
      return 0
    case 'pieces':
      return pieces
    case 'changes':
      return changes
    case 'cost':
      return cost
  }
}

export const meritKey = (order: MeritOrder, cls: number, bin: number, distance: number, effort: Effort): MeritKey => [
  cls,
  bin,
  movedUp(order, effort),
  troubleOf(effort),
  distance,
  effort.variance,
  effort.cost,
]

/**
 * How far off its aim a pack with these least values may be and still be better than `key`, nm: any distance where what counts before it is
 * better, −1 where it cannot be. Asked at every step of the search.
 */
export function roomBefore(order: MeritOrder, key: MeritKey, cls: number, bin: number, nearest: number, effort: Effort): number {
  if (cls !== key[0]) return cls < key[0] ? Infinity : -1
  if (bin !== key[1]) return bin < key[1] ? Infinity : -1
  const up = movedUp(order, effort)
  if (up !== key[2]) return up < key[2] ? Infinity : -1
  const trouble = troubleOf(effort)
  if (trouble !== key[3]) return trouble < key[3] ? Infinity : -1
  if (nearest !== key[4]) return nearest < key[4] ? key[4] : -1
  if (effort.variance !== key[5]) return effort.variance < key[5] ? key[4] : -1
  return effort.cost < key[6] ? key[4] : -1
}

/** Negative when a is better. */
export function compareKeys(a: MeritKey, b: MeritKey): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!
  return 0
}

/** A step nobody can tell apart by hand, where plays are searched by distance alone: a tenth of a thou, or 2 µm in a metric check. nm */
export const fineWidth = (unit: LengthUnit): number => (systemOf(unit) === 'metric' ? 2 * NM_PER.um : NM_PER.tenth)

/** The best class a pack of at least this variance can have. */
export function classAt(ceilings: readonly number[], variance: number): number {
  let cls = 1
  for (const ceiling of ceilings) if (variance > ceiling) cls++
  return cls
}
