import { inPairs } from '../../pack-place'
import { describe, expect, it } from 'vitest'
import { checkOf, gauge, GAUGES, plays, said, trial } from '../../../../tests/documents'
import { proposalFor } from '../../../choice/answer/chooser/proposal'
import { decide } from '../../../command/decide'
import { newLot } from '../../../command/found-pack'
import { lotMap, type Pack } from '../../../pack/lot'
import { mm, nm, thou } from '../../../quantity/length'
import { twoSided, type LimitSet } from '../../../verdict/limits'
import type { CheckDocument, PointReading, Trial } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { answerRequest } from '../../../choice/answer/answer-request'
import { lostInCold, ringLine, shaftSpeed } from './evaluate'

// Common practice. Some play, never zero, up to 0.05 mm, borrowed from a similar joint.
const LIMITS: LimitSet = {
  kind: 'two-sided',
  lower: nm(0),
  lowerExcluded: true,
  upper: mm(0.05),
  unit: 'mm',
  source: { kind: 'borrowed', text: 'a similar joint' },
}
const FINE = { ...GAUGES, 'dial-indicator': gauge('dial-indicator', thou(0.1), { permissibleError: nm(1_000), repeatability: nm(1_000) }) }
const KIT = [54, 57, 58, 59, 61, 63].map(size => ({
  ...newLot({ id: `r${size}`, family: 'rings', nominal: thou(size), tags: [] }, true),
  onHand: 4,
}))
const rings = (size: number) => [{ lotId: `r${size}`, count: 2 }]
const check = (readings: readonly PointReading[], fitted: number, change: Partial<CheckDocument> = {}, more: readonly Trial[] = []) =>
  evaluateCheck(
    checkOf('universal-joint', {
      family: 'rings',
      gauges: FINE,
      limits: { working: 'book', sets: { play: { book: LIMITS, shop: null } } },
      trials: [trial('t1', readings, { packs: { 'rings-1': rings(fitted), 'rings-2': rings(57) } }), ...more],
      ...change,
    }),
    KIT,
  )
const words = (e: ReturnType<typeof check>, plane = '1') =>
  e.current.results
    .find(({ id }) => id === `play@${plane}`)!
    .findings.map(({ words: text }) => text)
    .join(' ')
const both = (first: number, second = 1.2) => [...plays('play-1', first, first, first), ...plays('play-2', second, second, second)]

