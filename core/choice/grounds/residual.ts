/** What a proof is held against. nm */
export interface Residual {
  /** measured − predicted, nm */
  readonly difference: number
  readonly u: number
  /** difference in units of its own uncertainty */
  readonly z: number
  /** true above 2: no quiet sign-off */
  readonly flagged: boolean
}

/** A residual above this many u asks for a reason. */
const RESIDUAL_LIMIT = 2

/**
 * Measured against predicted play.
 * @param uOwn  standard uncertainty of the new measurement without what it shares with the one the prediction came from, nm
 * @param uPrediction  of the prediction, likewise without the shared part, nm
 */
export function proofResidual(measured: number, uOwn: number, predicted: number, uPrediction: number): Residual {
  const difference = measured - predicted
  const u = Math.hypot(uOwn, uPrediction)
  const z = difference === 0 ? 0 : difference / u
  return { difference, u, z, flagged: Math.abs(z) > RESIDUAL_LIMIT }
}
