import type { Scale } from '../quantity/format-length'
import type { Quantity } from '../quantity/quantity'
import type { LengthUnit, Nm } from '../quantity/length'
import type { MeasureUnit } from '../quantity/measure'
import type { Estimate } from '../reading/estimate'
import type { Finding } from '../reading/gates'
import type { Gauge, GaugeKind } from '../reading/gauge'
import type { Reading } from '../reading/reading'
import type { VerdictState } from '../verdict/decide'
import type { Floor, LimitSet } from '../verdict/limits'
import type { EndWords } from '../verdict/words'
import type { Suspicion } from '../choice/grounds/ledger'
import type { Lot } from '../pack/lot'
import type { Phase, Step } from '../method/step'
import type { Counting } from '../method/places'
import type { Heat, Jaws, PointAnswer, WayId } from '../method/way'
import type { Condition, Reminder } from './conditions'
import type { Catalogue } from './catalogue'
import type { PackPlace } from './pack-place'
import type { Setup, SetupField } from './setup'
import type { Spoken } from './spoken'
import type { Target, Work } from './work'

/** Something a measurement rests on: replaced or reworked, what was measured on it is stale. */
export interface PartRole {
  readonly id: string
  readonly label: string
}

/** One of several like places: main 3, rod 1. */
export interface Position {
  readonly id: string
  readonly label: string
}

/** A figure a check comes to, once or at each position; it has its own limits. */
export interface ResultKind {
  readonly id: string
  readonly label: string
  readonly quantity: Quantity
  /** what it is shown in, where that is no length; a length goes by the check’s system */
  readonly unit?: MeasureUnit
  /** How it is shown: a whole size, or a play. */
  readonly scale: Scale
  readonly ends: EndWords
  /** The side of the limits on which nothing can seize. */
  readonly cannotBind: 'above' | 'below'
  /** The check is not done without it. Others are judged only where limits are known. */
  readonly main: boolean
  /** A movement between stops: below zero it cannot read, so zero says only “zero or less”. */
  readonly floored: boolean
  /** what a figure below zero would be: its limits have their floor by it */
  readonly belowZero: Floor
  /** It goes either way from zero: “up to 5” means from −5 to +5. */
  readonly bothWays?: true
  /** Shown with what is judged even where nobody has limits for it: it answers a question of its own. */
  readonly beside?: true
  /** Shown and never judged: nobody has limits for a bore as it came. */
  readonly unjudged?: boolean
  /** The kind of result whose limits judge it, where it has none of its own: the least and the most of one clearance. */
  readonly judgedBy?: string
  /** Its positions are not alike: limits of one say nothing of another. */
  readonly apart?: true
  /** empty: one figure for the whole check */
  readonly positions: readonly Position[]
}

/** Where a reading is taken. The coordinates are free: position 1…4, direction A/B, station front/rear, angle 0…315. */
export interface MeasuringPoint {
  readonly id: string
  readonly label: string
  readonly at: Readonly<Record<string, string | number>>
  readonly way: WayId
  /** Read with a gauge of its own, other than the points of its way: what for. `rollers` */
  readonly tool?: string
  /** What is measured there is thin: rollers, shims. */
  readonly small?: true
  /** Kind of result whose limits its gates go by. */
  readonly result: string
  /** Places whose refitting has it measured again; otherwise its readings hold for the next fitting too. */
  readonly moves: readonly string[]
  /** Roles of the parts it rests on. */
  readonly rests: readonly string[]
  /** Point whose newest reading sets what this is read of: what was read before it belongs to how that was set. */
  readonly since?: string
  /** What can be answered, for points answered in a word. */
  readonly words?: readonly { readonly value: string; readonly label: string }[]
  /** One length read at several places: what is read at each belongs to the others of this name. */
  readonly together?: string
  /** Its size says nothing of the others read in its way: a depth to one seat, and to the other. */
  readonly alone?: true
  /** the size it is expected near before any like it was read; null: not known */
  readonly near?: Nm | null
  /** Worth having; the check is done without it. */
  readonly optional?: boolean
  /** What is said where there is none of it to be measured: `no gap`. */
  readonly noneWord?: string
  /** Which of the readings at several places counts; the smallest unless said. */
  readonly counting?: Counting
  /** What a part read warm is corrected by. */
  readonly heat?: Heat
  /** What a bare figure is in, where it is read without a gauge and is no length. */
  readonly unit?: MeasureUnit
  /** Where a force is pulled, from the axis it turns about. */
  readonly radius?: Nm | null
  /** What of the calipers touches there. */
  readonly jaws?: Jaws
}