describe('rings of a universal joint', () => {
  it('57-thou rings read 1.5: 54 leaves 7.5, 58 −0.5, 59 −2.5', () => {
    const line = ringLine(thou(1.5), thou(57), KIT)
    expect(line.map(({ size, play }) => [size / 25_400, play / 25_400])).toEqual([
      [54, 7.5],
      [57, 1.5],
      [58, -0.5],
      [59, -2.5],
      [61, -6.5],
      [63, -10.5],
    ])
  })
  it('an own pair that is not alike says what it does to the middle, though nobody asked; a ring on one side alone is refused', () => {
    const { request } = check(both(3.5), 59).places[0]!
    const own = (...pack: Pack) => proposalFor({ ...request!, lots: lotMap(request!.drawer), required: null }, pack)
    // 59 and 61: 2 apart, and the joint between them goes over by 1.
    const unequal = own({ lotId: 'r59', count: 1 }, { lotId: 'r61', count: 1 })
    expect(unequal.predicted.play).toBe(thou(1.5))
    expect(unequal.aside).toMatch(/^Not alike: what lies between moves 1\.0 thou towards the thinner/)
    expect(own({ lotId: 'r58', count: 2 }).aside).toBeNull()
    // 3.5 − 2 × 2 = −0.5: all of it and half a thou more.
    expect(own({ lotId: 'r61', count: 2 }).aside).toMatch(
      /^The whole play is taken away, and 0\.5 more: it binds\. What comes off is the play less its limits: 1\.5 to 3\.5 thou/,
    )
    const bench = { document: checkOf('universal-joint', { family: 'rings', trials: [trial('t1', [])] }), lots: KIT, reserves: {} }
    const list = (count: number) =>
      decide(bench, {
        kind: 'list',
        op: 'o',
        at: '2026-05-04T08:00:00.000Z',
        place: 'rings-1',
        pieces: count > 0 ? [{ lotId: 'r59', count }] : [],
      })
    expect(list(1)).toMatchObject({ ok: false, faults: [{ path: 'pieces', reason: expect.stringContaining('it holds 2 or none') }] })
    expect([list(0).ok, list(2).ok]).toEqual([true, true])
  })
  it('rings 2 thicker on each side and the same play: −4 was expected, and what lies behind it is named', () => {
    const rings = (size: number): Pack => [{ lotId: `r${size}`, count: 2 }]
    const read = (id: string) => plays('play-1', 3.5, 3.5, 3.5).map((one, i) => ({ ...one, id: `${id}${i}` }))
    const document = checkOf('universal-joint', {
      family: 'rings',
      trials: [
        trial('t1', read('a'), { packs: { 'rings-1': rings(57) } }),
        trial('t2', read('b'), { packs: { 'rings-1': rings(59) }, refitted: ['rings-1'] }),
      ],
    })
    const { words } = evaluateCheck(document, KIT).places[0]!.ledger
    expect(words).toContain('−4.0 thou was expected, 0.0 seen')
    expect(words).toContain('measure the rings that came out')
  })
  it('59 read 3.5: no ring of 57, 58, 59, 61, 63 fits over 0 to 0.05 mm, 60 would', () => {
    const place = check(both(3.5), 59).places[0]!
    expect([place.window!.low / 25_400, place.window!.high / 25_400]).toEqual([expect.closeTo(119.53, 2), expect.closeTo(121.5, 3)])
    const { fallback, proposals } = answerRequest(place.request!)
    expect(fallback).toBe(true)
    // What cannot bind: a looser pair, or as it is.
    expect(proposals.length).toBeGreaterThan(0)
    expect(proposals.every(({ predicted }) => predicted.play > 0)).toBe(true)
  })
  it('one plane changed leaves the other as it was read', () => {
    const changed = trial('t2', plays('play-1', 0.9, 0.9, 0.9), {
      packs: { 'rings-1': rings(59), 'rings-2': rings(57) },
      refitted: ['rings-1'],
    })
    const e = check(both(4.9), 57, {}, [changed])
    expect(e.current.results.filter(({ kind }) => kind.id === 'play').map(({ state }) => state)).toEqual(['in', 'in'])
    const yoke = check(both(1.5), 57, { partChanges: [{ role: 'yoke-1', at: '2026-05-06T08:00:00.000Z', reason: 'new', order: 1e9 }] })
    expect(yoke.current.results.filter(({ kind }) => kind.id === 'play').map(({ state }) => state)).toEqual(['stale', 'in'])
    const joint = check(both(1.5), 57, { partChanges: [{ role: 'joint', at: '2026-05-06T08:00:00.000Z', reason: 'new', order: 1e9 }] })
    expect(joint.current.results.filter(({ kind }) => kind.id === 'play').map(({ state }) => state)).toEqual(['stale', 'stale'])
  })
  it('nothing moved though each ring is 2 thicker: said at once', () => {
    const again = trial('t2', plays('play-1', 3.5, 3.5, 3.5), {
      packs: { 'rings-1': rings(61), 'rings-2': rings(57) },
      refitted: ['rings-1'],
    })
    expect(check(both(3.5), 59, {}, [again]).places[0]!.ledger).toMatchObject({ state: 'disagree', apparentSlope: 0 })
  })
  it('alloy ears over 90 mm lose 1.6 thou at −20 °C: a play of 0.5 binds in frost', () => {
    expect(lostInCold({ ears: 'aluminium alloy', span: mm(90) }, -20) / 25_400).toBeCloseTo(1.63, 2)
    expect(lostInCold({ ears: 'steel', span: mm(90) }, -20)).toBe(0)
    const setup = { ears1: 'aluminium alloy', span1: String(mm(90)), coldest: '-20' }
    expect(words(check(both(0.5), 57, { setup }))).toContain('it binds in frost, by 1.1 thou')
    expect(words(check(both(1.9), 57, { setup }))).toContain('0.3 thou would be left')
    expect(words(check(both(0.5), 57, { setup }), '2')).not.toContain('frost')
  })
  it('a loose joint shakes at the speed of its shaft: 90 km/h on a 0.64 m tyre through 4.1 is about 3,060 turns a minute', () => {
    const road = { speed: 90, tyre: mm(640), axle: 4.1 }
    expect(shaftSpeed(road)).toBeCloseTo(3058.8, 0)
    expect(shaftSpeed({ ...road, speed: 0 })).toBeNull()
    const said_ = words(check(both(7.5), 54, { setup: { speed: '90', tyre: String(mm(640)), axle: '4.1' } }))
    expect(said_).toContain('up to 7.5 thou of runout, at 3060 turns a minute')
  })
  it('a hand that found it stiff is held against the dial; one that finds it stuck wins', () => {
    expect(words(check([...both(1.5), said('hand-1', 'stiff')], 57))).toContain('seemed stiff; the dial finds 1.5 thou')
    expect(check([...both(1.5), said('bends-1', 'stuck')], 57).headline).toMatchObject({ id: 'play@1', state: 'below' })
  })
})

