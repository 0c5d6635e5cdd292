import { parseSum } from './parse-sum'
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
      ['yes, 5/8 in', 15_875_000],
      ['5/8 mm', 625_000],
      ['5/8 thou', 15_875],
    ])
    expect(choices('-1.2 in', 'thou', play)).toContainEqual(['−1.2 thou', -30_480])
  })
  // By hand: what the point expects, and what its gauge can show.
  const dial = { low: -10_000_000, high: 10_000_000, step: 12_700 }
  const tenths = { low: -1e9, high: 1e9, step: 1_270 }
  const metric = { low: -10_000_000, high: 10_000_000, step: 5_000 }
  const leaves = { low: 38_100, high: 2_540_000, step: 25_400 }
  const strip = { low: 25_400, high: 76_200, step: 6_350 }
  const scale = { least: 0, plausible: 381_000, likely: { low: 25_400, high: 76_200 }, shows: strip, name: 'gap' }
  const band = { plausible: 7_620_000, likely: { low: 482_600, high: 762_000 }, shows: dial, name: 'play' }
  it.each<[string, string, LengthUnit, object, string[], boolean]>([
    ['an inch figure at a thou dial', '2.4988', 'thou', { shows: dial }, ['2.4988 in', '2.4988 thou'], false],
    ['half an inch, with its noughts', '.500', 'thou', { shows: dial }, ['.500 in', '.500 thou'], false],
    ['the same at a dial of tenths', '.500', 'thou', { shows: tenths }, ['.500 in', '.500 thou'], false],
    ['an inch figure at a millimetre dial', '0.0015', 'mm', { shows: metric }, ['0.0015 in', '0.0015 mm'], false],
    ['millimetres in a band of 19 to 30 thou', '0.6', 'thou', band, ['yes, 0.6 thou', '0.6 mm'], true],
    ['an end play of 6 mm', '6', 'mm', { plausible: 5_080_000, shows: metric, name: 'play' }, ['yes, 6 mm', '6 thou', '6 µm'], true],
    [
      'beyond what the dial can show',
      '12',
      'mm',
      { plausible: 5_080_000, shows: metric, name: 'play' },
      ['12 thou', '12 µm', 'yes, 12 mm'],
      false,
    ],
    [
      '61 thou of feelers',
      '61',
      'thou',
      { plausible: 1_016_000, least: 0, shows: leaves, name: 'play' },
      ['yes, 61 thou', '61 µm', '61 tenths'],
      true,
    ],
    ['inches on the scale of a strip', '.002', 'thou', scale, ['.002 in', '.002 thou'], false],
    ['inches on the other side of it', '.002', 'mm', scale, ['.002 in', 'yes, .002 mm'], false],
    ['micrometres in a field of thou', '38', 'thou', scale, ['38 µm', 'yes, 38 thou'], false],
  ])('%s: %s', (_, text, unit, options, labels, asTyped) => {
    const entry = parseLength(text, unit, options)
    expect(entry.ok).toBe(false)
    if (entry.ok) return
    expect(entry.choices!.map(({ label }) => label)).toEqual(labels)
    expect(entry.asTyped ?? false).toBe(asTyped)
  })
  it.each<[string, LengthUnit, object]>([
    ['2.25', 'thou', { shows: dial }],
    ['0.5', 'thou', { shows: dial }],
    ['2.455', 'thou', { shows: { ...tenths, step: 127 } }],
    ['0.125', 'mm', { shows: metric }],
    ['2.4988', 'in', { shows: dial }],
    ['25', 'thou', band],
    ['3', 'thou', band],
    ['2', 'thou', scale],
  ])('nothing is asked of %s %s', (text, unit, options) => expect(parseLength(text, unit, options).ok).toBe(true))
  it('a stack of leaves typed in another system is no finer than its parts', () =>
    expect(parseSum('0.05 mm + 0.10 mm', 'thou', { shows: leaves })).toMatchObject({ ok: true, value: 150_000 }))
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
