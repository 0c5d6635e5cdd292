/** The first line of a backup. */
export interface Head {
  readonly format: 'finitum-backup'
  readonly version: 1
  /** what the tables it was taken from had been through */
  readonly migrations: readonly string[]
}
/** Before the rows of a table. */
export interface TableLine {
  readonly table: string
  readonly columns: readonly string[]
  readonly rows: number
}
/** Where the counters stand; null: never used. */
export interface CountersLine {
  readonly counters: Readonly<Record<string, number | null>>
}
/** The last line: how many rows there were, and the SHA-256 of every line before it with its line feed, in hexadecimal digits. */
export interface EndLine {
  readonly end: true
  readonly rows: number
  readonly sha256: string
}
export const BACKUP_FORMAT = 'finitum-backup'
export const BACKUP_VERSION = 1
/** Larger files are refused. Bytes, packed */
export const BACKUP_LARGEST = 2_000_000_000
