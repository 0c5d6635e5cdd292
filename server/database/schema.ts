/** The tables of one version of the program. */
export interface Schema {
  /** file name to SQL */
  readonly migrations: ReadonlyMap<string, string>
  /** An empty database that has been through all of them, as `pack` makes it; absent or null: a new one goes through them itself. */
  readonly prepared?: () => Promise<Uint8Array | null>
}
