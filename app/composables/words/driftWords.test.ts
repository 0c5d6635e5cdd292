import { describe, expect, it } from 'vitest'
import { thou } from '#core/quantity/length'
import type { TrendService } from '#shared/record'
import { driftInWords } from './driftWords'

const service = (day: string, meterReading: number | null, found: number | null, left: number): TrendService => ({
  job: { id: day, title: 'Service' },
  check: day,
  day,
  meterReading,
  changes: [],
  found: found === null ? null : { value: thou(found), U: 0 },
  left: { value: thou(left), U: 0 },
  state: 'in',
  word: 'In',
  lower: thou(2),
  upper: thou(6),
})
const words = (services: readonly TrendService[], by: 'meter' | 'day' = 'meter') =>
  driftInWords(services, by, by === 'meter' ? 'h' : null, 'thou')

describe('drift in words', () => {
  /** A year and 100 hours apart, each 1 more than the one before. @param U  of each figure, thou */
  const even = (U: number, count = 5) =>
    Array.from({ length: count }, (_, i): TrendService => {
      const one = service(new Date(Date.UTC(2024, 0, 1 + 365 * i)).toISOString().slice(0, 10), 100 * (i + 1), i, i)
      return { ...one, upper: thou(6), found: { value: thou(i), U: thou(U) }, left: { value: thou(i), U: thou(U) } }
    })
  it('that it moves, a rate per 100 hours with its interval, and when a limit would be reached', () => {
    // 1.0 in every 100 h, exact; from 4 to 6 it is 200 h. Of 120 orders two are as orderly: 1.7 %.
    expect(words(even(0))).toBe(
      'It drifts: as much order comes by chance 1.7 % (Kendall, 5 figures). +1.00 ± 0.00 thou per 100 hours, at 95 %. As it went out last it would reach 6 thou in about 200 hours, if it goes on like that: a guess from the past, no promise.',
    )
  })
  it('a span of hours or days where the figures are not sure', () => {
    // Each ± 0.2: over four stretches √2 × 0.1 × 1.96 / 400 h = 0.07 per 100 h; 2 ± 0.2 thou left, 1.8/1.07 to 2.2/0.93.
    expect(words(even(0.2))).toContain('+1.00 ± 0.07 thou per 100 hours')
    expect(words(even(0.2))).toContain('reach 6 thou in 170 to 240 hours, if')
    // 365 days each: 365 × 1.68 to 365 × 2.36 days.
    expect(words(even(0.2), 'day')).toContain('reach 6 thou in 610 days to 2.4 years, if')
  })
  it('what cannot be told from what there is', () => {
    expect(words(even(0, 4))).toBe('It rose each time, too few services to tell a drift. +1.00 ± 0.00 thou per 100 hours, at 95 %.')
    // By hand: 0.6 in 100 h, −0.2 in 200 h. Σd/Σh = 0.4/300; residuals ± 0.4667; 0.4667² × (1/100 + 1/200) / 300, times t(0.975, 1) = 12.706: 4.19 per 100 h.
    const uneven = [service('2024-01-01', 100, 3, 3), service('2024-06-01', 200, 3.6, 3.6), service('2025-01-01', 400, 3.4, 3.4)]
    expect(words(uneven)).toBe('Too few services to tell a drift. +0.13 ± 4.19 thou per 100 hours, at 95 %.')
    expect(words(even(4))).toContain('No drift that can be told: what it moved by is no more than the readings leave open.')
    const [a, b, c, d, e] = even(0) as [TrendService, TrendService, TrendService, TrendService, TrendService]
    const mixed = [a, c, b, d, e].map((one, i) => ({ ...one, meterReading: 100 * i }))
    // One falling pair of ten: S = 8, 2 × (1 + 4) of 120 orders.
    expect(words(mixed)).toContain('No drift that can be told: as much order comes by chance 8.3 % (Kendall, 5 figures).')
  })
  it('names a jump by its days, apart from the rate', () => {
    const all = even(0.2, 6)
    const jumped = all.map((one, i) =>
      i === 5 ? { ...one, found: { value: thou(14), U: thou(0.2) }, left: { value: thou(4), U: thou(0.2) } } : one,
    )
    expect(words(jumped)).toContain('+1.00 ± 0.07 thou per 100 hours, at 95 %, without the jump.')
    expect(words(jumped)).toContain('it jumped by +10.0 thou: that is no more of the same.')
  })
  it.each([
    ['too few', [service('2024-01-01', 100, 3, 3), service('2024-06-01', 200, 4, 4)], 'Three services are needed'],
    [
      'a meter that turned back',
      [service('2024-01-01', 4_100, 3, 3), service('2024-06-01', 420, 4, 4), service('2025-01-01', 430, 4, 4)],
      'How fast cannot be said: the meter stood no higher than at the service before',
    ],
    [
      'never measured as it came in',
      [service('2024-01-01', 100, null, 3), service('2024-06-01', 200, null, 4), service('2025-01-01', 300, null, 4)],
      'it was not measured as it came in',
    ],
  ])('says why not: %s', (_, services, why) => expect(words(services)).toContain(why))
  it('all on one day', () =>
    expect(
      words(
        [1, 2, 3].map(i => ({ ...service('2024-01-01', 100 * i, 3, 3), check: String(i) })),
        'day',
      ),
    ).toContain('on the same day'))
})
