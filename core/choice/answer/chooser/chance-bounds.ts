import { wholeFreedom } from '../../../reading/budget'
import { chanceInLimits } from '../../../verdict/chance'
import { endsOf, type LimitSet } from '../../../verdict/limits'
import type { Moved } from '../../question/question'
import type { Measured } from '../../grounds/grounds'
import type { Response } from '../../../pack/response'

/** Ratio of neighbouring variances at which the chance is bounded. */
const STEP = 1.1
const CELLS = 120

/**
 * The chance of a pack by what its pieces add: u² grows with them, and so do the degrees of freedom, since the pieces' part is known.
 * A more uncertain pack can so look a little safer than a certain one; bounds must hold over all variances from one on.
 */
export class ChanceBounds implements Chances {
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
    return chanceInLimits({ value: play, u: Math.sqrt(variance), nu: wholeFreedom(nu) }, this.limits)?.inside ?? 1
  }

  /** No variance between the two gives a better chance at this play: the smaller spread with the more degrees of freedom. */
  private cell(play: number, low: number, high: number): number {
    return chanceInLimits({ value: play, u: Math.sqrt(low), nu: Math.max(1, this.nuAt(high)) }, this.limits)?.inside ?? 1
  }

  /** The same of a bin, at the play of it that has the best chance. */
  ceilingsIn(stretches: readonly { readonly low: number; readonly high: number }[], levels: readonly number[]): number[] {
    let best = Number.NaN
    for (const { low, high } of stretches) {
      const play = this.safest(low, high)
      if (Number.isNaN(best) || this.at(play, this.least) > this.at(best, this.least)) best = play
    }
    return this.ceilings(best, levels)
  }

  /** The play of a stretch that has the best chance: nearest the middle of the limits. */
  private safest(low: number, high: number): number {
    const { lower, upper } = endsOf(this.limits) ?? { lower: -Infinity, upper: Infinity }
    if (lower === -Infinity) return low
    if (upper === Infinity) return high
    return Math.min(high, Math.max(low, (lower + upper) / 2))
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

/** What a search asks of chances: of one result, or of the worst of several. */
export interface Chances {
  readonly least: number
  at(play: number, variance: number): number
  /** @param stretches  plays a pack of the bin may leave */
  ceilingsIn(stretches: readonly { readonly low: number; readonly high: number }[], levels: readonly number[]): number[]
}

/** The worst of several results that the same pieces move: each with a sign, a figure and limits of its own. */
export class WorstChance implements Chances {
  readonly least: number
  private readonly all: readonly { readonly bounds: ChanceBounds; readonly at: (play: number) => number; readonly more: number }[]

  constructor(
    from: Measured,
    uRefit: number,
    limits: LimitSet | null,
    also: readonly Pick<Moved, 'from' | 'limits' | 'perPiece'>[],
    response: Response,
  ) {
    const own = new ChanceBounds(from, uRefit, limits)
    this.least = own.least
    this.all = [
      { bounds: own, at: play => play, more: 0 },
      ...also.map(other => ({
        bounds: new ChanceBounds(other.from, uRefit, other.limits),
        at: (play: number) => Math.round(other.from.play) + (other.perPiece * (play - Math.round(from.play))) / response.perPiece,
        more: other.from.u ** 2 - from.u ** 2,
      })),
    ]
  }

  at(play: number, variance: number): number {
    return Math.min(...this.all.map(({ bounds, at, more }) => bounds.at(at(play), variance + more)))
  }

  /** Each at the play of the bin that is best for it: no pack is better than that for any of them. */
  ceilingsIn(stretches: readonly { readonly low: number; readonly high: number }[], levels: readonly number[]): number[] {
    const each = this.all.map(({ bounds, at, more }) => {
      const own = stretches.map(({ low, high }) => {
        const [a, b] = [at(low), at(high)]
        return { low: Math.min(a, b), high: Math.max(a, b) }
      })
      return bounds.ceilingsIn(own, levels).map(ceiling => ceiling - more)
    })
    return levels.map((_, i) => Math.min(...each.map(ceilings => ceilings[i]!)))
  }
}

/** What is in doubt is never told to be surer than so much. */
export class AtBest implements Chances {
  readonly least: number
  constructor(
    private readonly inner: Chances,
    private readonly best: number,
  ) {
    this.least = inner.least
  }
  at(play: number, variance: number): number {
    return Math.min(this.best, this.inner.at(play, variance))
  }
  ceilingsIn(stretches: readonly { readonly low: number; readonly high: number }[], levels: readonly number[]): number[] {
    return this.inner.ceilingsIn(stretches, levels).map((ceiling, i) => (levels[i]! > this.best ? -1 : ceiling))
  }
}
