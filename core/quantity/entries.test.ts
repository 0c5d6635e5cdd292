import { describe, expect, it } from 'vitest'
import { NM_PER, type LengthUnit } from './length'
import { parseLength, parseRange, type LengthEntry } from './parse-length'

// What a text means, by hand: [text, unit of the field, nm, or '?' where it asks, or '!' where it is refused].
type Line = readonly [string, LengthUnit, number | '?' | '!']

/** Every way to write a figure, in every unit it can carry: what is meant is the product of the two. */
const FIGURES: readonly (readonly [string, number])[] = [
  ['18', 18],
  ['0.5', 0.5],
  ['.5', 0.5],
  ['18.', 18],
  ['3 1/2', 3.5],
  ['3-1/2', 3.5],
  ['1-3/4', 1.75],
  ['3-11/16', 3.6875],
  ['1-1/16', 1.0625],
  ['12 1/2', 12.5],
  ['2-1/4', 2.25],
  ['3½', 3.5],
  ['1¾', 1.75],
  ['1⁄2', 0.5],
  ['5/8', 0.625],
  ['-2', -2],
  ['−2', -2],
  ['– 2', -2],
  ['+20', 20],
  ['-1 1/2', -1.5],
  ['-1-1/2', -1.5],
  ['0,5', 0.5],
  ['007', 7],
]
const UNITS: readonly (readonly [string, LengthUnit])[] = [
  [' thou', 'thou'],
  ['THOU', 'thou'],
  [' thousandths', 'thou'],
  [' tenths', 'tenth'],
  [' in', 'in'],
  ['"', 'in'],
  ['″', 'in'],
  [' inches', 'in'],
  [' mm', 'mm'],
  ['mm.', 'mm'],
  [' µm', 'um'],
  [' μm', 'um'],
  [' μ', 'um'],
  ['um', 'um'],
  [' microns', 'um'],
]
const PRODUCTS: Line[] = FIGURES.flatMap(([text, figure]) =>
  UNITS.map(([suffix, unit]): Line => [text + suffix, 'thou', Math.round(figure * NM_PER[unit])]),
)
const BARE: Line[] = FIGURES.flatMap(([text, figure]) =>
  (['thou', 'tenth', 'in', 'mm', 'um'] as const).map((unit): Line => [text, unit, Math.round(figure * NM_PER[unit])]),
)
const SPECIAL: readonly Line[] = [
  ['3 thou 2 tenths', 'thou', 81_280],
  ['3 thou and 2 tenths', 'mm', 81_280],
  ['-3 thou 2 tenths', 'thou', -81_280],
  ['1 1/2 thou 3 tenths', 'thou', 45_720],
  ['1.7767 in', 'thou', 45_128_180],
  ['1 mil', 'mm', 25_400],
  // asks
  ['.018', 'thou', '?'],
  ['.0007', 'tenth', '?'],
  ['0.012', 'um', '?'],
  ['5 tenths', 'mm', '?'],
  ['5 tenths', 'um', '?'],
  ['1,776', 'mm', '?'],
  ['1,776 in', 'thou', '?'],
  // refused
  ['', 'thou', '!'],
  ['abc', 'thou', '!'],
  ['5..6', 'thou', '!'],
  ['1 2', 'thou', '!'],
  ['3.5 1/2', 'thou', '!'],
  ['1/0', 'thou', '!'],
  ['18 furlongs', 'thou', '!'],
  ['2 x 3', 'thou', '!'],
  ['--2', 'thou', '!'],
  ['9e3', 'thou', '!'],
  ['3 thou 2', 'thou', '!'],
  ['constructor', 'thou', '!'],
]
const meaning = (entry: LengthEntry) => (entry.ok ? entry.value : entry.choices ? '?' : '!')

describe('texts as technicians write them', () => {
  it('are many', () => expect(PRODUCTS.length + BARE.length + SPECIAL.length).toBeGreaterThan(400))
  it.each([...PRODUCTS, ...BARE, ...SPECIAL])('“%s” in a field of %s is %s', (text, unit, expected) =>
    expect(meaning(parseLength(text, unit))).toBe(expected),
  )
})

