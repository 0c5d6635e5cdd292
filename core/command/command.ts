import type { CheckDocument, Clearing } from '../check/document'
import type { JobPart } from '../check/parts'
import type { PieceInHand } from '../pack/in-hand'
import type { Lot, Pack, PieceShape } from '../pack/lot'
import type { Exact } from '../quantity/figure'
import type { Nm } from '../quantity/length'
import type { Torque } from '../quantity/measure'
import type { Gauge } from '../reading/gauge'
import type { Stone } from '../reading/reading'
import type { LimitFields } from '../verdict/limits'
import type { Settings } from './happening'

/** A check on the bench, and the drawer it works from. */
export interface Bench {
  readonly document: CheckDocument
  /** as this check sees it: what is kept back or promised to other checks counts as reserved */
  readonly lots: readonly Lot[]
  /** promised to places of this check */
  readonly reserves: Readonly<Record<string, Pack>>
}

/** What every command carries: an id made by whoever gives it, so that giving it twice is harmless, and when, by the clock of the record. */
interface Head {
  readonly op: string
  readonly at: string
}

/** A reading as it was typed; which of the figures belong, the point says. Lengths in nm. */
export interface ReadingFields {
  readonly id: string
  readonly point: string
  readonly at: string
  readonly start?: Nm
  readonly far?: Nm
  readonly back?: Nm
  readonly springBack?: boolean
  readonly figure?: Exact
  readonly celsius?: number
  readonly hot?: boolean
  readonly stone?: Stone
  readonly low?: Exact
  readonly high?: Exact
  readonly leaves?: number
  readonly word?: string
  readonly torque?: Torque
  readonly pieces?: readonly string[]
}
export interface ReadCommand extends Head {
  readonly kind: 'read'
  /** the fitting that was in the machine */
  readonly trialId: string
  /** order of the newest part change known when it was taken; left out: all there are */
  readonly seen?: number
  readonly reading: ReadingFields
}
export interface VoidCommand extends Head {
  readonly kind: 'void'
  readonly readingId: string
  readonly reason: string
}
export interface TickCommand extends Head {
  readonly kind: 'tick'
  readonly step: string
  /** the fitting it was ticked for */
  readonly trial: string
  readonly ticked: boolean
}
/** A point is not read in this fitting, and why; no reason: it is asked for again. */
export interface LeaveOutCommand extends Head {
  readonly kind: 'leave-out'
  readonly point: string
  readonly trial: string
  readonly reason: string | null
}

/** The state the unit is in while it is measured. */
export interface SayCommand extends Head {
  readonly kind: 'say'
  readonly condition: string
  readonly trial: string
  readonly state: string
}
/** What was pending is done, accepted as it is, or open again after all. */
export interface ClearCommand extends Head {
  readonly kind: 'clear'
  readonly item: string
  readonly trial: string
  readonly how: Clearing['how']
  readonly by: string
}

/** A piece found in the machine: of a size that is known, or of one that becomes known by it. */
export interface FoundPiece {
  readonly lotId?: string
  readonly size?: Nm
  readonly measured?: boolean
  /** of a size the drawer lacks: as it was named */
  readonly shape?: PieceShape
  readonly mark?: string
  readonly colour?: string
  readonly count: number
}
export interface ListCommand extends Head {
  readonly kind: 'list'
  readonly place: string
  /** none: the place was found empty */
  readonly pieces: readonly FoundPiece[]
}
export interface FitCommand extends Head {
  readonly kind: 'fit'
  /** id of the new fitting */
  readonly trialId: string
  /** the fitting it was chosen on */
  readonly onto?: string
  readonly packs: readonly { readonly place: string; readonly pieces: Pack }[]
  /** pieces kept back or promised to another check are taken from there, on purpose */
  readonly claim?: boolean
  /** of the pieces that go in, those that were measured on the way */
  readonly inHand?: readonly PieceInHand[]
}
export interface PromiseCommand extends Head {
  readonly kind: 'promise'
  readonly place: string
  readonly pieces: Pack
}
/** Sizes to be ordered for a place. */
export interface WantCommand extends Head {
  readonly kind: 'want'
  readonly place: string
  readonly pieces: Pack
}

export interface BeginLapCommand extends Head {
  readonly kind: 'begin-lap'
  readonly id: string
  readonly place: string
  readonly lotId: string
  readonly target: Nm
  readonly low: Nm | null
  readonly high: Nm | null
}
export interface LapPassCommand extends Head {
  readonly kind: 'lap-pass'
  readonly lapId: string
  readonly id: string
  readonly figures: readonly Nm[]
  /** when it was measured */
  readonly measuredAt: string
}
export interface EndLapCommand extends Head {
  readonly kind: 'end-lap'
  readonly lapId: string
  /** into the drawer; otherwise it is scrapped */
  readonly made: boolean
}

/** What is to change; null takes a pack rule away, limits of the kind `none` take limits away. */
export interface SettingsChange extends Partial<Omit<Settings, 'packRules'>> {
  readonly packRules?: { readonly [rule in keyof Settings['packRules']]?: Settings['packRules'][rule] | null }
  readonly limits?: readonly { readonly result: string; readonly role: 'book' | 'shop'; readonly set: LimitFields }[]
  /** what each is kept under: its id in the register */
  readonly gauges?: Readonly<Record<string, string>>
  /** why the set-up is changed after a fitting */
  readonly reason?: string
}
export interface SetCommand extends Head {
  readonly kind: 'change-settings'
  readonly change: SettingsChange
  /** every gauge there is */
  readonly register: readonly Gauge[]
  /** the parts of the job */
  readonly parts: readonly JobPart[]
}
export interface PartChangeCommand extends Head {
  readonly kind: 'part-change'
  /** part of the job */
  readonly part: JobPart
  readonly reason: string
  readonly by: string
}
export interface SignCommand extends Head {
  readonly kind: 'sign'
  /** what is pending and accepted as it is, by whoever signs */
  readonly accepts?: readonly string[]
  readonly by: string
  readonly reason: string | null
}
export interface ReopenCommand extends Head {
  readonly kind: 'reopen'
  readonly by: string
  readonly reason: string
}

/** Everything a technician can do to a check. */
export type Command =
  | ReadCommand
  | VoidCommand
  | TickCommand
  | LeaveOutCommand
  | SayCommand
  | ClearCommand
  | ListCommand
  | FitCommand
  | PromiseCommand
  | WantCommand
  | BeginLapCommand
  | LapPassCommand
  | EndLapCommand
  | SetCommand
  | PartChangeCommand
  | SignCommand
  | ReopenCommand
