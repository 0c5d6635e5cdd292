import { lowerFirst } from '../../quantity/first-letter'
import { formatLength } from '../../quantity/format-length'
import { UNIT_NAME, type LengthUnit } from '../../quantity/length'
import { normalQuantile } from '../../reading/student'
import { quadrature } from '../../reading/statistics'
import { changeSpread } from '../../pack/change-spread'
import { chiSquareLimit, weightedBase, type BasedEntry, type LedgerContext, type LedgerEntry } from './base'
import { packChange, packTotal, type LotMap, type Pack } from '../../pack/lot'
import { mislabelled, reasonsFor, type Mislabelled, type Suspicion } from './suspicions'

export type { Suspicion } from './suspicions'

/** One fitting that was measured. nm */
export interface LedgerTrial {
  readonly id: string
  /** which fitting of the check it is, counted from 1: not all are held against each other; left out, its place among these */
  readonly number?: number
  readonly pack: Pack
  /** for a bound, the most it can have been */
  readonly play: number
  /** as it was read, where what has changed elsewhere is reckoned in */
  readonly read?: number
  /** standard uncertainty its own readings carry, with u_refit, without what the same gauge gives every trial */
  readonly uOwn: number
  /** the play cannot be told from zero: it says only “so much or less”, and gives no base */
  readonly bound: boolean
}

export interface Ledger {
  readonly entries: readonly LedgerEntry[]
  /** empty, one base, all agree, they do not agree, one is named */
  readonly state: 'empty' | 'one' | 'agree' | 'disagree' | 'suspect'
  /** play = base + c·T from the trials that agree, nm, and how many those are */
  readonly base: { readonly value: number; readonly u: number; readonly fittings: number } | null
  /** Δplay/ΔT of two that do not agree; ±1 (or ±2) was expected */
  readonly apparentSlope: number | null
  /** the play went the other way than the pack: the sign of the place is in doubt */
  readonly signDoubtful: boolean
  readonly suspect: {
    readonly id: string
    /** play read, less what the others say, nm */
    readonly offset: number
    readonly reasons: readonly string[]
  } | null
  /** a piece that two fittings or more show not to be its size */
  readonly piece: Mislabelled | null
  readonly words: string
}

const AGREE = normalQuantile(0.975)
/** What fittings say lies this many u above a bound: they contradict it. */
export const TOO_FAR = 2
/**
 * Do the fittings tell one story? Each gives base = play − Σ c·t; bases that agree are fused, one that does not is named only when
 * the others leave no doubt: with two never, with three when exactly one pair agrees, from four by leaving each out (Bonferroni).
 */
export function readLedger(trials: readonly LedgerTrial[], context: LedgerContext, suspicions: readonly Suspicion[]): Ledger {
  const { lots, response, unit, uShared } = context
  const c = response.perPiece
  const everywhere = trials.length > 1 ? commonPieces(trials.map(trial => trial.pack)) : []
  const entries = trials.map((trial, i): LedgerEntry => ({
    id: trial.id,
    number: trial.number ?? i + 1,
    total: packTotal(trial.pack, lots),
    own: packTotal(trial.pack, lots),
    play: trial.play,
    read: trial.read ?? trial.play,
    bound: trial.bound,
    base: trial.bound ? null : trial.play - c * packTotal(trial.pack, lots),
    u: quadrature(trial.uOwn, changeSpread(packChange(everywhere, trial.pack), lots)),
  }))
  const usable = entries.flatMap((entry, i): BasedEntry[] =>
    entry.base === null ? [] : [{ ...entry, base: entry.base, pack: trials[i]!.pack, uOwn: trials[i]!.uOwn }],
  )
  const result = (state: Ledger['state'], words: string, more: Partial<Ledger> = {}): Ledger => ({
    entries,
    state,
    base: null,
    apparentSlope: null,
    signDoubtful: false,
    suspect: null,
    piece: null,
    words,
    ...more,
  })
  const zero = entries.length > usable.length ? ' A play that cannot be told from zero says only “zero or less” and gives no figure.' : ''

  return usable.length === 0 ? ofNone() : heldToBounds(ofUsable())

  function ofNone(): Ledger {
    return result('empty', entries.length === 0 ? 'No fitting measured yet.' : `${zero.trim()} Fit a looser pack and measure again.`)
  }

  function ofUsable(): Ledger {
    if (usable.length === 1) return result('one', `One fitting, and nothing yet to hold it against.${zero}`, { base: fused(usable) })
    if (usable.length === 2) return ofTwo(usable[0]!, usable[1]!)
    const odd = usable.length === 3 ? oddOfThree(usable, lots) : oddOfMany(usable)
    if (odd === 'none') return result('agree', `${usable.length} fittings agree.${zero}`, { base: fused(usable) })
    const piece = mislabelled(usable, context)
    if (piece) return result('disagree', piece.words, { piece })
    if (odd === null) return result('disagree', 'These fittings do not agree, and no single one explains it: repeat one.')
    return named(odd)
  }

  /** A fitting without a play says that there is no more than so much: what the others say of its pack may not lie far above that. */
  function heldToBounds(told: Ledger): Ledger {
    const { base } = told
    if (!base) return told
    const over = entries
      .filter(entry => entry.base === null)
      .map(entry => ({ entry, says: base.value + c * entry.total, u: quadrature(base.u, entry.u) }))
      .filter(({ entry, says, u }) => says - entry.play > TOO_FAR * u)
      .sort((a, b) => b.says - b.entry.play - (a.says - a.entry.play))[0]
    if (!over) return told
    const show = (value: number, named_ = false) => formatLength(value, unit, { unit: named_, trim: true })
    const { number, play } = over.entry
    const others = usable.map(entry => entry.number)
    return result(
      'disagree',
      `Fitting ${number} had ${show(play) === '0' || play < 0 ? 'no play' : `${show(play)} at most`}, where ${others.length === 1 ? `fitting ${others[0]} says` : `fittings ${others.join(', ')} say`} ${show(over.says)}: ${show(over.says - play, true)} apart. Read one of them again first.`,
    )
  }

  function fused(some: readonly BasedEntry[]): NonNullable<Ledger['base']> {
    const { value, u } = weightedBase(some)
    return { value, u: quadrature(u, uShared), fittings: some.length }
  }

  function ofTwo(a: BasedEntry, b: BasedEntry): Ledger {
    if (agree(a, b, lots)) return result('agree', `Two fittings agree.${zero}`, { base: fused([a, b]) })
    const step = b.total - a.total
    const apparentSlope = step === 0 ? null : (b.play - a.play) / step
    return result(
      'disagree',
      `Two fittings do not agree: ${slopeWords(apparentSlope, b.play - a.play, c * step, c, unit)} Two never tell which is wrong: measure the present fitting again.${lookAt(b.base - a.base)}`,
      { apparentSlope, signDoubtful: apparentSlope !== null && apparentSlope / c < -SMALL },
    )
  }

  /** What may lie behind it, besides a figure read wrong. */
  function lookAt(offset: number): string {
    const causes = suspicions
      .filter(({ effect }) => (effect === 'less-play') === offset < 0)
      .map(({ words }) => lowerFirst(words.replace(/\.$/, '')))
    return causes.length === 0 ? '' : ` Or: ${causes.join('; ')}.`
  }

  function named(odd: BasedEntry): Ledger {
    const rest = usable.filter(entry => entry !== odd)
    const base = fused(rest)
    const offset = odd.base - base.value
    return result(
      'suspect',
      `Fitting ${odd.number} is ${formatLength(Math.abs(offset), unit, { unit: true })} ${offset < 0 ? 'tighter' : 'looser'} than the others say.`,
      { base, suspect: { id: odd.id, offset, reasons: reasonsFor(odd, offset, rest, context, suspicions) } },
    )
  }
}

