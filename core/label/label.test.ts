import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CODED, codeText, readCode, type Coded } from './code'
import { fitText } from './fit'
import { SHEETS, placeOn } from './sheets'

const thing = fc.constantFrom(...(Object.keys(CODED) as Coded[]))

describe('a code', () => {
  it('is capitals and digits, and reads back as what it is of', () => {
    fc.assert(
      fc.property(thing, fc.integer({ min: 1, max: 999_999_999 }), (of, number) => {
        const text = codeText(of, number)
        expect(text).toMatch(/^QF[A-Z0-9]+$/)
        expect(readCode(` ${text.toLowerCase()}\n`)).toEqual({ thing: of, number })
      }),
    )
  })
  it('with one sign wrong, or two swapped, is none', () => {
    fc.assert(
      fc.property(thing, fc.integer({ min: 1, max: 99_999 }), fc.nat(), fc.nat({ max: 9 }), (of, number, where, digit) => {
        const text = codeText(of, number)
        const at = 3 + (where % (text.length - 4))
        fc.pre(text[at] !== String(digit))
        expect(readCode(text.slice(0, at) + digit + text.slice(at + 1))).toBeNull()
        if (text[at] !== text[at + 1] && at + 1 < text.length - 1)
          expect(readCode(text.slice(0, at) + text[at + 1] + text[at] + text.slice(at + 2))).toBeNull()
      }),
    )
  })
  it('of another maker, or a figure, is none', () => {
    for (const text of ['', '18', '4006381333931', 'QF', 'QFX00011', 'QFJ1', 'XQFJ00010']) expect(readCode(text), text).toBeNull()
  })
})

describe('label sheets', () => {
  it('hold all their labels on the paper, none over another', () => {
    for (const sheet of SHEETS) {
      const places = Array.from({ length: sheet.columns * sheet.rows }, (_, i) => placeOn(sheet, i))
      for (const { page, x, y } of places) {
        expect(page).toBe(0)
        expect(x, sheet.id).toBeGreaterThanOrEqual(0)
        expect(x + sheet.width, sheet.id).toBeLessThanOrEqual(sheet.paper[0] + 0.01)
        expect(y + sheet.height, sheet.id).toBeLessThanOrEqual(sheet.paper[1] + 0.01)
      }
      expect(new Set(places.map(({ x, y }) => `${x} ${y}`)).size).toBe(places.length)
      expect(placeOn(sheet, places.length)).toEqual({ ...places[0], page: 1 })
    }
  })
})

describe('what stands on a label', () => {
  it('is as large as it fits, and nothing is left out while it does', () => {
    const text = { title: 'Dial D-1', lines: ['checked 15 Jun 2026', 'due 15 Jun 2027'] }
    expect(fitText(text, 120, 80)).toEqual({ size: 9, ...text, title: ['Dial D-1'], cut: false })
    const small = fitText(text, 120, 26)
    expect([small.size, small.cut]).toEqual([6, false])
  })
  it('longer than its label is cut, with a mark, and says so', () => {
    const long = fitText({ title: 'A name that goes on and on', lines: Array.from({ length: 40 }, (_, i) => `line ${i}`) }, 90, 60)
    expect(long.cut).toBe(true)
    expect(long.lines.at(-1)).toMatch(/…$/)
    expect((long.title.length * 1.25 + long.lines.length) * long.size * 1.22).toBeLessThanOrEqual(60 + long.size * 1.22)
    // A word without a break is broken.
    expect(fitText({ title: 'x'.repeat(200), lines: [] }, 60, 40).title.every(line => line.length <= 30)).toBe(true)
  })
})
