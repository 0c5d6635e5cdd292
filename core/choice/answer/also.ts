import { quadrature } from '../../reading/statistics'
import { chanceInLimits, type Chance } from '../../verdict/chance'
import { insideRange, type LimitSet } from '../../verdict/limits'
import type { Measured, Prediction } from './predict'
import type { Response } from '../../pack/response'

/** A result that the pieces of a place move besides the one they are chosen for: with what it is now, and its limits. */
export interface Also extends Measured {
  readonly id: string
  readonly label: string
  readonly limits: LimitSet | null
  /** its change per thickness */
  readonly perPiece: 1 | -1
}

/** What a pack leaves of it. */
export interface AlsoPredicted {
  readonly id: string
  readonly label: string
  readonly play: number
  readonly u: number
  readonly nu: number
  readonly chance: Chance | null
}

/** Degrees of freedom of a figure known with u and ν when a spread without bound is added to it (JCGM 100:2008, G.4.1), whole. */
function freedom({ u, nu }: Measured, variance: number): number {
  if (!Number.isFinite(nu)) return Infinity
  return Math.max(1, Math.floor((variance ** 2 / (u ** 4 / nu)) * (1 + 1e-12)))
}

/**
 * What else a pack leaves: moved by as much as the pieces move the result they are chosen for, each by its own sign. Pieces and refit
 * spread alike for all of them.
 * @param from  what the other packs are reckoned from, of the result they are chosen for
 */
export function predictAlso(also: readonly Also[], from: Measured, predicted: Prediction, response: Response): AlsoPredicted[] {
  const moved = (predicted.play - Math.round(from.play)) / response.perPiece
  const added = predicted.rests === 'reading' ? 0 : Math.max(0, predicted.u ** 2 - from.u ** 2)
  return also.map(({ id, label, limits, perPiece, ...measured }) => {
    const play = Math.round(measured.play) + perPiece * moved
    const u = quadrature(measured.u, Math.sqrt(added))
    const nu = freedom(measured, u ** 2)
    return { id, label, play, u, nu, chance: chanceInLimits({ value: play, u, nu }, limits) }
  })
}

/** The least sure of them: a pack is as good as the worst result it leaves. */
export const worstChance = (own: Chance | null, also: readonly AlsoPredicted[]): Chance | null =>
  also.reduce<Chance | null>((worst, { chance }) => (chance && (!worst || chance.inside < worst.inside) ? chance : worst), own)

/** Plays of the result chosen for at which every other keeps its limits, nm. */
export function alsoRange(also: readonly Also[], from: Measured, response: Response): { readonly low: number; readonly high: number } {
  const base = Math.round(from.play)
  return also.reduce(
    (range, { play, limits, perPiece }) => {
      const inside = insideRange(limits)
      const ends = [inside.low, inside.high].map(end => base + (response.perPiece * (end - Math.round(play))) / perPiece)
      return { low: Math.max(range.low, Math.min(...ends)), high: Math.min(range.high, Math.max(...ends)) }
    },
    { low: -Infinity, high: Infinity },
  )
}
