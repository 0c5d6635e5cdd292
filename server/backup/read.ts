import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { createInterface } from 'node:readline'
import { createGunzip } from 'node:zlib'
import { refuse } from '../http/refuse'
import { BACKUP_FORMAT, BACKUP_VERSION, type EndLine, type Head } from './format'

/** The lines of a packed backup. */
export async function* linesOf(path: string): AsyncGenerator<string> {
  const file = createReadStream(path)
  const text = createGunzip()
  file.on('error', error => text.destroy(error))
  file.pipe(text)
  // A line break inside a value is written as \n: every line feed ends a line, and nothing else does.
  const lines = createInterface({ input: text, crlfDelay: Infinity })
  const failed = new Promise<never>((_, reject) => text.on('error', reject))
  failed.catch(() => undefined)
  const each = lines[Symbol.asyncIterator]()
  for (;;) {
    const next = await Promise.race([each.next(), failed])
    if (next.done) break
    yield next.value
  }
  // Cut short, the unpacking fails only after the last whole line.
  await Promise.race([new Promise(resolve => (text.readableEnded || text.destroyed ? resolve(null) : text.once('close', resolve))), failed])
}

const CUT = 'This backup was cut short: its end is missing. Nothing was changed.'

/**
 * Reads all of a backup before anything rests on it.
 * @param known  migrations of this program
 * @throws Refused 422: no backup, cut short, altered, of a newer program
 */
export async function assertWhole(
  path: string,
  known: readonly string[],
): Promise<Head & { readonly rows: number; readonly sha256: string }> {
  const digest = createHash('sha256')
  let head: Head | null = null
  let last: string | null = null
  try {
    for await (const line of linesOf(path)) {
      if (head === null) head = headOf(line, known)
      if (last !== null) digest.update(last).update('\n')
      last = line
    }
  } catch (error) {
    if (head === null && (error as { code?: string }).code === 'Z_DATA_ERROR') throw refuse(422, 'This is no backup of Finitum.')
    if (['Z_BUF_ERROR', 'Z_DATA_ERROR'].includes((error as { code?: string }).code ?? ''))
      throw refuse(
        422,
        (error as { code?: string }).code === 'Z_BUF_ERROR' ? CUT : 'This backup is damaged: it cannot be unpacked. Nothing was changed.',
      )
    throw error
  }
  if (head === null || last === null) throw refuse(422, 'This is no backup of Finitum.')
  const end = parsed(last) as Partial<EndLine> | null
  if (end?.end !== true) throw refuse(422, CUT)
  const sha256 = digest.digest('hex')
  if (end.sha256 !== sha256) throw refuse(422, 'This backup was altered: its digest is not that of its lines. Nothing was changed.')
  return { ...head, rows: end.rows!, sha256 }
}

const parsed = (line: string): unknown => {
  try {
    return JSON.parse(line)
  } catch {
    return null
  }
}

function headOf(line: string, known: readonly string[]): Head {
  const head = parsed(line) as Partial<Head> | null
  if (head?.format !== BACKUP_FORMAT || !Array.isArray(head.migrations)) throw refuse(422, 'This is no backup of Finitum.')
  const newer = (head.version ?? 0) > BACKUP_VERSION || head.migrations.some(name => !known.includes(name))
  if (newer) throw refuse(422, 'This backup was written by a newer Finitum: restore it with that version.')
  return head as Head
}
