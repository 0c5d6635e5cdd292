import type { Step } from '../../../method/step'
import type { SpacerSetup } from './setup'

/** The work of a spacer between sealed bearings. Common practice; the maker's manual comes first. */
export const spacerSteps = ({ way }: SpacerSetup): readonly Step[] => [
  { id: 'clean', phase: 'setup', text: 'Hub clean, seats free of burrs; both bearings new or inspected', required: true },
  { id: 'standard', phase: 'setup', text: 'Gauges tried on their standard, all at the temperature of the room', required: false },
  ...(way === 'depths'
    ? [
        {
          id: 'one-face',
          phase: 'measure',
          text: 'Both depths from the same face, at several places around',
          required: true,
          caution: 'A bar under the beam belongs in both depths, or in neither.',
        } satisfies Step,
      ]
    : []),
  { id: 'square', phase: 'measure', text: 'Spacer measured at several places: its ends are square', required: false },
  {
    id: 'first-home',
    phase: 'prove',
    text: 'First bearing home, spacer in, second bearing down to the spacer and no further',
    required: true,
  },
  {
    id: 'tightened',
    phase: 'prove',
    text: 'Axle tightened dry: inner rings turn freely by hand',
    required: true,
    caution: 'Fingers clear of the spokes and the disc.',
  },
]
