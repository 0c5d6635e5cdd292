import { describe, expect, it } from 'vitest'
import { checkOf, GAUGES, ranges, said, trial } from '../../../../tests/documents'
import { choosePacks } from '../../../choice/answer/chooser/choose'
import type { Lot } from '../../../pack/lot'
import { mm, nm } from '../../../quantity/length'
import type { Torque } from '../../../quantity/measure'
import type { Gauge } from '../../../reading/gauge'
import { twoSided } from '../../../verdict/limits'
import type { CheckDocument, PointReading, Trial } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { prepareRequest } from '../../../choice/answer/answer-request'
import { lotOf } from '../../../../tests/pieces'

// Common practice; sizes and torques constructed. Only the left housing.
const piece = (id: string, thick: number, more: Partial<Lot> = {}): Lot =>
  lotOf(id, mm(thick), { family: 'shims', scatter: nm(500), onHand: 4, ...more })
const SPRUNG = piece('sprung', 0.25, { shape: 'sprung', onHand: 1 })
const DRAWER = [0.05, 0.1, 0.2, 0.3, 0.35].map(thick => piece(String(thick), thick))
const NM = 1e9
const band = { working: 'book', sets: { turning: { book: twoSided(1.2 * NM, 1.8 * NM, 'N·m', { kind: 'book' }), shop: null } } } as const
const CONDITIONS = { bearings: 'greased', seals: 'out', bolts: 'full' }
const pack = (...ids: string[]) => ({
  'pack-left': ['sprung', ...ids].map(lotId => ({ lotId, count: ids.filter(id => id === lotId).length || 1 })),
})
const fitted = (id: string, of: Trial['packs'], readings: readonly PointReading[], more: Partial<Trial> = {}) =>
  trial(id, readings, { packs: of, refitted: id === 't1' ? [] : ['pack-left'], conditions: CONDITIONS, ...more })
const turning = (...torques: number[]) => ranges('turning-left', ...torques.map((torque): [number, number] => [torque * NM, torque * NM]))
const check = (trials: readonly Trial[], change: Partial<CheckDocument> = {}) =>
  checkOf('swivel-preload', {
    entryUnit: 'mm',
    family: 'shims',
    setup: { sides: 'left', way: 'gauge' },
    limits: band,
    rule: 'careful',
    uRefit: nm(500),
    trials,
    ...change,
  })
const evaluated = (trials: readonly Trial[], change: Partial<CheckDocument> = {}) =>
  evaluateCheck(check(trials, change), [SPRUNG, ...DRAWER])
const place = (trials: readonly Trial[], change: Partial<CheckDocument> = {}) => evaluated(trials, change).places[0]!
const choose = (of: ReturnType<typeof place>) => choosePacks(prepareRequest(of.request!), of.request!.question)
const onMm = (length: number) => Math.round(length / 1000) / 1000

describe('the first pack of a swivel', () => {
  const gap = ranges('gap-left', [mm(0.25), mm(0.35)])
  const first = [fitted('t1', pack('0.35'), gap)]
  it('0.60 fitted, 0.25 goes and 0.35 does not: the gap is 0.30 with u of 0.10/√12, the first pack 0.90', () => {
    const { current, next, phase } = evaluated(first)
    const found = current.results.find(({ id }) => id === 'gap@left')!
    expect(found.estimate).toMatchObject({ value: mm(0.3) })
    expect(found.estimate!.u).toBeCloseTo(100_000 / Math.sqrt(12), 6)
    expect(next).toMatchObject({ phase: 'choose' })
    expect(phase).toBe('choose')
    expect(onMm(choose(place(first)).proposals[0]!.total)).toBe(0.9)
  })
  it('is due while the gap is all that is known: not once it was felt, by a figure or by a word, and not without the gap', () => {
    const next = (...readings: readonly PointReading[]) => evaluated([fitted('t1', pack('0.35'), readings)]).next?.words ?? ''
    expect(next(...gap)).toContain('the first pack fills the gap')
    expect(next(...gap, ...turning(1.5, 1.5, 1.5))).not.toContain('the first pack fills the gap')
    expect(next(...gap, said('side-play-left', 'some'))).not.toContain('the first pack fills the gap')
    expect(next()).not.toContain('the first pack fills the gap')
  })
  it('is thinner by what the preload takes of the gap', () => {
    expect(onMm(choose(place(first, { setup: { sides: 'left', way: 'gauge', taken: '50000' } })).proposals[0]!.total)).toBe(0.85)
  })
  it('without the gap nothing is chosen; none at all, or without the sprung shim, is never a pack', () => {
    expect(place([fitted('t1', pack('0.35'), [])])).toMatchObject({ request: null, note: expect.stringContaining('Measure first') })
    const { rules } = place(first).request!
    expect(rules).toMatchObject({ fewest: 1, one: 'sprung' })
  })
})

