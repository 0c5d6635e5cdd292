import { runs } from '../../tests/runs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { done } from '../../tests/bench'
import { GAUGES, checkOf, gauge, trial } from '../../tests/documents'
import { checkKind } from '../check/registry'
import type { CheckDocument } from '../check/document'
import { evaluateCheck } from '../check/evaluate/evaluate-check'
import { answerRequest } from '../choice/answer/answer-request'
import type { Lot } from '../pack/lot'
import { nm, thou } from '../quantity/length'
import { twoSided } from '../verdict/limits'
import { apply } from './apply'
import type { Bench, Command } from './command'
import { decide } from './decide'
import type { Happening, Outcome } from './happening'
import { newLot } from './found-pack'
import { beginCheck } from './settings'

const AT = '2026-05-04T08:00:00.000Z'
const lot = (id: string, thick: number, onHand: number, reserved = 0): Lot => ({
  ...newLot({ id, family: 'pieces', nominal: thou(thick), tags: [] }, true),
  onHand,
  reserved,
})
const DRAWER = [lot('a', 10, 3), lot('b', 8, 2), lot('c', 5, 4, 2), lot('d', 2, 1), lot('e', 30, 1, 1)]
const limits = { working: 'book' as const, sets: { play: { book: twoSided(thou(3), thou(6), 'thou', { kind: 'book' }), shop: null } } }
const fresh = (change: Partial<CheckDocument> = {}): Bench => ({
  document: checkOf('shaft-end-play', { limits, trials: [trial('t1', [])], ticks: [], parts: { bearing: 'p' }, ...change }),
  lots: DRAWER,
  reserves: {},
})
let op = 0
const head = () => ({ op: `o${op++}`, at: AT })
const play = (far: number, point = 'travel', trialId = 't1'): Command => {
  const made = head()
  return { ...made, kind: 'read', trialId, reading: { id: `r-${made.op}`, point, at: AT, start: nm(0), far: thou(far), back: nm(0) } }
}
const list = (...pieces: readonly { lotId?: string; size?: ReturnType<typeof thou>; measured?: boolean; count: number }[]): Command => ({
  ...head(),
  kind: 'list',
  place: 'pack',
  pieces,
})
const fit = (trialId: string, pieces: Record<string, number>, more: object = {}): Command => ({
  ...head(),
  kind: 'fit',
  trialId,
  packs: [{ place: 'pack', pieces: Object.entries(pieces).map(([lotId, count]) => ({ lotId, count })) }],
  ...more,
})
const reasonOf = (outcome: Outcome) => (outcome.ok ? '' : outcome.faults[0]!.reason)
const onHand = ({ lots }: Bench, id: string) => lots.find(candidate => candidate.id === id)?.onHand

