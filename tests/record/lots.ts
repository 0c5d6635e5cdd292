import type { CheckKind } from '#core/check/contract'
import type { Setup } from '#core/check/setup'
import { newLot } from '#core/command/found-pack'
import type { Lot } from '#core/pack/lot'
import { nm, thou, type Nm } from '#core/quantity/length'

const lot = (id: string, size: Nm, onHand: number, more: Partial<Lot> = {}): Lot => ({
  ...newLot({ id, family: 'pieces', nominal: size, tags: [] }, true),
  onHand,
  ...more,
})
/** Something of everything: measured or not, stepped, told apart, promised, a sheet, another family. */
const LOTS = [
  lot('a', thou(10), 3, { cost: 40 }),
  lot('b', thou(8), 2, { measured: null, tolerance: { plus: nm(0), minus: nm(5_000) } }),
  lot('c', thou(5), 4, { reserved: 2, mark: 'K' }),
  lot('d', thou(2), 6, { measured: null }),
  lot('e', thou(30), 1, { shape: 'stepped' }),
  lot('f', thou(6.1), 1, { apart: true, mark: 'tray 4', colour: 'green' }),
  lot('g', thou(4), 2, { shape: 'sheet' }),
  lot('h', thou(20), 0, { cost: 90, leadDays: 4 }),
  lot('z', thou(3), 5, { family: 'others' }),
]

/** A kind that has a piece of its own finds it. */
export const lotsFor = (kind: CheckKind, setup: Setup): Lot[] =>
  kind.places(setup).some(({ one, holds }) => one === 'sprung' || holds !== undefined)
    ? [...LOTS, lot('s', thou(10), 2, { shape: 'sprung' }), lot('p', thou(4), 3, { shape: 'packing' })]
    : LOTS
