import fc from 'fast-check'
import { jStat } from 'jstat'
import { describe, expect, it } from 'vitest'
import { checkOf, plays, trial } from '../../tests/documents'
import { newLot } from '../command/found-pack'
import { thou } from '../quantity/length'
import { twoSided } from '../verdict/limits'
import { drift, reachOf, type Service } from './drift'
import { serviceFigures } from './service-figures'

const at = (when: number, found: number | null, left: number | null, U = 0): Service => ({
  at: when,
  found: found === null ? null : { value: found, U },
  left: left === null ? null : { value: left, U },
})

describe('drift', () => {
  it('is what it changed by between services over what went by; what was set right in between does not count', () => {
    // 100 h: +2, 300 h: +6, and every time it was set back to 3.
    const { rate, U, stretches, clear } = drift([at(0, 9, 3), at(100, 5, 3), at(400, 9, 3)])!
    expect([rate, U, stretches, clear]).toEqual([8 / 400, 0, 2, true])
  })
  it('by hand: d = 3 and 1 in 100 h each', () => {
    // rate 4/200 = 0.02; residuals ±1, so Σ r²/h = 2/100, over n − 1 = 1, over 200 h: variance 1e-4; t(0.975, 1) = 12.706.
    const { rate, U, clear } = drift([at(0, null, 0), at(100, 3, 3), at(200, 4, 4)])!
    expect(rate).toBeCloseTo(0.02, 12)
    expect(U).toBeCloseTo(12.7062 * 0.01, 5)
    expect(clear).toBe(false)
  })
  it('agrees with weighted least squares through the origin, weights 1/h, and with Student’s t of another library', () => {
    const stretch = fc.record({ h: fc.integer({ min: 1, max: 1000 }), d: fc.integer({ min: -100, max: 100 }) })
    fc.assert(
      fc.property(fc.array(stretch, { minLength: 2, maxLength: 9 }), all => {
        const services: Service[] = [at(0, null, 0)]
        for (const { h, d } of all) {
          const last = services.at(-1)!
          services.push(at(last.at + h, last.left!.value + d, last.left!.value + d))
        }
        const { rate, U } = drift(services)!
        const [w, x, y] = [all.map(({ h }) => 1 / h), all.map(({ h }) => h), all.map(({ d }) => d)]
        const sum = (of: (i: number) => number) => all.reduce((total, _, i) => total + of(i), 0)
        const slope = sum(i => w[i]! * x[i]! * y[i]!) / sum(i => w[i]! * x[i]! ** 2)
        const s2 = sum(i => w[i]! * (y[i]! - slope * x[i]!) ** 2) / (all.length - 1)
        const half = jStat.studentt.inv(0.975, all.length - 1) * Math.sqrt(s2 / sum(i => w[i]! * x[i]! ** 2))
        expect(rate).toBeCloseTo(slope, 9)
        expect(U).toBeCloseTo(half, 6)
      }),
    )
  })
  it('is never surer than the readings are', () => {
    // Both stretches the same: no scatter, but each figure is ± 2, a variance of 1. Untouched, the one in the middle drops out of 2 − 0.
    expect(drift([at(0, 0, 0, 2), at(100, 1, 1, 2), at(200, 2, 2, 2)])!.U).toBeCloseTo((1.95996 * Math.sqrt(2)) / 200, 6)
    // Set right in the middle, four readings count: 1 − 0 and 4 − 3.
    expect(drift([at(0, 0, 0, 2), at(100, 1, 3, 2), at(200, 4, 4, 2)])!.U).toBeCloseTo((1.95996 * Math.sqrt(4)) / 200, 6)
  })
  it('is nothing from one stretch, or where nothing was read before it was changed', () => {
    expect(drift([at(0, 1, 1), at(100, 2, 2)])).toBeNull()
    expect(drift([at(0, 1, 1), at(100, null, 2), at(200, null, 3)])).toBeNull()
    // The meter does not turn back, and does not stand still.
    expect(drift([at(100, 1, 1), at(100, 2, 2), at(50, 3, 3)])).toBeNull()
  })
})

describe('when a limit would be reached', () => {
  const last = { value: 4, U: 0.2 }
  it('lies between the fastest and the slowest drift; where it may stand still, it may never', () => {
    const moving = { rate: 0.02, U: 0.01, stretches: 4, clear: true }
    expect(reachOf(moving, last, { lower: 2, upper: 7 })).toEqual({ limit: 7, soonest: 100, latest: 3 / (0.02 - 0.01) })
    expect(reachOf({ ...moving, rate: -0.02 }, last, { lower: 2, upper: 7 })).toMatchObject({ limit: 2, latest: 200 })
  })
  it('is not told without a drift, without a limit that way, or when it is past it', () => {
    const moving = { rate: 0.02, U: 0.01, stretches: 4, clear: true }
    expect(reachOf({ ...moving, clear: false }, last, { lower: 2, upper: 7 })).toBeNull()
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
