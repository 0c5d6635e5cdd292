import { lotMap, packTotal, type Lot, type Pack } from '../../../pack/lot'
import { endsOf } from '../../../verdict/limits'
import { chosenFor, effectOn } from '../../pack-place'
import { packAt, type CheckDocument } from '../../document'
import type { CheckEvaluation } from '../../evaluate/evaluate-check'

/** A figure as far as it is known: judged between two, or known to ± U; nm. */
export interface Reach {
  readonly low: number
  readonly high: number
}
/** What other pieces would make of one gap, before anything is taken apart. */
export interface WouldBe {
  readonly id: string
  readonly label: string
  /** null: not read */
  readonly now: Reach | null
  readonly after: Reach | null
  /** 0: it gains nothing */
  readonly change: number
  /** all of it in limits, some of it, none of it; null without limits, or not read */
  readonly lands: 'in' | 'may' | 'out' | null
}

/**
 * Every figure of a chain with other pieces in its places: each moves what it moves, a washer taken from one place to another both.
 * @param packs  by place; those left out keep what is in them
 */
export function whatIf(
  document: CheckDocument,
  { places, current }: Pick<CheckEvaluation, 'places' | 'current'>,
  lots: readonly Lot[],
  packs: Readonly<Record<string, Pack>>,
): WouldBe[] {
  const index = lotMap(lots)
  const last = document.trials.at(-1)!
  const moved = places.map(({ place }) => {
    const next = packs[place.id]
    return { place, by: next ? packTotal(next, index) - packTotal(packAt(last, place) ?? [], index) : 0 }
  })
  return current.results
    .filter(({ id }) => places.some(({ place }) => chosenFor(place).result === id))
    .map(({ id, label, estimate, valid, stale, findings, limits }) => {
      const change = moved.reduce((sum, { place, by }) => {
        return sum + (effectOn(place, id)?.perPiece ?? 0) * by
      }, 0)
      const half = estimate && (findings.some(({ gate }) => gate === 'feel') ? Math.sqrt(3) * estimate.u : estimate.U)
      const now = estimate && valid && stale === null ? { low: estimate.value - half!, high: estimate.value + half! } : null
      const after = now && { low: now.low + change, high: now.high + change }
      const ends = endsOf(limits.working)
      const lands =
        !after || !ends
          ? null
          : after.low >= ends.lower && after.high <= ends.upper
            ? 'in'
            : after.high < ends.lower || after.low > ends.upper
              ? 'out'
              : 'may'
      return { id, label, now, after, change, lands }
    })
}
