import { scaleLinear } from 'd3-scale'
import { describe, expect, it } from 'vitest'
import { axisTicks, paddedExtent } from './axis'

describe('the axes of the drawings', () => {
  it('puts round figures of the unit where their length lies', () => {
    const ticks = axisTicks(scaleLinear([0, 4 * 25_400], [100, 0]), 25_400, 4)
    expect(ticks).toEqual([
      { value: 0, at: 100 },
      { value: 1, at: 75 },
      { value: 2, at: 50 },
      { value: 3, at: 25 },
      { value: 4, at: 0 },
    ])
  })
  it('leaves room round the values, some even where they are one', () => {
    expect(paddedExtent([100, 300, 200], 0.1, 5)).toEqual([80, 320])
    expect(paddedExtent([100], 0.1, 5)).toEqual([95, 105])
  })
})
