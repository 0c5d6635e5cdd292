import { describe, expect, it } from 'vitest'
import { checkOf, figures, gauge, GAUGES, trial } from '../../../../tests/documents'
import { decide } from '../../../command/decide'
import { newLot } from '../../../command/found-pack'
import type { Lot } from '../../../pack/lot'
import { mm, nm, thou, type Nm } from '../../../quantity/length'
import type { LimitSet } from '../../../verdict/limits'
import type { CheckDocument, PointReading, Trial } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'

// Worked examples: common practice.
const DIAL = { ...GAUGES, 'dial-indicator': gauge('dial-indicator', thou(0.5), { readableFraction: 0.5, permissibleError: nm(0) }) }
const FIVE: LimitSet = { kind: 'upper', upper: thou(5), unit: 'thou', source: { kind: 'book', text: 'gearbox maker' } }
const SET: Lot[] = [7, 14, 21].map(size => ({
  ...newLot({ id: `d${size}`, family: 'dowels', nominal: thou(size), tags: [] }, true),
  onHand: 2,
}))
/** Read at 12, 3, 6 and 9, and back at 12; thou. */
const turn = (at12: number, at3: number, at6: number, at9: number, back = at12): PointReading[] => [
  ...[at12, at3, at6, at9].flatMap((value, i) => figures(`at-${i * 90_000}`, thou(value))),
  ...figures('return', thou(back)),
]
const housing = (
  readings: readonly PointReading[],
  setup: Record<string, string> = {},
  change: Partial<CheckDocument> = {},
  more: readonly Trial[] = [],
) =>
  evaluateCheck(
    checkOf('runout', {
      family: 'dowels',
      gauges: DIAL,
      limits: { working: 'book', sets: { runout: { book: FIVE, shop: null } } },
      trials: [trial('t1', readings), ...more],
      ...change,
      setup: { view: 'gearbox', judged: 'axis', ...setup },
    }),
    SET,
  )
type Evaluation = ReturnType<typeof housing>
const at = (e: Evaluation, id: string) => e.current.results.find(result => result.id === id)!
const figure = (e: Evaluation, id: string) => at(e, id).estimate!.value / 25_400
const words = (e: Evaluation, id = e.headline.id) =>
  at(e, id)
    .findings.map(({ words: text }) => text)
    .join(' ')
const found = turn(0, 20, 10, 2)

describe('0, +20, +10, +2 at 12, 3, 6 and 9', () => {
  it('keeps the direction of both axes: −10 and +18, not −10 and −18', () => {
    const e = housing(found)
    expect([figure(e, 'runout@12-6'), figure(e, 'runout@3-9')]).toEqual([expect.closeTo(-10, 9), expect.closeTo(18, 9)])
    expect(at(e, 'runout@3-9').state).toBe('above')
    expect(at(e, 'runout@12-6').state).toBe('below')
  })
  it('offset 10.3 towards 3:58, once per turn 20.6, raw 20, rest 3 worth reading again', () => {
    const e = housing(found)
    expect(figure(e, 'offset')).toBeCloseTo(Math.sqrt(106), 9)
    expect(figure(e, 'once')).toBeCloseTo(2 * Math.sqrt(106), 9)
    expect(figure(e, 'raw')).toBe(20)
    expect(figure(e, 'rest')).toBeCloseTo(3, 9)
    expect(at(e, 'direction').estimate!.value / 1000).toBeCloseTo(119.055, 2)
    expect(words(e)).toContain('3 thou of it is no offset')
  })
  it('a tip that lowers the figure as it is pushed in turns the way to move it round, and no figure', () => {
    const e = housing(found, { sense: 'falls' })
    expect(figure(e, 'runout@3-9')).toBeCloseTo(18, 9)
    expect(at(e, 'direction').estimate!.value / 1000).toBeCloseTo(299.055, 2)
  })
  it('names no way before the view was said, and offers no dowel', () => {
    const e = housing(found, { view: 'unsaid' })
    expect(at(e, 'direction').estimate).toBeNull()
    expect(e.catalogues[0]!.entries).toEqual([])
    expect(e.catalogues[0]!.note).toContain('from which side the clock is seen')
  })
  it('judges nothing before it was said what the limit is for', () => {
    const e = housing(found, { judged: 'unsaid' })
    expect(e.state).toBe('not-valid')
    expect(words(e)).toContain('Which figure is the limit for')
  })
})

