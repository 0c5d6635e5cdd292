import { mkdir } from 'node:fs/promises'
import { PGlite } from '@electric-sql/pglite'
import { migrate } from './migrate'

/** The part of a connection that the SQL modules use; a transaction is one too. */
export interface Sql {
  /** Rows of one statement; bigint columns come back as numbers. */
  rows<Row>(statement: string, values?: readonly unknown[]): Promise<Row[]>
}

export interface Database extends Sql {
  /** All or nothing; transactions run one after the other. */
  transaction<Result>(work: (sql: Sql) => Promise<Result>): Promise<Result>
  close(): Promise<void>
}

/**
 * Opens the embedded database in a folder (made when missing; undefined: in memory) and brings its tables up to date.
 * @throws Error with a sentence when the database is newer than the program
 */
export async function openDatabase(folder: string | undefined, migrations: ReadonlyMap<string, string>): Promise<Database> {
  if (folder) await mkdir(folder, { recursive: true })
  const lite = await PGlite.create(folder)
  const wrap = (connection: Pick<PGlite, 'query'>): Sql => ({
    rows: async <Row>(statement: string, values: readonly unknown[] = []) => (await connection.query<Row>(statement, [...values])).rows,
  })
  const database: Database = {
    ...wrap(lite),
    transaction: work => lite.transaction(transaction => work(wrap(transaction as unknown as PGlite))) as ReturnType<typeof work>,
    close: () => lite.close(),
  }
  try {
    await migrate(lite, migrations)
  } catch (error) {
    await lite.close()
    throw error
  }
  return database
}
