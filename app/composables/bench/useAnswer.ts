import { computed, type Ref } from 'vue'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import type { PlaceEvaluation } from '#core/check/evaluate/evaluate-place'
import { chosenFor } from '#core/check/pack-place'
import { answerOf } from '#core/check/sentence/answer'
import type { PackChoice } from '#core/choice/answer/chooser/choose'
import type { Proposal } from '#core/choice/answer/chooser/proposal'
import type { Phase } from '#core/method/step'
import { lotMap, type Lot } from '#core/pack/lot'
import type { Gauge } from '#core/reading/gauge'
import { usePreferences } from '~/stores/preferences'
import { shortTime } from '../words/shortTime'

interface Bench {
  readonly document: Ref<CheckDocument>
  readonly evaluation: Ref<CheckEvaluation>
  /** the result looked at */
  readonly shown: Ref<ResultEvaluation>
  /** the place that moves it */
  readonly place: Ref<PlaceEvaluation | null>
  readonly choice: Ref<PackChoice | null>
  readonly proposal: Ref<Proposal | null>
  /** the proposal is another than the first */
  readonly byHand: Ref<boolean>
  readonly lots: Ref<readonly Lot[]>
  readonly phase: Ref<Phase>
  readonly register: Ref<readonly Gauge[]>
}

/** What the bench says of what it looks at: in one sentence, its sum in one line, and what the band points at. */
export function useAnswer({ document, evaluation, shown, place, choice, proposal, byHand, lots, phase, register }: Bench) {
  const preferences = usePreferences()
  const index = computed(() => lotMap(lots.value))
  const answer = computed(() =>
    answerOf(
      {
        document: document.value,
        evaluation: evaluation.value,
        phase: phase.value,
        shown: shown.value,
        place: place.value,
        choice: choice.value,
        proposal: proposal.value,
        picked: byHand.value,
        lots: index.value,
        register: register.value,
      },
      { system: preferences.system, time: shortTime },
    ),
  )
  /** What is aimed at, where the pieces are chosen for the result looked at. */
  const aim = computed(() => {
    const effect = place.value ? chosenFor(place.value.place) : null
    return effect && [effect.result, effect.widest].includes(shown.value.id) ? place.value!.aim : null
  })
  return { answer, aim }
}