describe('dowels', () => {
  const entry = (e: Evaluation, name: string) => e.catalogues[0]!.entries.find(({ words: text }) => text.startsWith(name))!
  const left = (e: Evaluation, name: string, id: string, position: string | null = null) =>
    entry(e, name).leaves.find(({ result, position: of }) => result === id && of === position)!.estimate.value / 25_400
  it('7 at 3:42 leaves ±4.94 on each axis, 7 at 3:58 leaves 3.3 and fails an axis', () => {
    const e = housing(found)
    expect([left(e, '7 thou, marks to 3:42', 'runout', '12-6'), left(e, '7 thou, marks to 3:42', 'runout', '3-9')]).toEqual([
      expect.closeTo(-4.9446, 3),
      expect.closeTo(4.9446, 3),
    ])
    expect([left(e, '7 thou, marks to 3:58', 'runout', '12-6'), left(e, '7 thou, marks to 3:58', 'runout', '3-9')]).toEqual([
      expect.closeTo(-3.2, 1),
      expect.closeTo(5.76, 2),
    ])
    expect(left(e, '7 thou, marks to 3:58', 'offset')).toBeCloseTo(Math.sqrt(106) - 7, 6)
    expect(e.catalogues[0]!.entries[0]!.words).toBe('7 thou, marks to 3:42')
    expect(e.catalogues[0]!.entries[0]!.state).toBe('in')
  })
  it('14 at best leaves ±5.39: out; by the guarded rule 4.94 of 5 is too close to call', () => {
    const e = housing(found)
    expect(Math.abs(left(e, '14 thou', 'runout', '3-9'))).toBeCloseTo(5.39, 2)
    expect(entry(housing(found, {}, { rule: 'guarded' }), '7 thou, marks to 3:42').state).toBe('close')
  })
  it('by twice the offset none of the set reaches 5: the least is 6.6', () => {
    const e = housing(found, { judged: 'once' })
    expect(e.catalogues[0]!.entries.some(({ state }) => state === 'in')).toBe(false)
    expect(left(e, '7 thou', 'runout')).toBeCloseTo(2 * (Math.sqrt(106) - 7), 6)
    expect(e.catalogues[0]!.elsewise).toContain('dirt or a burr')
  })
  it('what is in counts: 7 at 3:42 that left −4, +4.9 on the axes asks for the same again', () => {
    const in7 = trial('t2', [...figures('clocking', 111_000), ...turn(0, 4.944, 4.944, 0)], {
      packs: { dowels: [{ lotId: 'd7', count: 2 }] },
      refitted: ['dowels'],
    })
    const e = housing(found, {}, {}, [in7])
    expect(e.catalogues[0]!.entries[0]!.words).toMatch(/^7 thou, marks to 3:4/)
    // Not known where it points: nothing can be reckoned.
    const lost = trial('t2', turn(0, 4.944, 4.944, 0), { packs: { dowels: [{ lotId: 'd7', count: 2 }] }, refitted: ['dowels'] })
    expect(housing(found, {}, {}, [lost]).catalogues[0]!.note).toContain('where their marks point is not known')
  })
  it('a pair that is not alike is no pair, as found and as fitted', () => {
    const document = checkOf('runout', {
      family: 'dowels',
      gauges: DIAL,
      trials: [trial('t1', found)],
      setup: { view: 'gearbox', judged: 'axis' },
    })
    const bench = { document, lots: SET, reserves: {} }
    const unlike = [
      { lotId: 'd7', count: 1 },
      { lotId: 'd14', count: 1 },
    ]
    const at = '2026-05-04T08:00:00.000Z'
    const listed = decide(bench, { kind: 'list', op: 'o1', at, place: 'dowels', pieces: unlike })
    const fitted = decide(bench, { kind: 'fit', op: 'o2', at, trialId: 't2', onto: 't1', packs: [{ place: 'dowels', pieces: unlike }] })
    expect([listed, fitted].map(outcome => (outcome.ok ? '' : outcome.faults[0]!.reason))).toEqual([
      'Offset dowels: both of a pair are alike: two of one size, or none.',
      'Offset dowels: nothing of that kind stands in the list. A pair is of one size.',
    ])
    // One of the set, and the turn it would be chosen by does not add up.
    const pair = [{ lotId: 'd7', count: 2 }]
    const held = decide(bench, { kind: 'fit', op: 'o4', at, trialId: 't2', onto: 't1', packs: [{ place: 'dowels', pieces: pair }] })
    expect(held.ok || held.faults[0]!.reason).toContain('Read it again at 8 marks')
    expect(decide(bench, { kind: 'list', op: 'o3', at, place: 'dowels', pieces: [{ lotId: 'd7', count: 2 }] }).ok).toBe(true)
  })
  it('sit between block and housing, two of them or none, and as it came there are none', () =>
    expect(housing(found).places[0]!.place).toMatchObject({
      between: ['block', 'housing'],
      capacity: { fewest: 0, most: 2 },
      startsEmpty: true,
    }))
  it('an empty set says so', () => expect(housing(found, {}, { family: 'none' }).catalogues[0]!.note).toContain('No offset dowels'))
})

