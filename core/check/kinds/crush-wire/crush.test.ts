import { describe, expect, it } from 'vitest'
import { checkOf, figures, gauge, GAUGES, plays, ranges, said, trial } from '../../../../tests/documents'
import { newLot } from '../../../command/found-pack'
import type { Lot } from '../../../pack/lot'
import { nm, thou } from '../../../quantity/length'
import { twoSided } from '../../../verdict/limits'
import type { CheckDocument, PointReading, Trial } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { answerRequest } from '../../../choice/answer/answer-request'

// Worked example: common practice. Other figures constructed.
const MIC = {
  ...GAUGES,
  micrometer: gauge('micrometer', thou(0.1), { permissibleError: nm(0), repeatability: nm(0) }),
  calipers: gauge('calipers', thou(1)),
}
const lot = (size: number): Lot => ({
  ...newLot({ id: `s${size}`, family: 'shims', nominal: thou(size), tags: [] }, true),
  measured: thou(size),
  onHand: 2,
})
const DRAWER = [40, 20, 1.9, 3, 2].map(lot)
const PRELOAD = twoSided(thou(4), thou(7), 'thou', { kind: 'book' })
/** A run: piece A and piece B at three places each, thou. */
const run = (no: number, ...six: number[]): PointReading[] =>
  ['A1', 'A2', 'A3', 'B1', 'B2', 'B3'].flatMap((at, i) => figures(`wire-1-${no}-${at}`, thou(six[i] ?? six[0]!)))
const crush = (
  readings: readonly PointReading[],
  setup: Record<string, string> = {},
  change: Partial<CheckDocument> = {},
  more: readonly Trial[] = [],
) =>
  evaluateCheck(
    checkOf('crush-wire', {
      family: 'shims',
      gauges: MIC,
      uRefit: nm(0),
      limits: {
        working: 'book',
        sets: { preload: { book: PRELOAD, shop: null }, play: { book: twoSided(thou(2), thou(4), 'thou', { kind: 'book' }), shop: null } },
      },
      trials: [trial('t1', readings), ...more],
      ...change,
      setup: { proof: 'none', ...setup },
    }),
    DRAWER,
  )
type Evaluation = ReturnType<typeof crush>
const at = (e: Evaluation, id: string) => e.current.results.find(result => result.id === id)!
const words = (e: Evaluation) =>
  at(e, 'crushed@1')
    .findings.map(({ words: text }) => text)
    .join(' ')
const three = [...run(1, 56.4), ...run(2, 56.3), ...run(3, 56.5)]

describe('56.4 thou of wire, preload 4 to 7', () => {
  it('wants a shim of 60.4 to 63.4, aimed at 61.9', () => {
    const { window, aim, request } = crush(three).places[0]!
    expect([window!.low / 25_400, window!.high / 25_400, aim!.target / 25_400]).toEqual([
      expect.closeTo(60.4, 3),
      expect.closeTo(63.4, 3),
      5.5,
    ])
    expect(answerRequest(request!).proposals[0]!.total).toBe(thou(61.9))
  })
  it('with end play 2 to 4 it wants 52.4 to 54.4', () => {
    const { window } = crush(three, { ends: 'play' }).places[0]!
    expect([window!.low / 25_400, window!.high / 25_400]).toEqual([expect.closeTo(52.4, 3), expect.closeTo(54.4, 3)])
  })
  it('a stack pressed together that measures 2 over its aim turns 5.5 into 7.5: out', () => {
    const packs = {
      'shim-1': [
        { lotId: 's40', count: 1 },
        { lotId: 's20', count: 1 },
        { lotId: 's1.9', count: 1 },
      ],
    }
    const fitted = (stack: readonly PointReading[]) =>
      crush(three, {}, {}, [trial('t2', stack, { packs, refitted: ['shim-1'], conditions: { left: 'long' } })])
    expect(at(fitted([]), 'preload@1')).toMatchObject({ state: 'in', estimate: { value: expect.closeTo(thou(5.5), -1) } })
    const over = fitted(figures('stack-shim-1', thou(63.9)))
    expect(at(over, 'preload@1')).toMatchObject({ state: 'above', estimate: { value: expect.closeTo(thou(7.5), -1) } })
    expect(
      at(over, 'preload@1')
        .findings.map(({ words: text }) => text)
        .join(),
    ).toContain('2.0 thou more')
  })
})

