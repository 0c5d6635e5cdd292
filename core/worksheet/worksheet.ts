import { CORE_VERSION } from '../version'
import type { Lot } from '../pack/lot'
import type { CheckDocument } from '../check/document'
import type { JobPart } from '../check/parts'
import type { JobFacts, UnitFacts } from './job-facts'

export const WORKSHEET_FORMAT = 'finitum-worksheet'
export const WORKSHEET_VERSION = 5
/** Larger files are refused before they are read. */
export const WORKSHEET_LARGEST = 4_000_000

export interface WorksheetJob extends JobFacts {
  readonly id: string
  readonly unit: { readonly name: string; readonly description: string } & UnitFacts
  readonly title: string
  readonly notes: string
  readonly parts: readonly JobPart[]
  readonly checks: readonly CheckDocument[]
}

/** The open file: `docs/worksheet.md` and `worksheet.schema.json` beside this file say the same. */
export interface Worksheet {
  readonly format: typeof WORKSHEET_FORMAT
  readonly version: typeof WORKSHEET_VERSION
  readonly written?: string
  readonly core?: string
  /** The drawer the checks chose from, as it was when this was written. */
  readonly lots: readonly Lot[]
  readonly jobs: readonly WorksheetJob[]
}

/** @param written  date and time, ISO 8601 */
export const writeWorksheet = (jobs: readonly WorksheetJob[], lots: readonly Lot[], written: string): Worksheet => ({
  format: WORKSHEET_FORMAT,
  version: WORKSHEET_VERSION,
  written,
  core: CORE_VERSION,
  lots,
  jobs,
})
