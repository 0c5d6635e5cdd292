import { describe, expect, it } from 'vitest'
import { checkOf, figures, plays, trial } from '../../tests/documents'
import { nm, thou } from '../quantity/length'
import { isEmpty, twoSided, type LimitSet } from '../verdict/limits'
import { newLot } from '../command/found-pack'
import type { Lot } from '../pack/lot'
import { asItWasFound, drawerFor, limitsOf, newerThan, packIn, piecesIn, sheetsFor } from './document'
import { plausibleAt } from './evaluate/plausible'
import { checkKind } from './registry'
import { spreadsOf } from './evaluate/repeatability'

const band = (lower: number, upper: number): LimitSet => twoSided(thou(lower), thou(upper), 'thou', { kind: 'own' })

describe('which limits judge', () => {
  const working = (book: LimitSet | null, shop: LimitSet | null, which: 'tighter' | 'book' | 'shop' = 'tighter') =>
    limitsOf({ limits: { working: which, sets: { play: { book, shop } } } }, 'play', null).working
  it('the shop’s where they lie inside the book’s, else what meets both', () => {
    expect(working(band(2, 16), band(3, 6))).toEqual(band(3, 6))
    expect(working(band(2, 16), band(1, 6))).toEqual(band(2, 6))
    expect(working(band(2, 16), band(1, 20))).toEqual(band(2, 16))
    // Book 3 to 6, shop up to 4: 3 to 4.
    const upTo = { kind: 'upper', upper: thou(4), unit: 'thou', source: { kind: 'own' } } as const
    expect(working(band(3, 6), upTo)).toEqual(band(3, 4))
    expect(isEmpty(working(band(3, 6), upTo))).toBe(false)
    // Where they only touch, that one figure; where they do not, nothing.
    expect(isEmpty(working(band(2, 4), band(4, 6)))).toBe(false)
    expect(isEmpty(working(band(2, 4), { ...band(4, 6), lowerExcluded: true } as LimitSet))).toBe(true)
    expect(isEmpty(working(band(2, 4), band(5, 6)))).toBe(true)
    expect(working(band(2, 16), null)).toEqual(band(2, 16))
    expect(working(null, band(3, 6))).toEqual(band(3, 6))
    expect(working(null, null)).toBeNull()
  })
  it('or those asked for, as long as there are some', () => {
    expect(working(band(2, 16), band(3, 6), 'book')).toEqual(band(2, 16))
    expect(working(band(2, 16), band(1, 20), 'shop')).toEqual(band(1, 20))
    expect(working(band(2, 16), null, 'shop')).toEqual(band(2, 16))
  })
  it('a position’s own come before those of its kind, book and shop apart', () => {
    const sets = { 'clearance': { book: band(1, 3), shop: band(1, 2) }, 'clearance@2': { book: band(2, 4), shop: null } }
    const at = (position: string | null) => limitsOf({ limits: { working: 'book', sets } }, 'clearance', position)
    expect(at('2')).toMatchObject({ book: band(2, 4), shop: band(1, 2), working: band(2, 4) })
    expect(at('1').working).toEqual(band(1, 3))
  })
})

describe('what the drawer has for a check', () => {
  const lot = (id: string, more: Partial<Lot>): Lot => ({
    ...newLot({ id, family: 'pieces', nominal: thou(4), tags: [] }, true),
    onHand: 1,
    ...more,
  })
  it('sheets of its own family, as long as there are some', () => {
    const lots = [
      lot('mine', { shape: 'sheet' }),
      lot('used up', { shape: 'sheet', onHand: 0 }),
      lot('theirs', { shape: 'sheet', family: 'others' }),
      lot('a shim', {}),
    ]
    expect(sheetsFor({ family: 'pieces' }, lots).map(({ id }) => id)).toEqual(['mine'])
  })
  it('its own family, and what was ever fitted', () => {
    const fitted = trial('t1', [], { packs: { pack: [{ lotId: 'strange', count: 1 }] } })
    const lots = [lot('own', {}), lot('strange', { family: 'others' }), lot('theirs', { family: 'others' })]
    expect(drawerFor({ family: 'pieces', trials: [fitted] }, lots).map(({ id }) => id)).toEqual(['own', 'strange'])
  })
})

describe('what was when', () => {
  const readings = plays('travel', 16, 17, 20).map((reading, i) => ({ ...reading, order: 10 + i }))
  it('as found is the first fitting before any part was changed', () => {
    const change = { role: 'bearing', at: '', reason: 'new', order: 11 }
    const found = (partChanges: (typeof change)[]) =>
      asItWasFound(checkOf('shaft-end-play', { partChanges, trials: [trial('t1', readings), trial('t2', [])] }))
    expect(found([]).trials.map(({ id, readings: of }) => [id, of.length])).toEqual([['t1', 3]])
    expect(found([change, { ...change, order: 30 }]).trials[0]!.readings.map(({ order }) => order)).toEqual([10, 11])
    expect(found([change]).partChanges).toEqual([])
  })
  it('what is on its way is newer than all that is stored', () => {
    expect([newerThan(undefined, 5), newerThan(6, 5), newerThan(5, 5)]).toEqual([true, true, false])
    expect(newerThan(undefined, Infinity)).toBe(false)
  })
  it('a pack nobody listed is not known, the pieces put on top of it are', () => {
    const fitting = { packs: { pack: [{ lotId: 'a', count: 1 }] }, unlisted: ['pack'] }
    expect([packIn(fitting, 'pack'), piecesIn(fitting, 'pack')]).toEqual([null, [{ lotId: 'a', count: 1 }]])
    expect([packIn({ packs: {}, unlisted: [] }, 'pack'), piecesIn({ packs: {} }, 'pack')]).toEqual([null, []])
  })
})

