import { nm, thou } from '#core/quantity/length'
import type { Lot, Pack } from '#core/pack/lot'

/** A repeatable stream of numbers in [0, 1): Numerical Recipes' quick generator. */
export function stream(seed: number): () => number {
  let state = seed >>> 0
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32
}

/** A made-up drawer of mixed inch and metric sizes, up to six of each; measured ones come to the micrometre or the tenth. */
export function madeDrawer(random: () => number, sizes: number, measured: boolean): { lots: Lot[], fitted: Pack } {
  const lots = Array.from({ length: sizes }, (_, i): Lot => {
    const metric = random() < 0.5
    const nominal = metric ? nm(Math.round(5 + random() * 245) * 10_000) : thou(Math.round(2 + random() * 98))
    const step = metric ? 1000 : 2540
    const known = measured && random() < 0.7
    return {
      id: `lot${String(i).padStart(3, '0')}`, family: 'made', nominal, measured: known ? nm(Math.round((nominal + (random() - 0.5) * 20_000) / step) * step) : null,
      tolerance: null, onHand: 1 + Math.floor(random() * 6), reserved: 0, mark: '', colour: '', tags: [], cost: Math.round(random() * 400), leadDays: null, shape: 'flat',
    }
  })
  return { lots, fitted: [{ lotId: lots[3]!.id, count: 2 }, { lotId: lots[Math.floor(sizes / 2)]!.id, count: 1 }] }
}
