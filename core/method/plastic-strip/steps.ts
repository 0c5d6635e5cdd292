import type { Step } from '../step'

/** What a gap by plastic strip asks for. Common practice. */
export const stripSteps: readonly Step[] = [
  {
    id: 'strip-dry',
    phase: 'setup',
    text: 'Oil wiped off; a dab of grease holds the strip, silicone keeps it from sticking',
    required: true,
  },
  { id: 'strip-opposite', phase: 'setup', text: 'Shaft rests in the opposite shells; strip laid along it', required: true },
  {
    id: 'strip-torque',
    phase: 'measure',
    text: 'Cap in its place and way round, full torque; shaft not turned',
    required: true,
    caution: 'Turned, the strip smears and the reading is worth nothing.',
  },
  { id: 'strip-clean', phase: 'prove', text: 'Strip cleaned off, oiled, torqued again', required: true },
]
