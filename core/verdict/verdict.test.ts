import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nm, thou, mm } from '../quantity/length'
import { aimPoint } from './aim'
import { chanceInLimits } from './chance'
import { gaugeFit, judge } from './decide'
import { bandOf, describeLimits, limitsFault, twoSided, type LimitSet } from './limits'
import { PLAY_WORDS, verdictWord } from './words'

const book = { kind: 'book' as const }
const band: LimitSet = { kind: 'two-sided', lower: thou(19), upper: thou(30), unit: 'thou', source: book }
const known = (value: number, u = 0.4, nu = Infinity) => ({ value: thou(value), u: thou(u), nu })

describe('the verdict', () => {
  it('18 on 19–30 is Tight, 19 is In by the plain rule and too close to call by the guarded one', () => {
    expect(judge(known(18, 0.3), band, 'plain')).toMatchObject({ plain: 'below', guarded: 'below' })
    expect(judge(known(19), band, 'plain')).toMatchObject({ plain: 'in', guarded: 'close', state: 'in' })
    expect(judge(known(19), band, 'guarded').state).toBe('close')
    expect(verdictWord('below', PLAY_WORDS)).toBe('Tight')
  })
  it('judges in the unit the limit was given in: 0.04 mm is not 0.0016 in', () => {
    const metric: LimitSet = { kind: 'upper', upper: mm(0.04), unit: 'mm', source: book }
    expect(judge({ value: thou(1.6), u: 1, nu: Infinity }, metric, 'plain').plain).toBe('above')
    expect(judge({ value: mm(0.04), u: 1, nu: Infinity }, metric, 'plain').plain).toBe('in')
  })
  it('keeps an excluded end out: some play, never zero', () => {
    const some: LimitSet = { kind: 'two-sided', lower: nm(0), lowerExcluded: true, upper: mm(0.05), unit: 'mm', source: book }
    expect(judge({ value: 0, u: 1, nu: Infinity }, some, 'plain').plain).toBe('below')
    expect(judge({ value: 1, u: 1, nu: Infinity }, some, 'plain').plain).toBe('in')
    expect(describeLimits(some)).toBe('over 0, up to 0.05 mm')
    expect(describeLimits(some, 'thou')).toBe('over 0, up to 1.97 thou')
  })
  it('knows one-sided limits, one figure, and none', () => {
    const lower: LimitSet = { kind: 'lower', lower: thou(2), unit: 'thou', source: book }
    const upper: LimitSet = { kind: 'upper', upper: thou(2), unit: 'thou', source: book }
    const figure: LimitSet = { kind: 'figure', figure: thou(3), unit: 'thou', source: book }
    expect(judge(known(1, 0.1), lower, 'guarded').state).toBe('below')
    expect(judge(known(9, 0.1), lower, 'guarded').state).toBe('in')
    expect(judge(known(9, 0.1), upper, 'guarded').state).toBe('above')
    expect(judge(known(9), figure, 'guarded')).toEqual({
      plain: 'no-limit',
      careful: 'no-limit',
      guarded: 'no-limit',
      state: 'no-limit',
      chance: null,
    })
    expect(judge(known(9), null, 'plain').state).toBe('no-limit')
    expect([bandOf(lower), bandOf(upper), bandOf(band), bandOf(null)]).toEqual([null, thou(2), thou(11), null])
  })
  it('has chances that add up to one, and at most a half beyond a limit it sits on (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 0.01, max: 20, noNaN: true }),
        fc.constantFrom(1, 2, 3, 10, Infinity),
        (value, u, nu) => {
          const chance = chanceInLimits({ value: value * 25400, u: u * 25400, nu }, band)!
          expect(chance.inside + chance.below + chance.above).toBeCloseTo(1, 9)
          if (value < 19) expect(chance.inside).toBeLessThan(0.5)
        },
      ),
    )
  })
  it('refuses limits that make no sense', () => {
    expect(limitsFault({ ...band, lower: thou(31) })).toContain('above the upper')
    expect(limitsFault({ kind: 'upper', unit: 'thou', source: book })).toContain('missing')
    expect(limitsFault(band)).toBeNull()
  })
})

