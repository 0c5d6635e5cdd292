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

/**
 * The play a pack will leave, with its budget. The fitted one leaves what was measured on it; one that was measured before leaves
 * that again, but for the refit; any other:
 * u² = u(measured)² + Σ c²·u_ind² + (c·Δn·u_lot)² per unmeasured lot + (Σ c·Δn·u_mic)² over measured ones + u_refit². Pieces left in
 * place cancel. Degrees of freedom by Welch–Satterthwaite over all of it (JCGM 100:2008, G.4.1).
 */
export function predict(grounds: Reckoned, fitted: Pack, next: Pack, lots: LotMap, response: Response): Prediction {
  const refit: BudgetLine = {
    source: 'refit',
    words: 'Taking apart, seating and tightening again',
    u: grounds.uRefit,
    nu: Infinity,
    shared: false,
  }
  const reading = ({ u, nu }: Measured, words: string): BudgetLine => ({ source: 'repeatability', words, u, nu, shared: true })
  if (grounds.measured && samePack(fitted, next)) {
    const lines = [reading(grounds.measured, 'The reading of the pack as it is')]
    return { play: Math.round(grounds.measured.play), lines, rests: 'reading', ...combine(lines) }
  }
  const before = grounds.before.find(({ pack }) => samePack(pack, next))
  if (before) {
    const lines = [reading(before.measured, 'The reading of this pack before'), refit]
    return { play: Math.round(before.measured.play), lines, rests: 'before', ...combine(lines) }
  }
  const change = packChange(fitted, next)
  const moved = [...change.out.map(p => ({ ...p, delta: -p.count })), ...change.in.map(p => ({ ...p, delta: p.count }))]
  const micrometer = moved.reduce((sum, p) => sum + (lotOf(lots, p.lotId).measured !== null ? p.delta * ASSUMED.micrometer : 0), 0)
  const lines: BudgetLine[] = [
    reading(grounds.from, 'The measurement it starts from'),
    refit,
    {
      source: 'pieces',
      words: 'Pieces changed, unmeasured ones by their tolerance',
      u: changeSpread(change, lots),
      nu: Infinity,
      shared: false,
    },
    ...(micrometer === 0
      ? []
      : [
          {
            source: 'micrometer',
            words: 'Offset of the micrometer the changed pieces share',
            u: Math.abs(micrometer),
            nu: Infinity,
            shared: false,
          } satisfies BudgetLine,
        ]),
  ]
  return {
    play: Math.round(grounds.from.play) + response.perPiece * (packTotal(next, lots) - packTotal(fitted, lots)),
    lines,
    rests: 'sum',
    ...combine(lines),
  }
}

/** Unmeasured pieces a change puts in. */
export const unmeasuredIn = (change: { readonly in: Pack }, lots: LotMap): number =>
  pieceCount(change.in.filter(({ lotId }) => lotOf(lots, lotId).measured === null))
