import type { ChoiceRequest } from '#core/choice/question/question'
import { prepareRequest } from '#core/choice/answer/answer-request'
import { choosePacks, type PackChoice } from '#core/choice/answer/chooser/choose'
import type { PreparedDrawer } from '#core/choice/answer/chooser/prepare'

export interface ChooserQuestion {
  readonly id: number
  readonly request: ChoiceRequest
}
export interface ChooserAnswer {
  readonly id: number
  readonly choice: PackChoice
}

// The drawer is prepared once; every keystroke then asks it again.
let prepared: { key: string; drawer: PreparedDrawer } | null = null

addEventListener('message', ({ data }: MessageEvent<ChooserQuestion>) => {
  const { drawer, fitted, response, rules, question } = data.request
  const key = JSON.stringify([drawer, fitted, response, rules])
  if (prepared?.key !== key) prepared = { key, drawer: prepareRequest(data.request) }
  postMessage({ id: data.id, choice: choosePacks(prepared.drawer, question) } satisfies ChooserAnswer)
})
