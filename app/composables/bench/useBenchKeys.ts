import { computed, type Ref } from 'vue'
import { navigateTo } from '#imports'
import type { PlaceEvaluation } from '#core/check/evaluate/evaluate-place'
import { checkKind } from '#core/check/registry'
import type { Phase, Step } from '#core/method/step'
import type { Proposal } from '#core/choice/answer/chooser/proposal'
import type { Pack } from '#core/pack/lot'
import { useBench } from '~/stores/bench'
import { key, useKeys, type KeyBinding } from '../keys/useKeys'
import type { useSaying } from './useSaying'
import type { useTaking } from './useTaking'

interface Bench {
  readonly locked: Ref<boolean>
  readonly phase: Ref<Phase>
  readonly place: Ref<PlaceEvaluation | null>
  readonly proposal: Ref<Proposal | null>
  readonly pick: (at: number) => void
  /** the technician's own pack, beginning with what is fitted */
  readonly takeOwn: (pack: Pack) => void
  readonly ask: () => void
  readonly step: (by: 1 | -1) => void
  /** to the reason where one is asked for, else to the name */
  readonly sign: () => void
  /** the reading's field */
  readonly panel: Ref<{ focus: () => void; submit: () => void; voidLast: () => void; changeStates: () => void } | undefined>
  readonly taking: ReturnType<typeof useTaking>
  readonly saying: ReturnType<typeof useSaying>
  readonly explaining: Ref<boolean>
  readonly helping: Ref<boolean>
  /** the card before there is no way back */
  readonly closing: Ref<boolean>
  /** the phases and their steps */
  readonly strip: Ref<{ due: Step | null; tickDue: () => void; tickRest: () => void; warn: () => void } | undefined>
  readonly allSteps: Ref<boolean>
}

/** The keys of the bench: what can be done in this phase, and what always can. */
export function useBenchKeys({
  locked,
  phase,
  place,
  proposal,
  pick,
  takeOwn,
  ask,
  step,
  sign,
  panel,
  taking,
  saying,
  explaining,
  helping,
  closing,
  strip,
  allSteps,
}: Bench): void {
  const bench = useBench()
  const { draft, way } = taking
  const travel = computed(() => way.value.entry === 'travel')
  const worked = computed(() => place.value === null && bench.document !== null && checkKind(bench.document.kind).works !== undefined)
  /** Is there a reading to take? In Choose only where a part is worked to size there. */
  const reads = computed(() => phase.value !== 'setup' && (phase.value !== 'choose' || worked.value))

  function choosing(): KeyBinding[] {
    if (phase.value !== 'choose' || place.value?.place.chosen.by === 'catalogue') return []
    return [
      ...(place.value ? [key('1–5', 'pick a pack', k => pick(Number(k) - 1), { keys: ['1', '2', '3', '4', '5'] })] : []),
      ...(place.value?.request && !locked.value ? [key('O', 'own pack', () => takeOwn(place.value!.request!.fitted))] : []),
      ...(proposal.value && !locked.value ? [key('F', 'fit this', ask)] : []),
    ]
  }

  function reading(): KeyBinding[] {
    if (locked.value || !reads.value) return []
    const sprang = () => {
      draft.value = { ...draft.value, springBack: !draft.value.springBack }
    }
    return [
      key('Z', travel.value ? 'log, back at zero' : 'log', () => panel.value?.submit()),
      key('V', 'void last', () => panel.value?.voidLast()),
      ...(saying.canLeave.value && phase.value !== 'choose' ? [key('O', 'leave this point out', saying.askToLeave, { quiet: true })] : []),
      key('R', 'go to the reading', () => panel.value?.focus(), { quiet: true }),
      ...(travel.value ? [key('X', 'sprang back', sprang, { quiet: true })] : []),
    ]
  }

  const steps = (): KeyBinding[] =>
    locked.value
      ? []
      : [
          ...(strip.value?.due ? [key('Space', 'step done', () => strip.value?.tickDue(), { keys: [' '] })] : []),
          key(
            'A',
            allSteps.value ? 'tick what need not be' : 'all steps',
            () => (allSteps.value ? strip.value?.tickRest() : (allSteps.value = true)),
            {
              quiet: true,
            },
          ),
        ]

  /** States of the unit: agreed to, or opened where one is another. */
  function states(): KeyBinding[] {
    if (locked.value || !reads.value || saying.here.value.length === 0) return []
    return saying.offered.value.length > 0
      ? [key('Y', saying.offered.value.every(({ again }) => again) ? 'all states as before' : 'all states are so', saying.agree)]
      : [key('Y', 'a state is another', () => panel.value?.changeStates(), { quiet: true })]
  }

  const always = (): KeyBinding[] => [
    ...steps(),
    ...states(),
    // Behind the last phase comes the signature.
    phase.value === 'prove'
      ? key('PgDn', 'to the signature', sign, { keys: ['PageDown'] })
      : key('PgDn', 'next phase', () => step(1), { keys: ['PageDown'] }),
    key('PgUp', 'phase before', () => step(-1), { keys: ['PageUp'], quiet: true }),
    ...(bench.document && checkKind(bench.document.kind).safety
      ? [key('!', 'the whole caution', () => strip.value?.warn(), { quiet: true })]
      : []),
    key('E', 'explain', () => (explaining.value = true)),
    key('H', 'helpers', () => (helping.value = true)),
    key('C', 'card before closing', () => (closing.value = true)),
    ...(bench.connection === 'stale' ? [key('L', 'show the newer state', () => void bench.reload())] : []),
    key('J', 'back to the job', () => void navigateTo(`/jobs/${bench.view!.job.id}`), { quiet: true }),
  ]

  useKeys(computed(() => [...choosing(), ...reading(), ...always()]))
}