function agree(a: BasedEntry, b: BasedEntry, lots: LotMap): boolean {
  return Math.abs(a.base - b.base) < AGREE * quadrature(a.uOwn, b.uOwn, changeSpread(packChange(a.pack, b.pack), lots))
}

/** @returns 'none' when all agree, null when no single one can be named */
function oddOfThree(three: readonly BasedEntry[], lots: LotMap): BasedEntry | 'none' | null {
  if (weightedBase(three).chiSquare <= chiSquareLimit(2)) return 'none'
  const alone = three.filter((_, i) => agree(three[(i + 1) % 3]!, three[(i + 2) % 3]!, lots))
  return alone.length === 1 ? alone[0]! : null
}

function oddOfMany(many: readonly BasedEntry[]): BasedEntry | 'none' | null {
  const limit = normalQuantile(1 - 0.05 / (2 * many.length))
  const scored = many
    .map(entry => {
      const others = many.filter(other => other !== entry)
      const { value, u, chiSquare } = weightedBase(others)
      return { entry, z: Math.abs(entry.base - value) / quadrature(entry.u, u), chiSquare }
    })
    .sort((a, b) => b.z - a.z)
  const worst = scored[0]!
  if (worst.z <= limit) return weightedBase(many).chiSquare > chiSquareLimit(many.length - 1) ? null : 'none'
  return worst.chiSquare <= chiSquareLimit(many.length - 2) ? worst.entry : null
}

/** Pieces that every pack holds: whatever they really measure, they leave the comparison. */
function commonPieces(packs: readonly Pack[]): Pack {
  return packs[0]!.flatMap(piece => {
    const count = Math.min(...packs.map(pack => pack.filter(p => p.lotId === piece.lotId).reduce((sum, p) => sum + p.count, 0)))
    return count > 0 ? [{ lotId: piece.lotId, count }] : []
  })
}

/** Slopes nearer zero than this part of the expected one are none. */
const SMALL = 0.25

function slopeWords(slope: number | null, moved: number, expected: number, c: number, unit: LengthUnit): string {
  const show = (value: number) => formatLength(value, unit, { sign: true })
  if (slope === null) return 'the same thickness, another play.'
  const ratio = slope / c
  if (Math.abs(ratio) < SMALL)
    return `the pack changed and the play did not: ${show(expected)} ${UNIT_NAME[unit]} was expected, ${show(moved)} seen.`
  if (ratio < 0) return 'the play went the other way. Is the sign of this place right?'
  if (ratio > 0.35 && ratio < 0.65) return 'the play moved by half of what it should: one side only?'
  return `the play moved ${show(moved)} where the pack asks for ${show(expected)} ${UNIT_NAME[unit]}.`
}
