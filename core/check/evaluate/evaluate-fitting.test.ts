import { describe, expect, it } from 'vitest'
import { checkOf, figures, plays, said, trial } from '../../../tests/documents'
import type { CheckDocument, PointReading } from '../document'
import { nm, thou } from '../../quantity/length'
import { twoSided } from '../../verdict/limits'
import { evaluateCheck } from './evaluate-check'
import { counts, rankedPositions } from './gravity'
import { resultName } from './state-words'
import { freshReadings, readingsAt } from './point-readings'
import { checkKind } from '../registry'

const BOOK = { kind: 'book' } as const
const setup = { positions: '2', stations: '1', master: String(nm(60_000_000)), masterError: '0' }
const kind = checkKind('bearing-clearance')
const full = { ...kind.defaultSetup, ...setup }
const point = (id: string) => kind.points(full).find(candidate => candidate.id === id)!
const bearing = (position: number, journal: number, bore: number) =>
  ['A', 'B'].flatMap(d => [...figures(`journal-${position}-${d}`, journal), ...figures(`bore-${position}-${d}`, 60_000_000 - bore)])
const clearance = { working: 'book' as const, sets: { clearance: { book: twoSided(30_000, 60_000, 'mm', BOOK), shop: null } } }

describe('readings that hold for the next fitting', () => {
  const first = trial('t1', [...bearing(1, 59_950_000, 60_000_000), ...bearing(2, 59_950_000, 60_040_000)])
  const second = trial('t2', figures('bore-2-A', 10_000), { refitted: ['shells-2'] })
  it('a journal is measured once; a bore until its shells are changed', () => {
    expect(readingsAt([first, second], point('journal-2-A'), 1)).toHaveLength(1)
    expect(readingsAt([first, second], point('bore-1-A'), 1)).toHaveLength(1)
    expect(readingsAt([first, second], point('bore-2-A'), 1).map(r => r.id)).toEqual(second.readings.map(r => r.id))
    expect(readingsAt([first, second], point('bore-2-B'), 1)).toEqual([])
  })
  it('a play starts anew with every pack', () => {
    const travel = checkKind('shaft-end-play').points({ pack: 'under-cover' })[0]!
    expect(readingsAt([trial('a', plays('travel', 5)), trial('b', plays('travel', 4), { refitted: ['pack'] })], travel, 1)).toHaveLength(1)
  })
  it('what was read before stays in its own fitting', () => expect(readingsAt([first, second], point('bore-2-A'), 0)).toHaveLength(1))
})

describe('part changes', () => {
  const old = figures('bore-1-A', 5_000).map(reading => ({ ...reading, order: 3 }))
  const fresh = (partChanges: CheckDocument['partChanges'], id: string, readings: readonly PointReading[]) =>
    freshReadings(checkOf('bearing-clearance', { setup, partChanges, trials: [trial('t1', readings)] }), kind, point(id), 0)
  const after = { at: '2026-05-05T00:00:00Z', reason: 'new shells', order: 7 }
  it('touch what rests on the part, and nothing else', () => {
    expect(fresh([{ role: 'shells-1', ...after }], 'bore-1-A', old).stale!.reason).toBe('new shells')
    expect(fresh([{ role: 'shells-2', ...after }], 'bore-1-A', old).stale).toBeNull()
    expect(fresh([{ role: '*', ...after }], 'bore-1-A', old).stale!.reason).toBe('new shells')
    expect(fresh([{ role: 'shells-1', ...after }], 'journal-1-A', old).stale).toBeNull()
  })
  it('a change before the reading does no harm', () =>
    expect(fresh([{ role: 'shells-1', at: '2026-05-01T00:00:00Z', reason: 'x', order: 2 }], 'bore-1-A', old).stale).toBeNull())
  it('a reading taken since sets the old ones aside, whatever its clock says; a voided one does not', () => {
    const since = { ...figures('bore-1-A', 6_000)[0]!, at: '2020-01-01T00:00:00Z', order: 8 }
    const changes = [{ role: 'shells-1', ...after }]
    expect(fresh(changes, 'bore-1-A', [...old, since])).toEqual({ readings: [since], stale: null })
    const voided = { ...since, voided: { reason: 'slip' } }
    expect(fresh(changes, 'bore-1-A', [...old, voided]).stale!.reason).toBe('new shells')
  })
  it('a clock that runs fast makes nothing fresh; what is on its way is newer than all', () => {
    const changes = [{ role: 'shells-1', ...after }]
    const fast = { ...old[0]!, at: '9999-01-01T00:00:00Z' }
    expect(fresh(changes, 'bore-1-A', [fast]).stale).not.toBeNull()
    const { order: _, ...typed } = fast
    expect(fresh(changes, 'bore-1-A', [typed]).stale).toBeNull()
  })
  it('nothing read is nothing stale', () => expect(fresh([{ role: '*', ...after }], 'bore-1-A', []).stale).toBeNull())
})

