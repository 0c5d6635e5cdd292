import { describe, expect, it } from 'vitest'
import { familiesFor } from './families'

const families = ['axle rings', 'box shims', 'crank washers']
const usedFor = [
  { kind: 'shaft-end-play', family: 'box shims' },
  { kind: 'crankshaft-end-play', family: 'crank washers' },
]

describe('the families offered to a new check', () => {
  it('begin with what checks of its kind used last, never with the first of the alphabet', () => {
    expect(familiesFor('shaft-end-play', { families, usedFor })).toEqual({
      families: ['box shims', 'axle rings', 'crank washers'],
      first: 'box shims',
    })
  })
  it('take the only one nobody has used, and ask where there are several', () => {
    expect(familiesFor('bearing-clearance', { families, usedFor }).first).toBe('axle rings')
    expect(familiesFor('bearing-clearance', { families, usedFor: [] }).first).toBe('')
    expect(familiesFor('bearing-clearance', { families: [], usedFor }).families).toEqual([])
  })
  it('forget a family that is gone', () => {
    expect(familiesFor('shaft-end-play', { families, usedFor: [{ kind: 'shaft-end-play', family: 'lost' }] }).first).toBe('')
  })
})
