import { runs } from '../../tests/runs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nm, thou, type Nm } from '../quantity/length'
import { twoSided } from '../verdict/limits'
import { lapProgress, madeThickness, type LapPass } from './lapping'
import { lotMap, packTotal, thickness, type Lot, type Pack } from './lot'
import { makePlan, type MakeRequest } from '../choice/answer/make-plan'
import { asked } from '../../tests/questions'
import { lotOf } from '../../tests/pieces'

const pass = (...tenths: number[]): LapPass => ({
  id: `p${tenths.join()}`,
  at: '2026-05-04T09:00:00.000Z',
  figures: tenths.map(t => thou(t / 10)),
})
const lap = (...passes: LapPass[]) => lapProgress({ target: thou(10), low: thou(9.5), high: thou(10.5), passes }, 'thou')

describe('a piece being lapped', () => {
  it('asks for its four figures first', () =>
    expect(lap()).toMatchObject({
      state: 'measure',
      thickest: null,
      words: ['Measure it at 4 points before the first pass: cold, clean, deburred.'],
    }))
  it('says what is left, coarse first, then fine', () => {
    expect(lap(pass(112, 112, 112, 112))).toMatchObject({
      state: 'lap',
      left: thou(1.2),
      does: false,
      words: ['1.20 thou left: coarse, and measure it cold.'],
    })
    expect(lap(pass(104, 104, 104, 104))).toMatchObject({ state: 'lap', does: true, words: ['0.40 thou left: fine, and measure it cold.'] })
  })
  it('goes by the newest pass; parallelism is the largest less the smallest, and the thick side is named', () => {
    const { thickest, parallelism, words } = lap(pass(120, 120, 120, 120), pass(110, 112, 116, 112))
    expect([thickest, parallelism]).toEqual([thou(11.6), thou(0.6)])
    expect(words[1]).toBe('Its faces are 0.60 thou out of parallel: press at point 3, where it is thickest.')
  })
  it('stops at size, and below it; too thin may still do', () => {
    expect(lap(pass(100, 100, 100, 100)).words).toEqual(['Stop: at size. Wash it, let it cool, measure once more.'])
    expect(lap(pass(100, 100, 100, 100))).toMatchObject({ state: 'size', does: true })
    expect(lap(pass(98, 98, 98, 98))).toMatchObject({
      state: 'below',
      does: true,
      words: ['Stop: below target by 0.20 thou. It still lies within what would do.'],
    })
    expect(lap(pass(93, 93, 93, 93))).toMatchObject({
      state: 'below',
      does: false,
      words: ['Stop: below target by 0.70 thou. It is too thin: begin with another piece.'],
    })
  })
  it('counts its thickest point, and never says stop and press in one breath', () => {
    // Its mean is at size; at point 3 it would still bind.
    expect(lap(pass(96, 100, 104, 100))).toMatchObject({ state: 'lap', left: thou(0.4) })
    const { state, words } = lap(pass(95, 99, 100, 99))
    expect(state).toBe('size')
    expect(words.join(' ')).toContain('Take it as it is')
    expect(words.join(' ')).not.toContain('press at')
  })
  it('goes into stock with its thickest point', () => expect(madeThickness(pass(100, 101, 103, 102))).toBe(thou(10.3)))
})

const lot = (id: string, size: number, more: Partial<Lot> = {}): Lot => lotOf(id, thou(size), { family: 'f', ...more })
const request = (drawer: Lot[], play: number, fitted: Pack, more: Partial<MakeRequest> = {}): MakeRequest => ({
  drawer,
  lappable: true,
  sheets: [],
  fitted,
  response: { perPiece: -1, pair: false },
  rules: { most: 2 },
  question: asked({
    measured: { play: thou(play), u: 1_000, nu: Infinity },
    uRefit: 1_000,
    aim: thou(3),
    limits: twoSided(thou(2.5), thou(3.5), 'thou', { kind: 'book' }),
    unit: 'thou',
    cannotBind: 'above',
  }),
  ...more,
})

describe('what to make where the drawer does not have it', () => {
  it('laps the excess off the thickest flat piece, least to take off first, and lands on the aim', () => {
    // A gap of 31 with nothing fitted: 28 is wanted. 30 and 20 + 10 are two over, 20 + 9 is one over.
    const [first, second] = makePlan(request([lot('30', 30), lot('20', 20), lot('10', 10), lot('9', 9)], 31, []))
    expect(first).toMatchObject({
      from: { id: '20' },
      amount: thou(1),
      target: thou(19),
      rest: [{ lotId: '9', count: 1 }],
      low: thou(18.5),
      high: thou(19.5),
    })
    expect(first!.predicted.play).toBe(thou(3))
    expect(first!.inside).toBeGreaterThan(0.95)
    expect(second).toMatchObject({ from: { id: '30' }, amount: thou(2), rest: [] })
  })
  it('where a thicker pack gives more play, too thick lies above the aim', () => {
    const [first] = makePlan(
      request([lot('20', 20), lot('12', 12)], 0, [{ lotId: '12', count: 1 }], {
        response: { perPiece: 1, pair: false },
        rules: { most: 1 },
      }),
    )
    expect(first).toMatchObject({ from: { id: '20' }, target: thou(15), amount: thou(5) })
  })
  it('cuts from sheet where that lands in limits, and laps sheet before a finished piece', () => {
    const cut = makePlan(request([lot('20', 20)], 31, [], { sheets: [lot('s8', 8, { shape: 'sheet', onHand: 1 })] }))
    expect(cut[0]).toMatchObject({ from: { id: 's8' }, amount: 0, target: thou(8), rest: [{ lotId: '20', count: 1 }] })
    const lapped = makePlan(request([lot('20', 20)], 31, [], { sheets: [lot('s9', 9, { shape: 'sheet', onHand: 1 })] }))
    expect(lapped[0]).toMatchObject({ from: { id: 's9' }, amount: thou(1), target: thou(8) })
  })
  it('never laps a stepped or sprung piece, nor the one that must be there, nor more than half a piece', () => {
    const plan = (...lots: Lot[]) => makePlan(request(lots, 31, [], { rules: { most: 1, required: 'r' } })).map(({ from }) => from.id)
    expect(plan(lot('r', 30))).toEqual([])
    expect(
      makePlan(request([lot('s', 30, { shape: 'stepped' }), lot('t', 29, { shape: 'sprung' })], 31, [], { rules: { most: 1 } })),
    ).toEqual([])
    expect(makePlan(request([lot('w', 4)], 4.5, [], { rules: { most: 1 } }))).toEqual([])
  })
  it('is not offered for equal pairs', () =>
    expect(makePlan(request([lot('30', 30)], 31, [], { response: { perPiece: -1, pair: true } }))).toEqual([]))
  it('always lands on the aim, with the piece and the rest adding up (property)', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 5, max: 40 }), { minLength: 2, maxLength: 6 }),
        fc.integer({ min: 10, max: 60 }),
        (sizes, play) => {
          const drawer = sizes.map(size => lot(String(size), size))
          for (const option of makePlan(request(drawer, play, [], { rules: { most: 3 } }))) {
            const total = packTotal(option.rest, lotMap(drawer)) + option.target
            expect(thou(play) - total).toBe(thou(3))
            expect(option.target + option.amount).toBe(thickness(option.from))
            expect(option.amount).toBeLessThan(thickness(option.from) / 2)
            expect(option.low! <= (option.target as Nm) && option.target <= option.high!).toBe(true)
            expect(nm(option.high! - option.low!)).toBe(thou(1))
          }
        },
      ),
      { numRuns: runs(100) },
    )
  })
})