describe('what a figure is asked about', () => {
  const at = (kind: string, id: string, change: Parameters<typeof checkOf>[1] = {}) => {
    const document = checkOf(kind, change)
    const definition = checkKind(kind)
    return plausibleAt(
      document,
      definition,
      definition.points(document.setup).find(point => point.id === id)!,
    )
  }
  const play = { working: 'book' as const, sets: { play: { book: band(3, 6), shop: null } } }
  it('a play ten times its widest limit, but nothing below a quarter of a millimetre', () => {
    expect(at('shaft-end-play', 'travel', { limits: play })).toMatchObject({ plausible: nm(10 * thou(6)), name: 'play' })
    const narrow = { working: 'book' as const, sets: { play: { book: band(0.1, 0.5), shop: null } } }
    expect(at('shaft-end-play', 'travel', { limits: narrow }).plausible).toBe(250_000)
    expect(at('shaft-end-play', 'travel').plausible).toBe(checkKind('shaft-end-play').plausible)
  })
  it('a gap cannot be less than nothing; a movement is read with a sign', () => {
    const feeler = at('crankshaft-end-play', 'gap', { setup: { way: 'feeler' } })
    expect(feeler.least).toBe(0)
    const strip = { setup: { way: 'strip', positions: '1', stations: '1' } }
    const points = checkKind('bearing-clearance').points(checkOf('bearing-clearance', strip).setup)
    expect(at('bearing-clearance', points.find(({ way }) => way === 'plastic-strip')!.id, strip).least).toBe(0)
    expect(at('shaft-end-play', 'travel').least).toBeUndefined()
  })
  it('a strip by five times what its scale shows', () => {
    const strip = { setup: { way: 'strip', positions: '1', stations: '1' } }
    const points = checkKind('bearing-clearance').points(checkOf('bearing-clearance', strip).setup)
    expect(at('bearing-clearance', points.find(({ way }) => way === 'plastic-strip')!.id, strip).plausible).toBe(5 * thou(3))
  })
  it('a size by what its like measured, a journal by its master until then', () => {
    const setup = { positions: '2', stations: '1', master: '50000000' }
    const read = (...values: number[]) => ({ setup, trials: [trial('t1', figures('journal-1-A', ...values))] })
    expect(at('bearing-clearance', 'journal-2-A', { setup })).toMatchObject({ near: 50_000_000, least: 1 })
    expect(at('bearing-clearance', 'journal-2-A', read(49_900_000, 49_950_000, 49_960_000)).near).toBe(49_950_000)
    expect(at('bearing-clearance', 'journal-2-A', { setup: { ...setup, master: '' } }).near).toBeUndefined()
  })
})

describe('what the repeats of a check teach of its gauge', () => {
  const own = (more: object = {}) =>
    plays('travel', 5, 4, 6).map(reading => ({ ...reading, gauge: 'dial', taken: `here/${reading.id}`, ...more }))
  const taught = (readings: ReturnType<typeof own>, change: Parameters<typeof checkOf>[1] = {}) =>
    spreadsOf(checkOf('shaft-end-play', { ...change, trials: [trial('t1', readings)] }), 'here')
  it('the squares about their mean, with one degree of freedom fewer than readings', () =>
    expect(taught(own())).toEqual({ dial: { squares: 2 * thou(1) ** 2, nu: 2 } }))
  it.each([
    ['another workshop', own({ taken: 'there/x' })],
    ['a copy under another id', own().map((reading, i) => ({ ...reading, id: `copy${i}` }))],
    ['no gauge', own({ gauge: undefined })],
    ['one reading alone', own().slice(0, 1)],
    ['readings struck out', own({ voided: { reason: 'slip' } })],
    ['a series that is not valid', own({ springBack: true })],
  ])('nothing from %s', (_, readings) => expect(taught(readings as ReturnType<typeof own>)).toEqual({}))
  it('nothing where the newest counts: a mark read again, a spacer set again', () => {
    const again = (kind: string, point: string) => {
      const readings = figures(point, thou(30), 0).map(reading => ({ ...reading, gauge: 'dial', taken: `here/${reading.id}` }))
      return spreadsOf(checkOf(kind, { trials: [trial('t1', readings)] }), 'here')
    }
    expect(again('runout', 'return')).toEqual({})
    expect(again('comparator-hub', 'spacer')).toEqual({})
  })
  it('two gauges, and two states of a part, are two series each', () => {
    const two = own().map((reading, i) => ({ ...reading, order: i + 1, gauge: i < 2 ? 'dial' : 'other' }))
    expect(taught(two as ReturnType<typeof own>)).toEqual({ dial: { squares: thou(1) ** 2 / 2, nu: 1 } })
    const parted = own().map((reading, i) => ({ ...reading, order: i * 2 }))
    const change = { role: 'bearing', at: '', reason: 'new', order: 3 }
    expect(taught(parted as ReturnType<typeof own>, { partChanges: [change] })).toEqual({ dial: { squares: thou(1) ** 2 / 2, nu: 1 } })
  })
})
