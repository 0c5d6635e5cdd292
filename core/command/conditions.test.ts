import { describe, expect, it } from 'vitest'
import { done } from '../../tests/bench'
import { GAUGES, checkOf, plays, said, trial } from '../../tests/documents'
import { thou } from '../quantity/length'
import { twoSided } from '../verdict/limits'
import type { Bench, Command } from './command'
import { decide } from './decide'
import { evaluateCheck } from '../check/evaluate/evaluate-check'
import { checkKind } from '../check/registry'
import { stateBefore } from '../check/said'
import { newLot } from './found-pack'

const AT = '2026-05-04T08:00:00.000Z'
let op = 0
const head = () => ({ op: `o${op++}`, at: AT })
const piece = (id: string, thick: number, shape: 'flat' | 'stepped') => ({
  ...newLot({ id, family: 'pieces', nominal: thou(thick), tags: [] }, true),
  onHand: 3,
  shape,
})
const hub: Bench = {
  document: checkOf('taper-hub', {
    limits: { working: 'book', sets: { play: { book: twoSided(thou(2), thou(6), 'thou', { kind: 'book' }), shop: null } } },
    gauges: GAUGES,
    trials: [
      trial('t1', [...['tracks', 'rust', 'water'].map(point => said(point, 'good')), ...plays('travel', 4, 4, 4)], {
        packs: { spacers: [{ lotId: 's', count: 1 }] },
      }),
    ],
  }),
  lots: [piece('s', 32, 'stepped'), piece('p', 8, 'flat')],
  reserves: {},
}
const say = (condition: string, state: string, of = 't1'): Command => ({ ...head(), kind: 'say', condition, trial: of, state })
const clear = (item: string, how: 'done' | 'accepted' | 'open' = 'done', by = 'T. Marl', of = 't1'): Command => ({
  ...head(),
  kind: 'clear',
  item,
  trial: of,
  how,
  by,
})
const refusal = (bench: Bench, command: Command) => {
  const outcome = decide(bench, command)
  return outcome.ok ? null : [outcome.code, outcome.faults[0]!.path]
}
const asAsked = done(hub, say('bearings', 'dry'), say('seals', 'out'), say('torque', 'full'))

describe('the state the unit is in', () => {
  it('is said of the present fitting; the newest word counts', () => {
    const after = done(asAsked, say('bearings', 'greased'))
    expect(after.document.trials[0]!.conditions).toEqual({ bearings: 'greased', seals: 'out', torque: 'full' })
  })
  it('is one the kind knows, of the fitting that is in', () => {
    expect(refusal(hub, say('ghost', 'dry'))).toEqual(['invalid', 'condition'])
    expect(refusal(hub, say('bearings', 'wet'))).toEqual(['invalid', 'state'])
    expect(refusal(hub, say('bearings', 'dry', 't0'))).toEqual(['conflict', 'trial'])
  })
  it('is asked again of the next fitting; as before is not said by itself', () => {
    const fit = (...pieces: { lotId: string; count: number }[]): Command => ({
      ...head(),
      kind: 'fit',
      trialId: 't2',
      packs: [{ place: 'spacers', pieces }],
    })
    const after = done(asAsked, fit({ lotId: 's', count: 1 }, { lotId: 'p', count: 1 }))
    const { conditions, signOff } = evaluateCheck(after.document, after.lots)
    expect(conditions.map(({ condition, is }) => [condition.id, is, stateBefore(after.document, condition)])).toEqual([
      ['bearings', 'not-said', 'dry'],
      ['seals', 'not-said', 'out'],
      ['torque', 'not-said', 'full'],
    ])
    expect(signOff.blockers).toContain('Still to say: Bearings.')
    // What was said of the first fitting stays with it.
    expect(after.document.trials[0]!.conditions).toEqual({ bearings: 'dry', seals: 'out', torque: 'full' })
    // Without the one stepped spacer, or with two of it, nothing is fitted.
    expect(refusal(asAsked, fit({ lotId: 'p', count: 1 }))).toEqual(['invalid', 'packs.0.pieces'])
    expect(refusal(asAsked, fit({ lotId: 's', count: 2 }))).toEqual(['invalid', 'packs.0.pieces'])
  })
})

describe('what is pending', () => {
  const sign: Command = { ...head(), kind: 'sign', by: 'T. Marl', reason: null, accepts: ['turns'] }
  const ticked = done(asAsked, ...['step-up'].map((step): Command => ({ ...head(), kind: 'tick', step, trial: 't1', ticked: true })))
  it('is accepted by name with the signature, and cleared also after it; the check itself stays as signed', () => {
    const signed = done(ticked, sign)
    expect(signed.document.clearings).toMatchObject([{ item: 'turns', how: 'accepted', by: 'T. Marl', trial: 't1' }])
    const after = done(signed, clear('seals', 'done', ' A. Skua '))
    expect(after.document.clearings.at(-1)).toMatchObject({ item: 'seals', how: 'done', by: 'A. Skua' })
    expect({ ...after.document, clearings: [] }).toEqual({ ...signed.document, clearings: [] })
    expect(after.document.clearings[1]!.order).toBeGreaterThan(after.document.clearings[0]!.order)
  })
  it('opened again to fit a seal, states, ticks and the word are asked again before the same pack is signed anew', () => {
    const reopen: Command = { ...head(), kind: 'reopen', by: 'T. Marl', reason: 'seal fitted' }
    const opened = done(ticked, sign, reopen)
    expect(refusal(opened, sign)).toEqual(['invalid', ''])
    const word: Command = { ...head(), kind: 'read', trialId: 't1', reading: { id: 'w', point: 'hand', at: AT, word: 'none' } }
    const again = done(opened, word)
    expect(again.document.trials).toHaveLength(1)
    expect(refusal(again, sign)).toEqual(['invalid', ''])
    expect(again.document.struck).toContainEqual({
      what: 'state',
      id: 'seals',
      trial: 't1',
      said: 'out',
      order: again.document.reopened!.order,
    })
    expect(again.document.struck.filter(({ what }) => what === 'step')).toHaveLength(ticked.document.ticks.length)
    const said_ = done(again, say('bearings', 'dry'), say('seals', 'out'), say('torque', 'full'))
    const words = ['tracks', 'rust', 'water'].map((point, i): Command => ({
      ...head(),
      kind: 'read',
      trialId: 't1',
      reading: { id: `w${i}`, point, at: AT, word: 'good' },
    }))
    const steps = checkKind('taper-hub')
      .procedure(hub.document.setup)
      .filter(({ required, of }) => required && of !== 'refit')
    const all = done(
      said_,
      ...words,
      ...steps.map((step): Command => ({ ...head(), kind: 'tick', step: step.id, trial: 't1', ticked: true })),
    )
    expect(refusal(all, sign)).toBeNull()
    // What was pending then is pending again.
    expect(refusal(again, clear('turns'))).toBeNull()
  })
  it('is there, of the fitting that is in, and cleared by somebody', () => {
    expect(refusal(asAsked, clear('ghost'))).toEqual(['invalid', 'item'])
    expect(refusal(asAsked, clear('turns', 'done', ' '))).toEqual(['invalid', 'by'])
    expect(refusal(asAsked, clear('turns', 'done', 'T', 't0'))).toEqual(['conflict', 'trial'])
    expect(refusal(ticked, { ...sign, accepts: ['ghost'] } as Command)).toEqual(['invalid', 'accepts'])
    // Measured greased, nothing is left to be greased.
    expect(refusal(done(asAsked, say('bearings', 'greased')), clear('bearings'))).toEqual(['invalid', 'item'])
  })
})
