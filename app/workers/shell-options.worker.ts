import highsLoader from 'highs'
import wasm from 'highs/runtime?url'
import { shellOptions, type ShellOption } from '#core/check/kinds/bearing-clearance/options'
import type { CheckDocument } from '#core/check/document'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import type { Lot } from '#core/pack/lot'
import { highsSolver, type Solve } from '#core/choice/answer/allocation/solver'

export interface OptionsQuestion {
  readonly document: CheckDocument
  readonly lots: readonly Lot[]
  readonly goal: 'nearest' | 'cheapest'
  readonly ordering: boolean
}
export type OptionsAnswer =
  | { readonly progress: string; readonly share: number }
  | { readonly options: readonly ShellOption[] }
  | { readonly failed: string }

let solver: Promise<Solve> | null = null
const loaded = () => (solver ??= highsLoader({ locateFile: () => wasm }).then(highsSolver))

addEventListener('message', ({ data }: MessageEvent<OptionsQuestion>) => {
  loaded()
    .then(solve => {
      const options = shellOptions(data.document, evaluateCheck(data.document, data.lots), data.lots, data, solve, (progress, done, of) =>
        postMessage({ progress, share: done / of } satisfies OptionsAnswer),
      )
      postMessage({ options } satisfies OptionsAnswer)
    })
    .catch((error: unknown) => postMessage({ failed: String(error) } satisfies OptionsAnswer))
})
