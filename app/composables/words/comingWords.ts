import type { Coming } from '#shared/orders'
import { dayText } from '#core/quantity/day'

/** `4 on their way from Northness, due 4 May 2026`; `2 on the order list`. */
export function comingWords({ pieces, supplier, due }: Coming): string {
  if (supplier === null) return `${pieces} on the order list`
  return `${pieces} on ${pieces === 1 ? 'its' : 'their'} way from ${supplier}${due === null ? '' : `, due ${dayText(due)}`}`
}
