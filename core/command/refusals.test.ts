import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, gauge, plays, trial } from '../../tests/documents'
import type { CheckDocument } from '../check/document'
import type { Lot } from '../pack/lot'
import { exact } from '../quantity/figure'
import { nm, thou } from '../quantity/length'
import { twoSided } from '../verdict/limits'
import { apply } from './apply'
import type { Bench, Command } from './command'
import { decide } from './decide'
import { newLot } from './found-pack'

const AT = '2026-05-04T08:00:00.000Z'
const lot = (id: string, thick: number, more: Partial<Lot> = {}): Lot => ({
  ...newLot({ id, family: 'pieces', nominal: thou(thick), tags: [] }, true),
  onHand: 2,
  ...more,
})
const DRAWER = [
  lot('a', 10),
  lot('b', 8, { onHand: 3, reserved: 1 }),
  lot('one', 7, { onHand: 1, apart: true }),
  lot('kept', 6, { onHand: 1, reserved: 1 }),
  lot('sheet', 20, { shape: 'sheet', onHand: 1 }),
]
const limits = { working: 'book' as const, sets: { play: { book: twoSided(thou(3), thou(6), 'thou', { kind: 'book' }), shop: null } } }
const bench = (change: Partial<CheckDocument> = {}, more: Partial<Bench> = {}): Bench => ({
  document: checkOf('shaft-end-play', {
    limits,
    family: 'pieces',
    parts: { shaft: 's', bearing: 'p', housing: 'h' },
    trials: [trial('t1', plays('travel', 8, 8, 8), { packs: { pack: [{ lotId: 'a', count: 1 }] } })],
    ...change,
  }),
  lots: DRAWER,
  reserves: {},
  ...more,
})
const HEAD = { op: 'op', at: AT }
const pieces = (counts: Record<string, number>) => Object.entries(counts).map(([lotId, count]) => ({ lotId, count }))
const fit = (counts: Record<string, number>, more: object = {}): Command => ({
  ...HEAD,
  kind: 'fit',
  trialId: 't2',
  packs: [{ place: 'pack', pieces: pieces(counts) }],
  ...more,
})
const read = (reading: object, more: object = {}): Command =>
  ({ ...HEAD, kind: 'read', trialId: 't1', ...more, reading: { id: 'new', point: 'travel', at: AT, ...reading } }) as Command
const play = { start: nm(0), far: thou(8), back: nm(0) }
const lap = (more: object = {}): Command =>
  ({ ...HEAD, kind: 'begin-lap', id: 'l1', place: 'pack', lotId: 'b', target: thou(8), low: null, high: null, ...more }) as Command
const settings = (change: object, more: object = {}): Command =>
  ({ ...HEAD, kind: 'change-settings', change, register: [GAUGES['dial-indicator'], GAUGES.micrometer], parts: [], ...more }) as Command
const after = (start: Bench, ...commands: readonly Command[]): Bench =>
  commands.reduce((now, command) => {
    const outcome = decide(now, command)
    if (!outcome.ok) throw new Error(outcome.faults[0]!.reason)
    return outcome.happenings.reduce(apply, now)
  }, start)
const list = (found: readonly object[], place = 'pack'): Command => ({ ...HEAD, kind: 'list', place, pieces: found }) as Command
const promise = (counts: Record<string, number>, place = 'pack'): Command => ({ ...HEAD, kind: 'promise', place, pieces: pieces(counts) })
const want = (counts: Record<string, number>, place = 'pack'): Command => ({ ...HEAD, kind: 'want', place, pieces: pieces(counts) })
const say = (condition: string, state: string): Command => ({ ...HEAD, kind: 'say', condition, trial: 't1', state })
const clearing: Command = { ...HEAD, kind: 'clear', item: 'none', trial: 't1', how: 'done', by: 'me' }
const strike = (readingId: string): Command => ({ ...HEAD, kind: 'void', readingId, reason: 'base moved' })
const endLap = (made: boolean): Command => ({ ...HEAD, kind: 'end-lap', lapId: 'l1', made })
const pass: Command = { ...HEAD, kind: 'lap-pass', lapId: 'l1', id: 'p', figures: [7, 7, 7, 7].map(thou), measuredAt: AT }
const inHand = (lotId: string, id: string, size: number) => ({ inHand: [{ lotId, id, size: thou(size), mark: '' }] })
const NO_LIMITS = { kind: 'none', unit: 'thou', source: { kind: 'own' } } as const
const lapped = after(bench(), lap())
const refitted = after(bench(), fit({ b: 1 }))
const signed = bench({ signOff: { at: AT, by: 'me', reason: null, core: '1' } })
const grooved = bench({ setup: { pack: 'equal-pair' } })

