/** The tables of one version of the program. */
export interface Schema {
  /** file name to SQL */
  readonly migrations: ReadonlyMap<string, string>
  /** A packed database that has been through all of some migrations, or else through none; absent or null: a new one begins from nothing. */
  readonly prepared?: (migrations: Schema['migrations']) => Promise<Uint8Array | null>
}
