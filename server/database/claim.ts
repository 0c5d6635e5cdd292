import { chmodSync, closeSync, fstatSync, ftruncateSync, mkdirSync, openSync, readFileSync, statSync, writeSync } from 'node:fs'
import { hostname } from 'node:os'
import { join } from 'node:path'
import { tryLock } from './os-lock'

/** A data folder held by this process alone. */
export interface Claim {
  readonly folder: string
  /** Is it still this process that holds it, and the same folder? */
  holds(): boolean
  release(): void
}

/**
 * Holds a data folder, by a lock of the operating system on a file in it: it goes with the process, however that ends, and needs no
 * renewing.
 * @throws Error with a sentence where another process holds it, or it cannot be written
 */
export function claim(folder: string): Claim {
  const path = join(folder, 'lock')
  let handle: number
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    handle = openSync(path, 'a+', 0o600)
    chmodSync(path, 0o600)
  } catch (error) {
    throw new Error(
      `The data folder ${folder} cannot be written (${(error as { code?: string }).code}). Set FINITUM_DATA to one that can.`,
      {
        cause: error,
      },
    )
  }
  if (!tryLock(handle)) {
    closeSync(handle)
    throw new Error(
      `The data folder ${folder} is open in another Finitum${ownerOf(path)}. Close that one, or set FINITUM_DATA to another folder.`,
    )
  }
  ftruncateSync(handle)
  writeSync(handle, `process ${process.pid} on ${hostname()}, since ${new Date().toISOString()}\n`)
  const mine = fstatSync(handle, { bigint: true })
  return {
    folder,
    holds() {
      try {
        const there = statSync(path, { bigint: true })
        return there.ino === mine.ino && there.dev === mine.dev
      } catch {
        return false
      }
    },
    release: () => closeSync(handle),
  }
}

/** What the holder wrote of itself, where that can be read. */
function ownerOf(path: string): string {
  try {
    const [, owner] = /^(process \d+ on [\w.-]+)/.exec(readFileSync(path, 'utf8')) ?? []
    return owner ? ` (${owner})` : ''
  } catch {
    return ''
  }
}