/** A torque is read as the range it turned in. */
const torque = (low: number, high: number): readonly [Bench, Command] => [
  {
    document: checkOf('torque-preload', { setup: { way: 'gauge' }, trials: [trial('t1', [])] }),
    lots: [],
    reserves: {},
  },
  read({ point: 'turning-1', low: exact(low * 1e8), high: exact(high * 1e8) }),
]

type Case = readonly [what: string, bench: Bench, command: Command, code: string, path: string, words: RegExp]
/** Everything that is refused, each by the one thing that is wrong with it. */
const REFUSED: readonly Case[] = [
  ['a signed check, as it is', signed, read(play), 'conflict', '', /signed off\. Reopen it first/],
  ['a reading of an earlier fitting', refitted, read(play), 'conflict', 'trialId', /earlier fitting/],
  ['a reading at no point', bench(), read({ ...play, point: 'nowhere' }), 'invalid', 'point', /no such point/],
  ['a reading twice', after(bench(), read(play)), read(play), 'conflict', 'id', /already here/],
  ['a reading without its far figure', bench(), read({ start: nm(0), back: nm(0) }), 'invalid', 'far', /figure is missing/],
  ['a reading with what its point does not take', bench(), read({ ...play, figure: thou(1) }), 'invalid', 'figure', /does not take that/],
  ['a reading with no gauge for it', bench({ gauges: {} }), read(play), 'conflict', '', /no gauge for this yet/],
  [
    'a reading from before a part was replaced',
    bench({ partChanges: [{ role: 'bearing', at: AT, reason: 'worn', order: 5 }] }),
    read(play, { seen: 4 }),
    'conflict',
    'seen',
    /before a change it rests on/,
  ],
  ['a range that ends below its beginning', ...torque(7, 6), 'invalid', 'high', /must not be below the first/],
  ['striking out what is not there', bench(), strike('none'), 'missing', 'readingId', /no such reading/],
  ['striking out twice', after(bench(), read(play), strike('new')), strike('new'), 'conflict', 'readingId', /voided already/],
  ['ticking no step', bench(), { ...HEAD, kind: 'tick', step: 'none', trial: 't1', ticked: true }, 'invalid', 'step', /no such step/],
  [
    'ticking a step for an earlier fitting',
    bench(),
    { ...HEAD, kind: 'tick', step: 'tightened', trial: 't0', ticked: true },
    'conflict',
    'trial',
    /earlier fitting/,
  ],
  [
    'more pieces than the check allows',
    bench({ packRules: { most: 1 } }),
    fit({ a: 1, b: 1 }),
    'invalid',
    'packs.0.pieces',
    /allows 1 piece in a pack at most, not 2/,
  ],
  [
    'fewer than it asks for',
    bench({ packRules: { fewest: 2 } }),
    fit({ b: 1 }),
    'invalid',
    'packs.0.pieces',
    /at least 2 pieces in a pack, not 1/,
  ],
  [
    'a thicker stack than it allows',
    bench({ packRules: { largestStack: thou(12) } }),
    fit({ a: 1, b: 1 }),
    'invalid',
    'packs.0.pieces',
    /no stack as thick as that/,
  ],
  [
    'a pack without the piece it requires',
    bench({ packRules: { required: 'one' } }),
    fit({ b: 1 }),
    'invalid',
    'packs.0.pieces',
    /piece this check requires is not in it/,
  ],
  [
    'a piece put in where they are only taken out',
    bench({ packRules: { onlyRemove: true } }),
    fit({ b: 1 }),
    'invalid',
    'packs.0.pieces',
    /only lets pieces be taken out/,
  ],
  [
    'an unmeasured piece where only measured ones go in',
    bench({ packRules: { noUnmeasured: true } }, { lots: [...DRAWER, { ...lot('raw', 9), measured: null }] }),
    fit({ raw: 1 }),
    'invalid',
    'packs.0.pieces',
    /measured pieces in only/,
  ],
  ['a state nobody asks for', bench(), say('none', 'x'), 'invalid', 'condition', /does not ask/],
  [
    'a state of an earlier fitting',
    after(bench({ setup: { pack: 'in-gap', seals: 'yes' } }), fit({ b: 1 })),
    say('seals', 'out'),
    'conflict',
    'trial',
    /earlier fitting/,
  ],
  [
    'a state that is none',
    bench({ setup: { pack: 'in-gap', seals: 'yes' } }),
    say('seals', 'sideways'),
    'invalid',
    'state',
    /not an answer/,
  ],
  ['clearing what is not pending', bench(), clearing, 'invalid', 'item', /pending/],
  ['clearing at an earlier fitting', refitted, clearing, 'conflict', 'trial', /earlier fitting/],
  ['listing at no place', bench(), list([], 'none'), 'invalid', 'place', /no such place/],
  ['listing after a refit', refitted, list([{ lotId: 'a', count: 1 }]), 'conflict', '', /cannot be listed again/],
  ['listing more than it takes', grooved, list([{ lotId: 'a', count: 3 }]), 'invalid', 'pieces', /it takes 2 pieces, not 3/],
  ['listing what the drawer has not', bench(), list([{ lotId: 'ghost', count: 1 }]), 'invalid', 'pieces.0.lotId', /not in the drawer/],
  ['listing a piece of no size', bench(), list([{ count: 1 }]), 'invalid', 'pieces.0.size', /Give the piece its size/],
  ['a fitting twice', bench(), fit({ b: 1 }, { trialId: 't1' }), 'conflict', 'trialId', /already here/],
  [
    'a fitting chosen before the pack was changed',
    refitted,
    fit({ a: 1 }, { trialId: 't3', onto: 't1' }),
    'conflict',
    'onto',
    /earlier fitting/,
  ],
  [
    'a place twice in a fitting',
    bench(),
    fit(
      {},
      {
        packs: [
          { place: 'pack', pieces: pieces({ b: 1 }) },
          { place: 'pack', pieces: pieces({ a: 1 }) },
        ],
      },
    ),
    'invalid',
    'packs.1.place',
    /named twice/,
  ],
  ['a fitting at no place', bench(), fit({}, { packs: [{ place: 'none', pieces: [] }] }), 'invalid', 'packs.0.place', /no such place/],
  ['a fitting of a size there is not', bench(), fit({ ghost: 1 }), 'missing', 'packs.0.pieces', /no such size/],
  ['a fitting before anything was measured', bench({ trials: [trial('t1', [])] }), fit({ b: 1 }), 'conflict', '', /Measure first/],
  ['more than is there', bench(), fit({ b: 4 }), 'conflict', 'packs', /only 3 of 8\.0 thou in the drawer; this needs 4/],
  ['what is promised to another', bench(), fit({ b: 3 }), 'conflict', 'claim', /Only 2 of 8\.0 thou are free/],
  ['a piece in the hand of no size', bench(), fit({ b: 1 }, inHand('ghost', 'n', 8)), 'missing', 'inHand.0.lotId', /no such size/],
  [
    'a piece in the hand that is told apart',
    bench(),
    fit({ one: 1 }, inHand('one', 'n', 7)),
    'invalid',
    'inHand.0.lotId',
    /its figure already/,
  ],
  ['a piece in the hand under an id that is taken', bench(), fit({ b: 1 }, inHand('b', 'a', 8)), 'conflict', 'inHand.0.id', /taken/],
  [
    'two pieces in the hand under one id',
    bench(),
    fit(
      { b: 2 },
      {
        inHand: [
          { lotId: 'b', id: 'n', size: thou(8), mark: '' },
          { lotId: 'b', id: 'n', size: thou(8), mark: '' },
        ],
      },
    ),
    'invalid',
    'inHand.1.id',
    /used twice/,
  ],
  ['a piece in the hand that is not put in', bench(), fit({ b: 1 }, inHand('kept', 'n', 6)), 'invalid', 'inHand.0.lotId', /not put in/],
  ['a promise to no place', bench(), promise({ a: 1 }, 'none'), 'invalid', 'place', /no such place/],
  ['a promise of no size', bench(), promise({ ghost: 1 }), 'missing', '', /no such size/],
  ['a promise of more than is free', bench(), promise({ a: 1, b: 3 }), 'conflict', 'pieces.1.count', /Only 2 of 8\.0 thou are free/],
  ['an order for no place', bench(), want({}, 'none'), 'invalid', 'place', /no such place/],
  ['an order of one told apart', bench(), want({ a: 1, one: 1 }), 'invalid', 'pieces.1.lotId', /order its size/],
  ['lapping at no place', bench(), lap({ place: 'none' }), 'invalid', 'place', /no such place/],
  ['lapping where both would have to be alike', grooved, lap(), 'invalid', 'place', /cannot be lapped/],
  ['lapping under an id that is taken', lapped, lap({ place: 'pack' }), 'conflict', 'id', /begun already/],
  ['lapping a second at the same place', lapped, lap({ id: 'l2' }), 'conflict', '', /being made already/],
  ['lapping no size', bench(), lap({ lotId: 'ghost' }), 'missing', '', /no such size/],
  ['lapping what is kept for another', bench(), lap({ lotId: 'kept', target: thou(5) }), 'conflict', 'lotId', /None of that size is free/],
  ['lapping thicker than it is', bench(), lap({ target: nm(thou(8) + 1) }), 'invalid', 'target', /thicker than it is/],
  ['measuring what is not being made', bench(), pass, 'missing', '', /no such piece/],
  ['measuring what is done', after(lapped, endLap(false)), pass, 'conflict', 'lapId', /done already/],
  ['a made piece nobody measured', lapped, endLap(true), 'conflict', '', /Measure it first/],
  [
    'an aim of one’s own without its figure',
    bench(),
    settings({ aim: { school: 'own' } }),
    'invalid',
    'settings.aim.own',
    /needs its figure/,
  ],
  [
    'limits of no result',
    bench(),
    settings({ limits: [{ result: 'none', role: 'book', set: NO_LIMITS }] }),
    'invalid',
    'settings.limits.0.result',
    /no such result/,
  ],
  [
    'limits the wrong way round',
    bench(),
    settings({
      limits: [
        { result: 'play', role: 'book', set: { kind: 'two-sided', lower: thou(5), upper: thou(4), unit: 'thou', source: { kind: 'own' } } },
      ],
    }),
    'invalid',
    'settings.limits.0.set',
    /lower limit is above/,
  ],
  [
    'a gauge nobody has',
    bench(),
    settings({ gauges: { 'dial-indicator': 'ghost' } }),
    'invalid',
    'settings.gauges.dial-indicator',
    /not in the register/,
  ],
  [
    'a gauge for something else',
    bench(),
    settings({ gauges: { 'dial-indicator': 'micrometer' } }),
    'invalid',
    'settings.gauges.dial-indicator',
    /not what is asked for/,
  ],
  [
    'a gauge where none is needed',
    bench(),
    settings({ gauges: { micrometer: 'micrometer' } }),
    'invalid',
    'settings.gauges.micrometer',
    /not what is asked for/,
  ],
  ['a set-up that is none', bench(), settings({ setup: { pack: 'nowhere' } }), 'invalid', 'settings.setup.pack', /./],
  ['what was measured, after a refit', refitted, settings({ setup: { pack: 'under-cover' } }), 'conflict', 'settings.setup.pack', /stays/],
  ['opening what is not signed', bench(), { ...HEAD, kind: 'reopen', by: 'me', reason: 'x' }, 'conflict', '', /not signed off/],
]
describe('what is refused', () => {
  it.each(REFUSED)('%s', (_what, from, command, code, path, words) => {
    const outcome = decide(from, command)
    expect(outcome).toMatchObject({ ok: false, code, faults: [{ path }] })
    expect(outcome.ok ? '' : outcome.faults[0]!.reason).toMatch(words)
  })
})

