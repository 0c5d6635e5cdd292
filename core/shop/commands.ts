import type { LibraryFields } from '../check/library'
import type { BoreKit } from '../method/bore-gauge/builder'
import type { Nm } from '../quantity/length'
import type { Gauge, GaugeKind } from '../reading/gauge'
import type { GaugeCheck, Purchase, StockLot } from './shop'

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
