import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Transform, type Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { refuse } from '../http/refuse'

/** Work with a file that is there no longer than that. */
export async function withFile<Result>(folder: string, work: (path: string) => Promise<Result>): Promise<Result> {
  const place = await mkdtemp(join(folder, 'passing-'))
  try {
    return await work(join(place, 'backup.gz'))
  } finally {
    await rm(place, { recursive: true, force: true })
  }
}

/** What comes in, into a file; more than is asked for is refused while it comes. */
export async function intoFile(from: Readable, path: string, largest: number): Promise<void> {
  let length = 0
  const measure = new Transform({
    transform(part: Buffer, _encoding, next) {
      length += part.length
      next(length > largest ? refuse(413, `That is too large: ${Math.round(largest / 1e6)} MB at most.`) : null, part)
    },
  })
  await pipeline(from, measure, createWriteStream(path, { flags: 'wx', mode: 0o600 }))
}
