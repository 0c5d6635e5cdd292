import type { CheckDocument, Clearing, PartChange, PointReading, Reopening, SignOff, Trial } from '../check/document'
import type { JobPart } from '../check/parts'
import type { Lap, LapPass } from '../pack/lapping'
import type { Lot, Pack } from '../pack/lot'
import type { Gauge } from '../reading/gauge'
import type { LimitSet } from '../verdict/limits'

/** What of a check is set, and not measured. */
export type Settings = Pick<
  CheckDocument,
  'title' | 'entryUnit' | 'setup' | 'rule' | 'aim' | 'packRules' | 'family' | 'uRefit' | 'refitCost' | 'slopes' | 'tipAngle'
> & { readonly working: CheckDocument['limits']['working'] }

/** Pieces that came into the drawer, or left it. On hand is the sum of these. */
export interface Movement {
  readonly id: string
  readonly lotId: string
  readonly change: number
  readonly why: 'take-in' | 'count' | 'fit' | 'return' | 'lap' | 'made' | 'sort'
  readonly note: string
  readonly trialId?: string
}

/** Its place in the order of what happened is given when it is stored, or applied. */
type Unordered<T extends { readonly order: number }> = Omit<T, 'order'> & { readonly order?: number }

/** Everything that can happen to a check, and to the drawer because of it. Each is one fact, stored once and never changed. */
export type Happening =
  | { readonly type: 'read'; readonly trial: string; readonly reading: PointReading }
  | { readonly type: 'voided'; readonly reading: string; readonly reason: string }
  | { readonly type: 'ticked'; readonly step: string; readonly trial: string; readonly ticked: boolean }
  | { readonly type: 'left-out'; readonly trial: string; readonly point: string; readonly reason: string | null }
  | { readonly type: 'said'; readonly trial: string; readonly condition: string; readonly state: string }
  | { readonly type: 'cleared'; readonly clearing: Unordered<Clearing> }
  | { readonly type: 'fitted'; readonly trial: Omit<Trial, 'readings'> }
  | { readonly type: 'listed'; readonly trial: string; readonly place: string; readonly pack: Pack; readonly pieces: Trial['pieces'] }
  | { readonly type: 'promised'; readonly place: string; readonly pack: Pack }
  | { readonly type: 'wanted'; readonly place: string; readonly pack: Pack }
  | { readonly type: 'settings-changed'; readonly settings: Settings }
  | { readonly type: 'limited'; readonly result: string; readonly role: 'book' | 'shop'; readonly set: LimitSet | null }
  | { readonly type: 'gauged'; readonly key: string; readonly gauge: Gauge }
  | { readonly type: 'rested'; readonly role: string; readonly part: JobPart; readonly added: boolean }
  | { readonly type: 'part-changed'; readonly change: Unordered<PartChange>; readonly by: string }
  | { readonly type: 'lap-begun'; readonly lap: Omit<Lap, 'passes' | 'end'> }
  | { readonly type: 'lap-passed'; readonly lap: string; readonly pass: LapPass }
  | { readonly type: 'lap-ended'; readonly lap: string; readonly lotId: string | null }
  | { readonly type: 'lot-added'; readonly lot: Omit<Lot, 'onHand'> }
  | { readonly type: 'moved'; readonly movement: Movement }
  | { readonly type: 'claimed'; readonly lotId: string; readonly count: number }
  | { readonly type: 'signed'; readonly signOff: SignOff }
  | { readonly type: 'reopened'; readonly reopening: Unordered<Reopening> }

/** One thing that speaks against a command: where, and a sentence. */
export interface CommandFault {
  readonly path: string
  readonly reason: string
}

/** It was done. */
export interface Happened {
  readonly ok: true
  /** what was done, in a few words: what a writer that comes late is told */
  readonly what: string
  readonly happenings: readonly Happening[]
}
/** It cannot be done. `code` is for programs: `missing`, what is named is not there; `invalid`, it cannot be so; `conflict`, not as things stand. */
export interface RefusedCommand {
  readonly ok: false
  readonly code: 'missing' | 'invalid' | 'conflict'
  readonly faults: readonly CommandFault[]
}
export type Outcome = Happened | RefusedCommand

export const happened = (what: string, ...happenings: readonly Happening[]): Happened => ({ ok: true, what, happenings })
export const refused = (code: RefusedCommand['code'], reason: string, path = ''): RefusedCommand => ({
  ok: false,
  code,
  faults: [{ path, reason }],
})
