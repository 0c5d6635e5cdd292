import type { Step } from '../../../method/step'
import {} from './layout'
import { sampled, type RollerSetup } from './setup'

const SAMPLE: Step = {
  id: 'sample',
  phase: 'measure',
  text: 'The sample taken from all through the bag, not from the top',
  required: true,
}

/** The work of a roller big end, step by step. Common practice; the maker's manual comes first. */
export const rollerSteps = (setup: RollerSetup): Step[] => (sampled(setup) ? [SAMPLE, ...STEPS] : STEPS)

const STEPS: Step[] = [
  {
    id: 'clean',
    phase: 'setup',
    text: 'Pin, rollers and bore clean, no pitting, no blueing',
    required: true,
    caution: 'A pitted pin or race is a new part, not a clearance.',
  },
  {
    id: 'straight',
    phase: 'setup',
    text: 'Rods checked for bend and twist first: straightening moves the bore',
    required: true,
    once: true,
  },
  {
    id: 'micrometer-tried',
    phase: 'setup',
    text: 'Micrometer tried on its standard; gauge, master and parts at one temperature',
    required: true,
  },
  { id: 'bags-apart', phase: 'setup', text: 'Bags of rollers kept apart and marked', required: true, once: true },
  { id: 'bore-zero', phase: 'measure', text: 'Bore gauge zeroed in its master; rock it to the reversal', required: true },
  { id: 'bore-again', phase: 'measure', text: 'Back into the master after each bore: it must still read zero', required: false },
  { id: 'set-bagged', phase: 'choose', text: 'Each set bagged and marked with its rod', required: true },
  {
    id: 'flip',
    phase: 'choose',
    text: 'Flip the rod every few strokes; read both ends; let it cool before the last strokes',
    required: false,
    caution: 'Eye protection. Fingers clear of the mandrel: a rod that grabs swings round.',
  },
  { id: 'cold', phase: 'prove', text: 'Finished bore read cold, washed, in two directions at both ends', required: true },
  { id: 'fits', phase: 'prove', text: 'Assembled with its own set: turns freely all round, no rock', required: true },
]
