import { describe, expect, it } from 'vitest'
import { checkOf, figures, gauge, GAUGES, ranges, said, trial } from '../../../../tests/documents'
import { fit } from '../../../command/pack'
import { choosePacks } from '../../../choice/answer/chooser/choose'
import type { Lot } from '../../../pack/lot'
import { mm, nm } from '../../../quantity/length'
import { twoSided, type LimitSet } from '../../../verdict/limits'
import type { CheckDocument, PointReading, Trial } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { prepareRequest } from '../../../choice/answer/answer-request'
import { beforeAfter } from '../../evaluate/before-after'
import { washersLeftOut } from '../../washers'
import { checkKind } from '../../registry'
import { lotOf } from '../../../../tests/pieces'

// Common practice; sizes constructed.
const washer = (thick: number, more: Partial<Lot> = {}): Lot =>
  lotOf(String(thick), mm(thick), { family: 'washers', scatter: nm(500), inside: mm(30.2), outside: mm(40), ...more })
const DRAWER = [0.5, 0.6, 1].map(thick => washer(thick, { onHand: 1 }))
const FINE = {
  ...GAUGES,
  micrometer: gauge('micrometer', nm(1_000), { unit: 'mm', permissibleError: nm(1_000), repeatability: nm(500) }),
  calipers: gauge('calipers', nm(10_000), { unit: 'mm', permissibleError: nm(30_000), repeatability: nm(5_000) }),
}
const limit = (low: number, high: number) => ({ book: twoSided(mm(low), mm(high), 'mm', { kind: 'own' }), shop: null })
const atLeast = (low: number): { book: LimitSet; shop: null } => ({
  book: { kind: 'lower', lower: mm(low), unit: 'mm', source: { kind: 'book' } },
  shop: null,
})
const SIZES: readonly PointReading[] = ['upper', 'lower'].flatMap(site => [
  ...figures(`seat-${site}`, mm(30.02)),
  ...figures(`cone-${site}`, mm(30.0)),
  ...figures(`bore-${site}`, mm(46.98)),
  ...figures(`cup-${site}`, mm(47.02)),
])
const stack = (old = 27.4, fresh = 26.1, engaged = 9, spare = 0.8): PointReading[] => [
  ...figures('old-stack', mm(old)),
  ...figures('new-stack', mm(fresh)),
  ...figures('engaged', mm(engaged)),
  ...figures('spare', mm(spare)),
]
const GAPS = [...ranges('gap-upper', [mm(0.9), mm(0.95)]), ...ranges('gap-lower', [mm(0), mm(0)])]
const check = (readings: readonly PointReading[], change: Partial<CheckDocument> = {}, more: Partial<Trial> = {}) =>
  checkOf('steering-head-kit', {
    entryUnit: 'mm',
    family: 'washers',
    gauges: FINE,
    uRefit: nm(2_000),
    limits: { working: 'book', sets: { 'clearance@upper': limit(0.1, 0.4), 'thread': atLeast(7) } },
    trials: [trial('t1', readings, more)],
    ...change,
  })
const evaluated = (...of: Parameters<typeof check>) => evaluateCheck(check(...of), DRAWER)
const result = (evaluation: ReturnType<typeof evaluated>, id: string) => evaluation.current.results.find(found => found.id === id)!
const inMm = (value: number | undefined) => Math.round(value! / 1000) / 1000

