import type { LengthUnit, Nm } from '../quantity/length'

/** What the uncertainty of a reading needs to know of the gauge that took it. Lengths in nm. */
export interface Gauge {
  readonly id: string
  readonly name: string
  readonly kind: 'dial-indicator'
  readonly unit: LengthUnit
  readonly graduation: Nm
  /** The part of a graduation that can be read: 1 for digital, ½ or ⅕ for a needle. */
  readonly readableFraction: number
  /** Maximum permissible error, half-width. */
  readonly permissibleError: Nm
  /** Stated standard deviation of one reading, used until repeats say better. */
  readonly repeatability: Nm
  readonly hysteresis: Nm
  /** Travel of one turn of the pointer, for a dial with a revolution counter. */
  readonly rangePerTurn: Nm | null
  readonly lastCheck: string | null
}

/** The smallest step that can be read, nm. */
export const readableStep = (gauge: Gauge): number => gauge.graduation * gauge.readableFraction
