import { describe, expect, it } from 'vitest'
import { done } from '../../tests/bench'
import { checkOf, figures, plays, said, trial } from '../../tests/documents'
import { lotOf } from '../../tests/pieces'
import { nm, thou, mm } from '../quantity/length'
import { twoSided } from '../verdict/limits'
import { apply } from '../command/apply'
import type { Bench, Command } from '../command/command'
import { decide } from '../command/decide'
import type { CheckDocument, PointReading } from './document'
import { evaluateCheck } from './evaluate/evaluate-check'
import { stateWord } from './evaluate/state-words'
import { checkKind } from './registry'
import { leftOutOf } from './said'

const AT = '2026-05-04T08:00:00.000Z'
let op = 0
const head = () => ({ op: `o${op++}`, at: AT })
const benchOf = (document: CheckDocument, lots: Bench['lots'] = []): Bench => ({ document, lots, reserves: {} })
const evaluated = ({ document, lots }: Bench) => evaluateCheck(document, lots)
const book = (result: string, low: number, high: number) => ({
  working: 'book' as const,
  sets: { [result]: { book: twoSided(low, high, 'mm', { kind: 'book' }), shop: null } },
})

describe('points', () => {
  const setup = { positions: '1', stations: '2', master: String(nm(60_000_000)), masterError: '0' }
  const at = (part: string, size: number, ...places: string[]) => places.flatMap(place => figures(`${part}-1-${place}`, size))
  const mains = (readings: readonly PointReading[]) =>
    benchOf(
      checkOf('bearing-clearance', { setup, entryUnit: 'mm', limits: book('clearance', 30_000, 70_000), trials: [trial('t1', readings)] }),
    )
  const front = [...at('journal', 59_950_000, 'A-front'), ...at('bore', 0, 'A-front')]
  const leave = (point: string, reason: string | null): Command => ({ ...head(), kind: 'leave-out', trial: 't1', point, reason })
  const clearance = (bench: Bench) => evaluated(bench).current.results.find(({ id }) => id === 'clearance@1')!

  it('one journal and one bore of eight are no bearing: “2 of 8 points”, never In, and not signed', () => {
    const bench = mains(front)
    const e = evaluated(bench)
    expect([clearance(bench).state, stateWord(clearance(bench)), e.word, e.phase]).toEqual([
      'part-read',
      '2 of 8 points',
      '2 of 8 points',
      'measure',
    ])
    expect(e.signOff.blockers[0]).toContain('2 of 8 points read: read the others, or leave them out with a reason')
  })
  it('left out with a reason they are not asked for, and the result names them; asked for again, they are', () => {
    const others = ['journal-1-B-front', 'journal-1-A-rear', 'journal-1-B-rear', 'bore-1-B-front', 'bore-1-A-rear', 'bore-1-B-rear']
    const bench = done(mains(front), ...others.map(point => leave(point, 'the arm is in the way')))
    expect(clearance(bench)).toMatchObject({ state: 'in', progress: { read: 2, of: 2 } })
    expect(clearance(bench).progress.leftOut).toHaveLength(6)
    expect(clearance(bench).progress.leftOut[0]).toMatchObject({ point: 'journal-1-B-front', reason: 'the arm is in the way' })
    expect(stateWord(clearance(done(bench, leave('bore-1-B-rear', null))))).toBe('2 of 3 points')
    // In the next fitting of other shells a journal is still out, until it is asked for again; of the fitting before it stays as it was said.
    const refitted = {
      ...bench,
      document: { ...bench.document, trials: [...bench.document.trials, trial('t2', [], { refitted: ['shells-1'] })] },
    }
    const outOf = ({ document }: Bench, index: number) => leftOutOf(document.trials, { id: 'journal-1-B-rear', moves: [] }, index)
    expect(outOf(refitted, 1)).toBe('the arm is in the way')
    const again = done(refitted, { ...leave('journal-1-B-rear', null), trial: 't2' } as Command)
    expect([outOf(again, 0), outOf(again, 1)]).toEqual(['the arm is in the way', null])
    // Read after all, it counts.
    const read: Command = { ...head(), kind: 'read', trialId: 't1', reading: { id: 'x', point: 'bore-1-B-rear', at: AT, figure: nm(0) } }
    expect(clearance(done(bench, read)).progress).toMatchObject({ read: 3, of: 3 })
  })
  it('only what the check needs is left out, in the fitting that is in', () => {
    const refused = (command: Command) => {
      const outcome = decide(mains(front), command)
      return outcome.ok ? null : outcome.faults[0]!.path
    }
    expect([refused(leave('ghost', 'x')), refused({ ...leave('bore-1-B-rear', 'x'), trial: 't0' } as Command)]).toEqual(['point', 'trial'])
  })
})

