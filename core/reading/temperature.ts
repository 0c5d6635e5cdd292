/** Reference temperature of all lengths, °C. Source: ISO 1. */
export const REFERENCE = 20

/** Expansion per kelvin. Source: engineering handbooks; editable where they are used. */
export const EXPANSION = {
  'steel': 11.5e-6,
  'cast iron': 10.5e-6,
  'aluminium alloy': 23e-6,
  'magnesium': 26e-6,
  'brass': 19e-6,
  'bronze': 18e-6,
} as const
export type Metal = keyof typeof EXPANSION

/** A body: its expansion per kelvin, and its temperature, °C. */
export interface Body {
  readonly alpha: number
  readonly celsius: number
}

/**
 * A reading brought to 20 °C: L20 = R·[1 + α_g(T_g − 20) − α_p(T_p − 20)], g the scale or master, p the part. Same metal, same
 * temperature: no correction.
 * @param reading  nm
 */
export const atReference = (reading: number, gauge: Body, part: Body): number =>
  reading * (1 + gauge.alpha * (gauge.celsius - REFERENCE) - part.alpha * (part.celsius - REFERENCE))

/** How much bigger the part reads with heat than it is at 20 °C, nm. */
export const heatError = (reading: number, gauge: Body, part: Body): number => reading - atReference(reading, gauge, part)

/**
 * Size of a part at another temperature, nm: a clearance at running temperature is a prediction, from two of these.
 * @param size  at 20 °C, nm
 */
export const sizeAt = (size: number, part: Body): number => size * (1 + part.alpha * (part.celsius - REFERENCE))

/** Does the effect matter? Above a tenth of the band. null without a band. */
export const heatMatters = (effect: number, band: number | null): boolean | null => (band === null ? null : Math.abs(effect) > band / 10)
