import type { CheckDocument } from '#core/check/document'
import type { LibraryLimit } from '#core/check/library'
import type { RouteCheck } from '#core/command/route'
import type { BoreKit } from '#core/method/bore-gauge/builder'
import type { Waiting } from '#core/pack/order-list'
import type { Lot, Pack } from '#core/pack/lot'
import type { Gauge } from '#core/reading/gauge'
import type { LengthUnit } from '#core/quantity/length'
import type { MeasureUnit } from '#core/quantity/measure'
import type { VerdictState } from '#core/verdict/decide'
import type { LimitSet } from '#core/verdict/limits'
import type { JobFacts, UnitFacts } from '#core/worksheet/job-facts'
import type { CheckOrder, Coming } from './orders'
import type { StockLot } from '#core/shop/shop'

/** How a check stands in the lists: signed outside its limits, with a reason, it is accepted. */
export type ListState = VerdictState | 'accepted'

/** One station of a job's route, as the lists draw it. */
export interface StationMark {
  readonly id: string
  readonly title: string
  readonly kind: string
  readonly state: ListState
  readonly word: string
  /** why it is stale, or what is to be done next */
  readonly note: string
  /** in small units: nm, or of what `measure` is a unit of */
  readonly figure: number | null
  readonly measure: MeasureUnit | null
  readonly unit: LengthUnit
  readonly signed: boolean
  /** how much is still to be done: seals, grease, a torque */
  readonly pending: number
  /** pieces that are ordered for it, or are to be */
  readonly waiting: Waiting | null
}

/** A part of a job, what rests on it, and what was done to it. */
export interface JobPartView {
  readonly id: string
  readonly name: string
  readonly checks: readonly string[]
  readonly changes: readonly { readonly at: string; readonly reason: string; readonly by: string }[]
}

export interface JobSummary extends JobFacts {
  readonly id: string
  readonly title: string
  readonly notes: string
  readonly version: number
  readonly unit: { readonly id: string; readonly name: string; readonly description: string } & UnitFacts
  readonly checks: readonly StationMark[]
}
/** A photograph in the record; its file is at `/api/photos/…`. */
export interface Photo {
  readonly id: string
  readonly caption: string
  readonly width: number
  readonly height: number
  readonly at: string
  readonly who: string
  readonly version: number
  readonly check: { readonly id: string; readonly title: string } | null
}

/** A job in a list of the record. */
export interface DatedJob extends JobSummary {
  /** when it was entered */
  readonly begun: string
}
/** A job that was just begun, and what of its route could not be as it was. */
export interface NewJob extends JobSummary {
  readonly said: readonly string[]
}
/** The checks a kind of job goes through. */
export interface RouteView {
  readonly id: string
  readonly name: string
  /** of the unit it was kept from */
  readonly type: string
  readonly version: number
  readonly checks: readonly { readonly kind: string; readonly title: string }[]
}

/** A job on its own page: with its parts. */
export interface JobView extends JobSummary {
  readonly parts: readonly JobPartView[]
  readonly photos: readonly Photo[]
  /** checks of this unit that are signed, in this job or another: what is complained of may make one doubtful */
  readonly signedOnUnit: readonly { readonly id: string; readonly kind: string; readonly title: string; readonly job: string }[]
  /** checks on which nothing rests: they can be removed */
  readonly removable: readonly string[]
  /** what is odd about the meter beside the other services of the unit; null: nothing */
  readonly meterDoubt: string | null
}

/** A check that took its limits from an entry of the library. */
/** An entry of the library as it was written last, taken away or not. */
export interface KeptLimit extends LibraryLimit {
  readonly removed: boolean
}

export interface LibraryUse {
  readonly check: { readonly id: string; readonly title: string }
  readonly unit: string
  readonly signed: boolean
  /** the entry’s, when it was taken or last kept */
  readonly version: number
  readonly set: LimitSet
}

