import type { Step } from '../../../method/step'
import { byGauge, type DiameterSetup } from './setup'

/** The work of a plain diameter. Common practice; the maker's manual comes first. */
export const diameterSteps = (setup: DiameterSetup): readonly Step[] => [
  { id: 'clean', phase: 'setup', text: 'Clean, dry, no burrs; part and gauges as warm as each other', required: true },
  ...(byGauge(setup)
    ? [
        {
          id: 'zeroed',
          phase: 'setup',
          text: 'Bore gauge zeroed in its master at the reversal; its anvils are not touched after',
          required: true,
        } satisfies Step,
        {
          id: 'rocked',
          phase: 'measure',
          text: 'Rocked to the reversal at every place; at the end zero in the master again',
          required: false,
        } satisfies Step,
      ]
    : [{ id: 'standard', phase: 'setup', text: 'Micrometer tried on its standard', required: true } satisfies Step]),
  ...(setup.work === 'sized'
    ? [
        {
          id: 'cold',
          phase: 'choose',
          text: `${setup.part === 'bore' ? 'Honed' : 'Ground'} in small steps, measured cold and washed; the last tenth is the easiest to lose`,
          required: false,
          caution: 'What was worked is noted under parts: what was read before no longer holds. Eye protection at the machine.',
        } satisfies Step,
      ]
    : []),
  { id: 'all-places', phase: 'prove', text: 'Every place read after the last cut', required: false },
]
