import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bandScale, ticks } from './band-scale'

const thou = 25_400
describe('the axis of the limit band', () => {
  it('holds limits and marks in order, inside the margins', () => {
    const scale = bandScale([2 * thou, 5 * thou], [19 * thou], 1000, 40)
    expect(scale.breakAt).toBeNull()
    for (const value of [2, 5, 19]) {
      expect(scale.x(value * thou)).toBeGreaterThanOrEqual(40)
      expect(scale.x(value * thou)).toBeLessThanOrEqual(960)
    }
    expect(scale.x(2 * thou)).toBeLessThan(scale.x(5 * thou))
  })
  it('breaks when the mark is so far off that the band would vanish', () => {
    for (const mark of [120, -90]) {
      const scale = bandScale([2 * thou, 5 * thou], [mark * thou, 3 * thou], 1000, 40)
      expect(scale.breakAt).not.toBeNull()
      expect(scale.x(5 * thou) - scale.x(2 * thou)).toBeGreaterThan(100)
      expect(Math.sign(scale.x(mark * thou) - scale.x(3 * thou))).toBe(Math.sign(mark))
      expect(scale.x(mark * thou)).toBeGreaterThan(39)
      expect(scale.x(mark * thou)).toBeLessThan(961)
    }
  })
  it('is one axis, broken or not: what is more stands further right', () => {
    const figure = fc.integer({ min: -60, max: 60 })
    fc.assert(
      fc.property(fc.tuple(figure, figure), fc.array(figure, { minLength: 1, maxLength: 5 }), (limits, marks) => {
        const { x, stretches } = bandScale(
          limits.map(value => value * thou),
          marks.map(value => value * thou),
          1000,
          40,
        )
        const ends = stretches.flat()
        expect(ends).toEqual(ends.toSorted((a, b) => a - b))
        const values = [...new Set([...limits, ...marks])].toSorted((a, b) => a - b)
        const places = values.map(value => x(value * thou))
        for (const [i, place] of places.entries()) expect(place).toBeGreaterThan(i === 0 ? 39 : places[i - 1]!)
        expect(places.at(-1)).toBeLessThan(961)
      }),
    )
    // What is predicted, with its uncertainty, stands with the band; what was measured beyond the break.
    const narrow = bandScale(
      [-1 * thou, thou],
      [1.9, 6.1, 26.1, 29.9].map(value => value * thou),
      1000,
      40,
    )
    expect(narrow.x(thou)).toBeLessThan(narrow.breakAt!)
    expect(narrow.x(6.1 * thou)).toBeLessThan(narrow.breakAt!)
    expect(narrow.x(26.1 * thou)).toBeGreaterThan(narrow.breakAt!)
  })
  it('has a default for nothing, and for a single figure', () => {
    expect(bandScale([], [], 500, 20).stretches).toHaveLength(1)
    const scale = bandScale([], [3 * thou], 500, 20)
    expect(Number.isFinite(scale.x(3 * thou))).toBe(true)
  })
  it('puts ticks on whole steps, apart enough', () => {
    const scale = bandScale([2 * thou, 5 * thou], [19 * thou], 1000, 40)
    const marks = ticks(scale, 'thou', 18)
    const gaps = marks.slice(1).map((mark, i) => mark.at - marks[i]!.at)
    expect(Math.min(...gaps)).toBeGreaterThanOrEqual(17.9)
    expect(marks.filter(mark => mark.major).length).toBeGreaterThan(1)
    expect(marks.some(mark => Math.abs(mark.at - scale.x(5 * thou)) < 1e-6)).toBe(true)
  })
})
