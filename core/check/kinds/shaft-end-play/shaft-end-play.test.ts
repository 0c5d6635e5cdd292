import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, gauge, plays, trial } from '../../../../tests/documents'
import { fit } from '../../../command/pack'
import { newLot } from '../../../command/found-pack'
import { thou } from '../../../quantity/length'
import { twoSided } from '../../../verdict/limits'
import { beforeAfter } from '../../evaluate/before-after'
import type { CheckDocument, Trial } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'

// A heavy automatic's input shaft, one race of three: common practice.
const RACES = (['thin', 'middle', 'thick'] as const).map((mark, i) => ({
  ...newLot({ id: mark, family: 'races', nominal: thou(56 + 10 * i), tags: [] }, true),
  measured: thou(56 + 10 * i),
  mark,
  onHand: mark === 'middle' ? 0 : 1,
}))
const race = (id: string) => ({ pack: [{ lotId: id, count: 1 }] })
const check = (trials: Trial[], change: Partial<CheckDocument> = {}) =>
  checkOf('shaft-end-play', {
    family: 'races',
    gauges: { ...GAUGES, 'dial-indicator': gauge('dial-indicator', thou(0.5)) },
    limits: { working: 'book', sets: { play: { book: twoSided(thou(19), thou(30), 'thou', { kind: 'book' }), shop: null } } },
    setup: { pack: 'single', seals: 'yes' },
    trials,
    ...change,
  })
const evaluate = (trials: Trial[], change: Partial<CheckDocument> = {}) => evaluateCheck(check(trials, change), RACES)
const asItCame = trial('t1', plays('travel', 33, 33, 33), { packs: race('middle'), conditions: { seals: 'in' } })
const dry = (readings: readonly number[], pack = 'middle', id = 't2') =>
  trial(id, plays('travel', ...readings), { packs: race(pack), refitted: ['pack'], conditions: { seals: 'out' } })

describe('a selective race', () => {
  it('measured with seals in is not held against the same race without: only the dry reading is reckoned from', () => {
    const e = evaluate([asItCame, dry([36, 36, 36])])
    expect(e.places[0]!.ledger).toMatchObject({ state: 'one', base: { value: thou(102), fittings: 1 } })
    // In the same state the two do contradict each other: one race, two plays.
    const wet = { ...dry([36, 36, 36]), conditions: { seals: 'in' } }
    expect(evaluate([asItCame, wet]).places[0]!.ledger.state).toBe('disagree')
  })
  it('as it came in it is provisional at best, and never signed so without a reason', () => {
    const inLimits = { ...asItCame, readings: plays('travel', 25, 25, 25) }
    const e = evaluate([inLimits])
    expect(e.state).toBe('provisional')
    expect(e.signOff.needsReason).toContain('seals: in')
  })
  it('of one that is in and not listed it is told by how much another must differ', () => {
    const note = (...figures: number[]) => evaluate([{ ...asItCame, packs: {}, readings: plays('travel', ...figures) }]).places[0]!.note
    expect(note(33, 33, 33)).toContain('It wants 3 to 14 thou thicker than what is in.')
    expect(note(12, 12, 12)).toContain('It wants 7 to 18 thou thinner than what is in.')
    expect(note(25, 25, 25)).not.toContain('It wants')
  })
  it('before stands beside after, and what the gauge is off is in both', () => {
    const e = evaluate([asItCame, dry([35, 35, 35]), dry([25, 25, 25], 'thick', 't3')])
    const [row] = beforeAfter(e.found, e.current)
    expect([row!.before!.estimate!.value, row!.after.estimate!.value, row!.change!.value]).toEqual([thou(33), thou(25), thou(-8)])
    expect(row!.change!.lines.find(({ source }) => source === 'gauge-error')!.u).toBe(0)
    // Never measured as it came in: there is no before.
    const none = evaluate([{ ...asItCame, readings: [] }, dry([25, 25, 25], 'thick')])
    expect(beforeAfter(none.found, none.current)[0]).toMatchObject({ before: null, change: null })
  })
  it('built again with the same race is held against what it read, but for what building does', () => {
    const document = check([asItCame])
    const command = {
      kind: 'fit',
      op: 'o',
      at: '2026-05-05T08:00:00.000Z',
      trialId: 't2',
      packs: [{ place: 'pack', pieces: race('middle').pack }],
    } as const
    const outcome = fit({ document, lots: RACES } as never, command as never)
    if (!outcome.ok) throw new Error(JSON.stringify(outcome))
    const [predicted] = outcome.happenings.flatMap(happening => (happening.type === 'fitted' ? [happening.trial.predicted] : []))
    expect(predicted!.play!.play).toBe(thou(33))
    expect(predicted!.play!.uOwn).toBeGreaterThan(document.uRefit * 0.999)
    expect(outcome.happenings.some(({ type }) => type === 'moved')).toBe(false)
  })
})
