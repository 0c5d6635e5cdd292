import type { LibraryFields, LibraryLimit } from '../check/library'
import type { CommandFault, Movement, RefusedCommand } from '../command/happening'
import type { BoreKit } from '../method/bore-gauge/builder'
import type { Lot, Pack } from '../pack/lot'
import type { OrderLine } from '../pack/order-list'
import type { Nm } from '../quantity/length'
import type { Gauge, GaugeKind } from '../reading/gauge'

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

/** Given by whoever gives the command, so that giving it twice is harmless. */
interface Head {
  readonly op: string
}

/** A size that was not in the drawer before. */
export interface AddLotCommand extends Head {
  readonly kind: 'add-lot'
  readonly lot: Omit<StockLot, 'onHand' | 'version' | 'removed'>
  readonly count: number
}
/** Pieces taken in, or a count put right, with a reason. */
export interface MoveCommand extends Head {
  readonly kind: 'move'
  readonly lotId: string
  readonly why: 'take-in' | 'count'
  readonly change: number
  readonly note: string
}
/** What is known of a size is another; null: not known any more, left out: as it was. */
export interface ChangeLotCommand extends Head {
  readonly kind: 'change-lot'
  readonly lotId: string
  readonly change: Partial<Pick<StockLot, 'sizes' | 'reserved' | 'mark' | 'colour' | 'cost' | 'leadDays' | 'supplier' | 'article'>> & {
    readonly [one in 'scatter' | 'inside' | 'outside']?: Nm | null
  }
}
/** A piece that is in the drawer is measured, and gets a place of its own. */
export interface TellApartCommand extends Head {
  readonly kind: 'tell-apart'
  readonly lotId: string
  /** of the piece as a lot of its own */
  readonly id: string
  readonly size: Nm
  readonly mark: string
}
/** A piece told apart goes back among its like. */
export interface JoinLikeCommand extends Head {
  readonly kind: 'join-like'
  readonly lotId: string
}

/** Pieces of a size for the drawer itself go on the order list. */
export interface AddLineCommand extends Head {
  readonly kind: 'add-line'
  readonly id: string
  readonly lotId: string
  readonly pieces: number
}
export interface DropLineCommand extends Head {
  readonly kind: 'drop-line'
  readonly lineId: string
}
/** Lines of the list are ordered from a supplier. */
export interface OrderCommand extends Head, Omit<Purchase, 'version'> {
  readonly kind: 'order'
  readonly lines: readonly string[]
}
/** The number it goes by, or the day it is due. */
export interface ChangeOrderCommand extends Head {
  readonly kind: 'change-order'
  readonly purchase: string
  readonly change: Partial<Pick<Purchase, 'reference' | 'due'>>
}
/** It was not ordered after all. */
export interface PutBackCommand extends Head {
  readonly kind: 'put-back'
  readonly purchase: string
}
/** A piece that was ordered came. */
export interface ReceiveCommand extends Head {
  readonly kind: 'receive'
  readonly purchase: string
  readonly id: string
  readonly lotId: string
  /** null: nobody measured it */
  readonly size: Nm | null
  /** where it lies, told apart from its like; null: among them */
  readonly mark: string | null
}
/** The last piece of a size that came is taken back: it was another, or counted twice. */
export interface TakeBackCommand extends Head {
  readonly kind: 'take-back'
  readonly purchase: string
  readonly lotId: string
}
/** What is outstanding of a size will not come. */
export interface CancelCommand extends Head {
  readonly kind: 'cancel'
  readonly purchase: string
  readonly lotId: string
  readonly reason: string
}

/** Particulars of a gauge as they are typed or sent; what is left out stays, null takes away what a gauge may be without. */
export type GaugeFields = Partial<Omit<Gauge, 'id' | 'kind' | 'zeroedOn' | 'foundWrong'>>
export interface AddGaugeCommand extends Head {
  readonly kind: 'add-gauge'
  readonly id: string
  readonly gauge: GaugeKind
  readonly fields: GaugeFields
}
export interface ChangeGaugeCommand extends Head {
  readonly kind: 'change-gauge'
  readonly gaugeId: string
  readonly fields: GaugeFields
}
export interface KeepKitCommand extends Head {
  readonly kind: 'keep-kit'
  readonly gaugeId: string
  readonly kit: BoreKit
}
/** It was checked: good again, or wrong, and then what was read with it since it was last good is in doubt. */
export interface CheckGaugeCommand extends Head, Omit<GaugeCheck, 'id'> {
  readonly kind: 'check-gauge'
  readonly gaugeId: string
  /** day the next check is due */
  readonly due: string | null
  /** the day it is where this is decided */
  readonly today: string
}

