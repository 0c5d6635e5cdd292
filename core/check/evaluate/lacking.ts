import { orderPlan, type OrderPlan } from '../../choice/answer/order-plan'
import { needsOrder } from '../../choice/answer/ways-compared'
import type { Lot } from '../../pack/lot'
import type { CheckDocument } from '../document'
import { evaluateCheck } from './evaluate-check'
import { answerRequest } from '../../choice/answer/answer-request'

/** A place for which the drawer holds nothing that reaches the limits for sure, and what to order for it. */
export interface LackingPlace {
  readonly place: { readonly id: string; readonly label: string }
  readonly plan: OrderPlan
}

/** The places of a check that something can be ordered for: measured, not within reach of the drawer, and the catalogue knows a size that helps. */
export const lackingPlaces = (document: CheckDocument, lots: readonly Lot[]): LackingPlace[] =>
  evaluateCheck(document, lots).places.flatMap(({ place, request }): LackingPlace[] => {
    if (!request || place.chosen.by === 'catalogue' || !needsOrder(answerRequest(request))) return []
    const plan = orderPlan(request)
    return plan && plan.items.length > 0 ? [{ place: { id: place.id, label: place.label }, plan }] : []
  })
