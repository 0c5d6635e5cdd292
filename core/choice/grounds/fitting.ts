import { ownVariance, sharedVariance, type Estimate } from '../../reading/estimate'
import { quadrature } from '../../reading/statistics'
import { endsOf, type LimitSet } from '../../verdict/limits'
import { packTotal, samePack, type Pack } from '../../pack/lot'
import type { LedgerContext } from './base'
import type { Grounds, Measured } from './grounds'
import { readLedger, type Ledger, type Suspicion } from './ledger'

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
      .map(({ id, number, pack, estimate, atMost }) => ({
        id,
        number,
        pack,
        play: estimate?.value ?? atMost!,
        uOwn: quadrature(estimate ? Math.sqrt(ownVariance(estimate.lines)) : 0, uRefit),
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
  const measured = now.estimate ? asMeasured(now.estimate) : null
  const base = now.pack === null ? null : ledger.base
  const reckoned = base && { play: base.value + c * total, u: base.u, nu: Infinity }
  const from = reckoned && (!measured || knowsBetter(measured)) ? reckoned : measured
  if (from) return { measured, from, before: packsBefore(all, suspect?.id), uRefit, bound: false, atLeast: leastPlay(from) }
  const most = { play: now.atMost!, u: 0, nu: Infinity }
  return { measured: null, from: most, before: [], uRefit, bound: true, atLeast: leastPlay(most) }

  /** Do several fittings that agree tell more than the present reading, for all their pieces may be off? Never where that is the odd one. */
  function knowsBetter({ u }: Measured): boolean {
    return base!.fittings > 1 && suspect?.id !== now.id && base!.u < quadrature(u, uRefit)
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

/** Earlier packs with what they measured, the newest reading of each. @param except  a fitting that is the odd one */
export function packsBefore(all: readonly Fitting[], except?: string): Grounds['before'] {
  const found: { pack: Pack; measured: Measured }[] = []
  for (const { id, pack, estimate } of all.slice(0, -1).reverse()) {
    if (!pack || !estimate || id === except || found.some(other => samePack(other.pack, pack))) continue
    found.push({ pack, measured: asMeasured(estimate) })
  }
  return found
}
