import { createReadStream, statSync } from 'node:fs'
import { pipeline } from 'node:stream'
import { createGunzip } from 'node:zlib'
import { refuse } from '../http/refuse'

/** The longest line there can be is of the largest photograph there can be, in hexadecimal digits. Bytes */
const LONGEST = 32_000_000
/** What a small file may unfold to in any case, in bytes, and how many times its length otherwise: rows of figures come to ten or fifteen times. */
const SMALL = 64_000_000
const FOLD = 60

/**
 * The lines of a packed backup, each without its line feed. A line break inside a value is written as \n: every line feed ends a line, and
 * nothing else does.
 * @throws the errors of zlib where it is not packed, or cut short; Refused 422 where it unfolds to more than any backup does
 */
export async function* linesOf(path: string): AsyncGenerator<Buffer> {
  const most = Math.max(SMALL, FOLD * statSync(path).size)
  // Errors of either come out of the last.
  const text = pipeline(createReadStream(path), createGunzip({ chunkSize: 256 * 1024 }), () => undefined)
  let begun: Buffer[] = []
  let length = 0
  let unfolded = 0
  for await (const part of text as AsyncIterable<Buffer>) {
    unfolded += part.length
    if (unfolded > most) throw refuse(422, 'This is no backup of Finitum: it unfolds to far more than any backup does.')
    let from = 0
    for (let end = part.indexOf(10); end !== -1; end = part.indexOf(10, from)) {
      const rest = part.subarray(from, end)
      yield begun.length === 0 ? rest : Buffer.concat([...begun, rest])
      begun = []
      length = 0
      from = end + 1
    }
    if (from === part.length) continue
    begun.push(part.subarray(from))
    length += part.length - from
    if (length > LONGEST) throw refuse(422, 'This is no backup of Finitum: a line of it is longer than any line of a backup.')
  }
  if (length > 0) yield Buffer.concat(begun)
}
