import { expect, it } from 'vitest'
import { formatFigure } from './figure'
import { marksText, parseMarks } from './marks'
import { parseMeasure } from './measure'

it('marks are typed as a clock has them, or in degrees', () => {
  expect(parseMarks('12 3 6 9')).toEqual({ ok: true, marks: [0, 90_000, 180_000, 270_000] })
  expect(parseMarks('12, 1:30; 3')).toEqual({ ok: true, marks: [0, 45_000, 90_000] })
  expect(parseMarks('0 45 90 135')).toEqual({ ok: true, marks: [0, 45_000, 90_000, 135_000] })
  expect(parseMarks('0° 10° 5°')).toEqual({ ok: true, marks: [0, 10_000, 5_000] })
})
it.each([
  ['12 6', 'Three marks at least'],
  ['', 'Three marks at least'],
  ['12 3 3', '3:00 o’clock stands there twice'],
  ['0 120 360', '12:00 o’clock stands there twice'],
  ['0 120 400', '“400” lies outside one turn'],
  ['12 3 top', '“top” is no angle'],
])('%s is refused', (text, reason) => expect(parseMarks(text)).toMatchObject({ ok: false, reason: expect.stringContaining(reason) }))
it('is told the way it was typed', () => {
  expect(marksText([0, 90_000, 45_000])).toBe('12 3 1:30')
  expect(marksText([0, 10_000])).toBe('0° 10°')
})
it('a place on the clock has minutes', () => {
  expect(formatFigure(111_000, 'h')).toBe('3:42')
  expect(formatFigure(359_900, 'h', { unit: true })).toBe('12:00 o’clock')
  expect(parseMeasure('3:42', 'angle', 'h')).toMatchObject({ ok: true, value: 111_000 })
  expect(parseMeasure('13:00', 'angle', 'h').ok).toBe(false)
})
