import sharp from 'sharp'
import { refuse } from '../http/refuse'

/** Larger files are refused before they are read. */
export const PHOTO_LARGEST = 15_000_000
/** Longer sides are made this long: enough for a page, and a record stays small. Pixels */
const LONGEST_SIDE = 1800
/** More than any camera in a shop takes; a small file can hold far more. */
const MOST_PIXELS = 80e6

export interface Cleaned {
  readonly bytes: Buffer
  readonly width: number
  readonly height: number
}

/** By their first bytes: what is let near the reader at all. */
const isPhoto = (bytes: Buffer): boolean =>
  bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff])) ||
  bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])) ||
  (bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP')

/**
 * A photograph as the record keeps it: upright, of a size for a page, a JPEG, and nothing in it of where and with what it was taken.
 * @throws Refused 422 where it is none, or not whole
 */
export async function cleaned(file: Buffer): Promise<Cleaned> {
  if (!isPhoto(file)) throw refuse(422, 'This is no photograph: a JPEG, PNG or WebP file is expected.', 'photo')
  try {
    const { data, info } = await sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
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
