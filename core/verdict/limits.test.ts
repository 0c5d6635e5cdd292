import { describe, expect, it } from 'vitest'
import { nm, thou } from '../quantity/length'
import { describeLimits, endsOf, limitsFault, twoSided, type LimitSet } from './limits'

const book = { kind: 'book' as const }
const set = (more: Partial<LimitSet>): LimitSet => ({ kind: 'none', unit: 'thou', source: book, ...more })

describe('limits in words', () => {
  it.each<[LimitSet | null, string]>([
    [twoSided(thou(19), thou(30), 'thou', book), '19 – 30 thou'],
    [set({ kind: 'upper', upper: thou(2) }), 'up to 2 thou'],
    [set({ kind: 'lower', lower: thou(2), lowerExcluded: true }), 'over 2 thou'],
    [set({ kind: 'figure', figure: thou(3) }), '3 thou, no limits given'],
    [null, 'no limit known'],
  ])('%#: %s', (limits, words) => expect(describeLimits(limits)).toBe(words))
})

describe('limits that judge', () => {
  it('are open where none is given', () => {
    expect(endsOf(set({ kind: 'upper', upper: thou(2) }))).toEqual({ lower: -Infinity, upper: thou(2) })
    expect(endsOf(set({ kind: 'figure', figure: thou(3) }))).toBeNull()
  })
  it('leave something', () => expect(limitsFault(set({ kind: 'upper', upper: nm(0) }))).toContain('leaves nothing'))
})
