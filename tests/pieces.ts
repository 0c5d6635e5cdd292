import type { Lot } from '#core/pack/lot'
import type { Nm } from '#core/quantity/length'

/** A size of a drawer with nothing said of it but its thickness, nm, which was measured: two of them, of the family `pieces`. */
export const lotOf = (id: string, size: Nm, more: Partial<Lot> = {}): Lot => ({
  id,
  family: 'pieces',
  nominal: size,
  measured: size,
  tolerance: null,
  onHand: 2,
  reserved: 0,
  mark: '',
  colour: '',
  tags: [],
  cost: null,
  leadDays: null,
  shape: 'flat',
  ...more,
})
