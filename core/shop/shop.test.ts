import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, plays, trial } from '../../tests/documents'
import { runs } from '../../tests/runs'
import { afterCheck, applyToShop, benchIn, doneIn } from '../../tests/shop'
import {
  SHOP,
  WHATS,
  anyStep,
  apart,
  back,
  came,
  cancel,
  join,
  line,
  newId,
  op,
  order,
  pick,
  putBack,
  shopCommand,
  take,
  type Step,
} from '../../tests/shop-steps'
import type { CheckDocument } from '../check/document'
import { apply } from '../command/apply'
import type { Command } from '../command/command'
import { decide } from '../command/decide'
import { lotMap, packTotal, type Pack } from '../pack/lot'
import { thou, type Nm } from '../quantity/length'
import { twoSided } from '../verdict/limits'
import { decideShop } from './decide'
import { EMPTY_SHOP, type Shop } from './shop'
import type { ShopCommand } from './commands'
import { promisedOf } from './stock'

const said = (shop: Shop, command: ShopCommand): string => {
  const outcome = decideShop(shop, command)
  return outcome.ok ? outcome.tells.map(({ subject, what }) => `${subject}: ${what}`).join('; ') : outcome.faults[0]!.reason
}
const onHand = (shop: Shop, id: string) => shop.lots.find(one => one.id === id)?.onHand
const ordered = doneIn(SHOP, line('l', 'ten', 2), order('p', 'l'))

describe('the drawer', () => {
  it('takes pieces in, and counts them', () => {
    expect(onHand(doneIn(SHOP, take('two', 3), take('ten', -2)), 'ten')).toBe(1)
    expect(said(SHOP, take('ten', -4))).toBe('There are only 3: the count cannot fall below none.')
    expect(said(SHOP, { ...op(), kind: 'move', lotId: 'ten', why: 'take-in', change: -1, note: '' })).toContain('Taking in adds pieces.')
    expect(said(SHOP, take('nine', 1))).toBe('There is no such size in the drawer.')
  })
  it('a piece told apart is one, with one figure', () => {
    const told = doneIn(SHOP, apart('eight', 'e1', thou(8.1)))
    expect([onHand(told, 'eight'), onHand(told, 'e1')]).toEqual([1, 1])
    expect(told.lots.find(({ id }) => id === 'e1')).toMatchObject({ apart: true, measured: thou(8.1), mark: 'T1', reserved: 0 })
    expect(said(told, take('e1', 1))).toContain('one piece, told apart')
    const inUse = { ...doneIn(told, take('e1', -1)), fitted: [{ lotId: 'e1', count: 1 }] }
    expect(said(inUse, take('e1', 1))).toContain('one piece, told apart')
    expect(said(told, { ...op(), kind: 'change-lot', lotId: 'e1', change: { sizes: [] } })).toContain('it has one figure')
    expect(said(told, apart('e1', 'e2', thou(8)))).toBe('This is one piece already.')
    expect(said(told, apart('ten', 'e1', thou(8)))).toBe('That id is taken.')
    const joined = doneIn(told, join('e1'))
    expect([onHand(joined, 'eight'), onHand(joined, 'e1')]).toEqual([2, 0])
    expect(joined.lots.find(({ id }) => id === 'eight')!.sizes).toEqual([thou(8.1)])
    expect(said(joined, join('e1'))).toBe('It is not in the drawer.')
    expect(said(joined, join('eight'))).toBe('These are not told apart.')
  })
  it('tells none apart that is kept aside or promised', () => {
    const promised = { ...SHOP, promises: [{ check: 'c', place: 'pack', lotId: 'five', count: 2 }] }
    expect(said(promised, apart('five', 'f1', thou(5)))).toContain('five: A piece told apart')
    const all = { ...SHOP, promises: [{ check: 'c', place: 'pack', lotId: 'five', count: 3 }] }
    expect(said(all, apart('five', 'f1', thou(5)))).toBe('None of them is free in the drawer.')
  })
  it('whoever was promised what is counted as gone is told, the newest promise first', () => {
    const promises = [
      { check: 'new', place: 'pack', lotId: 'ten', count: 1 },
      { check: 'old', place: 'pack', lotId: 'ten', count: 2 },
    ]
    const shop = { ...SHOP, promises }
    expect(said(shop, take('ten', -1))).toContain('new: What was kept for it is not in the drawer any more')
    expect(said(shop, take('ten', -1))).not.toContain('old')
    expect(doneIn(shop, take('ten', -2)).promises).toEqual([{ check: 'old', place: 'pack', lotId: 'ten', count: 1 }])
  })
  it('what is not known any more is left away; a hole below its rim', () => {
    const change = (fields: object): ShopCommand => ({ ...op(), kind: 'change-lot', lotId: 'ten', change: fields })
    const washer = doneIn(SHOP, change({ inside: thou(100), outside: thou(200), scatter: thou(1) }))
    expect(washer.lots[0]).toMatchObject({ inside: thou(100), outside: thou(200), scatter: thou(1), version: 2 })
    expect(said(washer, change({ inside: thou(200) }))).toContain('inside below outside')
    const plain = doneIn(washer, change({ inside: null, scatter: null })).lots[0]!
    expect('inside' in plain || 'scatter' in plain).toBe(false)
    expect(plain.outside).toBe(thou(200))
  })
  it('pieces of one size are measured together, their mean and scatter kept; none measured, it goes by its mark again', () => {
    const sizes = (...all: number[]): ShopCommand => ({ ...op(), kind: 'change-lot', lotId: 'ten', change: { sizes: all.map(thou) } })
    const two = doneIn(SHOP, sizes(9.9, 10.2)).lots[0]!
    expect([two.measured, two.sizes]).toEqual([thou(10.05), [thou(9.9), thou(10.2)]])
    expect(doneIn(doneIn(SHOP, sizes(9.9)), sizes()).lots[0]).toMatchObject({ measured: null, sizes: [], nominal: thou(10) })
  })
})

