import type { PGlite } from '@electric-sql/pglite'
import { keepCheckpoints } from './checkpoints'
import { openEngine } from './engine'
import { SyncedFiles } from './files'
import type { Schema } from './schema'
import { Turns } from './turns'

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
  /** Several questions at one moment: what others are in the middle of is waited for once. */
  reading<Result>(work: (sql: Sql) => Promise<Result>): Promise<Result>
  /**
   * Its files as they are at one moment, all that was written in them: whoever writes waits meanwhile, whoever reads is answered.
   * @param work  given the folder, and the oldest of the files of its log that are needed
   * @throws Error where it is in memory
   */
  still<Result>(work: (folder: string, oldestLog: string) => Promise<Result>): Promise<Result>
  close(): Promise<void>
}

const literal = (text: string) => `'${text.replaceAll("'", "''")}'`
/** Brackets round nothing are none. */
const inBrackets = (items: readonly string[]) => (items.length === 0 ? '' : `(${items.join(', ')})`)

/** What a database in a folder is opened with, but for what stands in for it in tests. */
export interface Opening {
  readonly say?: (line: string) => void
  /** before anything is written: throws where nothing may be */
  readonly mayWrite?: () => void
  readonly files?: (folder: string) => SyncedFiles
  /** beside another one in the same process: with little memory */
  readonly small?: boolean
  /** told when the embedded server is gone for good: only a new process can open the folder again */
  readonly gone?: (why: string) => void
}

/**
 * Opens the embedded database in a folder (made when missing; undefined: in memory) and brings its tables up to date. A transaction
 * that has ended is on the disk.
 * @throws Error with a sentence when the database is newer than the program, or damaged
 */
export async function openDatabase(
  folder: string | undefined,
  schema: Schema,
  {
    say = line => process.stdout.write(`${line}\n`),
    mayWrite = () => undefined,
    files = place => new SyncedFiles(place),
    gone = () => undefined,
    small = false,
  }: Opening = {},
): Promise<Database> {
  const lite = await openEngine(folder, schema, { say, files, small })
  const checkpoints = folder ? keepCheckpoints(lite) : null
  const planned = new Map<string, 'coming' | 'there'>()
  const turns = new Turns()
  const wrap = (connection: Pick<PGlite, 'query'>): Sql => ({
    rows: <Row>(statement: string, values: readonly unknown[] = []) =>
      turns.taking(
        connection
          .query<Row>(statement, [...values])
          .then(({ rows }) => rows)
          .catch((error: Error) => {
            if (error instanceof WebAssembly.RuntimeError || error.name === 'ExitStatus') gone(error.message)
            throw error
          }),
      ),
    async prepared<Row>({ name, statement, values: count }: Prepared, values: readonly string[]) {
      // While somebody else has it planned, and may have to wait for this transaction, it is run without a plan.
      if (planned.get(name) === 'coming') return (await connection.query<Row>(statement, [...values])).rows
      if (!planned.has(name)) {
        planned.set(name, 'coming')
        try {
          await connection.query(`PREPARE ${name} ${inBrackets(Array(count).fill('text'))} AS ${statement}`)
          planned.set(name, 'there')
        } catch (error) {
          planned.delete(name)
          throw error
        }
      }
      // EXECUTE takes no bound values: they go in as literals.
      return turns.taking(connection.query<Row>(`EXECUTE ${name} ${inBrackets(values.map(literal))}`).then(({ rows }) => rows))
    },
  })
  /** Done when files may change again. */
  let stillness: Promise<unknown> = Promise.resolve()
  return {
    ...wrap(lite),
    reading: work => lite.transaction(transaction => work(wrap(transaction as unknown as PGlite))) as ReturnType<typeof work>,
    async transaction(work) {
      for (let seen; seen !== stillness;) await (seen = stillness)
      mayWrite()
      checkpoints?.written()
      return lite.transaction(transaction => work(wrap(transaction as unknown as PGlite))) as ReturnType<typeof work>
    },
    async still(work) {
      if (!folder || !checkpoints) throw new Error('A database in memory has no files.')
      const before = stillness
      let over!: () => void
      stillness = new Promise<void>(resolve => (over = resolve))
      try {
        await before
        // Whoever was at it has written.
        await lite.transaction(() => Promise.resolve())
        return await checkpoints.still(async () => {
          const [log] = (await lite.query<{ oldest: string }>('SELECT redo_wal_file AS oldest FROM pg_control_checkpoint()')).rows
          return work(folder, log!.oldest)
        })
      } finally {
        over()
      }
    },
    async close() {
      await checkpoints?.stop()
      await lite.close()
    },
  }
}
