import type { Sql } from './client'

/** What a data folder holds, and what is wrong with it, a sentence each. */
export interface Verdict {
  readonly counts: Readonly<Record<'jobs' | 'checks' | 'readings' | 'sizes' | 'signatures', number>>
  readonly faults: readonly string[]
}

const COUNTS = {
  jobs: 'SELECT 1 FROM job WHERE removed_at IS NULL',
  checks: 'SELECT 1 FROM checks WHERE removed_at IS NULL',
  readings: 'SELECT 1 FROM reading',
  sizes: 'SELECT 1 FROM lot WHERE removed_at IS NULL',
  signatures: 'SELECT 1 FROM sign_off',
}
const TABLES = `SELECT quote_ident(tablename) AS name FROM pg_tables WHERE schemaname = 'public' ORDER BY 1`
/** A column of one table that names a row of another. */
const REFERENCES = `SELECT c.conrelid::regclass::text AS table, a.attname AS column, c.confrelid::regclass::text AS other, b.attname AS key
  FROM pg_constraint c JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = c.conkey[1]
  JOIN pg_attribute b ON b.attrelid = c.confrelid AND b.attnum = c.confkey[1]
  WHERE c.contype = 'f' AND array_length(c.conkey, 1) = 1 ORDER BY 1, 2`
const NEGATIVE = 'SELECT lot_id AS id, sum(change)::integer AS sum FROM movement GROUP BY lot_id HAVING sum(change) < 0 ORDER BY 1'
/** A counter, and a column it numbers. */
const NUMBERED = `SELECT s.oid::regclass::text AS counter, a.attrelid::regclass::text AS table, quote_ident(a.attname) AS column
  FROM pg_class s JOIN pg_depend d ON d.classid = 'pg_class'::regclass AND d.objid = s.oid AND d.deptype IN ('a', 'i')
  JOIN pg_attribute a ON a.attrelid = d.refobjid AND a.attnum = d.refobjsubid WHERE s.relkind = 'S'
  UNION SELECT s.oid::regclass::text, f.adrelid::regclass::text, quote_ident(a.attname)
  FROM pg_class s JOIN pg_depend d ON d.refclassid = 'pg_class'::regclass AND d.refobjid = s.oid AND d.classid = 'pg_attrdef'::regclass
  JOIN pg_attrdef f ON f.oid = d.objid JOIN pg_attribute a ON a.attrelid = f.adrelid AND a.attnum = f.adnum WHERE s.relkind = 'S' ORDER BY 1, 2`
const UNSEALED = 'SELECT s.check_id, s.by_name FROM sign_off s WHERE s.digest <> seal(s) ORDER BY s.at'

/** How many jobs and checks there are, and how many of these wait, as the book should tell it. */
const BOOK = `SELECT (SELECT count(*) FROM job WHERE removed_at IS NULL) || ', ' || count(*) || ', ' || count(*) FILTER (WHERE NOT c.signed AND c.state <> 'to-do')
  FROM checks c JOIN job j ON j.id = c.job_id WHERE c.removed_at IS NULL AND j.removed_at IS NULL`

/** Reads all of a database once: every row, every reference, the sums of the stock, what was signed. */
export async function verify(sql: Sql): Promise<Verdict> {
  const faults: string[] = []
  const failing = async (what: string, work: () => Promise<void>): Promise<void> => {
    await work().catch((error: Error) => faults.push(`${what} cannot be read: ${error.message}.`))
  }
  for (const { name } of await sql.rows<{ name: string }>(TABLES))
    await failing(`The table ${name}`, async () => void (await sql.rows(`SELECT sum(hashtext(t::text)) FROM ${name} t`)))
  for (const { table, column, other, key } of await sql.rows<Record<'table' | 'column' | 'other' | 'key', string>>(REFERENCES))
    await failing(`The table ${table}`, async () => {
      const [lost] = await sql.rows<{ n: number }>(
        `SELECT count(*)::integer AS n FROM ${table} t WHERE t.${column} IS NOT NULL AND NOT EXISTS (SELECT 1 FROM ${other} o WHERE o.${key} = t.${column})`,
      )
      if (lost!.n > 0) faults.push(`${lost!.n} rows of ${table} name a row of ${other} that is not there.`)
    })
  await failing('The stock', async () => {
    for (const { id, sum } of await sql.rows<{ id: string; sum: number }>(NEGATIVE))
      faults.push(`The movements of the size “${id}” come to ${sum} pieces.`)
  })
  await failing('The counters', async () => {
    for (const { counter, table, column } of await sql.rows<Record<'counter' | 'table' | 'column', string>>(NUMBERED)) {
      const [row] = await sql.rows<{ behind: boolean }>(
        `SELECT coalesce((SELECT max(${column}) FROM ${table}), 0) > (SELECT CASE WHEN is_called THEN last_value ELSE 0 END FROM ${counter}) AS behind`,
      )
      if (row!.behind) faults.push(`The next number of ${table} is one it has already: its counter stands too low.`)
    }
  })
  await failing('The workshop', async () => {
    const [row] = await sql.rows<{ n: number }>('SELECT count(*)::integer AS n FROM workshop')
    if (row!.n !== 1) faults.push(`There is one workshop; here are ${row!.n}.`)
  })
  await failing('What was signed', async () => {
    for (const row of await sql.rows<{ check_id: string; by_name: string }>(UNSEALED))
      faults.push(`What ${row.by_name} signed of the check “${row.check_id}” is not what was signed.`)
  })
  await failing('The book', async () => {
    const [row] = await sql.rows<Record<'told' | 'there', string>>(
      `SELECT (SELECT jobs || ', ' || checks || ', ' || waiting FROM book) AS told, (${BOOK}) AS there`,
    )
    if (row!.told !== row!.there) faults.push(`Of jobs, checks and those that wait ${row!.told} are told; there are ${row!.there}.`)
  })
  const counts: Record<string, number> = {}
  for (const [what, rows] of Object.entries(COUNTS))
    counts[what] = (await sql.rows<{ n: number }>(`SELECT count(*)::integer AS n FROM (${rows}) r`))[0]!.n
  return { counts: counts as Verdict['counts'], faults }
}