describe('an order', () => {
  it('arrives piece by piece; the last that came can be taken back', () => {
    const here = doneIn(ordered, came('ten'), came('ten', { size: thou(10.2) }))
    expect([onHand(here, 'ten'), here.lines[0]!.arrived]).toEqual([5, 2])
    expect(said(here, came('ten'))).toContain('All of these are here already')
    const one = doneIn(here, back('ten'))
    expect([onHand(one, 'ten'), one.lines[0]!.arrived, one.lots[0]!.sizes, one.lots[0]!.measured]).toEqual([4, 1, [], null])
    expect(said(doneIn(one, back('ten')), back('ten'))).toBe('None of these came.')
    expect(said(here, putBack())).toContain('it was ordered')
    expect(said(here, cancel('ten'))).toBe('Nothing of this size is outstanding.')
  })
  it('names its supplier where nobody did; is put back on the list, or changed', () => {
    expect(ordered.lots.map(({ supplier }) => supplier)).toEqual(['Shim Quay', '', '', ''])
    const undone = doneIn(ordered, putBack())
    expect([undone.purchases, undone.lines[0]!.purchase]).toEqual([[], null])
    const due = (day: string | null): ShopCommand => ({ ...op(), kind: 'change-order', purchase: 'p', change: { due: day } })
    expect(said(ordered, due('2026-05-01'))).toBe('It cannot be here before it is ordered.')
    expect(said(ordered, due(null))).toBe('p: Order from Shim Quay: due on no known day')
    expect(doneIn(ordered, due('2026-06-01')).purchases[0]).toMatchObject({ due: '2026-06-01', reference: '', version: 2 })
  })
  it('is not made twice, of what is gone, or to be here before it is made', () => {
    expect(said(ordered, order('p', 'l'))).toBe('That id is taken.')
    expect(said(ordered, order('q', 'l'))).toContain('ordered in the meantime')
    expect(said(SHOP, order('q', 'l'))).toContain('taken off the list')
    expect(said(SHOP, { ...order('q'), due: '2026-05-03' } as ShopCommand)).toBe('It cannot be here before it is ordered.')
    const dropped = doneIn(SHOP, line('l', 'ten', 1), { ...op(), kind: 'drop-line', lineId: 'l' })
    expect(said(dropped, order('q', 'l'))).toContain('taken off the list')
    expect(said(ordered, { ...op(), kind: 'drop-line', lineId: 'l' })).toContain('ordered already')
    expect(said(SHOP, line('l', 'nine', 1))).toBe('There is no such size in the drawer.')
    expect(said(doneIn(SHOP, apart('ten', 't1', thou(10))), line('l', 't1', 1))).toContain('order its size')
  })
  it('a piece with a place of its own is measured, and is a lot of its own', () => {
    expect(said(ordered, came('ten', { mark: 'T1' }))).toBe('A piece with a place of its own is measured.')
    const here = doneIn(ordered, came('ten', { id: 't1', mark: 'T1', size: thou(10.1) }))
    expect([onHand(here, 'ten'), onHand(here, 't1')]).toEqual([3, 1])
    expect(onHand(doneIn(here, back('ten')), 't1')).toBe(0)
    expect(said(doneIn(here, join('t1')), back('ten'))).toBe('That piece is not in the drawer any more.')
    expect(said(ordered, came('eight'))).toBe('This size is not in that order.')
  })
  it('is of several sizes, each by itself', () => {
    const both = doneIn(SHOP, line('l', 'ten', 2), line('m', 'eight', 1), order('p', 'l', 'm'))
    const here = doneIn(both, came('ten'), came('eight'))
    expect(here.lines.map(({ arrived }) => arrived)).toEqual([1, 1])
    expect([onHand(doneIn(here, back('ten')), 'ten'), onHand(doneIn(here, back('ten')), 'eight')]).toEqual([3, 3])
    expect(doneIn(here, cancel('ten')).lines.map(({ cancelled }) => cancelled)).toEqual(['out of stock', null])
    expect(said(here, cancel('eight'))).toBe('Nothing of this size is outstanding.')
  })
  it('a check that waits is promised what came, told what does not, and gives back what is taken back', () => {
    const waits: Shop = {
      ...SHOP,
      lines: [
        { id: 'd', lotId: 'two', pieces: 1, arrived: 0, purchase: null, cancelled: null, check: null },
        {
          ...{ id: 'w', lotId: 'two', pieces: 2, arrived: 0, purchase: null, cancelled: null },
          check: { id: 'c', place: 'pack', signed: false },
        },
      ],
    }
    const sent = doneIn(waits, order('p', 'd', 'w'))
    const here = doneIn(sent, came('two'))
    expect(here.promises).toEqual([{ check: 'c', place: 'pack', lotId: 'two', count: 1 }])
    expect(doneIn(here, back('two'))).toMatchObject({ promises: [], receipts: [] })
    expect(said(here, cancel('two'))).toBe(
      'p: Does not come from Shim Quay: 2 thou. out of stock; c: Does not come from Shim Quay: 2 thou. out of stock',
    )
    const signed = { ...sent, lines: sent.lines.map(one => ({ ...one, check: one.check && { ...one.check, signed: true } })) }
    expect(doneIn(signed, came('two')).promises).toEqual([])
  })
  it('what another check was promised since is taken back from it, and it is told', () => {
    const here = { ...doneIn(doneIn(SHOP, line('l', 'two', 1), order('p', 'l')), came('two')) }
    const promised = { ...here, promises: [{ check: 'other', place: 'pack', lotId: 'two', count: 1 }] }
    expect(said(promised, back('two'))).toContain('other: What was kept for it')
    expect(doneIn(promised, back('two')).promises).toEqual([])
    // Its own is given up once, and what is promised beyond that by somebody else.
    const waiting = { ...promised.lines[0]!, check: { id: 'c', place: 'pack', signed: false } }
    const own = { check: 'c', place: 'pack', lotId: 'two', count: 1 }
    const tooMany = { ...promised, lines: [waiting], promises: [own, ...promised.promises] }
    expect(doneIn(tooMany, back('two')).promises).toEqual([])
  })
})

