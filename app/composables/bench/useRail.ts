import { computed, type Ref } from 'vue'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { counts } from '#core/check/evaluate/gravity'
import { gaugeNeeds } from '#core/check/evaluate/gauge-needs'
import { checkKind } from '#core/check/registry'
import type { Phase, Step } from '#core/method/step'

interface Rail {
  readonly document: Ref<CheckDocument>
  readonly evaluation: Ref<CheckEvaluation>
  readonly steps: Ref<readonly Step[]>
  readonly ticked: (step: Step) => boolean
}

/** What stands beside each phase, and which are done. */
export function useRail({ document, evaluation, steps, ticked }: Rail) {
  const kind = computed(() => checkKind(document.value.kind))
  const notes = computed<Record<Phase, string>>(() => {
    const setup = steps.value.filter(s => s.phase === 'setup')
    const readings = document.value.trials.at(-1)!.readings
    const voided = readings.filter(r => r.voided).length
    const needs = gaugeNeeds(kind.value.points(document.value.setup))
    const gauges = [...new Map(needs.flatMap(({ key }) => document.value.gauges[key] ?? []).map(gauge => [gauge.id, gauge])).values()]
    const { places } = evaluation.value
    return {
      setup: `${setup.filter(ticked).length} of ${setup.length} · ${gauges.length === 1 ? gauges[0]!.name : `${gauges.length} gauges`}`,
      measure:
        document.value.trials.length > 1
          ? `${document.value.trials.length} fittings`
          : readings.length === 0
            ? 'no reading yet'
            : `${readings.length} ${readings.length === 1 ? 'reading' : 'readings'}${voided ? `, ${voided} voided` : ''}`,
      choose:
        places.length === 0 && kind.value.next
          ? 'sets and sizes'
          : places.length === 0 && kind.value.works
            ? 'what to bring it to'
            : places.length === 0
              ? 'nothing to choose'
              : places[0]!.aim
                ? `aim: ${places[0]!.aim.words}`
                : 'pack from the drawer',
      prove: document.value.signOff
        ? 'signed off'
        : document.value.trials.length > 1
          ? `fitting ${document.value.trials.length}`
          : 'fit, tighten, measure again',
    }
  })
  /** What must be ticked in a phase is; a phase with something left to tick is not done. */
  const through = (phase: Phase) => steps.value.filter(s => s.phase === phase && s.required).every(ticked)
  const done = computed<Record<Phase, boolean>>(() => ({
    setup: through('setup'),
    measure:
      through('measure') &&
      (document.value.trials.length > 1 ||
        evaluation.value.current.results.filter(counts).every(result => result.valid || result.overrule !== null)),
    choose:
      through('choose') &&
      (document.value.trials.length > 1 ||
        evaluation.value.state === 'in' ||
        (kind.value.next !== undefined && evaluation.value.phase === 'prove')),
    prove: document.value.signOff !== null,
  }))

  return { notes, done }
}