/** What is to be done now, and in which phase. */
export interface NextStep {
  readonly phase: Phase
  readonly words: string
  /** where the next reading is taken, where that is not the first point open */
  readonly point: string | null
  /** what a result would come to if the work stopped here: a bore before its last stroke */
  readonly standing: { readonly result: string; readonly estimate: Estimate } | null
}

/** A play that is no figure: so much or less, and how that was found. */
export interface AtMost {
  /** nm */
  readonly value: number
  readonly words: string
}

/** What a hand found of something that was measured too. */
export interface HandWord {
  readonly state: 'below' | 'above'
  /** `much drag by hand` */
  readonly words: string
  /** points it was said at */
  readonly points: readonly string[]
  /** It was said before the figure was read: set against it, it is asked again, and what is said then counts. */
  readonly before: boolean
}

/** What a kind makes of the points of one fitting. */
export interface CombinedResult {
  /** id of its `ResultKind` */
  readonly kind: string
  readonly position: string | null
  readonly estimate: Estimate | null
  /** Points it rests on; their findings and their staleness are its own. */
  readonly points: readonly string[]
  /** of these, those it does not rest on as things are: it is done without them */
  readonly notYet?: readonly string[]
  readonly findings?: readonly Finding[]
  /** what asks for a reason before it is signed, though it is in limits */
  readonly asksReason?: string
  /** What a hand says of what was measured: it takes “in” away, and makes nothing in. */
  readonly hand?: HandWord
  /** What was found by hand and beats arithmetic: a shaft that locks. */
  readonly overrule?: { readonly state: VerdictState; readonly words: string }
  /** Reckoned from sizes, not moved between its stops: it can come out below zero though its kind is a movement. */
  readonly reckoned?: true
  /** what it was before any of the new parts: known by what was read of the old ones */
  readonly was?: Estimate | null
  /** no figure, but no more than this, nm: it binds, none is felt, the shaft locks */
  readonly atMost?: AtMost
  /** How the figure came about, in the names of its points: `bore − journal`. */
  readonly formula: string
}

/** A figure on the label of a matched set: of a play nm, of a torque nN·m. */
export interface SetMark {
  readonly label: string
  readonly value: number
  readonly of: 'play' | 'torque'
}

/** What a fitting contradicts of the one before it, at a kind of result. */
export interface Contradiction {
  readonly result: string
  readonly finding: Finding
  /** it is not signed without a reason */
  readonly asksReason?: string
}

/** What the points of one fitting said, for a kind to combine. */
export interface Answers {
  of(point: string): PointAnswer
  /** what is fitted in a place now, as its pieces measure; null where it is not known */
  fitted(place: string): Estimate | null
  /** each piece that is in a place now, as it measures, the thinnest first; null where that is not known */
  pieces(place: string): readonly Estimate[] | null
  /** why what was read there no longer holds; null: it holds */
  stale(point: string): string | null
  /** Was it read, or said, later than what was read last at the other? */
  after(point: string, other: string): boolean
  /** Was all that was said there said before anything was read at the other? */
  before(point: string, other: string): boolean
  gauge(kind: GaugeKind): Gauge | null
  /** All that was read there in the order it was, also what no longer counts, without what was struck out. */
  log(point: string): readonly Reading[]
  /** For figures in sentences. */
  readonly unit: LengthUnit
}

/** Parts of a machine that checks are looked for under; `any`: a bore or a shaft of any of them. */
export type KindGroup = 'engine' | 'gearbox' | 'driveline' | 'wheels' | 'any'

/**
 * A check kind: which points it has, how they combine, what its pieces do, and how the work goes.
 * Everything else (limits, verdict, choice of pieces, ledger, proof, record) is common and knows no kind.
 */