/** The check to carry on with. */
export interface NextCheck {
  readonly check: StationMark
  readonly job: { readonly title: string; readonly unit: string }
}
/** A page of the book of jobs. */
export interface JobList {
  readonly jobs: readonly JobSummary[]
  /** that match what was asked, on all pages */
  readonly found: number
  readonly counts: { readonly jobs: number; readonly checks: number; readonly waiting: number }
  /** how many on this page were last in the hands of who asks: they come first */
  readonly mine: number
  readonly next: NextCheck | null
}

/** What a check of a kind can begin with: as the last signed one on the unit began. */
export interface BeginningView {
  readonly last: { readonly id: string; readonly job: string; readonly day: string; readonly settings: RouteCheck['settings'] } | null
}

/** Everything the bench needs of one check. */
export interface CheckView {
  readonly job: { readonly id: string; readonly title: string; readonly unit: string; readonly type: string }
  readonly version: number
  readonly document: CheckDocument
  /** `reserved` counts what is kept back and what is promised to other checks */
  readonly lots: readonly Lot[]
  /** Promised to the places of this check. */
  readonly reserves: Readonly<Record<string, Pack>>
  /** What is on the order list for its places, on its way, or here and not fitted from yet. */
  readonly orders: readonly CheckOrder[]
  /** What of its family is on its way for the drawer, and waited for by nobody. */
  readonly coming: readonly Coming[]
}

/** A gauge as the register holds it; the kit of a bore gauge with it. */
export interface RegisteredGauge extends Gauge {
  readonly version: number
  readonly kit: BoreKit | null
  /** checks it is in use on */
  readonly uses: number
}

export interface LotUse {
  readonly lotId: string
  readonly count: number
  readonly checkId: string
  readonly checkTitle: string
  readonly unit: string
  readonly signed: boolean
  /** promised, not fitted */
  readonly promised: boolean
}
/** A page of what checks hold of a size. */
export interface LotUses {
  readonly uses: readonly LotUse[]
  /** where the next page begins; null: that was all */
  readonly before: number | null
}
/** A list that goes over the wire in parts. */
export interface Part<Item> {
  readonly items: readonly Item[]
  /** it goes on after so many; null: this was its end */
  readonly more: number | null
}
export interface StockView {
  readonly lots: readonly StockLot[]
  /** after a write: the sizes it concerned, which are among `lots` or not listed any more; null: `lots` are a part of the list */
  readonly of: readonly string[] | null
  /** the list goes on after so many; null: this was its end */
  readonly more: number | null
  /** of the open checks that press most */
  readonly uses: readonly LotUse[]
  /** pieces told apart that are in no machine and not on hand: they went back among their like */
  readonly gone: readonly string[]
  /** what is wanted and not here */
  readonly coming: readonly Coming[]
}
/** Families of the drawer, and who took pieces from them. */
export interface Families {
  readonly families: readonly string[]
  /** which family checks of a kind took their pieces from, the newest check first */
  readonly usedFor: readonly { readonly kind: string; readonly family: string }[]
}

/** One thing wrong with what was sent: where, and a sentence. */
export interface Fault {
  readonly path: string
  readonly reason: string
}
/** The body of every refusal. `changed` says what a stale writer has not seen. */
export interface Refusal {
  readonly faults: readonly Fault[]
  readonly changed?: readonly string[]
  /** what would help: read in as a copy, under ids of its own */
  readonly helps?: 'copy'
}

/** One JSON value a line: how far it is, then the answer or the refusal. */
export const LINES = 'application/x-ndjson'
/** How far an import is. */
export interface Progress {
  readonly done: number
  readonly of: number
  readonly what: 'readings' | 'rows' | 'checks' | '% of the pages'
}

export interface ImportResult {
  readonly jobs: number
  readonly checks: number
  readonly lots: number
  readonly notes: readonly string[]
  readonly jobIds: readonly string[]
}

/** A file that was made, and is fetched from here, once. */
export interface MadeFile {
  readonly path: string
  readonly name: string
}
