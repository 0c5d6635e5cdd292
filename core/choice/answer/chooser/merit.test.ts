import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { roomBefore, binOf, chanceClass, compareKeys, fineWidth, meritKey, troubleOf } from './merit'

const effort = fc.record({
  pieces: fc.nat(3),
  changes: fc.nat(3),
  unmeasured: fc.nat(2),
  variance: fc.nat(2),
  cost: fc.nat(2),
})
const place = fc.tuple(fc.integer({ min: 1, max: 2 }), fc.nat(1), fc.nat(2), effort)

describe('the order of merit', () => {
  it('cuts a branch exactly where its best key would not come before (property)', () => {
    fc.assert(
      fc.property(fc.constantFrom('trouble', 'pieces', 'changes', 'cost'), place, place, (order, a, b) => {
        const [mine, other] = [meritKey(order, ...a), meritKey(order, ...b)]
        expect(roomBefore(order, other, ...a) >= 0).toBe(compareKeys(mine, other) < 0)
        expect(roomBefore(order, mine, ...a)).toBe(-1)
      }),
      { numRuns: 3_000 },
    )
  })
  it('class, then steps from the aim, then what a shop moved up, then trouble, distance, pieces’ u, cost', () => {
    const of = { pieces: 3, changes: 2, unmeasured: 1, variance: 50, cost: 7 }
    expect(troubleOf(of)).toBe(6)
    expect(meritKey('trouble', 2, 1, 40, of)).toEqual([2, 1, 0, 6, 40, 50, 7])
    expect(meritKey('pieces', 2, 1, 40, of)[2]).toBe(3)
    expect(meritKey('changes', 2, 1, 40, of)[2]).toBe(2)
    expect(meritKey('cost', 2, 1, 40, of)[2]).toBe(7)
  })
  it('a chance belongs to the class whose least it reaches', () => {
    expect([1, 0.99, 0.989, 0.95, 0.8, 0.5, 0.499, null].map(chance => chanceClass(chance))).toEqual([1, 1, 2, 2, 3, 4, 5, 1])
  })
  it('steps are whole ones', () => {
    expect([0, 9, 10, 11, 20].map(distance => binOf(distance, 10))).toEqual([0, 0, 1, 1, 2])
    expect([fineWidth('thou'), fineWidth('mm')]).toEqual([2_540, 2_000])
  })
})
