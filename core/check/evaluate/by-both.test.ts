import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, gauge, plays, trial } from '../../../tests/documents'
import { nm, thou } from '../../quantity/length'
import type { Estimate } from '../../reading/estimate'
import { twoSided } from '../../verdict/limits'
import type { CheckDocument } from '../document'
import { checkBlocks } from '../../report/check-blocks'
import { answerOf } from '../sentence/answer'
import { bothInWords } from '../sentence/both-words'
import { lookAt } from '../sentence/look-at'
import { meanOfBoth } from './by-both'
import { evaluateCheck } from './evaluate-check'

const reading = (value: number, own: number, shared: number) =>
  ({
    value,
    lines: [
      { source: 'repeatability', words: '', u: own, nu: Infinity, shared: false },
      { source: 'gauge-error', words: '', u: shared, nu: Infinity, shared: true },
    ],
  }) as unknown as Estimate

describe('a reading and its prediction together', () => {
  it('by hand: own u of 3 and 4 weigh 16 to 9, and leave 2.4; what both share counts once', () => {
    const { value, u } = meanOfBoth(reading(100, 3, 5), { play: 110, u: Math.hypot(4, 5), uOwn: 4 })
    expect(value).toBeCloseTo((16 * 100 + 9 * 110) / 25, 9)
    expect(u).toBeCloseTo(Math.hypot(2.4, 5), 9)
  })
  it('what is known for sure decides alone', () => {
    expect(meanOfBoth(reading(100, 0, 0), { play: 110, u: 4, uOwn: 4 })).toMatchObject({ value: 100, u: 0 })
    expect(meanOfBoth(reading(100, 3, 0), { play: 110, u: 0, uOwn: 0 })).toMatchObject({ value: 110, u: 0 })
  })
})

/** ± 0.5 thou a reading, none of it shared; limits 3 to 6. */
const dial = gauge('dial-indicator', thou(0.1), { readableFraction: 1, permissibleError: nm(0), repeatability: thou(0.5) })
const proved = (read: number, foretold: number, more: Partial<CheckDocument> = {}) => evaluateCheck(documentOf(read, foretold, more), [])
function documentOf(read: number, foretold: number, more: Partial<CheckDocument> = {}): CheckDocument {
  return checkOf('shaft-end-play', {
    setup: { pack: 'under-cover' },
    rule: 'careful',
    gauges: { ...GAUGES, 'dial-indicator': dial },
    limits: { working: 'book', sets: { play: { book: twoSided(thou(3), thou(6), 'thou', { kind: 'book' }), shop: null } } },
    trials: [
      // What was in there is not known: the proof has nothing but its prediction to be held against.
      trial('t1', plays('travel', 9), { unlisted: ['pack'] }),
      trial('t2', plays('travel', read), {
        packs: { pack: [] },
        refitted: ['pack'],
        predicted: { play: { play: thou(foretold), u: thou(0.4), uOwn: thou(0.4) } },
      }),
    ],
    ...more,
  })
}

describe('the proof', () => {
  it('what is too close to call by its reading is in by both, and says so', () => {
    // 5.7 ± 0.5 is 73 % in; with 4.8 ± 0.4 it is (0.16 × 5.7 + 0.25 × 4.8)/0.41 = 5.15 ± 0.31: 99.7 %.
    const { headline, state } = proved(5.7, 4.8)
    expect(headline.verdict.working).toMatchObject({ state: 'close' })
    expect(headline.both!.value / thou(1)).toBeCloseTo(5.151, 3)
    expect(headline.both!.u / thou(1)).toBeCloseTo(0.312, 3)
    expect([headline.state, state]).toEqual(['in', 'in'])
  })
  it('never brings in what the reading alone puts out', () => {
    expect(proved(6.2, 5.4).headline).toMatchObject({ state: 'close', both: null })
    expect(proved(7.5, 5.9).headline).toMatchObject({ state: 'above', both: null })
  })
  it('under the guarded rule, without agreement, or without a prediction the reading alone judges', () => {
    expect(proved(5.7, 4.8, { rule: 'guarded' }).headline).toMatchObject({ state: 'close', both: null })
    // 1.9 off where 2 × √(0.25 + 0.16) = 1.28 is allowed.
    expect(proved(5.7, 3.8).headline).toMatchObject({ state: 'close', both: null })
  })
  it('a prediction dies with the part it rests on', () => {
    const change = { role: 'shaft', at: '2026-05-05T00:00:00Z', reason: 'new', order: Infinity }
    expect(proved(5.7, 4.8, { partChanges: [change] }).headline).toMatchObject({ predicted: null, residual: null, both: null })
  })
})

describe('under its own name', () => {
  const LOTS: never[] = []
  const evaluation = proved(5.7, 4.8)
  it('wherever it is told: the sentence, the report', () => {
    const words = 'by reading and prediction together 5.2 ± 0.6 thou, > 99 % in limits; the reading alone is too close to call'
    expect(bothInWords(evaluation.headline.both!, 'thou')).toBe(words)
    const document = documentOf(5.7, 4.8)
    const look = { ...lookAt(document, evaluation, LOTS), phase: 'prove' as const }
    expect(answerOf(look, { system: 'inch', time: at => at }).sentence).toBe(`In limits: ${words}.`)
    const open = documentOf(5.7, 4.8, { ticks: [] })
    const unticked = { ...lookAt(open, evaluateCheck(open, LOTS), LOTS), phase: 'prove' as const }
    expect(answerOf(unticked, { system: 'inch', time: at => at }).sentence).toBe(
      'In limits by reading and prediction together, provisional until every required step is ticked.',
    )
    const blocks = checkBlocks({ check: document, evaluation }, { length: 'page', time: at => at })
    expect(JSON.stringify(blocks)).toContain(`End play: ${words}.`)
    expect(
      JSON.stringify(checkBlocks({ check: document, evaluation: proved(4.8, 4.8) }, { length: 'page', time: at => at })),
    ).not.toContain('together')
  })
})
