import { existsSync, mkdirSync, readFileSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { nearest, NONE, pack, preparedName } from './prepared'
import type { Schema } from './schema'

// The tables as they stand in the source tree, for the build, for tests and for scripts: all of them run in its top folder.

const MIGRATIONS = 'server/database/migrations'
/** Where packed databases are kept; the build takes along what is there. */
export const PREPARED = 'node_modules/.cache/finitum/prepared'

const migrations = new Map(
  readdirSync(MIGRATIONS)
    .sort()
    .map(name => [name, readFileSync(join(MIGRATIONS, name), 'utf8')]),
)

const packed = (of: Schema['migrations']): Promise<Uint8Array | null> =>
  nearest(of, async name => {
    const path = join(PREPARED, name)
    return existsSync(path) ? readFile(path) : null
  })

/** Tables of its own, or of an older version. */
export const schemaOf = (of: Schema['migrations']): Schema => ({ migrations: of, prepared: packed })
/** The tables of this version. */
export const schema = schemaOf(migrations)

/** The tables after the first so many migrations, or after those before a name. */
export const schemaUpTo = (end: number | string): Schema =>
  schemaOf(new Map([...migrations].filter(([name], at) => (typeof end === 'number' ? at < end : name < end))))

/** Packs what is not packed yet: a database that has been through no migration, and the empty one of this version. Others are removed. */
export async function prepareDatabases(): Promise<void> {
  mkdirSync(PREPARED, { recursive: true })
  for (const name of readdirSync(PREPARED))
    // Another process may be making one, under a name of its own.
    if (name.endsWith('.tar.gz') && ![NONE, migrations].some(of => preparedName(of) === name)) rmSync(join(PREPARED, name), { force: true })
  await keep(NONE, () => pack(NONE))
  await keep(migrations, async () => pack(migrations, (await packed(migrations))!))
}

async function keep(of: Schema['migrations'], make: () => Promise<Uint8Array>): Promise<void> {
  const path = join(PREPARED, preparedName(of))
  if (existsSync(path)) return
  const making = `${path}.${process.pid}`
  writeFileSync(making, await make())
  renameSync(making, path)
}
