import { nm, thou } from '#core/quantity/length'
import type { AllocationRequest } from '#core/choice/answer/allocation/allocate'
import type { Lot, Pack } from '#core/pack/lot'
import { twoSided } from '#core/verdict/limits'
import { asked } from '../questions'
import { lotOf } from '../pieces'

/** A repeatable stream of numbers in [0, 1): Numerical Recipes' quick generator. */
export function stream(seed: number): () => number {
  let state = seed >>> 0
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32
}

/** A made-up drawer of mixed inch and metric sizes, up to six of each; measured ones come to the micrometre or the tenth. */
export function madeDrawer(random: () => number, sizes: number, measured: boolean): { lots: Lot[]; fitted: Pack } {
  const lots = Array.from({ length: sizes }, (_, i): Lot => {
    const metric = random() < 0.5
    const nominal = metric ? nm(Math.round(5 + random() * 245) * 10_000) : thou(Math.round(2 + random() * 98))
    const step = metric ? 1000 : 2540
    const known = measured && random() < 0.7
    return lotOf(`lot${String(i).padStart(3, '0')}`, nominal, {
      family: 'made',
      measured: known ? nm(Math.round((nominal + (random() - 0.5) * 20_000) / step) * step) : null,
      onHand: 1 + Math.floor(random() * 6),
      cost: Math.round(random() * 400),
    })
  })
  return {
    lots,
    fitted: [
      { lotId: lots[3]!.id, count: 2 },
      { lotId: lots[Math.floor(sizes / 2)]!.id, count: 1 },
    ],
  }
}

/** A made-up drawer of which every piece is known by its own figure, to a tenth of a thou: ten of a size, each a lot of one. */
export function madeSingles(random: () => number, pieces: number): { lots: Lot[]; fitted: Pack } {
  const { lots } = madeDrawer(random, Math.ceil(pieces / 10), false)
  const singles = Array.from({ length: pieces }, (_, i): Lot => ({
    ...lots[Math.floor(i / 10)]!,
    id: `one${String(i).padStart(3, '0')}`,
    onHand: 1,
    apart: true,
    mark: `tray ${i}`,
    measured: nm(Math.round((lots[Math.floor(i / 10)]!.nominal + (random() - 0.5) * 16_000) / 2540) * 2540),
  }))
  return { lots: singles, fitted: [3, 4, Math.floor(pieces / 2)].map(i => ({ lotId: singles[i]!.id, count: 1 })) }
}

/**
 * A made-up row of plain bearings worn to different clearances, and shells by wall, thickness to the micrometre: each a place of two
 * halves with 30 to 54 µm wanted. In steps of 12 µm no pack comes near a limit: in limits is then in limits for sure.
 * @param step  of walls and clearances, nm
 */
export function madeBearings(
  random: () => number,
  bearings: number,
  sizes: number,
  each: number,
  step = 1_000,
): Pick<AllocationRequest, 'drawer' | 'places'> {
  const drawer = Array.from({ length: sizes }, (_, i): Lot => {
    const wall = nm(1_480_000 + Math.round((random() * 60) / (step / 1000)) * step)
    return lotOf(`s${String(i).padStart(3, '0')}`, wall, {
      family: 'made',
      scatter: nm(1_000),
      onHand: each,
      cost: 300 + Math.round(random() * 400),
    })
  })
  const places = Array.from({ length: bearings }, (_, p) => ({
    id: `p${p}`,
    fitted: [{ lotId: drawer[p % sizes]!.id, count: 2 }],
    response: { perPiece: -1 as const, pair: false },
    rules: { fewest: 2, most: 2 },
    question: asked({
      id: `clearance@${p}`,
      measured: { play: 24_000 + Math.round((random() * 60) / (step / 1000)) * step, u: 1, nu: Infinity },
      uRefit: 1,
      aim: nm(42_000),
      limits: twoSided(nm(30_000), nm(54_000), 'mm' as const, { kind: 'own' as const }),
      unit: 'mm' as const,
      cannotBind: 'above' as const,
    }),
  }))
  return { drawer, places }
}
