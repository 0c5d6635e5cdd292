import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, gauge, plays, trial } from '../../../tests/documents'
import { newLot } from '../../command/found-pack'
import { nm, thou } from '../../quantity/length'
import type { Gauge } from '../../reading/gauge'
import { twoSided } from '../../verdict/limits'
import type { CheckDocument } from '../document'
import { evaluateCheck } from '../evaluate/evaluate-check'
import { answerOf } from './answer'
import { lookAt } from './look-at'

const lots = [2, 3, 5, 10].map(size => ({
  ...newLot({ id: `s${size}`, family: 'shims', nominal: thou(size), tags: [] }, true),
  onHand: 4,
  measured: thou(size),
}))
const VOICE = { system: 'inch', time: (at: string) => at } as const
/** One reading is ± 0.5 thou at one u, of which nothing is shared. */
const dial = (u: number, id = 'dial'): Gauge =>
  gauge('dial-indicator', thou(0.1), { id, name: `Dial ${id}`, readableFraction: 1, permissibleError: nm(0), repeatability: thou(u) })

function told(readings: readonly number[], more: Partial<CheckDocument> = {}, register: readonly Gauge[] = [], band = 3) {
  const document = checkOf('shaft-end-play', {
    setup: { pack: 'under-cover' },
    rule: 'careful',
    family: 'shims',
    gauges: { ...GAUGES, 'dial-indicator': dial(0.5) },
    limits: { working: 'book', sets: { play: { book: twoSided(thou(3), thou(3 + band), 'thou', { kind: 'book' }), shop: null } } },
    trials: [trial('t1', plays('travel', ...readings), { packs: { pack: [{ lotId: 's10', count: 1 }] } })],
    ...more,
  })
  return answerOf(lookAt(document, evaluateCheck(document, lots), lots, { register }), VOICE)
}

describe('the answer', () => {
  it('before anything is read: what is to be done, and whether the gauge can decide', () => {
    const answer = told([], {}, [dial(0.5), dial(0.05, 'fine')], 0.5)
    expect(answer).toMatchObject({ about: 'to-measure', sentence: 'Nothing measured with this fitting yet.', advice: null })
    // Two readings of 0.5: 1.96 × 0.5/√2 = 0.69 against 0.25; a step of 0.01 in proportion 0.07, a little over a quarter of that.
    expect(answer.ahead).toEqual({
      decides: false,
      key: 'dial-indicator',
      kind: 'dial-indicator',
      finer: [{ id: 'fine', name: 'Dial fine' }],
      words: 'A band of 0.5 thou: Dial dial tells it to ± 0.7 thou and cannot decide it. Finer in the register: Dial fine (± 0.1).',
    })
  })
  it('out of limits: the pack, its sum, and what the band points at', () => {
    const answer = told([9, 9, 9])
    expect(answer).toMatchObject({ about: 'pack', sum: '9.0 − 10 + 5 = 4.0 thou · chance in limits > 99 %' })
    expect(answer.sentence).toBe('Take out 10, put in 5: leaves 4.0 ± 0.6 thou, in limits.')
    expect(answer.foretold!.words).toBe('take out 10, put in 5')
  })
  it('in limits: nothing needs changing', () =>
    expect(told([4.5, 4.5, 4.5])).toMatchObject({
      advice: null,
      about: 'in',
      sentence: 'In limits: nothing needs changing. Ready to sign.',
    }))
})

describe('too close to call', () => {
  it('one more reading like these, where that settles it; no pack is told beside it', () => {
    // 5.7 ± 0.5 is 73 % in, of two readings 5.7 ± 0.35 is 80 %.
    const answer = told([5.7])
    expect(answer).toMatchObject({ about: 'close', advice: { by: 'reading', more: 1 }, foretold: null, sum: '', more: null })
    expect(answer.sentence).toBe('Too close to call: one more reading like these would settle it.')
  })
  it('a finer gauge of the register, where readings like these would not do', () => {
    const answer = told([5.9], {}, [dial(0.5), dial(0.02, 'fine')])
    expect(answer.advice).toMatchObject({ by: 'gauge', gauge: { id: 'fine' } })
    expect(answer.sentence).toBe('Too close to call: read it with Dial fine, which tells it to ± 0.1 thou.')
  })
  it('leave it with a reason, where a refit gains too little for its trouble; another pack, where it gains enough', () => {
    // 5.9 ± 0.5: 58 % in, of six readings 69 %. A refit to 4.9 would make 98 %: 40 points for ten readings are worth it, for thirty they are not.
    const one = told([5.9], { uRefit: nm(0) })
    expect(one.advice).toMatchObject({ by: 'refit' })
    expect(one.sentence).toMatch(/^Too close to call\. Take out 10, put in .*in limits\.$/)
    const dear = told([5.9], { uRefit: nm(0), refitCost: 30 })
    expect(dear.advice).toMatchObject({ by: 'reason' })
    expect(dear.sentence).toBe('Too close to call, 58 % in limits. Nothing else is worth its trouble: leave it, and sign it with a reason.')
  })
  it('a pack that somebody picked is told as such', () => {
    const document = checkOf('shaft-end-play', {
      setup: { pack: 'under-cover' },
      rule: 'careful',
      family: 'shims',
      gauges: { ...GAUGES, 'dial-indicator': dial(0.5) },
      limits: { working: 'book', sets: { play: { book: twoSided(thou(3), thou(6), 'thou', { kind: 'book' }), shop: null } } },
      trials: [trial('t1', plays('travel', 5.7), { packs: { pack: [{ lotId: 's10', count: 1 }] } })],
      refitCost: 50,
    })
    const look = { ...lookAt(document, evaluateCheck(document, lots), lots), phase: 'choose' as const, picked: true }
    expect(answerOf(look, VOICE)).toMatchObject({ about: 'pack' })
    expect(answerOf({ ...look, picked: false }, VOICE)).toMatchObject({ about: 'close' })
  })
})
