import fc from 'fast-check'
import { jStat } from 'jstat'
import { describe, expect, it } from 'vitest'
import { checkOf, plays, trial } from '../../tests/documents'
import { newLot } from '../command/found-pack'
import { thou } from '../quantity/length'
import { twoSided } from '../verdict/limits'
import { drift, reachOf, type Service } from './drift'
import { kendall } from './kendall'
import { serviceFigures } from './service-figures'

const at = (when: number, found: number | null, left: number | null, U = 0): Service => ({
  at: when,
  found: found === null ? null : { value: found, U },
  left: left === null ? null : { value: left, U },
})

/** Five services read once each, nothing adjusted. */
const untouched = (...values: number[]) => values.map((value, i) => at(100 * i, value, value))

describe('how fast it drifts', () => {
  it('is what it changed by between services over what went by; what was set right in between does not count', () => {
    // 100 h: +2, 300 h: +6, and every time it was set back to 3.
    expect(drift([at(0, 9, 3), at(100, 5, 3), at(400, 9, 3)])).toMatchObject({ rate: { value: 8 / 400, U: 0 }, stretches: 2 })
  })
  it('by hand: d = 3 and 1 in 100 h each', () => {
    // rate 4/200 = 0.02; residuals ±1, so Σ r²/h = 2/100, over n − 1 = 1, over 200 h: variance 1e-4; t(0.975, 1) = 12.706.
    const { rate } = drift([at(0, null, 0), at(100, 3, 3), at(200, 4, 4)])!
    expect(rate!.value).toBeCloseTo(0.02, 12)
    expect(rate!.U).toBeCloseTo(12.7062 * 0.01, 5)
  })
  it('agrees with weighted least squares through the origin, weights 1/h, and with Student’s t of another library', () => {
    const stretch = fc.record({ h: fc.integer({ min: 1, max: 1000 }), d: fc.integer({ min: -100, max: 100 }) })
    fc.assert(
      fc.property(fc.array(stretch, { minLength: 2, maxLength: 9 }), all => {
        const services: Service[] = [at(0, null, 0)]
        for (const { h, d } of all) {
          const last = services.at(-1)!
          services.push(at(last.at! + h, last.left!.value + d, last.left!.value + d))
        }
        const { rate, jump } = drift(services)!
        fc.pre(jump === null)
        const [w, x, y] = [all.map(({ h }) => 1 / h), all.map(({ h }) => h), all.map(({ d }) => d)]
        const sum = (of: (i: number) => number) => all.reduce((total, _, i) => total + of(i), 0)
        const slope = sum(i => w[i]! * x[i]! * y[i]!) / sum(i => w[i]! * x[i]! ** 2)
        const s2 = sum(i => w[i]! * (y[i]! - slope * x[i]!) ** 2) / (all.length - 1)
        const half = jStat.studentt.inv(0.975, all.length - 1) * Math.sqrt(s2 / sum(i => w[i]! * x[i]! ** 2))
        expect(rate!.value).toBeCloseTo(slope, 9)
        expect(rate!.U).toBeCloseTo(half, 6)
      }),
    )
  })
  it('is never surer than the readings are', () => {
    // Both stretches the same: no scatter, but each figure is ± 2, a variance of 1. Untouched, the one in the middle drops out of 2 − 0.
    expect(drift([at(0, 0, 0, 2), at(100, 1, 1, 2), at(200, 2, 2, 2)])!.rate!.U).toBeCloseTo((1.95996 * Math.sqrt(2)) / 200, 6)
    // Set right in the middle, four readings count: 1 − 0 and 4 − 3.
    expect(drift([at(0, 0, 0, 2), at(100, 1, 3, 2), at(200, 4, 4, 2)])!.rate!.U).toBeCloseTo((1.95996 * Math.sqrt(4)) / 200, 6)
  })
  it('goes by the hours that are known: a service without them is passed over, and what was set right at it is not counted', () => {
    // +1 in the first 100 h; +1 and +1 over 200 h, with a service between at which it was set back from 3 to 1 and nobody read the meter.
    const services = [at(0, 1, 1, 2), at(100, 2, 2, 2), { ...at(0, 3, 1, 2), at: null }, at(300, 2, 2, 2)]
    expect(drift(services)).toMatchObject({ stretches: 3, rate: { value: 3 / 300 } })
    // Four readings of variance 1 count: the first, the two apart, the last; the one at 100 h ends a span and begins the next.
    expect(drift(services)!.rate!.U).toBeCloseTo((1.95996 * 2) / 300, 7)
  })
  it('is not told where nobody knows how long it went', () => {
    // The meter does not turn back, and does not stand still.
    expect(drift([at(100, 1, 1), at(100, 2, 2), at(50, 3, 3)])).toMatchObject({ stretches: 2, rate: null, eachTime: 1 })
  })
  it('is nothing from one stretch, or where nothing was read before it was changed', () => {
    expect(drift([at(0, 1, 1), at(100, 2, 2)])).toBeNull()
    expect(drift([at(0, 1, 1), at(100, null, 2), at(200, null, 3)])).toBeNull()
  })
})

