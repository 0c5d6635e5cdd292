import { describe, expect, it } from 'vitest'
import { ways } from './ways'
import { boreSign } from './bore-gauge/bore'
import { plusOf } from './plus'

describe('which way is plus', () => {
  it('is said of every way that reads a figure, and of no other', () => {
    for (const way of Object.values(ways))
      expect([way.id, plusOf(way.id, 'climbs') !== null]).toEqual([way.id, way.entry !== 'word' && way.entry !== 'pieces'])
  })
  it('of a bore gauge goes with the sign its figure is reckoned by', () => {
    for (const sense of ['climbs', 'falls'] as const) {
      const larger = boreSign({ sense }) === 1
      for (const way of ['bore-gauge', 'hone'] as const)
        expect(plusOf(way, sense)).toEqual({
          moves: larger ? 'out' : 'in',
          words: `the bore is ${larger ? 'larger' : 'smaller'} than the master`,
        })
    }
  })
  it('of a comparator that falls is the shorter part', () => {
    expect(plusOf('comparator', 'falls')).toEqual({ moves: 'out', words: 'it is shorter' })
    expect(plusOf('comparator-now', 'climbs')).toEqual({ moves: 'in', words: 'it is longer' })
  })
  it('of a movement under a dial is the plunger going in', () => expect(plusOf('dial', 'climbs')?.moves).toBe('in'))
})
