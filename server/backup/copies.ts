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
import type { Schema } from '../database/schema'
import { refuse } from '../http/refuse'
import { log } from '../log'
import { tryRestore } from './restore'
import { writeBackupFile } from './write'

const NAME = /^finitum-(\d{4}-\d\d-\d\dT\d\d)-(\d\d)-(\d\d)-(\d{3}Z)\.backup\.gz$/
/** Beside a copy once it was restored and came out the same. */
const TESTED = '.tested'
const DAY_MS = 24 * 3_600_000

interface Settings {
  /** null: beside the data */
  readonly folder: string | null
  readonly keep: number
}
const settings = async (sql: Sql): Promise<Settings> =>
  (await sql.rows<Settings>('SELECT copies_folder AS folder, copies_keep AS keep FROM workshop'))[0]!

/** Where copies go. @param data  the data folder */
const placeOf = ({ folder }: Settings, data: string): string => folder ?? join(data, 'copies')

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
  return { folder: place, own: own.folder, keep: own.keep, copies: copiesIn(place) }
}

/** @throws Refused where the folder is none that can be written to */
export async function setCopies(db: Database, data: string, { folder, keep }: Settings): Promise<Copies> {
  if (folder !== null) {
    if (!isAbsolute(folder)) throw refuse(422, 'The whole path of a folder, such as /media/stick/copies.', 'folder')
    if (!existsSync(folder) || !statSync(folder).isDirectory()) throw refuse(422, 'There is no such folder on this machine.', 'folder')
    try {
      accessSync(folder, constants.W_OK)
    } catch {
      throw refuse(422, 'Finitum may not write into this folder.', 'folder')
    }
  }
  await db.transaction(sql => sql.rows('UPDATE workshop SET copies_folder = $1, copies_keep = $2', [folder, keep]))
  return copiesView(db, data)
}

let making: Promise<Copies> | null = null
/** Makes a copy now, tries to restore it, and removes the oldest beyond those that stay. Asked for while one is being made, it is that one. */
export const makeCopy = (db: Database, data: string, schema: Schema, now = new Date()): Promise<Copies> =>
  (making ??= makeNow(db, data, schema, now).finally(() => {
    making = null
  }))

async function makeNow(db: Database, data: string, schema: Schema, now: Date): Promise<Copies> {
  const own = await settings(db)
  const place = placeOf(own, data)
  mkdirSync(place, { recursive: true, mode: 0o700 })
  const name = `finitum-${now.toISOString().replace(/[:.]/g, '-')}.backup.gz`
  const path = join(place, name)
  const making = `${path}.making`
  rmSync(making, { force: true })
  await writeBackupFile(db, making)
  renameSync(making, path)
  syncPath(place)
  // It is kept whatever comes of the test: a bad copy beside good ones says that something is wrong.
  const tested = await tryRestore(path, schema).then(
    () => 'restored in a trial, and the same',
    (error: Error) => `NOT restored in a trial: ${error.message}`,
  )
  writeFileSync(path + TESTED, tested)
  log('copy', `${name}: ${tested}`)
  if (!tested.startsWith('NOT'))
    for (const old of copiesIn(place).slice(own.keep))
      for (const file of [old.name, old.name + TESTED]) rmSync(join(place, file), { force: true })
  return copiesView(db, data)
}

/** A copy a day, where something was done since the last. */
export async function copyWhenDue(db: Database, data: string, schema: Schema, now = new Date()): Promise<boolean> {
  const { copies } = await copiesView(db, data)
  const newest = copies[0] ? Date.parse(copies[0].at) : null
  if (newest !== null && now.getTime() - newest < DAY_MS) return false
  const [last] = await db.rows<{ at: Date | null }>('SELECT max(at) AS at FROM event')
  if (!last?.at || (newest !== null && last.at.getTime() < newest)) return false
  await makeCopy(db, data, schema, now)
  return true
}