describe('runs', () => {
  it('all of them count, and their scatter: never the three that agree', () => {
    const e = crush([...run(1, 56.4), ...run(2, 56.4), ...run(3, 56.4), ...run(4, 58.4)], { runs: '4' })
    expect(at(e, 'crushed@1').estimate!.value).toBeCloseTo(thou(56.9), -1)
    expect(at(e, 'crushed@1').estimate!.u).toBeCloseTo(thou(1) / 2, -1)
    expect(words(e)).toContain('the runs lie 2.0 thou apart')
    const voided = [
      ...run(1, 56.4),
      ...run(2, 56.4),
      ...run(3, 56.4),
      ...run(4, 58.4).map(reading => ({ ...reading, voided: { reason: 'on letters' } })),
    ]
    expect(at(crush(voided, { runs: '4' }), 'crushed@1').estimate!.value).toBeCloseTo(thou(56.4), -1)
  })
  it('nothing is said of runs or calipers before there is one, and nothing more of the number from three on', () => {
    expect(words(crush([], { by: 'calipers' }))).toBe('')
    expect(words(crush(three))).not.toContain('Three runs tell')
    expect(words(crush([...run(1, 56.4), ...run(2, 56.4)]))).toContain('Three runs tell')
  })
  it('a run of which a place is lacking does not count', () => {
    expect(at(crush(run(1, 56.4).slice(1)), 'crushed@1').estimate).toBeNull()
    expect(at(crush([...run(1, 56.4), ...run(2, 60).slice(1)]), 'crushed@1').estimate!.n).toBe(1)
  })
  it('fewer than three: how it repeats is assumed, and said', () => {
    const e = crush(run(1, 56.4))
    expect(words(e)).toContain('Three runs tell how it repeats')
    expect(at(e, 'crushed@1').estimate!.u).toBeCloseTo(12_700, 0)
    expect(at(crush([...run(1, 56.4), ...run(2, 56.4)]), 'crushed@1').estimate!.u).toBeCloseTo(12_700 / Math.SQRT2, 0)
  })
  it('two runs 1.3 apart: each repeats by 1.3/√2, their mean is known to half of 1.3; nearer than that, to what is assumed', () => {
    const two = (second: number) => at(crush([...run(1, 56), ...run(2, second)]), 'crushed@1').estimate!
    expect(two(57.3).u).toBeCloseTo((1.3 * 25_400) / 2, 0)
    expect(two(57.3).U).toBeCloseTo(1.96 * 0.65 * 25_400, -2)
    // 0.7/√2 is just under the half thou that is assumed, 0.72/√2 just over it.
    expect(two(56.7).u).toBeCloseTo(12_700 / Math.SQRT2, 0)
    expect(two(56.72).u).toBeCloseTo(0.36 * 25_400, 0)
  })
  it('a piece that tapers, and two pieces that differ', () => {
    expect(words(crush(run(1, 56.4, 56.4, 57.1, 56.4, 56.4, 56.4)))).toContain('Run 1, piece A tapers by 0.7 thou')
    expect(words(crush(run(1, 56, 56, 56, 57.2, 57.2, 57.2)))).toContain('the two pieces differ by 1.2 thou')
    expect(words(crush(run(1, 56.4)))).not.toMatch(/tapers|differ/)
  })
})

