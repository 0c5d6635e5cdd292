import type { Estimate } from '../../reading/estimate'
import { meanOf, sumOf } from '../../reading/sum'
import type { Answers } from '../contract'

/** A is vertical, or along the rod, and comes first: shells are thinner near the split, rods stretch along their length. */
export const DIRECTIONS = ['A', 'B'] as const

/** Where a diameter is taken: in a direction, at a station along the axis. */
export interface DiameterPoint {
  readonly direction: string
  readonly station: string
  readonly point: string
}
/** Diameters of one round part that were read. */
export type Diameters = readonly (DiameterPoint & { readonly estimate: Estimate })[]

/** @param asSize  what the reading says of the size; null while that cannot be told */
export function diametersOf(
  points: readonly DiameterPoint[],
  answers: Answers,
  asSize: (reading: Estimate) => Estimate | null = reading => reading,
): Diameters {
  return points.flatMap(at => {
    const reading = answers.of(at.point).estimate
    const estimate = reading && asSize(reading)
    return estimate ? [{ ...at, estimate }] : []
  })
}

export const meanDiameter = (diameters: Diameters, name: string): Estimate | null =>
  diameters.length === 0
    ? null
    : meanOf(diameters.map(({ direction, station, estimate }) => ({ name: `${name} ${direction} ${station}`.trim(), estimate })))

/** Out-of-round: largest difference of directions at one station. Taper: of stations in one direction. null while there are not two. */
export function largestDifference(diameters: Diameters, along: 'direction' | 'station'): Estimate | null {
  const across = along === 'direction' ? 'station' : 'direction'
  const pairs = diameters.flatMap((a, i) =>
    diameters
      .slice(i + 1)
      .filter(b => b[across] === a[across])
      .map(b => (a.estimate.value >= b.estimate.value ? ([a, b] as const) : ([b, a] as const))),
  )
  const worst = pairs.sort((a, b) => b[0].estimate.value - b[1].estimate.value - (a[0].estimate.value - a[1].estimate.value))[0]
  return worst
    ? sumOf([
        { name: worst[0][along], factor: 1, estimate: worst[0].estimate },
        { name: worst[1][along], factor: -1, estimate: worst[1].estimate },
      ])
    : null
}