describe('a fitting', () => {
  const measured = done(fresh(), list({ lotId: 'a', count: 1 }), play(8), play(8.1), play(7.9))
  it('moves what comes out and goes in, and remembers what it was to leave', () => {
    const after = done(measured, fit('t2', { b: 1 }))
    expect([onHand(after, 'a'), onHand(after, 'b')]).toEqual([4, 1])
    expect(after.document.trials[1]).toMatchObject({ refitted: ['pack'], packs: { pack: [{ lotId: 'b', count: 1 }] }, unlisted: [] })
    expect(after.document.trials[1]!.predicted.play!.play).toBeCloseTo(thou(6), -2)
  })
  it('keeps each piece as it was when it went in, whatever it measures later', () => {
    const first = measured.lots.find(({ id }) => id === 'a')!
    const was = { size: first.measured ?? first.nominal, measured: first.measured !== null, mark: first.mark }
    expect(measured.document.trials[0]!.pieces).toEqual({ a: was })
    const remeasured = { ...measured, lots: measured.lots.map(lot => ({ ...lot, measured: nm(lot.nominal + 777), mark: 'new' })) }
    const after = done(remeasured, fit('t2', { a: 1, b: 1 }))
    const { pieces } = after.document.trials[1]!
    // What stayed in is what it was; what went in is what it measures now.
    expect(pieces.a).toEqual(was)
    expect(pieces.b).toEqual({ size: nm(after.lots.find(({ id }) => id === 'b')!.nominal + 777), measured: true, mark: 'new' })
    expect(after.document.trials[0]!.pieces).toEqual({ a: was })
  })
  it('says of each movement what it was for', () => {
    const command = fit('t2', { b: 1 })
    const outcome = decide(measured, command)
    const moved = (outcome.ok ? outcome.happenings : []).flatMap(happening => (happening.type === 'moved' ? [happening.movement] : []))
    const common = { note: measured.document.title, trialId: 't2' }
    expect(moved.sort((a, b) => a.lotId.localeCompare(b.lotId))).toEqual([
      { id: `${command.op}:out:a`, lotId: 'a', change: 1, why: 'return', ...common },
      { id: `${command.op}:in:b`, lotId: 'b', change: -1, why: 'fit', ...common },
    ])
  })
  it('is refused where a piece is not there, is promised, or was chosen for another fitting', () => {
    expect(reasonOf(decide(measured, fit('t2', { d: 2 })))).toContain('only 1 of 2.0 thou in the drawer; this needs 2')
    expect(reasonOf(decide(measured, fit('t2', { c: 3 })))).toContain('Only 2 of 5.0 thou are free')
    expect(reasonOf(decide(measured, fit('t2', { b: 1 }, { onto: 't0' })))).toContain('earlier fitting')
    expect(reasonOf(decide(measured, fit('t1', { b: 1 })))).toContain('already here')
  })
  it('pieces are promised to a place there is', () =>
    expect(decide(fresh(), { ...head(), kind: 'promise', place: 'nowhere', pieces: [{ lotId: 'a', count: 1 }] })).toMatchObject({
      ok: false,
      faults: [{ path: 'place' }],
    }))
  it('a size that was measured when it was made is one piece’s figure', () => {
    const made = { id: 'n', family: 'f', nominal: thou(5), tags: [] }
    expect(newLot(made, true)).toMatchObject({ measured: thou(5), sizes: [thou(5)] })
    expect(newLot(made)).not.toHaveProperty('sizes')
  })
  it('what is wanted goes on the list, and changes neither check nor drawer; none takes it off', () => {
    const want = (pieces: readonly { lotId: string; count: number }[], place = 'pack'): Command => ({
      ...head(),
      kind: 'want',
      place,
      pieces,
    })
    const bench = { ...fresh(), lots: [...DRAWER, { ...lot('one', 7, 1), apart: true }] }
    const wanted = decide(
      bench,
      want([
        { lotId: 'c', count: 1 },
        { lotId: 'a', count: 2 },
        { lotId: 'c', count: 1 },
      ]),
    )
    expect(wanted).toEqual({
      ok: true,
      what: 'On the order list: 2 × 5 thou, 2 × 10 thou',
      happenings: [
        {
          type: 'wanted',
          place: 'pack',
          pack: [
            { lotId: 'c', count: 2 },
            { lotId: 'a', count: 2 },
          ],
        },
      ],
    })
    expect(done(bench, want([{ lotId: 'a', count: 2 }]))).toEqual(bench)
    expect(decide(bench, want([]))).toMatchObject({ ok: true, what: 'Taken off the order list' })
    expect(decide(bench, want([], 'nowhere'))).toMatchObject({ code: 'invalid', faults: [{ path: 'place' }] })
    expect(decide(bench, want([{ lotId: 'gone', count: 1 }]))).toMatchObject({ code: 'missing' })
    expect(reasonOf(decide(bench, want([{ lotId: 'one', count: 1 }])))).toContain('order its size')
    const signed = { ...bench, document: { ...bench.document, signOff: { at: AT, by: 'me', reason: null, core: '1' } } }
    expect(reasonOf(decide(signed, want([{ lotId: 'a', count: 1 }])))).toContain('signed off')
  })
  it('takes a promised piece only on purpose, and then the promise shrinks', () => {
    const after = done(measured, fit('t2', { c: 3 }, { claim: true }))
    expect(after.lots.find(({ id }) => id === 'c')).toMatchObject({ onHand: 1, reserved: 1 })
  })
  it('takes a piece that was measured in the hand as the one it is', () => {
    const inHand = [{ lotId: 'b', id: 'b1', size: thou(7.9), mark: 'tray 2' }]
    const after = done(measured, fit('t2', { b: 2 }, { inHand }))
    expect(after.document.trials[1]!.packs.pack).toEqual([
      { lotId: 'b', count: 1 },
      { lotId: 'b1', count: 1 },
    ])
    expect(after.lots.find(({ id }) => id === 'b1')).toMatchObject({ measured: thou(7.9), apart: true, mark: 'tray 2', onHand: 0 })
    expect([onHand(after, 'a'), onHand(after, 'b')]).toEqual([4, 0])
    // 8 now with 10 fitted, which sets the play: 7.9 + 8 in its place leaves 13.9.
    expect(after.document.trials[1]!.predicted.play!.play).toBeCloseTo(thou(13.9), -2)
    const back = done(after, play(13.9, 'travel', 't2'), fit('t3', { a: 1 }))
    expect([onHand(back, 'b'), onHand(back, 'b1')]).toEqual([1, 1])
  })
  it.each([
    ['a size that is not put in', { lotId: 'd', id: 'x', size: thou(2), mark: '' }, 'not put in'],
    ['a piece that stays where it is', { lotId: 'a', id: 'x', size: thou(10), mark: '' }, 'not put in'],
    ['an id that is taken', { lotId: 'b', id: 'c', size: thou(8), mark: '' }, 'That id is taken'],
    ['no size', { lotId: 'nowhere', id: 'x', size: thou(8), mark: '' }, 'no such size'],
  ])('refuses %s as the piece in hand', (_, piece, words) => {
    expect(reasonOf(decide(measured, fit('t2', { a: 1, b: 1 }, { inHand: [piece] })))).toContain(words)
  })
  it('a promised piece is taken in the hand only on purpose', () => {
    const inHand = [1, 2, 3].map(n => ({ lotId: 'c', id: `c${n}`, size: thou(5), mark: '' }))
    expect(reasonOf(decide(measured, fit('t2', { c: 3 }, { inHand })))).toContain('Only 2 of 5.0 thou are free')
    const after = done(measured, fit('t2', { c: 3 }, { inHand, claim: true }))
    expect(after.lots.find(({ id }) => id === 'c')).toMatchObject({ onHand: 1, reserved: 1 })
  })
  it('onto a pack nobody listed keeps both: what was put in, and that there is more', () => {
    const unlisted = done(fresh(), play(2), fit('t2', { d: 1 }))
    const [found, second] = unlisted.document.trials
    expect(found!.packs).toEqual({})
    expect(second).toMatchObject({ packs: { pack: [{ lotId: 'd', count: 1 }] }, unlisted: ['pack'] })
    const third = done(unlisted, play(4, 'travel', 't2'), fit('t3', { d: 1, c: 1 }))
    expect(third.document.trials[2]!.packs.pack).toEqual([
      { lotId: 'd', count: 1 },
      { lotId: 'c', count: 1 },
    ])
    expect([onHand(third, 'd'), onHand(third, 'c')]).toEqual([0, 3])
    // Named later, what was found stands under every fitting in which it was not known.
    const named = done(third, list({ lotId: 'a', count: 1 }))
    expect(named.document.trials.map(({ packs, unlisted: more }) => [packs.pack!.map(({ lotId }) => lotId).join(), more])).toEqual([
      ['a', []],
      ['a,d', []],
      ['a,d,c', []],
    ])
    expect(reasonOf(decide(named, list({ lotId: 'a', count: 2 })))).toContain('cannot be listed again')
  })
  it.each([
    [{ size: thou(20), measured: true, count: 1 }, true],
    [{ size: thou(20), measured: true, count: 2 }, undefined],
    [{ size: thou(20), count: 1 }, undefined],
  ])('a piece that was found and measured by itself is told apart: %j', (piece, apart) => {
    const found = done(fresh(), list(piece))
    expect(found.lots.find(({ nominal }) => nominal === thou(20))!.apart).toBe(apart)
  })
  it('pieces found in a check with no drawer go into one of their own', () => {
    const found = done(fresh({ family: '' }), list({ size: thou(20), count: 1 }))
    expect(found.lots.find(({ nominal }) => nominal === thou(20))!.family).toBe('Unsorted')
  })
  it('a place nobody knows takes nothing', () => {
    const nowhere = { ...(list() as Extract<Command, { kind: 'list' }>), place: 'sump' }
    expect(reasonOf(decide(fresh(), nowhere))).toContain('no such place')
  })
  it('a piece is named by a size of the drawer, or has one of its own', () => {
    expect(reasonOf(decide(fresh(), list({ count: 1 })))).toBe('Give the piece its size.')
    expect(reasonOf(decide(fresh(), list({ lotId: 'ghost', count: 1 })))).toBe('That size is not in the drawer.')
  })
  it('into a place found empty: none can be said', () => {
    const none = done(fresh(), list(), play(1))
    expect(none.document.trials[0]).toMatchObject({ packs: { pack: [] }, unlisted: [] })
    expect(done(none, fit('t2', { d: 1 })).document.trials[1]!.unlisted).toEqual([])
  })
})

