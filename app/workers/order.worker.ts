import type { ChoiceRequest } from '#core/choice/question/question'
import { orderPlan, type OrderPlan } from '#core/choice/answer/order-plan'

export interface OrderQuestion {
  readonly id: number
  readonly request: ChoiceRequest
  readonly wanted: number
}
export interface OrderAnswer {
  readonly id: number
  readonly plan: OrderPlan | null
}

addEventListener('message', ({ data }: MessageEvent<OrderQuestion>) => {
  postMessage({ id: data.id, plan: orderPlan(data.request, data.wanted) } satisfies OrderAnswer)
})