describe('gauges and limits', () => {
  const gauge = { ...GAUGES['bore-gauge'], lastCheck: '2026-01-10', version: 4 }
  const shop: Shop = { ...EMPTY_SHOP, gauges: [gauge] }
  const checked = (on: string, good: boolean, note = '', due: string | null = null): ShopCommand => ({
    ...op(),
    ...{ kind: 'check-gauge', gaugeId: gauge.id, on, good, note, by: 'Ada', due, today: '2026-11-30' },
  })
  it.each([
    ['the day it was done', '2026-11-30', null],
    ['the day it already is elsewhere', '2026-12-01', null],
    ['a day to come', '2026-12-02', 'has not come yet'],
    ['the first of 1950', '1950-01-01', null],
    ['a day before any', '1949-12-31', 'from 1950 on'],
  ])('%s is said of a zero and of a check', (_what, on, fault) => {
    const zeroed = decideShop(shop, { ...op(), kind: 'zero-gauge', gaugeId: gauge.id, on, today: '2026-11-30' })
    for (const outcome of [zeroed, decideShop(shop, checked(on, true))])
      expect(outcome).toMatchObject(
        fault === null ? { ok: true } : { ok: false, faults: [{ path: 'on', reason: expect.stringContaining(fault) as string }] },
      )
    if (zeroed.ok)
      expect(zeroed).toMatchObject({
        happenings: [{ type: 'gauge-zeroed', on }],
        tells: [{ subject: gauge.id, version: 4, what: `Zeroed on ${on}` }],
      })
  })
  it('doubt begins at the last good day the register had; a late entry of an earlier day leaves the newest as it was', () => {
    const wrong = doneIn(shop, checked('2026-05-04', false, 'reads 2 thou short'))
    expect(wrong.gaugeChecks[gauge.id]!.map(({ on, good }) => [on, good])).toEqual([
      ['2026-05-04', false],
      ['2026-01-10', true],
    ])
    expect(wrong.gauges[0]).toMatchObject({ lastCheck: '2026-05-04', foundWrong: '2026-05-04', version: 5 })
    const later = doneIn(wrong, checked('2026-03-01', true))
    expect(later.gauges[0]).toMatchObject({ lastCheck: '2026-05-04', foundWrong: '2026-05-04' })
    expect(doneIn(later, checked('2026-05-05', true)).gauges[0]).not.toHaveProperty('foundWrong')
  })
  it('does to the gauge that is named, and to no other', () => {
    const two: Shop = { ...shop, gauges: [{ ...GAUGES.micrometer, id: 'other', version: 9 }, gauge] }
    expect(doneIn(two, checked('2026-05-04', true)).gauges.map(({ id, version }) => [id, version])).toEqual([
      ['other', 9],
      [gauge.id, 5],
    ])
  })
  it('says no to a check without a word, due before it was, to a range upside down, to a kit it cannot have', () => {
    expect(said(shop, checked('2026-05-04', false))).toContain('Say what was wrong')
    expect(said(shop, checked('2026-05-04', true, '', '2026-05-03'))).toContain('cannot be due before')
    const fields = (change: object): ShopCommand => ({ ...op(), kind: 'change-gauge', gaugeId: gauge.id, fields: change })
    expect(decideShop(shop, fields({ range: { low: thou(2), high: thou(1) } }))).toMatchObject({ faults: [{ path: 'fields.range' }] })
    expect(said(shop, fields({ unit: 'N·m' }))).toContain('reads a length')
    expect(doneIn(shop, fields({ due: null, lastCheck: null })).gauges[0]).toMatchObject({ name: gauge.name, lastCheck: null })
    const kit = (anvils: { name: string; low: Nm; high: Nm }[]): ShopCommand => ({
      ...op(),
      ...{ kind: 'keep-kit', gaugeId: gauge.id, kit: { anvils, washers: [] } },
    })
    expect(decideShop(shop, kit([{ name: '1', low: thou(2), high: thou(1) }]))).toMatchObject({ faults: [{ path: 'anvils.0' }] })
    expect(said(shop, kit([{ name: '1', low: thou(1), high: thou(2) }]))).toContain('Kit table changed')
    const other = { ...EMPTY_SHOP, gauges: [{ ...GAUGES.micrometer, id: gauge.id, version: 1 }] }
    expect(said(other, kit([]))).toBe('Only a bore gauge has a kit.')
    expect(said(shop, { ...op(), kind: 'add-gauge', id: gauge.id, gauge: 'micrometer', fields: {} })).toBe('That id is taken.')
    expect(said(EMPTY_SHOP, checked('2026-05-04', true))).toBe('There is no such gauge.')
    const two = doneIn(shop, { ...op(), kind: 'add-gauge', id: 'second', gauge: 'micrometer', fields: { name: ' Two ' } })
    expect(two.gauges.map(({ id, name, kind }) => [id, name, kind])).toEqual([
      [gauge.id, gauge.name, gauge.kind],
      ['second', 'Two', 'micrometer'],
    ])
    // What is done to one is done to no other.
    const renamed = doneIn(two, { ...op(), kind: 'change-gauge', gaugeId: 'second', fields: { name: 'Three' } })
    expect(renamed.gauges.map(({ name, version }) => [name, version])).toEqual([
      [gauge.name, two.gauges[0]!.version],
      ['Three', 2],
    ])
  })
  it('limits are entered, changed by version, taken away once and brought back', () => {
    const set = twoSided(thou(2), thou(4), 'thou', { kind: 'book', entry: { id: 'other', version: 3 } })
    const fields = { name: ' Crank ', kind: 'shaft-end-play', result: 'play', type: '', role: 'book' as const, set, rule: {} }
    const entered = doneIn(EMPTY_SHOP, { ...op(), kind: 'add-limits', id: 'e', fields })
    expect(entered.limits[0]).toMatchObject({ version: 1, name: 'Crank', removed: false, set: { source: { kind: 'book' } } })
    expect(entered.limits[0]!.set.source).not.toHaveProperty('entry')
    const gone = doneIn(entered, { ...op(), kind: 'remove-limits', id: 'e', removed: true })
    expect(gone.limits[0]).toMatchObject({ version: 2, removed: true })
    expect(said(gone, { ...op(), kind: 'remove-limits', id: 'e', removed: true })).toBe('')
    expect(said(gone, { ...op(), kind: 'change-limits', id: 'e', fields })).toBe('There is no such entry.')
    expect(said(entered, { ...op(), kind: 'change-limits', id: 'e', fields: { ...fields, result: 'nothing' } })).toContain('no such figure')
    expect(doneIn(entered, { ...op(), kind: 'change-limits', id: 'e', fields }).limits[0]!.version).toBe(2)
    expect(said(entered, { ...op(), kind: 'add-limits', id: 'e', fields })).toBe('That id is taken.')
  })
})

