import { describe, expect, it } from 'vitest'
import { checkOf, figures, GAUGES, trial } from '../../../../tests/documents'
import { inches, thou, type Nm } from '../../../quantity/length'
import { endsOf, twoSided } from '../../../verdict/limits'
import type { PointReading } from '../../document'
import { detailsOf, evaluateCheck } from '../../evaluate/evaluate-check'
import { rollerBigEnd } from '.'
import { honePlan, stoneFor } from './hone-plan'
import { readRollers } from './setup'
import { sortedRollers } from './sets'

const MASTER = inches(1.5)
const setup = {
  rods: '1',
  rollers: '3',
  bags: '2',
  spread: String(thou(0.1)),
  master: String(MASTER),
  masterError: '0',
  metal: 'steel',
  celsius: '20',
}
const limits = {
  working: 'book',
  sets: { clearance: { book: twoSided(thou(0.9), thou(1.2), 'thou', { kind: 'book' }), shop: null } },
} as const
/** A pin of 1 in, rollers of a quarter: a bore of 1.5 in without clearance. Tenths off those. */
const pin = (tenths: number) => ['A', 'B'].flatMap(direction => figures(`pin-1-${direction}`, inches(1) + thou(tenths / 10)))
const rollers = (bag: string, ...tenths: number[]): PointReading[] => figures(`bag-${bag}`, ...tenths.map(t => inches(0.25) + thou(t / 10)))
const took = (rod: string, of: readonly PointReading[]): PointReading => ({
  id: `s${rod}`,
  point: `set-${rod}`,
  at: '2026-05-04T09:30:00.000Z',
  order: 1e6,
  pieces: of.map(({ id }) => id),
})
/** On a dial that climbs: the bore is above the master by `tenths`. */
const bore = (tenths: number) => ['A-front', 'B-front', 'A-rear', 'B-rear'].flatMap(at => figures(`bore-1-${at}`, -thou(tenths / 10)))
const pass = (id: string, end: 'front' | 'rear', tenths: number, more: object = {}): PointReading => ({
  id,
  point: `hone-1-${end}`,
  at: `2026-05-04T10:0${id.slice(-1)}:00.000Z`,
  order: 1e6,
  figure: -thou(tenths / 10) as Nm,
  ...more,
})
const evaluate = (readings: readonly PointReading[], change: Record<string, string> = {}) =>
  evaluateCheck(checkOf('roller-big-end', { setup: { ...setup, ...change }, limits, trials: [trial('t1', readings)] }), [])
const target = (evaluation: ReturnType<typeof evaluate>, id: string) => evaluation.targets.find(candidate => candidate.id === id)?.value
const of = rollers('A', -1, -1, -1)

describe('the sets of a roller big end', () => {
  it('asks for a set once the rollers are measured, and is done with choosing when it has one', () => {
    expect(evaluate([...pin(0), ...of]).phase).toBe('choose')
    expect(evaluate([...pin(0), ...of, took('1', of), ...bore(8)]).phase).toBe('prove')
  })
  it.each([
    ['too few', [of[0]!, of[1]!], 'This set has 2 rollers; a rod runs on 3.'],
    ['too far apart', rollers('A', 0, 1, 3), 'more than the spread allows'],
    ['of two bags', [...rollers('A', 0, 0), ...rollers('B', 0)], 'This set mixes bags.'],
  ])('a set that is %s is no valid set', (_, set, words) => {
    const { headline } = evaluate([...pin(0), ...of, ...set.filter(r => !of.includes(r)), took('1', set), ...bore(8)])
    expect(headline.state).toBe('not-valid')
    expect(headline.findings.map(finding => finding.words).join()).toContain(words)
  })
  it('a set with a roller that was read hot is not final, whichever of the bag it was', () => {
    const warm = of.map((r, i) => (i === 0 ? { ...r, hot: true as const } : r))
    const state = (set: readonly PointReading[]) => {
      const { current } = evaluate([...pin(0), ...set, took('1', set), ...bore(8)])
      return current.results.find(({ id }) => id === 'clearance@1')!
    }
    expect(state(of).findings.map(({ gate }) => gate)).not.toContain('hot')
    expect(state(warm).findings.map(({ gate }) => gate)).toContain('hot')
  })
  it('a roller struck out, or taken twice, takes its sets with it', () => {
    const struck = of.map((r, i) => (i === 0 ? { ...r, voided: { reason: 'chipped' } } : r))
    expect(
      evaluate([...pin(0), ...struck, took('1', of), ...bore(8)])
        .headline.findings.map(f => f.words)
        .join(),
    ).toContain('struck out since')
    const both = [...pin(0), ...['A', 'B'].flatMap(d => figures(`pin-2-${d}`, inches(1))), ...of, took('1', of), took('2', of)]
    expect(
      evaluate([...both, ...bore(8)], { rods: '2' })
        .current.results[0]!.findings.map(f => f.words)
        .join(),
    ).toContain('also in another rod’s')
  })
  it('never asks bags to be mixed unless set so', () => {
    const readings = [...rollers('A', 0, 0), ...rollers('B', 0, 0)]
    const words = (mix: string) => sortedRollers(readRollers({ ...setup, mix }), evaluate(readings).current.answers).possible
    expect([words('apart'), words('mixed')]).toEqual([0, 1])
  })
})