describe('the seal’s clearance and the stack', () => {
  const dry = () => evaluated([...SIZES, ...stack(), ...GAPS])
  it('0.90 goes, 0.95 does not: a gap of 0.925 that the seal carries', () => {
    const upper = result(dry(), 'clearance@upper')
    expect(inMm(upper.estimate!.value)).toBe(-0.925)
    expect(upper.state).toBe('below')
    expect(upper.findings).toContainEqual(expect.objectContaining({ words: expect.stringContaining('0.925 mm: the seal carries the nut') }))
  })
  it('27.40 against 26.10 and 0.80 to spare: the nut comes to its end 0.50 short; thread engaged grows by 1.30', () => {
    expect(inMm(result(dry(), 'reach').estimate!.value)).toBe(-0.5)
    expect(result(dry(), 'reach').state).toBe('below')
    expect(inMm(result(dry(), 'thread').estimate!.value)).toBe(10.3)
  })
  it('the nut’s own height is asked for where nobody gave a limit: 10.3 of 11 is out, of 10 in', () => {
    const sets = { 'clearance@upper': limit(0.1, 0.4) }
    const thread = (nut: number) =>
      result(evaluated([...SIZES, ...stack(), ...GAPS], { limits: { working: 'book', sets }, setup: { nut: String(mm(nut)) } }), 'thread')
    expect(thread(11)).toMatchObject({ state: 'below', limits: { demand: { lower: mm(11) } } })
    expect(thread(10).state).toBe('in')
  })
  it('T from 1.025 to 1.325: 1.0 is Tight, 0.5 + 0.6 in, 0.5 + 1.0 open; each piece tells what the nut has left', () => {
    const place = dry().places.find(({ place: { id } }) => id === 'washers-upper')!
    expect([inMm(place.window!.low), inMm(place.window!.high)]).toEqual([1.025, 1.325])
    const [best] = choosePacks(prepareRequest(place.request!), place.request!.question).proposals
    expect(inMm(best!.total)).toBe(1.1)
    expect(inMm(best!.predicted.play)).toBe(0.175)
    expect(best!.also.map(({ id, play }) => `${id} ${inMm(play)}`)).toEqual(['thread 9.2', 'reach 0.6'])
    for (const [pack, clearance, state] of [
      [['1'], 0.075, 'below'],
      [['0.5', '0.6'], 0.175, 'in'],
      [['0.5', '1'], 0.575, 'above'],
    ] as const) {
      const packs = { 'washers-upper': pack.map(lotId => ({ lotId, count: 1 })) }
      const sums = [...SIZES, ...stack(), ...GAPS]
      // By the sum alone it is not proved.
      expect(result(evaluated(sums, {}, { packs }), 'clearance@upper')).toMatchObject({ state: 'part-read', progress: { read: 1, of: 2 } })
      const upper = result(evaluated([...sums, said('squeezed-upper', 'free')], {}, { packs }), 'clearance@upper')
      expect(inMm(upper.estimate!.value)).toBe(clearance)
      expect(upper.state).toBe(state)
    }
  })
  it('washers of both places add up under the nut', () => {
    const packs = { 'washers-upper': [{ lotId: '0.6', count: 1 }], 'washers-lower': [{ lotId: '0.5', count: 1 }] }
    const reach = result(evaluated([...SIZES, ...stack(), ...GAPS], {}, { packs }), 'reach')
    expect(inMm(reach.estimate!.value)).toBe(0.6)
    // Only where nothing is left does the nut come to the end of its thread.
    expect(reach.overrule).toBeNull()
    expect(result(dry(), 'reach').overrule).toContain('comes to the end of its thread')
  })
  it('a thread that would be too short rules the washer out, though the seal would clear', () => {
    const place = evaluated([...SIZES, ...stack(27.4, 26.1, 6.6, 0.8), ...GAPS]).places[0]!
    // 6.6 + 1.3 − T has to be 7: no more than 0.9 of washer, and the seal wants 1.025.
    expect(place.window).toBeNull()
  })
})

