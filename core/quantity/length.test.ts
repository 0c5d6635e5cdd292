import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { decimalsApart } from './figure'
import { formatLength } from './format-length'
import { NM_PER, nm, thou, type LengthUnit } from './length'
import { parseLength, parseRange } from './parse-length'

const value = (text: string, unit: LengthUnit = 'thou') => {
  const entry = parseLength(text, unit)
  if (!entry.ok) throw new Error(entry.reason)
  return entry.value
}

describe('what a technician types', () => {
  it.each<[string, number]>([
    ['18', 457_200],
    ['18 thou', 457_200],
    ['18THOU', 457_200],
    ['0.018 in', 457_200],
    ['.018"', 457_200],
    ['3 1/2 thou', 88_900],
    ['3½', 88_900],
    ['½', 12_700],
    ['5 tenths', 12_700],
    ['1.7767 in', 45_128_180],
    ['0.45 mm', 450_000],
    ['0,45 mm', 450_000],
    ['45 µm', 45_000],
    ['45 um', 45_000],
    ['-2', -50_800],
    ['−2', -50_800],
    ['+20', 508_000],
    ['0.00001 in', 254],
    ['0', 0],
    ['18.', 457_200],
    ['0,5', 12_700],
  ])('%s in a thou field is %i nm', (text, expected) => expect(value(text)).toBe(expected))

  it('gives a bare number the unit of the field', () => {
    expect(value('0.45', 'mm')).toBe(450_000)
    expect(value('45', 'um')).toBe(45_000)
    expect(value('0.5', 'in')).toBe(12_700_000)
  })

  it('says when an entry is no whole number of nanometres', () => {
    expect(parseLength('1/128 in', 'thou')).toEqual({ ok: true, value: 198_438, unit: 'in', rounded: true })
    expect(parseLength('1/64 in', 'thou')).toEqual({ ok: true, value: 396_875, unit: 'in', rounded: false })
  })

  it('asks when an entry can be read in two ways', () => {
    expect(parseLength('.018', 'thou')).toMatchObject({ ok: false, choices: [{ value: 457_200 }, { value: 457 }] })
    expect(parseLength('1,776', 'mm')).toMatchObject({ ok: false, choices: [{ value: 1_776_000 }, { value: 1_776_000_000 }] })
    const play = parseLength('1.2 in', 'thou', { plausible: thou(250), name: 'play' })
    expect(play).toMatchObject({
      ok: false,
      choices: [{ label: 'yes, 1.2 in', value: 30_480_000 }, { label: '1.2 mm' }, { label: '1.2 thou', value: 30_480 }],
    })
  })

  it.each(['', 'abc', '1/0', '--2', '3.5 1/2', '18 furlongs', '1.2.3', '9'.repeat(60), '99999999999 in', '1 2', '/', '.', 'constructor'])(
    'refuses “%s” with a sentence',
    text => {
      const entry = parseLength(text, 'thou')
      expect(entry.ok).toBe(false)
      if (!entry.ok) expect(entry.reason).toMatch(/^.{8,}[.?]$/)
    },
  )

  it('reads a range for a judgement by feel', () => {
    expect(parseRange('5-6 tenths', 'thou')).toEqual({ ok: true, low: 12_700, high: 15_240 })
    expect(parseRange('5..6', 'thou')).toEqual({ ok: true, low: 127_000, high: 152_400 })
    expect(parseRange('20 to 15', 'thou')).toEqual({ ok: true, low: 381_000, high: 508_000 })
    expect(parseRange('7', 'thou')).toEqual({ ok: true, low: 177_800, high: 177_800 })
    expect(parseRange('a-b', 'thou').ok).toBe(false)
  })
})

describe('printing', () => {
  it('prints each unit at its own fineness', () => {
    expect(formatLength(thou(19), 'thou', { unit: true })).toBe('19.0 thou')
    expect(formatLength(thou(19), 'mm')).toBe('0.483')
    expect(formatLength(-thou(2), 'thou')).toBe('−2.0')
    expect(formatLength(thou(2), 'thou', { sign: true, trim: true })).toBe('+2')
    expect(formatLength(-1, 'thou')).toBe('0.0')
  })

  it('shows another digit where rounding would hide the verdict', () => {
    expect(decimalsApart(thou(2.04), [thou(2)], 'thou')).toBe(2)
    expect(decimalsApart(thou(2), [thou(2)], 'thou')).toBe(1)
    expect(decimalsApart(thou(2.3), [thou(2)], 'thou')).toBe(1)
  })

  it('reads back whatever it prints (property)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<LengthUnit>('thou', 'tenth', 'in', 'mm', 'um'),
        fc.integer({ min: -99_999, max: 99_999 }),
        (unit, steps) => {
          const step = { thou: 2540, tenth: 254, in: 2540, mm: 1000, um: 1000 }[unit]
          const length = nm(steps * step)
          const text = formatLength(length, unit, { unit: true })
          // A bare tenth is one of a thou only where inches are meant.
          const entry = parseLength(text, unit === 'tenth' ? 'thou' : 'mm')
          expect(entry).toEqual({ ok: true, value: length, unit, rounded: false })
        },
      ),
    )
  })

  it('adds thou and millimetres without rounding (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9999 }), fc.integer({ min: 0, max: 9999 }), (thous, microns) => {
        expect(value(`${thous} thou`) + value(`${microns} µm`)).toBe(thous * NM_PER.thou + microns * NM_PER.um)
      }),
    )
  })
})
