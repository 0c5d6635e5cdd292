import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkOf, figures, trial } from '../../../tests/documents'
import type { PointReading } from '../document'
import { evaluateCheck } from '../evaluate-check'

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
  it('clearance is the vertical bore less the journal, each a mean', () =>
    expect(all['clearance@1']!.estimate!.value).toBeCloseTo(60_001_000 - 59_947_750, 3))
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
    expect(strip['clearance@1']!.estimate!.value).toBe(44_450)
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
        expect(overrule !== null).toBe(estimate!.value < 0)
      }),
      { numRuns: 60 },
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
