import { describe, expect, it } from 'vitest'
import { formatLength } from '#core/quantity/format-length'
import { inches, mm, thou } from '#core/quantity/length'
import { EXPANSION, REFERENCE, atReference, heatError, sizeAt } from '#core/reading/temperature'

/** Reference temperature: ISO 1. Expansion coefficients: engineering handbooks, per kelvin. */
describe('temperature, ISO 1', () => {
  it('is referred to 20 °C', () => expect(REFERENCE).toBe(20))
  it.each([
    ['steel', 11.5e-6],
    ['aluminium alloy', 23e-6],
    ['cast iron', 10.5e-6],
  ] as const)('%s expands %s per kelvin', (metal, alpha) => expect(EXPANSION[metal]).toBe(alpha))
  it('100 mm of steel grows 11.5 µm in ten kelvin; of aluminium, twice that', () => {
    expect(sizeAt(mm(100), { alpha: EXPANSION.steel, celsius: 30 }) - mm(100)).toBeCloseTo(11_500, 6)
    expect(sizeAt(mm(100), { alpha: EXPANSION['aluminium alloy'], celsius: 30 }) - mm(100)).toBeCloseTo(23_000, 6)
  })
  it('an aluminium part read by a steel scale, both at 30 °C, reads big by the difference of the two', () => {
    const error = heatError(mm(100), { alpha: EXPANSION.steel, celsius: 30 }, { alpha: EXPANSION['aluminium alloy'], celsius: 30 })
    expect(error).toBeCloseTo(11_500, 6)
  })
  it('to first order, what is warmed and read back is what it was: within a part in ten million', () => {
    const part = { alpha: EXPANSION.steel, celsius: 45 }
    expect(Math.abs(atReference(sizeAt(mm(80), part), { alpha: EXPANSION.steel, celsius: 20 }, part) / mm(80) - 1)).toBeLessThan(1e-7)
  })
  it('common practice: five tenths left cold, where three are left by a bore that reads two tenths big', () => {
    const bore = inches(2.2)
    const warm = { alpha: EXPANSION.steel, celsius: 20 + thou(0.2) / (bore * EXPANSION.steel) }
    const left = thou(0.3) + heatError(bore, { alpha: EXPANSION.steel, celsius: 20 }, warm)
    expect(formatLength(left, 'thou', { unit: true })).toBe('0.5 thou')
  })
})
