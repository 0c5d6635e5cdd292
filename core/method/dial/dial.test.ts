import { expect, it } from 'vitest'
import { thou } from '../../quantity/length'
import { cosineCorrection, counterReading } from './dial'

it('10° takes 1.5 % off, 20° takes 6 % (common practice)', () => {
  expect(1 - cosineCorrection(10)).toBeCloseTo(0.015, 3)
  expect(1 - cosineCorrection(20)).toBeCloseTo(0.06, 3)
  expect(cosineCorrection(0)).toBe(1)
  expect(() => cosineCorrection(75)).toThrow('between 0 and 60 degrees')
})
it('a revolution counter adds whole turns to the pointer', () => {
  expect(counterReading(2, thou(100), thou(37))).toBe(thou(237))
  expect(counterReading(-1, thou(100), thou(98))).toBe(thou(-2))
})
