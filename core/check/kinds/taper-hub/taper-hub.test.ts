import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, figures, gauge, plays, said, trial } from '../../../../tests/documents'
import { newLot } from '../../../command/found-pack'
import { nm, thou } from '../../../quantity/length'
import { exact, formatChange, formatFigure } from '../../../quantity/figure'
import type { Torque } from '../../../quantity/measure'
import { proposalFor } from '../../../choice/answer/chooser/proposal'
import { lotMap, type Lot, type Pack, type Shape } from '../../../pack/lot'
import { twoSided } from '../../../verdict/limits'
import { conditionsOf, pendingItems } from '../../evaluate/said-conditions'
import type { CheckDocument, PointReading } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { answerRequest } from '../../../choice/answer/answer-request'
import { checkKind } from '../../registry'

const piece = (id: string, thick: number, onHand: number, shape: Shape = 'flat'): Lot => ({
  ...newLot({ id, family: 'pieces', nominal: thou(thick), tags: [] }, true),
  onHand,
  shape,
})
/** A kit of even sizes, one of them stepped: common practice. */
const KIT = [piece('s32', 32, 0, 'stepped'), piece('p32', 32, 1), ...[16, 8, 4, 2].map(thick => piece(`p${thick}`, thick, 2))]
const FOUND = [
  { lotId: 's32', count: 1 },
  { lotId: 'p32', count: 1 },
]
const INSPECTED = ['tracks', 'rust', 'water'].map(point => said(point, 'good'))
const AS_ASKED = { bearings: 'dry', seals: 'out', torque: 'full' }
const FINE = { ...GAUGES, 'dial-indicator': gauge('dial-indicator', thou(0.5), { repeatability: nm(2_000) }) }

const hub = (readings: readonly PointReading[], change: Partial<CheckDocument> = {}, more: Parameters<typeof trial>[2] = {}) =>
  checkOf('taper-hub', {
    limits: { working: 'book', sets: { play: { book: twoSided(thou(2), thou(6), 'thou', { kind: 'book' }), shop: null } } },
    gauges: FINE,
    uRefit: nm(2_540),
    trials: [trial('t1', readings, { packs: { spacers: FOUND }, conditions: AS_ASKED, ...more })],
    ...change,
  })
const evaluate = (document: CheckDocument) => evaluateCheck(document, KIT)

