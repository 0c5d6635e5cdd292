import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, figures, gauge, plays, said, trial } from '../../../../tests/documents'
import { newLot } from '../../../command/found-pack'
import { nm, thou } from '../../../quantity/length'
import { twoSided } from '../../../verdict/limits'
import type { CheckDocument, PointReading } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { markText, matchedSet } from '../../evaluate/matched-set'
import { enoughWords } from '../../sentence/enough-words'
import { checkKind } from '../../registry'
import { dryTrials } from './trials'

const INSPECTED = ['tracks', 'rust', 'water'].map(point => said(point, 'good'))
const FINE = { ...GAUGES, 'dial-indicator': gauge('dial-indicator', thou(0.5), { repeatability: nm(1_000), permissibleError: nm(2_000) }) }
let order = 1000
const turn = (low: number, high: number): PointReading => ({
  id: `d${order}`,
  point: 'distance',
  low: thou(low),
  high: thou(high),
  order: order++,
})
const at = (point: string, figure: number): PointReading => ({ ...figures(point, thou(figure))[0]!, id: `s${order}`, order: order++ })
const word = (point: string, value: string): PointReading => ({ ...said(point, value), id: `w${order}`, order: order++ })
const zeros = (base = 0, head = 0) => [at('zero-base', base), at('zero-head', head)]

const hub = (setup: Record<string, string>, readings: readonly PointReading[], change: Partial<CheckDocument> = {}) =>
  checkOf('comparator-hub', {
    setup,
    rule: 'plain',
    gauges: FINE,
    limits: { working: 'book', sets: { longer: { book: twoSided(thou(6), thou(8), 'thou', { kind: 'own' }), shop: null } } },
    trials: [trial('t1', [...INSPECTED, ...readings], { conditions: { bearings: 'dry' } })],
    ...change,
  })
const evaluate = (setup: Record<string, string>, ...readings: readonly PointReading[]) => evaluateCheck(hub(setup, readings), [])
const FALLS = { sense: 'falls', spacer: 'adjustable' }
const figure = (e: ReturnType<typeof evaluateCheck>, id: string) => {
  const { estimate } = e.current.results.find(result => result.id === id)!
  return estimate && Math.round(estimate.value / 254) / 100
}
const wordsOf = (e: ReturnType<typeof evaluateCheck>) =>
  e.current.results.flatMap(({ findings }) => findings.map(({ words }) => words)).join(' ')

