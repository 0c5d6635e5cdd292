import { describe, expect, it } from 'vitest'
import { checkOf, gauge, GAUGES, plays, ranges, said, trial } from '../../../tests/documents'
import { nm, thou } from '../../quantity/length'
import { twoSided } from '../../verdict/limits'
import type { PointReading } from '../document'
import { askedAgain, evaluateCheck } from '../evaluate/evaluate-check'
import { answerOf } from '../sentence/answer'
import { lookAt } from '../sentence/look-at'

/** Readings in the order they were taken. */
const inTurn = (...readings: readonly PointReading[][]): PointReading[] =>
  readings.flatMap((some, order) => some.map(reading => ({ ...reading, order })))
const NM = 1e9
const turning = (torque: number) => [0, 1, 2].flatMap(() => ranges('turning-left', [torque * NM, torque * NM]))
/** A swivel of 1.2 to 1.8 N·m, by gauge. */
const swivelOf = (readings: readonly PointReading[]) =>
  checkOf('swivel-preload', {
    setup: { sides: 'left', way: 'gauge' },
    rule: 'careful',
    limits: { working: 'book', sets: { turning: { book: twoSided(1.2 * NM, 1.8 * NM, 'N·m', { kind: 'book' }), shop: null } } },
    trials: [trial('t1', readings, { conditions: { bearings: 'greased', seals: 'out', bolts: 'full' } })],
  })
const swivel = (...readings: readonly PointReading[][]) => evaluateCheck(swivelOf(inTurn(...readings)), [])
const told = (drag: string, play = 'none') => [said('drag-left', drag), said('side-play-left', play)]

describe('the hand beats the figure for the worse only', () => {
  it('much drag with 1.43 in limits is too much; none where drag must be is too little', () => {
    expect(swivel(turning(1.43)).state).toBe('in')
    const much = swivel(turning(1.43), told('much'))
    expect([much.word, much.headline.overrule]).toEqual(['Too much', 'by hand much drag, no side play: too much'])
    expect(much.signOff.needsReason).toContain('by hand much drag')
    expect(swivel(turning(1.43), told('none'))).toMatchObject({ state: 'below', word: 'Too little' })
    // One word of the two is enough to take In away.
    expect(swivel(turning(1.43), [said('drag-left', 'much')]).state).toBe('above')
    expect(swivel(turning(1.43), told('slight')).state).toBe('in')
  })
  it('no word makes an out figure In, or less out', () => {
    for (const drag of ['none', 'slight', 'much']) expect(swivel(turning(2.6), told(drag))).toMatchObject({ state: 'above' })
    for (const drag of ['slight', 'much']) expect(swivel(turning(0.4), told(drag)).state).toBe('below')
  })
  it('said before the gauge it is set against the figure and asked again: neither in nor signed until then', () => {
    const readings = inTurn(told('much'), turning(1.43))
    const before = evaluateCheck(swivelOf(readings), [])
    expect(before.headline).toMatchObject({ state: 'part-read', overrule: null })
    const words = 'By hand much drag, no side play: too much, said before it was read: say it again.'
    expect(before.signOff.blockers).toContain(words)
    expect(answerOf(lookAt(swivelOf(readings), before, []), { system: 'metric', time: at => at }).sentence).toContain(words)
    expect(askedAgain(swivelOf(readings))).toEqual(['drag-left', 'side-play-left'])
    // The word given then counts, whichever it is.
    expect(swivel(told('much'), turning(1.43), told('much')).state).toBe('above')
    expect(swivel(told('much'), turning(1.43), told('slight')).state).toBe('in')
    // Read on after it was said again, it is not asked a third time.
    expect(swivel(told('much'), turning(1.43), told('much'), turning(1.44)).state).toBe('above')
    // What the figure does not contradict is not asked twice.
    expect(askedAgain(swivelOf(inTurn(told('much'), turning(2.6))))).toEqual([])
  })

  const FINE = { ...GAUGES, 'dial-indicator': gauge('dial-indicator', thou(0.5), { repeatability: nm(2_000) }) }
  const hub = (...readings: readonly PointReading[][]) =>
    evaluateCheck(
      checkOf('taper-hub', {
        gauges: FINE,
        limits: { working: 'book', sets: { play: { book: twoSided(thou(2), thou(6), 'thou', { kind: 'book' }), shop: null } } },
        trials: [
          trial(
            't1',
            inTurn(
              ['tracks', 'rust', 'water'].map(point => said(point, 'good')),
              ...readings,
            ),
            {
              conditions: { bearings: 'dry', seals: 'out', torque: 'full' },
            },
          ),
        ],
      }),
      [],
    )
  const knock = [said('hand', 'knock')]
  it('a knock where the dial finds 4 thou, less than a hand feels: asked again, then Loose', () => {
    expect(hub(plays('travel', 4, 4, 4)).state).toBe('in')
    expect(hub(knock, plays('travel', 4, 4, 4)).headline).toMatchObject({ state: 'part-read', again: ['hand'] })
    expect(hub(knock, plays('travel', 4, 4, 4), knock)).toMatchObject({ state: 'above', word: 'Loose' })
    expect(hub(knock, plays('travel', 4, 4, 4), [said('hand', 'none')]).state).toBe('in')
    // Twelve thou a hand feels: no contradiction, and out as it is.
    expect(hub(knock, plays('travel', 12, 12, 12)).headline).toMatchObject({ state: 'above', again: [] })
  })
})
