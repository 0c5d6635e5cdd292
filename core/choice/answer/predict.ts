import { quadrature } from '../../reading/statistics'
import { combine, type BudgetLine, type Combined } from '../../reading/budget'
import type { Grounds, Measured } from '../grounds/grounds'
import { changeSpread } from '../../pack/change-spread'
import { samePack, ASSUMED, lotOf, packChange, packTotal, pieceCount, type LotMap, type Pack } from '../../pack/lot'
import type { Response } from '../../pack/response'

/** The part of the grounds a sum needs. */
export type Reckoned = Pick<Grounds, 'measured' | 'from' | 'before' | 'uRefit'>

export interface Prediction extends Combined {
  /** nm */
  readonly play: number
  readonly lines: readonly BudgetLine[]
  /** what it rests on: the present reading, an earlier one of the same pack, or the sum */
  readonly rests: 'reading' | 'before' | 'sum'
}

const reading = ({ u, nu }: Measured, words: string): BudgetLine => ({ source: 'repeatability', words, u, nu, shared: true })
const refit = (u: number): BudgetLine => ({
  source: 'refit',
  words: 'Taking apart, seating and tightening again',
  u,
  nu: Infinity,
  shared: false,
})

/**
 * The play a pack will leave, with its budget. The fitted one leaves what was measured on it; one that was measured before leaves
 * that again, but for the refit; any other what the sum says.
 */
export function predict(grounds: Reckoned, fitted: Pack, next: Pack, lots: LotMap, { perPiece }: Pick<Response, 'perPiece'>): Prediction {
  const { measured, uRefit } = grounds
  if (measured && samePack(fitted, next)) {
    const lines = [reading(measured, 'The reading of the pack as it is')]
    return { play: Math.round(measured.play), lines, rests: 'reading', ...combine(lines) }
  }
  const before = grounds.before.find(({ pack }) => samePack(pack, next))
  if (before) {
    const lines = [reading(before.measured, 'The reading of this pack before'), refit(uRefit)]
    return { play: Math.round(before.measured.play), lines, rests: 'before', ...combine(lines) }
  }
  return predictSum(grounds, [{ fitted, next, perPiece }], lots)
}

/** A pack that goes in where another was, and how its pieces move the play. */
export interface Swap {
  readonly fitted: Pack
  readonly next: Pack
  readonly perPiece: 1 | -1
}

/**
 * The play after swaps at any places that move it: what it is reckoned from, and what all changed pieces do.
 * u² = u(measured)² + Σ c²·u_ind² + (c·Δn·u_lot)² per unmeasured lot + (Σ c·Δn·u_mic)² over measured ones + u_refit². Pieces left in
 * place cancel. Degrees of freedom by Welch–Satterthwaite over all of it (JCGM 100:2008, G.4.1).
 */
export function predictSum({ from, uRefit }: Pick<Grounds, 'from' | 'uRefit'>, swaps: readonly Swap[], lots: LotMap): Prediction {
  const changes = swaps.map(({ fitted, next, perPiece }) => ({ perPiece, change: packChange(fitted, next) }))
  const measured = (pack: Pack) => pieceCount(pack.filter(({ lotId }) => lotOf(lots, lotId).measured !== null))
  const micrometer = changes.reduce((sum, { perPiece, change }) => sum + perPiece * (measured(change.in) - measured(change.out)), 0)
  const lines: BudgetLine[] = [
    reading(from, 'The measurement it starts from'),
    refit(uRefit),
    {
      source: 'pieces',
      words: piecesWords(
        changes.flatMap(({ change }) => [...change.out, ...change.in]).some(({ lotId }) => lotOf(lots, lotId).stray !== undefined),
      ),
      u: quadrature(...changes.map(({ change }) => changeSpread(change, lots))),
      nu: Infinity,
      shared: false,
    },
    ...(micrometer === 0
      ? []
      : [
          {
            source: 'micrometer',
            words: 'Offset of the micrometer the changed pieces share',
            u: Math.abs(micrometer) * ASSUMED.micrometer,
            nu: Infinity,
            shared: false,
          } satisfies BudgetLine,
        ]),
  ]
  const moved = swaps.reduce((sum, { fitted, next, perPiece }) => sum + perPiece * (packTotal(next, lots) - packTotal(fitted, lots)), 0)
  return { play: Math.round(from.play) + moved, lines, rests: 'sum', ...combine(lines) }
}

const piecesWords = (byFamily: boolean) =>
  `Pieces changed, unmeasured ones by their tolerance${byFamily ? ', or as far as the measured ones of the family are off their marks' : ''}`

/** Unmeasured pieces a change puts in. */
export const unmeasuredIn = (change: { readonly in: Pack }, lots: LotMap): number =>
  pieceCount(change.in.filter(({ lotId }) => lotOf(lots, lotId).measured === null))