describe('the bore of a roller big end', () => {
  it('out of round beyond a tenth is said, from three a reject; no limit is invented', () => {
    const oval = (tenths: number) =>
      evaluate([
        ...pin(0),
        ...of,
        took('1', of),
        ...figures('bore-1-A-front', -thou(0.8)),
        ...figures('bore-1-B-front', -thou(0.8 + tenths / 10)),
        ...['A-rear', 'B-rear'].flatMap(at => figures(`bore-1-${at}`, -thou(0.8))),
      ]).current.results.find(({ id }) => id === 'bore-round@1')!
    expect(oval(0.5).findings).toEqual([])
    expect(oval(2).findings.at(-1)!.words).toContain('the goal is 0.1 thou')
    expect(oval(3).findings.at(-1)!.words).toContain('a reject')
    expect(oval(2)).toMatchObject({ state: 'no-limit', thumb: { upper: thou(0.1) } })
  })
  it('with no book, the clearance of road engines is offered and not judged by; without limits there is no size to hone to', () => {
    const { current, targets } = evaluateCheck(
      checkOf('roller-big-end', { setup, trials: [trial('t1', [...pin(0), ...of, took('1', of), ...bore(8)])] }),
      [],
    )
    expect(current.results[0]).toMatchObject({
      state: 'no-limit',
      thumb: { lower: thou(0.9), upper: thou(1.2), source: { kind: 'common-practice' } },
    })
    expect(targets).toEqual([])
  })
  it('without a master there is a size to hone to, but no figure for the dial', () => {
    const evaluation = evaluate([...pin(0), ...of, took('1', of)], { master: '' })
    expect(evaluation.targets.map(({ id }) => id)).toEqual(['bore'])
  })
  it('both ends of the range are judged by the one set of limits', () => {
    const mixed = rollers('A', -2, -2, -3)
    const { results } = evaluate([...pin(-1), ...mixed, took('1', mixed), ...bore(5.75)]).current
    expect(results.slice(0, 2).map(({ id, limits: { working } }) => [id, endsOf(working)?.upper])).toEqual([
      ['clearance@1', thou(1.2)],
      ['clearance-most@1', thou(1.2)],
    ])
  })
})

describe('honing to size', () => {
  const base = [...pin(0), ...of, took('1', of)]
  const plan = (...passes: PointReading[]) => {
    const evaluation = evaluate([...base, ...passes])
    return honePlan(readRollers({ ...setup, mix: 'apart' }), evaluation.current.answers, '1', { value: target(evaluation, 'bore')! })!
  }
  it('aims at the middle of the band: 10.5 tenths less the two of the rollers', () =>
    expect(target(evaluate(base), 'bore')! - MASTER).toBeCloseTo(thou(0.85), 3))
  it.each([
    [6, 'coarse'],
    [5, 'medium'],
    [2.1, 'medium'],
    [2, 'fine'],
    [0.5, 'fine'],
    [0.2, null],
    [-1, null],
  ])('%s tenths left: %s', (left, stone) => expect(stoneFor(thou(left / 10))).toBe(stone))
  it('asks for both ends before the first stroke, and for the other end after one', () => {
    expect(plan().words).toEqual(['Read the bore at both ends before the first stroke.'])
    expect(plan(pass('p1', 'front', 0)).words.at(-1)).toBe('Read the other end too.')
  })
  it('goes by the tighter end and says how much the ends differ', () => {
    const { left, stone, words } = plan(pass('p1', 'front', 0), pass('p2', 'rear', -2))
    expect(left).toBeCloseTo(thou(1.05), 3)
    expect(stone).toBe('coarse')
    expect(words.join(' ')).toContain('The rear is tighter by 0.20 thou')
  })
  it('reckons warm bores cold, and names the dial’s figures for a bore as warm as it is', () => {
    // 20 K of steel on 1.5 in: 3.45 tenths.
    const heat = 20 * 11.5e-6 * MASTER
    const warm = plan(
      pass('p1', 'front', 5.5 + heat / thou(0.1), { celsius: 40 }),
      pass('p2', 'rear', 5.5 + heat / thou(0.1), { celsius: 40 }),
    )
    expect(warm.left).toBeCloseTo(thou(0.3), -2)
    expect(warm.words.join(' ')).toMatch(/It reads 0\.3[45] thou big with heat: on the dial 0\.0[45] thou seem too much\./)
    const cool = plan(...(['front', 'rear'] as const).map((end, i) => pass(`c${i}`, end, 5.5 - heat / thou(0.1), { celsius: 0 })))
    expect(cool.words.join(' ')).toMatch(/It reads 0\.3[45] thou small with heat: on the dial 0\.6[45] thou seem left\./)
    // At size the dial shows the target and the heat, climbing dial: both negative.
    expect(warm.marks.at(-1)).toMatchObject({ stone: 'size' })
    expect(warm.marks.at(-1)!.dial).toBeCloseTo(-(thou(0.85) + heat), -2)
  })
  it('tells passes still to make from the last two with one stone', () => {
    const { words } = plan(
      pass('p1', 'front', -5, { stone: 'coarse' }),
      pass('p2', 'front', -3, { stone: 'coarse' }),
      pass('p3', 'rear', -3),
    )
    expect(words[0]).toContain('about 4 more passes like the last')
  })
  it('stops at size, and says when it is past it', () => {
    expect(plan(pass('p1', 'front', 8.5), pass('p2', 'rear', 8.5)).words[0]).toContain('At size: stop')
    expect(plan(pass('p1', 'front', 9.5), pass('p2', 'rear', 8.5)).words[0]).toContain('Too large by 0.10 thou already')
  })
})

