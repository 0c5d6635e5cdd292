import { computed, type Ref } from 'vue'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { useAnswer } from './useAnswer'
import { useCalm } from './useCalm'
import type { useFitting } from './useFitting'
import type { useShown } from './useShown'

interface Bench {
  readonly document: Ref<CheckDocument>
  readonly evaluation: Ref<CheckEvaluation>
  readonly look: ReturnType<typeof useShown>
  readonly fitting: ReturnType<typeof useFitting>
  readonly answer: ReturnType<typeof useAnswer>['answer']
}

/** What the column beside the sheet looks at, and what it offers, as they are a moment after the verdict. */
export function useBeside({ document, evaluation, look, fitting, answer }: Bench) {
  const { shown, place, row } = look
  const { choice, proposal } = fitting
  const calm = useCalm({
    document,
    evaluation,
    shown,
    place,
    row,
    choice,
    proposal,
    window: computed(() => answer.value.window),
    sentence: computed(() => answer.value.sentence),
  })
  return {
    ...calm,
    look: {
      ...look,
      shown: computed(() => calm.shown.value),
      place: computed(() => calm.place.value),
      row: computed(() => calm.row.value),
    },
    fitting: { ...fitting, choice: calm.choice, proposal: computed(() => calm.proposal.value) },
  }
}
