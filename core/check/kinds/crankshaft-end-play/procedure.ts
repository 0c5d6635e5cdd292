import type { Suspicion } from '../../../choice/grounds/ledger'
import { dialSteps } from '../../../method/dial/steps'
import { feelerSteps } from '../../../method/feeler/steps'
import type { Step } from '../../../method/step'
import type { CrankshaftSetup } from './setup'

/** The work of a crankshaft end play check. Common practice; the maker's manual comes first. */
export function crankshaftSteps(setup: CrankshaftSetup): readonly Step[] {
  const shimmed = setup.thrust === 'shimmed'
  const way = setup.way === 'feeler' ? feelerSteps : setup.way === 'dial' ? dialSteps : []
  return [
    {
      id: 'mains-torqued',
      phase: 'setup',
      text: 'Main caps torqued to the manual, thrust faces oiled',
      required: true,
      caution: 'Battery off, drive disabled. Fingers clear of webs and lever.',
    },
    { id: 'aligned', phase: 'setup', text: 'Thrust bearing aligned first: out of line, the play means nothing', required: !shimmed },
    ...(shimmed
      ? [
          {
            id: 'flywheel-on',
            phase: 'setup',
            text: 'Flywheel fitted with the pack as listed, bolts nipped',
            required: true,
            caution: 'Only fitted for measuring, the answer stays provisional until it is proved at final torque.',
          } satisfies Step,
        ]
      : []),
    ...way.filter(step => step.phase === 'setup'),
    {
      id: 'lever',
      phase: 'measure',
      text: 'Lever between web and cap, both ways; release: the reading must stay',
      required: false,
      caution: `Never steel on a journal.${setup.way === 'dial' ? ' If the needle falls back, tick “sprang back”.' : ''}`,
    },
    ...way.filter(step => step.phase === 'measure'),
    ...(shimmed
      ? ([
          { id: 'dry-fit', phase: 'choose', text: 'Dry fit: the chosen pack plus the leaf of the aim goes snugly', required: false },
          { id: 'label-out', phase: 'choose', text: 'Bag and label the shims that come out', required: false },
          {
            id: 'torqued',
            phase: 'prove',
            text: 'Flywheel at final torque, in stages',
            required: true,
            caution: 'A flywheel is heavy: two people, or a hoist.',
          },
        ] satisfies Step[])
      : [{ id: 'turns', phase: 'prove', text: 'Shaft turns freely by hand', required: false } satisfies Step]),
  ]
}

/** Where to look when one fitting does not agree with the others. */
export function crankshaftSuspicions(): readonly Suspicion[] {
  return [
    { effect: 'less-play', words: 'The shaft was not pushed fully over, or a thrust half stands out of line.' },
    { effect: 'less-play', words: 'Dirt or a burr between the shims.' },
    { effect: 'more-play', words: 'Flywheel bolts not at full torque.' },
  ]
}
