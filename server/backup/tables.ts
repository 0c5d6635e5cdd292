import type { Sql } from '../database/client'

/** A table as a backup holds it: what it has to be filled with, in which order. */
export interface Table {
  readonly name: string
  /** those that are stored, not worked out */
  readonly columns: readonly string[]
  readonly key: readonly string[]
}

/** What a backup says in its head, what is only of the moment, and what is worked out from the rest. */
export const LEFT_OUT = ['migration', 'arrived', 'job_words', 'job_unread', 'book']
/** Where copies are put: a folder there may be on another machine, too, and is not this one’s. */
export const OF_THIS_MACHINE = 'copies_folder'
const TABLES = `SELECT c.relname AS name,
    (SELECT json_agg(a.attname ORDER BY a.attnum) FROM pg_attribute a WHERE a.attrelid = c.oid AND a.attnum > 0 AND NOT a.attisdropped AND a.attgenerated = '' AND a.attname <> '${OF_THIS_MACHINE}') AS columns,
    (SELECT json_agg(a.attname ORDER BY k.place) FROM pg_index i, unnest(i.indkey) WITH ORDINALITY AS k (number, place)
      JOIN pg_attribute a ON a.attnum = k.number WHERE i.indrelid = c.oid AND a.attrelid = c.oid AND i.indisprimary) AS key,
    COALESCE((SELECT json_agg(DISTINCT f.confrelid::regclass::text) FROM pg_constraint f WHERE f.conrelid = c.oid AND f.contype = 'f' AND f.confrelid <> c.oid), '[]') AS needs
  FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace WHERE n.nspname = 'public' AND c.relkind = 'r' ORDER BY c.relname`

/** Every table there is, each after those it refers to. */
export async function tablesOf(sql: Sql): Promise<Table[]> {
  const all = (await sql.rows<Table & { readonly needs: readonly string[] }>(TABLES)).filter(({ name }) => !LEFT_OUT.includes(name))
  const placed: Table[] = []
  const isPlaced = (name: string) => placed.some(table => table.name === name)
  while (placed.length < all.length) {
    const next = all.find(({ name, needs }) => !isPlaced(name) && needs.every(isPlaced))
    if (!next) throw new Error('Tables refer to each other in a circle.')
    placed.push({ name: next.name, columns: next.columns, key: next.key })
  }
  return placed
}

export const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`

/** Counters, by what they count for. */
export const SEQUENCES = `SELECT sequencename AS name, last_value AS value FROM pg_sequences WHERE schemaname = 'public' ORDER BY 1`
