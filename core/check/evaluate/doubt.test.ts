import { describe, expect, it } from 'vitest'
import { checkOf, plays, trial } from '../../../tests/documents'
import { newLot } from '../../command/found-pack'
import { thou } from '../../quantity/length'
import { twoSided } from '../../verdict/limits'
import { checkBlocks } from '../../report/check-blocks'
import { answerOf } from '../sentence/answer'
import { closingCard } from '../sentence/closing-card'
import { lookAt } from '../sentence/look-at'
import { evaluateCheck } from './evaluate-check'

const LOTS = [{ ...newLot({ id: 's10', family: 'shims', nominal: thou(10), tags: [] }, true), onHand: 9 }]
const voice = { system: 'inch', time: (at: string) => at } as const
/** An input shaft of 3 to 8 thou: 20 thou of shims read 18, then one of ten out. */
const fitted = (read: number, foretold: number) =>
  checkOf('shaft-end-play', {
    setup: { pack: 'under-cover' },
    rule: 'careful',
    limits: { working: 'book', sets: { play: { book: twoSided(thou(3), thou(8), 'thou', { kind: 'book' }), shop: null } } },
    trials: [
      trial('t1', plays('travel', 18), { packs: { pack: [{ lotId: 's10', count: 2 }] } }),
      trial('t2', plays('travel', read), {
        packs: { pack: [{ lotId: 's10', count: 1 }] },
        refitted: ['pack'],
        predicted: { play: { play: thou(foretold), u: thou(0.4), uOwn: thou(0.4) } },
      }),
    ],
  })

describe('a named fault colours everything after it', () => {
  const document = fitted(5, 8)
  const evaluation = evaluateCheck(document, LOTS)
  it('the headline, the sentence, the card, the report: in limits, and it did not move as it should', () => {
    // Ten thou came out and it moved by 13.
    expect(evaluation.headline).toMatchObject({ state: 'doubted', doubt: 'it did not move as it should' })
    expect([evaluation.state, evaluation.word]).toEqual(['doubted', 'In, but it did not move as it should'])
    expect(evaluation.phase).toBe('prove')
    expect(answerOf(lookAt(document, evaluation, LOTS), voice).sentence).toBe(
      'Predicted 8.0, measured 5.0: it did not move as it should. Look into it, or sign it with a reason.',
    )
    expect(closingCard(document, evaluation, voice)).toMatchObject({
      state: 'doubted',
      answer: 'In 5.0 thou, limits 3 – 8 thou, but it did not move as it should',
    })
    const blocks = checkBlocks({ check: document, evaluation }, { length: 'page', time: at => at })
    expect(JSON.stringify(blocks)).toContain('"Verdict","In, but it did not move as it should"')
    expect(evaluation.signOff.needsReason).toContain('the proof is 3.0 thou off what was predicted')
  })
  it('fittings that do not agree, where the proof itself would do', () => {
    // Foretold by hand near what was read; the fittings say 8.
    const apart = fitted(5, 5)
    const told = evaluateCheck(apart, LOTS)
    expect(told).toMatchObject({ state: 'doubted', word: 'In, but the fittings do not agree' })
    expect(answerOf(lookAt(apart, told, LOTS), voice).sentence).toBe(
      'In limits, but the fittings do not agree: look into it, or sign it with a reason.',
    )
  })
  it('what moved as it should is in, and nothing is said', () => {
    expect(evaluateCheck(fitted(7.6, 8), LOTS)).toMatchObject({ state: 'in', word: 'In' })
  })
  it('out of limits stays out, whatever speaks against it', () => {
    expect(evaluateCheck(fitted(1, 8), LOTS)).toMatchObject({ state: 'below', word: 'Tight' })
  })
})
