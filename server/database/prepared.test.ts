import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { quoted, tablesOf } from '../backup/tables'
import { openDatabase, type Database } from './client'
import { schema, schemaOf } from './from-source'
import { preparedName } from './prepared'

const home = mkdtempSync(join(tmpdir(), 'finitum-prepared-'))
afterAll(() => rmSync(home, { recursive: true, force: true }))

/** Every row of every table, times and the workshop’s id apart. */
async function beginsWith(db: Database): Promise<unknown> {
  const all: Record<string, unknown[]> = {}
  for (const { name } of await tablesOf(db))
    all[name] = (await db.rows<{ row: Record<string, unknown> }>(`SELECT to_jsonb(t) AS row FROM ${quoted(name)} t ORDER BY 1`)).map(
      ({ row }) =>
        Object.fromEntries(
          Object.entries(row).filter(([column]) => !['at', 'begun_at'].includes(column) && (name !== 'workshop' || column !== 'id')),
        ),
    )
  return all
}

describe('a packed database', () => {
  it('becomes two workshops at two first starts: two names, and nothing in them is older than its start', async () => {
    const before = new Date()
    const names = new Set<string>()
    for (const place of ['one', 'two']) {
      const db = await openDatabase(join(home, place), schema)
      const [workshop] = await db.rows<{ id: string }>('SELECT id FROM workshop')
      names.add(workshop!.id)
      const columns = await db.rows<{ table: string; column: string }>(
        `SELECT table_name AS "table", column_name AS "column" FROM information_schema.columns WHERE table_schema = 'public' AND data_type = 'timestamp with time zone'`,
      )
      expect(columns.length).toBeGreaterThan(20)
      for (const { table, column } of columns)
        expect(await db.rows(`SELECT ${column} FROM ${table} WHERE ${column} < $1`, [before]), `${table}.${column}`).toEqual([])
      await db.close()
      const again = await openDatabase(join(home, place), schema)
      expect(await again.rows('SELECT id FROM workshop')).toEqual([workshop])
      await again.close()
    }
    expect(names.size).toBe(2)
  })
  it('holds what one that goes through every migration itself holds', async () => {
    const [packed, own] = [await openDatabase(undefined, schema), await openDatabase(undefined, schemaOf(schema.migrations))]
    expect(await beginsWith(packed)).toEqual(await beginsWith(own))
    await Promise.all([packed.close(), own.close()])
  })
  it('is another one for another migration', () => {
    const name = preparedName(schema.migrations)
    expect(preparedName(new Map(schema.migrations))).toBe(name)
    expect(preparedName(new Map([...schema.migrations, ['9999_later.sql', '']]))).not.toBe(name)
    const [first] = [...schema.migrations.keys()]
    expect(preparedName(new Map([...schema.migrations, [first!, 'SELECT 1']]))).not.toBe(name)
  })
})