describe('a shim of 40 where the wire says 38', () => {
  const packs = { 'shim-1': [{ lotId: 's40', count: 1 }] }
  const thick = crush(
    [...run(1, 38), ...run(2, 38), ...run(3, 38)],
    { ends: 'play' },
    { trials: [trial('t1', [...run(1, 38), ...run(2, 38), ...run(3, 38)], { packs })] },
  )
  it('leaves 2 thou less than nothing: a figure, since it is reckoned; 34 to 36 would do', () => {
    expect(at(thick, 'play@1')).toMatchObject({ state: 'below', estimate: expect.objectContaining({ value: thou(-2) }), atMost: null })
    expect(thick.places[0]!.window).toMatchObject({ low: thou(34), high: thou(36) })
    expect(thick.places[0]!.request!.question).toMatchObject({ bound: false, from: { play: thou(-2) } })
  })
})

describe('the wire', () => {
  const wire = (diameter: number) => crush(three, { wire: String(thou(diameter)) })
  it('not squashed, hardly, and over two thirds', () => {
    expect(
      at(wire(56), 'crushed@1').findings.some(({ level, words: text }) => level === 'fail' && text.includes('it was not squashed')),
    ).toBe(true)
    expect(wire(56).places[0]!.request).toBeNull()
    expect(words(wire(60))).toContain('Squashed by 6 % only')
    expect(words(wire(93.75))).not.toContain('Squashed')
    expect(words(wire(200))).toContain('over two thirds')
  })
  it('calipers are too coarse', () => expect(words(crush(three, { by: 'calipers' }))).toContain('Calipers are too coarse'))
})

describe('proved by turning torque', () => {
  const torque = { turning: { book: twoSided(1e9, 2e9, 'N·m', { kind: 'book' }), shop: null }, preload: { book: PRELOAD, shop: null } }
  const proof = { proof: 'gauge' }
  const limits = { working: 'book' as const, sets: torque }
  it('the first shim goes by the wire', () => {
    const e = crush(three, proof, { limits })
    expect(e.phase).toBe('choose')
    expect(answerRequest(e.places[0]!.request!).proposals[0]!.total).toBe(thou(61.9))
  })
  it('then by the slope that two fittings show', () => {
    const fitted = (id: string, size: string, turning: number) =>
      trial(id, [...ranges('turning-1', [turning * 1e9, turning * 1e9]), said('drag-1', 'slight'), said('side-play-1', 'none')], {
        packs: {
          'shim-1': [
            { lotId: 's40', count: 1 },
            { lotId: 's20', count: 1 },
            { lotId: size, count: 1 },
          ],
        },
        refitted: ['shim-1'],
      })
    const e = crush(three, proof, { limits }, [fitted('t2', 's1.9', 0.5), fitted('t3', 's3', 1.05)])
    expect(e.places[0]!.learned!.line!.slope * 25_400).toBeCloseTo(0.5e9, -6)
    expect(at(e, 'turning@1').estimate!.value).toBe(1.05e9)
  })
  it('a bearing replaced afterwards makes wire and torque stale', () => {
    const e = crush(three, proof, {
      limits,
      partChanges: [{ role: 'bearing-1', at: '2026-05-06T08:00:00.000Z', reason: 'new', order: 1e9 }],
    })
    expect(at(e, 'preload@1').stale).toContain('new')
  })
})

it('end play is what the dial reads where it was read, else what is reckoned', () => {
  const packs = { 'shim-1': [{ lotId: 's40', count: 1 }] }
  const dial = trial('t2', plays('dial-1', 13, 13, 13), { packs, refitted: ['shim-1'] })
  expect(at(crush(three, { ends: 'play' }, {}, [dial]), 'play@1').estimate!.value).toBe(thou(13))
  expect(at(crush(three, { ends: 'play' }, {}, [trial('t2', [], { packs, refitted: ['shim-1'] })]), 'play@1').estimate!.value).toBeCloseTo(
    thou(16.4),
    -1,
  )
})
