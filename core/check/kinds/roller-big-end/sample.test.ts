import { describe, expect, it } from 'vitest'
import { checkOf, figures, GAUGES, trial } from '../../../../tests/documents'
import { stream } from '../../../../tests/reference/drawers'
import { inches, nm, thou } from '../../../quantity/length'
import { estimateFigure } from '../../../reading/estimate'
import { twoSided } from '../../../verdict/limits'
import type { PointReading } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { checkKind } from '../../registry'
import { honePlan } from './hone-plan'
import { endsFromSample, expectedLargest } from './sample'
import { readRollers } from './setup'
import { sortedRollers } from './sets'

describe('the largest roller to expect', () => {
  // Expectations of normal order statistics, as tabled by H. L. Harter (1961); from memory.
  it.each([
    [2, 0.5642],
    [3, 0.8463],
    [5, 1.163],
    [10, 1.5388],
    [20, 1.8675],
  ])('of %i lies about %f standard deviations out', (n, tabled) => {
    expect(expectedLargest(n) - tabled).toBeGreaterThanOrEqual(0)
    expect(expectedLargest(n) - tabled).toBeLessThan(0.026)
  })
  it('of one is that one', () => expect(expectedLargest(1)).toBeCloseTo(0, 12))

  it('lies within U of what the sample says in about 95 of 100 bags, and not in nearly all for want of precision', () => {
    const random = stream(42)
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
    const micrometer = { ...GAUGES.micrometer, permissibleError: 0, repeatability: 100 } as unknown as typeof GAUGES.micrometer
    const size = inches(0.25)
    const bags = 1_000
    let held = 0
    for (let bag = 0; bag < bags; bag++) {
      const one = () => size + Math.round(1_500 * normal())
      const sample = Array.from({ length: 6 }, one).map(value => estimateFigure([{ id: 'r', figure: nm(value) }], micrometer, 1)!)
      const { largest } = endsFromSample(sample, 18)
      const truth = Math.max(...Array.from({ length: 18 }, one))
      if (Math.abs(truth - largest.value) <= largest.U) held++
    }
    expect(held / bags).toBeGreaterThan(0.93)
    expect(held / bags).toBeLessThan(0.97)
  })
})

const setup = {
  rods: '2',
  rollers: '18',
  bags: '2',
  judged: 'sample',
  spread: String(thou(0.3)),
  master: String(inches(1.5)),
  masterError: '0',
}
const limits = {
  working: 'book',
  sets: { clearance: { book: twoSided(thou(0.5), thou(2), 'thou', { kind: 'book' }), shop: null } },
} as const
const pin = (rod: string) => ['A', 'B'].flatMap(direction => figures(`pin-${rod}-${direction}`, inches(1)))
const rollers = (bag: string, ...tenths: number[]): PointReading[] => figures(`bag-${bag}`, ...tenths.map(t => inches(0.25) + thou(t / 10)))
const took = (rod: string, of: readonly PointReading[]): PointReading => ({
  id: `s${rod}`,
  point: `set-${rod}`,
  at: '2026-05-04T09:30:00.000Z',
  order: 1e6,
  pieces: of.map(({ id }) => id),
})
const bore = (rod: string, tenths: number) =>
  ['A-front', 'B-front', 'A-rear', 'B-rear'].flatMap(at => figures(`bore-${rod}-${at}`, -thou(tenths / 10)))
const evaluate = (readings: readonly PointReading[], change: Record<string, string> = {}) =>
  evaluateCheck(checkOf('roller-big-end', { setup: { ...setup, ...change }, limits, trials: [trial('t1', readings)] }), [])
const all = [...pin('1'), ...pin('2')]
const bag = rollers('A', -2, -1, -2, -3, -2, -2)