describe('questions', () => {
  const choices = (text: string, unit: LengthUnit, options = {}) => {
    const entry = parseLength(text, unit, options)
    return entry.ok ? entry.value : entry.choices?.map(({ label, value }) => [label, value])
  }
  it('offer what can be meant, with its sign and its fraction', () => {
    expect(choices('.0007', 'tenth')).toEqual([
      ['.0007 in', 17_780],
      ['.0007 tenths', 2],
    ])
    expect(choices('0.012', 'um')).toEqual([
      ['0.012 mm', 12_000],
      ['0.012 µm', 12],
    ])
    expect(choices('5 tenths', 'mm')).toEqual([
      ['5 tenths of a thou', 12_700],
      ['5 tenths of a mm', 500_000],
    ])
    const play = { plausible: 6_350_000, name: 'play' }
    expect(choices('5/8"', 'thou', play)).toEqual([
      ['5/8 mm', 625_000],
      ['5/8 thou', 15_875],
      ['yes, 5/8 in', 15_875_000],
    ])
    expect(choices('-1.2 in', 'thou', play)).toContainEqual(['−1.2 thou', -30_480])
  })
  it('a size below nothing, one far from its like, a deviation as large as a size', () => {
    expect(choices('-0.0001', 'in', { least: 1, name: 'size' })).toEqual([
      ['0.0001 in', 2_540],
      ['yes, −0.0001 in', -2_540],
    ])
    expect(parseLength('23.986', 'mm', { near: 47_984_000 as never })).toMatchObject({
      ok: false,
      reason: '23.986 mm is far from the others. Is that right?',
    })
    expect(parseLength('47.981', 'mm', { near: 47_984_000 as never })).toMatchObject({ ok: true })
    expect(parseLength('2.3985', 'mm', { plausible: 600_000 as never, name: 'deviation' })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('is a lot'),
    })
  })
})

describe('ranges', () => {
  const range = (text: string, unit: LengthUnit = 'thou') => {
    const entry = parseRange(text, unit)
    return entry.ok ? [entry.low / NM_PER[unit], entry.high / NM_PER[unit]] : entry.reason
  }
  it.each([
    ['5..6', [5, 6]],
    ['5-6', [5, 6]],
    ['5 to 6', [5, 6]],
    ['6-5', [5, 6]],
    ['-2..-1', [-2, -1]],
    ['-2 to 1', [-2, 1]],
    ['5-6 thou', [5, 6]],
    ['1/2..3/4', [0.5, 0.75]],
    // one figure
    ['3-1/2', [3.5, 3.5]],
    ['1-1/2', [1.5, 1.5]],
    ['2-1/4 thou', [2.25, 2.25]],
    ['7', [7, 7]],
  ])('“%s”', (text, expected) => expect(range(text)).toEqual(expected))
  it('what is doubtful about one end is asked, not stored', () => {
    expect(range('.015-.020')).toContain('Type it with its unit')
    expect(range('a-b')).toContain('not a length')
  })
})

describe('the end of what is plausible', () => {
  const ask = (text: string, plausible?: number) =>
    parseLength(text, 'thou', plausible === undefined ? {} : { plausible: plausible as never })
  it('is taken as it is; a tenth more is asked about, in these words; without an end nothing is', () => {
    expect(ask('250', 6_350_000)).toMatchObject({ ok: true, value: 6_350_000 })
    expect(ask('-250', 6_350_000)).toMatchObject({ ok: true, value: -6_350_000 })
    const more = ask('250.1', 6_350_000)
    expect(more.ok ? '' : more.reason).toContain('is a lot')
    expect(ask('9000')).toMatchObject({ ok: true })
    const far = parseLength('3', 'in', { near: 25_400_000 as never })
    expect(far.ok ? '' : far.reason).toContain('far from the others')
  })
  it.each(['1,776', '12,345', '123,456'])('%s can be meant in two ways', text => expect(ask(text).ok).toBe(false))
  it.each([
    ['0,45', 11_430],
    ['1,77', 44_958],
    ['1,7760', 45_110.4],
  ])('%s cannot', (text, value) => expect(ask(text)).toMatchObject({ ok: true, value: Math.round(value) }))
})