describe('which washer goes there', () => {
  const setup = { stem: String(mm(30)), pocket: String(mm(42)) }
  const drawer = (lots: readonly Lot[]) =>
    evaluateCheck(check([...SIZES, ...stack(), ...GAPS], { setup }), lots).places[0]!.request!.drawer.map(({ id }) => id)
  it('inside above the stem, outside within the pocket; what is not known is not offered', () => {
    expect(
      drawer([
        washer(0.5),
        washer(0.6, { inside: mm(29.9) }),
        washer(0.7, { outside: mm(42.5) }),
        washer(0.8, { inside: mm(30), outside: mm(40) }),
        { ...washer(0.9), id: 'unknown', inside: undefined as never },
      ]),
    ).toEqual(['0.5'])
  })
  it('one that does not go is refused by its diameters', () => {
    const lots = [washer(0.5), washer(1.1, { inside: mm(29) })]
    const outcome = fit(
      { document: check([...SIZES, ...stack(), ...GAPS], { setup }), lots, reserves: {} },
      {
        kind: 'fit',
        op: 'o',
        at: '2026-05-04T09:00:00.000Z',
        trialId: 't2',
        packs: [{ place: 'washers-upper', pieces: [{ lotId: '1.1', count: 1 }] }],
      },
    )
    expect(outcome).toMatchObject({ ok: false, faults: [{ reason: expect.stringContaining('whose hole clears the stem') }] })
  })
})

describe('fits from measured sizes', () => {
  it('a press and its uncertainty, in words', () => {
    const cup = result(evaluated([...SIZES, ...stack(), ...GAPS]), 'cup-fit@upper')
    expect(inMm(cup.estimate!.value)).toBe(-0.04)
    expect(cup.findings).toContainEqual(expect.objectContaining({ words: expect.stringMatching(/A press of 0\.040 ± 0\.00\d mm\./) }))
  })
  it('calipers of ±0.03 cannot tell a press of 0.02: micrometer, please', () => {
    const cone = result(evaluated([...SIZES, ...stack(), ...GAPS], { setup: { by: 'calipers' } }), 'cone-fit@upper')
    expect(cone.estimate!.U).toBeGreaterThan(mm(0.02))
    expect(cone.findings).toContainEqual(expect.objectContaining({ level: 'fail', words: expect.stringContaining('micrometer, please') }))
    expect(cone.state).toBe('not-valid')
  })
  it('a third of a millimetre off is another kit', () => {
    const wrong = [...figures('seat-upper', mm(30.35)), ...figures('cone-upper', mm(30))]
    expect(result(evaluated(wrong), 'cone-fit@upper').findings).toContainEqual(
      expect.objectContaining({ level: 'fail', words: expect.stringContaining('another kit') }),
    )
  })
  it('of one pair of jaws the zero cancels between two stacks, the error of the scale stays; a bore and a pin keep both', () => {
    const found = evaluated([...SIZES, ...stack(), ...GAPS], { setup: { by: 'calipers' } })
    // ± 30 µm: 17.32 µm, half its variance each: 12.25. Kit less old stack: the scale twice; what was engaged, by the rod: both once.
    const errors = (id: string) =>
      result(found, id)
        .estimate!.lines.filter(({ source }) => source === 'gauge-error')
        .map(({ u }) => u)
    const of = (times: number) => (mm(0.03) / Math.sqrt(6)) * times
    const thread = errors('thread').filter(u => u > 0)
    expect(thread).toHaveLength(4)
    for (const u of thread) expect(u).toBeCloseTo(of(1), 6)
    expect(errors('thread').filter(u => u === 0)).toHaveLength(1)
    expect(errors('cone-fit@upper').filter(u => u > 0)).toHaveLength(4)
  })
  it('the class is taken at each site’s own size: 47 mm and 52 mm lie in different steps', () => {
    const lower = [...figures('cup-lower', mm(52)), ...figures('bore-lower', mm(51.98))]
    const others = SIZES.filter(({ point }) => !['cup-lower', 'bore-lower'].includes(point))
    const found = evaluated([...others, ...lower, ...stack(), ...GAPS], { setup: { cupFit: 'H7/h6' } })
    // ISO 286-2, tables 6 and 22: H7/h6 leaves 0 to 25 + 16 over 30 to 50 mm, and 0 to 30 + 19 over 50 to 80 mm.
    expect(result(found, 'cup-fit@upper').thumb).toMatchObject({ lower: 0, upper: 41_000, source: { text: 'ISO 286 H7/h6 at 47 mm' } })
    expect(result(found, 'cup-fit@lower').thumb).toMatchObject({ lower: 0, upper: 49_000, source: { text: 'ISO 286 H7/h6 at 52 mm' } })
  })
  it('limits are offered by the ISO 286 class at the size measured', () => {
    const cup = result(evaluated([...SIZES, ...stack(), ...GAPS], { setup: { cupFit: 'N7/h6' } }), 'cup-fit@upper')
    expect(cup.thumb).toMatchObject({ lower: -33_000, upper: 8_000, source: { text: 'ISO 286 N7/h6 at 47 mm' } })
  })
})

