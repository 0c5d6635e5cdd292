import { describe, expect, it } from 'vitest'
import { refitFrom } from '#core/check/evaluate/refit-spread'
import { thou } from '#core/quantity/length'
import { mean } from '#core/reading/statistics'
import { inLong } from '../runs'
import { setPreload, type Setting } from './preloads'
import { rebuild, tally, type Rebuild } from './rebuilds'

// Rebuilds with core alone, the same hidden shafts each time, so that what differs is what was done otherwise.
const COUNT = inLong ? 400 : 60
const many = (how: Rebuild) => Array.from({ length: COUNT }, (_, i) => rebuild(1_000 + i, how))
const known = new Map<string, ReturnType<typeof many>>()
function rebuilt(how: Rebuild): ReturnType<typeof many> {
  const key = JSON.stringify(how)
  if (!known.has(key)) known.set(key, many(how))
  return known.get(key)!
}

describe(`fewer strip-downs, in ${COUNT} rebuilds`, () => {
  it('a finer dial on a narrow band: more in limits at the first fitting, fewer signed that are not', () => {
    const coarse = tally(rebuilt({ band: 2, dial: 1, tooClose: 'as-advised' }))
    const fine = tally(rebuilt({ band: 2, dial: 0.1, tooClose: 'as-advised' }))
    expect(fine.first).toBeGreaterThan(coarse.first)
    expect(fine.wrong).toBeLessThanOrEqual(coarse.wrong)
    expect(fine.fittings).toBeLessThan(coarse.fittings)
    // Of a band twice as wide the coarse one loses less.
    expect(tally(rebuilt({ band: 4, dial: 1, tooClose: 'as-advised' })).first).toBeGreaterThan(coarse.first)
  }, 240_000)
  it('one advice where it is too close to call: fewer fittings, and no more signed that are not in', () => {
    const refitted = tally(rebuilt({ band: 2, dial: 1, tooClose: 'refit' }))
    const advised = tally(rebuilt({ band: 2, dial: 1, tooClose: 'as-advised' }))
    expect(advised.fittings).toBeLessThan(0.9 * refitted.fittings)
    expect(advised.wrong).toBeLessThanOrEqual(refitted.wrong + 0.01)
    expect(advised.readings).toBeLessThan(refitted.readings)
  }, 240_000)
  it('what a refit does, by the shop’s own proofs: near what it really does, and the chance told comes nearer to how often it comes', () => {
    const how = { band: 2, dial: 0.1, refit: 0.6, tooClose: 'as-advised' } as const
    const told = rebuilt({ ...how, toldRefit: 0.3 })
    const learned = refitFrom(told.flatMap(({ proofs }) => proofs))! / thou(1)
    // Of n proofs it is known to 1/√(2n), about a tenth of it here: within 2.5 of that.
    const open = 2.5 * 0.6 * Math.sqrt(1 / (2 * told.flatMap(({ proofs }) => proofs).length))
    expect(Math.abs(learned - 0.6)).toBeLessThan(open)
    const [before, after] = [tally(told), tally(rebuilt({ ...how, toldRefit: learned }))]
    expect(after.told).toBeLessThan(before.told)
    if (inLong) expect(Math.abs(after.told - after.came)).toBeLessThan(Math.abs(before.told - before.came))
  }, 240_000)
  it('side play closed by its length, and a slope from the service before: each saves fittings', () => {
    const fittings = (how: Setting) => mean(Array.from({ length: COUNT }, (_, i) => setPreload(5_000 + i, how)))
    const felt = fittings({ byDial: false, taught: false })
    const byDial = fittings({ byDial: true, taught: false })
    const taught = fittings({ byDial: true, taught: true })
    expect(byDial).toBeLessThan(felt)
    expect(taught).toBeLessThan(byDial)
    expect(taught).toBeLessThan(2.16)
  }, 240_000)
})
