import { closeSync, existsSync, fsyncSync, openSync, rmSync, statSync, statfsSync, writeSync } from 'node:fs'
import { join } from 'node:path'

const MB = 1024 * 1024
/** With less than this free nothing new is written. */
export const LEAST_FREE = 48 * MB
/** With less than this free the database cannot be opened: what was written last is written out first. */
export const FREE_TO_START = 24 * MB
/** Kept so that a write under way can be finished when the disk fills. */
const SPARE = 32 * MB

/** The disk is nearly full: nothing was stored. */
export class NoRoom extends Error {
  constructor(folder: string) {
    super(`The disk that holds ${folder} is nearly full: nothing was stored. Make room on it; what was typed waits in the browser.`)
  }
}

const megabytes = (bytes: number) => `${Math.round(bytes / MB)} MB`

/**
 * Room on the disk of a data folder, with some kept in reserve: the embedded database stops for good when it cannot write its log.
 * @param free  bytes that can still be written
 */
export class Room {
  private readonly spare: string
  constructor(
    private readonly folder: string,
    private readonly free: () => number = () => {
      const { bavail, bsize } = statfsSync(folder)
      return bavail * bsize
    },
  ) {
    this.spare = join(folder, 'spare')
  }

  /** @throws Error with a sentence where there is too little to start */
  assertStart(): void {
    if (this.free() + (existsSync(this.spare) ? statSync(this.spare).size : 0) >= FREE_TO_START) return
    throw new Error(
      `The disk that holds ${this.folder} is full: ${megabytes(this.free())} are free, ${megabytes(FREE_TO_START)} are needed to start. Make room and start again; nothing is lost.`,
    )
  }

  /** Before anything is written. @throws NoRoom */
  assertWrite(): void {
    if (this.free() < LEAST_FREE) throw new NoRoom(this.folder)
    this.keepSpare()
  }

  /** Gives the reserve up. @returns whether there was any */
  release(): boolean {
    if (!existsSync(this.spare)) return false
    rmSync(this.spare)
    return true
  }

  /** Takes a reserve where there is none and room for one. Written out, or it would reserve nothing. */
  keepSpare(): void {
    if (existsSync(this.spare) || this.free() < LEAST_FREE + 2 * SPARE) return
    const handle = openSync(this.spare, 'wx', 0o600)
    try {
      const block = Buffer.alloc(MB)
      for (let at = 0; at < SPARE; at += MB) writeSync(handle, block, 0, MB, at)
      fsyncSync(handle)
    } finally {
      closeSync(handle)
    }
  }
}
