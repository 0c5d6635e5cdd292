import { feelerSteps } from '../../../method/feeler/steps'
import { stripSteps } from '../../../method/plastic-strip/steps'
import type { Step } from '../../../method/step'
import type { PumpSetup } from './setup'

/** The work, step by step. Common practice; the maker's manual comes first. */
export function pumpSteps(setup: PumpSetup): readonly Step[] {
  return [
    { id: 'clean', phase: 'setup', text: 'Pump stripped, faces clean, no burrs', required: true },
    { id: 'flat', phase: 'setup', text: 'Faces flat: straight edge across, or rubbed on a flat bar', required: true },
    ...(setup.way === 'strip' ? stripSteps.filter(step => step.id !== 'strip-opposite') : feelerSteps),
    {
      id: 'rub',
      phase: 'choose',
      text: 'Too much: rub the housing’s face on a flat bar, by as much as it is too much. Rubbing the cover takes nothing off the clearance',
      required: false,
      caution: 'Note it under parts as rework of the pump body: what was measured before then no longer holds. The rotors must still turn.',
    },
    { id: 'turned', phase: 'prove', text: 'Closed and turned by hand: free. Binding beats arithmetic', required: false },
    { id: 'prime', phase: 'prove', text: 'Oiled or packed before it is closed: a dry pump does not prime', required: false },
  ]
}
