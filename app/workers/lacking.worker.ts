import { lackingPlaces, type LackingPlace } from '#core/check/evaluate/lacking'
import type { CheckDocument } from '#core/check/document'
import type { Lot } from '#core/pack/lot'

export interface LackingQuestion {
  readonly id: number
  readonly document: CheckDocument
  readonly lots: readonly Lot[]
}
export interface LackingAnswer {
  readonly id: number
  readonly places: readonly LackingPlace[]
}

addEventListener('message', ({ data }: MessageEvent<LackingQuestion>) => {
  postMessage({ id: data.id, places: lackingPlaces(data.document, data.lots) } satisfies LackingAnswer)
})
