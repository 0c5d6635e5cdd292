import { parseMeasure } from './measure'

/** Degrees Celsius. */
export interface ParsedTemperature {
  readonly ok: true
  readonly celsius: number
}

/**
 * What a part is noted to be as warm as: `20`, `-5`, `68 F`, `20,5 °C`.
 * @returns degrees Celsius, or a sentence
 */
export function parseTemperature(text: string): ParsedTemperature | { readonly ok: false; readonly reason: string } {
  const entry = parseMeasure(text, 'temperature', '°C')
  return entry.ok ? { ok: true, celsius: entry.value / 1e6 } : entry
}
