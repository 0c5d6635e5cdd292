import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { isAbsolute, join } from 'node:path'
import type { Copies, Copy } from '#shared/record'
import type { Database, Sql } from '../database/client'
import { syncPath } from '../database/files'
import { refuse } from '../http/refuse'
import { log } from '../log'

const NAME = /^finitum-(\d{4}-\d\d-\d\dT\d\d)-(\d\d)-(\d\d)-(\d{3}Z)\.backup\.gz$/
/** Beside a copy once it was restored and came out the same. */
const TESTED = '.tested'
/** While it is written. */
const MAKING = '.making'
const DAY_MS = 24 * 3_600_000
/** A copy is tried when nobody has written for so long, or else when it is so old. */
const QUIET_MS = 5 * 60_000
const TRIED_WITHIN_MS = 6 * 3_600_000

/** How a copy is made, and tried: away from the thread that answers. */
export interface Copying {
  /** Writes a backup there. */
  readonly write: (to: string) => Promise<unknown>
  /** Can it be restored, and does that give the same? Throws where not. */
  readonly attempt: (path: string) => Promise<void>
}

interface Settings {
  /** null: beside the data */
  readonly folder: string | null
  readonly keep: number
  /** the workshop’s id */
  readonly workshop: string
}
const settings = async (sql: Sql): Promise<Settings> =>
  (await sql.rows<Settings>('SELECT copies_folder AS folder, copies_keep AS keep, id AS workshop FROM workshop'))[0]!

/** Where copies go. @param data  the data folder */
const placeOf = ({ folder }: Pick<Settings, 'folder'>, data: string): string => folder ?? join(data, 'copies')

/** In a folder that was chosen: which workshop’s copies it takes. A stick that was pulled out leaves a folder behind that has none. */
const MARK = 'finitum-copies.txt'
const markOf = (workshop: string): string => `Copies of the workshop ${workshop} are put here.\n`
const markIn = (folder: string): string | null => {
  const path = join(folder, MARK)
  return existsSync(path) ? readFileSync(path, 'utf8') : null
}

/** What stands against copies into this folder now, in a sentence; null: nothing. */
function against({ folder, workshop }: Settings): string | null {
  if (folder === null || (existsSync(folder) && markIn(folder) === markOf(workshop))) return null
  return `No copies are made: ${folder} is not the folder that was chosen, as far as can be seen. Is its stick or disk plugged in? Otherwise choose a folder again.`
}

/** Why the last copy was not made; until one is, or another folder is chosen. */
let failed: string | null = null
/** What somebody has to do so that there are copies, in a sentence; null: nothing. */
export const copiesFault = async (sql: Sql): Promise<string | null> => against(await settings(sql)) ?? failed

const copiesIn = (place: string): Copy[] =>
  existsSync(place)
    ? readdirSync(place)
        .filter(name => NAME.test(name))
        .sort()
        .reverse()
        .map(name => {
          const note = join(place, name + TESTED)
          return {
            name,
            bytes: statSync(join(place, name)).size,
            at: name.replace(NAME, '$1:$2:$3.$4'),
            tested: existsSync(note) ? readFileSync(note, 'utf8') : null,
          }
        })
    : []

export async function copiesView(sql: Sql, data: string): Promise<Copies> {
  const own = await settings(sql)
  const place = placeOf(own, data)
  return { folder: place, own: own.folder, keep: own.keep, copies: copiesIn(place), fault: await copiesFault(sql) }
}

/** @throws Refused where the folder is none that can be written to, or takes the copies of another workshop */
export async function setCopies(db: Database, data: string, { folder, keep }: Omit<Settings, 'workshop'>): Promise<Copies> {
  const { workshop } = await settings(db)
  if (folder !== null) assertFolder(folder, workshop)
  await db.transaction(sql => sql.rows('UPDATE workshop SET copies_folder = $1, copies_keep = $2', [folder, keep]))
  if (folder !== null) mark(folder, workshop)
  failed = null
  return copiesView(db, data)
}

function assertFolder(folder: string, workshop: string): void {
  if (!isAbsolute(folder)) throw refuse(422, 'The whole path of a folder, such as /media/stick/copies.', 'folder')
  if (!existsSync(folder) || !statSync(folder).isDirectory()) throw refuse(422, 'There is no such folder on this machine.', 'folder')
  try {
    accessSync(folder, constants.W_OK)
  } catch {
    throw refuse(422, 'Finitum may not write into this folder.', 'folder')
  }
  const there = markIn(folder)
  if (there !== null && there !== markOf(workshop))
    throw refuse(422, 'The copies of another workshop are put into this folder: choose one of its own for this.', 'folder')
}

