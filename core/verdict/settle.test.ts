import { describe, expect, it } from 'vitest'
import { thou } from '../quantity/length'
import { stated } from '../reading/estimate'
import { twoSided } from './limits'
import { readingsToSettle } from './settle'

/** s = 0.3 thou over n readings, nothing else. */
const series = (value: number, n: number) =>
  stated(thou(value), [{ source: 'repeatability', words: '', u: thou(0.3) / Math.sqrt(n), nu: n - 1, shared: false }], n)
const limits = twoSided(thou(3), thou(5), 'thou', { kind: 'book' })

describe('how many more readings would settle it', () => {
  // By hand, with the closed forms of t for 2 and 3 degrees of freedom.
  it('is none where it is settled: 4.80 of three readings is 81 % in', () =>
    expect(readingsToSettle(series(4.8, 3), limits, 'careful')).toBe(0))
  it('is one: 4.84 is 77 % in after three, 82 % after four', () => expect(readingsToSettle(series(4.84, 3), limits, 'careful')).toBe(1))
  it('is more where 95 % is asked: 4.60 is 92 % in after three, 96 % after four; 4.84 never is', () => {
    expect(readingsToSettle(series(4.6, 3), limits, 'guarded')).toBe(1)
    expect(readingsToSettle(series(4.84, 3), limits, 'guarded')).toBeNull()
  })
  it('stops at six', () => {
    expect(readingsToSettle(series(4.9, 5), limits, 'careful')).toBeNull()
    expect(readingsToSettle(series(4.9, 6), limits, 'careful')).toBeNull()
  })
  it('is none by the plain rule, or without limits', () => {
    expect(readingsToSettle(series(4.99, 3), limits, 'plain')).toBe(0)
    expect(readingsToSettle(series(4.99, 3), null, 'careful')).toBe(0)
  })
  it('leaves alone what was known of the gauge from other series', () => {
    // A pooled scatter of 0.5 thou that forty readings said: after one more it is 0.5/√2 of as many readings, and no fewer.
    const pooled = (n: number) =>
      stated(thou(4.66), [{ source: 'repeatability', words: '', u: thou(0.5) / Math.sqrt(n), nu: 40, shared: false }], n)
    expect(readingsToSettle(pooled(1), limits, 'careful')).toBe(1)
  })
  it('does not shrink what more readings of the same gauge share', () => {
    const gauge = { source: 'gauge-error', words: '', u: thou(0.5), nu: Infinity, shared: true } as const
    const { value, lines, n } = series(4.84, 3)
    expect(readingsToSettle(stated(value, [...lines, gauge], n), limits, 'careful')).toBeNull()
  })
})
