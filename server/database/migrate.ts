import type { PGlite } from '@electric-sql/pglite'

/**
 * The migrations a database still lacks, in the order of their names.
 * @param migrations  file name to SQL
 * @throws Error when the database holds a migration this program does not know
 */
export async function missing(lite: PGlite, migrations: ReadonlyMap<string, string>): Promise<string[]> {
  await lite.exec('CREATE TABLE IF NOT EXISTS migration (name text PRIMARY KEY, at timestamptz NOT NULL DEFAULT now())')
  const done = new Set((await lite.query<{ name: string }>('SELECT name FROM migration')).rows.map(row => row.name))
  const unknown = [...done].filter(name => !migrations.has(name))
  if (unknown.length > 0)
    throw new Error('This data folder was written by a newer Finitum. Start that version, or use another folder (FINITUM_DATA).')
  return [...migrations.keys()].filter(name => !done.has(name)).sort()
}

/** Applies migrations, each inside a transaction. */
export async function migrate(lite: PGlite, migrations: ReadonlyMap<string, string>, names: readonly string[]): Promise<void> {
  for (const name of names) {
    await lite.transaction(async transaction => {
      await transaction.exec(migrations.get(name)!)
      await transaction.query('INSERT INTO migration (name) VALUES ($1)', [name])
    })
  }
}