describe('a place takes so many pieces', () => {
  const bench = (pack: string) => fresh({ setup: { pack } })
  it.each([
    ['single', 2, 'it takes 1 piece, not 2'],
    ['equal-pair', 4, 'it takes 2 pieces, not 4'],
    ['equal-pair', 1, 'it takes 2 pieces, not 1'],
    ['single', 0, 'it takes 1 piece, not 0'],
    ['in-gap', 0, 'it takes at least 1 piece'],
    ['in-gap', 9, 'it takes at most 8 pieces'],
  ])('%s: not %i', (pack, count, words) => {
    const found = done(bench(pack), list({ lotId: 'a', count: pack === 'equal-pair' ? 2 : 1 }), play(8))
    const lots = found.lots.map(candidate => ({ ...candidate, onHand: 20, reserved: 0 }))
    expect(reasonOf(decide({ ...found, lots }, fit('t2', count === 0 ? {} : { b: count })))).toContain(words)
  })
})

describe('a piece that is lapped', () => {
  const gap = done(fresh({ setup: { pack: 'single' } }), list({ lotId: 'a', count: 1 }), play(2))
  const begin = (lotId: string): Command => ({
    ...head(),
    kind: 'begin-lap',
    id: `lap-${lotId}`,
    place: 'pack',
    lotId,
    target: thou(7),
    low: null,
    high: null,
  })
  const pass = (lapId: string): Command => ({
    ...head(),
    kind: 'lap-pass',
    lapId,
    id: `p-${lapId}`,
    figures: [7, 7, 7, 7].map(thou),
    measuredAt: AT,
  })
  it('may be the fitted one: out of the machine, lapped, back in, and never a piece too many', () => {
    const none = { ...gap, lots: gap.lots.map(candidate => (candidate.id === 'a' ? { ...candidate, onHand: 0 } : candidate)) }
    const lapped = done(none, begin('a'), pass('lap-a'), { ...head(), kind: 'end-lap', lapId: 'lap-a', made: true })
    expect(lapped.document.laps[0]).toMatchObject({ trial: 't1', end: { lotId: 'lap-a' } })
    expect([onHand(lapped, 'a'), onHand(lapped, 'lap-a')]).toEqual([0, 1])
    const back = done(lapped, fit('t2', { 'lap-a': 1 }))
    expect([onHand(back, 'a'), onHand(back, 'lap-a')]).toEqual([0, 0])
    expect(back.document.trials[1]!.predicted.play!.play).toBe(thou(5))
  })
  it('is kept for its place, beside what is kept there already', () => {
    const end: Command = { ...head(), kind: 'end-lap', lapId: 'lap-a', made: true }
    expect(done(gap, begin('a'), pass('lap-a'), end).reserves).toEqual({ pack: [{ lotId: 'lap-a', count: 1 }] })
    const kept = { ...gap, reserves: { pack: [{ lotId: 'b', count: 1 }] } }
    expect(done(kept, begin('a'), pass('lap-a'), end).reserves.pack).toEqual([
      { lotId: 'b', count: 1 },
      { lotId: 'lap-a', count: 1 },
    ])
  })
  it('goes into the family of what it was lapped from, where the check has none; scrapped it goes nowhere', () => {
    const end = (bench: Bench, made: boolean) =>
      done(bench, begin('a'), pass('lap-a'), { ...head(), kind: 'end-lap', lapId: 'lap-a', made })
    const loose = done(fresh({ family: '', setup: { pack: 'single' } }), list({ lotId: 'a', count: 1 }), play(2))
    const other = { ...loose, lots: [...loose.lots].reverse() }
    for (const bench of [loose, other]) expect(end(bench, true).lots.find(({ id }) => id === 'lap-a')!.family).toBe('pieces')
    const renamed = { ...gap, document: { ...gap.document, family: 'spacers' } }
    expect(end(renamed, true).lots.find(({ id }) => id === 'lap-a')!.family).toBe('spacers')
    expect(end(gap, false).lots.some(({ id }) => id === 'lap-a')).toBe(false)
    expect(reasonOf(decide(done(gap, begin('a')), { ...head(), kind: 'end-lap', lapId: 'lap-a', made: true }))).toContain(
      'Measure it first',
    )
  })
  it('is begun once, one a place, and taken from what is free', () => {
    const begun = done(gap, begin('a'), pass('lap-a'), { ...head(), kind: 'end-lap', lapId: 'lap-a', made: false })
    expect(decide(begun, begin('a'))).toMatchObject({ ok: false, code: 'conflict', faults: [{ path: 'id' }] })
    // Another is another piece.
    expect(decide(begun, begin('b')).ok).toBe(true)
    expect(reasonOf(decide(done(gap, begin('a')), begin('b')))).toContain('being made already')
    // None free, and not the one that is fitted: not to be had. One free is.
    const lots = (free: number) =>
      gap.lots.map(candidate => (candidate.id === 'b' ? { ...candidate, onHand: free, reserved: 0 } : candidate))
    expect(reasonOf(decide({ ...gap, lots: lots(0) }, begin('b')))).toContain('None of that size is free')
    const one = decide({ ...gap, lots: lots(1) }, begin('b'))
    expect(one).toMatchObject({ ok: true, happenings: [{ type: 'lap-begun', lap: { trial: null } }, { type: 'moved' }] })
    // The fitted size with one free comes from the drawer.
    const spare = gap.lots.map(candidate => (candidate.id === 'a' ? { ...candidate, onHand: 1 } : candidate))
    expect(done({ ...gap, lots: spare }, begin('a')).document.laps[0]!.trial).toBeNull()
  })
  it('only gets thinner, and only where it is', () => {
    const thicker: Command = { ...(begin('a') as Extract<Command, { kind: 'begin-lap' }>), target: thou(10.1) }
    expect(reasonOf(decide(gap, thicker))).toContain('cannot be lapped thicker')
    expect(decide(gap, { ...thicker, target: thou(10) }).ok).toBe(true)
  })
  it('comes out of the drawer where there is one', () => expect(done(gap, begin('a')).document.laps[0]!.trial).toBeNull())
  it('is no shell, and none of a pair', () => {
    const rings = done(fresh({ setup: { pack: 'equal-pair' } }), list({ lotId: 'a', count: 2 }), play(2))
    expect(reasonOf(decide(rings, begin('a')))).toContain('cannot be lapped')
  })
})