describe('whether it drifts', () => {
  it('is told by the order of five figures: 2 of 120 orders rise or fall throughout', () => {
    expect(drift(untouched(1, 2, 3, 4, 5))).toMatchObject({ clear: true, eachTime: 1 })
    expect(drift(untouched(1, 2, 3, 4, 5))!.p).toBeCloseTo(2 / 120, 12)
    expect(drift(untouched(5, 4, 3, 2, 1))).toMatchObject({ clear: true, eachTime: -1 })
    expect(drift(untouched(1, 2, 4, 3, 5))).toMatchObject({ clear: false, eachTime: 0 })
    expect(drift(untouched(1, 2, 3, 4))).toMatchObject({ clear: false, p: null, eachTime: 1 })
  })
  it('leaves out what was adjusted: set back each time, it rises all the same', () => {
    const set = [at(0, 9, 3), at(100, 5, 3), at(200, 5, 3), at(300, 5, 3), at(400, 5, 3)]
    expect(drift(set)).toMatchObject({ clear: true, eachTime: 1 })
  })
  it('is not lost because the last one jumped, or one job had no meter', () => {
    const jumped = drift([...untouched(1, 2.1, 3, 4, 5), at(500, 12, 12)])!
    expect(jumped).toMatchObject({ clear: true, jump: { from: 4, to: 5, by: 7 } })
    expect(jumped.rate!.value).toBeCloseTo(4 / 400, 12)
    const without = untouched(1, 2, 3, 4, 5).map((one, i) => (i === 2 ? { ...one, at: null } : one))
    expect(drift(without)).toMatchObject({ clear: true, rate: { value: 4 / 400 } })
  })
  it('is not told where the readings could have made it: five that rise by less than they are known to', () => {
    const services = [1, 2, 3, 4, 5].map((value, i) => at(100 * i, value, value, 4))
    // 4 in all, ± 1.96 × √(4 + 4) = 5.5.
    expect(drift(services)).toMatchObject({ clear: false })
    expect(
      drift(services.map(one => ({ ...one, left: { value: one.left!.value, U: 2 }, found: { value: one.found!.value, U: 2 } }))),
    ).toMatchObject({ clear: true })
  })
  it('adds runs that are not joined: three and three figures that rise are one order of 36 each way', () => {
    const services = [...untouched(1, 2, 3), at(300, null, 1), at(400, 2, 2), at(500, 3, 3)]
    expect(drift(services)!.p).toBeCloseTo(2 / 36, 12)
  })
})