it('without a bore gauge there is no telling how far a bore is', () => {
  const document = checkOf('roller-big-end', {
    setup,
    limits,
    gauges: { micrometer: GAUGES.micrometer },
    trials: [trial('t1', [...pin(0), ...of])],
  })
  expect(honePlan(readRollers(setup), evaluateCheck(document, []).current.answers, '1', { value: MASTER })).toBeNull()
})

describe('a rod without rollers', () => {
  const note = (...readings: PointReading[]) =>
    evaluate(readings)
      .current.results.find(({ id }) => id === 'clearance@1')!
      .findings.some(({ words }) => words.includes('No rollers are taken'))
  it('is told so once its pin and its bore are known, and not before', () => {
    expect(note(...pin(0), ...of, ...bore(8))).toBe(true)
    expect(note(...pin(0), ...of)).toBe(false)
    expect(note(...of, ...bore(8))).toBe(false)
    expect(note(...pin(0), ...of, ...bore(8), took('1', of))).toBe(false)
  })
})

describe('what is to be done now', () => {
  const two = { rods: '2' }
  const pins = [...pin(0), ...['A', 'B'].flatMap(direction => figures(`pin-2-${direction}`, inches(1)))]
  const six = rollers('A', -1, -1, -1, 0, 0, 0)
  const sets = [took('1', six.slice(0, 3)), took('2', six.slice(3))]
  const next = (...more: PointReading[]) => evaluate([...pins, ...six, ...more], two).next!
  const at = (...more: PointReading[]) => next(...more).words
  it('goes from rollers to sets to the rod being honed, then to the one not begun', () => {
    expect(evaluate([...pins, ...six.slice(0, 4)], two).next).toMatchObject({
      phase: 'measure',
      words: expect.stringContaining('6 rollers are the least for 2 rods.'),
    })
    expect(at()).toBe('Take a set of rollers for rod 1.')
    expect(at(sets[0]!)).toBe('Take a set of rollers for rod 2.')
    expect(at(...sets)).toBe('Rod 1: read the bore at both ends before the first stroke.')
    expect(at(...sets, pass('p1', 'front', 0), pass('p2', 'rear', 0))).toMatch(
      /^Rod 1: 0\.85 thou left cold at the (front|rear): coarse stone\.$/,
    )
    expect(at(...sets, pass('p1', 'front', 8.5), pass('p2', 'rear', 8.5))).toBe(
      'Rod 2: read the bore at both ends before the first stroke.',
    )
  })
  it('reads both ends in turn, the one that lags first', () => {
    const passes = [pass('p1', 'front', 0), pass('p2', 'rear', 0), pass('p3', 'front', 2)]
    expect(passes.map((_, i) => next(...sets, ...passes.slice(0, i)).point)).toEqual(['hone-1-front', 'hone-1-rear', 'hone-1-front'])
    expect(next(...sets, ...passes)).toMatchObject({ phase: 'choose', point: 'hone-1-rear' })
  })
  it('says what the clearance would be if the honing stopped here, by the tighter end and the largest roller', () => {
    // Bore 5 tenths over at the tighter end, rollers a tenth under: 5 + 2.
    const { standing } = next(...sets, pass('p1', 'front', 6), pass('p2', 'rear', 5))
    expect(standing!.result).toBe('clearance@1')
    expect(standing!.estimate.value).toBeCloseTo(thou(0.7), 3)
    expect(standing!.estimate.U).toBeGreaterThan(0)
    expect(next(...sets).standing).toBeNull()
  })
  it('a finished bore asks for nothing', () => {
    expect(evaluate([...pin(0), ...of, took('1', of), pass('p1', 'front', 8.5), pass('p2', 'rear', 8.5)]).next).toMatchObject({
      phase: 'measure',
      point: null,
      words: 'Rod 1: at size: stop. Clean it, let it cool, and take the finished bore.',
    })
    expect(evaluate([...pin(0), ...of, took('1', of), ...bore(8.5)]).next).toBeNull()
  })
})