describe('opened again', () => {
  const play = (id: string, far: number): Command => ({
    ...head(),
    kind: 'read',
    trialId: 't1',
    reading: { id, point: 'travel', at: AT, start: nm(0), far: thou(far), back: nm(0) },
  })
  const limits = book('play', thou(2), thou(5))
  const signed = done(
    benchOf(
      checkOf('shaft-end-play', {
        setup: { pack: 'none', seals: 'yes' },
        limits,
        trials: [trial('t1', plays('travel', 3.3, 3.3, 3.3), { conditions: { seals: 'out' } })],
      }),
    ),
    { ...head(), kind: 'sign', by: 'T. Marl', reason: null },
  )
  const opened = done(signed, { ...head(), kind: 'reopen', by: 'T. Marl', reason: 'heard a knock' })
  const value = (bench: Bench) => evaluated(bench).current.headline.estimate!.value / thou(1)

  it('what is read begins a series of its own: 2 is 2, not averaged into the 3.3 that was signed', () => {
    expect(value(opened)).toBeCloseTo(3.3, 6)
    expect(value(done(opened, play('a', 2)))).toBeCloseTo(2, 6)
  })
  it('a state said now does not rewrite what was read in another', () => {
    const seal = (state: string): Command => ({ ...head(), kind: 'say', condition: 'seals', trial: 't1', state })
    expect(evaluated(opened).conditions.map(({ is }) => is)).toEqual(['not-said'])
    expect(evaluated(done(opened, seal('out'))).current.headline.estimate).not.toBeNull()
    // With the seal in, nothing was read yet.
    expect(evaluated(done(opened, seal('in'))).current.headline.state).toBe('to-do')
  })
  it('every must is asked again, each by itself, but for what is said once of the unit', () => {
    expect(opened.document.ticks).toEqual([])
    const kit = benchOf(checkOf('roller-big-end'))
    const of = (bench: Bench) => evaluated(bench).pending.map(({ id }) => id)
    const again = apply(kit, { type: 'reopened', reopening: { at: AT, by: 'T', reason: 'x' } })
    expect(of(again)).not.toContain('bags-apart')
    expect(of(again)).toContain('clean')
    // A new part: that too.
    expect(of(apply(kit, { type: 'part-changed', change: { role: 'pin-1', at: AT, reason: 'x' }, by: 'T' }))).toContain('bags-apart')
  })
})

describe('a refit', () => {
  const lots = [lotOf('a', thou(10)), lotOf('b', thou(8))]
  const start = checkOf('shaft-end-play', {
    setup: { pack: 'under-cover' },
    limits: book('play', thou(2), thou(5)),
    trials: [trial('t1', plays('travel', 6, 6, 6), { packs: { pack: [{ lotId: 'a', count: 1 }] } })],
  })
  const fitted = done(benchOf(start, lots), {
    ...head(),
    kind: 'fit',
    trialId: 't2',
    packs: [{ place: 'pack', pieces: [{ lotId: 'b', count: 1 }] }],
  })
  it('has every must ticked again, set-up too; of what was found the ticks stay with it', () => {
    const musts = checkKind('shaft-end-play')
      .procedure(start.setup)
      .filter(({ required }) => required)
    expect(evaluated(fitted).pending.map(({ id }) => id)).toEqual(musts.map(({ id }) => id))
    expect(evaluated(fitted).trials[0]!.state).toBe('above')
    expect(fitted.document.ticks.every(({ trial: of }) => of === 't1')).toBe(true)
  })
  it('what was found is not asked for what speaks of the pack that went in; its final torque must be ticked', () => {
    const asFound = { ...start, ticks: [] }
    const pending = evaluateCheck(asFound, lots).pending.map(({ id }) => id)
    expect(pending).toContain('torqued')
    expect(pending).not.toContain('refitted')
  })
})