describe('words beat arithmetic', () => {
  const packs = {
    'washers-upper': [
      { lotId: '0.5', count: 1 },
      { lotId: '0.6', count: 1 },
    ],
  }
  const worded = (...words: readonly PointReading[]) => evaluated([...SIZES, ...stack(), ...GAPS, ...words], {}, { packs })
  it('a cage that rubs is out whatever the figure says', () => {
    expect(result(worded(said('squeezed-upper', 'rubs')), 'clearance@upper')).toMatchObject({
      state: 'below',
      overrule: expect.stringContaining('rubs'),
    })
  })
  it('no gap at the clamped face is metal to metal: no figure, and the hand that squeezes it decides', () => {
    const bare = (...words: readonly PointReading[]) =>
      result(evaluated([...SIZES, ...stack(), said('gap-upper', 'none-felt'), ...words]), 'clearance@upper')
    expect(bare()).toMatchObject({ state: 'to-do', estimate: null })
    expect(bare().findings).toContainEqual(expect.objectContaining({ words: expect.stringContaining('metal to metal') }))
    expect(bare(said('squeezed-upper', 'free'))).toMatchObject({ state: 'in', overrule: expect.stringContaining('without a gap') })
    expect(bare(said('squeezed-upper', 'rubs')).state).toBe('below')
  })
  it('squeezed first, then tightened: the second word counts after the first', () => {
    const free = () => [said('squeezed-upper', 'free'), said('squeezed-lower', 'free')]
    expect(result(worded(...free(), said('turned', 'free')), 'movement').state).toBe('in')
    expect(result(worded(said('turned', 'free'), ...free()), 'movement').state).toBe('to-do')
    expect(result(worded(...free(), said('turned', 'rubs')), 'movement').state).toBe('below')
    expect(worded(...free()).signOff.blockers.join()).toContain('Full movement')
  })
})

it('a wheel’s kit is looked at in the same way, and called what it is', () => {
  const { points, parts } = checkKind('steering-head-kit')
  const setup = { ...checkKind('steering-head-kit').defaultSetup, at: 'wheel' }
  expect(points(setup).find(({ id }) => id === 'seat-upper')!.label).toBe('Upper: axle seat, outside')
  expect(parts(setup).map(({ label }) => label)).toContain('Axle')
})

it('stiff steering makes it doubtful, a stiff clutch does not', () => {
  const { to } = checkKind('steering-head-kit').suspect!
  expect(['Stiff steering', 'steering has gone heavy', 'stiff clutch', 'steering lock'].map(words => to.test(words))).toEqual([
    true,
    true,
    false,
    false,
  ])
})

it('genuine parts are only looked at for a mix-up', () => {
  const look = (bag: string, damage: string) =>
    evaluateCheck(
      check([said('bag', bag), said('damage', damage)], { setup: { origin: 'genuine' }, limits: { working: 'book', sets: {} } }),
      [],
    )
  expect(look('right', 'none')).toMatchObject({ state: 'in', places: [] })
  expect(look('mixed', 'none').state).toBe('below')
  expect(look('right', 'some').state).toBe('below')
})

