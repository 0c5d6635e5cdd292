import { orderPlan, type OrderPlan, type OrderRequest } from '#core/choice/answer/order-plan'

export interface OrderQuestion {
  readonly id: number
  readonly request: OrderRequest
  readonly wanted: number
}
export interface OrderAnswer {
  readonly id: number
  readonly plan: OrderPlan | null
}

addEventListener('message', ({ data }: MessageEvent<OrderQuestion>) => {
  postMessage({ id: data.id, plan: orderPlan(data.request, data.wanted) } satisfies OrderAnswer)
})
