import type { OrderLine } from '#core/pack/order-list'
import type { Nm } from '#core/quantity/length'
import type { Purchase, StockLot } from '#core/shop/shop'

/** A line of the order list, and what it is for. */
export interface WantedLine extends OrderLine {
  /** null: for the drawer */
  readonly check: {
    readonly id: string
    readonly title: string
    readonly unit: string
    /** name of the place, where the check has several */
    readonly place: string
    readonly signed: boolean
  } | null
  readonly since: string
  readonly who: string
  /** what the pieces that came were measured as, one after the other; null: not measured */
  readonly sizes: readonly (Nm | null)[]
}

/** The order list: what is wanted, on its way, and here; with the sizes it names. */
export interface OrdersView {
  readonly lines: readonly WantedLine[]
  readonly purchases: readonly Purchase[]
  readonly lots: readonly StockLot[]
  /** open checks that are not within their limits, and wait for nothing yet: what they lack is worked out on the page */
  readonly unserved: readonly { readonly id: string; readonly title: string; readonly unit: string }[]
}

/** What is wanted, ordered or here for a place of a check, and not fitted from yet. */
export interface CheckOrder extends OrderLine {
  readonly place: string
  readonly supplier: string
  readonly due: string | null
  readonly sizes: readonly (Nm | null)[]
}

/** Pieces of a size that were wanted or ordered, and are not here. */
export interface Coming {
  readonly lotId: string
  readonly pieces: number
  /** null: on the list, not ordered yet */
  readonly supplier: string | null
  /** null: no day said */
  readonly due: string | null
  /** the check they are for; null: the drawer */
  readonly check: string | null
}