/** Zeroed, or tried on its standard. */
export interface ZeroGaugeCommand extends Head {
  readonly kind: 'zero-gauge'
  readonly gaugeId: string
  readonly on: string
  /** the day it is where this is decided */
  readonly today: string
}

export interface AddLimitsCommand extends Head {
  readonly kind: 'add-limits'
  readonly id: string
  readonly fields: LibraryFields
}
/** A changed entry is a new version: open checks that took the old one are asked, signed ones keep it. */
export interface ChangeLimitsCommand extends Head {
  readonly kind: 'change-limits'
  readonly id: string
  readonly fields: LibraryFields
}
export interface RemoveLimitsCommand extends Head {
  readonly kind: 'remove-limits'
  readonly id: string
  readonly removed: boolean
}

/** Everything that can be done to drawer, order list, gauges and limits. */
export type ShopCommand =
  | AddLotCommand
  | MoveCommand
  | ChangeLotCommand
  | TellApartCommand
  | JoinLikeCommand
  | AddLineCommand
  | DropLineCommand
  | OrderCommand
  | ChangeOrderCommand
  | PutBackCommand
  | ReceiveCommand
  | TakeBackCommand
  | CancelCommand
  | AddGaugeCommand
  | ChangeGaugeCommand
  | KeepKitCommand
  | CheckGaugeCommand
  | ZeroGaugeCommand
  | AddLimitsCommand
  | ChangeLimitsCommand
  | RemoveLimitsCommand

/** Everything that can happen to the shop. Each is one fact. */
export type ShopHappening =
  | { readonly type: 'lot-added'; readonly lot: AddLotCommand['lot'] }
  | { readonly type: 'moved'; readonly movement: Movement }
  /** what is known of it; counts its version up, also where only its count is another */
  | { readonly type: 'lot-changed'; readonly lot: StockLot }
  /** so many more, or fewer, are kept for a place of a check */
  | { readonly type: 'promised'; readonly promise: Omit<Promised, 'count'>; readonly change: number }
  | { readonly type: 'line-added'; readonly line: ShopLine }
  | { readonly type: 'line-dropped'; readonly lineId: string }
  /** who has sizes nobody named a supplier for is named by the way */
  | { readonly type: 'ordered'; readonly purchase: Purchase; readonly lines: readonly string[]; readonly named: readonly string[] }
  | { readonly type: 'order-changed'; readonly purchase: Purchase }
  | { readonly type: 'put-back'; readonly purchase: string }
  | { readonly type: 'received'; readonly receipt: Receipt }
  | { readonly type: 'taken-back'; readonly receipt: string }
  | { readonly type: 'cancelled'; readonly lines: readonly string[]; readonly reason: string }
  | { readonly type: 'gauge-added'; readonly gauge: Gauge }
  | { readonly type: 'gauge-changed'; readonly gauge: Gauge }
  | { readonly type: 'gauge-zeroed'; readonly gaugeId: string; readonly on: string }
  | { readonly type: 'kit-kept'; readonly gaugeId: string; readonly kit: BoreKit }
  /** with what the register says of it from now on */
  | {
      readonly type: 'gauge-checked'
      readonly gaugeId: string
      readonly checks: readonly GaugeCheck[]
      readonly lastCheck: string
      readonly due: string | null
      readonly foundWrong: string | null
    }
  /** the newest version of an entry */
  | { readonly type: 'limits-kept'; readonly entry: LibraryLimit; readonly removed: boolean }

/** Whom it is told of, in a few words: what a writer that comes late is told. */
export interface Telling {
  readonly subject: string
  /** of the subject, after it; 0: its version counts something else */
  readonly version: number
  readonly what: string
}
export type ShopOutcome =
  | { readonly ok: true; readonly tells: readonly Telling[]; readonly happenings: readonly ShopHappening[] }
  | RefusedCommand

export const done = (tells: readonly Telling[], ...happenings: readonly ShopHappening[]): ShopOutcome => ({ ok: true, tells, happenings })
export const missing = (what: string): RefusedCommand => faulty([{ path: '', reason: `There is no such ${what}.` }], 'missing')
export const TAKEN = 'That id is taken.'
export const faulty = (faults: readonly CommandFault[], code: RefusedCommand['code'] = 'invalid'): RefusedCommand => ({
  ok: false,
  code,
  faults,
})