// Two checks work from one drawer, while pieces are ordered, arrive, are counted, measured, promised and fitted.

interface Workshop {
  readonly shop: Shop
  readonly checks: readonly CheckDocument[]
}
const limits = { working: 'book' as const, sets: { play: { book: twoSided(thou(3), thou(6), 'thou', { kind: 'book' }), shop: null } } }
const checkWith = (id: string): CheckDocument =>
  checkOf('shaft-end-play', {
    ...{ id, limits, ticks: [], parts: { bearing: id } },
    trials: [trial(`${id}-found`, plays('travel', 20, 20.1, 19.9), { packs: { pack: [] } })],
  })
const begun = (): Workshop => ({ shop: SHOP, checks: [checkWith('a'), checkWith('b')] })

const inMachine = ({ trials }: CheckDocument): Pack => Object.values(trials.at(-1)!.packs).flatMap(pack => pack ?? [])
const fittedOf = ({ checks }: Workshop, id: string) =>
  checks.flatMap(inMachine).reduce((sum, piece) => sum + (piece.lotId === id ? piece.count : 0), 0)

function checkCommand({ shop }: Workshop, { what, a, b, count }: Step): Command {
  const lotId = pick(shop.lots, a)!.id
  const second = pick(shop.lots, b)!.id
  const pieces = [
    { lotId, count },
    { lotId: second, count: 1 },
  ]
  const head = { ...op(), at: '2026-05-04T08:00:00.000Z' }
  if (what === 'want') return { ...head, kind: 'want', place: 'pack', pieces: [{ lotId, count }] }
  if (what === 'promise') return { ...head, kind: 'promise', place: 'pack', pieces: [{ lotId, count }] }
  const inHand = what === 'fit in hand' ? [{ lotId, id: newId(), size: thou(9), mark: '' }] : []
  return { ...head, kind: 'fit', trialId: newId(), packs: [{ place: 'pack', pieces }], claim: what === 'fit with claim', inHand }
}

