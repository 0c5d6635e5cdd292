import { NM_PER, systemOf, type LengthUnit } from '../../quantity/length'
import { SURE } from '../../verdict/decide'

/**
 * The order of merit of packs, as a key compared entry by entry, smaller is better:
 * class of chance, distance from the aim in bins, pieces, Σu² of the pieces, changes, cost; lot ids break what is left.
 */
export type MeritKey = readonly [number, number, number, number, number, number]

/** What a shop may move up to stand right after the aim. */
export type MeritOrder = 'pieces' | 'changes' | 'cost'

/** Distance from the aim is counted in bins of a tenth of a thou, or 2 µm in a metric check. nm */
export const binWidth = (unit: LengthUnit): number => (systemOf(unit) === 'metric' ? 2 * NM_PER.um : NM_PER.tenth)

export const binOf = (play: number, aim: number, width: number): number => Math.floor(Math.abs(play - aim) / width)

/** 1: at least 95 % in limits; 2: at least 50 %; 3: less. Without limits there is one class. */
export const chanceClass = (inside: number | null): number => (inside === null || inside >= SURE ? 1 : inside >= 0.5 ? 2 : 3)

export function meritKey(
  order: MeritOrder,
  cls: number,
  bin: number,
  pieces: number,
  variance: number,
  changes: number,
  cost: number,
): MeritKey {
  switch (order) {
    case 'pieces':
      return [cls, bin, pieces, variance, changes, cost]
    case 'changes':
      return [cls, bin, changes, pieces, variance, cost]
    case 'cost':
      return [cls, bin, cost, pieces, variance, changes]
  }
}

/** Is the key with these entries better than `key`? The same comparison without building it: the search asks this at every step. */
export function beats(
  order: MeritOrder,
  key: MeritKey,
  cls: number,
  bin: number,
  pieces: number,
  variance: number,
  changes: number,
  cost: number,
): boolean {
  if (cls !== key[0]) return cls < key[0]
  if (bin !== key[1]) return bin < key[1]
  const [a, b, c, d] =
    order === 'pieces'
      ? [pieces, variance, changes, cost]
      : order === 'changes'
        ? [changes, pieces, variance, cost]
        : [cost, pieces, variance, changes]
  if (a !== key[2]) return a! < key[2]
  if (b !== key[3]) return b! < key[3]
  return c !== key[4] ? c! < key[4] : d! < key[5]
}

/** Negative when a is better. */
export function compareKeys(a: MeritKey, b: MeritKey): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!
  return 0
}
