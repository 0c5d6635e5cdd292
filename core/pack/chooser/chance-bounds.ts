import { chanceInLimits } from '../../verdict/chance'
import type { LimitSet } from '../../verdict/limits'
import type { Measured } from '../predict'

/** Ratio of neighbouring variances at which the chance is bounded. */
const STEP = 1.1
const CELLS = 120

/**
 * The chance of a pack by what its pieces add: u² grows with them, and so do the degrees of freedom, since the pieces' part is known.
 * A more uncertain pack can so look a little safer than a certain one; bounds must hold over all variances from one on.
 */
export class ChanceBounds {
  /** Σu⁴/ν of the measurement, nm⁴: 0 where its degrees of freedom have no bound */
  private readonly fourth: number
  /** variance every changed pack has at least, nm² */
  readonly least: number

  constructor(
    from: Measured,
    uRefit: number,
    private readonly limits: LimitSet | null,
  ) {
    this.fourth = Number.isFinite(from.nu) ? from.u ** 4 / from.nu : 0
    this.least = from.u ** 2 + uRefit ** 2
  }

  private nuAt(variance: number): number {
    return this.fourth === 0 ? Infinity : variance ** 2 / this.fourth
  }

  /** The chance in limits of a pack with this play and variance; 1 without limits. */
  at(play: number, variance: number): number {
    const nu = this.nuAt(variance)
    const whole = Number.isFinite(nu) ? Math.max(1, Math.floor(nu * (1 + 1e-12))) : nu
    return chanceInLimits({ value: play, u: Math.sqrt(variance), nu: whole }, this.limits)?.inside ?? 1
  }

  /** No variance between the two gives a better chance at this play: the smaller spread with the more degrees of freedom. */
  private cell(play: number, low: number, high: number): number {
    return chanceInLimits({ value: play, u: Math.sqrt(low), nu: Math.max(1, this.nuAt(high)) }, this.limits)?.inside ?? 1
  }

  /**
   * For each level, the largest variance at which the play can still have that chance; below `least` where none can.
   * @param play  inside the limits, nm
   */
  ceilings(play: number, levels: readonly number[]): number[] {
    if (!this.limits) return levels.map(() => Infinity)
    const found = levels.map(() => 0)
    let low = Math.max(this.least, 1)
    // Beyond this the chance only falls: the degrees of freedom no longer tell.
    for (let i = 0; i < CELLS && found.length > 0; i++) {
      const high = low * STEP
      const best = this.cell(play, low, high)
      for (const [at, level] of levels.entries()) if (best >= level) found[at] = high
      if (this.nuAt(low) > 200 && best < levels.at(-1)!) return found
      low = high
    }
    // Never below a level within reach of any pack: such packs are no better or worse for it.
    return found.map(variance => (variance >= low ? Infinity : variance))
  }
}
