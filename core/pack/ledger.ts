import { formatLength } from '../quantity/format-length'
import { UNIT_NAME, type LengthUnit } from '../quantity/length'
import { CHI_SQUARE_95, normalQuantile } from '../reading/student'
import { quadrature } from '../reading/statistics'
import { changeSpread } from './change-spread'
import { lotOf, packChange, packTotal, thickness, type LotMap, type Pack } from './lot'
import type { Response } from './response'

/** One fitting that was measured. nm */
export interface LedgerTrial {
  readonly id: string
  readonly pack: Pack
  readonly play: number
  /** standard uncertainty its own readings carry, with u_refit, without what the same gauge gives every trial */
  readonly uOwn: number
  /** expanded uncertainty of the play: a play within it of zero gives no base */
  readonly U: number
}

/** What could have gone wrong with a fitting, by the sign of its effect on the play. Given by the check kind. */
export interface Suspicion {
  readonly effect: 'less-play' | 'more-play'
  readonly words: string
}

export interface LedgerEntry {
  readonly id: string
  readonly total: number
  readonly play: number
  /** null: indistinguishable from zero */
  readonly base: number | null
  readonly u: number
}

export interface Ledger {
  readonly entries: readonly LedgerEntry[]
  /** empty, one base, all agree, they do not agree, one is named */
  readonly state: 'empty' | 'one' | 'agree' | 'disagree' | 'suspect'
  /** play = base + c·T from the trials that agree, nm */
  readonly base: { readonly value: number; readonly u: number } | null
  /** Δplay/ΔT of two that do not agree; ±1 (or ±2) was expected */
  readonly apparentSlope: number | null
  readonly suspect: {
    readonly id: string
    /** play read, less what the others say, nm */
    readonly offset: number
    readonly reasons: readonly string[]
  } | null
  readonly words: string
}

const AGREE = normalQuantile(0.975)

/**
 * Do the fittings tell one story? Each gives base = play − Σ c·t; bases that agree are fused, one that does not is named only when
 * the others leave no doubt: with two never, with three when exactly one pair agrees, from four by leaving each out (Bonferroni).
 * @param uShared  uncertainty all trials share (the gauge), nm: added once, never averaged down
 */
