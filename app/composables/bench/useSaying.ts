import { computed, ref, type Ref } from 'vue'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { positionOf } from '#core/check/contract'
import { concerning } from '#core/check/evaluate/said-conditions'
import { checkKind } from '#core/check/registry'
import { isTicked, stateBefore } from '#core/check/said'
import type { Step } from '#core/method/step'
import { useBench } from '~/stores/bench'
import type { useTaking } from './useTaking'

interface Saying {
  readonly document: Ref<CheckDocument>
  readonly evaluation: Ref<CheckEvaluation>
  readonly taking: ReturnType<typeof useTaking>
  readonly locked: Ref<boolean>
  readonly focus: () => void
}

/** What is said of the fitting that is in: steps ticked, states, points left out. */
export function useSaying({ document, evaluation, taking, locked, focus }: Saying) {
  const bench = useBench()
  const current = computed(() => document.value.trials.at(-1)!)
  const ticked = (step: Step) => isTicked(document.value, step, current.value)
  // Said once of the unit, it was ticked with an earlier fitting: that tick is taken back.
  const tickedOf = (step: Step) =>
    document.value.ticks.findLast(tick => tick.step === step.id && (step.once || tick.trial === current.value.id))?.trial
  const tick = (step: Step, on: boolean) => bench.tick(step.id, on ? current.value.id : (tickedOf(step) ?? current.value.id), on, step.text)

  /** Musts of the set-up and the measuring that are asked again: it was refitted, a part is new, or it was opened again. */
  const again = computed(() => {
    const { trials, struck, kind, setup } = document.value
    if (trials.length === 1 && struck.length === 0) return []
    return checkKind(kind)
      .procedure(setup)
      .filter(step => step.required && !step.once && (step.phase === 'setup' || step.phase === 'measure'))
  })

  const say = (condition: string, state: string) => {
    const asked = evaluation.value.conditions.find(known => known.condition.id === condition)!.condition
    bench.say(condition, current.value.id, state, asked.label)
  }
  /** Those of the place that is being read: the others are said where they are. */
  const here = computed(() => {
    const { kind, setup } = document.value
    return concerning(evaluation.value.conditions, positionOf(checkKind(kind).results(setup), taking.point.value))
  })
  /** What is offered of those that are to be said: as it was said before, else as the procedure asks. What a packing says nobody else can. */
  const offered = computed(() =>
    locked.value
      ? []
      : here.value.flatMap(({ condition, is }) => {
          if (is !== 'not-said') return []
          const before = stateBefore(document.value, condition)
          const state = before ?? condition.states[0]!.value
          return condition.packing?.state === state ? [] : [{ condition: condition.id, state, again: before !== null }]
        }),
  )
  /** All states are as offered: said in one go. */
  function agree(): void {
    for (const { condition, state } of offered.value) say(condition, state)
    focus()
  }

  /** The point in hand is being left out: why is asked. */
  const leaving = ref(false)
  const canLeave = computed(
    () => !locked.value && taking.points.value.length > 1 && !taking.point.value.optional && taking.open(taking.point.value),
  )
  function askToLeave(): void {
    if (canLeave.value) leaving.value = true
  }
  function leaveOut(reason: string): void {
    leaving.value = false
    bench.leaveOut(taking.point.value.id, current.value.id, reason, `${taking.point.value.label} left out`)
    taking.move({ kind: 'resumed' })
    focus()
  }
  function takeBack(): void {
    bench.leaveOut(taking.point.value.id, current.value.id, null, `${taking.point.value.label} asked for again`)
    focus()
  }

  return { ticked, tick, again, say, here, offered, agree, leaving, canLeave, askToLeave, leaveOut, takeBack }
}
