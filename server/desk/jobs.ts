import type { LabelView } from '#shared/record'
import type { Progress } from '#shared/types'
import type { Report } from '#core/report/report'
import type { Readied } from '../backup/restore'
import type { Faces, Files, Paper } from '../report/pdf'

/** The tables of this version, as they can be handed on. */
export interface Tables {
  readonly migrations: ReadonlyMap<string, string>
  /** an empty database that has been through them, packed; null: it is made from nothing */
  readonly packed: Uint8Array | null
  /** one that has been through none */
  readonly bare: Uint8Array | null
}

/** What takes long and is done away from the thread that answers: what it is given, and what comes of it. `to`: the file it is put into. */
export interface DeskJobs {
  readonly report: { given: { report: Report; paper: Paper; faces: Faces; files: Files; to: string }; gives: void }
  readonly labels: { given: { labels: readonly LabelView[]; sheet: string; skip: number; faces: Faces; to: string }; gives: void }
  /** `folder`: a copy of the database’s own. Gives the digest. */
  readonly backup: { given: { folder: string; tables: Tables; to: string }; gives: string }
  readonly readings: { given: { folder: string; tables: Tables; to: string }; gives: void }
  /** Can a backup be restored, and is what comes of it the same? */
  readonly trial: { given: { path: string; tables: Tables }; gives: void }
  /** Is it whole? Gives the file to be restored: one of an older version is brought up to date, beside it. */
  readonly readied: { given: { path: string; tables: Tables }; gives: Readied }
}
export type DeskJob = keyof DeskJobs

export interface Asked {
  readonly job: DeskJob
  readonly given: unknown
}
/** What a desk says of the job in hand: how far it is, or, at the end, what came of it. */
export type Said =
  | { readonly progress: Progress }
  | { readonly gives: unknown }
  | { readonly refused: { readonly status: number; readonly refusal: unknown } }
  | { readonly fault: string; readonly code?: string | undefined }
