import type { RefusedLength } from './parse-length'

/** Degrees Celsius. */
export interface ParsedTemperature {
  readonly ok: true
  readonly celsius: number
}
const ABSOLUTE_ZERO = -273.15
const refuse = (reason: string) => ({ ok: false, reason }) as const satisfies RefusedLength

/**
 * Reads a temperature: `20`, `-5`, `68 F`, `20,5 °C`. A bare figure takes the unit given.
 * @returns degrees Celsius, or a sentence
 */
export function parseTemperature(text: string, bare: 'C' | 'F' = 'C'): ParsedTemperature | { readonly ok: false; readonly reason: string } {
  const match = /^([+-]?\d+(?:[.,]\d+)?) ?(?:°|deg)? ?([cf]?)$/.exec(text.trim().toLowerCase().replace(/[−–]/g, '-'))
  if (!match) return refuse(text.trim() === '' ? 'Nothing typed yet.' : `“${text.trim()}” is not a temperature. Type 20, 20 °C or 68 °F.`)
  const figure = Number(match[1]!.replace(',', '.'))
  const celsius = (match[2] || bare.toLowerCase()) === 'f' ? (figure - 32) / 1.8 : figure
  if (celsius < ABSOLUTE_ZERO) return refuse('Nothing is that cold: absolute zero is −273.15 °C.')
  if (celsius > 1000) return refuse('No part on a bench is that hot.')
  return { ok: true, celsius }
}