describe('states are of a place', () => {
  const CONDITIONS = { bearings: 'greased', seals: 'out', bolts: 'full' }
  const side = (id: 'left' | 'right'): PointReading[] => [said(`drag-${id}`, 'slight'), said(`side-play-${id}`, 'none')]
  const swivel = (conditions: Record<string, string>) =>
    evaluateCheck(
      checkOf('swivel-preload', {
        setup: { sides: 'both', way: 'feel' },
        trials: [trial('t1', [...side('left'), ...side('right')], { conditions })],
      }),
      [],
    )
  it('the left’s seal leaves the right as it is', () => {
    const { conditions } = swivel({ ...CONDITIONS })
    const each = ['bearings', 'seals', 'bolts']
    expect(conditions.map(({ condition }) => condition.id)).toEqual(['left', 'right'].flatMap(at => each.map(id => `${id}@${at}`)))
    const mixed = swivel({
      'bearings@left': 'greased',
      'seals@left': 'in',
      'bolts@left': 'full',
      'bearings@right': 'greased',
      'seals@right': 'out',
      'bolts@right': 'full',
    })
    expect(mixed.conditions.filter(({ is }) => is === 'short').map(({ condition }) => condition.label)).toEqual([
      'Left: swivel seal and ring seal of the pin',
    ])
  })
  it('refitting one side asks for its states alone', () => {
    const lots = [lotOf('s', mm(0.25), { shape: 'sprung' }), lotOf('p', mm(0.35))]
    const packs = { 'pack-left': [{ lotId: 's', count: 1 }], 'pack-right': [{ lotId: 's', count: 1 }] }
    const document = checkOf('swivel-preload', {
      setup: { sides: 'both', way: 'feel' },
      trials: [
        trial('t1', [...side('left'), ...side('right')], { packs, conditions: CONDITIONS }),
        trial('t2', [], {
          packs: {
            ...packs,
            'pack-left': [
              { lotId: 's', count: 1 },
              { lotId: 'p', count: 1 },
            ],
          },
          refitted: ['pack-left'],
        }),
      ],
    })
    const open = evaluateCheck(document, lots).conditions.filter(({ is }) => is === 'not-said')
    expect(open.map(({ condition }) => condition.id)).toEqual(['bearings@left', 'seals@left', 'bolts@left'])
  })
  it('a trial packing says it of its joint by itself; taken out, it is asked again', () => {
    const lots = [lotOf('shim', mm(2), { family: 'shims' }), lotOf('paper', mm(0.1), { family: 'shims', shape: 'packing' })]
    const shim = { 'shim-1': [{ lotId: 'shim', count: 1 }] }
    const joint = (paper: boolean, conditions: Record<string, string>) =>
      benchOf(
        checkOf('torque-preload', {
          setup: { way: 'gauge' },
          family: 'shims',
          trials: [trial('t1', [], { packs: { ...shim, 'joint-1': paper ? [{ lotId: 'paper', count: 1 }] : [] }, conditions })],
        }),
        lots,
      )
    const is = (bench: Bench) => evaluated(bench).conditions.find(({ condition }) => condition.id === 'joint@1')!.said
    expect([is(joint(true, { joint: 'bare' })), is(joint(false, { joint: 'packing' })), is(joint(false, { joint: 'bare' }))]).toEqual([
      'packing',
      null,
      'bare',
    ])
    const say = (state: string): Command => ({ ...head(), kind: 'say', condition: 'joint@1', trial: 't1', state })
    expect([
      decide(joint(true, {}), say('bare')).ok,
      decide(joint(false, {}), say('packing')).ok,
      decide(joint(false, {}), say('bare')).ok,
    ]).toEqual([false, false, true])
  })
})