/** The nearest to each that is done, and what comes of it. */
const DONE: readonly (readonly [what: string, bench: Bench, command: Command, happened: readonly string[]])[] = [
  ['a range of one figure', ...torque(7, 7), ['read']],
  ['a range', ...torque(6, 7), ['read']],
  [
    'a part is replaced under a signed check',
    bench({ parts: { bearing: 'p' }, signOff: signed.document.signOff }),
    { ...HEAD, kind: 'part-change', part: { id: 'p', name: 'Bearing' }, reason: 'worn', by: 'me' },
    ['part-changed', 'reopened'],
  ],
  [
    'a reading as of the newest change',
    bench({ partChanges: [{ role: 'bearing', at: AT, reason: 'worn', order: 5 }] }),
    read(play, { seen: 5 }),
    ['read'],
  ],
  [
    'a reading from before a change of what it does not rest on',
    bench({ partChanges: [{ role: 'gasket', at: AT, reason: 'torn', order: 5 }] }),
    read(play, { seen: 4 }),
    ['read'],
  ],
  ['the last that is there and free', bench(), fit({ b: 2 }), ['fitted', 'moved', 'moved', 'promised']],
  ['what is promised to another, on purpose', bench(), fit({ b: 3 }, { claim: true }), ['fitted', 'moved', 'moved', 'claimed', 'promised']],
  ['the same pack once more', bench(), fit({ a: 1 }), ['fitted', 'promised']],
  ['all that are free are promised', bench(), promise({ b: 2 }), ['promised']],
  ['lapping as thick as it is', bench(), lap({ target: thou(8) }), ['lap-begun', 'moved']],
  ['lapping from sheet, whose count stays', bench(), lap({ lotId: 'sheet', target: thou(9) }), ['lap-begun']],
  [
    'lapping what is fitted, with none in the drawer',
    bench({}, { lots: DRAWER.map(one => (one.id === 'a' ? { ...one, onHand: 0 } : one)) }),
    lap({ lotId: 'a', target: thou(9) }),
    ['lap-begun'],
  ],
  ['lapping a second after the first was scrapped', after(lapped, endLap(false)), lap({ id: 'l2' }), ['lap-begun', 'moved']],
  ['a made piece is kept for its place', after(lapped, pass), endLap(true), ['lot-added', 'moved', 'lap-ended', 'promised']],
  ['a place found empty', bench({ trials: [trial('t1', [])], setup: { pack: 'under-cover' } }), list([]), ['listed']],
  ['a size found that the drawer does not know', bench(), list([{ size: thou(13), count: 1 }]), ['lot-added', 'listed']],
  [
    'an unmeasured size found that it knows by its mark',
    bench({}, { lots: [...DRAWER, lot('marked', 13, { measured: null })] }),
    list([{ size: thou(13), count: 1 }]),
    ['listed'],
  ],
  ['an aim of one’s own', bench(), settings({ aim: { school: 'own', own: thou(4) } }), ['settings-changed']],
  ['limits taken away', bench(), settings({ limits: [{ result: 'play', role: 'book', set: NO_LIMITS }] }), ['settings-changed', 'limited']],
  [
    'another gauge of the kind',
    bench(),
    settings({ gauges: { 'dial-indicator': 'finer' } }, { register: [gauge('dial-indicator', thou(0.1), { id: 'finer' })] }),
    ['settings-changed', 'gauged'],
  ],
  ['the name, after a refit', refitted, settings({ title: ' Output ' }), ['settings-changed']],
  ['opened again', signed, { ...HEAD, kind: 'reopen', by: ' me ', reason: ' slip ' }, ['reopened']],
]
describe('what is done, where it is next to what is refused', () => {
  it.each(DONE)('%s', (_what, from, command, happened) => {
    const outcome = decide(from, command)
    expect(outcome.ok ? [] : outcome.faults).toEqual([])
    expect((outcome.ok ? outcome.happenings : []).map(({ type }) => type).sort()).toEqual([...happened].sort())
  })
})

