import type { ChoiceRequest } from '../question/question'
import { describe, expect, it } from 'vitest'
import { nm, thou } from '../../quantity/length'
import { twoSided, type LimitSet } from '../../verdict/limits'
import type { Lot } from '../../pack/lot'
import { orderPlan } from './order-plan'
import { needsOrder } from './ways-compared'
import { asked } from '../../../tests/questions'
import { lotOf } from '../../../tests/pieces'

const lot = (size: number, onHand: number, more: Partial<Lot> = {}): Lot =>
  lotOf(`s${size}`, thou(size), { family: 'f', onHand, cost: 100, ...more })
const band: LimitSet = twoSided(thou(1.6), thou(2.8), 'thou', { kind: 'book' })
/** One spacer, c +1, 10 thou fitted; sizes a step of 0.8 thou apart that can be had. */
const request = (play: number, u: number, drawer: Lot[], limits: LimitSet | null = band): ChoiceRequest => ({
  drawer,
  fitted: [{ lotId: 's10', count: 1 }],
  response: { perPiece: 1, pair: false },
  rules: { fewest: 1, most: 1 },
  question: asked({
    measured: { play: thou(play), u: thou(u), nu: Infinity },
    uRefit: 0,
    aim: thou(2.2),
    limits,
    unit: 'thou',
    cannotBind: 'above',
  }),
})
const steps = (onHand: number) => [10.8, 11.6, 12.4, 9.2].map(size => lot(size, onHand))

describe('reason to order', () => {
  const proposals = (...chances: (number | null)[]) =>
    needsOrder({ fallback: false, proposals: chances.map(inside => ({ chance: inside === null ? null : { inside } })) as never })
  it('is there where nothing reaches the limits, or nothing surely', () => {
    expect(needsOrder({ fallback: true, proposals: [{ chance: { inside: 1 } }] as never })).toBe(true)
    expect([proposals(), proposals(0.5, 0.94), proposals(0.5, 0.95), proposals(0.2, null)]).toEqual([true, true, false, false])
  })
})

describe('the order plan', () => {
  it('orders nothing when the drawer will do', () =>
    expect(orderPlan(request(1.4, 0.1, [lot(10, 0), ...steps(1)]))).toMatchObject({
      items: [],
      words: expect.stringContaining('nothing to order'),
    }))
  it('one size, when it is all but certain', () => {
    const plan = orderPlan(request(1.4, 0.1, [lot(10, 0), ...steps(0)]))!
    expect(plan.items.map(item => item.lotId)).toEqual(['s10.8'])
    expect(plan.chance).toBeGreaterThanOrEqual(0.95)
    expect(plan.items[0]!.chanceWithout).toBeCloseTo(plan.stockChance, 9)
    expect(plan.price).toBe(100)
  })
  it('the two likeliest together, when the play is not known well enough for one', () => {
    const plan = orderPlan(request(1.1, 0.3, [lot(10, 0), ...steps(0)]))!
    expect(plan.items).toHaveLength(2)
    expect(plan.items.map(item => item.lotId).sort()).toEqual(['s10.8', 's11.6'])
    for (const item of plan.items) {
      expect(item.chanceWithout).toBeLessThan(plan.chance)
      // Without one, the other still does something.
      expect(item.chanceWithout).toBeGreaterThan(plan.stockChance)
    }
  })
  it('never one size alone when its neighbour is likely, even if little is asked for', () =>
    expect(orderPlan(request(1.1, 0.3, [lot(10, 0), ...steps(0)]), 0.5)!.items.length).toBe(2))
  it('is the fewest: two sizes only where none alone would do, and then the best pair', () => {
    const drawer = [lot(10, 0), ...steps(0)]
    for (const [play, u] of [
      [1.0, 0.2],
      [1.2, 0.4],
      [0.9, 0.5],
      [3.5, 0.3],
      [4.1, 0.4],
    ] as const) {
      const having = (...ids: string[]) =>
        orderPlan(
          request(
            play,
            u,
            drawer.map(l => (ids.includes(l.id) ? { ...l, onHand: l.onHand + 1 } : l)),
          ),
          0.9,
        )!.stockChance
      const plan = orderPlan(request(play, u, drawer), 0.9)!
      const ids = drawer.map(l => l.id)
      const best = (size: number) => Math.max(...combinations(ids, size).map(set => having(...set)))
      for (let size = 1; size < plan.items.length; size++) expect(best(size)).toBeLessThan(0.9)
      expect(plan.chance).toBeCloseTo(best(plan.items.length), 9)
    }
  })
  it('says when nothing that can be had helps, and has no answer without limits', () => {
    // 1.4 where 1.7 to 2.7 would do: 0.3 short, by what a reading may be off.
    const words = orderPlan(request(1.4, 0.1, [lot(10, 0), lot(30, 0)]))!.words
    expect(words).toMatch(/^By the sizes as they are listed no pack of the drawer fits; .* one does, with a chance of \d+ %\. /)
    expect(words).toContain('enter the sizes that can be had')
    expect(orderPlan(request(-9, 0.1, [lot(30, 0)]))!.words).toMatch(/^No pack of the drawer fits\. /)
    expect(orderPlan(request(1.4, 0.1, steps(0), null))).toBeNull()
  })
  it('a place that may be empty counts that as a pack', () => {
    const empty = (play: number) =>
      orderPlan({ ...request(play, 0.1, [lot(10, 0)]), response: { perPiece: -1, pair: false }, rules: { fewest: 0, most: 1 } })!
        .stockChance
    // Ten out of the gap leaves 2.2 of what now reads −7.8; a tight one that reads 12 is not helped by it.
    expect(empty(-7.8)).toBeGreaterThan(0.95)
    expect(empty(-20)).toBeLessThan(0.05)
    expect(empty(12)).toBeLessThan(0.05)
  })
  it('three sizes where two will not do, each once', () => {
    // ± 1.2 thou at 95 %: bands of 1.2 cover it only three abreast.
    const plan = orderPlan(request(0.6, 0.62, [lot(10, 0), ...[10.8, 11.6, 12.4, 13.2].map(size => lot(size, 0))]), 0.97)!
    expect(plan.items.length).toBe(3)
    expect(new Set(plan.items.map(({ lotId }) => lotId)).size).toBe(3)
    for (const item of plan.items) expect(item.chanceWithout).toBeLessThan(plan.chance)
  })
  it('two halves are ordered as two, and a missing price leaves the sum open', () => {
    const shells = [lot(59, 2), lot(60, 0, { measured: null, cost: null, tolerance: { plus: nm(0), minus: nm(0) } })]
    const plan = orderPlan({
      drawer: shells,
      fitted: [{ lotId: 's59', count: 2 }],
      response: { perPiece: -1, pair: false },
      rules: { fewest: 2, most: 2 },
      question: asked({
        measured: { play: thou(4), u: thou(0.1), nu: Infinity },
        uRefit: 0,
        aim: thou(2.2),
        limits: band,
        unit: 'thou',
        cannotBind: 'above',
      }),
    })!
    expect(plan.items).toMatchObject([{ lotId: 's60', pieces: 2, price: null }])
    expect(plan.price).toBeNull()
  })
})

const combinations = (ids: string[], size: number): string[][] =>
  size === 0 ? [[]] : ids.flatMap((id, i) => combinations(ids.slice(i + 1), size - 1).map(rest => [id, ...rest]))
