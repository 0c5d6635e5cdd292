import type { Suspicion } from '../../../choice/grounds/ledger'
import { dialSteps } from '../../../method/dial/steps'
import type { Step } from '../../../method/step'

/** The work, step by step. Common practice; the maker's manual comes first. */
export function eccentricSteps(): readonly Step[] {
  return [
    {
      id: 'cover-off',
      phase: 'setup',
      text: 'Front cover off, no key fitted, nothing sealed yet',
      required: true,
      caution: 'Battery off, drive disabled. A rotor housing stack is heavy: two people.',
    },
    {
      id: 'needle-on',
      phase: 'setup',
      text: 'Thrust needle bearing sits on its spacer, not beside it, before the bolt is tightened',
      required: true,
      caution: 'Beside its spacer it is crushed when the bolt goes home.',
    },
    { id: 'bevels', phase: 'setup', text: 'Washer’s bevel to the shaft’s bevel; timing gear’s chamfer to the engine', required: true },
    { id: 'tension', phase: 'setup', text: 'All tension bolts tight: a loose block spoils it', required: true },
    { id: 'flywheel', phase: 'setup', text: 'Flywheel on helps; pry under the counterweight', required: false },
    ...dialSteps.filter(step => step.phase === 'setup'),
    { id: 'push-back', phase: 'measure', text: 'A lifted shaft may stay up: push it back before each repeat', required: false },
    ...dialSteps.filter(step => step.phase === 'measure'),
    { id: 'order-two', phase: 'choose', text: 'The right letter not here? Order the two likeliest together', required: false },
    {
      id: 'needle-again',
      phase: 'prove',
      text: 'Needle bearing on its spacer again, bevels right, bolt to torque',
      required: true,
      of: 'refit',
      caution: 'Eye protection; the bolt is tight: fingers clear of the bar.',
    },
    {
      id: 'set-again',
      phase: 'prove',
      text: 'Set again whenever a housing, plate, pulley, gear, counterweight or washer is replaced',
      required: false,
    },
  ]
}

export function eccentricSuspicions(): readonly Suspicion[] {
  return [
    { effect: 'less-play', words: 'The needle bearing was beside its spacer, or a bevel the wrong way round.' },
    { effect: 'less-play', words: 'The shaft stayed up: it was not pushed back.' },
    { effect: 'more-play', words: 'Tension bolts or the front bolt not tight.' },
  ]
}