describe('proof', () => {
  const after = (readings: readonly PointReading[], clock = 111_000) =>
    trial('t2', [...figures('clocking', clock), ...readings], { packs: { dowels: [{ lotId: 'd7', count: 2 }] }, refitted: ['dowels'] })
  it('0, −2, +4, +1: In by each axis, on the limit by 2e, out by the raw spread, and not to be believed', () => {
    const e = housing(found, {}, {}, [after(turn(0, -2, 4, 1))])
    expect([figure(e, 'runout@12-6'), figure(e, 'runout@3-9'), figure(e, 'once'), figure(e, 'raw')]).toEqual([
      expect.closeTo(-4, 9),
      expect.closeTo(-3, 9),
      expect.closeTo(5, 9),
      6,
    ])
    expect(at(e, 'runout@12-6').state).toBe('doubted')
    expect(e.word).toBe('In, but one of the two turns is misread')
    const said = words(e, 'runout@12-6')
    expect(said).toContain('the centre moved 10.9 thou to 3:32, its dowels move it 7.0 thou to 3:42')
    expect(said).toContain('the rest at 12:00 went from −3 to +1.25')
    expect(e.signOff.needsReason).toContain('one of the two turns is misread')
  })
  it('what the dowels do and no more is no contradiction', () => {
    const e = housing(turn(0, 14, 10, -4), {}, {}, [after(turn(0, 4.94, 4.94, 0), 111_000)])
    // 5 towards 6 and 9 towards 3, less 7 at 3:42: 2.5 and 2.5 are left.
    expect(words(e, 'runout@12-6')).not.toContain('misread')
  })
  it('of a housing that was replaced since it contradicts nothing: it is read again first', () => {
    const replaced = { partChanges: [{ role: 'housing', at: '2026-05-04T12:00:00.000Z', reason: 'new', order: 1e9 }] }
    const e = housing(found, {}, replaced, [after(turn(0, -2, 4, 1))])
    expect(at(e, 'runout@12-6').state).toBe('stale')
    expect(words(e, 'runout@12-6')).not.toContain('the centre moved')
  })
  it('nothing moved though dowels went in: said', () => {
    const e = housing(turn(0, 14, 10, -4), {}, {}, [after(turn(0, 14, 10, -4))])
    expect(words(e, 'runout@12-6')).toContain('the centre moved 0.0 thou')
  })
})