describe('the sign of a place', () => {
  const wrong = done(
    fresh(),
    list({ lotId: 'a', count: 1 }),
    play(8),
    play(8),
    play(8),
    fit('t2', { b: 1 }),
    play(10, 'travel', 't2'),
    play(10, 'travel', 't2'),
    play(10, 'travel', 't2'),
  )
  const change = (pack: string, reason?: string): Command => ({
    ...head(),
    kind: 'change-settings',
    change: { setup: { pack }, ...(reason ? { reason } : {}) },
    register: [],
    parts: [],
  })
  it('is doubted when the play went the other way, and then nothing is proposed', () => {
    const [place] = evaluateCheck(wrong.document, wrong.lots).places
    expect(place!.ledger).toMatchObject({ state: 'disagree', signDoubtful: true })
    expect(place!.request).toBeNull()
    expect(reasonOf(decide(wrong, fit('t3', { c: 1 })))).toContain('other way')
  })
  it('can then be mended, with a reason, and the fittings agree', () => {
    expect(reasonOf(decide(wrong, change('in-gap')))).toContain('Say why')
    const mended = done(wrong, change('in-gap', 'the shim is at the flange'))
    const [place] = evaluateCheck(mended.document, mended.lots).places
    expect(place!.ledger.state).toBe('agree')
    expect(place!.request).not.toBeNull()
  })
  it('stays what it is while nothing speaks against it', () => {
    const right = done(fresh(), list({ lotId: 'a', count: 1 }), play(8), fit('t2', { b: 1 }), play(6, 'travel', 't2'))
    expect(reasonOf(decide(right, change('in-gap', 'changed my mind')))).toContain('stays')
  })
})

