import { describe, expect, it } from 'vitest'
import { mm, nm, thou } from '#core/quantity/length'
import { readLedger, type LedgerTrial } from '#core/choice/grounds/ledger'
import { lotMap, type Lot } from '#core/pack/lot'
import { proofResidual } from '#core/choice/grounds/residual'
import { packWindow } from '#core/choice/window/window'
import { prepareDrawer } from '#core/choice/answer/chooser/prepare'
import { choosePacks } from '#core/choice/answer/chooser/choose'
import { judge } from '#core/verdict/decide'
import type { LimitSet } from '#core/verdict/limits'
import { asked } from '../questions'
import { lotOf } from '../pieces'

// Common practice: facts and worked figures of the trade, no published source.
const piece = (size: number, onHand = 0): Lot => lotOf(`p${size}`, thou(size), { family: 'f', scatter: nm(1_000), onHand })
const joint: LimitSet = {
  kind: 'two-sided',
  lower: nm(0),
  lowerExcluded: true,
  upper: mm(0.05),
  unit: 'mm',
  source: { kind: 'common-practice' },
}
const pair = { perPiece: -1, pair: true } as const

describe('joint rings 59, 61, 63 each side at 3.5, 3.5, 0.5 thou', () => {
  const kit = lotMap([57, 58, 59, 60, 61, 63].map(size => piece(size, 2)))
  const trials = (u: number): LedgerTrial[] =>
    [
      [59, 3.5],
      [61, 3.5],
      [63, 0.5],
    ].map(([size, play]) => ({ id: `${size}`, pack: [{ lotId: `p${size}`, count: 2 }], play: thou(play!), uOwn: thou(u), bound: false }))
  const read = (u: number) => readLedger(trials(u), { lots: kit, family: '', response: pair, most: 2, unit: 'thou', uShared: 0 }, [])

  it('bases 121.5, 125.5 and 126.5', () => expect(read(1).entries.map(entry => entry.base! / thou(1))).toEqual([121.5, 125.5, 126.5]))

  it.each([0.4, 0.7, 1, 1.4])('with u = %d the first is named, 4.5 off the other two', u => {
    expect(read(u)).toMatchObject({ state: 'suspect', suspect: { id: '59' } })
    expect(read(u).suspect!.offset / thou(1)).toBeCloseTo(-4.5, 6)
  })
  // Sharper, and no two agree; coarser, and more than one pair does.
  it.each([
    [0.3, 'disagree'],
    [1.5, 'disagree'],
    [3, 'agree'],
  ])('with u = %d nobody is named: they %s', (u, state) => expect(read(u)).toMatchObject({ state, suspect: null }))

  it('from the first reading alone: 59.77 to 60.75 would do, no ring of the kit fits, 61 would predict −0.5', () => {
    const window = packWindow(joint, thou(3.5), thou(118), pair)!
    expect(window.low / 2 / thou(1)).toBeCloseTo(59.77, 2)
    expect(window.high / 2 / thou(1)).toBeCloseTo(60.75, 2)
    const without60 = [57, 58, 59, 61, 63].map(size => piece(size, 2))
    const choice = choosePacks(
      prepareDrawer(without60, [{ lotId: 'p59', count: 2 }], pair, { fewest: 2, most: 2 }),
      asked({
        measured: { play: thou(3.5), u: thou(0.1), nu: Infinity },
        uRefit: thou(0.2),
        aim: mm(0.025),
        limits: joint,
        unit: 'thou',
        cannotBind: 'above',
      }),
    )
    expect(choice.fallback).toBe(true)
    const all = choosePacks(
      prepareDrawer(without60, [{ lotId: 'p59', count: 2 }], pair, { fewest: 2, most: 2 }),
      asked({
        measured: { play: thou(3.5), u: thou(0.1), nu: Infinity },
        uRefit: thou(0.2),
        aim: nm(0),
        limits: null,
        unit: 'thou',
        cannotBind: 'above',
      }),
    )
    expect(all.proposals.find(proposal => proposal.pack[0]!.lotId === 'p61')!.predicted.play).toBe(-thou(0.5))
  })

  it('from 57-thou rings at 1.5: 58 gives −0.5, 59 gives −2.5, 54 gives 7.5', () => {
    const rings = [54, 57, 58, 59].map(size => piece(size, 2))
    const choice = choosePacks(
      prepareDrawer(rings, [{ lotId: 'p57', count: 2 }], pair, { fewest: 2, most: 2 }),
      asked({
        measured: { play: thou(1.5), u: thou(0.1), nu: Infinity },
        uRefit: 0,
        aim: thou(1),
        limits: null,
        unit: 'thou',
        cannotBind: 'above',
      }),
    )
    const plays = Object.fromEntries(choice.proposals.map(p => [p.pack[0]!.lotId, p.predicted.play / thou(1)]))
    expect(plays).toEqual({ p54: 7.5, p57: 1.5, p58: -0.5, p59: -2.5 })
  })
})

describe('a heavy automatic’s input shaft, 19 to 30 thou', () => {
  const band: LimitSet = { kind: 'two-sided', lower: thou(19), upper: thou(30), unit: 'thou', source: { kind: 'common-practice' } }
  const at = (play: number) => judge({ value: thou(play), u: thou(0.3), nu: Infinity }, band, 'guarded')
  it('18 is tight by both rules', () => expect(at(18)).toMatchObject({ plain: 'below', guarded: 'below' }))
  it('19 is in by the plain rule, too close to call by the guarded one', () =>
    expect(at(19)).toMatchObject({ plain: 'in', guarded: 'close' }))
})

describe('a pack under a quill: play 31, band 2 to 4, pack 2, 2, 2, 5, 5, 5, 10, 10', () => {
  const quill: LimitSet = { kind: 'two-sided', lower: thou(2), upper: thou(4), unit: 'thou', source: { kind: 'common-practice' } }
  const fitted = [
    { lotId: 'p2', count: 3 },
    { lotId: 'p5', count: 3 },
    { lotId: 'p10', count: 2 },
  ]
  const drawer = prepareDrawer(
    [2, 5, 10].map(size => piece(size)),
    fitted,
    { perPiece: 1, pair: false },
    { onlyRemove: true },
  )
  const choice = choosePacks(
    drawer,
    asked({
      measured: { play: thou(31), u: thou(0.2), nu: Infinity },
      uRefit: thou(0.25),
      aim: thou(3),
      limits: quill,
      unit: 'thou',
      cannotBind: 'above',
    }),
  )

  it('nothing sums to 28; 27 out predicts 4, 29 out predicts 2, 26 would be out of limits', () => {
    const out = (play: number) => choice.proposals.filter(p => p.predicted.play === thou(play)).map(p => p.words)
    expect(out(4)).toContain('Take out 10 + 10 + 5 + 2')
    expect(out(2)).toContain('Take out 10 + 10 + 5 + 2 + 2')
    const changed = choice.proposals.filter(p => p.change.out.length > 0)
    expect(new Set(changed.map(p => p.predicted.play / thou(1)))).toEqual(new Set([2, 4]))
    expect(choice.notes).toEqual(['3 thou cannot be had with these pieces: 2 or 4 can.'])
  })
  it('27 was taken out and 3 measured: residual −1', () => {
    const residual = proofResidual(thou(3), thou(0.2), thou(4), thou(0.3))
    expect(residual.difference).toBe(-thou(1))
    expect(residual.flagged).toBe(true)
  })
})
