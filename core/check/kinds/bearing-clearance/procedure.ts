import { stripSteps } from '../../../method/plastic-strip/steps'
import type { Step } from '../../../method/step'
import { byStrip, type BearingSetup } from './setup'

/** The work of a bearing clearance, step by step. Common practice; the maker's manual comes first. */
export function bearingSteps(setup: BearingSetup): readonly Step[] {
  const cap = setup.bearings === 'rods' ? 'rod cap' : 'main cap'
  const gauges: Step[] = [
    {
      id: 'micrometer-tried',
      phase: 'setup',
      text: 'Micrometer tried on its standard, bore gauge and part at one temperature',
      required: true,
    },
    {
      id: 'capped',
      phase: 'setup',
      text: `Shells in, every ${cap} in its place and way round, full torque`,
      required: true,
      caution: 'Torque angles and one-use bolts per the manual.',
    },
    { id: 'bore-zero', phase: 'measure', text: 'Bore gauge zeroed in its master; rock it to the reversal', required: true },
    { id: 'bore-again', phase: 'measure', text: 'Back into the master after each bore: it must still read zero', required: false },
  ]
  return [
    {
      id: 'clean',
      phase: 'setup',
      text: 'Shells, backs and journals clean; no burr at the split or the tang',
      required: true,
      caution: 'Measure new shells too: a boxed part is not a measured one.',
    },
    ...(byStrip(setup) ? stripSteps.filter(step => step.phase === 'setup') : gauges.filter(step => step.phase === 'setup')),
    ...(byStrip(setup) ? stripSteps.filter(step => step.phase === 'measure') : gauges.filter(step => step.phase === 'measure')),
    {
      id: 'turns-each',
      phase: 'measure',
      text: `Shaft turned by hand after each ${cap} in turn: “locks” beats arithmetic`,
      required: false,
      caution: 'Battery off, drive disabled. Fingers clear of webs.',
    },
    ...(setup.shells === 'choose'
      ? [
          {
            id: 'note-make',
            phase: 'choose',
            text: 'Note a substituted make: another maker’s grade can differ by a thou',
            required: false,
          } satisfies Step,
        ]
      : []),
    ...(byStrip(setup) ? stripSteps.filter(step => step.phase === 'prove') : []),
    { id: 'oiled-turns', phase: 'prove', text: 'Oiled, all caps at final torque, shaft turns freely', required: true },
  ]
}