export interface CheckKind<Details extends object = object> {
  readonly id: string
  readonly title: string
  /** One line: what it answers. */
  readonly about: string
  /** Where it is looked for. */
  readonly under: KindGroup
  /** Parts, symptoms and other words it is found by, besides its title and what it is about. */
  readonly by: readonly string[]
  /** How a job of it is said in one line; left out: not yet. */
  readonly spoken?: Spoken
  /** A single reading above this is asked about, nm. */
  readonly plausible: Nm
  /** Failure can hurt: the guarded rule is the default and the caution stands on top. */
  readonly safety: string | null
  readonly setupFields: readonly SetupField[]
  readonly defaultSetup: Setup
  parts(setup: Setup): readonly PartRole[]
  /** The first main one is the headline of the lists. */
  results(setup: Setup): readonly ResultKind[]
  points(setup: Setup): readonly MeasuringPoint[]
  places(setup: Setup): readonly PackPlace[]
  procedure(setup: Setup): readonly Step[]
  /** States the unit is measured in, to be said of each fitting. */
  conditions?(setup: Setup): readonly Condition[]
  /** A routine: jobs in whose words this stands are offered the check. */
  readonly offered?: { readonly to: RegExp; readonly words: string }
  /** What, said of a job, makes a signed check of this kind on the same unit doubtful. */
  readonly suspect?: { readonly to: RegExp; readonly words: string }
  /** Its readings stand in the short report too: it has to convince somebody else. */
  readonly evidence?: true
  /** Questions its results answer before it is closed up, in their order, by kind of result: `no` is the end of its limits at which the answer is no. */
  readonly questions?: Readonly<Record<string, { readonly ask: string; readonly no: 'below' | 'above' }>>
  /** What comes after which there is no way back: `Before the case is closed`. */
  readonly closing?: string
  /** Roles of the parts that stay together afterwards as one set: changing one voids it. */
  matched?(setup: Setup): readonly string[]
  /** What is on the label of the set besides its results: what it was read, set and tightened to. */
  marks?(setup: Setup, answers: Answers, targets: readonly Target[]): readonly SetMark[]
  /** What is to be done after the proof: seals, grease, the torque on the machine. */
  reminders?(setup: Setup): readonly Reminder[]
  /** What a signed check tells the next of its kind on the same unit: fields of its set-up, by what was learned. */
  handsOn?(setup: Setup, answers: Answers): Setup
  suspicions(setup: Setup): readonly Suspicion[]
  combine(setup: Setup, answers: Answers): readonly CombinedResult[]
  /** What this fitting says that the one before it contradicts: what no piece moves has moved. By kind of result. */
  compare?(setup: Setup, before: Answers, now: Answers): readonly Contradiction[]
  /** What its catalogue places can be filled with, and how each is set: as far as the readings tell. */
  catalogues?(setup: Setup, answers: Answers, drawer: (place: string) => readonly Lot[]): readonly Catalogue[]
  /** What is set or worked to a figure, where no piece is chosen: as far as the readings tell. */
  works?(setup: Setup, answers: Answers): readonly Work[]
  /** Where there is something to choose that is no pack, the order of the work is the kind’s own: sets to take, stock to hone off. Null: as usual. */
  next?(setup: Setup, answers: Answers, targets: readonly Target[]): NextStep | null
  /** What else the kind works out, as plain data for the evaluation: sets of rollers, how far a bore is from its size. */
  details?(setup: Setup, answers: Answers, targets: readonly Target[]): Details | null
  /** What the figures of its set-up ask of a kind of result, whatever the books say: the release travel of a clutch. It judges as limits do. */
  demands?(setup: Setup, result: string): LimitSet | null
  /** Limits by rule of thumb for a result nobody has limits for, labelled as such; null when there is none. */
  thumb?(setup: Setup, answers: Answers, result: string, position: string | null): LimitSet | null
}

/** A result's name in limits, predictions and files. */
export const resultId = (kind: string, position: string | null): string => (position === null ? kind : `${kind}@${position}`)

/** The kind and position of a result by its name: `play@1`. */
export function positionIn(id: string): { readonly result: string; readonly position: string | null } {
  const [result, position = null] = id.split('@')
  return { result: result!, position }
}

/** The position of a point among those of its result; null where there is one figure for the whole check. */
export function positionOf(results: readonly ResultKind[], point: MeasuringPoint): string | null {
  const { position } = point.at
  const own = results.find(({ id }) => id === point.result)
  return own?.positions.find(({ id, label }) => id === String(position) || label === position)?.id ?? null
}