describe('what two sizes come to is said', () => {
  const words = (e: ReturnType<typeof evaluated>, id: string) =>
    result(e, id)
      .findings.map(({ words: of }) => of)
      .join(' ')
  const cup = (size: number) => [...SIZES.filter(({ point }) => point !== 'cup-upper'), ...figures('cup-upper', mm(size))]
  it('a press is a press; a cup with clearance turns on its seat, unless its fit is known to be loose', () => {
    // 46.98 − 47.02, and 46.98 − 46.95.
    expect(words(evaluated([...SIZES]), 'cup-fit@upper')).toContain('A press of 0.04')
    const loose = evaluated(cup(46.95))
    expect(words(loose, 'cup-fit@upper')).toContain('A clearance of 0.03')
    expect(result(loose, 'cup-fit@upper')).toMatchObject({ state: 'above', overrule: 'a clearance: the cup turns on its seat' })
    expect(result(evaluated(cup(46.95), { setup: { cupFit: 'H7/g6' } }), 'cup-fit@upper').overrule).toBeNull()
  })
  it('too large for its bore is not too small, and the other way round', () => {
    expect(words(evaluated(cup(47.4)), 'cup-fit@upper')).toContain('The cup is 0.420 mm larger than the bore of the head: it cannot go in')
    expect(words(evaluated(cup(46.5)), 'cup-fit@upper')).toContain('The cup is 0.480 mm smaller than the bore of the head: it falls in')
    const cone = (size: number) => [...SIZES.filter(({ point }) => point !== 'cone-upper'), ...figures('cone-upper', mm(size))]
    expect(words(evaluated(cone(29.6)), 'cone-fit@upper')).toContain('The cone’s bore is 0.420 mm smaller than the stem: it cannot go on')
    expect(words(evaluated(cone(30.4)), 'cone-fit@upper')).toContain('0.380 mm larger than the stem')
  })
  it('gaps round the seal that no one leaf fits say that it does not lie square', () => {
    const gaps = (...of: [number, number][]) =>
      evaluated([
        ...SIZES,
        ...stack(),
        ...of.flatMap(([low, high], i) => ranges('gap-upper', [mm(low), mm(high)]).map(one => ({ ...one, id: `g${i}` }))),
      ])
    expect(words(gaps([0.9, 0.95], [0.9, 0.95]), 'clearance@upper')).toContain('lies square, as far as feelers tell')
    expect(words(gaps([0.9, 0.95], [0.6, 0.65]), 'clearance@upper')).toContain(
      '0.650 here and 0.900 there, 0.250 mm apart: the seal does not lie square',
    )
  })
  it('thread is told in turns too, and was what the old stack had', () => {
    const e = evaluated([...SIZES, ...stack(), ...GAPS], { setup: { pitch: String(mm(1)) } })
    expect(words(e, 'thread')).toMatch(/10\.3 ± 0\.\d turns engaged\./)
    const rows = beforeAfter(e.found, e.current)
    expect(inMm(rows.find(({ id }) => id === 'thread')!.before!.estimate!.value)).toBe(9)
    expect(inMm(rows.find(({ id }) => id === 'reach')!.before!.estimate!.value)).toBe(0.8)
  })
  it('washers that are not offered are named, with what is in the way', () => {
    const setup = { stem: mm(30), pocket: mm(41) }
    const place = { washers: { over: setup.stem, within: setup.pocket } }
    const lots = [washer(0.5), washer(0.6, { inside: mm(29) }), washer(1, { outside: mm(42) })].map(lot => ({ ...lot, onHand: 1 }))
    const { inside: _, ...unknown } = washer(1.5, { onHand: 1 })
    expect(washersLeftOut(check([]), place, [...lots, unknown])).toEqual([
      expect.stringMatching(/^0\.60+ mm: its hole of 29\.0+ mm does not clear 30\.0+ mm$/),
      expect.stringMatching(/^1\.0+ mm: its rim of 42\.0+ mm does not stay within 41\.0+ mm$/),
      expect.stringMatching(/^1\.50+ mm: its hole is not known$/),
    ])
    expect(washersLeftOut(check([]), {}, lots)).toEqual([])
  })
})
