import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, figures, gauge, said, trial } from '../../../../tests/documents'
import { mm, nm } from '../../../quantity/length'
import { twoSided } from '../../../verdict/limits'
import type { PointReading } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'

const INSPECTED = ['tracks', 'rust', 'water'].map(point => said(point, 'good'))
const calipers = gauge('calipers', mm(0.01), { unit: 'mm', readableFraction: 1, permissibleError: mm(0.03), repeatability: nm(5_000) })
const evaluate = (setup: Record<string, string>, ...readings: readonly PointReading[]) =>
  evaluateCheck(
    checkOf('sealed-bearing-spacer', {
      setup,
      entryUnit: 'mm',
      rule: 'plain',
      gauges: { ...GAUGES, calipers },
      limits: { working: 'book', sets: { longer: { book: twoSided(nm(0), mm(0.1), 'mm', { kind: 'book' }), shop: null } } },
      trials: [trial('t1', [...INSPECTED, ...readings])],
    }),
    [],
  )
const at = (point: string, size: number) => figures(point, mm(size))[0]!
const depths = [at('near-seat', 12), at('far-seat', 52)]
const longer = (e: ReturnType<typeof evaluateCheck>) => e.current.results[0]!

describe('a spacer between sealed bearings', () => {
  it('is as long as the seats are apart, or a little longer: 40.03 on 52 − 12 = 40', () => {
    const e = evaluate({}, ...depths, at('spacer', 40.03))
    expect(longer(e).estimate!.value).toBeCloseTo(mm(0.03), 6)
    expect(e.state).toBe('in')
    // Even by nothing; shorter loads the balls.
    expect(evaluate({}, ...depths, at('spacer', 40)).state).toBe('in')
    expect(evaluate({}, ...depths, at('spacer', 39.99)).state).toBe('below')
    expect(evaluate({}, ...depths, at('spacer', 40.2)).state).toBe('above')
  })
  it('what both depths share of the calipers cancels', () => {
    const lines = longer(evaluate({}, ...depths, at('spacer', 40.03))).estimate!.lines
    expect(lines.find(({ carrier }) => carrier === 'calipers')!.u).toBe(0)
  })
  it.each([
    ['face', 'bar', 34, 'far over the bar: its 6 mm are taken off'],
    ['bar', 'face', 46, 'near over the bar: its 6 mm are put back'],
    ['bar', 'bar', 40, 'both over it: it cancels'],
    ['face', 'face', 40, 'neither'],
  ])('near on the %s, far on the %s: %d mm (%s)', (near, far, distance) => {
    const e = evaluate({ near, far, bar: String(mm(6)) }, ...depths, at('spacer', 40))
    expect(e.current.results[1]!.estimate!.value).toBeCloseTo(mm(distance), 6)
  })
  it('asks whether just the bar is what it is off by', () => {
    const off = evaluate({ near: 'bar', far: 'bar', bar: String(mm(6)) }, ...depths, at('spacer', 34.01))
    expect(
      longer(off)
        .findings.map(({ words }) => words)
        .join(),
    ).toContain('just the thickness of the bar')
    const fine = evaluate({ near: 'bar', far: 'bar', bar: String(mm(6)) }, ...depths, at('spacer', 40.02))
    expect(
      longer(fine)
        .findings.map(({ words }) => words)
        .join(),
    ).not.toContain('just the thickness')
  })
  it('a bar in one depth alone, of no known thickness, makes no figure', () => {
    const e = evaluate({ near: 'face', far: 'bar' }, ...depths, at('spacer', 40))
    expect(e.state).toBe('not-valid')
    expect(
      longer(e)
        .findings.map(({ words }) => words)
        .join(),
    ).toContain('give the thickness of the bar')
  })
  it('the distance by its length; the hand beats arithmetic', () => {
    const read = [at('distance', 40), at('spacer', 40.05)]
    const gauges = { way: 'length' }
    expect(longer(evaluate(gauges, ...read)).estimate!.value).toBeCloseTo(mm(0.05), 6)
    expect(evaluate(gauges, ...read, said('turns', 'rough'))).toMatchObject({ state: 'below' })
    expect(evaluate(gauges, ...read, said('turns', 'free'))).toMatchObject({ state: 'in' })
  })
})
