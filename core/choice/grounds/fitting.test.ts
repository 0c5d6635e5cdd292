import { describe, expect, it } from 'vitest'
import { asked } from '../../../tests/questions'
import { newLot } from '../../command/found-pack'
import { lotMap } from '../../pack/lot'
import { thou } from '../../quantity/length'
import { stated } from '../../reading/estimate'
import { twoSided } from '../../verdict/limits'
import { choosePacks } from '../answer/chooser/choose'
import { prepareDrawer } from '../answer/chooser/prepare'
import { MOST_IN_DOUBT } from '../answer/leaves'
import { atMostOf, groundsFrom, ledgerFrom, type Fitting } from './fitting'

// A gap that a pack fills: play = base − pack. Worked on paper: common practice.
const DRAWER = [12, 14, 16, 17, 18, 20].map(size => ({
  ...newLot({ id: `s${size}`, family: 'shims', nominal: thou(size), tags: [] }, true),
  measured: thou(size),
  onHand: 2,
}))
const lots = lotMap(DRAWER)
const response = { perPiece: -1, pair: false } as const
const LIMITS = twoSided(thou(2), thou(7), 'thou', { kind: 'book' })
const of = (size: number) => [{ lotId: `s${size}`, count: 1 }]
const reads = (play: number, u = 0.1) =>
  stated(thou(play), [{ source: 'repeatability', words: 'read', u: u * 25_400, nu: Infinity, shared: false }])
const fitting = (number: number, size: number, play: number): Fitting => ({
  id: `t${number}`,
  number,
  pack: of(size),
  estimate: reads(play),
  atMost: null,
})
const none = (number: number, size: number, atMost = 0): Fitting => ({
  id: `t${number}`,
  number,
  pack: of(size),
  estimate: null,
  atMost: atMost * 25_400,
})
const context = { lots, family: 'shims', response, most: 9, unit: 'thou' } as const
function grounds(all: readonly Fitting[]) {
  const ledger = ledgerFrom(all, context, 2_540, [])
  return { ledger, grounds: groundsFrom(all, all.at(-1)!.pack!, ledger, context, 2_540, LIMITS)! }
}
function choice(all: readonly Fitting[]) {
  const question = asked({
    ...grounds(all).grounds,
    measured: grounds(all).grounds.measured!,
    aim: thou(4.5),
    limits: LIMITS,
    unit: 'thou',
    cannotBind: 'above',
  })
  return choosePacks(prepareDrawer(DRAWER, all.at(-1)!.pack!, response, { most: 1 }), question)
}

describe('what is known of a play, and that it is no more than so much', () => {
  it('has the mean and the spread of what is left of its distribution, by adding it up in ten thousand strips', () => {
    for (const [play, u, most, off] of [
      [0, 1, 0, 0],
      [0, 1, 1.5, 0],
      [3, 2, 1, 0.5],
      [-4, 3, -6, 2],
    ] as const) {
      const weights = Array.from({ length: 10_000 }, (_, i) => play + u * (-8 + (16 * (i + 0.5)) / 10_000)).map(x => {
        // The bound itself is off by a normal spread: the chance that it still lies above.
        const above = off === 0 ? (x <= most ? 1 : 0) : 1 / (1 + Math.exp((-1.702 * (most - x)) / off))
        return { x, w: Math.exp(-(((x - play) / u) ** 2) / 2) * above }
      })
      const sum = weights.reduce((all, { w }) => all + w, 0)
      const mean = weights.reduce((all, { x, w }) => all + x * w, 0) / sum
      const spread = Math.sqrt(weights.reduce((all, { x, w }) => all + (x - mean) ** 2 * w, 0) / sum)
      const left = atMostOf({ play, u, nu: 5 }, { play: most, u: off })
      // 1.702 makes a logistic curve of the normal one, to a hundredth.
      expect(left.play).toBeCloseTo(mean, off === 0 ? 3 : 1)
      expect(left.u).toBeCloseTo(spread, off === 0 ? 3 : 1)
      expect(left.nu).toBe(5)
    }
  })
  it('stays as it is where the bound is far off', () => {
    const known = { play: 0, u: 1, nu: Infinity }
    expect(atMostOf(known, { play: 3.1, u: 0 })).toBe(known)
    expect(atMostOf({ ...known, u: 0 }, { play: 1, u: 0 }).play).toBe(0)
  })
})