describe('what is wrong with a turn', () => {
  it('a return 30 off is taken again, one of half a thou is spread', () => {
    expect(housing(turn(0, 20, 10, 2, 30)).state).toBe('not-valid')
    const e = housing(turn(0, 20, 10, 2, 0.4))
    expect(words(e)).toContain('0.4 thou off: spread over the turn')
    // −0.1, −0.2 and −0.3 of it lie at 3, 6 and 9.
    expect([figure(e, 'runout@12-6'), figure(e, 'runout@3-9')]).toEqual([expect.closeTo(-9.8, 9), expect.closeTo(18.2, 9)])
  })
  it('a mark read after the return asks for the return again', () => {
    const late = [...found.slice(0, 3), found[4]!, ...figures('at-270000', thou(2))]
    expect(words(housing(late))).toContain('9:00 was read after the return')
  })
  it('nothing without the return', () => expect(at(housing(found.slice(0, 4)), 'runout@3-9').estimate).toBeNull())
  it('two axes bent together: marks within a third of a turn, and marks unevenly spread', () => {
    const at3 = (marks: number[]) =>
      housing([...marks.flatMap((mark, i) => figures(`at-${mark}`, thou(i))), ...figures('return', 0)], { marks: marks.join(' ') })
    expect(words(at3([0, 30_000, 60_000]))).toContain('All marks lie within a third of a turn')
    expect(words(at3([0, 120_000, 180_000]))).toContain('something oval would look off centre')
    expect(words(at3([0, 45_000, 90_000, 135_000, 180_000, 225_000, 270_000, 315_000]))).not.toContain('oval')
  })
  it('the sag of a bracket is taken off mark by mark', () => {
    const sag = [0, -1, -2, -1].flatMap((value, i) => figures(`sag-${i * 90_000}`, thou(value)))
    const e = housing([...sag, ...turn(0, 19, 8, 1)], { sag: 'measured' })
    expect([figure(e, 'runout@12-6'), figure(e, 'runout@3-9')]).toEqual([expect.closeTo(-10, 9), expect.closeTo(18, 9)])
  })
})

describe('other parts', () => {
  it('a shaft is judged by its bow, half of what it runs out; nothing is put in', () => {
    const e = housing(turn(0, 6, 12, 6), { what: 'shaft', judged: 'offset' })
    expect(figure(e, 'runout')).toBeCloseTo(6, 9)
    expect([e.places, e.catalogues]).toEqual([[], []])
    expect(at(e, 'direction').estimate!.value).toBe(180_000)
  })
  it('a face stands out of square by an angle: 12 thou over 6 in of radius is 0.057°', () => {
    const e = housing(turn(0, 6, 12, 6), { what: 'face', judged: 'once', radius: String(mm(152.4)) })
    expect(at(e, 'tilt').estimate!.value / 1000).toBeCloseTo((Math.atan(12 / 12_000) * 180) / Math.PI, 5)
  })
  it('warp by its own limit', () => {
    const warp = { runout: { book: FIVE, shop: null }, rest: { book: { ...FIVE, upper: thou(0.5) }, shop: null } }
    const marks = Array.from({ length: 8 }, (_, i) => i * 45_000)
    const readings = [...marks.flatMap((mark, i) => figures(`at-${mark}`, thou(i % 2 ? 2 : 0))), ...figures('return', 0)]
    const e = housing(readings, { what: 'face', judged: 'once', marks: marks.join(' ') }, { limits: { working: 'book', sets: warp } })
    expect([at(e, 'runout').state, at(e, 'rest').state]).toEqual(['in', 'above'])
  })
})

describe('nothing is chosen by a turn that is not whole, or does not add up', () => {
  it('names the marks that are missing', () => {
    const some = (n: number) => housing([0, 90_000, 180_000, 270_000].slice(0, n).flatMap(angle => figures(`at-${angle}`, thou(1))))
    expect(words(some(3), 'offset')).toBe('The turn is not closed: read 9:00, back at 12:00.')
    expect(some(4).catalogues[0]).toMatchObject({ entries: [], note: 'The turn is not closed: read back at 12:00.' })
    expect(words(some(0), 'offset')).toBe('')
  })
  it('the sums of opposite marks may differ by a graduation, not by more: 8 marks tell', () => {
    // (0 + 10) − (20 + 2) is 12, a quarter of it 3, of a dial of half a thou.
    expect(housing(found).catalogues[0]!.hold).toContain('Read it again at 8 marks')
    expect(housing(turn(0, 14.5, 10, -3.5)).catalogues[0]!.hold).toBeUndefined()
    expect(housing(turn(0, 20, 10, 2, 30)).catalogues[0]!.hold).toContain('Take the turn again')
    const eight = ['0', '45000', '90000', '135000', '180000', '225000', '270000', '315000']
    const read = eight.flatMap((angle, i) => figures(`at-${angle}`, thou([0, 10.8, 20, 17.9, 10, 5.2, 2, -1.9][i]!)))
    expect(housing([...read, ...figures('return', 0 as Nm)], { marks: eight.join(' ') }).catalogues[0]!.hold).toBeUndefined()
  })
})