function mark(folder: string, workshop: string): void {
  writeFileSync(join(folder, MARK), markOf(workshop))
  syncPath(join(folder, MARK))
}

/** A workshop that was restored has another id than the one before: the folder that was chosen stays the chosen one. @param before  its id */
export async function keepMark(sql: Sql, before: string): Promise<void> {
  const { folder, workshop } = await settings(sql)
  if (folder !== null && existsSync(folder) && markIn(folder) === markOf(before)) mark(folder, workshop)
}
export const workshopId = async (sql: Sql): Promise<string> => (await settings(sql)).workshop

let making: Promise<Copy> | null = null
/** Makes a copy now. Asked for while one is being made, it is that one. @throws Refused 507 where it cannot be made, and why */
const makeCopy = (db: Database, data: string, copying: Copying, now: Date): Promise<Copy> =>
  (making ??= makeNow(db, data, copying, now).finally(() => {
    making = null
  }))

async function makeNow(db: Database, data: string, { write }: Copying, now: Date): Promise<Copy> {
  const own = await settings(db)
  const missing = against(own)
  if (missing !== null) throw refuse(507, missing)
  const place = placeOf(own, data)
  const name = `finitum-${now.toISOString().replace(/[:.]/g, '-')}.backup.gz`
  const unfinished = join(place, `${name}${MAKING}`)
  try {
    mkdirSync(place, { recursive: true, mode: 0o700 })
    await write(unfinished)
    renameSync(unfinished, join(place, name))
    syncPath(place)
  } catch (error) {
    rmSync(unfinished, { force: true })
    const { code = '' } = error as { code?: string }
    if (!code.startsWith('E')) throw error
    failed =
      code === 'ENOSPC' || code === 'EDQUOT'
        ? `No copy was made: the disk of ${place} is full. Make room on it, or choose another folder.`
        : `No copy was made: ${place} cannot be written to (${code}). Choose another folder.`
    log('copy', failed)
    throw refuse(507, failed)
  }
  failed = null
  log('copy', `${name} made`)
  return copiesIn(place).find(copy => copy.name === name)!
}

/** Can it be restored, and does that give the same? Noted beside it. Only beside one that can, older ones beyond those that stay are removed. */
async function tryCopy(db: Database, data: string, { name }: Copy, { attempt }: Copying): Promise<void> {
  const own = await settings(db)
  const place = placeOf(own, data)
  // It is kept whatever comes of it: a bad copy beside good ones says that something is wrong.
  const tested = await attempt(join(place, name)).then(
    () => 'restored in a trial, and the same',
    (error: Error) => `NOT restored in a trial: ${error.message}`,
  )
  if (!existsSync(join(place, name))) return
  writeFileSync(join(place, name + TESTED), tested)
  log('copy', `${name}: ${tested}`)
  if (!tested.startsWith('NOT'))
    for (const old of copiesIn(place).slice(own.keep))
      for (const file of [old.name, old.name + TESTED]) rmSync(join(place, file), { force: true })
}

/** A copy that is asked for is made and tried at once. @throws Refused 507 where it cannot be made, and why */
export async function copyNow(db: Database, data: string, copying: Copying, now = new Date()): Promise<Copies> {
  await tryCopy(db, data, await makeCopy(db, data, copying, now), copying)
  return copiesView(db, data)
}

/**
 * A copy a day, where something was done since the last. It is tried when nobody has written for a while, or else hours later.
 * @returns what was done
 */
export async function copyWhenDue(db: Database, data: string, copying: Copying, now = new Date()): Promise<'made' | 'tried' | null> {
  const own = await settings(db)
  if (against(own) !== null) return null
  const [newest] = copiesIn(placeOf(own, data))
  const [last] = await db.rows<{ at: Date | null }>('SELECT max(at) AS at FROM event')
  const written = last?.at?.getTime() ?? null
  const age = newest ? now.getTime() - Date.parse(newest.at) : Infinity
  if (newest && newest.tested === null && (age > TRIED_WITHIN_MS || now.getTime() - (written ?? 0) > QUIET_MS)) {
    await tryCopy(db, data, newest, copying)
    return 'tried'
  }
  if (age < DAY_MS || written === null || (newest && written < Date.parse(newest.at))) return null
  await makeCopy(db, data, copying, now)
  return 'made'
}

/** What was cut short is no copy. */
export async function clearUnfinished(sql: Sql, data: string): Promise<void> {
  const place = placeOf(await settings(sql), data)
  if (existsSync(place))
    for (const name of readdirSync(place)) if (NAME.test(name.replace(MAKING, '')) && name.endsWith(MAKING)) rmSync(join(place, name))
}
