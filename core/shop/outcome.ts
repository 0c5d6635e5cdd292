import type { LibraryLimit } from '../check/library'
import type { CommandFault, Movement, RefusedCommand } from '../command/happening'
import type { BoreKit } from '../method/bore-gauge/builder'
import type { Gauge } from '../reading/gauge'
import type { AddLotCommand } from './commands'
import type { GaugeCheck, Promised, Purchase, Receipt, ShopLine, StockLot } from './shop'

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