describe('a taper bearing hub', () => {
  const loose = hub([...INSPECTED, ...plays('travel', 27, 27, 27)])
  it('takes away the play less the limit: 64 fitted and 27 read want 39 to 43, of which the kit makes 40 and 42 (common practice)', () => {
    const { places, state } = evaluate(loose)
    expect(state).toBe('above')
    expect(places[0]!.window).toMatchObject({ low: thou(39), high: thou(43) })
    const { proposals, notes } = answerRequest(places[0]!.request!)
    const totals = proposals.map(({ total, predicted }) => [total, predicted.play])
    expect(totals[0]).toEqual([thou(40), thou(3)])
    expect(totals).toContainEqual([thou(42), thou(5)])
    expect(totals.flat()).not.toContain(thou(41))
    expect(notes[0]).toBe('4 thou cannot be had with these pieces: 3 or 5 can.')
    expect(proposals[0]!.words).toContain('Take out 32')
    // 38 would leave 1, out; 42 leaves 5.
    expect(answerRequest(places[0]!.request!).beside).toEqual({ less: thou(1), more: thou(5) })
  })
  it('the whole play taken away binds: 64 − 27 = 37, and 36 leaves −1 (common practice)', () => {
    const { request } = evaluate(loose).places[0]!
    const own = (...pack: Pack) => proposalFor({ ...request!, lots: lotMap(request!.drawer), required: null }, pack)
    const slip = own({ lotId: 's32', count: 1 }, { lotId: 'p4', count: 1 })
    expect(slip.predicted.play).toBe(thou(-1))
    expect(slip.aside).toBe(
      'The whole play is taken away, and 1.0 more: it binds. What comes off is the play less its limits: 21.0 to 25.0 thou.',
    )
    expect(own({ lotId: 's32', count: 1 }, { lotId: 'p8', count: 1 }).aside).toBeNull()
  })
  it('the hand is asked before the dial: asked after it, that is said', () => {
    const words = (e: ReturnType<typeof evaluate>) => e.headline.findings.map(({ words: of }) => of).join(' ')
    const hand = { ...said('hand', 'none'), order: 5 }
    const read = plays('travel', 4, 4, 4).map((one, i) => ({ ...one, order: 10 + i }))
    expect(words(evaluate(hub([...INSPECTED, hand, ...read])))).not.toContain('asked after the dial')
    expect(words(evaluate(hub([...INSPECTED, { ...hand, order: 20 }, ...read])))).toContain('asked after the dial')
  })
  it('has exactly one stepped spacer in every pack, last in the stack, its step to the bearing', () => {
    const two = [...KIT, piece('s8', 8, 3, 'stepped')]
    const { proposals } = answerRequest(evaluateCheck(loose, two).places[0]!.request!)
    expect(proposals.length).toBeGreaterThan(2)
    for (const { pack, order } of proposals) {
      expect(pack.filter(({ lotId }) => lotId.startsWith('s')).reduce((sum, { count }) => sum + count, 0)).toBe(1)
      expect(order.at(-1)).toMatch(/^s/)
    }
    const none = hub([...INSPECTED, ...plays('travel', 27, 27, 27)], {}, { packs: { spacers: [{ lotId: 'p32', count: 1 }] } })
    const bare = evaluateCheck(
      none,
      KIT.filter(({ shape }) => shape === 'flat'),
    )
    expect(answerRequest(bare.places[0]!.request!)).toMatchObject({
      proposals: [],
      notes: ['One stepped piece must be in this place, and the drawer has none.'],
    })
  })
  it('bound while it was tightened: zero or less, with the torque; only thicker packs are looked for', () => {
    const thin = { packs: { spacers: [{ lotId: 's32', count: 1 }] } }
    const bound = { ...said('travel', 'binds'), torque: 27_116_359_666 as Torque }
    const { headline, places } = evaluate(hub([...INSPECTED, bound], {}, thin))
    expect(headline).toMatchObject({ state: 'below', overrule: expect.stringMatching(/^it binds at 20(\.0+)? ft·lb$/) })
    const { proposals } = answerRequest(places[0]!.request!)
    expect(proposals.every(({ total, atMost }) => atMost && total > thou(32))).toBe(true)
  })
  it('is inspected first: not valid before it is, nor with anything in doubt', () => {
    expect(evaluate(hub(plays('travel', 4, 4, 4))).headline).toMatchObject({ state: 'not-valid' })
    const doubt = evaluate(hub([said('tracks', 'doubt'), ...INSPECTED.slice(1), ...plays('travel', 4, 4, 4)]))
    expect(doubt.state).toBe('not-valid')
    expect(doubt.headline.findings.some(({ words }) => words.startsWith('Tracks and rollers: in doubt is worn'))).toBe(true)
    expect(doubt.signOff.blockers[0]).toContain('not valid')
  })
  it('new bearings make everything stale, the inspection too; no half of a bearing is a part of its own', () => {
    const bearings = { role: 'bearings', at: '2026-05-05T08:00:00.000Z', reason: 'replaced', order: 1e6 }
    const e = evaluate({ ...loose, partChanges: [bearings] })
    expect(e.state).toBe('stale')
    expect(e.current.answers.stale('tracks')).not.toBeNull()
    expect(
      checkKind('taper-hub')
        .parts({})
        .map(({ id }) => id),
    ).toEqual(['bearings', 'sleeve', 'hub', 'axle'])
  })
  it('holds what its pieces add up to against what they measure pressed together: two sums of one stack', () => {
    const pressed = (together: number, tolerance: Lot['tolerance'] = null) => {
      const lots = KIT.map(lot => (lot.id === 'p32' && tolerance ? { ...lot, measured: null, tolerance } : lot))
      const readings = [...INSPECTED, ...plays('travel', 4, 4, 4), ...figures('stack-spacers', thou(together))]
      return evaluateCheck(hub(readings), lots)
        .headline.findings.map(({ words }) => words)
        .join()
    }
    expect(pressed(64)).not.toContain('add up')
    expect(pressed(66)).toContain(
      'Its pieces add up to 64.0 thou, pressed together they measure 66.0 thou, 2.0 thou more: two stick together',
    )
    expect(pressed(56)).toContain('8.0 thou less: one is listed and not in')
    // A piece nobody measured may be off by its tolerance: then the two do not contradict each other.
    expect(pressed(66, { minus: nm(0), plus: thou(3) })).not.toContain('add up')
  })
  it('holds the hand against the dial', () => {
    const said27 = (word: string, ...figures: number[]) =>
      evaluate(hub([...INSPECTED, said('hand', word), ...plays('travel', ...figures)])).headline.findings.map(({ words }) => words)
    expect(said27('none', 27, 27, 27)).toContainEqual(expect.stringContaining('By hand there was none, and the dial says 27.0 thou'))
    expect(said27('knock', 27, 27, 27).join()).not.toContain('By hand')
    expect(said27('none', 4, 4, 4).join()).not.toContain('By hand')
  })
})

