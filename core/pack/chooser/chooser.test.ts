import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nm, thou, mm } from '../../quantity/length'
import { chanceInLimits } from '../../verdict/chance'
import type { LimitSet } from '../../verdict/limits'
import { lotMap, packTotal, thickness, type Lot, type Pack } from '../lot'
import { predict } from '../predict'
import { choosePacks, type PackQuestion } from './choose'
import { chanceClass } from './merit'
import { prepareDrawer, type PackRules } from './prepare'
import { buildReach } from './reach'

let serial = 0
const lot = (nominal: number, onHand: number, more: Partial<Lot> = {}): Lot => ({
  id: `l${String(++serial).padStart(4, '0')}`,
  family: 'f',
  nominal: nm(nominal),
  measured: nm(nominal),
  tolerance: null,
  onHand,
  reserved: 0,
  mark: '',
  colour: '',
  tags: [],
  cost: null,
  leadDays: null,
  shape: 'flat',
  ...more,
})
const limits = (lower: number, upper: number): LimitSet => ({
  kind: 'two-sided',
  lower: nm(lower),
  upper: nm(upper),
  unit: 'thou',
  source: { kind: 'book' },
})
const cover = { perPiece: 1, pair: false } as const
const gap = { perPiece: -1, pair: false } as const

interface Case {
  lots: Lot[]
  fitted: Pack
  response: { perPiece: 1 | -1; pair: boolean }
  rules: PackRules
  question: PackQuestion
}

/** Every pack there is, ranked by the order of merit as the handbook words it. */
function bruteForce({ lots, fitted, response, rules, question }: Case): { ids: string; key: number[] }[] {
  const all: { ids: string; key: number[] }[] = []
  const map = lotMap(lots)
  const inside = (id: string) => fitted.find(p => p.lotId === id)?.count ?? 0
  const step = response.pair ? 2 : 1
  const sorted = [...lots].sort((a, b) => (a.id < b.id ? -1 : 1))
  const visit = (i: number, counts: number[]): void => {
    if (i === sorted.length) {
      const pieces = counts.reduce((a, b) => a + b, 0)
      if (pieces > (rules.most ?? 8) || pieces < (rules.fewest ?? 0)) return
      const pack = counts.flatMap((count, at) => (count ? [{ lotId: sorted[at]!.id, count }] : []))
      const total = packTotal(pack, map)
      if (rules.largestStack !== undefined && total > rules.largestStack) return
      if (rules.required && !pack.some(p => p.lotId === rules.required)) return
      const p = predict(question.measured, fitted, pack, map, response, { uRefit: question.uRefit })
      const low = question.limits && question.limits.kind !== 'upper' ? question.limits.lower! : -Infinity
      const high = question.limits && question.limits.kind !== 'lower' ? question.limits.upper! : Infinity
      if (p.play < low || p.play > high) return
      const chance = chanceInLimits({ value: p.play, u: p.u, nu: p.nu }, question.limits)
      const variance = pack.reduce((sum, piece) => {
        const l = map.get(piece.lotId)!
        const half = l.tolerance ? (l.tolerance.plus + l.tolerance.minus) / 2 : 12_700
        return sum + piece.count * Math.round(1000 ** 2 + (l.measured === null ? half ** 2 / 3 : 1000 ** 2))
      }, 0)
      const changes = sorted.reduce((sum, l, at) => sum + Math.abs(counts[at]! - inside(l.id)), 0)
      const cost = sorted.reduce((sum, l, at) => sum + counts[at]! * (l.cost ?? 0), 0)
      const bin = Math.floor(Math.abs(p.play - question.aim) / (question.unit === 'mm' ? 2000 : 2540))
      const order = rules.order ?? 'pieces'
      const tail =
        order === 'pieces'
          ? [pieces, variance, changes, cost]
          : order === 'changes'
            ? [changes, pieces, variance, cost]
            : [cost, pieces, variance, changes]
      all.push({
        ids: pack.flatMap(piece => Array.from({ length: piece.count }, () => piece.lotId)).join(),
        key: [chanceClass(chance ? chance.inside : null), bin, ...tail],
      })
      return
    }
    const l = sorted[i]!
    const free =
      rules.onlyRemove || (rules.noUnmeasured && l.measured === null) ? inside(l.id) : Math.max(0, l.onHand - l.reserved) + inside(l.id)
    for (let x = 0; x <= Math.min(free, rules.most ?? 8); x += step) visit(i + 1, [...counts, x])
  }
  visit(0, [])
  return all.sort((a, b) => {
    const at = a.key.findIndex((entry, i) => entry !== b.key[i])
    return at === -1 ? (a.ids < b.ids ? -1 : 1) : a.key[at]! - b.key[at]!
  })
}

const chosen = (c: Case) => choosePacks(prepareDrawer(c.lots, c.fitted, c.response, c.rules), c.question)
const idsOf = (pack: Pack) => pack.flatMap(piece => Array.from({ length: piece.count }, () => piece.lotId)).join()

