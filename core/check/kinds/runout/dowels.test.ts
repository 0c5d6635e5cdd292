import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runs } from '../../../../tests/runs'
import { bestBy, bestForAxes, lengthOf, less, straightAt, type Offset } from './dowels'

/** What is left on the worse axis. */
const worse = (wanted: Offset, moved: Offset): number => {
  const { to12, to3 } = less(wanted, moved)
  return Math.max(Math.abs(to12), Math.abs(to3))
}
/** The same for the best of 3,600 places round the clock. */
const byLooking = (wanted: Offset, size: number): number =>
  Math.min(
    ...Array.from({ length: 3600 }, (_, i) => {
      const angle = (i * Math.PI) / 1800
      return worse(wanted, { to12: size * Math.cos(angle), to3: size * Math.sin(angle) })
    }),
  )
const offset = fc.record({ to12: fc.integer({ min: -400_000, max: 400_000 }), to3: fc.integer({ min: -400_000, max: 400_000 }) })

describe('the way a pair of dowels points', () => {
  it('straight at where the centre is wanted: 3 to 12 and 4 to 3, by 10, is 6 and 8', () => {
    expect(straightAt({ to12: 3_000, to3: 4_000 }, 10_000)).toEqual({ to12: 6_000, to3: 8_000 })
  })
  it('of a housing that is centred already is any: towards 12, and a figure', () => {
    expect(straightAt({ to12: 0, to3: 0 }, 7_000)).toEqual({ to12: 7_000, to3: 0 })
  })
  it('leaves the least on the worse axis: 10 and 18 by 14 leave 4.945 each', () => {
    // (10 − t)² + (18 − t)² = 14²: t = (28 − √(28² − 2·(424 − 196))) / 2 = (28 − 18.1108) / 2 = 4.9446
    const moved = bestForAxes({ to12: -10_000, to3: 18_000 }, 14_000)
    expect(moved.to12).toBeCloseTo(-(10_000 - 4_944.61), 1)
    expect(moved.to3).toBeCloseTo(18_000 - 4_944.61, 1)
  })
  it('far off on one axis alone it points along that', () => {
    expect(bestForAxes({ to12: 100_000, to3: 1_000 }, 7_000)).toEqual({ to12: 7_000, to3: 0 })
    expect(bestForAxes({ to12: 1_000, to3: -100_000 }, 7_000)).toEqual({ to12: 0, to3: -7_000 })
  })
  it('is as good as the best place found by looking round the clock, and as long as the dowel is', () =>
    fc.assert(
      fc.property(offset, fc.integer({ min: 50_000, max: 500_000 }), (wanted, size) => {
        const moved = bestForAxes(wanted, size)
        expect(lengthOf(moved)).toBeCloseTo(size, 3)
        expect(worse(wanted, moved)).toBeLessThanOrEqual(byLooking(wanted, size) + size * 1e-6)
      }),
      { numRuns: runs(200) },
    ))
})

describe('the place of a pair for the rule of the limit', () => {
  const wanted = { to12: 150_000, to3: -40_000 }
  it('for the least offset is straight at what is wanted, and for the axes what their own sum says, to half a degree', () => {
    for (const size of [80_000, 177_800, 355_600]) {
      expect(bestBy(lengthOf, wanted, size)).toEqual(straightAt(wanted, size))
      const axes = ({ to12, to3 }: Offset) => Math.max(Math.abs(to12), Math.abs(to3))
      const [found, exact] = [bestBy(axes, wanted, size), bestForAxes(wanted, size)]
      // Half a degree of the circle is all it can be off.
      expect(axes(less(wanted, found)) - axes(less(wanted, exact))).toBeGreaterThanOrEqual(-1e-6)
      expect(axes(less(wanted, found)) - axes(less(wanted, exact))).toBeLessThan((size * Math.PI) / 360)
    }
  })
})