describe('no movement', () => {
  const say = (word: string, trialId = 't1'): Command => {
    const made = head()
    return { ...made, kind: 'read', trialId, reading: { id: `w-${made.op}`, point: 'travel', at: AT, word } }
  }
  it.each(['binds', 'none-felt'])('“%s” is a reading: tight, kept, no figure, and looser packs are offered and taken', word => {
    const said = done(fresh(), list({ lotId: 'a', count: 1 }), say(word))
    const { headline, places } = evaluateCheck(said.document, said.lots)
    expect(headline).toMatchObject({ state: 'below', estimate: null, atMost: { value: 0 } })
    expect(places[0]!.request!.question).toMatchObject({ bound: true, from: { play: 0 } })
    const after = done(said, fit('t2', { a: 1, c: 1 }))
    expect(after.document.trials[1]!.predicted).toEqual({})
  })
  it('what is no word of this point is no reading', () => {
    const document = checkOf('bearing-clearance', { trials: [trial('t1', [])] })
    const { id: point, words } = checkKind(document.kind)
      .points(document.setup)
      .find(({ words: some }) => some)!
    const said = (word: string) => {
      const made = head()
      return decide({ ...fresh(), document }, { ...made, kind: 'read', trialId: 't1', reading: { id: 'w', point, at: AT, word } })
    }
    expect(said(words![0]!.value)).toMatchObject({ ok: true })
    expect(said('squeaks')).toMatchObject({ ok: false, faults: [{ path: 'word', reason: 'That is not an answer here.' }] })
  })
  it('after a figure the word counts, after the word a figure does', () => {
    const said = done(fresh(), play(4), say('binds'))
    expect(evaluateCheck(said.document, said.lots).state).toBe('below')
    const read = done(said, play(4.2))
    expect(evaluateCheck(read.document, read.lots).headline.estimate!.n).toBe(2)
  })
  it('a pack no looser than one that bound is never offered, nor reckoned from it', () => {
    const bound = done(
      fresh({ setup: { pack: 'in-gap' } }),
      list({ lotId: 'd', count: 1 }),
      play(8),
      play(8),
      play(8),
      fit('t2', { d: 1, c: 1 }),
      say('binds', 't2'),
    )
    const [place] = evaluateCheck(bound.document, bound.lots).places
    // By the first fitting, 5 more would leave 3; it binds: something is wrong, and nothing as thick as that is proposed.
    const choice = answerRequest(place!.request!)
    for (const { total, chance } of choice.proposals) if (chance && chance.inside > 0) expect(total).toBeLessThan(thou(7))
  })
})

describe('a reading', () => {
  it('stands at its point, in its fitting, with its gauge, or nowhere', () => {
    const after = done(fresh(), play(8))
    expect(after.document.trials[0]!.readings[0]).toMatchObject({ point: 'travel', far: thou(8), gauge: 'dial-indicator' })
    expect(reasonOf(decide(fresh(), play(8, 'rim')))).toContain('no such point')
    expect(reasonOf(decide(fresh(), play(8, 'travel', 't0')))).toContain('earlier fitting')
    expect(reasonOf(decide(fresh({ gauges: {} }), play(8)))).toContain('no gauge')
  })
  it('taken before a part was replaced does not arrive as if it were new', () => {
    const after = done(fresh(), play(8), { ...head(), kind: 'part-change', part: { id: 'p', name: 'Bearings' }, reason: 'new', by: 'T' })
    const late = play(9) as Extract<Command, { kind: 'read' }>
    expect(reasonOf(decide(after, { ...late, seen: 0 }))).toContain('before a change it rests on (bearings – new)')
    expect(decide(after, { ...late, seen: Number.MAX_SAFE_INTEGER }).ok).toBe(true)
  })
})

