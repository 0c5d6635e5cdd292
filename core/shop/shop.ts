import type { LibraryLimit } from '../check/library'
import type { Lot, Pack } from '../pack/lot'
import type { OrderLine } from '../pack/order-list'
import type { Nm } from '../quantity/length'
import type { Gauge } from '../reading/gauge'

/** A size of the drawer as the shop keeps it; `reserved` is what it keeps aside, promises to checks not among it. */
export interface StockLot extends Lot {
  readonly version: number
  /** who it is bought from; empty: not known */
  readonly supplier: string
  /** what they call it */
  readonly article: string
  /** it was taken off the list of sizes */
  readonly removed?: true
}

/** A line of the order list, or of an order. */
export interface ShopLine extends OrderLine {
  /** the place of a check that waits for it; null: for the drawer */
  readonly check: { readonly id: string; readonly place: string; readonly signed: boolean } | null
  /** it was taken off the list */
  readonly dropped?: true
}

/** What was ordered from a supplier at one time. Days, `2026-05-04`. */
export interface Purchase {
  readonly id: string
  readonly supplier: string
  /** the number it goes by, theirs or ours */
  readonly reference: string
  readonly orderedOn: string
  /** the day it is to be here */
  readonly due: string | null
  readonly version: number
}

/** A piece that came, and was not taken back since. */
export interface Receipt {
  readonly id: string
  readonly lineId: string
  /** where it was put: its size, or a lot of its own */
  readonly lotId: string
  /** null: nobody measured it */
  readonly size: Nm | null
}

/** So many pieces are kept for a place of a check. */
export interface Promised {
  readonly check: string
  readonly place: string
  readonly lotId: string
  readonly count: number
}

/** What came out when a gauge was checked. Days, `2026-05-04`. */
export interface GaugeCheck {
  readonly id: string
  readonly on: string
  readonly good: boolean
  readonly note: string
  readonly by: string
}

/** What of the shop a command concerns; what it does not is left out. */
export interface Shop {
  readonly lots: readonly StockLot[]
  /** the newest promise first */
  readonly promises: readonly Promised[]
  /** pieces that sit in a machine now */
  readonly fitted: Pack
  /** in the order they were put down in */
  readonly lines: readonly ShopLine[]
  readonly purchases: readonly Purchase[]
  /** in the order they came in */
  readonly receipts: readonly Receipt[]
  readonly gauges: readonly (Gauge & { readonly version: number })[]
  /** the newest day first, by gauge */
  readonly gaugeChecks: Readonly<Record<string, readonly GaugeCheck[]>>
  readonly limits: readonly (LibraryLimit & { readonly removed: boolean })[]
}
export const EMPTY_SHOP: Shop = {
  lots: [],
  promises: [],
  fitted: [],
  lines: [],
  purchases: [],
  receipts: [],
  gauges: [],
  gaugeChecks: {},
  limits: [],
}