describe('a joint that was measured off the middle', () => {
  const off = (value: number, more: Record<string, string> = {}) => ({ setup: { off1: String(thou(value)), ...more } })
  const pairs = (e: ReturnType<typeof check>) => e.catalogues[0]!.entries
  it('before the joint is read no pair is listed, and the list says why; read, it has nothing to say', () => {
    const [unread] = check([], 57, off(-1)).catalogues
    expect(unread).toMatchObject({ entries: [], note: expect.stringContaining('easure') })
    const [read] = check(both(1.5), 57, off(-1)).catalogues
    expect(read!.note).toBeNull()
    expect(read!.entries.length).toBeGreaterThan(0)
  })
  it('is offered unequal rings, the thicker one where it centres: (left − right)/2 + what was measured', () => {
    // 57 + 57 read 3.5: 59 left and 57 right take 2 of it, and push the joint 1 to the right.
    const e = check(both(3.5), 57, off(-1))
    const best = pairs(e)[0]!
    expect(best).toMatchObject({
      words: '59 left, 57 right',
      setting: { point: 'sides-1', word: 'left' },
      state: 'in',
    })
    expect(best.leaves.map(({ result, position, estimate }) => [result, position, estimate.value / 25_400])).toEqual([
      ['play', '1', 1.5],
      ['off', '1', 0],
      ['runs-out', '1', 0],
    ])
    // To the left instead: the same ring goes to the other side.
    expect(pairs(check(both(3.5), 57, off(1)))[0]!.words).toBe('57 left, 59 right')
    expect(e.catalogues.map(({ place }) => place)).toEqual(['rings-1'])
    // Nobody measured plane 2: it gets equal ones, as ever.
    expect(inPairs(e.places[1]!.place)).toBe(true)
  })
  it('a pair of which one ring is promised elsewhere is listed as not there', () => {
    const fewer = KIT.map(ring => (ring.id === rings(59)[0]!.lotId ? { ...ring, onHand: 0 } : ring))
    const document = checkOf('universal-joint', {
      family: 'rings',
      gauges: FINE,
      limits: { working: 'book', sets: { play: { book: LIMITS, shop: null } } },
      trials: [trial('t1', both(3.5), { packs: { 'rings-1': rings(57), 'rings-2': rings(57) } })],
      ...off(-1),
    })
    const listed = (lots: typeof KIT) =>
      evaluateCheck(document, lots).catalogues[0]!.entries.find(({ words: text }) => text === '59 left, 57 right')
    expect(listed(KIT)).toMatchObject({ here: true })
    expect(listed(fewer)).toMatchObject({ here: false })
  })
  it('equal rings leave it where it is, and that runs out by twice as much', () => {
    const e = check(both(3.5), 57, off(-1.5))
    expect(
      pairs(e)
        .find(({ words: text }) => text === '57 both sides')!
        .leaves.at(-1)!.estimate.value / 25_400,
    ).toBe(3)
    const now = e.current.results.find(({ id }) => id === 'off@1')!
    expect([now.estimate!.value / 25_400, now.findings.map(({ words: text }) => text)]).toEqual([
      -1.5,
      ['Off the middle the shaft runs out by twice that, 3.0 thou.'],
    ])
    const two = check(both(3.5), 57, off(-1.5, { off2: String(thou(2)) }))
    expect(two.current.results.find(({ id }) => id === 'off@2')!.findings[0]!.words).toContain('4.0 thou; with the other plane by 5.0 thou')
  })
  it('unequal rings that are in count by the side that was said, or are asked for', () => {
    const unequal = [
      { lotId: 'r57', count: 1 },
      { lotId: 'r59', count: 1 },
    ]
    const readings = (side: string | null) => [...both(1.5), ...(side === null ? [] : [said('sides-1', side)])]
    const at = (side: string | null, change: Partial<CheckDocument> = off(-1)) =>
      check(readings(side), 57, {
        ...change,
        trials: [trial('t1', readings(side), { packs: { 'rings-1': unequal, 'rings-2': rings(57) } })],
      }).current.results.find(({ id }) => id === 'off@1')!
    expect([at('left').estimate!.value / 25_400, at('right').estimate!.value / 25_400]).toEqual([0, -2])
    expect([at(null).estimate, at(null).findings[0]!.words]).toEqual([null, expect.stringContaining('was not said: say it in Measure')])
    expect(at(null, {}).findings[0]!.words).toContain('say in Set up how far the joint is off the middle')
  })
  it('is judged by limits where somebody has them, either way from zero; the pair is as sure as the worst', () => {
    const book: LimitSet = { kind: 'upper', upper: thou(0.5), unit: 'thou', source: { kind: 'shop' } }
    const limits = { working: 'book', sets: { play: { book: LIMITS, shop: null }, off: { book, shop: null } } } as const
    const e = check(both(1.5), 57, { ...off(-1), limits })
    expect(e.headline).toMatchObject({ id: 'off@1', state: 'below' })
    const same = pairs(e).find(({ words: text }) => text.startsWith('57 both sides'))!
    // By the figure that decides: the play is in, the joint sits off the middle.
    expect([same.state, same.word]).toEqual(['below', 'Below'])
    // As it is now and as the same pair in the list it is equally sure.
    const sits = e.current.results.find(({ id }) => id === 'off@1')!.estimate!
    expect(sits.u).toBe(same.leaves.find(({ result }) => result === 'off')!.estimate.u)
    expect(sits.u).toBeGreaterThan(0)
    expect(pairs(e)[0]!.words).toMatch(/^(59|58) left/)
  })
  it('keeps the ledger: nothing moved though the rings are thicker', () => {
    const again = trial('t2', plays('play-1', 3.5, 3.5, 3.5), {
      packs: {
        'rings-1': [
          { lotId: 'r57', count: 1 },
          { lotId: 'r61', count: 1 },
        ],
        'rings-2': rings(57),
      },
      refitted: ['rings-1'],
    })
    expect(check(both(3.5), 57, off(-1), [again]).places[0]!.ledger).toMatchObject({ state: 'disagree', apparentSlope: 0 })
  })
})