describe('what it takes to turn, against the pack', () => {
  const two = [fitted('t1', pack('0.35', '0.2'), turning(3.4, 3.4, 3.4)), fitted('t2', pack('0.35', '0.2', '0.05'), turning(2.4, 2.4, 2.4))]
  it('one fitting gives the way alone: too much is a thicker pack, and no figure is foretold', () => {
    const one = place(two.slice(0, 1))
    expect(one.note).toMatch(/Too much: a thicker pack.*a torque does not tell/)
    const { proposals } = choose(one)
    expect(onMm(proposals[0]!.total)).toBe(0.85)
    for (const proposal of proposals) {
      expect(proposal.total).toBeGreaterThan(mm(0.8))
      expect(proposal.chance).toBeNull()
      expect(proposal.arithmetic).toBe('')
    }
  })
  it('0.80 read 3.4 and 0.85 read 2.4: −20 N·m per mm; 1.5 is aimed at with 0.895, and 0.90 leaves 1.4, in', () => {
    const found = place(two)
    expect((found.learned!.line!.slope * 1e6) / NM).toBeCloseTo(-20, 6)
    expect(found.learned!.next!.thickness / 1e6).toBeCloseTo(0.895, 6)
    const [best] = choose(found).proposals
    expect(onMm(best!.total)).toBe(0.9)
    const told = found.request!.question.told!
    expect(told).toMatchObject({ by: 'slope', unit: 'N·m' })
    expect((best!.predicted.play * (told as { per: number }).per) / NM).toBeCloseTo(1.4, 3)
    expect(best!.chance!.inside).toBeGreaterThan(0.8)
    expect(best!.arithmetic).toBe('2.40 N·m − 0.050 mm × 20.00 N·m per mm = 1.40 N·m')
  })
  it('0.05 more is 1.0 N·m, wider than the band: it says so', () => {
    expect(place(two).note).toContain('The next step is 0.050 mm, that is 1.00 N·m: wider than the band of 0.60 N·m.')
  })
  it('a torque that rises with a thicker pack is not chosen by', () => {
    const wrong = [
      fitted('t1', pack('0.35', '0.2'), turning(2.4, 2.4, 2.4)),
      fitted('t2', pack('0.35', '0.2', '0.05'), turning(3.4, 3.4, 3.4)),
    ]
    expect(place(wrong)).toMatchObject({ request: null, note: expect.stringContaining('the other way'), ledger: { signDoubtful: true } })
  })
  it('an earlier pack is told by the newest that was read of it, the newest pack first; the one that is in is not among them', () => {
    const thin = pack('0.35', '0.2')
    const thick = pack('0.35', '0.2', '0.05')
    const { before, told } = place([...two, fitted('t3', thin, turning(3.5, 3.5, 3.5)), fitted('t4', thick, turning(2.5, 2.5, 2.5))])
      .request!.question
    const { per } = told as { per: number }
    expect(before.map(({ pack: of, measured }) => [of, Math.round((measured.play * per) / 1e8) / 10])).toEqual([
      [thin['pack-left'], 3.5],
      [thick['pack-left'], 2.4],
    ])
  })
  it('a fitting without drag is kept, and not in the line', () => {
    const idle = fitted('t3', pack('0.35', '0.2', '0.05', '0.3'), [said('drag-left', 'none'), said('side-play-left', 'some')])
    const { learned, ledger } = place([...two, idle])
    expect(learned).toMatchObject({ points: { length: 2 }, none: [{ id: 't3' }] })
    expect(ledger.words).toContain('kept out of the line')
  })
  it('one without drag where the line still has much does not agree', () => {
    const odd = fitted('t3', pack('0.35', '0.2', '0.05'), [said('drag-left', 'none'), said('side-play-left', 'some')])
    expect(place([...two, odd]).ledger).toMatchObject({ state: 'disagree', words: expect.stringContaining('repeat one') })
  })
})