export function readLedger(
  trials: readonly LedgerTrial[],
  lots: LotMap,
  response: Response,
  unit: LengthUnit,
  uShared: number,
  suspicions: readonly Suspicion[],
): Ledger {
  const c = response.perPiece
  const everywhere = trials.length > 1 ? commonPieces(trials.map(trial => trial.pack)) : []
  const entries = trials.map((trial): LedgerEntry => ({
    id: trial.id,
    total: packTotal(trial.pack, lots),
    play: trial.play,
    base: trial.play - trial.U <= 0 ? null : trial.play - c * packTotal(trial.pack, lots),
    u: quadrature(trial.uOwn, changeSpread(packChange(everywhere, trial.pack), lots)),
  }))
  const usable = entries.filter((entry): entry is LedgerEntry & { base: number } => entry.base !== null)
  const pick = (id: string) => trials.find(trial => trial.id === id)!
  const agree = (a: LedgerEntry & { base: number }, b: LedgerEntry & { base: number }) =>
    Math.abs(a.base - b.base) <
    AGREE * quadrature(pick(a.id).uOwn, pick(b.id).uOwn, changeSpread(packChange(pick(a.id).pack, pick(b.id).pack), lots))
  const result = (state: Ledger['state'], words: string, more: Partial<Ledger> = {}): Ledger => ({
    entries,
    state,
    base: null,
    apparentSlope: null,
    suspect: null,
    words,
    ...more,
  })
  const zero = entries.length > usable.length ? ' A play that cannot be told from zero says only “zero or less” and gives no base.' : ''

  if (usable.length === 0)
    return result('empty', entries.length === 0 ? 'No fitting measured yet.' : `${zero.trim()} Fit a looser pack and measure again.`)
  if (usable.length === 1) return result('one', `One fitting: a base, and nothing yet to hold it against.${zero}`, { base: fuse(usable) })
  if (usable.length === 2) {
    const [a, b] = usable as [(typeof usable)[0], (typeof usable)[0]]
    if (agree(a, b)) return result('agree', `Two fittings agree.${zero}`, { base: fuse(usable) })
    const step = b.total - a.total
    const apparentSlope = step === 0 ? null : (b.play - a.play) / step
    return result(
      'disagree',
      `Two fittings do not agree: ${slopeWords(apparentSlope, c)} Two never tell which is wrong: measure the present fitting again.`,
      { apparentSlope },
    )
  }
  const odd = usable.length === 3 ? oddOfThree(usable) : oddOfMany(usable)
  if (odd === 'none') return result('agree', `${usable.length} fittings agree.${zero}`, { base: fuse(usable) })
  if (odd === null) return result('disagree', 'These fittings do not agree, and no single one explains it: repeat one.')
  const rest = usable.filter(entry => entry !== odd)
  const base = fuse(rest)
  const offset = odd.base - base.value
  const reasons = explain(odd, offset, rest)
  return result(
    'suspect',
    `Fitting ${trials.findIndex(trial => trial.id === odd.id) + 1} is ${formatLength(Math.abs(offset), unit, { unit: true })} ${offset < 0 ? 'tighter' : 'looser'} than the others say.`,
    { base, suspect: { id: odd.id, offset, reasons } },
  )

  function fuse(some: readonly (LedgerEntry & { base: number })[]): { value: number; u: number } {
    const weights = some.map(entry => 1 / entry.u ** 2)
    const total = weights.reduce((a, b) => a + b, 0)
    return {
      value: some.reduce((sum, entry, i) => sum + entry.base * weights[i]!, 0) / total,
      u: quadrature(1 / Math.sqrt(total), uShared),
    }
  }

  function chiSquare(some: readonly (LedgerEntry & { base: number })[]): number {
    const { value } = fuse(some)
    return some.reduce((sum, entry) => sum + ((entry.base - value) / entry.u) ** 2, 0)
  }

  function oddOfThree(three: typeof usable): (typeof usable)[0] | 'none' | null {
    if (chiSquare(three) <= CHI_SQUARE_95[2]!) return 'none'
    const alone = three.filter((_, i) => agree(three[(i + 1) % 3]!, three[(i + 2) % 3]!))
    return alone.length === 1 ? alone[0]! : null
  }

  function oddOfMany(many: typeof usable): (typeof usable)[0] | 'none' | null {
    const limit = normalQuantile(1 - 0.05 / (2 * many.length))
    const scored = many
      .map(entry => {
        const others = many.filter(other => other !== entry)
        const weight = others.reduce((sum, other) => sum + 1 / other.u ** 2, 0)
        const centre = others.reduce((sum, other) => sum + other.base / other.u ** 2, 0) / weight
        return { entry, z: Math.abs(entry.base - centre) / quadrature(entry.u, 1 / Math.sqrt(weight)), others }
      })
      .sort((a, b) => b.z - a.z)
    const worst = scored[0]!
    const fails = chiSquare(many) > (CHI_SQUARE_95[many.length - 1] ?? Infinity)
    if (worst.z <= limit) return fails ? null : 'none'
    return chiSquare(worst.others) <= (CHI_SQUARE_95[worst.others.length - 1] ?? Infinity) ? worst.entry : null
  }

  /** Only what fits in sign and size. A misreading and a wrong piece that appears once cannot be told apart: both are said. */
  function explain(odd: LedgerEntry, offset: number, rest: readonly LedgerEntry[]): string[] {
    const show = (value: number) => formatLength(value, unit, { trim: true })
    const within = 2 * quadrature(odd.u, ...rest.map(entry => entry.u / rest.length))
    const reasons = [`The dial was misread by about ${show(Math.abs(offset))} ${UNIT_NAME[unit]}.`]
    const extra = offset / c
    for (const piece of pick(odd.id).pack) {
      if (rest.some(entry => pick(entry.id).pack.some(other => other.lotId === piece.lotId))) continue
      const lot = lotOf(lots, piece.lotId)
      const really = thickness(lot) + extra / piece.count
      if (really <= 0) continue
      const like = nearestSize(
        [...lots.values()].filter(other => other.id !== lot.id).map(other => other.nominal as number),
        really,
        within / piece.count,
      )
      reasons.push(
        `A ${show(lot.nominal)} that is ${like === null ? `about ${formatLength(really, unit)}` : `really a ${show(like)}`}: measure it.`,
      )
    }
    const hidden =
      extra > 0
        ? nearestSize(
            [...lots.values()].map(lot => thickness(lot) as number),
            extra,
            within,
          )
        : null
    if (hidden !== null) reasons.push(`Two pieces stuck together: a ${show(hidden)} went in unseen.`)
    return [...reasons, ...suspicions.filter(s => (s.effect === 'less-play') === offset < 0).map(s => s.words)]
  }
}

function nearestSize(sizes: readonly number[], wanted: number, within: number): number | null {
  const nearest = sizes.reduce<number | null>(
    (best, size) => (best === null || Math.abs(size - wanted) < Math.abs(best - wanted) ? size : best),
    null,
  )
  return nearest !== null && Math.abs(nearest - wanted) <= within ? nearest : null
}

/** Pieces that every pack holds: whatever they really measure, they leave the comparison. */
function commonPieces(packs: readonly Pack[]): Pack {
  return packs[0]!.flatMap(piece => {
    const count = Math.min(...packs.map(pack => pack.filter(p => p.lotId === piece.lotId).reduce((sum, p) => sum + p.count, 0)))
    return count > 0 ? [{ lotId: piece.lotId, count }] : []
  })
}

function slopeWords(slope: number | null, c: number): string {
  if (slope === null) return 'the same thickness, another play.'
  const ratio = slope / c
  if (Math.abs(ratio) < 0.25) return 'the pack changed and the play did not.'
  if (ratio < 0) return 'the play went the other way. Is the sign of this place right?'
  if (ratio > 0.35 && ratio < 0.65) return 'the play moved by half of what it should: one side only?'
  return `the play moved ${ratio.toFixed(1)} times what the pack did.`
}