describe('what is kept of it', () => {
  it('names and reasons without the blanks around them', () => {
    const replaced = decide(bench({ parts: { bearing: 'p' }, signOff: signed.document.signOff }), {
      ...HEAD,
      kind: 'part-change',
      part: { id: 'p', name: 'Bearing' },
      reason: 'worn',
      by: ' me ',
    })
    expect(replaced).toMatchObject({
      ok: true,
      what: 'Stale: bearing: worn',
      happenings: [
        { type: 'part-changed', by: 'me', change: { role: 'bearing', reason: 'worn' } },
        { type: 'reopened', reopening: { by: 'me', reason: 'Replaced or reworked, bearing: worn' } },
      ],
    })
    expect(decide(signed, { ...HEAD, kind: 'reopen', by: ' me ', reason: ' slip ' })).toMatchObject({
      what: 'Reopened by me: slip',
      happenings: [{ reopening: { by: 'me', reason: 'slip', at: AT } }],
    })
  })
  it('promises by size, whatever order they came in; an empty one is none', () => {
    const promised = (counts: Record<string, number>): Command => ({ ...HEAD, kind: 'promise', place: 'pack', pieces: pieces(counts) })
    const both = after(bench(), promised({ b: 1, a: 1 }))
    expect(both.reserves).toEqual({
      pack: [
        { lotId: 'a', count: 1 },
        { lotId: 'b', count: 1 },
      ],
    })
    expect(after(both, promised({})).reserves).toEqual({})
  })
})