describe('rollers taken for a rod', () => {
  const bench: Bench = {
    document: checkOf('roller-big-end', { trials: [trial('t1', [])], ticks: [] }),
    lots: [],
    reserves: {},
  }
  const roller = (id: string): Command => ({
    ...head(),
    kind: 'read',
    trialId: 't1',
    reading: { id, point: 'bag-A', at: AT, figure: thou(250) },
  })
  const taken = (id: string, ...pieces: string[]): Command => ({
    ...head(),
    kind: 'read',
    trialId: 't1',
    reading: { id, point: 'set-1', at: AT, pieces },
  })
  it('are measured, every one, and not struck out', () => {
    const measured = done(bench, roller('r1'), roller('r2'), roller('r3'))
    const struck = done(measured, { ...head(), kind: 'void', readingId: 'r3', reason: 'chipped' })
    expect(done(struck, taken('s1', 'r1', 'r2')).document.trials[0]!.readings.at(-1)).toMatchObject({ pieces: ['r1', 'r2'] })
    for (const pieces of [['r1', 'ghost'], ['r1', 'r3'], ['r3']])
      expect(reasonOf(decide(struck, taken('s2', ...pieces)))).toContain('A piece taken is not measured')
  })
})

describe('a signature', () => {
  const ticked = checkKind('shaft-end-play').procedure({ pack: 'under-cover' })
  const musts = ticked
    .filter(step => step.required && step.of !== 'refit')
    .map((step): Command => ({ ...head(), kind: 'tick', step: step.id, trial: 't1', ticked: true }))
  const ready = done(fresh(), ...musts, list({ lotId: 'a', count: 1 }), play(4.5), play(4.5), play(4.5))
  const sign: Command = { ...head(), kind: 'sign', by: 'T. Marl', reason: null }
  const signed = done(ready, sign)
  it('locks: nothing but opening it again is possible', () => {
    expect(signed.document.signOff).toMatchObject({ by: 'T. Marl' })
    for (const command of [play(5), list(), fit('t2', { b: 1 }), sign]) expect(reasonOf(decide(signed, command))).toContain('signed off')
  })
  it('opened again, what was read before does not sign it a second time', () => {
    const opened = done(signed, { ...head(), kind: 'reopen', by: 'T. Marl', reason: 'heard a knock' })
    expect(opened.document.reopened).toMatchObject({ reason: 'heard a knock' })
    const reasons = (bench: Bench) => {
      const outcome = decide(bench, sign)
      return outcome.ok ? [] : outcome.faults.map(({ reason }) => reason)
    }
    expect(reasons(opened).at(-1)).toContain('Measure once more')
    // Every must is asked again as well.
    const again = done(opened, ...musts)
    expect(reasons(again)).toEqual([expect.stringContaining('Measure once more')])
    expect(reasons(done(again, play(4.6)))).toEqual([])
  })
  it('a replaced part opens it, with the reason; a part it does not rest on does not', () => {
    const change = (id: string): Command => ({
      ...head(),
      kind: 'part-change',
      part: { id, name: 'Bearings' },
      reason: 'new ones',
      by: 'T',
    })
    const opened = done(signed, change('p'))
    expect(opened.document).toMatchObject({ signOff: null, reopened: { reason: 'Replaced or reworked, bearings: new ones' } })
    expect(evaluateCheck(opened.document, opened.lots).state).toBe('stale')
    expect(done(signed, change('q'))).toEqual(signed)
  })
})

it('a reading struck out keeps its reason', () => {
  const bench = done(fresh(), play(4))
  const [reading] = bench.document.trials[0]!.readings
  const after = done(bench, { ...head(), kind: 'void', readingId: reading!.id, reason: 'base moved' })
  expect(after.document.trials[0]!.readings[0]!.voided).toEqual({ reason: 'base moved' })
})
it('what comes out of the machine claims nothing that is promised', () => {
  const short = [lot('a', 10, 1, 3), lot('b', 8, 2)]
  const bench = done({ ...fresh(), lots: short }, list({ lotId: 'a', count: 1 }), play(8))
  const outcome = decide(bench, fit('t2', { b: 1 }))
  expect(outcome.ok && outcome.happenings.filter(({ type }) => type === 'claimed')).toEqual([])
  const taken = decide({ ...bench, lots: [lot('a', 10, 1, 3), lot('b', 8, 2, 2)] }, fit('t2', { b: 1 }, { claim: true }))
  expect(taken.ok && taken.happenings.filter(({ type }) => type === 'claimed')).toEqual([{ type: 'claimed', lotId: 'b', count: 1 }])
})