describe('drag and side play, a word each', () => {
  const felt = (drag: string | null, play: string | null) =>
    evaluated([fitted('t1', pack('0.35'), [...(drag ? [said('drag-left', drag)] : []), ...(play ? [said('side-play-left', play)] : [])])], {
      setup: { sides: 'left', way: 'feel' },
    })
  it.each([
    ['none', 'some', 'below', 'Too little'],
    ['none', 'none', 'below', 'Too little'],
    ['much', 'none', 'above', 'Too much'],
    ['slight', 'none', 'provisional', 'Provisional'],
  ])('%s and %s: %s', (drag, play, state, word) => expect(felt(drag, play)).toMatchObject({ state, word }))
  it.each(['slight', 'much'])('%s drag with side play is a contradiction', drag => {
    const { headline, state, signOff, places } = felt(drag, 'some')
    expect(places[0]).toMatchObject({ request: null, note: expect.stringContaining('Measure first') })
    expect(headline.findings).toMatchObject([{ level: 'fail', words: expect.stringContaining('cocked pin') }])
    expect(state).toBe('not-valid')
    expect(signOff.blockers.length).toBeGreaterThan(0)
  })
  it('one word alone does not tell; right by feel is signed with a reason', () => {
    expect(felt('slight', null)).toMatchObject({ state: 'to-do' })
    expect(felt('slight', 'none').signOff).toMatchObject({ needsReason: expect.stringContaining('by feel') })
  })
  it('too much drag, felt only: a thicker pack, by direction', () => {
    const [place] = felt('much', 'none').places
    expect(place!.note).toContain('a thicker pack')
    expect(choose(place!).proposals[0]!.total).toBeGreaterThan(mm(0.6))
  })
  it('felt with the bolts only nipped it stays provisional', () => {
    const loose = fitted('t1', pack('0.35'), [...turning(1.5, 1.5, 1.5)], { conditions: { ...CONDITIONS, bolts: 'nipped' } })
    expect(evaluated([loose])).toMatchObject({ state: 'provisional' })
  })
})

describe('a spring scale on a radius', () => {
  const scale = (graduation: number): Gauge => ({ ...GAUGES['spring-scale'], graduation: graduation as Gauge['graduation'] })
  const read = (graduation: number, radius: string) =>
    evaluated([fitted('t1', pack('0.35'), ranges('turning-left', [1e7, 1e7]))], {
      setup: { sides: 'left', way: 'scale', radius },
      gauges: { 'spring-scale': scale(graduation) },
    })
  it('10 N at 150 mm is 1.5 N·m; steps of 0.2 kgf leave 0.24, of 0.05 kgf 0.06 N·m', () => {
    const wide = read(1_961_330, '150000000').headline
    expect(wide.estimate!.value / NM).toBeCloseTo(1.5, 9)
    expect(wide.estimate!.U / NM).toBeCloseTo(0.2357, 3)
    expect(read(490_333, '150000000').headline.estimate!.U / NM).toBeCloseTo(0.06, 2)
  })
  it('of a half-band of 0.3 the first is most: the gauge is wide', () => {
    expect(read(1_961_330, '150000000').gauge).toMatchObject({ answer: 'wide' })
  })
  it('without a radius there is no torque', () => {
    expect(read(490_333, '')).toMatchObject({ state: 'not-valid', headline: { estimate: null } })
  })
  it('a gauge below its usable range decides nothing', () => {
    const low = { ...GAUGES['torque-gauge'], range: { low: 4e8 as Torque, high: 5e9 as Torque } }
    const { headline, places } = evaluated([fitted('t1', pack('0.35'), turning(0.3, 0.3, 0.3))], { gauges: { 'torque-gauge': low } })
    expect(places[0]).toMatchObject({ request: null, note: 'Measure first: the choice rests on a valid reading.' })
    expect(headline.findings).toContainEqual(
      expect.objectContaining({ level: 'fail', words: expect.stringContaining('outside the range') }),
    )
  })
})
