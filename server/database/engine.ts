import { chmodSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { copyBeside, syncFolder } from './copy'
import { SYNCED, syncPath, type SyncedFiles } from './files'
import { migrate, missing } from './migrate'
import { beginWorkshop, inMemory, unpack } from './prepared'
import type { Schema } from './schema'

export interface Engine {
  /** told where a copy of the data was put before it was changed */
  readonly say: (line: string) => void
  /** the files of a folder */
  readonly files: (folder: string) => SyncedFiles
  /** with little memory */
  readonly small?: boolean
}

/**
 * Opens the embedded server on a folder (made when missing; undefined: in memory) and brings its tables up to date. What holds data
 * already is copied first.
 * @throws Error with a sentence when the database is newer than the program, or cannot be opened
 */
export async function openEngine(folder: string | undefined, { migrations, prepared }: Schema, engine: Engine): Promise<PGlite> {
  if (!folder) {
    const lite = await inMemory(await prepared?.(migrations))
    await migrate(lite, migrations, await missing(lite, migrations))
    await beginWorkshop(lite)
    return lite
  }
  if (!existsSync(folder) || readdirSync(folder).length === 0) await begin(folder, await prepared?.(migrations))
  chmodSync(folder, 0o700)
  let lite = await start(folder, engine)
  try {
    const names = await missing(lite, migrations)
    if (names.length > 0 && names.length < migrations.size) {
      await lite.close()
      const copy = await copyBeside(folder, names[0]!.replace(/\.sql$/, ''))
      engine.say(`The data is brought up to date; as it was before, it is kept in ${copy}`)
      lite = await start(folder, engine)
    }
    await migrate(lite, migrations, names)
    await beginWorkshop(lite)
    ownerOnly(folder)
  } catch (error) {
    if (!lite.closed) await lite.close()
    throw error
  }
  return lite
}

/** A new database is made beside its place and takes it when it is whole and on the disk: cut short, it is made anew the next time. */
async function begin(folder: string, packed: Uint8Array | null | undefined): Promise<void> {
  const making = `${folder}.making`
  rmSync(making, { recursive: true, force: true })
  mkdirSync(making, { recursive: true, mode: 0o700 })
  if (packed) unpack(packed, making)
  else await (await PGlite.create(making)).close()
  await syncFolder(making)
  renameSync(making, folder)
  syncPath(dirname(folder))
}

/** Opening it lays some files down for everybody to read. */
function ownerOnly(folder: string): void {
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true }))
    chmodSync(join(entry.parentPath, entry.name), entry.isDirectory() ? 0o700 : 0o600)
}

const SMALL = ['-c', 'shared_buffers=16MB']

/** What a whole database has. */
const MUST_HAVE = ['PG_VERSION', 'global/pg_control', 'pg_wal']

async function start(folder: string, { files, small = false }: Engine): Promise<PGlite> {
  const lacking = MUST_HAVE.find(name => !existsSync(join(folder, name)))
  if (lacking) throw broken(folder, `${lacking} is missing`)
  // Whose folder it is, is settled by its claim; this note of a process long gone may be half written.
  rmSync(join(folder, 'postmaster.pid'), { force: true })
  const said: string[] = []
  try {
    const startParams = [...SYNCED, ...(small ? SMALL : [])]
    return await PGlite.create({ fs: files(folder), startParams, onStderr: line => said.push(line) > 0 })
  } catch (error) {
    const reason = said.map(line => /(?:PANIC|FATAL|ERROR): +(.*)/.exec(line)?.[1]).findLast(Boolean)
    throw broken(folder, reason ?? (error instanceof Error ? error.message.split('\n')[0]! : String(error)), error)
  }
}

const broken = (folder: string, why: string, cause?: unknown): Error =>
  new Error(
    `The database in ${folder} is damaged (${why}). Nothing was changed. Put a copy back in its place (one made before an update stands beside it), or set FINITUM_DATA to another folder.`,
    { cause },
  )
