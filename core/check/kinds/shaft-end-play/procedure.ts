import type { Suspicion } from '../../../choice/grounds/ledger'
import { dialSteps } from '../../../method/dial/steps'
import type { Step } from '../../../method/step'
import type { EndPlaySetup } from './setup'

/** The work of an end play check, step by step. Common practice; the maker's manual comes first. */
export function endPlaySteps(setup: EndPlaySetup): readonly Step[] {
  const dial = (phase: Step['phase']) => dialSteps.filter(step => step.phase === phase)
  const start: Step[] = [
    {
      id: 'clean',
      phase: 'setup',
      text:
        setup.seals === 'yes'
          ? 'First as it came in, seals in; then apart, clean and dry, and the same pack again without them'
          : 'Faces clean and dry, no seals fitted that drag',
      required: true,
      caution: 'The maker’s manual comes first. Block the unit: heavy assemblies need two people or a hoist.',
    },
    ...(setup.pack === 'none'
      ? []
      : [
          {
            id: 'pack-counted',
            phase: 'setup',
            text:
              setup.pack === 'single'
                ? 'Washer, race or ring measured, its faces clean'
                : setup.pack === 'equal-pair'
                  ? 'Both measured, their faces clean'
                  : 'Pack counted, stuck shims parted, each one measured',
            required: false,
          } satisfies Step,
        ]),
    {
      id: 'tightened',
      phase: 'setup',
      text: setup.pack === 'under-cover' ? 'Cover bolts snug and even, in a cross' : 'Bolts to the manual’s torque, bearing home',
      required: true,
      ...(setup.pack === 'under-cover' ? { caution: 'A cover drawn down on one side reads short.' } : {}),
    },
    ...dial('setup'),
  ]
  if (setup.pack === 'none')
    return [
      ...start,
      ...dial('measure'),
      { id: 'proved-same', phase: 'prove', text: 'Record the joint as it was when measured: dry or sealed', required: false },
    ]
  return [
    ...start,
    ...dial('measure'),
    { id: 'measure-new', phase: 'choose', text: 'Measure each piece that goes in', required: false },
    { id: 'label-out', phase: 'choose', text: 'Bag and label the pieces that come out', required: false },
    { id: 'refitted', phase: 'prove', text: 'Pack in stacking order, thick pieces outside', required: true, of: 'refit' },
    {
      id: 'torqued',
      phase: 'prove',
      text: setup.pack === 'under-cover' ? 'Cover bolts tightened evenly to the manual’s torque' : 'Bolts to the manual’s torque',
      required: true,
      caution: 'Keep fingers clear when the shaft is levered over.',
    },
  ]
}

/** Where to look when one fitting does not agree with the others. */
export function endPlaySuspicions(setup: EndPlaySetup): readonly Suspicion[] {
  const seat: Suspicion = { effect: 'less-play', words: 'The bearing was not seated, or the shaft not pushed fully over.' }
  if (setup.pack === 'under-cover') {
    return [
      seat,
      { effect: 'less-play', words: 'The cover was drawn down on one side.' },
      { effect: 'more-play', words: 'Cover bolts loose, or dirt under the cover.' },
    ]
  }
  return [
    seat,
    { effect: 'less-play', words: setup.pack === 'equal-pair' ? 'A groove was dirty, or a ring not home.' : 'Dirt between the pieces.' },
    {
      effect: 'more-play',
      words: setup.pack === 'equal-pair' ? 'A ring is thinner than it is marked.' : 'Bolts loose, or not to torque.',
    },
  ]
}
