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
  it('a rate per 100 hours with its interval, and when a limit would be reached', () => {
    // 1.0 in 100 h and 1.0 in 100 h: 1 a hundred, exact; from 4 to 6 it is 200 h.
    const even = [service('2024-01-01', 100, 3, 2), service('2024-06-01', 200, 3, 3), service('2025-01-01', 300, 4, 4)]
    expect(words(even)).toBe(
      'It drifts by +1.00 ± 0.00 thou per 100 hours, from 2 stretches between services, at 95 %. As it went out last it would reach 6 thou in about 200 hours, if it goes on like that: a guess from the past, no promise.',
    )
  })
  it('a span of hours or days where the figures are not sure', () => {
    // Each ± 0.2: over the two stretches √2 × 0.1 × 1.96 / 200 h = 0.14 per 100 h, and with 2 thou left 2/1.14 to 2/0.86.
    const asItWas = [service('2024-01-01', 100, 3, 2), service('2024-12-31', 200, 3, 3), service('2025-12-31', 300, 4, 4)].map(
      (one): TrendService => ({
        ...one,
        found: { value: one.found!.value, U: thou(0.2) },
        left: { value: one.left.value, U: thou(0.2) },
      }),
    )
    expect(words(asItWas)).toContain('+1.00 ± 0.14 thou per 100 hours')
    expect(words(asItWas)).toContain('reach 6 thou in 180 to 230 hours, if')
    // 365 days each: 730 days × 1/1.14 to 1/0.86.
    expect(words(asItWas, 'day')).toContain('reach 6 thou in 640 days to 2.3 years, if')
  })
  it('what cannot be told from what there is', () => {
    // By hand: 0.6 in 100 h, 0.4 in 200 h. Σd/Σh = 1/300; residuals ± 0.2667; variance 0.0010667 / 1 / 300, times t(0.975, 1) = 12.706: 2.40 per 100 h.
    const uneven = [service('2024-01-01', 100, 3, 3), service('2024-06-01', 200, 3.6, 3.6), service('2025-01-01', 400, 4, 4)]
    expect(words(uneven)).toBe('No drift that can be told: +0.33 ± 2.40 thou per 100 hours, from 2 stretches between services, at 95 %.')
  })
  it.each([
    ['too few', [service('2024-01-01', 100, 3, 3), service('2024-06-01', 200, 4, 4)], 'Three services are needed'],
    [
      'a meter that turned back',
      [service('2024-01-01', 4_100, 3, 3), service('2024-06-01', 420, 4, 4), service('2025-01-01', 430, 4, 4)],
      'the meter stood no higher than at the service before',
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