describe('the state the unit was in', () => {
  const four = [...INSPECTED, ...plays('travel', 4, 4, 4)]
  it('as asked: In, with what is done later pending and nothing held back', () => {
    const e = evaluate(hub(four))
    expect(e).toMatchObject({ state: 'in', signOff: { blockers: [], needsReason: null } })
    expect(e.reminders.map(({ id, cleared }) => [id, cleared])).toEqual([
      ['bearings', null],
      ['seals', null],
      ['machine-torque', null],
      ['turns', null],
    ])
  })
  it('short of it: provisional, and signed only with a reason', () => {
    const e = evaluate(hub(four, {}, { conditions: { ...AS_ASKED, bearings: 'greased' } }))
    expect(e).toMatchObject({ state: 'provisional', signOff: { blockers: [] } })
    expect(e.signOff.needsReason).toContain('measured with bearings: greased')
    expect(e.reminders.map(({ id }) => id)).not.toContain('bearings')
  })
  it('not said: provisional, and not signed', () => {
    const e = evaluate(hub(four, {}, { conditions: { bearings: 'dry', seals: 'out' } }))
    expect(e.state).toBe('provisional')
    expect(e.signOff.blockers).toEqual(['Still to say: Axle nut.'])
  })
  it('is cleared by a name, opened again, and not by what was cleared of another fitting or before a reopening', () => {
    const kind = checkKind('taper-hub')
    const clearing = { item: 'seals', trial: 't1', how: 'done', by: 'M. Tern', at: '2026-05-05T08:00:00.000Z', order: 50 } as const
    const seals = (document: CheckDocument) => pendingItems(kind, document).find(({ id }) => id === 'seals')!.cleared
    expect(seals(hub(four, { clearings: [clearing] }))).toEqual(clearing)
    expect(seals(hub(four, { clearings: [clearing, { ...clearing, how: 'open', order: 51 }] }))).toBeNull()
    expect(seals(hub(four, { clearings: [{ ...clearing, trial: 't0' }] }))).toBeNull()
    const reopened = { at: clearing.at, by: 'x', reason: 'y', order: 60 }
    expect(seals(hub(four, { clearings: [clearing], reopened }))).toBeNull()
    expect(seals(hub(four, { clearings: [{ ...clearing, order: 61 }], reopened }))).not.toBeNull()
  })
  it('tells what was said from what was not', () => {
    const states = conditionsOf(
      checkKind('taper-hub'),
      hub([], { trials: [trial('t1', [], { conditions: { bearings: 'greased', seals: 'out' } })] }),
    )
    expect(states.map(({ is }) => is)).toEqual(['short', 'as-asked', 'not-said'])
  })
})

describe('how warm the hub is after a run', () => {
  const degrees = (celsius: number) => exact(celsius * 1e6)
  const ran = (celsius: number, upper: number | null, change: Partial<CheckDocument> = {}) => {
    const base = hub([
      ...INSPECTED,
      ...plays('travel', 4, 4, 4),
      { id: 'w', point: 'warmth', figure: degrees(celsius), order: 9 } as PointReading,
    ])
    const book = upper === null ? null : ({ kind: 'upper', upper: degrees(upper), unit: '°C', source: { kind: 'book' } } as const)
    return evaluate({
      ...base,
      setup: { ...base.setup, warmth: 'yes' },
      limits: { ...base.limits, sets: { ...base.limits.sets, warmth: { book, shop: null } } },
      ...change,
    })
  }
  const warm = (e: ReturnType<typeof ran>) => e.current.results.find(({ id }) => id === 'warmth')!
  it('is judged by an upper limit in degrees, and the check with it', () => {
    expect([warm(ran(60, 71)).state, ran(60, 71).state]).toEqual(['in', 'in'])
    expect([warm(ran(78, 71)).state, ran(78, 71).state]).toEqual(['above', 'above'])
    // ± 1.5 by a permissible 1 °C and a scatter of half a degree: 71.5 cannot be told from 71.
    expect(warm(ran(71.5, 71, { rule: 'guarded' })).state).toBe('close')
    // 160 °F are 71.1 °C; the U of it is no temperature: 1.5 K are 2.7 °F.
    const { estimate } = warm(ran(60, 71))
    expect(formatFigure(estimate!.value, '°F')).toBe('140.0')
    expect(formatChange(estimate!.U, '°F')).toBe(((estimate!.U / 1e6) * 1.8).toFixed(1))
  })
  it('is shown without a limit, holds nothing back, and is no point unless it is taken', () => {
    expect([warm(ran(78, null)).estimate!.value, ran(78, null).state]).toEqual([degrees(78), 'in'])
    expect(evaluate(hub([...INSPECTED, ...plays('travel', 4, 4, 4)])).current.results.map(({ id }) => id)).toEqual(['play'])
  })
  it('off the thermometer’s scale it is no figure; bearings replaced want another run', () => {
    expect(warm(ran(240, 300)).state).toBe('not-valid')
    const bearings = { role: 'bearings', at: '2026-05-05T08:00:00.000Z', reason: 'replaced', order: 1e6 }
    expect(warm(ran(60, 71, { partChanges: [bearings] })).state).toBe('stale')
  })
})
