import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BudgetLine } from './budget'
import { stated, type Estimate } from './estimate'
import { meanOf, sumOf } from './sum'

const line = (u: number, more: Partial<BudgetLine> = {}): BudgetLine => ({
  source: 'repeatability',
  words: 'w',
  u,
  nu: Infinity,
  shared: false,
  ...more,
})
const carried = (u: number, carrier = 'mic') => line(u, { source: 'gauge-error', shared: true, carrier })
const of = (value: number, ...lines: BudgetLine[]): Estimate => stated(value, lines)

describe('a result that is a sum of measured figures', () => {
  it('adds independent parts in quadrature, by the size of their factors', () => {
    const sum = sumOf([
      { name: 'bore', factor: 1, estimate: of(100, line(3)) },
      { name: 'roller', factor: -2, estimate: of(10, line(2)) },
    ])
    expect(sum.value).toBe(80)
    expect(sum.u).toBeCloseTo(5, 12)
  })
  it('what both share cancels in a difference and adds in a sum', () => {
    const pair = [of(100, carried(3)), of(60, carried(3))] as const
    expect(
      sumOf([
        { name: 'a', factor: 1, estimate: pair[0] },
        { name: 'b', factor: -1, estimate: pair[1] },
      ]).u,
    ).toBe(0)
    expect(
      sumOf([
        { name: 'a', factor: 1, estimate: pair[0] },
        { name: 'b', factor: 1, estimate: pair[1] },
      ]).u,
    ).toBeCloseTo(6, 12)
  })
  it('two gauges share nothing, and one gauge’s error and hysteresis are not one thing', () => {
    expect(
      sumOf([
        { name: 'a', factor: 1, estimate: of(1, carried(3)) },
        { name: 'b', factor: -1, estimate: of(1, carried(4, 'other')) },
      ]).u,
    ).toBeCloseTo(5, 12)
    expect(
      sumOf([
        { name: 'a', factor: 1, estimate: of(1, carried(3)) },
        { name: 'b', factor: -1, estimate: of(1, { ...carried(4), source: 'hysteresis' }) },
      ]).u,
    ).toBeCloseTo(5, 12)
  })
  it('a mean does not average a shared error down', () => {
    const mean = meanOf([1, 2, 3, 4].map(n => ({ name: `s${n}`, estimate: of(n, line(2), carried(3)) })))
    expect(mean.value).toBeCloseTo(2.5, 12)
    expect(mean.u).toBeCloseTo(Math.hypot(2 / Math.sqrt(4), 3), 12)
    expect(mean.lines.filter(l => l.carrier === 'mic')).toHaveLength(1)
    expect(mean.lines.at(-1)!.words).toContain('carried once')
  })
  it('names each part in its budget', () =>
    expect(sumOf([{ name: 'bore', factor: 1, estimate: of(1, line(1)) }]).lines[0]!.words).toBe('bore: w'))
  it('is the variance of the weighted sum, whatever is shared (property)', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            factor: fc.integer({ min: -3, max: 3 }),
            own: fc.integer({ min: 0, max: 50 }),
            shared: fc.integer({ min: 0, max: 50 }),
          }),
          { minLength: 1, maxLength: 6 },
        ),
        terms => {
          const sum = sumOf(
            terms.map(({ factor, own, shared }, i) => ({ name: `t${i}`, factor, estimate: of(i, line(own), carried(shared)) })),
          )
          const together = terms.reduce((total, { factor, shared }) => total + factor * shared, 0)
          expect(sum.u).toBeCloseTo(Math.sqrt(terms.reduce((total, { factor, own }) => total + (factor * own) ** 2, together ** 2)), 6)
          expect(sum.value).toBeCloseTo(
            terms.reduce((total, { factor }, i) => total + factor * i, 0),
            9,
          )
        },
      ),
    ))
})
