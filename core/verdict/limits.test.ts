import { describe, expect, it } from 'vitest'
import { exact } from '../quantity/figure'
import { nm, thou } from '../quantity/length'
import {
  bandOf,
  describeLimits,
  endsOf,
  insideRange,
  isInside,
  limitSetOf,
  limitsFault,
  floored,
  twoSided,
  unitOfLimits,
  type LimitFields,
  type LimitSet,
} from './limits'

const book = { kind: 'book' as const }
const set = (more: Partial<LimitFields>): LimitSet => limitSetOf({ kind: 'none', unit: 'thou', source: book, ...more })

describe('limits in words', () => {
  it.each<[LimitSet | null, string]>([
    [twoSided(thou(19), thou(30), 'thou', book), '19 – 30 thou'],
    [set({ kind: 'upper', upper: thou(2) }), 'up to 2 thou'],
    [set({ kind: 'lower', lower: thou(2), lowerExcluded: true }), 'over 2 thou'],
    [set({ kind: 'figure', figure: thou(3) }), '3 thou, no limits given'],
    [null, 'no limit known'],
  ])('%#: %s', (limits, words) => expect(describeLimits(limits)).toBe(words))
})

describe('the unit limits are told in', () => {
  it.each([
    ['0.05 and 0.1 mm typed at a thou dial', [nm(50_000), nm(100_000)], 'thou', 'mm'],
    ['2 and 4 thou typed at a metric dial', [thou(2), thou(4)], 'mm', 'thou'],
    ['3.5 thou stay', [thou(3.5)], 'thou', 'thou'],
    ['whole in both stays', [nm(127_000)], 'mm', 'mm'],
    ['whole in neither stays', [thou(2), nm(50_000)], 'mm', 'mm'],
    ['below zero', [nm(-50_000)], 'thou', 'mm'],
    ['nothing yet', [], 'thou', 'thou'],
    // 1 in·lb is 0.112 984 8 N·m (NIST SP 811).
    ['120 in·lb at a wrench in N·m', [exact(13_558_179_483)], 'N·m', 'in·lb'],
  ] as const)('%s', (_, ends, unit, told) => expect(unitOfLimits(ends, unit)).toBe(told))
  it('and then a digit more beside the other system', () =>
    expect(describeLimits({ kind: 'upper', upper: nm(50_000), unit: unitOfLimits([nm(50_000)], 'thou'), source: book }, 'thou')).toBe(
      'up to 1.97 thou',
    ))
})

describe('limits that judge', () => {
  it('are open where none is given', () => {
    expect(endsOf(set({ kind: 'upper', upper: thou(2) }))).toEqual({
      lower: -Infinity,
      upper: thou(2),
      lowerExcluded: false,
      upperExcluded: false,
    })
    expect(endsOf(set({ kind: 'figure', figure: thou(3) }))).toBeNull()
  })
  it('leave something', () => {
    expect(limitsFault(set({ kind: 'upper', upper: nm(0) }))).toContain('leaves nothing')
    // A deviation may well be below zero at both ends.
    expect(limitsFault(set({ kind: 'two-sided', lower: thou(-3), upper: nm(0) }))).toBeNull()
  })
  it('of a temperature end at any degree, and have no width from zero', () => {
    const warm = { kind: 'upper', upper: exact(71e6), unit: '°C', source: book } as const
    expect([bandOf(warm), limitsFault(warm, 'temperature'), limitsFault({ ...warm, upper: exact(0) })]).toEqual([null, null, null])
    expect(limitsFault(warm, 'length')).toContain('limits of a length')
    expect(describeLimits({ ...warm, kind: 'two-sided', lower: exact(0) }, '°F')).toBe('32.0 – 159.8 °F')
  })
})

describe('a figure over zero', () => {
  it('has zero, left out, as its lower end, of whatever kind its limits are', () => {
    expect(floored(set({ kind: 'upper', upper: thou(4) }), 'never-zero')).toMatchObject({
      kind: 'two-sided',
      lower: 0,
      lowerExcluded: true,
      upper: thou(4),
    })
    expect(floored(set({ kind: 'lower', lower: nm(0) }), 'never-zero')).toMatchObject({ kind: 'lower', lower: 0, lowerExcluded: true })
    expect(floored(twoSided(nm(0), thou(4), 'thou', book), 'never-zero')).toMatchObject({ kind: 'two-sided', lowerExcluded: true })
    for (const as of [
      twoSided(thou(1), thou(4), 'thou', book),
      set({ kind: 'lower', lower: thou(1) }),
      set({ kind: 'figure', figure: thou(3) }),
      null,
    ])
      expect(floored(as, 'never-zero')).toBe(as)
  })
  it('an excluded end is out by the last nanometre', () => {
    const ends = { lower: thou(1), upper: thou(4) }
    expect(insideRange(set({ kind: 'two-sided', ...ends }))).toEqual({ low: 25_400, high: 101_600 })
    expect(insideRange(set({ kind: 'two-sided', ...ends, lowerExcluded: true, upperExcluded: true }))).toEqual({
      low: 25_401,
      high: 101_599,
    })
    expect(isInside(twoSided(thou(1), thou(4), 'thou', book), set({ kind: 'two-sided', ...ends, lowerExcluded: true }))).toBe(false)
    expect(isInside(twoSided(thou(1), thou(4), 'thou', book), twoSided(thou(1), thou(4), 'thou', book))).toBe(true)
    expect(isInside(twoSided(thou(1), thou(4), 'thou', book), null)).toBe(true)
  })
})

describe('the two ends of limits', () => {
  const mm = (lower: number, upper: number): LimitSet => twoSided(lower * 1000, upper * 1000, 'mm', { kind: 'book' })
  it.each([
    [mm(25, 100), 'mm', '0.025 – 0.100 mm'],
    [mm(25, 100), 'thou', '0.98 – 3.94 thou'],
    [mm(49_950, 49_970), 'in', '1.96654 – 1.96732 in'],
    [mm(50, 200), 'mm', '0.05 – 0.20 mm'],
    [twoSided(thou(2), thou(4), 'thou', { kind: 'book' }), 'thou', '2 – 4 thou'],
    [twoSided(thou(2), thou(4), 'thou', { kind: 'book' }), 'mm', '0.051 – 0.102 mm'],
  ] as const)('%j in %s: %s', (set, unit, words) => expect(describeLimits(set, unit)).toBe(words))
})
