import { createHash } from 'node:crypto'
import { mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { PGlite } from '@electric-sql/pglite'
import { parseTar } from 'nanotar'
import { dependencies } from '../../package.json'
import { migrate, missing } from './migrate'
import type { Schema } from './schema'

// Initialising the embedded server and taking it through every migration costs many seconds, the same every time. It is done once,
// packed, and unpacked wherever a new database is wanted: at a workshop’s first start, and in tests.

/** The file a packed database is kept in: another migration, or another engine, and it is another one. */
export function preparedName(migrations: Schema['migrations']): string {
  const hash = createHash('sha256').update(dependencies['@electric-sql/pglite'])
  for (const name of [...migrations.keys()].sort()) hash.update(`\0${name}\0${migrations.get(name)!}`)
  return `${migrations.size === 0 ? 'bare' : 'empty'}-${hash.digest('hex').slice(0, 24)}.tar.gz`
}

export const NONE: Schema['migrations'] = new Map()
/** The packed database of some migrations, or else the one that has been through none. */
export const nearest = async (
  migrations: Schema['migrations'],
  read: (name: string) => Promise<Uint8Array | null>,
): Promise<Uint8Array | null> => (await read(preparedName(migrations))) ?? read(preparedName(NONE))

/**
 * An empty database that has been through these migrations, as a packed archive. It is no workshop yet: see `beginWorkshop`.
 * @param from  one packed before, which has been through fewer
 */
export async function pack(migrations: Schema['migrations'], from?: Uint8Array): Promise<Uint8Array> {
  const lite = await inMemory(from)
  try {
    await migrate(lite, migrations, await missing(lite, migrations))
    if (await hasWorkshop(lite)) await lite.exec('DELETE FROM workshop')
    await lite.exec('CHECKPOINT')
    return new Uint8Array(await (await lite.dumpDataDir('gzip')).arrayBuffer())
  } finally {
    await lite.close()
  }
}

/** The embedded server on a database in memory: a packed one, or a new one. */
export const inMemory = (packed?: Uint8Array | null): Promise<PGlite> =>
  PGlite.create({
    // Room for buffers is cleared as it is opened; what is in memory anyway needs little.
    startParams: [...PGlite.defaultStartParams, '-c', 'shared_buffers=16MB'],
    ...(packed ? { loadDataDir: new Blob([Buffer.from(packed)], { type: 'application/x-gzip' }) } : {}),
  })

/** Lays a packed database out in a folder. */
export function unpack(packed: Uint8Array, folder: string): void {
  for (const { name, type, data } of parseTar(gunzipSync(packed))) {
    const path = join(folder, name)
    mkdirSync(type === 'directory' ? path : dirname(path), { recursive: true, mode: 0o700 })
    if (type !== 'directory') writeFileSync(path, data ?? '', { mode: 0o600 })
  }
}

/** A packed database becomes a workshop’s at its first start: it gets a name of its own, and its migrations the time of this moment. */
export async function beginWorkshop(lite: PGlite): Promise<void> {
  if (!(await hasWorkshop(lite))) return
  await lite.transaction(async transaction => {
    const begun = await transaction.query(
      'INSERT INTO workshop (id) SELECT gen_random_uuid()::text WHERE NOT EXISTS (SELECT 1 FROM workshop) RETURNING id',
    )
    if (begun.rows.length > 0) await transaction.exec('UPDATE migration SET at = now()')
  })
}

/** Tables of long ago have none. */
const hasWorkshop = async (lite: PGlite): Promise<boolean> =>
  (await lite.query<{ there: boolean }>("SELECT to_regclass('workshop') IS NOT NULL AS there")).rows[0]!.there