describe('settings', () => {
  it('limits belong to a result there is', () => {
    const set = (result: string): Command => ({
      ...head(),
      kind: 'change-settings',
      change: { limits: [{ result, role: 'book', set: twoSided(thou(1), thou(2), 'thou', { kind: 'book' }) }] },
      register: [],
      parts: [],
    })
    expect(decide(fresh(), set('ghost'))).toMatchObject({ ok: false, code: 'invalid', faults: [{ path: 'settings.limits.0.result' }] })
    expect(decide(fresh(), set('play')).ok).toBe(true)
  })
  it('a check begins empty, with one fitting as found', () => {
    const { trials, ticks, rule, limits: none } = beginCheck(checkKind('shaft-end-play'), { id: 'c', trialId: 't', at: AT })
    expect(trials).toEqual([
      { id: 't', at: AT, packs: {}, unlisted: [], refitted: [], predicted: {}, conditions: {}, leftOut: {}, pieces: {}, readings: [] },
    ])
    expect([ticks, rule, none]).toEqual([[], 'careful', { working: 'tighter', sets: {} }])
  })
  it('a check begins with a gauge for each point and its parts', () => {
    const document = beginCheck(checkKind('bearing-clearance'), { id: 'n', trialId: 'n1', at: AT })
    const after = done(
      { document, lots: [], reserves: {} },
      {
        ...head(),
        kind: 'change-settings',
        change: { title: ' Mains ' },
        register: Object.values(GAUGES),
        parts: [{ id: 'x', name: 'crankshaft' }],
      },
    )
    expect(after.document.title).toBe('Mains')
    expect(Object.keys(after.document.gauges).sort()).toEqual(['bore-gauge', 'micrometer'])
    expect(after.document.parts.crankshaft).toBe('x')
    expect(Object.keys(after.document.parts)).toContain('shells-4')
  })
  it('a check rests on the parts of its job that bear the name, each on its own', () => {
    const document = beginCheck(checkKind('shaft-end-play'), { id: 'n', trialId: 'n1', at: AT })
    const parts = [
      { id: 'h', name: 'housing and cover' },
      { id: 's', name: 'Shaft' },
      { id: 'b', name: 'Bearings' },
    ]
    const outcome = decide({ document, lots: [], reserves: {} }, { ...head(), kind: 'change-settings', change: {}, register: [], parts })
    const rested = (outcome.ok ? outcome.happenings : []).flatMap(happening => (happening.type === 'rested' ? [happening] : []))
    expect(rested.map(({ role, part, added }) => [role, part.id, part.name, added]).sort()).toEqual([
      ['bearing', 'b', 'Bearings', false],
      ['housing', 'h', 'housing and cover', false],
      ['shaft', 's', 'Shaft', false],
    ])
  })
  it('an answer of the set-up is a text', () =>
    expect(
      decide(fresh(), { ...head(), kind: 'change-settings', change: { setup: { pack: 3 as unknown as string } }, register: [], parts: [] }),
    ).toMatchObject({ ok: false, faults: [{ path: 'settings.setup.pack', reason: 'A text is expected.' }] }))
})

/** Any command, sensible or not, drawn from what is on the bench now. */
const anyCommand = fc.record({
  pick: fc.nat(10),
  a: fc.nat(1000),
  b: fc.nat(1000),
  n: fc.integer({ min: 0, max: 3 }),
})
function commandFrom(bench: Bench, { pick, a, b, n }: { pick: number; a: number; b: number; n: number }): Command {
  const { document, lots } = bench
  const trials = document.trials.map(({ id }) => id)
  const readings = document.trials.flatMap(t => t.readings.map(({ id }) => id))
  const of = <T>(items: readonly T[], at: number, otherwise: T): T => items[at % Math.max(1, items.length)] ?? otherwise
  const pieces =
    n === 0 ? [] : [{ lotId: of(lots, a, lots[0]!).id, count: n }, ...(b % 2 ? [{ lotId: of(lots, b, lots[0]!).id, count: 1 }] : [])]
  switch (pick) {
    case 0:
    case 1:
      return play(((a % 160) - 20) / 10, b % 9 === 0 ? 'rim' : 'travel', b % 7 === 0 ? of(trials, a, 't1') : trials.at(-1)!)
    case 2:
      return { ...head(), kind: 'void', readingId: of(readings, a, 'ghost'), reason: 'slip' }
    case 3:
      return {
        ...head(),
        kind: 'tick',
        step: of(['clean', 'tightened', 'refitted', 'ghost'], a, 'clean'),
        trial: of(trials, b, 't1'),
        ticked: n > 0,
      }
    case 4:
      return { ...head(), kind: 'list', place: 'pack', pieces: b % 3 ? pieces : [{ size: thou(1 + (a % 12)), count: Math.max(1, n) }] }
    case 5:
    case 6:
      return {
        ...head(),
        kind: 'fit',
        trialId: `t-${op}`,
        onto: b % 5 ? trials.at(-1)! : 't1',
        packs: [{ place: 'pack', pieces }],
        claim: a % 4 === 0,
      }
    case 7:
      return { ...head(), kind: 'promise', place: 'pack', pieces }
    case 8:
      return { ...head(), kind: 'part-change', part: { id: b % 2 ? 'p' : 'q', name: 'Bearings' }, reason: 'new', by: 'T' }
    case 9:
      return { ...head(), kind: 'sign', by: 'T', reason: a % 2 ? 'yard use' : null }
    default:
      return document.signOff
        ? { ...head(), kind: 'reopen', by: 'T', reason: 'again' }
        : b % 2
          ? {
              ...head(),
              kind: 'begin-lap',
              id: `l-${op}`,
              place: 'pack',
              lotId: of(lots, a, lots[0]!).id,
              target: thou(1),
              low: null,
              high: null,
            }
          : { ...head(), kind: 'end-lap', lapId: of(document.laps, a, document.laps[0]!)?.id ?? 'ghost', made: a % 2 === 0 }
  }
}
const pieces = (bench: Bench) =>
  bench.lots.reduce((sum, { onHand: here }) => sum + here, 0) +
  Object.values(bench.document.trials.at(-1)!.packs)
    .flatMap(pack => pack ?? [])
    .reduce((sum, { count }) => sum + count, 0) +
  bench.document.laps.filter(lap => lap.end === null).length

