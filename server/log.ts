import { randomBytes } from 'node:crypto'
import { appendFileSync, existsSync, mkdirSync, renameSync, statSync } from 'node:fs'
import { join } from 'node:path'

/** A file of this size is set aside, the one before it removed. */
const LARGEST = 1_000_000

type What = 'start' | 'stop' | 'migration' | 'refused' | 'import' | 'copy' | 'error'

let file: string | null = null

/** From now on lines go into the data folder. Until then, and without a folder, they go nowhere. */
export function logInto(folder: string): void {
  const place = join(folder, 'log')
  mkdirSync(place, { recursive: true, mode: 0o700 })
  file = join(place, 'finitum.log')
}

/**
 * One line for whoever maintains this: what happened, without figures of jobs. Written at once, so that the last words of a process
 * that stops are kept.
 * @returns the id the screen shows beside “something went wrong here”
 */
export function log(what: What, words: string): string {
  const id = randomBytes(4).toString('hex')
  if (!file) return id
  try {
    if (existsSync(file) && statSync(file).size > LARGEST) renameSync(file, `${file}.before`)
    appendFileSync(file, `${new Date().toISOString()} ${what} ${id} ${words.replace(/\s+/g, ' ').slice(0, 2_000)}\n`, { mode: 0o600 })
  } catch {
    // A full disk: what could be said of it is said where it is met.
  }
  return id
}