const smallCase: fc.Arbitrary<Case> = fc
  .record({
    sizes: fc.array(
      fc.record({
        tenths: fc.integer({ min: 10, max: 120 }),
        metric: fc.boolean(),
        onHand: fc.integer({ min: 0, max: 3 }),
        reserved: fc.integer({ min: 0, max: 1 }),
        fitted: fc.integer({ min: 0, max: 2 }),
        measured: fc.boolean(),
        cost: fc.integer({ min: 0, max: 3 }),
        plus: fc.integer({ min: 0, max: 3 }),
        odd: fc.constantFrom(0, 0, 254, 1000, 137),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    perPiece: fc.constantFrom<1 | -1>(1, -1),
    pair: fc.boolean(),
    order: fc.constantFrom('pieces' as const, 'changes' as const, 'cost' as const),
    most: fc.integer({ min: 1, max: 5 }),
    fewest: fc.integer({ min: 0, max: 1 }),
    onlyRemove: fc.boolean(),
    noUnmeasured: fc.boolean(),
    required: fc.boolean(),
    cap: fc.boolean(),
    play: fc.integer({ min: 0, max: 500 }),
    u: fc.integer({ min: 0, max: 30 }),
    refit: fc.integer({ min: 0, max: 20 }),
    nu: fc.constantFrom(2, 5, Infinity),
    lower: fc.integer({ min: 0, max: 60 }),
    width: fc.integer({ min: 1, max: 80 }),
    kind: fc.constantFrom('two-sided' as const, 'upper' as const, 'lower' as const, null),
    unit: fc.constantFrom('thou' as const, 'mm' as const),
    aim: fc.integer({ min: 0, max: 100 }),
  })
  .map(g => {
    const lots = g.sizes.map(s =>
      lot(s.metric ? s.tenths * 10_000 : s.tenths * 2540 + s.odd, s.onHand, {
        reserved: s.reserved,
        cost: s.cost,
        ...(s.measured ? {} : { measured: null, tolerance: s.plus === 0 ? null : { plus: nm(s.plus * 2540), minus: nm(0) } }),
      }),
    )
    const fitted = g.sizes.flatMap((s, i) =>
      s.fitted ? [{ lotId: lots[i]!.id, count: g.pair ? 2 * Math.ceil(s.fitted / 2) : s.fitted }] : [],
    )
    const set: LimitSet | null =
      g.kind === null
        ? null
        : { kind: g.kind, lower: nm(g.lower * 2540), upper: nm((g.lower + g.width) * 2540), unit: 'thou', source: { kind: 'book' } }
    return {
      lots,
      fitted,
      response: { perPiece: g.perPiece, pair: g.pair },
      rules: {
        most: g.most,
        fewest: g.fewest,
        order: g.order,
        onlyRemove: g.onlyRemove,
        noUnmeasured: g.noUnmeasured,
        ...(g.required ? { required: lots[0]!.id } : {}),
        ...(g.cap ? { largestStack: nm(400_000) } : {}),
      },
      question: {
        measured: { play: g.play * 2540, u: g.u * 254, nu: g.nu },
        uRefit: g.refit * 254 + 1,
        aim: nm(g.aim * 2540 + 77),
        limits: set,
        unit: g.unit,
        cannotBind: 'above' as const,
      },
    }
  })

describe('the chooser', () => {
  it('is as good as trying every pack (property, thousands of drawers)', () => {
    let compared = 0
    fc.assert(
      fc.property(smallCase, c => {
        const choice = chosen(c)
        const all = bruteForce(c)
        expect(choice.proven).toBe(true)
        if (choice.fallback) {
          expect(all).toEqual([])
          return
        }
        compared++
        expect(choice.proposals.map(p => idsOf(p.pack))).toEqual(all.slice(0, 5).map(p => p.ids))
      }),
      { numRuns: 3000, seed: 20260101 },
    )
    expect(compared).toBeGreaterThan(1000)
  })

  it('falls back to the safe side when nothing reaches the band', () => {
    const lots = [
      lot(thou(57), 2, { measured: null }),
      lot(thou(58), 2, { measured: null }),
      lot(thou(59), 2, { measured: null }),
      lot(thou(61), 2, { measured: null }),
    ]
    const choice = chosen({
      lots,
      fitted: [{ lotId: lots[2]!.id, count: 2 }],
      response: { perPiece: -1, pair: true },
      rules: { fewest: 2, most: 2 },
      question: {
        measured: { play: thou(3.5), u: thou(0.1), nu: Infinity },
        uRefit: thou(0.2),
        aim: nm(25_000),
        limits: { kind: 'two-sided', lower: nm(0), lowerExcluded: true, upper: mm(0.05), unit: 'thou', source: { kind: 'borrowed' } },
        unit: 'thou',
        cannotBind: 'above',
      },
    })
    expect(choice.fallback).toBe(true)
    expect(choice.notes.join(' ')).toContain('Nothing in the drawer reaches the limits')
    expect(choice.proposals[0]!.predicted.play).toBe(thou(3.5))
    for (const proposal of choice.proposals) expect(proposal.predicted.play).toBeGreaterThan(mm(0.05))
  })

  it('says which plays can be had when the aim cannot: even sizes, odd play', () => {
    const lots = [lot(thou(2), 4), lot(thou(4), 4), lot(thou(6), 4), lot(thou(10), 4)]
    const choice = chosen({
      lots,
      fitted: [{ lotId: lots[3]!.id, count: 2 }],
      response: cover,
      rules: {},
      question: {
        measured: { play: thou(15), u: thou(0.1), nu: Infinity },
        uRefit: thou(0.1),
        aim: thou(4),
        limits: limits(thou(2), thou(6)),
        unit: 'thou',
        cannotBind: 'above',
      },
    })
    expect(choice.notes).toEqual(['4 thou cannot be had with these pieces: 3 or 5 can.'])
  })

  it('takes the quill pack down as the trade does: 27 out predicts 4, 29 out 2, nothing sums to 28', () => {
    const lots = [lot(thou(2), 0), lot(thou(5), 0), lot(thou(10), 0)]
    const fitted = [
      { lotId: lots[0]!.id, count: 3 },
      { lotId: lots[1]!.id, count: 3 },
      { lotId: lots[2]!.id, count: 2 },
    ]
    const choice = chosen({
      lots,
      fitted,
      response: cover,
      rules: { onlyRemove: true },
      question: {
        measured: { play: thou(31), u: thou(0.1), nu: Infinity },
        uRefit: thou(0.2),
        aim: thou(3),
        limits: limits(thou(2), thou(4)),
        unit: 'thou',
        cannotBind: 'above',
      },
    })
    const plays = choice.proposals.map(p => p.predicted.play / thou(1))
    expect(new Set(plays.slice(0, 2))).toEqual(new Set([4, 2]))
    expect(choice.notes[0]).toBe('3 thou cannot be had with these pieces: 2 or 4 can.')
    expect(choice.proposals.map(p => p.words)).toContain('Take out 10 + 10 + 5 + 2')
    expect(choice.proposals.find(p => p.words === 'Take out 10 + 10 + 5 + 2')!.arithmetic).toBe('31.0 − (10 + 10 + 5 + 2) = 4.0 thou')
    expect(plays).not.toContain(3)
  })

  it('reports ties instead of hiding them', () => {
    const lots = [lot(thou(5), 1), lot(thou(5), 1), lot(thou(9), 1)]
    const choice = chosen({
      lots,
      fitted: [],
      response: gap,
      rules: {},
      question: {
        measured: { play: thou(9), u: thou(0.1), nu: Infinity },
        uRefit: thou(0.1),
        aim: thou(4),
        limits: limits(thou(3), thou(5)),
        unit: 'thou',
        cannotBind: 'above',
      },
    })
    expect(choice.proposals[0]!.tied && choice.proposals[1]!.tied).toBe(true)
    expect(choice.proposals[0]!.pack).toEqual([{ lotId: lots[0]!.id, count: 1 }])
  })

  it('has nothing to say over an empty drawer but says that', () => {
    const choice = chosen({
      lots: [],
      fitted: [],
      response: gap,
      rules: { fewest: 1 },
      question: {
        measured: { play: thou(9), u: thou(0.1), nu: Infinity },
        uRefit: thou(0.1),
        aim: thou(4),
        limits: limits(thou(3), thou(5)),
        unit: 'thou',
        cannotBind: 'above',
      },
    })
    expect(choice.proposals).toEqual([])
    expect(choice.notes[0]).toBe('The drawer has no pieces for this place.')
  })
})

describe('the reach', () => {
  it('never denies a total that exists, on a common grid or off it (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1000, max: 3_000_000 }), { minLength: 1, maxLength: 6 }),
        fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 6, maxLength: 6 }),
        (sizes, counts) => {
          const reach = buildReach(
            sizes,
            sizes.map(() => 3),
            8,
          )
          const used = sizes.map((_, i) => counts[i]!)
          const picks = used.reduce((a, b) => a + b, 0)
          fc.pre(picks <= 8)
          const total = sizes.reduce((sum, size, i) => sum + size * used[i]!, 0)
          expect(reach.can(0, picks, total, total)).toBe(true)
          expect(reach.largest).toBeGreaterThanOrEqual(total)
        },
      ),
      { numRuns: 300 },
    )
  })
  it('is exact when the sizes share a step', () => {
    const reach = buildReach([thou(2), thou(4)], [2, 2], 3)
    const can = (k: number) => [0, 2, 4, 6, 8, 10, 12].filter(t => reach.can(0, k, thou(t), thou(t)))
    expect(can(1)).toEqual([2, 4])
    expect(can(2)).toEqual([4, 6, 8])
    expect(can(3)).toEqual([8, 10])
    expect(reach.can(0, 2, thou(4) + 1, thou(6) - 1)).toBe(false)
  })
})

it('a lot is reckoned by its measured thickness, else the middle of a one-sided tolerance', () => {
  expect(thickness(lot(thou(10), 1, { measured: null, tolerance: { plus: nm(0), minus: thou(1) } }))).toBe(thou(9.5))
  expect(thickness(lot(thou(10), 1, { measured: thou(10.2) }))).toBe(thou(10.2))
})
