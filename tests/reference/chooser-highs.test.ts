import { expect, it } from 'vitest'
import { prepareDrawer } from '#core/choice/answer/chooser/prepare'
import { searchPacks } from '#core/choice/answer/chooser/search'
import { madeDrawer, stream } from './drawers'
import { runs } from '../runs'
import { lexicographic, solver } from './milp'

// Reference library: HiGHS, an integer-programming solver, on the same question criterion by criterion.
it('the chooser’s best pack is HiGHS’ best pack, on large drawers', async () => {
  const highs = await solver()
  const random = stream(20260504)
  let compared = 0
  for (let i = 0; i < runs(14, 5); i++) {
    const { lots, fitted } = madeDrawer(random, 60, false)
    const drawer = prepareDrawer(lots, fitted, { perPiece: i % 2 ? 1 : -1, pair: false }, { most: 5 })
    const total = Math.round((random() * 4_000_000) / 100) * 100
    const c = drawer.response.perPiece
    const play = 5_000_000
    const basePlay = play - c * drawer.fittedTotal
    const aim = basePlay + c * total
    const [best] = searchPacks(drawer, {
      from: { play, u: 2000, nu: 9 },
      uRefit: 2000,
      aim,
      width: 2540,
      limits: null,
      wanted: 1,
    }).found
    const reference = lexicographic(highs, { drawer, basePlay, aim, width: 2540, allowed: { low: -Infinity, high: Infinity } }, 200_000)
    expect(best === undefined).toBe(reference === null)
    if (!reference || !best) continue
    compared++
    const [, bin, , trouble, distance, variance, cost] = best.key
    expect({ bin, trouble, distance: Math.round(distance), variance: Math.round(variance / 1000), cost }).toEqual({
      ...reference,
      distance: Math.round(reference.distance),
      variance: Math.round(reference.variance / 1000),
    })
  }
  expect(compared).toBeGreaterThan(runs(14, 5) * 0.6)
}, 240_000)
