import type { PackRules } from '../choice/question/rules'
import type { LengthUnit, Nm } from '../quantity/length'
import type { Pooled } from '../reading/estimate'
import type { Gauge } from '../reading/gauge'
import type { Reading } from '../reading/reading'
import type { Aim } from '../verdict/aim'
import type { DecisionRule, VerdictState } from '../verdict/decide'
import { meetBoth, type LimitSet } from '../verdict/limits'
import type { Lap } from '../pack/lapping'
import { mergedPack, type Lot, type Pack } from '../pack/lot'
import { resultId } from './contract'
import type { PackPlace } from './pack-place'
import type { Setup } from './setup'

/** A reading, and the point of the check kind it was taken at. */
export type PointReading = Reading & { readonly point: string }

/** What was predicted of a result when its pack was chosen, nm; `uOwn` is without what the gauge gives both measurements. */
export interface Predicted {
  readonly play: number
  readonly u: number
  readonly uOwn: number
  /** degrees of freedom; left out of fittings that are older than this, and where they have no bound */
  readonly nu?: number
}

/** One fitting: packs in their places, and what was measured with them. The first is what was found. */
export interface Trial {
  readonly id: string
  readonly at: string
  /** By place: the pieces that are listed. A place that is missing, or null: nothing of what is in there is known. */
  readonly packs: Readonly<Record<string, Pack | null>>
  /** Places that hold pieces nobody listed besides those of `packs`. */
  readonly unlisted: readonly string[]
  /** Places taken apart for this fitting. */
  readonly refitted: readonly string[]
  /** By result. */
  readonly predicted: Readonly<Record<string, Predicted>>
  /** By condition of the kind: the state the unit was in. Those not said are left out. */
  readonly conditions: Readonly<Record<string, string>>
  /** By point: why it is not read in this fitting; empty: it is asked for again, though an earlier fitting left it out. */
  readonly leftOut: Readonly<Record<string, string>>
  /** By lot: its pieces as they were when they were fitted. Those nobody kept are left out. */
  readonly pieces: Readonly<Record<string, PieceAsFitted>>
  readonly readings: readonly PointReading[]
}

/** A piece as it was when it was fitted, whatever it measures today. */
export interface PieceAsFitted {
  /** what it was reckoned as */
  readonly size: Nm
  /** a micrometer said so; else its mark */
  readonly measured: boolean
  readonly mark: string
  /** nobody kept it: filled in later from what was known then */
  readonly since?: true
}

/** How much the pieces of a place moved a result that is no length, as an earlier service of the unit, or of its type, showed. */
export interface KnownSlope {
  /** small units of the result per nm */
  readonly slope: number
  /** standard uncertainty, as it was learned */
  readonly u: number
  /** where: `Service at 4,210 hours, 2026-03-01` */
  readonly from: string
}

/** A step ticked, of a fitting. */
export interface Tick {
  readonly step: string
  readonly trial: string
}

/** What was said of a fitting and holds no longer, since a part was changed or the check opened again. */
export interface Struck {
  readonly what: 'state' | 'step' | 'left-out'
  /** of the condition, the step, the point */
  readonly id: string
  readonly trial: string
  /** the state, or why it was left out; null: ticked */
  readonly said: string | null
  /** place of what struck it out in the order of what happened */
  readonly order: number
}

/** What was pending of a fitting is done, or accepted as it is; `open` takes that back. */
export interface Clearing {
  readonly item: string
  readonly trial: string
  readonly how: 'done' | 'accepted' | 'open'
  readonly by: string
  readonly at: string
  /** Its place in the order of what happened. */
  readonly order: number
}

/** A figure as it was signed, in small units of its result. */
export interface SignedFigure {
  /** `play`, `clearance@3` */
  readonly id: string
  /** null: signed without a figure, by a word or an inequality */
  readonly value: number | null
  readonly U: number | null
  readonly state: VerdictState
}

/** Of a size, what a figure rests on: what it measures, and how well that is known. How many lie in the drawer, and what they cost, is no part of it. */
export type SignedPiece = Omit<Lot, 'onHand' | 'reserved' | 'cost' | 'leadDays' | 'tags'>

export interface SignOff {
  readonly at: string
  readonly by: string
  /** Accepted outside limits, or in spite of a residual: why. */
  readonly reason: string | null
  readonly core: string
  /** what was signed, as that version computed it; left out of records that are older than this */
  readonly figures?: readonly SignedFigure[]
  /** the pieces it rests on, as they were then; left out of records that are older than this */
  readonly pieces?: readonly SignedPiece[]
}

/** A part was replaced or reworked: readings taken before on what rests on it are stale. Role `*`: everything. The reason is what was done, without the part’s name. */
export interface PartChange {
  readonly role: string
  readonly at: string
  readonly reason: string
  /** Its place in the order of what happened, as readings have theirs. */
  readonly order: number
}

/** A signed check that was opened again: what was read before does not sign it a second time. */
export interface Reopening {
  readonly at: string
  readonly by: string
  readonly reason: string
  readonly order: number
}

export interface LimitPair {
  readonly book: LimitSet | null
  readonly shop: LimitSet | null
}
export type WorkingLimits = 'tighter' | 'book' | 'shop'
export interface CheckLimits {
  /** Which of the two judges, where both are known; tighter: the shop's where they lie inside the book's, else the book's. */
  readonly working: WorkingLimits
  /** By kind of result, or by result where a position has its own: `clearance`, `clearance@3`. */
  readonly sets: Readonly<Record<string, LimitPair>>
}