describe('Kendall’s rank test', () => {
  it.each([
    // Kendall, Rank Correlation Methods, appendix table 1; Hollander and Wolfe, table A.30 (from memory): one-sided.
    [5, 8, 0.042],
    [6, 11, 0.028],
    [6, 13, 0.0083],
    [8, 16, 0.031],
    [10, 21, 0.036],
  ])('of %i figures S = %i comes with a chance of %f a side', (n, s, chance) => {
    const run = runWith(n, s)
    expect(kendall([run]).s).toBe(s)
    expect(kendall([run]).p / 2).toBeCloseTo(chance, chance < 0.01 ? 4 : 3)
  })
  it('is what counting every order gives, ties and several runs included', () => {
    const run = fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 1, maxLength: 5 })
    fc.assert(
      fc.property(run, run, (a, b) => {
        const { s, p } = kendall([a, b])
        const all = ordersOf(a).flatMap(one => ordersOf(b).map(other => scoreOf(one) + scoreOf(other)))
        expect(s).toBe(scoreOf(a) + scoreOf(b))
        expect(p).toBeCloseTo(all.filter(one => Math.abs(one) >= Math.abs(s)).length / all.length, 10)
      }),
      { numRuns: 60 },
    )
  })
})
/** Rising, but for neighbours changed over until the score is what is asked. */
function runWith(n: number, s: number): number[] {
  const run = Array.from({ length: n }, (_, i) => i)
  for (let falling = (n * (n - 1)) / 2 - s; falling > 0; falling -= 2) {
    const i = run.findIndex((value, j) => value < (run[j + 1] ?? -1))
    ;[run[i], run[i + 1]] = [run[i + 1]!, run[i]!]
  }
  return run
}
const scoreOf = (run: readonly number[]) => run.flatMap((a, i) => run.slice(i + 1).map(b => Math.sign(b - a))).reduce((x, y) => x + y, 0)
const ordersOf = (run: readonly number[]): number[][] =>
  run.length < 2 ? [[...run]] : run.flatMap((first, i) => ordersOf(run.filter((_, j) => j !== i)).map(rest => [first, ...rest]))

describe('when a limit would be reached', () => {
  const last = { value: 4, U: 0 }
  const moving = { rate: { value: 0.02, U: 0.01 }, clear: true }
  it('lies between the fastest and the slowest drift; where it may stand still, it may never', () => {
    expect(reachOf(moving, last, { lower: 2, upper: 7 })).toEqual({ limit: 7, soonest: 100, latest: 3 / (0.02 - 0.01) })
    expect(reachOf({ ...moving, rate: { value: -0.02, U: 0.01 } }, last, { lower: 2, upper: 7 })).toMatchObject({ limit: 2, latest: 200 })
    expect(reachOf({ ...moving, rate: { value: 0.02, U: 0.02 } }, last, { lower: 2, upper: 7 })).toMatchObject({ latest: null })
  })
  it('carries what the last figure is known to', () =>
    expect(reachOf(moving, { value: 4, U: 0.3 }, { lower: 2, upper: 7 })).toEqual({ limit: 7, soonest: 2.7 / 0.03, latest: 3.3 / 0.01 }))
  it('is not told without a drift, without a limit that way, or when it is past it', () => {
    expect(reachOf({ ...moving, clear: false }, last, { lower: 2, upper: 7 })).toBeNull()
    expect(reachOf({ ...moving, rate: null }, last, { lower: 2, upper: 7 })).toBeNull()
    expect(reachOf(moving, last, { lower: 2, upper: null })).toBeNull()
    expect(reachOf(moving, last, { lower: 2, upper: 4 })).toBeNull()
  })
})

describe('the figures of a service', () => {
  const lots = [10, 4].map(size => ({ ...newLot({ id: `s${size}`, family: 'shims', nominal: thou(size), tags: [] }, true), onHand: 2 }))
  const pack = (size: number) => ({ pack: [{ lotId: `s${size}`, count: 1 }] })
  const check = checkOf('shaft-end-play', {
    setup: { pack: 'under-cover' },
    family: 'shims',
    limits: { working: 'book', sets: { play: { book: twoSided(thou(2), thou(4), 'thou', { kind: 'book' }), shop: null } } },
    trials: [
      trial('t1', plays('travel', 9, 9, 9), { packs: pack(10) }),
      trial('t2', plays('travel', 3, 3, 3), { packs: pack(4), refitted: ['pack'] }),
    ],
  })
  it('are those of a signed check: as found and as left, with the limits that judged', () => {
    expect(serviceFigures(check, lots)).toEqual([])
    const signed = { ...check, signOff: { at: '2026-05-04T08:00:00Z', by: 'T. Marl', reason: null, core: '2.1.0' } }
    expect(serviceFigures(signed, lots)).toMatchObject([
      { result: 'play', found: { value: thou(9) }, left: { value: thou(3) }, state: 'in', lower: thou(2), upper: thou(4), measure: null },
    ])
  })
})
