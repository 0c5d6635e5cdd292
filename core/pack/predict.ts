import { combine, type BudgetLine, type Combined } from '../reading/budget'
import { changeSpread } from './change-spread'
import { ASSUMED, lotOf, packChange, packTotal, type LotMap, type Pack } from './lot'
import type { Response } from './response'

/** What the present fitting measured: nm, with what the prediction must carry. */
export interface Measured {
  readonly play: number
  readonly u: number
  readonly nu: number
}

export interface Prediction extends Combined {
  /** nm */
  readonly play: number
  readonly lines: readonly BudgetLine[]
}

export interface PredictOptions {
  /** What taking apart, re-seating and re-torquing does, standard uncertainty, nm. */
  readonly uRefit: number
}

/**
 * Degrees of freedom of a prediction: those of the measurement with the refit, the same for every pack, so that a pack of less
 * certain pieces never looks safer than it is.
 */
export const predictionNu = (measured: Measured, uRefit: number): number =>
  combine([
    { u: measured.u, nu: measured.nu },
    { u: uRefit, nu: Infinity },
  ]).nu

/**
 * The play another pack will leave, with its budget. Pieces left in place cancel; the rest as handbook practice has it:
 * u² = u(measured)² + Σ c²·u_ind² + (c·Δn·u_lot)² per unmeasured lot + (Σ c·Δn·u_mic)² over measured ones + u_refit².
 */
export function predict(
  measured: Measured,
  fitted: Pack,
  next: Pack,
  lots: LotMap,
  response: Response,
  { uRefit }: PredictOptions,
): Prediction {
  const change = packChange(fitted, next)
  const play = Math.round(measured.play) + response.perPiece * (packTotal(next, lots) - packTotal(fitted, lots))
  const moved = [...change.out.map(p => ({ ...p, delta: -p.count })), ...change.in.map(p => ({ ...p, delta: p.count }))]
  const lines: BudgetLine[] = [
    { source: 'repeatability', words: 'The measurement it starts from', u: measured.u, nu: measured.nu, shared: true },
  ]
  if (moved.length > 0) {
    const micrometer = moved.reduce((sum, p) => sum + (lotOf(lots, p.lotId).measured !== null ? p.delta * ASSUMED.micrometer : 0), 0)
    lines.push({ source: 'refit', words: 'Taking apart, seating and tightening again', u: uRefit, nu: Infinity, shared: false })
    lines.push({
      source: 'pieces',
      words: 'Pieces changed, unmeasured ones by their tolerance',
      u: changeSpread(change, lots),
      nu: Infinity,
      shared: false,
    })
    if (micrometer !== 0)
      lines.push({
        source: 'micrometer',
        words: 'Offset of the micrometer the changed pieces share',
        u: Math.abs(micrometer),
        nu: Infinity,
        shared: false,
      })
  }
  const { u } = combine(lines)
  const nu = moved.length > 0 ? predictionNu(measured, uRefit) : measured.nu
  const { k } = combine([{ u: 1, nu }])
  return { play, lines, u, nu, k, U: k * u }
}

/** Total that would bring the play exactly to `target`, nm. */
export const totalFor = (target: number, play: number, fittedTotal: number, response: Response): number =>
  fittedTotal + (target - play) / response.perPiece