/** The workshop after a step, and how many pieces came from outside; null: it was refused. */
function after(workshop: Workshop, step: Step): { readonly next: Workshop; readonly came: number } | null {
  const { shop, checks } = workshop
  const command = shopCommand(shop, step)
  if (command) {
    const outcome = decideShop({ ...shop, fitted: checks.flatMap(inMachine) }, command)
    if (!outcome.ok) return null
    const came = outcome.happenings.reduce((sum, one) => sum + (one.type === 'moved' ? one.movement.change : 0), 0)
    return { next: { shop: outcome.happenings.reduce(applyToShop, shop), checks }, came }
  }
  const check = checks[step.b % 2]!
  const bench = benchIn(shop, check)
  const outcome = decide(bench, checkCommand(workshop, step))
  if (!outcome.ok) return null
  const changed = outcome.happenings.reduce(apply, bench).document
  // What was put in is measured at once: the next pack is reckoned from it.
  const last = changed.trials.at(-1)!
  const measured =
    last.readings.length > 0
      ? changed
      : { ...changed, trials: [...changed.trials.slice(0, -1), { ...last, readings: plays('travel', 9, 9.1, 9) }] }
  return {
    next: {
      shop: outcome.happenings.reduce((now, happening) => afterCheck(now, check.id, happening), shop),
      checks: checks.map(one => (one === check ? measured : one)),
    },
    came: 0,
  }
}