describe('off the middle, and without a play that can be told from zero', () => {
  const setup = { off1: String(thou(1)) }
  const limits = { working: 'book', sets: { play: { book: twoSided(thou(0), thou(4), 'thou', { kind: 'book' }), shop: null } } } as const
  const entries = (readings: readonly PointReading[]) => check(readings, 58, { setup, limits }).catalogues[0]!.entries
  const of = (list: ReturnType<typeof entries>, words: string) => list.find(entry => entry.words === words)!
  it('it binds: every pair leaves at most so much, none is In, no chance is told', () => {
    const all = entries([said('play-1', 'binds'), ...plays('play-2', 1, 1, 1)])
    expect(all.length).toBeGreaterThan(0)
    expect(all.map(({ chance }) => chance)).toEqual(all.map(() => null))
    expect(all.some(({ state }) => state === 'in')).toBe(false)
    // 57 + 58 for 58 + 58: at most 1; 59 for one of them: at most −1, and that binds for sure.
    expect(of(all, '57 left, 58 right').leaves[0]).toMatchObject({ result: 'play', atMost: true, estimate: { value: thou(1) } })
    expect(of(all, '57 left, 58 right').state).toBe('close')
    expect(of(all, '58 left, 59 right').state).toBe('below')
    // Those that loosen it come before those that bind.
    expect(all.findIndex(({ state }) => state === 'below')).toBeGreaterThan(all.findLastIndex(({ state }) => state === 'close'))
  })
  it('0.03 read, no more than its U: what is in reads as it read, the others are held to the most it can be', () => {
    const all = entries(both(0.03))
    const inIt = of(all, '58 both sides').leaves[0]!
    expect(inIt.atMost).toBeUndefined()
    expect(inIt.estimate.value).toBe(762)
    const looser = of(all, '57 left, 58 right').leaves[0]!
    expect(looser.atMost).toBe(true)
    expect(looser.estimate.value).toBeGreaterThan(thou(1.03))
  })
})
