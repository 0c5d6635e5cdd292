import { runs } from '../../../../tests/runs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sortRollers, type Roller } from './sort-rollers'

const bag = (name: string, ...sizes: number[]): Roller[] => sizes.map((size, i) => ({ id: `${name}${i}`, bag: name, size }))
const rules = { count: 3, spread: 10, rods: 1, mixed: false }

/** Every way to take k disjoint runs of neighbours from one list, by hand: the least sum of spreads. */
function leastByHand(bags: readonly (readonly number[])[], count: number, spread: number, sets: number): number | null {
  const runs = bags.flatMap((sizes, b) => {
    const sorted = [...sizes].sort((x, y) => x - y)
    return sorted.flatMap((_, i) =>
      i + count <= sorted.length && sorted[i + count - 1]! - sorted[i]! <= spread
        ? [{ b, from: i, to: i + count, width: sorted[i + count - 1]! - sorted[i]! }]
        : [],
    )
  })
  const search = (at: number, left: number, taken: typeof runs): number => {
    if (left === 0) return taken.reduce((sum, run) => sum + run.width, 0)
    let best = Infinity
    for (let i = at; i < runs.length; i++) {
      const run = runs[i]!
      if (taken.every(other => other.b !== run.b || other.to <= run.from || run.to <= other.from))
        best = Math.min(best, search(i + 1, left - 1, [...taken, run]))
    }
    return best
  }
  const best = search(0, sets, [])
  return Number.isFinite(best) ? best : null
}

describe('sorting rollers', () => {
  it('takes the run of neighbours that lies closest together', () => {
    const { sets, leftover, possible } = sortRollers(bag('A', 100, 120, 101, 109, 121, 122), rules)
    expect(sets.map(set => [set.smallest, set.largest])).toEqual([[120, 122]])
    expect(leftover.map(roller => roller.size).sort()).toEqual([100, 101, 109])
    expect(possible).toBe(2)
  })
  it('two rods from two bags: the smaller rollers first, whichever bag they are of', () => {
    const { sets } = sortRollers([...bag('A', 200, 201, 202), ...bag('B', 100, 101, 102)], { ...rules, rods: 2 })
    expect(sets.map(set => [set.bag, set.smallest])).toEqual([
      ['B', 100],
      ['A', 200],
    ])
  })
  it('two rods: the pair of sets with the least spread in all, the smaller rollers first', () => {
    const { sets } = sortRollers(bag('A', 100, 101, 102, 103, 108, 109, 110), { ...rules, rods: 2 })
    expect(sets.map(set => set.rollers.map(roller => roller.size))).toEqual([
      [100, 101, 102],
      [108, 109, 110],
    ])
  })
  it('never mixes bags, unless that is allowed on purpose', () => {
    const two = [...bag('A', 100, 100), ...bag('B', 100, 100)]
    expect(sortRollers(two, rules)).toMatchObject({
      sets: [],
      possible: 0,
      words:
        '4 rollers make no set of 3 within the spread, each from one bag; the rod needs one. Measure more of them, or allow a wider spread.',
    })
    expect(sortRollers(two, { ...rules, mixed: true })).toMatchObject({ possible: 1, sets: [{ bag: null }] })
  })
  it('no roller at all, and more rods than the rollers can serve, are said and give no set too many', () => {
    expect(sortRollers([], rules)).toMatchObject({
      sets: [],
      possible: 0,
      leftover: [],
      words: expect.stringContaining('No roller is measured yet'),
    })
    const few = sortRollers(bag('A', 1, 2, 3, 4, 5), { ...rules, rods: 2 })
    expect(few.sets).toHaveLength(1)
    expect(few.words).toBe('5 rollers make only 1 set of 3 within the spread; 2 rods need 2. 6 rollers are the least for 2 rods.')
  })
  it('a spread is inclusive', () => {
    expect(sortRollers(bag('A', 0, 5, 10), rules).possible).toBe(1)
    expect(sortRollers(bag('A', 0, 5, 11), rules).possible).toBe(0)
  })
  it('is the least sum of spreads for any bags (property, against every choice by hand)', () => {
    const sizes = fc.array(fc.integer({ min: 0, max: 30 }), { maxLength: 9 })
    fc.assert(
      fc.property(
        sizes,
        sizes,
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 0, max: 12 }),
        fc.integer({ min: 1, max: 3 }),
        (a, b, count, spread, rods) => {
          const all = [...bag('A', ...a), ...bag('B', ...b)]
          const { sets, possible, leftover } = sortRollers(all, { count, spread, rods, mixed: false })
          expect(sets).toHaveLength(Math.min(rods, possible))
          expect(leastByHand([a, b], count, spread, possible + 1)).toBeNull()
          expect(sets.reduce((sum, set) => sum + set.largest - set.smallest, 0)).toBe(leastByHand([a, b], count, spread, sets.length) ?? 0)
          expect(new Set([...sets.flatMap(set => set.rollers), ...leftover].map(roller => roller.id)).size).toBe(all.length)
          for (const set of sets) expect(new Set(set.rollers.map(roller => roller.bag)).size).toBe(1)
        },
      ),
      { numRuns: runs(200) },
    )
  })
})