describe('a set judged by a sample of its bag', () => {
  const done = (of: readonly PointReading[], ...more: PointReading[]) =>
    evaluate([...all, ...of, took('1', of), took('2', of), ...bore('1', 8), ...bore('2', 8), ...more])
  const clearance = (evaluation: ReturnType<typeof evaluate>) => evaluation.current.results.find(({ id }) => id === 'clearance@1')!

  it('says how many to measure, then stands ready for both rods with one bag', () => {
    expect(evaluate([...all, ...bag.slice(0, 2)]).next!.words).toBe(
      'Measure 3 rollers of a bag or more, taken from anywhere in it: they stand for a set of 18.',
    )
    expect(evaluate([...all, ...bag])).toMatchObject({ phase: 'choose', next: { words: 'Take a set of rollers for rod 1.' } })
  })
  it('takes the largest to expect, not the largest seen, and says what it rests on', () => {
    const { estimate, formula, findings } = clearance(done(bag))
    // Mean −2 tenths, s = √(2/5) = 0.632, by c₄ 0.664 tenths; the largest of 18 lies 1.8215 of it above: −0.790. Clearance 8 + 2 × 0.790.
    expect(estimate!.value / thou(0.1)).toBeCloseTo(9.581, 2)
    expect(formula).toContain('largest roller to expect in a set, from a sample of 6')
    expect(findings.map(({ words }) => words)).toContain('Judged by a sample: 6 rollers of bag A stand for 18.')
    // u of the roller: s·√(1/6 + 1.8215²/10 + π²/(12 ln 18)) = 0.664 × 0.885 tenths, twice.
    expect(estimate!.lines.find(({ source }) => source === 'pieces')).toMatchObject({ nu: 5 })
    expect(estimate!.lines.find(({ source }) => source === 'pieces')!.u / thou(0.1)).toBeCloseTo(2 * 0.5877, 2)
  })
  it('rollers measured later join the sample that was taken', () => {
    const before = clearance(done(bag)).estimate!
    const after = clearance(done(bag, ...rollers('A', -2, -2))).estimate!
    expect(after.lines.find(({ source }) => source === 'pieces')!.nu).toBe(7)
    expect(after.U).toBeLessThan(before.U)
  })
  it.each([
    ['too few', bag.slice(0, 2), 'A sample needs 3 rollers of the bag or more; 2 are measured.'],
    ['wider than allowed', rollers('A', -4, -2, 0), 'The sample of this bag lies 0.40 thou apart, more than the 0.30 thou allowed'],
    ['of two bags', [...rollers('A', -2, -2), ...rollers('B', -2)], 'This set mixes bags.'],
  ])('a sample that is %s does not stand for a set', (_, of, words) => {
    const result = clearance(done(of))
    expect(result.state).toBe('not-valid')
    expect(result.findings.map(finding => finding.words).join()).toContain(words)
  })
  it('rests on its own bag, whatever lies in the other', () => {
    const alone = clearance(done(bag)).estimate!
    const other = rollers('B', 9, 9, 9)
    expect(clearance(evaluate([...all, ...bag, ...other, took('1', bag), ...bore('1', 8)])).estimate!.value).toBe(alone.value)
  })
  it('a sample within the spread whose bag likely is not asks for every roller', () => {
    const { findings } = clearance(done(rollers('A', -3, -2, 0, -1, -2)))
    expect(findings.find(({ level }) => level === 'warn')?.words).toMatch(/^A set of 18 is likely 0\.\d+ thou apart/)
    expect(clearance(done(bag)).findings.some(({ level }) => level === 'warn')).toBe(false)
  })
  it('every roller struck out: there is no set any more', () => {
    const struck = bag.map(r => ({ ...r, voided: { reason: 'wrong bag' } }))
    expect(clearance(evaluate([...all, ...struck, took('1', bag), ...bore('1', 8)])).findings.map(f => f.words)).toContain(
      'No roller of this bag is measured any more: take the set again.',
    )
  })
  it('is asked for as a step of its own, and only then', () => {
    const asked = (judged: string) =>
      checkKind('roller-big-end')
        .procedure({ ...setup, judged })
        .some(({ id }) => id === 'sample')
    expect([asked('sample'), asked('each')]).toEqual([true, false])
  })
  it('judged piece by piece instead, the same readings are no set of 18', () => {
    const { answers } = evaluate([...all, ...bag], { judged: 'each' }).current
    expect(sortedRollers(readRollers({ ...setup, judged: 'each' }), answers).possible).toBe(0)
  })
})

describe('the bore before honing', () => {
  const taken = [...all, ...bag, took('1', bag), took('2', bag)]
  const before = (at: string, tenths: number) => figures(`before-1-${at}`, -thou(tenths / 10))
  const planes = [...before('A-front', 1), ...before('B-front', 2), ...before('A-mid', 0), ...before('A-rear', 3), ...before('B-rear', 3)]

  it('is told with its out-of-round and its taper, and judged by nothing of the finished bore', () => {
    const { results } = evaluate([...taken, ...planes]).current
    const told = (id: string) => results.find(result => result.id === `${id}@1`)!
    expect(told('before-round').estimate!.value).toBeCloseTo(thou(0.1), 6)
    expect(told('before-taper').estimate!.value).toBeCloseTo(thou(0.3), 6)
    expect(told('before-round').state).toBe('no-limit')
    expect(told('clearance').estimate).toBeNull()
  })
  it('gives the stock left at each end before the first stroke; a pass takes its place', () => {
    const plan = (...more: PointReading[]) => {
      const evaluation = evaluate([...taken, ...planes, ...more])
      const target = evaluation.targets.find(({ id, position }) => id === 'bore' && position === '1')!
      return { target: target.value, ...honePlan(readRollers(setup), evaluation.current.answers, '1', target)! }
    }
    const first = plan()
    expect(first.left).toBeCloseTo(first.target - inches(1.5) - thou(0.15), 3)
    expect(first.ends.map(({ passes }) => passes.map(({ id, stone }) => [id, stone]))).toEqual([
      [['before-front', null]],
      [['before-rear', null]],
    ])
    const stroke: PointReading = {
      id: 'h1',
      point: 'hone-1-front',
      at: '2026-05-04T10:00:00.000Z',
      order: 2e6,
      figure: -thou(0.2) as never,
      stone: 'coarse',
    }
    const second = plan(stroke)
    expect(second.ends[0]!.passes.at(-1)).toMatchObject({ id: 'h1', stone: 'coarse' })
    expect(second.left).toBeCloseTo(second.target - inches(1.5) - thou(0.2), 3)
    // The tight end shows −0.2 on this dial, which climbs: size is as far below as stock is left.
    expect(second.marks.at(-1)!.dial).toBeCloseTo(-thou(0.2) - second.left!, 3)
  })
  it('no longer holds once the rod was straightened', () => {
    const evaluation = evaluateCheck(
      checkOf('roller-big-end', {
        setup,
        limits,
        partChanges: [{ role: 'rod-1', reason: 'straightened', at: '2026-05-04T12:00:00.000Z', order: 9e6 }],
        trials: [trial('t1', [...taken, ...planes])],
      }),
      [],
    )
    const target = evaluation.targets.find(({ position }) => position === '1')!
    expect(honePlan(readRollers(setup), evaluation.current.answers, '1', target)!.left).toBeNull()
  })
})
