import { endsOf, type LimitSet } from '../verdict/limits'
import type { Response } from './response'
import { totalFor } from './predict'

/** The pack totals (nm) that would meet the limits; open ends are ±Infinity, the low end never below 0. */
export interface Window {
  readonly low: number
  readonly high: number
}

/**
 * @param play  measured, nm
 * @param fittedTotal  of the pack it was measured with, nm; 0 when unknown, and the window is then one of changes
 * @returns null without limits, or when no total of zero or more can do it
 */
export function packWindow(limits: LimitSet | null, play: number, fittedTotal: number, response: Response, known = true): Window | null {
  const ends = endsOf(limits)
  if (!ends) return null
  const a = totalFor(ends.lower, play, fittedTotal, response)
  const b = totalFor(ends.upper, play, fittedTotal, response)
  const low = Math.min(a, b)
  const high = Math.max(a, b)
  if (!known) return { low, high }
  return high < 0 ? null : { low: Math.max(0, low), high }
}
