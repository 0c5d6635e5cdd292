import type { Nm } from '../../quantity/length'
import { packChange, type LotMap } from '../../pack/lot'
import { SURE } from '../../verdict/decide'
import type { PackChoice } from './chooser/choose'
import type { MakeOption } from './make-plan'
import type { OrderPlan } from './order-plan'
import type { Proposal } from './chooser/proposal'

/** Is there reason to order: nothing reaches the limits, or nothing does so for sure. */
export const needsOrder = (choice: Pick<PackChoice, 'fallback' | 'proposals'>): boolean =>
  choice.fallback || !choice.proposals.some(proposal => proposal.chance === null || proposal.chance.inside >= SURE)

/** What work costs in this shop, as far as it was said. Prices in the smallest coin. */
export interface WorkRates {
  /** an hour of work */
  readonly hour: number | null
  /** what comes off in an hour of rubbing by hand */
  readonly rubbed: Nm | null
  /** grinding one piece, by whoever has the grinder */
  readonly ground: number | null
}

/** One way to the piece that is wanted. null: not known. */
export interface WayThere {
  readonly id: 'drawer' | 'order' | 'rub' | 'grind'
  readonly label: string
  readonly hours: number | null
  readonly price: number | null
  readonly days: number | null
  readonly chance: number | null
  /** what is missing to say more */
  readonly ask: string | null
}

/**
 * Stacking what the drawer has, ordering, rubbing by hand, grinding: what each costs in time and money, side by side, before the first
 * stroke. A way that does not exist here is left out.
 * @param proposal  the best pack that is not what is fitted; null: nothing to be had
 * @param make  the piece that would be lapped; null: none
 */
export function waysCompared(
  { proposal, order, make }: { readonly proposal: Proposal | null; readonly order: OrderPlan | null; readonly make: MakeOption | null },
  rates: WorkRates,
  fitted: Proposal['pack'],
  lots: LotMap,
): WayThere[] {
  const ways: WayThere[] = []
  if (proposal) {
    const prices = packChange(fitted, proposal.pack).in.map(({ lotId, count }) => {
      const cost = lots.get(lotId)?.cost ?? null
      return cost === null ? null : cost * count
    })
    ways.push({
      id: 'drawer',
      label: 'From the drawer',
      hours: null,
      price: sum(prices),
      days: 0,
      chance: proposal.chance?.inside ?? null,
      ask: null,
    })
  }
  if (order && order.items.length > 0)
    ways.push({ id: 'order', label: 'Order', hours: null, price: order.price, days: order.leadDays, chance: order.chance, ask: null })
  if (make && make.amount > 0) {
    const hours = rates.rubbed === null ? null : make.amount / rates.rubbed
    const price = hours === null || rates.hour === null ? null : Math.round(hours * rates.hour)
    const ask =
      rates.rubbed === null ? 'say below how much comes off in an hour' : rates.hour === null ? 'say below what an hour costs' : null
    ways.push({ id: 'rub', label: 'Rub down by hand', hours, price, days: 0, chance: make.inside, ask })
    ways.push({
      id: 'grind',
      label: 'Have it ground',
      hours: null,
      price: rates.ground,
      days: null,
      chance: make.inside,
      ask: rates.ground === null ? 'ask the grinder, and say it below' : null,
    })
  }
  return ways
}

const sum = (prices: readonly (number | null)[]): number | null =>
  prices.includes(null) ? null : prices.reduce<number>((total, price) => total + price!, 0)