describe('readings that stand for themselves', () => {
  it('are not averaged, and know each its own uncertainty', () => {
    const { current } = evaluate([...pin(0), ...rollers('A', -1, 0, 1)])
    const { singles, estimate } = current.answers.of('bag-A')
    expect(estimate).toBeNull()
    expect(singles!.map(single => Math.round((single.estimate.value - inches(0.25)) / thou(0.1)))).toEqual([-1, 0, 1])
    expect(singles![0]!.estimate.u).toBeGreaterThan(0)
  })
  it('a bore gauge that does not reach so far is another gauge; at the end of its range it still does', () => {
    const words = (low: number) => {
      const reaching = { ...GAUGES, 'bore-gauge': { ...GAUGES['bore-gauge'], range: { low: inches(low), high: inches(4) } } }
      const document = checkOf('roller-big-end', {
        setup,
        limits,
        gauges: reaching,
        trials: [trial('t1', [...pin(0), ...of, took('1', of), ...bore(8)])],
      })
      return evaluateCheck(document, [])
        .headline.findings.filter(({ gate }) => gate === 'size')
        .map(finding => finding.words)
    }
    expect(words(2)).toEqual(['1.5000 in is outside the range of Test bore-gauge (2 – 4).'])
    expect(words(1.5)).toEqual([])
  })
  it('outside the range of the micrometer are refused, each by itself', () => {
    const narrow = { ...GAUGES, micrometer: { ...GAUGES.micrometer, range: { low: inches(0), high: inches(0.2) } } }
    const document = checkOf('roller-big-end', { setup, limits, gauges: narrow, trials: [trial('t1', of)] })
    expect(
      evaluateCheck(document, [])
        .current.answers.of('bag-A')
        .findings.filter(finding => finding.gate === 'size'),
    ).toHaveLength(3)
  })
})

describe('a part replaced or reworked', () => {
  const base = [...pin(0), ...of, took('1', of)]
  const after = (role: string, ...more: PointReading[]) =>
    evaluateCheck(
      checkOf('roller-big-end', {
        setup,
        limits,
        trials: [
          trial('t1', [...base, pass('p1', 'front', 0), pass('p2', 'rear', 0), ...more.map(reading => ({ ...reading, order: 2e9 }))]),
        ],
        partChanges: [{ role, at: '2026-05-05T08:00:00.000Z', reason: 'straightened', order: 1e9 }],
      }),
      [],
    )
  it('a rod straightened begins its honing anew; pin and rollers stay', () => {
    const { details, targets } = after('rod-1')
    expect(targets).toHaveLength(2)
    expect(detailsOf(rollerBigEnd, { kind: 'roller-big-end' }, { details })!.honing).toMatchObject([
      { rod: '1', left: null, words: ['Read the bore at both ends before the first stroke.'] },
    ])
  })
  it('new rollers are none until they are measured: sets and sizes go with the old ones', () => {
    const { details, targets, phase, current } = after('rollers')
    expect(targets).toEqual([])
    expect(details).toMatchObject({ sorting: { possible: 0 }, sets: [{ rod: '1', rollers: null }] })
    expect(phase).toBe('measure')
    expect(current.results[0]).toMatchObject({ state: 'stale', stale: 'big end rollers – straightened' })
    const anew = figures('bag-A', ...[-1, -1, -1].map(t => inches(0.25) + thou(t / 10))).map(r => ({
      ...r,
      at: '2026-05-06T08:00:00.000Z',
    }))
    expect(after('rollers', ...anew).phase).toBe('choose')
  })
  it('a pin reground gives no size to hone to until it is measured', () => expect(after('crankpin').targets).toEqual([]))
})