/** Everything an evaluation rests on, and what a worksheet holds of a check. Lengths in nm. */
export interface CheckDocument {
  readonly id: string
  readonly kind: string
  readonly title: string
  readonly entryUnit: LengthUnit
  readonly setup: Setup
  readonly limits: CheckLimits
  readonly rule: DecisionRule
  readonly aim: Aim
  readonly packRules: PackRules
  /** Family of the drawer the pieces come from. */
  readonly family: string
  /** What taking apart and putting back does to a play, standard uncertainty, nm. */
  readonly uRefit: Nm
  /** What taking it apart once more costs, in readings; left out: as usual. */
  readonly refitCost?: number
  /** By result: what an earlier service learned. */
  readonly slopes?: Readonly<Record<string, KnownSlope>>
  /** Degrees between plunger and movement. */
  readonly tipAngle: number
  /** Those in use, by kind, or by `kind:tool` where some points have one of their own. */
  readonly gauges: Readonly<Record<string, Gauge>>
  /** By gauge: what earlier series of this kind of check showed. */
  readonly history: Readonly<Record<string, Pooled>>
  readonly trials: readonly Trial[]
  readonly ticks: readonly Tick[]
  /** what was said and holds no longer, oldest first */
  readonly struck: readonly Struck[]
  /** Role of the kind: part of the job it is. */
  readonly parts: Readonly<Record<string, string>>
  readonly partChanges: readonly PartChange[]
  /** In the order they happened; the newest of an item counts. */
  readonly clearings: readonly Clearing[]
  /** Pieces made for this check. */
  readonly laps: readonly Lap[]
  readonly signOff: SignOff | null
  /** the newest reopening; null: never signed, or signed once */
  readonly reopened: Reopening | null
}

/** 0.3 thou: what refitting one pack does to a play until the shop's own proofs say better. Common practice. */
export const DEFAULT_REFIT = 7_620

/** Limits of a result: a position's own where it has some, else those of its kind. */
export function limitsOf(
  { limits }: Pick<CheckDocument, 'limits'>,
  kind: string,
  position: string | null,
): LimitPair & { readonly working: LimitSet | null } {
  const own = limits.sets[resultId(kind, position)]
  const general = limits.sets[kind]
  const book = own?.book ?? general?.book ?? null
  const shop = own?.shop ?? general?.shop ?? null
  const judging = limits.working === 'tighter' ? meetBoth(shop, book) : { book, shop }[limits.working]
  return { book, shop, working: judging ?? book ?? shop }
}

/** The check as it was found: its first fitting, with what was read before any part was replaced. */
export function asItWasFound(document: CheckDocument): CheckDocument {
  const first = document.trials[0]!
  const changed = Math.min(Infinity, ...document.partChanges.map(({ order }) => order))
  const readings = first.readings.filter(({ order }) => !newerThan(order, changed))
  return { ...document, partChanges: [], trials: [{ ...first, readings }] }
}

/** The pack of a place in a fitting; null: not known, or not all of it. */
export const packIn = (trial: Pick<Trial, 'packs' | 'unlisted'>, place: string): Pack | null =>
  trial.unlisted.includes(place) || !trial.packs[place] ? null : mergedPack(trial.packs[place])
/** The same of a place of the kind: where nothing is until something is put in, nothing is. */
export const packAt = (trial: Pick<Trial, 'packs' | 'unlisted'>, { id, startsEmpty }: Pick<PackPlace, 'id' | 'startsEmpty'>): Pack | null =>
  packIn(trial, id) ?? (startsEmpty && !trial.unlisted.includes(id) ? [] : null)
/** The pieces that are known to be in a place, whatever else is in there. */
export const piecesIn = (trial: Pick<Trial, 'packs'>, place: string): Pack => mergedPack(trial.packs[place] ?? [])

/** Is the first newer than the second? What is still on its way to be stored is newer than all. */
export const newerThan = (order: number | undefined, than: number): boolean => (order ?? Infinity) > than

/** A packing goes where packings go, and nothing else goes there; a washer where its hole and its rim allow, as far as both are known. */
export function goesInto(
  { holds, washers }: Pick<PackPlace, 'holds' | 'washers'>,
  { shape, inside, outside }: Pick<Lot, 'shape' | 'inside' | 'outside'>,
): boolean {
  if ((shape === 'packing') !== (holds === 'packing')) return false
  const clears = washers?.over == null || (inside !== undefined && inside > washers.over)
  const stays = washers?.within == null || (outside !== undefined && outside < washers.within)
  return clears && stays
}

/** The sheets pieces of its family are made from. */
export const sheetsFor = (document: Pick<CheckDocument, 'family'>, lots: readonly Lot[]): Lot[] =>
  lots.filter(lot => lot.family === document.family && lot.shape === 'sheet' && lot.onHand > 0)

/** Ids of what was ever fitted. */
export const everFitted = ({ trials }: Pick<CheckDocument, 'trials'>): Set<string> =>
  new Set(trials.flatMap(({ packs }) => Object.values(packs).flatMap(pack => (pack ?? []).map(({ lotId }) => lotId))))

/** The pieces of the drawer this check may choose from: its family, and whatever was ever fitted. @param place  only what goes there */
export function drawerFor(
  document: Pick<CheckDocument, 'family' | 'trials'>,
  lots: readonly Lot[],
  place?: Pick<PackPlace, 'id' | 'holds' | 'washers'>,
): Lot[] {
  const fitted = everFitted(document)
  const own = lots.filter(lot => (lot.family === document.family && lot.shape !== 'sheet') || fitted.has(lot.id))
  if (!place) return own
  // What is in may stay, whatever goes there by what is known now; no more of it is put in.
  const here = new Set(piecesIn(document.trials.at(-1)!, place.id).map(({ lotId }) => lotId))
  return own.flatMap(lot => (goesInto(place, lot) ? [lot] : here.has(lot.id) ? [{ ...lot, onHand: 0 }] : []))
}