describe('several results', () => {
  const whole = trial('t1', [...bearing(1, 59_950_000, 59_995_000), ...bearing(2, 59_950_000, 60_020_000)])
  const evaluate = (more: Parameters<typeof checkOf>[1] = {}) =>
    evaluateCheck(checkOf('bearing-clearance', { setup, limits: clearance, trials: [whole], entryUnit: 'mm', ...more }), [])
  it('the worst state decides, named in full', () => {
    const { headline, state, word } = evaluate()
    expect({ state, word, name: resultName(headline) }).toEqual({ state: 'above', word: 'Loose', name: 'Main 2 clearance, least' })
  })
  it('a position may have limits of its own', () =>
    expect(
      evaluate({
        limits: { ...clearance, sets: { ...clearance.sets, 'clearance@2': { book: twoSided(30_000, 80_000, 'mm', BOOK), shop: null } } },
      }).state,
    ).toBe('in'))
  it('a secondary result weighs only where limits for it are known', () => {
    const judged = evaluate({
      limits: {
        ...clearance,
        sets: {
          clearance: { book: twoSided(30_000, 80_000, 'mm', BOOK), shop: null },
          journal: { book: twoSided(59_960_000, 59_980_000, 'mm', BOOK), shop: null },
        },
      },
    })
    expect(judged.headline.id).toBe('journal@1')
    expect(judged.state).toBe('below')
    expect(
      evaluate()
        .current.results.filter(counts)
        .map(result => result.kind.id),
    ).toEqual(['clearance', 'clearance-most', 'clearance', 'clearance-most'])
  })
  it('one nobody measured does not weigh, though limits for it are known', () => {
    const sets = { ...clearance.sets, 'journal-round': { book: twoSided(0, 5_000, 'mm', BOOK), shop: null } }
    const single = [...figures('journal-1-A', 59_950_000), ...figures('bore-1-A', 60_000_000)]
    const { results } = evaluate({ limits: { ...clearance, sets }, trials: [trial('t1', single)] }).current
    const round = results.find(({ id }) => id === 'journal-round@1')!
    expect(round.limits.working).not.toBeNull()
    expect([round.estimate, counts(round)]).toEqual([null, false])
  })
  it('half measured is to do, and cannot be signed', () => {
    const half = evaluate({ trials: [trial('t1', bearing(1, 59_950_000, 59_995_000))] })
    expect(half.state).toBe('to-do')
    expect(half.signOff.blockers).toEqual(['Not measured yet: Main 2 clearance, least.'])
    expect(half.phase).toBe('measure')
  })
  it('one that is outside is named in the reason, by hand too', () => {
    expect(evaluate().signOff.needsReason).toBe('Main 2 clearance, least: outside the limits; Main 2 clearance, most: outside the limits')
    const locked = evaluate({ trials: [trial('t1', [...whole.readings, said('turns-1', 'locks')])] })
    expect(locked.signOff.needsReason).toContain('Main 1 clearance, least: the shaft locks with cap 1 tight')
  })
  it('judged by hand alone is provisional, and asks for a reason', () => {
    const felt = evaluateCheck(
      checkOf('crankshaft-end-play', {
        setup: { way: 'feel' },
        limits: { working: 'book', sets: { play: { book: twoSided(thou(3), thou(30), 'thou', BOOK), shop: null } } },
        trials: [trial('t1', [{ id: 'f', point: 'felt', low: thou(15), high: thou(20) }])],
      }),
      [],
    )
    expect(felt).toMatchObject({ state: 'provisional', signOff: { blockers: [], needsReason: 'it was judged by hand' } })
    expect(felt.headline.estimate).toMatchObject({ value: thou(17.5), u: expect.closeTo(thou(5) / Math.sqrt(12), 6) })
  })
})

