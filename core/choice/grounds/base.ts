// What a fitting says of the play without its pack, and how such bases agree.
import type { LengthUnit } from '../../quantity/length'
import { CHI_SQUARE_95 } from '../../reading/student'
import type { LotMap, Pack } from '../../pack/lot'
import type { Response } from '../../pack/response'

/** What the trials are read against. */
export interface LedgerContext {
  readonly lots: LotMap
  /** pieces of other families are never suspected */
  readonly family: string
  readonly response: Response
  /** pieces the place takes at most: one alone, or one each side, hides no other */
  readonly most: number
  readonly unit: LengthUnit
  /** uncertainty all trials share (the gauge), nm: added once, never averaged down */
  readonly uShared: number
}

export interface LedgerEntry {
  readonly id: string
  readonly number: number
  /** pack it is reckoned by, with what stands in the other places that move the same */
  readonly total: number
  /** its own pack */
  readonly own: number
  /** as it would read with everything else as it is now */
  readonly play: number
  /** as it was read */
  readonly read: number
  /** no figure: so much or less */
  readonly bound: boolean
  /** null: indistinguishable from zero */
  readonly base: number | null
  readonly u: number
}
export type BasedEntry = LedgerEntry & { readonly base: number; readonly pack: Pack; readonly uOwn: number }

export const chiSquareLimit = (degrees: number): number => CHI_SQUARE_95[degrees] ?? Infinity

/**
 * Bases weighted by their own uncertainty.
 * @example weightedBase([{ base: 1, u: 1 }, { base: 3, u: 1 }]) // { value: 2, chiSquare: 2 }
 */
export function weightedBase(entries: readonly Pick<BasedEntry, 'base' | 'u'>[]): { value: number; u: number; chiSquare: number } {
  // Nothing is known to less than a nanometre: two figures that claim it would have no weights at all.
  const weights = entries.map(({ u }) => 1 / Math.max(1, u) ** 2)
  const total = weights.reduce((a, b) => a + b, 0)
  const value = entries.reduce((sum, { base }, i) => sum + base * weights[i]!, 0) / total
  return { value, u: 1 / Math.sqrt(total), chiSquare: entries.reduce((sum, { base }, i) => sum + (base - value) ** 2 * weights[i]!, 0) }
}
