import { runs } from '../../../../tests/runs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkOf, figures, trial } from '../../../../tests/documents'
import type { PointReading } from '../../document'
import { newLot } from '../../../command/found-pack'
import { nm, thou } from '../../../quantity/length'
import { twoSided } from '../../../verdict/limits'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { answerRequest } from '../../../choice/answer/answer-request'
import { spreadsOf } from '../../evaluate/repeatability'

const MASTER = 60_000_000
const setup = { positions: '1', stations: '2', master: String(MASTER), masterError: '0' }
type Four = readonly [number, number, number, number]
/** A front, B front, A rear, B rear; nm. */
const grid = (part: 'journal' | 'bore', four: Four): PointReading[] =>
  (['A-front', 'B-front', 'A-rear', 'B-rear'] as const).flatMap((at, i) =>
    figures(`${part}-1-${at}`, part === 'bore' ? MASTER - four[i]! : four[i]!),
  )
const results = (readings: PointReading[], more: Record<string, string> = {}) =>
  Object.fromEntries(
    evaluateCheck(checkOf('bearing-clearance', { setup: { ...setup, ...more }, trials: [trial('t1', readings)] }), []).current.results.map(
      result => [result.id, result],
    ),
  )

describe('a plain bearing', () => {
  const all = results([
    ...grid('journal', [59_950_000, 59_946_000, 59_948_000, 59_947_000]),
    ...grid('bore', [60_000_000, 60_006_000, 60_002_000, 60_009_000]),
  ])
  it('judged are the least, over all directions and stations, and the most, square to the split; the mean is shown', () => {
    // Least: bore A front 60.000 on journal A front 59.950. Most: bore A rear 60.002 on journal B rear 59.947.
    expect(all['clearance@1']!).toMatchObject({ estimate: { value: 50_000 }, formula: 'least: bore A front − journal A front' })
    expect(all['clearance-most@1']!).toMatchObject({
      estimate: { value: 55_000 },
      formula: 'most, square to the split: bore A rear − journal B rear',
    })
    expect(all['clearance-mean@1']!.estimate!.value).toBeCloseTo(60_001_000 - 59_947_750, 3)
    expect(all['clearance-split@1']!.estimate!.value).toBe(62_000)
  })
  it('the tight end is found whichever it is', () => {
    const ends = (front: number, rear: number) => {
      const { 'clearance@1': least, 'clearance-most@1': most } = results([
        ...grid('journal', [59_950_000, 59_950_000, 59_950_000, 59_950_000]),
        ...grid('bore', [front, front, rear, rear].map(play => 59_950_000 + play) as unknown as Four),
      ])
      return [least!.estimate!.value, most!.estimate!.value]
    }
    expect([ends(18_000, 62_000), ends(62_000, 18_000)]).toEqual([
      [18_000, 62_000],
      [18_000, 62_000],
    ])
  })
  it('a shaft that locks beats what the figures give, where they give any', () => {
    const said = (play: number | null) =>
      results([
        ...grid('journal', [59_950_000, 59_950_000, 59_950_000, 59_950_000]),
        ...(play === null ? [] : grid('bore', [0, 0, 0, 0].map(() => 59_950_000 + play) as unknown as Four)),
        { id: 'turns', point: 'turns-1', at: '2026-05-04T12:00:00.000Z', order: 1e6, word: 'locks' },
      ])['clearance@1']!.overrule
    expect(said(25_400)).toBe('the shaft locks with cap 1 tight: that beats the 1.0 thou the figures give')
    expect([said(0), said(null), said(-25_400)]).toEqual(Array(3).fill('the shaft locks with cap 1 tight'))
  })
  const judged = (readings: PointReading[], low: number, high: number, more: Record<string, string> = {}) =>
    evaluateCheck(
      checkOf('bearing-clearance', {
        setup: { ...setup, ...more },
        limits: { working: 'book', sets: { clearance: { book: twoSided(low, high, 'mm', { kind: 'book' }), shop: null } } },
        trials: [trial('t1', readings)],
        entryUnit: 'mm',
      }),
      [],
    )
  it('read hot, without a thermometer, it is not final; read again cold, the hot figure is left out', () => {
    const read = [
      ...grid('journal', [59_950_000, 59_950_000, 59_950_000, 59_950_000]),
      ...grid('bore', [60_000_000, 60_000_000, 60_000_000, 60_000_000]),
    ]
    const at = read.findIndex(({ point }) => point === 'bore-1-A-front')
    const hot = read.map((reading, i) => (i === at ? { ...reading, hot: true as const } : reading))
    const warm = judged(hot, 40_000, 60_000)
    expect(warm).toMatchObject({ state: 'provisional', headline: { estimate: { value: 50_000 } } })
    expect(warm.headline.findings.map(({ gate }) => gate)).toContain('hot')
    expect(warm.signOff.needsReason).not.toBeNull()
    const cold = judged([...hot, ...figures('bore-1-A-front', MASTER - 59_995_000)], 40_000, 60_000)
    expect(cold).toMatchObject({ state: 'in', headline: { estimate: { value: 45_000 } } })
    // The heat of a part is nothing of its gauge: it teaches nothing of how repeats scatter.
    const taught = (readings: readonly PointReading[]) =>
      spreadsOf(
        checkOf('bearing-clearance', {
          setup,
          trials: [
            trial(
              't1',
              readings.map(reading => ({ ...reading, gauge: 'bore-gauge', taken: `w/${reading.id}` })),
            ),
          ],
        }),
        'w',
      )
    const again = figures('bore-1-A-front', MASTER - 59_999_000)
    expect(taught([hot[at]!, ...again])).toEqual({})
    expect(taught([read[at]!, ...again])['bore-gauge']!.nu).toBe(1)
    // A struck cold one brings the hot one back.
    const struck = figures('bore-1-A-front', MASTER - 59_995_000).map(reading => ({ ...reading, voided: { reason: 'slip' } }))
    expect(judged([...hot, ...struck], 40_000, 60_000).state).toBe('provisional')
  })
  it('one end tight, the other loose: its mean is in, the bearing is not', () => {
    const { current, state } = judged(
      [
        ...grid('journal', [48_000_000, 48_000_000, 48_000_000, 48_000_000]),
        ...grid('bore', [48_018_000, 48_018_000, 48_062_000, 48_062_000]),
      ],
      25_000,
      60_000,
    )
    const of = (id: string) => current.results.find(result => result.id === id)!
    expect([of('clearance@1').state, of('clearance-most@1').state]).toEqual(['below', 'above'])
    expect(of('clearance-mean@1').estimate!.value).toBe(40_000)
    expect(state).not.toBe('in')
  })
  it('a bore that is anywhere no larger than the journal cannot go over it, whatever its mean', () => {
    const { headline } = judged(
      [
        ...grid('journal', [47_984_000, 47_982_000, 47_983_000, 47_982_000]),
        ...grid('bore', [48_022_000, 47_980_000, 48_022_000, 48_020_000]),
      ],
      20_000,
      60_000,
    )
    expect(headline).toMatchObject({ id: 'clearance@1', state: 'below' })
    expect(headline.overrule).toContain('bore at B front')
    expect(headline.overrule).toContain('cannot go together')
    const equal = judged(
      [...grid('journal', [48e6, 48e6, 48e6, 48e6]), ...grid('bore', [48_040_000, 48e6, 48_040_000, 48_040_000])],
      20_000,
      60_000,
    )
    expect(equal.headline.overrule).toContain('no larger than')
  })
  it('strip ends are judged one by one: 2.5 and 1.5 are not In up to 2.2', () => {
    const { state, headline } = judged(
      [...figures('strip-1-front', thou(2.5)), ...figures('strip-1-rear', thou(1.5))],
      thou(1),
      thou(2.2),
      { way: 'strip' },
    )
    expect(state).toBe('above')
    expect(headline).toMatchObject({ id: 'clearance-most@1', formula: 'most gap the strip shows, at the front' })
  })
  it('shells are chosen so that least and most both fit; out of form beyond the band no pack mends it', () => {
    const drawer = [1_480_000, 1_490_000, 1_500_000].map((wall, i) => ({
      ...newLot({ id: `w${i}`, family: 'pieces', nominal: nm(wall), tags: [] }, true),
      onHand: 4,
    }))
    const with_ = (bore: Four) => {
      const document = checkOf('bearing-clearance', {
        setup: { ...setup },
        limits: { working: 'book', sets: { clearance: { book: twoSided(20_000, 50_000, 'mm', { kind: 'book' }), shop: null } } },
        trials: [
          trial('t1', [...grid('journal', [48e6, 48e6, 48e6, 48e6]), ...grid('bore', bore)], {
            packs: { 'shells-1': [{ lotId: 'w0', count: 2 }] },
          }),
        ],
        entryUnit: 'mm',
      })
      return evaluateCheck(document, drawer).places[0]!
    }
    const place = with_([48_050_000, 48_050_000, 48_064_000, 48_064_000])
    // 50 to 64: the least must come to 20 … 36, its middle 28.
    expect(place.request!.question).toMatchObject({ aim: 28_000, limits: { lower: 20_000, upper: 36_000 } })
    expect(answerRequest(place.request!).proposals[0]!.words).toBe('Take out 1.48, put in 1.5')
    expect(with_([48_030_000, 48_030_000, 48_070_000, 48_070_000])).toMatchObject({
      request: null,
      note: expect.stringContaining('no pack mends that'),
    })
  })
  it('half a thou out of round or taper is the rule of thumb where nobody has a limit', () =>
    expect(all['journal-round@1']!.thumb).toMatchObject({ upper: 12_700, source: { kind: 'common-practice' } }))
  it('out-of-round is the largest difference at one station, taper the largest in one direction', () => {
    const value = (id: string) => Math.round(all[id]!.estimate!.value)
    expect([value('journal-round@1'), value('journal-taper@1'), value('bore-round@1'), value('bore-taper@1')]).toEqual([
      4_000, 2_000, 7_000, 3_000,
    ])
  })
  it('the error of the micrometer leaves a difference of two of its own readings', () =>
    expect(all['journal-round@1']!.estimate!.lines.filter(line => line.carrier === 'micrometer').every(line => line.u < 1)).toBe(true))
  it('a position that lacks its bores still gives its journal', () => {
    const half = results(grid('journal', [59_950_000, 59_946_000, 59_948_000, 59_947_000]))
    expect(half['clearance@1']!.state).toBe('to-do')
    expect(half['journal@1']!.estimate).not.toBeNull()
  })
  it('a strip shows clearance and taper of its own', () => {
    const strip = results([...figures('strip-1-front', 50_800), ...figures('strip-1-rear', 38_100)], { way: 'strip' })
    expect(strip['clearance@1']!.estimate!.value).toBe(38_100)
    expect(strip['clearance-most@1']!.estimate!.value).toBe(50_800)
    expect(strip['clearance-mean@1']!.estimate!.value).toBe(44_450)
    expect(strip['strip-taper@1']!.estimate!.value).toBe(12_700)
  })
  it('is bore less journal for any figures; below zero it locks (property)', () =>
    fc.assert(
      fc.property(fc.integer({ min: 59_900_000, max: 60_100_000 }), fc.integer({ min: -80_000, max: 200_000 }), (journal, gap) => {
        const { estimate, overrule } = results([
          ...grid('journal', [journal, journal, journal, journal]),
          ...grid('bore', [journal + gap, journal + gap, journal + gap, journal + gap]),
        ])['clearance@1']!
        expect(estimate!.value).toBeCloseTo(gap, 3)
        expect(overrule !== null).toBe(gap <= 0)
      }),
      { numRuns: runs(60) },
    ))
  it.each([
    ['1', 1],
    ['5', 5],
    ['12', 12],
  ])('any number of positions: %s', (positions, count) => {
    const { current, places } = evaluateCheck(checkOf('bearing-clearance', { setup: { ...setup, positions } }), [])
    expect(current.results.filter(result => result.kind.id === 'clearance')).toHaveLength(count)
    expect(places).toHaveLength(count)
  })
})
