import { addGauge, changeGauge, checkGauge, keepKit, zeroGauge } from './gauges'
import { addLimits, changeLimits, removeLimits } from './limits'
import { addLine, cancel, changeOrder, dropLine, order, putBack, receive, takeBack } from './orders'
import type { Shop } from './shop'
import type { ShopOutcome } from './outcome'
import type { ShopCommand } from './commands'
import { addLot, changeLot, joinLike, move, tellApart } from './stock'

/** What a command comes to, as the shop stands: what happened and who is told, or why not. Pure, like `decide` of a check. */
export function decideShop(shop: Shop, command: ShopCommand): ShopOutcome {
  switch (command.kind) {
    case 'add-lot':
      return addLot(shop, command)
    case 'move':
      return move(shop, command)
    case 'change-lot':
      return changeLot(shop, command)
    case 'tell-apart':
      return tellApart(shop, command)
    case 'join-like':
      return joinLike(shop, command)
    case 'add-line':
      return addLine(shop, command)
    case 'drop-line':
      return dropLine(shop, command)
    case 'order':
      return order(shop, command)
    case 'change-order':
      return changeOrder(shop, command)
    case 'put-back':
      return putBack(shop, command)
    case 'receive':
      return receive(shop, command)
    case 'take-back':
      return takeBack(shop, command)
    case 'cancel':
      return cancel(shop, command)
    case 'add-gauge':
      return addGauge(shop, command)
    case 'change-gauge':
      return changeGauge(shop, command)
    case 'keep-kit':
      return keepKit(shop, command)
    case 'check-gauge':
      return checkGauge(shop, command)
    case 'zero-gauge':
      return zeroGauge(shop, command)
    case 'add-limits':
      return addLimits(shop, command)
    case 'change-limits':
      return changeLimits(shop, command)
    case 'remove-limits':
      return removeLimits(shop, command)
  }
}
