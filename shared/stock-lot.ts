import type { Lot } from '#core/pack/lot'

/** A size of the drawer as the shop keeps it. */
export interface StockLot extends Lot {
  readonly version: number
  /** who it is bought from; empty: not known */
  readonly supplier: string
  /** what they call it */
  readonly article: string
}
