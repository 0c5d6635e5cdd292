import type { Waiting } from '#core/pack/order-list'
import { dayText } from '#core/quantity/day'
import { today } from './today'

/** How a check waits for pieces, in a few words. */
export function waitingText({ state, pieces, due }: Waiting): string {
  const count = pieces === 1 ? '1 piece' : `${pieces} pieces`
  switch (state) {
    case 'wanted':
      return `${count} to be ordered`
    case 'ordered':
      return `waits for ${count}${due === null ? '' : `, ${due < today() ? 'was due' : 'due'} ${dayText(due)}`}`
    case 'here':
      return 'what it waited for is here'
    case 'not-coming':
      return 'what it waited for will not come'
  }
}
