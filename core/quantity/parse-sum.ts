import { NM_PER, nm, type LengthUnit } from './length'
import { LONGEST_TEXT, parseLength, type LengthEntry } from './parse-length'
import type { EntryOptions } from './question'

/** A length typed as a sum, and of how many parts; one where it was no sum. */
export type SumEntry = LengthEntry & { readonly parts: number }

/**
 * Reads one length, or a stack of leaves as it lies in the hand: `15+16+17+9`. A unit after the last part is that of all that have none.
 * What is asked about is the sum.
 * @example parseSum('20 + 3', 'thou') // { ok: true, value: thou(23) }
 */
export function parseSum(text: string, entryUnit: LengthUnit, options: EntryOptions = {}): SumEntry {
  if (text.length > LONGEST_TEXT) return { ...parseLength(text, entryUnit), parts: 1 }
  const parts = text.split('+').map(part => part.trim())
  // A sign before the only figure is no sum.
  if (parts.length < 2 || parts[0] === '') return { ...parseLength(text, entryUnit, options), parts: 1 }
  if (parts.includes('')) return { ok: false, reason: `“${text.trim()}”: a part of the sum is missing.`, parts: parts.length }
  const last = parts.at(-1)!
  const unit = /[a-zµμ"]+\.?$/i.exec(last)?.[0] ?? ''
  let total = 0
  let rounded = false
  for (const part of parts) {
    const entry = parseLength(/[a-zµμ"]/i.test(part) ? part : `${part} ${unit}`.trim(), entryUnit)
    if (!entry.ok) return { ok: false, reason: entry.reason, parts: parts.length }
    total += entry.value
    rounded ||= entry.rounded
  }
  const figure = String(Number((total / NM_PER[entryUnit]).toFixed(6)))
  const asked = parseLength(`${figure} ${entryUnit}`, entryUnit, options)
  // Exact as the parts are, whatever the figure it is asked about by.
  return asked.ok ? { ok: true, value: nm(total), unit: entryUnit, rounded, parts: parts.length } : { ...asked, parts: parts.length }
}
