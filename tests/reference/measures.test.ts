import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatChange, formatFigure } from '#core/quantity/figure'
import { UNITS, parseMeasure, type MeasureKind, type MeasureUnit } from '#core/quantity/measure'
import { runs } from '../runs'

// NIST SP 811 (2008), appendix B.8: factors for units listed alphabetically, to the digits printed there (from memory).
describe('NIST SP 811, B.8', () => {
  it.each([
    ['pound-force inch', UNITS.torque['in·lb'].per / 1e9, 1.129_848e-1],
    ['pound-force foot', UNITS.torque['ft·lb'].per / 1e9, 1.355_818],
    ['kilogram-force metre', (UNITS.torque['kgf·cm'].per * 100) / 1e9, 9.806_65],
    ['kilogram-force', UNITS.force.kgf.per / 1e6, 9.806_65],
    ['pound-force', UNITS.force.lbf.per / 1e6, 4.448_222],
    ['ounce-force', UNITS.force.oz.per / 1e6, 2.780_139e-1],
  ])('%s', (_name, factor, printed) => expect(Math.abs(factor / printed - 1)).toBeLessThan(5e-7))
})

const parsed = (text: string, kind: MeasureKind, bare: MeasureUnit) => {
  const entry = parseMeasure(text, kind, bare as never)
  return entry.ok ? [Number(entry.value), entry.unit] : entry.reason
}
describe('a torque, a force, an angle as typed', () => {
  it.each<[string, MeasureKind, MeasureUnit, number, MeasureUnit]>([
    ['1.2', 'torque', 'N·m', 1_200_000_000, 'N·m'],
    ['1,2 Nm', 'torque', 'in·lb', 1_200_000_000, 'N·m'],
    ['10 in lb', 'torque', 'N·m', 1_129_848_290, 'in·lb'],
    ['1 ft-lb', 'torque', 'N·m', 1_355_817_948, 'ft·lb'],
    ['5 kgf cm', 'torque', 'N·m', 490_332_500, 'kgf·cm'],
    ['.05 N·m', 'torque', 'N·m', 50_000_000, 'N·m'],
    ['−0.25', 'torque', 'N·m', -250_000_000, 'N·m'],
    ['400', 'force', 'N', 400_000_000, 'N'],
    ['2 lb', 'force', 'N', 8_896_443, 'lbf'],
    ['8 oz', 'force', 'N', 2_224_111, 'oz'],
    ['0.4 kg', 'force', 'lbf', 3_922_660, 'kgf'],
    ['90', 'angle', '°', 90_000, '°'],
    ['3 o’clock', 'angle', '°', 90_000, 'h'],
    ['1.5 h', 'angle', '°', 45_000, 'h'],
    ['-0', 'angle', '°', 0, '°'],
    ['45', 'temperature', '°C', 45_000_000, '°C'],
    ['20,5 ° C', 'temperature', '°F', 20_500_000, '°C'],
    ['212', 'temperature', '°F', 100_000_000, '°F'],
    ['-40°F', 'temperature', '°C', -40_000_000, '°F'],
    ['160 f', 'temperature', '°C', 71_111_111, '°F'],
    ['68°', 'temperature', '°F', 20_000_000, '°F'],
  ])('%s', (text, kind, bare, value, unit) => expect(parsed(text, kind, bare)).toEqual([value, unit]))
  it.each<[string, MeasureKind, string]>([
    ['', 'torque', 'Nothing typed'],
    ['some', 'torque', 'is no torque'],
    ['3 mm', 'torque', '“mm” is no unit of torque: N·m, in·lb, ft·lb, kgf·cm.'],
    ['3 Nm', 'force', 'is no unit of force'],
    ['1 2', 'angle', 'is no unit of angle'],
    ['9999999999', 'torque', 'as large as that'],
    ['-300', 'temperature', 'absolute zero'],
    ['20 K', 'temperature', '“k” is no unit of temperature: °C, °F.'],
  ])('refuses %s', (text, kind, reason) => expect(parsed(text, kind, Object.keys(UNITS[kind])[0] as MeasureUnit)).toContain(reason))
})

describe('a change of temperature', () => {
  // NIST SP 811, B.8: t/°C = (t/°F − 32)/1.8, and an interval of one degree Fahrenheit is 1/1.8 K (exact).
  it('has no zero of its own: 5 °C are 41 °F, 5 K more are 9 °F more', () => {
    expect(formatFigure(5_000_000, '°F', { unit: true })).toBe('41.0 °F')
    expect(formatChange(5_000_000, '°F', { unit: true })).toBe('9.0 °F')
    expect(formatChange(-5_000_000, '°F', { sign: true })).toBe('−9.0')
    const typed = parseMeasure('9', 'temperature', '°F', true)
    expect(typed.ok && typed.value).toBe(5_000_000)
    expect(formatFigure(0, '°F')).toBe('32.0')
  })
})

describe('shown', () => {
  it('in its unit, to its decimals, with a true minus and no minus zero', () => {
    expect(formatFigure(1_129_848_290, 'in·lb', { unit: true })).toBe('10.0 in·lb')
    expect(formatFigure(-250_000_000, 'N·m')).toBe('−0.25')
    expect(formatFigure(-1, 'N·m')).toBe('0.00')
    expect(formatFigure(4_448_222, 'lbf', { unit: true })).toBe('1.00 lbf')
    expect(formatFigure(45_500, '°', { unit: true })).toBe('45.5°')
    expect(formatFigure(1_234_567_890, 'N·m', { decimals: 4 })).toBe('1.2346')
  })
  it('and typed again it is the same, to half of its last decimal (property)', () => {
    const units = (Object.keys(UNITS) as MeasureKind[]).flatMap(kind =>
      Object.keys(UNITS[kind]).map(unit => [kind, unit as MeasureUnit] as const),
    )
    fc.assert(
      fc.property(fc.constantFrom(...units), fc.integer({ min: -1e10, max: 1e10 }), ([kind, unit], value) => {
        fc.pre(kind !== 'temperature' || (value > -270e6 && value < 1000e6))
        const { per, decimals } = (UNITS[kind] as Record<string, { per: number; decimals: number }>)[unit]!
        const [back] = parsed(formatFigure(value, unit as never, { unit: true }), kind, unit) as [number, string]
        // A place on a clock is the same one turn on, and told to half a degree.
        const off = unit === 'h' ? ((((back - value) % 360_000) + 540_000) % 360_000) - 180_000 : back - value
        expect(Math.abs(off)).toBeLessThanOrEqual(unit === 'h' ? 250 : (per / 10 ** decimals) * 0.5 + 1)
      }),
      { numRuns: runs(300) },
    )
  })
})