describe('any sequence of commands', () => {
  it('keeps stock at zero or more, signed checks as signed, every reading where it was taken; replayed it gives the same', () => {
    fc.assert(
      fc.property(fc.array(anyCommand, { minLength: 10, maxLength: 45 }), draws => {
        let bench = fresh()
        const log: Happening[] = []
        for (const draw of draws) {
          const command = commandFrom(bench, draw)
          const before = bench
          const outcome = decide(bench, command)
          if (!outcome.ok) continue
          bench = outcome.happenings.reduce(apply, bench)
          log.push(...outcome.happenings)
          expect(bench.lots.every(({ onHand: here }) => here >= 0)).toBe(true)
          // A refused or repeated command leaves no trace; one that is done is done once.
          const again = decide(bench, command)
          if (command.kind === 'read' || command.kind === 'fit' || command.kind === 'void') expect(again.ok).toBe(false)
          if (before.document.signOff && command.kind !== 'reopen' && command.kind !== 'part-change')
            throw new Error('a signed check was written to')
          if (command.kind === 'read') {
            const at = bench.document.trials.filter(t => t.readings.some(({ id }) => id === command.reading.id))
            expect(at.map(({ id }) => id)).toEqual([command.trialId])
            expect(at[0]!.readings.at(-1)!.point).toBe(command.reading.point)
          }
          if (command.kind === 'fit') {
            // Nothing is made or lost: what left the drawer is in the machine, and the other way round.
            expect(pieces(bench)).toBe(pieces(before))
            expect(bench.document.trials.slice(0, -1)).toEqual(before.document.trials)
          }
        }
        expect(log.reduce(apply, fresh())).toEqual(bench)
        expect(
          log.reduce((now, happening) => (happening.type === 'moved' ? now : apply(now, happening)), bench).document.trials,
        ).toHaveLength(bench.document.trials.length)
        evaluateCheck(bench.document, bench.lots)
      }),
      { numRuns: runs(150), seed: 8 },
    )
  })
})

describe('another gauge in the middle of a check', () => {
  const [coarse, fine] = [
    gauge('dial-indicator', thou(1), { id: 'coarse', permissibleError: thou(1) }),
    gauge('dial-indicator', thou(0.1), { id: 'fine', permissibleError: nm(0) }),
  ]
  const change = (id: string): Command => ({
    ...head(),
    kind: 'change-settings',
    change: { gauges: { 'dial-indicator': id } },
    register: [coarse, fine],
    parts: [],
  })
  const errorOf = ({ document }: Bench) =>
    evaluateCheck(document, []).headline.estimate!.lines.find(({ source }) => source === 'gauge-error')?.u ?? 0
  const read = done(fresh({ gauges: { 'dial-indicator': coarse } }), play(4), play(4), play(4))
  const after = done(read, change('fine'))
  it('what was read is judged by the one it was read with', () => {
    expect(errorOf(read)).toBeCloseTo(thou(1) / Math.sqrt(3), 6)
    expect(after.document.gauges).toEqual({ 'dial-indicator': fine, 'dial-indicator:read-coarse': coarse })
    expect(errorOf(after)).toBe(errorOf(read))
  })
  it('read on with the finer one the series is as good as its coarsest; read anew with it, it is finer', () => {
    const on = done(after, play(4.1))
    expect(on.document.trials[0]!.readings.map(reading => reading.gauge)).toEqual(['coarse', 'coarse', 'coarse', 'fine'])
    expect(errorOf(on)).toBe(errorOf(read))
    const voided = on.document.trials[0]!.readings.slice(0, 3).map(({ id }): Command => ({
      ...head(),
      kind: 'void',
      readingId: id,
      reason: 'read with the coarse one',
    }))
    expect(errorOf(done(on, ...voided))).toBe(0)
  })
  it('changed before anything was read, nothing of the first is kept', () =>
    expect(done(fresh({ gauges: { 'dial-indicator': coarse } }), change('fine')).document.gauges).toEqual({ 'dial-indicator': fine }))
})
