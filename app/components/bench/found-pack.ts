import { parseLength } from '#core/quantity/parse-length'
import type { LengthUnit, Nm } from '#core/quantity/length'

export type FoundPack =
  | { readonly ok: true; readonly pieces: readonly { readonly size: Nm; readonly count: number }[] }
  | { readonly ok: false; readonly reason: string }

/**
 * A pack as it is read out at the bench: `10, 8, 2 x 3, 0.25 mm`. Pieces are parted by a comma with a space, a semicolon or a plus.
 */
export function parseFoundPack(text: string, unit: LengthUnit): FoundPack {
  const words = text
    .split(/[;+\n]|,(?=\s)|,\s*$/)
    .map(word => word.trim())
    .filter(Boolean)
  if (words.length === 0) return { ok: false, reason: 'List the pieces: 10, 8, 2 x 3.' }
  const pieces: { size: Nm; count: number }[] = []
  for (const word of words) {
    const many = /^(\d{1,2})\s*[x×*]\s*(.+)$/i.exec(word)
    const entry = parseLength(many ? many[2]! : word, unit)
    if (!entry.ok) return { ok: false, reason: `${word}: ${entry.reason}` }
    if (entry.value <= 0) return { ok: false, reason: `${word}: a piece is thicker than nothing.` }
    const count = many ? Number(many[1]) : 1
    if (count < 1) return { ok: false, reason: `${word}: how many?` }
    const same = pieces.find(piece => piece.size === entry.value)
    if (same) same.count += count
    else pieces.push({ size: entry.value, count })
  }
  return { ok: true, pieces }
}