describe('any sequence of what happens in a workshop', () => {
  it('stock is never below none, no piece is in two places, none is promised that is not there, what came is what arrived', () => {
    const seen = new Set<string>()
    fc.assert(
      fc.property(fc.array(anyStep, { minLength: 15, maxLength: 60 }), steps => {
        let workshop = begun()
        const all = (now: Workshop) =>
          now.shop.lots.reduce((sum, one) => sum + one.onHand, 0) + now.checks.flatMap(inMachine).reduce((sum, { count }) => sum + count, 0)
        for (const step of steps) {
          const result = after(workshop, step)
          if (!result) continue
          seen.add(step.what)
          const { next } = result
          expect(all(next)).toBe(all(workshop) + result.came)
          for (const one of next.shop.lots) {
            expect(one.onHand).toBeGreaterThanOrEqual(0)
            expect(promisedOf(next.shop, one.id)).toBeLessThanOrEqual(one.onHand)
            if (one.apart) expect(one.onHand + fittedOf(next, one.id)).toBeLessThanOrEqual(1)
          }
          for (const one of next.shop.lines) {
            expect(next.shop.receipts.filter(({ lineId }) => lineId === one.id)).toHaveLength(one.arrived)
            expect(one.arrived).toBeLessThanOrEqual(one.pieces)
            if (one.purchase !== null) expect(next.shop.purchases.map(({ id }) => id)).toContain(one.purchase)
            if (one.arrived > 0) expect([one.purchase === null, one.dropped ?? false]).toEqual([false, false])
          }
          expect(next.shop.promises.every(({ count }) => count > 0)).toBe(true)
          // What is in a machine can be said how thick it is.
          next.checks.forEach(check => packTotal(inMachine(check), lotMap(next.shop.lots)))
          workshop = next
        }
      }),
      { numRuns: Math.max(60, runs(600)), seed: 11 },
    )
    // Every way was gone at least once.
    expect([...new Set(WHATS)].filter(what => !seen.has(what))).toEqual([])
  })
})
