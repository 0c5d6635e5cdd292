import { existsSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { useStorage } from 'nitropack/runtime'
import { readUp } from './find/find'
import { learnFigures } from './service/trends'
import { clearUnfinished, copyWhenDue } from './backup/copies'
import { clearPassing } from './backup/passing'
import { forgetArrivals } from './database/arrivals'
import { claim, type Claim } from './database/claim'
import { openDatabase, type Database } from './database/client'
import { SyncedFiles } from './database/files'
import { learnFromOlderChecks, takeStock } from './database/learn'
import { nearest, NONE } from './database/prepared'
import { closeDesk } from './desk/at-desk'
import { copyingAtDesk } from './desk/copying'
import type { Tables } from './desk/jobs'
import { Room } from './database/room'
import type { Schema } from './database/schema'
import { log, logInto } from './log'

/** How often it is seen whether the folder is still this process's own. */
const LOOK_MS = 1_000

let opening: Promise<Database> | null = null
let held: Claim | null = null

/** The one open database of this process. */
export function database(): Promise<Database> {
  opening ??= open()
  return opening
}

let read: Promise<Schema> | null = null
/** The tables of this version, as the build brought them along. */
export const schema = (): Promise<Schema> => (read ??= readSchema())

async function readSchema(): Promise<Schema> {
  const assets = useStorage('assets:migrations')
  const migrations = new Map<string, string>()
  for (const name of (await assets.getKeys()).sort()) if (name.endsWith('.sql')) migrations.set(name, String(await assets.getItem(name)))
  return { migrations, prepared: of => nearest(of, name => useStorage('assets:prepared').getItemRaw<Uint8Array>(name)) }
}

/** The same as they can be handed on to a worker. */
export async function tables(): Promise<Tables> {
  const { migrations, prepared } = await schema()
  return { migrations, packed: (await prepared?.(migrations)) ?? null, bare: (await prepared?.(NONE)) ?? null }
}

/** Where what is not in the database can be put; without a folder of its own, where the system puts such things. */
export const dataFolder = (): string => process.env.FINITUM_DATA ?? tmpdir()

/** How often it is seen whether a copy is due, or can be tried, and how long after the start at first. */
const COPY_MS = 5 * 60_000
const FIRST_COPY_MS = 60_000

/** Copies by themselves, where there is a folder for them. */
async function keepCopies(db: Database): Promise<void> {
  const folder = process.env.FINITUM_DATA
  if (!folder) return
  await clearPassing(folder)
  await clearUnfinished(db, folder)
  if (process.env.FINITUM_COPIES === 'no') return
  const look = () => void copyWhenDue(db, folder, copyingAtDesk(db, folder, tables)).catch((error: Error) => log('copy', error.message))
  setTimeout(look, FIRST_COPY_MS).unref()
  setInterval(look, COPY_MS).unref()
}

async function open(): Promise<Database> {
  const all = await schema()
  const folder = process.env.FINITUM_DATA
  const db = folder ? await openFolder(folder, all) : await openDatabase(undefined, all)
  await forgetArrivals(db)
  await learnFromOlderChecks(db)
  await takeStock(db, 2)
  await keepCopies(db)
  // Nobody waits for the figures of old services, or for the words of jobs: both can be looked for meanwhile.
  void learnFigures(db)
    .then(() => readUp(db))
    .catch((error: Error) => log('error', error.stack ?? error.message))
  return db
}

async function openFolder(folder: string, all: Schema): Promise<Database> {
  // Whatever is written here is for its owner's eyes.
  process.umask(0o077)
  held = claim(folder)
  logInto(folder)
  log('start', `process ${process.pid}, Node ${process.versions.node}`)
  const place = join(folder, 'database')
  if (process.env.FINITUM_FRESH === 'yes') rmSync(place, { recursive: true, force: true })
  const room = new Room(folder)
  room.assertStart()
  const mine = () => {
    // Another database may stand there now: not a byte more is written.
    if (!held!.holds() || !existsSync(place)) stop(`The data folder ${folder} was taken away while it was open. Finitum has stopped.`)
  }
  const db = await openDatabase(place, all, {
    say(line) {
      log('migration', line)
      process.stdout.write(`${line}\n`)
    },
    gone: why => stop(`The database stopped (${why.split('\n')[0]}). Nothing that was saved is lost: start Finitum again.`),
    files: of => new SyncedFiles(of, () => room.release()),
    mayWrite() {
      mine()
      room.assertWrite()
    },
  })
  room.keepSpare()
  setInterval(mine, LOOK_MS).unref()
  return db
}

function stop(sentence: string): never {
  log('stop', sentence)
  process.stderr.write(`${sentence}\n`)
  process.exit(1)
}

export async function closeDatabase(): Promise<void> {
  await closeDesk()
  await (await opening)?.close()
  if (held) log('stop', 'closed')
  opening = null
  held?.release()
  held = null
}
