import { ownVariance, sharedVariance, type Estimate } from '../../reading/estimate'
import { quadrature } from '../../reading/statistics'
import { endsOf, type LimitSet } from '../../verdict/limits'
import { changeSpread } from '../../pack/change-spread'
import { packChange, packTotal, samePack, type Pack } from '../../pack/lot'
import { normalCdf } from '../../reading/student'
import type { LedgerContext } from './base'
import type { Grounds, Measured } from './grounds'
import { TOO_FAR, readLedger, type Ledger, type Suspicion } from './ledger'

/** A fitting as one result tells it at one place: the whole pack where known, and what was read. Figures in small units of the result. */
export interface Fitting {
  readonly id: string
  /** which fitting of the check it is, counted from 1 */
  readonly number: number
  readonly pack: Pack | null
  /** a figure that can be told from zero; null: there is none */
  readonly estimate: Estimate | null
  /** no more than this, where it was zero or less, or could be; null: no bound */
  readonly atMost: number | null
  /** what was read, before what has changed elsewhere was reckoned in; left out where nothing was */
  readonly read?: number
}

export const asMeasured = ({ value, u, nuExact }: Estimate): Measured => ({ play: value, u, nu: nuExact })

/** What fittings say of a play without their packs. @param uRefit  nm */
export function ledgerFrom(
  all: readonly Fitting[],
  context: Omit<LedgerContext, 'uShared'>,
  uRefit: number,
  suspicions: readonly Suspicion[],
): Ledger {
  const known = all.flatMap(fitting => (fitting.pack === null ? [] : [{ ...fitting, pack: fitting.pack }]))
  const uShared = Math.sqrt(Math.max(0, ...known.map(({ estimate }) => (estimate ? sharedVariance(estimate.lines) : 0))))
  return readLedger(
    known
      .filter(({ estimate, atMost }) => estimate !== null || atMost !== null)
      .map(({ id, number, pack, estimate, atMost, read }) => ({
        id,
        number,
        pack,
        play: estimate?.value ?? atMost!,
        uOwn: quadrature(estimate ? Math.sqrt(ownVariance(estimate.lines)) : 0, uRefit),
        ...(read === undefined ? {} : { read }),
        bound: estimate === null,
      })),
    { ...context, uShared },
    suspicions,
  )
}

/**
 * What packs are reckoned from; null where nothing was measured.
 * @param all  fittings, the present one last
 * @param fitted  pieces known to be in the place now
 * @param limits  below whose lower end nothing is looked for
 */
export function groundsFrom(
  all: readonly Fitting[],
  fitted: Pack,
  ledger: Ledger,
  { lots, response }: Pick<LedgerContext, 'lots' | 'response'>,
  uRefit: number,
  limits: LimitSet | null,
): Grounds | null {
  const now = all.at(-1)!
  if (now.estimate === null && now.atMost === null) return null
  const c = response.perPiece
  const total = packTotal(fitted, lots)
  const { suspect } = ledger
  const oddNow = suspect?.id === now.id
  const measured = now.estimate ? asMeasured(now.estimate) : null
  const base = now.pack === null ? null : ledger.base
  const reckoned = base && { play: base.value + c * total, u: base.u, nu: Infinity }
  const plain = reckoned && (!measured || oddNow || knowsBetter(measured)) ? reckoned : measured
  const from = plain && within(plain)
  if (from) {
    const before = packsBefore(all, suspect?.id)
    return { measured, from, before, uRefit, bound: false, atLeast: leastPlay(from), doubts: doubtsBeside(), oddNow }
  }
  const most = { play: now.atMost!, u: 0, nu: Infinity }
  return { measured: null, from: most, before: [], uRefit, bound: true, atLeast: leastPlay(most), doubts: [], oddNow: false }

  /** Do several fittings that agree tell more than the present reading, for all their pieces may be off? */
  function knowsBetter({ u }: Measured): boolean {
    return base!.fittings > 1 && base!.u < quadrature(u, uRefit)
  }

  /** What fittings without a play, and with pieces that are known, allow the present one at most; with what that may be off. */
  function boundsNow(): { readonly play: number; readonly u: number }[] {
    return all.flatMap(({ pack, atMost }) => {
      if (pack === null || atMost === null) return []
      const change = packChange(pack, fitted)
      return [{ play: atMost + c * (total - packTotal(pack, lots)), u: quadrature(uRefit, changeSpread(change, lots)) }]
    })
  }

  /** What is known with the fittings that had no play: no more than those allow (a normal distribution cut off, its moments kept). */
  function within(known: Measured): Measured {
    if (ledger.state === 'disagree') return known
    return boundsNow().reduce<Measured>((kept, bound) => atMostOf(kept, bound), known)
  }

  /** Every other sum that could be right, while fittings do not agree. */
  function doubtsBeside(): Measured[] {
    if (ledger.state !== 'disagree') return []
    const sums = all.slice(0, -1).flatMap(({ pack, estimate }): Measured[] => {
      if (pack === null || estimate === null) return []
      const { play, u, nu } = asMeasured(estimate)
      const spread = quadrature(u, uRefit, changeSpread(packChange(pack, fitted), lots))
      return [{ play: play + c * (total - packTotal(pack, lots)), u: spread, nu: Number.isFinite(nu) ? nu * (spread / u) ** 4 : nu }]
    })
    const bounds = boundsNow().filter(({ play, u }) => measured && measured.play - play > TOO_FAR * quadrature(measured.u, u))
    return [...sums, ...bounds.map(({ play, u }) => ({ play, u, nu: Infinity }))]
  }

  /** The play, reckoned from here, below which a pack is no looser than one that was found to have none; null without such a fitting. */
  function leastPlay({ play }: Measured): number | null {
    const lower = Math.max(0, endsOf(limits)?.lower ?? 0)
    const least = all.flatMap(({ pack, atMost }) =>
      pack === null || atMost === null ? [] : [play + c * (packTotal(pack, lots) - total) + Math.max(1, lower - atMost)],
    )
    return least.length === 0 ? null : Math.max(...least)
  }
}

/** Further off than this a bound takes nothing away. */
const FAR_OFF = 3

/**
 * What is known of a figure, and that it is no more than something which may itself be off: mean and spread of what is left of its
 * normal distribution.
 * @example atMostOf({ play: 0, u: 1, nu: Infinity }, { play: 0, u: 0 }).play // -0.7978845608028654
 */
export function atMostOf(known: Measured, bound: { readonly play: number; readonly u: number }): Measured {
  const spread = quadrature(known.u, bound.u)
  const at = (bound.play - known.play) / spread
  if (at > FAR_OFF || spread === 0) return known
  const hazard = Math.exp(-(at ** 2) / 2) / (Math.sqrt(2 * Math.PI) * normalCdf(at))
  const share = known.u ** 2 / spread
  const variance = known.u ** 2 - share ** 2 * hazard * (at + hazard)
  return { ...known, play: known.play - share * hazard, u: Math.sqrt(Math.max(variance, 0)) }
}

/** Earlier packs with what they measured, the newest reading of each. @param except  a fitting that is the odd one */
export function packsBefore(all: readonly Fitting[], except?: string): Grounds['before'] {
  const found: { pack: Pack; measured: Measured }[] = []
  for (const { id, pack, estimate } of all.slice(0, -1).reverse()) {
    if (!pack || !estimate || id === except || found.some(other => samePack(other.pack, pack))) continue
    found.push({ pack, measured: asMeasured(estimate) })
  }
  return found
}