describe('positions side by side', () => {
  const document = (more: Parameters<typeof checkOf>[1] = {}) =>
    checkOf('bearing-clearance', {
      setup: { ...setup, positions: '3' },
      limits: clearance,
      entryUnit: 'mm',
      trials: [
        trial('t1', [...bearing(1, 59_950_000, 59_995_000), ...bearing(2, 59_950_000, 60_040_000), ...bearing(3, 59_950_000, 60_008_000)]),
      ],
      ...more,
    })
  it('are ranked by their worst result: out of limits, then the least chance', () =>
    expect(rankedPositions(evaluateCheck(document(), []).current.results)).toEqual(['2', '3', '1']))
  it('a position with limits of its own is gated by them: the same drift is too much in a narrow band', () => {
    // Two readings 3 µm apart: within a fifth of 30 µm, beyond two graduations and a fifth of 4.
    const apart = [...figures('bore-1-A', 5_000, 20_000)]
    const own = { ...clearance.sets, 'clearance@1': { book: twoSided(40_000, 44_000, 'mm', BOOK), shop: null } }
    const spread = (sets: typeof own | typeof clearance.sets) =>
      evaluateCheck(
        document({
          limits: { working: 'book', sets: sets as never },
          trials: [trial('t1', [...bearing(1, 59_950_000, 59_995_000).filter(r => r.point !== 'bore-1-A'), ...apart])],
        }),
        [],
      )
        .current.results.find(r => r.id === 'clearance@1')!
        .findings.some(f => f.gate === 'spread')
    const wide = { clearance: { book: twoSided(0, 200_000, 'mm', BOOK), shop: null } }
    expect([spread(wide as never), spread({ ...wide, 'clearance@1': own['clearance@1'] } as never)]).toEqual([false, true])
  })
})

describe('a part read warm', () => {
  const MASTER = 60_000_000
  const hot = (metal: string, celsius: number | undefined, more: Record<string, string> = {}) => {
    const bores = bearing(1, 59_950_000, 60_000_000).map(reading =>
      reading.point.startsWith('bore') && celsius !== undefined ? { ...reading, celsius } : reading,
    )
    return evaluateCheck(
      checkOf('bearing-clearance', {
        setup: { ...setup, positions: '1', metal, ...more },
        limits: clearance,
        entryUnit: 'mm',
        trials: [trial('t1', bores)],
      }),
      [],
    ).current.results.find(r => r.id === 'clearance@1')!
  }
  it('is brought to 20 °C by its metal, against gauges at theirs', () => {
    expect(hot('cast iron', undefined).estimate!.value).toBeCloseTo(50_000, 3)
    // 10 K of cast iron on 60 mm: 6.3 µm; of aluminium, 13.8.
    expect(hot('cast iron', 30).estimate!.value).toBeCloseTo(50_000 - 10.5e-6 * 10 * MASTER, 0)
    expect(hot('aluminium alloy', 30).estimate!.value).toBeCloseTo(50_000 - 23e-6 * 10 * MASTER, 0)
    // Steel at the temperature of its steel master: nothing to correct.
    expect(hot('steel', 30, { celsius: '30' }).estimate!.value).toBeCloseTo(50_000, 3)
    // All of it at 30, but the block grows twice as fast as the master: the difference of the two.
    expect(hot('aluminium alloy', undefined, { celsius: '30' }).estimate!.value).toBeCloseTo(50_000 - (23e-6 - 11.5e-6) * 10 * MASTER, 0)
    expect(hot('steel', undefined, { celsius: '30' }).estimate!.value).toBeCloseTo(50_000, 3)
    expect(hot('steel', -5).estimate!.value).toBeGreaterThan(50_000)
  })
  it('says what was taken off, as a warning where it is more than a tenth of the band', () => {
    const finding = (celsius: number) => hot('cast iron', celsius).findings.find(f => f.gate === 'heat')!
    expect(finding(30)).toMatchObject({ level: 'warn', words: 'Read at 30 °C: 0.2 thou big with heat, taken off.' })
    expect(finding(22).level).toBe('note')
    expect(hot('cast iron', 20).findings.some(f => f.gate === 'heat')).toBe(false)
  })
})