describe('a hub spacer under the comparator', () => {
  it('falls: the most of the turn is the shortest distance; 6 to 8 longer is 372 to 370 (common practice)', () => {
    // A turn of 376, 377, 378, 376.5.
    const e = evaluate(FALLS, turn(376, 378), ...zeros(), at('spacer', 371))
    expect(e.targets).toMatchObject([{ id: 'spacer', value: thou(371) }])
    // In the record the window: at 372 it is 6 longer, at 370 it is 8; where the distance is longest it is 2 less.
    expect([figure(e, 'longer'), figure(e, 'longer-least'), figure(e, 'spread')]).toEqual([7, 5, 2])
    expect(figure(evaluate(FALLS, turn(376, 378), ...zeros(), at('spacer', 372)), 'longer-least')).toBe(4)
    expect(evaluate(FALLS, turn(376, 378), ...zeros(), at('spacer', 369)).current.results[0]).toMatchObject({ state: 'above' })
  })
  it('rises: the least is the shortest, and the spacer reads more: 622, 628 to 630 (common practice)', () => {
    const e = evaluate({ ...FALLS, sense: 'rises' }, turn(622, 624), ...zeros(), at('spacer', 629))
    expect(e.targets).toMatchObject([{ value: thou(629) }])
    expect([figure(e, 'longer'), figure(e, 'longer-least')]).toEqual([7, 5])
  })
  it('what both readings share of the gauge cancels; a zero that drifted a little does not', () => {
    const clean = evaluate(FALLS, turn(376, 378), ...zeros(), at('spacer', 371)).current.results[0]!.estimate!
    expect(clean.lines.filter(({ source }) => source === 'gauge-error').map(({ u }) => u)).toEqual([0])
    // Each of two readings to half of half a thou: u = 6350·√(2/12).
    expect(clean.u).toBeCloseTo(6_350 * Math.sqrt(1 / 6), 0)
    const off = evaluate(FALLS, turn(376, 378), ...zeros(0.5), at('spacer', 371)).current.results[0]!.estimate!
    expect(off.u ** 2 - clean.u ** 2).toBeCloseTo((12_700 / Math.sqrt(3)) ** 2, -3)
  })
  it('a zero that drifted beyond a graduation voids it; zeros not read again are asked for', () => {
    expect(evaluate(FALLS, turn(376, 378), ...zeros(0, 1), at('spacer', 371)).current.results[0]).toMatchObject({ state: 'not-valid' })
    expect(wordsOf(evaluate(FALLS, turn(376, 378), at('spacer', 371)))).toContain('Read both zeros again')
  })

  const set = [turn(376, 378), ...zeros(), at('spacer', 371)]
  const none = () => word('end-play', 'none-felt')
  it.each([
    ['none', 'free', 'in', 'right, by word. No dial has been there yet'],
    ['zero', 'free', 'in', 'right. No play is “zero or less”'],
    ['none', 'stiff', 'below', 'too much preload'],
    ['some', 'free', 'above', 'too little preload'],
  ])('dry trial, %s and %s: %s', (play, spin, state, words) => {
    const far = play === 'zero' ? 0 : 2
    const tried = play === 'none' ? [none()] : plays('end-play', far, far).map(reading => ({ ...reading, id: `p${order}`, order: order++ }))
    const e = evaluate(FALLS, ...set, ...tried, word('spin', spin), at('locked', 371))
    expect(e.headline).toMatchObject({ state })
    expect(e.current.results.find(({ id }) => id === 'locked')).toMatchObject({ state })
    expect(wordsOf(e) + e.headline.overrule).toContain(words)
    // It lies in its window by its figure, and the trial beats that.
    const { fine, words: told } = enoughWords(e.targets[0]!, e.current.results)
    expect([fine, told]).toEqual(
      state === 'in' ? [true, 'It would do as it is.'] : [false, expect.stringContaining('By its figure it would do, but')],
    )
    // Some play tells what the nut shortens: 7 − 2.
    expect(figure(e, 'shortening')).toBe(play === 'none' ? null : 7 - far)
  })
  it('set anew after the trial, or after it was locked: neither counts any more', () => {
    const e = evaluate(FALLS, ...set, none(), word('spin', 'free'), at('locked', 371), at('spacer', 370.5))
    expect(figure(e, 'longer')).toBe(7.5)
    expect(wordsOf(e)).toContain('set anew since the dry trial')
    expect(e.headline).toMatchObject({ id: 'locked', state: 'not-valid' })
    expect(wordsOf(e)).toContain('lock it and measure it once more')
  })
  it('is not signed before it is locked and measured once more, nor in silence without a trial', () => {
    expect(evaluate(FALLS, ...set, none(), word('spin', 'free')).signOff.blockers[0]).toBe('Not measured yet: Longer, once locked.')
    const locked = evaluate(FALLS, ...set, at('locked', 370))
    expect(wordsOf(locked)).toContain('Locking moved its reading by −1.0 thou')
    expect(locked.signOff).toMatchObject({ blockers: [], needsReason: expect.stringContaining('not tried dry') })
    expect(evaluate(FALLS, ...set, none(), word('spin', 'free'), at('locked', 370)).signOff).toEqual({ blockers: [], needsReason: null })
  })
  it('a bearing replaced since the turn was read leaves nothing to set the spacer to', () => {
    const change = (role: string) => ({ partChanges: [{ role, at: '2026-05-06T08:00:00.000Z', reason: 'cracked', order: 1e9 }] })
    expect(evaluateCheck(hub(FALLS, set, change('outer-bearing')), []).targets).toEqual([])
    expect(evaluateCheck(hub(FALLS, set, change('spacer')), []).targets).toMatchObject([{ value: thou(371), now: null, left: null }])
  })
  it('what the nut took goes to the next hub of this type: so much, or so much and more', () => {
    const learned = (...readings: readonly PointReading[]) => {
      const kind = checkKind('comparator-hub')
      const document = hub(FALLS, [...set, ...readings])
      return kind.handsOn!(document.setup, evaluateCheck(document, []).current.answers)
    }
    expect(learned()).toEqual({})
    expect(learned(none(), word('spin', 'free'))).toEqual({ lost: String(thou(7)), lostIs: 'least' })
    const some = plays('end-play', 2, 2).map(reading => ({ ...reading, id: `p${order}`, order: order++ }))
    expect(learned(...some)).toEqual({ lost: String(thou(5)), lostIs: 'figure' })
  })
  it.each([
    [{ lost: String(thou(5)) }, 'About 2.0 thou of play is to be expected'],
    [{ lost: String(thou(5)), lostIs: 'least' }, '2.0 thou of play or less is to be expected'],
    [{ lost: String(thou(8)) }, 'No play is to be expected'],
  ])('and says what to expect of its trial: %j', (setup, words) => {
    expect(wordsOf(evaluate({ ...FALLS, ...setup }, ...set))).toContain(words)
    expect(wordsOf(evaluate({ ...FALLS, ...setup }, ...set, none()))).not.toContain('to be expected')
  })
  it.each([
    // 7.5 longer with 2 of play took 5.5, of 6 or more; with none it took 7.5 or more.
    ['least', 370.5, 2, 'of the last hub of this type 6.0 thou or more: that does not agree'],
    ['least', 370.5, 0.5, 'so it did of the last hub of this type 6.0 thou or more'],
    ['least', 370.5, null, ''],
    ['figure', 370.5, 1.5, 'so it did of the last hub of this type 6.0 thou'],
    ['figure', 370.5, 5, 'that does not agree'],
    ['figure', 370.5, null, 'The nut takes 7.5 thou or more, of the last hub of this type 6.0 thou: that does not agree'],
    ['figure', 372, null, ''],
  ])('holds it against what this trial shows: %s 6, spacer %d, play %d: %s', (lostIs, spacer, play, words) => {
    const setup = { ...FALLS, lost: String(thou(6)), lostIs }
    const measured = [turn(376, 378), ...zeros(), at('spacer', spacer)]
    const tried = play === null ? [none()] : plays('end-play', play, play).map(one => ({ ...one, id: `p${order}`, order: order++ }))
    const told = wordsOf(evaluate(setup, ...measured, ...tried))
    expect(told).toContain(words)
    if (words === '') expect(told).not.toContain('the last hub')
  })
  it('of a spread nobody has limits for, two thou are offered and do not judge', () => {
    const spread = evaluate(FALLS, ...set).current.results.find(({ id }) => id === 'spread')!
    expect(spread).toMatchObject({ thumb: { kind: 'upper', upper: thou(2) }, limits: { working: null } })
  })
  it('each setting has its own trial: none, then some with the same spacer contradicts; set anew it does not', () => {
    const some = (play: number) => plays('end-play', play).map(one => ({ ...one, id: `p${order}`, order: order++ }))
    const both = evaluate(FALLS, ...set, none(), ...some(2.5))
    expect(wordsOf(both)).toContain('First no play is felt, then it reads 2.5 thou, with nothing changed between: one of them is wrong')
    const anew = evaluate(FALLS, ...set, none(), word('spin', 'stiff'), at('spacer', 372), ...some(2.5), ...some(1.5), word('spin', 'free'))
    expect(wordsOf(anew)).not.toContain('one of them is wrong')
    // The mean of what was read as it is set now: 2.
    expect(figure(anew, 'trial')).toBe(2)
    expect(dryTrials(anew.current.answers)).toEqual([
      { spacer: thou(371), play: ['none felt'], spin: 'stiff' },
      { spacer: thou(372), play: [thou(2.5), thou(1.5)], spin: 'free' },
    ])
  })
  it('has on the label of its set what it read, what the spacer was to read and the nut torque', () => {
    const document = hub({ ...FALLS, nutTorque: '101686350000' }, set)
    const { marks } = matchedSet(document, evaluateCheck(document, []))!
    expect(marks.map(mark => `${mark.label} ${markText(mark, 'inch')}`)).toEqual([
      'Shortest distance reads 378.0 thou',
      'Spacer to read 371.0 thou',
      'Nut torque 75.0 ft·lb',
    ])
  })
  it('fixed: the spacer is a piece of the drawer, longer by as much as it is longer', () => {
    const piece = { lotId: 's', count: 1 }
    const lot = (id: string, length: number, onHand: number) => ({
      ...newLot({ id, family: 'pieces', nominal: thou(length), tags: [] }, true),
      onHand,
    })
    const document = hub({ sense: 'falls', spacer: 'fixed' }, [turn(376, 378), ...zeros(), at('spacer', 381)])
    const fitted = { ...document, trials: [{ ...document.trials[0]!, packs: { spacer: [piece] } }] }
    const { places, headline } = evaluateCheck(fitted, [lot('s', 2000, 0), lot('l', 2010, 1)])
    // −3 now: 2000 + 3 + 6 to 2000 + 3 + 8.
    expect(headline).toMatchObject({ id: 'longer', state: 'below' })
    expect(places[0]!.window).toMatchObject({ low: thou(2009), high: thou(2011) })
  })
})
