import { describe, expect, it } from 'vitest'
import { thou } from '../../../quantity/length'
import { Target } from './target'

const known = { u: thou(0.4), nu: Infinity }
const variance = (u: number) => thou(u) ** 2
const K = 1.959964

describe('where a pack is aimed at', () => {
  it('is one point for all where no end of the limits is kept from', () => {
    const target = new Target(thou(4), null, known, { least: variance(0.5), most: variance(2) })
    expect([target.least, target.most]).toEqual([thou(4), thou(4)])
    expect([target.distance(thou(5.5), variance(0.5)), target.nearest(thou(2))]).toEqual([thou(1.5), thou(2)])
  })

  it('keeps the pack’s own U from an end: a less certain one is aimed further in', () => {
    const tight = new Target(0, { end: thou(2), toward: 1 }, known, { least: variance(0.5), most: variance(1) })
    // On paper, ν without bound: 2 + 1.96 · 0.5 = 2.98, and 2 + 1.96 · 1 = 3.96.
    expect(tight.distance(thou(2), variance(0.5)) / thou(1)).toBeCloseTo(K * 0.5, 4)
    expect(tight.distance(thou(3.96), variance(1)) / thou(1)).toBeCloseTo(0, 3)
    const loose = new Target(0, { end: thou(8), toward: -1 }, known, { least: variance(0.5), most: variance(1) })
    expect(loose.distance(thou(8) - thou(K * 0.5), variance(0.5)) / thou(1)).toBeCloseTo(0, 3)
  })

  it('no pack is nearer than is said of its play, though U falls where degrees of freedom grow', () => {
    // Three readings: ν = 2 makes U 4.3 u; pieces nobody doubts add u and take k away.
    const few = { u: thou(0.5), nu: 2 }
    const range = { least: variance(0.6), most: variance(2) }
    for (const toward of [1, -1] as const) {
      const target = new Target(0, { end: thou(5), toward }, few, range)
      for (let u = 0.6; u <= 2; u += 0.05)
        for (let play = -2; play <= 12; play += 0.5)
          expect(target.distance(thou(play), variance(u))).toBeGreaterThanOrEqual(target.nearest(thou(play)) - 1e-6)
    }
    const own = new Target(0, { end: thou(5), toward: 1 }, few, range)
    // ν = (0.6/0.5)⁴·2 = 4.1 → 4, k 2.776; at u = 0.8 ν = 13.1 → 13, k 2.160: less U in spite of more u is not to be had here, but nearly.
    expect(own.distance(thou(5), variance(0.6)) / thou(1)).toBeCloseTo(2.776 * 0.6, 3)
    expect(own.distance(thou(5), variance(0.8)) / thou(1)).toBeCloseTo(2.16 * 0.8, 3)
  })
})
