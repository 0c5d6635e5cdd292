import { open } from 'node:fs/promises'
import sharp from 'sharp'
import { refuse } from '../http/refuse'

/** Larger files are refused before they are read. */
export const PHOTO_LARGEST = 15_000_000
/** Longer sides are made this long: enough for a page, and a record stays small. Pixels */
const LONGEST_SIDE = 1800
/** More than any camera in a shop takes; a small file can hold far more. Some kinds of file unfold to three bytes of memory a pixel. */
const MOST_PIXELS = 64e6
sharp.concurrency(1)
sharp.cache(false)

export interface Cleaned {
  readonly bytes: Buffer
  readonly width: number
  readonly height: number
}

/** By their first bytes: what is let near the reader at all. */
async function isPhoto(path: string): Promise<boolean> {
  const file = await open(path)
  try {
    return startsLikePhoto((await file.read(Buffer.alloc(12), 0, 12, 0)).buffer)
  } finally {
    await file.close()
  }
}
const startsLikePhoto = (bytes: Buffer): boolean =>
  bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff])) ||
  bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])) ||
  (bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP')

let last: Promise<unknown> = Promise.resolve()
/** A photograph as the record keeps it; unfolded, one takes a hundred times what its file does: they come one after the other. @param path  of its file */
export function cleaned(path: string): Promise<Cleaned> {
  const mine = last.then(() => clean(path))
  last = mine.catch(() => undefined)
  return mine
}

/**
 * Upright, of a size for a page, a JPEG, and nothing in it of where and with what it was taken.
 * @throws Refused 422 where it is none, or not whole
 */
async function clean(path: string): Promise<Cleaned> {
  if (!(await isPhoto(path))) throw refuse(422, 'This is no photograph: a JPEG, PNG or WebP file is expected.', 'photo')
  try {
    const { data, info } = await sharp(path, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true })
    return { bytes: data, width: info.width, height: info.height }
  } catch {
    throw refuse(422, 'This photograph cannot be read: the file is damaged, cut short or too large to unfold.', 'photo')
  }
}
