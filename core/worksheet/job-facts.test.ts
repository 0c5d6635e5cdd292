import { describe, expect, it } from 'vitest'
import { daysFault, meterDoubt } from './job-facts'

describe('the meter of a unit', () => {
  const others = [
    { day: '2025-04-01', reading: 3_900 },
    { day: '2026-04-01', reading: 4_210 },
  ]
  it.each([
    ['2025-10-01', 4_000, null],
    ['2025-10-01', 3_900, null],
    // The same day says nothing of what was first.
    ['2026-04-01', 421, 'It stood at 3,900 on 2025-04-01 already. Misread, or another meter?'],
    ['2026-05-01', 421, 'It stood at 3,900 on 2025-04-01 already. Misread, or another meter?'],
    ['2026-05-01', 4_209, 'It stood at 4,210 on 2026-04-01 already. Misread, or another meter?'],
    ['2025-10-01', 40_000, 'It stood at 4,210 on 2026-04-01 only. Misread, or another meter?'],
  ])('on %s at %d: %s', (day, reading, doubt) => expect(meterDoubt({ day, reading }, others)).toBe(doubt))
})

describe('days of a job', () => {
  it('are in their order, where they are known', () => {
    expect(daysFault({ promised: '2026-05-01' })).toBeNull()
    expect(daysFault({ cameIn: '2026-05-02', promised: '2026-05-02', handedOver: '2026-05-02' })).toBeNull()
    expect(daysFault({ cameIn: '2026-05-02', promised: '2026-05-01' })!.at).toBe('promised')
    expect(daysFault({ cameIn: '2026-05-02', handedOver: '2026-05-01' })!.at).toBe('handedOver')
  })
})
