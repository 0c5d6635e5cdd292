import { coverageFactor } from '../../../reading/student'
import { wholeFreedom } from '../../../reading/budget'
import type { Lean } from '../../../verdict/aim'
import type { Measured } from '../../grounds/grounds'

/** Ratio of neighbouring variances between which U is bounded. */
const STEP = 1.1

/**
 * Where a pack should bring the figure: one point for all, or so far inside a limit as the pack's own U reaches. A pack of more, or less
 * certain, pieces is aimed further in.
 */
export class Target {
  /** between these lie the points of all packs there can be, nm */
  readonly least: number
  readonly most: number
  /** U of a variance by its whole degrees of freedom, which are asked for again and again */
  private readonly factor = new Map<number, number>()
  /** Σu⁴/ν of the measurement, nm⁴ */
  private readonly fourth: number

  /**
   * @param aim  the point, where it is one for all, nm
   * @param variance  the least and the most a pack of this search can have, nm²
   */
  constructor(
    private readonly aim: number,
    private readonly lean: Lean | null,
    { u, nu }: Pick<Measured, 'u' | 'nu'>,
    variance: { readonly least: number; readonly most: number },
  ) {
    this.fourth = Number.isFinite(nu) ? u ** 4 / nu : 0
    const reach = lean ? this.reach(variance) : null
    const points = lean && reach ? reach.map(U => lean.end + lean.toward * U) : [aim, aim]
    this.least = Math.min(...points)
    this.most = Math.max(...points)
  }

  /** How far a play is from where a pack of this variance should bring it, nm. */
  distance(play: number, variance: number): number {
    return Math.abs(play - (this.lean ? this.lean.end + this.lean.toward * this.expanded(variance, variance) : this.aim))
  }

  /** No pack that leaves this play is nearer, nm. */
  nearest(play: number): number {
    return Math.max(0, this.least - play, play - this.most)
  }

  /** The least and the most of U over a range of variances: it grows with u, and falls with the degrees of freedom that grow as well. */
  private reach({ least, most }: { readonly least: number; readonly most: number }): readonly [number, number] {
    let [low, high] = [Infinity, 0]
    for (let from = Math.max(least, 1); ; from *= STEP) {
      const to = Math.min(most, from * STEP)
      low = Math.min(low, this.expanded(from, to))
      high = Math.max(high, this.expanded(to, from))
      if (to >= most) return [low, high]
    }
  }

  /** k·u with the degrees of freedom that another variance would have. */
  private expanded(variance: number, freedomOf: number): number {
    const nu = this.fourth === 0 ? Infinity : wholeFreedom(freedomOf ** 2 / this.fourth)
    let k = this.factor.get(nu)
    if (k === undefined) this.factor.set(nu, (k = coverageFactor(nu)))
    return k * Math.sqrt(variance)
  }
}
