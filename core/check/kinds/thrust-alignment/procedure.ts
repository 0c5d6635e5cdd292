import { dialSteps } from '../../../method/dial/steps'
import type { Step } from '../../../method/step'
import type { AlignmentSetup } from './setup'

/** What lines the halves up, by construction, in order. Common practice. */
function pushes(setup: AlignmentSetup): readonly Step[] {
  const torque: Step = {
    id: 'torque',
    phase: 'measure',
    text: 'Torque the thrust cap again; same force as before, then read the play after',
    required: true,
  }
  switch (setup.construction) {
    case 'loose-half': {
      const way = setup.thrustEnd === 'front' ? 'backward' : 'forward'
      return [
        { id: 'loosen', phase: 'measure', text: 'All mains torqued, thrust cap loose', required: true },
        {
          id: 'push-one',
          phase: 'measure',
          text: `Push the shaft ${way} only, so that its flange presses the loose half against the block`,
          required: true,
          caution: 'Pushing back undoes it. Soft block or drift, never steel on the shaft.',
        },
        torque,
      ]
    }
    case 'washers':
      return [
        { id: 'snug', phase: 'measure', text: 'Snug the thrust cap and its side bolts', required: true },
        { id: 'push-back', phase: 'measure', text: 'Push the shaft fully back and hold it', required: true },
        {
          id: 'tap',
          phase: 'measure',
          text: 'Tap the cap by a soft drift until the washers line up',
          required: true,
          caution: 'Eye protection. Soft drift on the cap, never steel on the shaft.',
        },
        torque,
      ]
    case 'girdle':
      return [
        { id: 'snug-girdle', phase: 'measure', text: 'Snug the girdle: it moves as a unit', required: true },
        {
          id: 'both-ways',
          phase: 'measure',
          text: 'Lever or knock the shaft forward, then back',
          required: true,
          caution: 'Soft block or drift, never steel on the shaft.',
        },
        torque,
      ]
    case 'flanged-halves':
      return [
        { id: 'loosen', phase: 'measure', text: 'All mains torqued, thrust cap loose (or everything snug)', required: true },
        {
          id: 'both-ways',
          phase: 'measure',
          text: 'Lever or knock the shaft forward, then back: its flange aligns both halves',
          required: true,
          caution: 'Soft block or drift, never steel on the shaft.',
        },
        torque,
      ]
  }
}

/** The work of a thrust alignment, step by step. The maker's manual comes first. */
export const alignmentSteps = (setup: AlignmentSetup): readonly Step[] => [
  {
    id: 'oiled',
    phase: 'setup',
    text: 'Thrust faces and journals oiled',
    required: true,
    caution: 'Battery off, drive disabled. Fingers clear of webs and lever.',
  },
  { id: 'mains-torqued', phase: 'setup', text: 'All main caps torqued to the manual', required: true },
  ...dialSteps.filter(step => step.phase === 'setup'),
  { id: 'before', phase: 'measure', text: 'Read the play before: note hand or bar, and use the same after', required: false },
  { id: 'dial-off', phase: 'measure', text: 'Take the dial off for hammering; set it up and zero it again', required: false },
  ...pushes(setup),
  { id: 'turns', phase: 'prove', text: 'Shaft turns freely, and the reading stays when the lever is let go', required: false },
]
