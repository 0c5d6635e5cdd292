import { describe, expect, it } from 'vitest'
import { mm, nm, thou } from '../../quantity/length'
import { roundSize } from './round-size'

const window = (low: number, high: number, excluded = false) => ({
  low,
  high,
  lowExcluded: excluded,
  highExcluded: excluded,
})

describe('the size to ask for', () => {
  it.each([
    // 121.5 − 2t over 0, up to 0.05 mm (common practice).
    [59.765, 60.75, 60],
    [60.1, 60.35, 60.2],
    [60.04, 60.06, 60.05],
    [61, 61, 61],
  ])('%d to %d thou: %d', (low, high, size) => expect(roundSize(window(thou(low), thou(high)), 'thou')).toBe(thou(size)))
  it('is the same length in another unit only where it is round there', () => {
    expect(roundSize(window(mm(1.518), mm(1.543)), 'mm')).toBe(mm(1.53))
  })
  it('is none of an open side, of nothing, or of ends that are left out', () => {
    expect(roundSize(window(-Infinity, mm(1)), 'mm')).toBeNull()
    expect(roundSize(window(thou(61), thou(61), true), 'thou')).toBeNull()
    expect(roundSize(window(nm(-10), nm(0)), 'mm')).toBeNull()
  })
})
