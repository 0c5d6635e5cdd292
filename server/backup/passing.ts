import { createWriteStream } from 'node:fs'
import { mkdtemp, readdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Transform, type Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Gone, refuse } from '../http/refuse'

const PASSING = 'passing-'

/** What a process left that ended in the middle of such work. */
export async function clearPassing(folder: string): Promise<void> {
  for (const name of await readdir(folder)) if (name.startsWith(PASSING)) await rm(join(folder, name), { recursive: true, force: true })
}

/** A place for a file that does not stay. */
export interface Passing {
  readonly path: string
  readonly gone: () => Promise<void>
}
export async function passing(folder: string): Promise<Passing> {
  const place = await mkdtemp(join(folder, PASSING))
  return { path: join(place, 'file'), gone: () => rm(place, { recursive: true, force: true }) }
}

/** Work with a file that is there no longer than that. */
export async function withFile<Result>(folder: string, work: (path: string) => Promise<Result>): Promise<Result> {
  const { path, gone } = await passing(folder)
  return work(path).finally(gone)
}

/** What comes in, into a file; more than is asked for is refused while it comes. @throws Gone where whoever sent it has left */
export async function intoFile(from: Readable, path: string, largest: number): Promise<void> {
  let length = 0
  const measure = new Transform({
    transform(part: Buffer, _encoding, next) {
      length += part.length
      next(length > largest ? refuse(413, `That is too large: ${Math.round(largest / 1e6)} MB at most.`) : null, part)
    },
  })
  await pipeline(from, measure, createWriteStream(path, { flags: 'wx', mode: 0o600 })).catch((error: { code?: string }) => {
    throw ['ERR_STREAM_PREMATURE_CLOSE', 'ECONNRESET'].includes(error.code ?? '') ? new Gone() : error
  })
}
