import { scaleLinear } from 'd3-scale'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { format } from './d3-format'
import { interpolate, interpolateNumber, interpolateRound, piecewise } from './d3-interpolate'

it('goes between figures as the scales of the package do', () => {
  const figure = fc.double({ min: -1e9, max: 1e9, noNaN: true })
  fc.assert(
    fc.property(figure, figure, fc.double({ min: 0, max: 1, noNaN: true }), (from, to, part) => {
      expect(interpolateNumber(from, to)(part)).toBe(scaleLinear().range([from, to])(part))
      expect(interpolateRound(from, to)(part)).toBe(scaleLinear().rangeRound([from, to])(part))
    }),
  )
  expect(interpolate(2, 4)(0.25)).toBe(2.5)
  expect(piecewise).toThrow('several pieces')
  expect(format).toThrow('written by the core')
})