describe('a fitting without a play beside one with', () => {
  it('18 gave none, 12 then 9.5: that says 3.5 there. Both are named, nothing is sure, 18 is not looked for', () => {
    const all = [none(1, 18), fitting(2, 12, 9.5)]
    const { ledger, grounds: told } = grounds(all)
    expect(ledger).toMatchObject({ state: 'disagree', base: null })
    expect(ledger.words).toBe('Fitting 1 had no play, where fitting 2 says 3.5: 3.5 thou apart. Read one of them again first.')
    // By the one 12 leaves 9.5, by the other 6 at most.
    expect(told.from.play).toBe(thou(9.5))
    expect(told.doubts.map(({ play }) => play)).toEqual([thou(6)])
    const { proposals } = choice(all)
    expect(proposals.length).toBeGreaterThan(1)
    for (const { chance, pack } of proposals) {
      expect(chance!.inside).toBeLessThanOrEqual(MOST_IN_DOUBT)
      expect(pack).not.toEqual(of(18))
    }
  })
  it('18 gave none, 12 then 6: they agree, and what packs are reckoned from lies a little under 6', () => {
    const { ledger, grounds: told } = grounds([none(1, 18), fitting(2, 12, 6)])
    expect(ledger.state).toBe('one')
    expect(told.doubts).toEqual([])
    expect(told.from.play).toBeLessThan(thou(6))
    expect(told.from.play).toBeGreaterThan(thou(5.8))
    expect(told.from.u).toBeLessThan(2_540)
    // 18 gave none: 2 of play want 2 less than that.
    expect(told.atLeast).toBeCloseTo(told.from.play - thou(6) + thou(2), 6)
  })
  it('18 gave none, 12 then 4: nothing is taken away from what the second says', () => {
    const { grounds: told } = grounds([none(1, 18), fitting(2, 12, 4)])
    expect(told.from).toMatchObject({ play: thou(4), u: 2_540 })
  })
})

describe('fittings that do not agree', () => {
  const all = [fitting(1, 18, 3), fitting(2, 12, 6)]
  it('14 then leaves 4 by the one and 7 by the other: the chance told is the least of both, and none stands as sure', () => {
    const { proposals } = choice(all)
    const fourteen = proposals.find(({ pack }) => pack[0]!.lotId === 's14')!
    // 7 is the limit: half of it lies beyond, by the second.
    expect(fourteen.predicted.play).toBe(thou(4))
    expect(fourteen.chance!.inside).toBeCloseTo(0.5, 2)
    // 18 put back: 3 as it read, or 0 by the second.
    const back = proposals.find(({ pack }) => pack[0]!.lotId === 's18')!
    expect(back.predicted).toMatchObject({ play: thou(3), rests: 'before' })
    expect(Math.max(...proposals.map(({ chance }) => chance!.inside))).toBeLessThanOrEqual(MOST_IN_DOUBT)
  })
  it('leaving it does not stand first, though it reads in limits', () => {
    expect(choice([fitting(1, 12, 6)]).proposals[0]!.change).toEqual({ out: [], in: [] })
    expect(choice(all).proposals[0]!.change).not.toEqual({ out: [], in: [] })
  })
  it('where the present one is the odd one, packs rest on those that agree', () => {
    const { ledger, grounds: told } = grounds([fitting(1, 18, 3), fitting(2, 16, 5), fitting(3, 17, 9)])
    expect(ledger.suspect?.id).toBe('t3')
    expect(told).toMatchObject({ oddNow: true, measured: { play: thou(9) } })
    expect(told.from.play).toBeCloseTo(thou(4), 0)
  })
})