describe('is the gauge fit for the job', () => {
  it('a dial readable to 1 thou cannot decide a band of 1.2 thou', () => {
    const narrow: LimitSet = { kind: 'two-sided', lower: thou(2), upper: thou(3.2), unit: 'thou', source: book }
    const U = (1.96 * thou(1)) / Math.sqrt(6)
    const { answer, ratio } = gaugeFit(U, narrow)
    expect(answer).toBe('cannot-decide')
    expect(ratio).toBeCloseTo(1.33, 2)
    expect(gaugeFit(thou(0.4), band).answer).toBe('fit')
    expect(gaugeFit(thou(2), band).answer).toBe('wide')
    expect(gaugeFit(thou(2), null).answer).toBe('no-band')
    // A quarter of half the band is fit yet, all of it can decide yet.
    const eight: LimitSet = { kind: 'two-sided', lower: thou(0), upper: thou(8), unit: 'thou', source: book }
    expect([1, 1.1, 4, 4.1].map(U => gaugeFit(thou(U), eight).answer)).toEqual(['fit', 'wide', 'wide', 'cannot-decide'])
  })
})

describe('the aim', () => {
  const predicted = { u: thou(0.3), nu: Infinity, U: thou(0.6) }
  it('follows the school', () => {
    expect(aimPoint({ school: 'middle' }, band, predicted, null)).toEqual({ target: thou(24.5), words: 'middle of the limits' })
    expect(aimPoint({ school: 'tight' }, band, predicted, null)!.target).toBe(thou(19.6))
    expect(aimPoint({ school: 'loose' }, band, predicted, null)!.target).toBe(thou(29.4))
    expect(aimPoint({ school: 'as-found' }, band, predicted, thou(22))!.target).toBe(thou(22))
    expect(aimPoint({ school: 'own', own: thou(25) }, band, predicted, null)!.target).toBe(thou(25))
  })
  it('gives way to the middle when the point leaves too little chance, and says so', () => {
    const point = aimPoint({ school: 'own', own: thou(19.1) }, band, predicted, null)!
    expect(point.target).toBe(thou(24.5))
    expect(point.caution).toContain('middle is used')
    const narrow: LimitSet = { ...band, upper: thou(19.5) }
    expect(aimPoint({ school: 'middle' }, narrow, predicted, null)!.caution).toContain('narrow')
  })
  it('says why the middle is used where a school has no point of its own', () => {
    const why = (school: 'own' | 'as-found' | 'tight') =>
      aimPoint({ school }, { kind: 'upper', upper: thou(2), unit: 'thou', source: book }, predicted, null)!.caution
    expect(why('own')).toBe('No figure given: the middle is used.')
    expect(why('as-found')).toBe('There is no measurement from before: the middle is used.')
    expect(why('tight')).toBe('There is no tight end here: the middle is used.')
  })
  it('has nothing to aim at without limits, and a figure when one is recommended', () => {
    expect(aimPoint({ school: 'middle' }, null, predicted, null)).toBeNull()
    expect(aimPoint({ school: 'own', own: thou(3) }, null, predicted, null)!.target).toBe(thou(3))
    expect(aimPoint({ school: 'middle' }, { kind: 'figure', figure: thou(3), unit: 'thou', source: book }, predicted, null)!.target).toBe(
      thou(3),
    )
    expect(aimPoint({ school: 'tight' }, { kind: 'upper', upper: thou(2), unit: 'thou', source: book }, predicted, null)!.target).toBe(
      thou(1),
    )
  })
})

describe('a figure known exactly', () => {
  const limits = twoSided(thou(2), thou(4), 'thou', { kind: 'book' })
  it.each([
    [2, 1, 0, 0],
    [4, 1, 0, 0],
    [1.9, 0, 1, 0],
    [4.1, 0, 0, 1],
  ])('%d: inside %d, below %d, above %d', (figure, inside, below, above) => {
    expect(chanceInLimits({ value: thou(figure), u: 0, nu: Infinity }, limits)).toEqual({ inside, below, above })
  })
  it('a band of nothing decides nothing', () => {
    expect(gaugeFit(100, twoSided(thou(2), thou(2), 'thou', { kind: 'book' })).answer).toBe('no-band')
    expect(gaugeFit(100, null).answer).toBe('no-band')
  })
})
