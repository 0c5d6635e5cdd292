import { computed, type Ref } from 'vue'
import type { CheckDocument, PointReading } from '#core/check/document'
import { evaluateCheck, type CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { Lot } from '#core/pack/lot'
import type { DraftReading } from './useDraft'

/** The check as it stands with the reading that is being typed: every keystroke is judged. A signed check takes no more. */
export function useJudged(document: Ref<CheckDocument>, reading: Ref<DraftReading | null>, lots: Ref<readonly Lot[]>) {
  const locked = computed(() => document.value.signOff !== null)
  /** the reading being typed, where it counts */
  const typed = computed(() => (locked.value || !reading.value ? null : ({ ...reading.value, id: 'draft' } as PointReading)))
  const live = computed<CheckDocument>(() => {
    if (!typed.value) return document.value
    const before = document.value.trials.slice(0, -1)
    const last = document.value.trials.at(-1)!
    return { ...document.value, trials: [...before, { ...last, readings: [...last.readings, typed.value] }] }
  })
  const evaluation = computed<CheckEvaluation>(() => evaluateCheck(live.value, lots.value))
  return { locked, typed, evaluation }
}
