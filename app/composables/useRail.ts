import { computed, type Ref } from 'vue'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate-check'
import type { Phase, Step } from '#core/method/step'

interface Rail {
  readonly document: Ref<CheckDocument>
  readonly evaluation: Ref<CheckEvaluation>
  readonly steps: Ref<readonly Step[]>
  readonly ticked: (step: Step) => boolean
}

/** What stands beside each phase, and which are done. */
export function useRail({ document, evaluation, steps, ticked }: Rail) {
  const notes = computed<Record<Phase, string>>(() => {
    const setup = steps.value.filter(s => s.phase === 'setup')
    const readings = document.value.trials.at(-1)!.readings
    const voided = readings.filter(r => r.voided).length
    return {
      setup: `${setup.filter(ticked).length} of ${setup.length} · ${document.value.gauge.name}`,
      measure: document.value.trials.length > 1 ? `${document.value.trials.length} fittings` : readings.length === 0 ? 'no reading yet' : `${readings.length} ${readings.length === 1 ? 'reading' : 'readings'}${voided ? `, ${voided} voided` : ''}`,
      choose: !evaluation.value.place ? 'nothing to choose' : evaluation.value.aim ? `aim: ${evaluation.value.aim.words}` : 'pack from the drawer',
      prove: document.value.signOff ? 'signed off' : document.value.trials.length > 1 ? `fitting ${document.value.trials.length}` : 'fit, tighten, measure again',
    }
  })
  const done = computed<Record<Phase, boolean>>(() => ({
    setup: steps.value.filter(s => s.phase === 'setup' && s.required).every(ticked),
    measure: document.value.trials.length > 1 || evaluation.value.estimate !== null,
    choose: document.value.trials.length > 1 || evaluation.value.state === 'in',
    prove: document.value.signOff !== null,
  }))

  return { notes, done }
}
