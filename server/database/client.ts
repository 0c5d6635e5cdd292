import { mkdir } from 'node:fs/promises'
import { PGlite } from '@electric-sql/pglite'
import { copyBeside } from './copy'
import { migrate, missing } from './migrate'

/** A long statement that is run again and again: it is planned once. All its values are text. */
export interface Prepared {
  readonly name: string
  readonly statement: string
  readonly values: number
}

/** The part of a connection that the SQL modules use; a transaction is one too. */
export interface Sql {
  /** Rows of one statement; bigint columns come back as numbers. */
  rows<Row>(statement: string, values?: readonly unknown[]): Promise<Row[]>
  prepared<Row>(statement: Prepared, values: readonly string[]): Promise<Row[]>
}

export interface Database extends Sql {
  /** All or nothing; transactions run one after the other. */
  transaction<Result>(work: (sql: Sql) => Promise<Result>): Promise<Result>
  close(): Promise<void>
}

const literal = (text: string) => `'${text.replaceAll("'", "''")}'`

/** Opens a database and brings its tables up to date; what holds data already is copied first. */
async function upToDate(folder: string | undefined, migrations: ReadonlyMap<string, string>, say: (line: string) => void): Promise<PGlite> {
  let lite = await PGlite.create(folder)
  try {
    const names = await missing(lite, migrations)
    if (folder && names.length > 0 && names.length < migrations.size) {
      await lite.close()
      const copy = await copyBeside(folder, names[0]!.replace(/\.sql$/, ''))
      say(`The data is brought up to date; as it was before, it is kept in ${copy}`)
      lite = await PGlite.create(folder)
    }
    await migrate(lite, migrations, names)
  } catch (error) {
    if (!lite.closed) await lite.close()
    throw error
  }
  return lite
}

/**
 * Opens the embedded database in a folder (made when missing; undefined: in memory) and brings its tables up to date.
 * @param say  told where a copy of the data was put before it was changed
 * @throws Error with a sentence when the database is newer than the program
 */
export async function openDatabase(
  folder: string | undefined,
  migrations: ReadonlyMap<string, string>,
  say: (line: string) => void = line => process.stdout.write(`${line}\n`),
): Promise<Database> {
  if (folder) await mkdir(folder, { recursive: true })
  const lite = await upToDate(folder, migrations, say)
  const planned = new Set<string>()
  const wrap = (connection: Pick<PGlite, 'query'>): Sql => ({
    rows: async <Row>(statement: string, values: readonly unknown[] = []) => (await connection.query<Row>(statement, [...values])).rows,
    async prepared<Row>({ name, statement, values: count }: Prepared, values: readonly string[]) {
      if (!planned.has(name)) {
        await connection.query(`PREPARE ${name} (${Array(count).fill('text').join(', ')}) AS ${statement}`)
        planned.add(name)
      }
      // EXECUTE takes no bound values: they go in as literals.
      return (await connection.query<Row>(`EXECUTE ${name} (${values.map(literal).join(', ')})`)).rows
    },
  })
  const database: Database = {
    ...wrap(lite),
    transaction: work => lite.transaction(transaction => work(wrap(transaction as unknown as PGlite))) as ReturnType<typeof work>,
    close: () => lite.close(),
  }
  return database
}
