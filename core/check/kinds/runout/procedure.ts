import type { Step } from '../../../method/step'
import type { Reminder } from '../../conditions'
import type { RunoutSetup } from './setup'

const step = (id: string, phase: Step['phase'], text: string, required: boolean, caution?: string): Step => ({
  id,
  phase,
  text,
  required,
  ...(caution ? { caution } : {}),
})

const SETUP: Readonly<Record<RunoutSetup['what'], readonly Step[]>> = {
  housing: [
    step(
      'seated',
      'setup',
      'Housing flat to the block, block plate as built, a couple of bolts fully tight',
      true,
      'A housing is heavy: two people, or a hoist.',
    ),
    step('base', 'setup', 'Dial base on the flywheel, tip square to the bore wall, touching all round', true),
    { ...step('marked', 'setup', 'Marks on the housing: 12 on top, 3 at its side as seen', true), once: true },
    step(
      'plugs',
      'setup',
      'Spark plugs out, so that the crank turns by hand',
      false,
      'Battery off, ignition dead. Fingers clear of the ring gear.',
    ),
  ],
  radial: [
    step('held', 'setup', 'Base on what does not turn, tip square to the rim', true),
    step('clean', 'setup', 'Rim clean, no rust, no burr; bearing play taken up', true),
    { ...step('marked', 'setup', 'Marks on the part, 12 where it can be found again', true), once: true },
  ],
  face: [
    step('held', 'setup', 'Base on what does not turn, tip square to the face, its radius measured', true),
    step('pressed', 'setup', 'Shaft pressed home one way for the whole turn: end play would read as runout', true),
    { ...step('marked', 'setup', 'Marks on the part, 12 where it can be found again', true), once: true },
  ],
  shaft: [
    step('held', 'setup', 'On centres that are clean, or in V-blocks on sound places; it cannot creep along', true),
    step('clean', 'setup', 'Where the tip runs: clean, no keyway, no thread', true),
    { ...step('marked', 'setup', 'Marks on the shaft, 12 where it can be found again', true), once: true },
  ],
}

/** The work of a runout check. Common practice; the maker's manual comes first. */
export const runoutSteps = (setup: RunoutSetup): readonly Step[] => [
  ...SETUP[setup.what],
  step('one-way', 'measure', 'Turned one way only, by hand; overshot: right round again, never back through the slack', true),
  step('hands-off', 'measure', 'Hands off while it is read; each figure with its sign, at its mark', false),
  ...(setup.what === 'housing'
    ? [
        step('flat-plate', 'choose', 'High side of each dowel marked on a flat plate before it goes in; both alike, turned alike', false),
        {
          ...step('tight-again', 'prove', 'Dowels in, housing on, bolts tight as before; the whole turn read again with its return', true),
          of: 'refit' as const,
        },
      ]
    : [
        step(
          'trued',
          'choose',
          'What is straightened or cut is noted under parts; then the whole turn again',
          false,
          setup.what === 'shaft' ? 'A shaft under a press can fly: guard it, stand aside.' : undefined,
        ),
      ]),
]

export const runoutReminders = ({ what }: RunoutSetup): readonly Reminder[] =>
  what === 'housing' ? [{ id: 'bolts', words: 'Housing bolts to their torque, dowels staked or locked as the maker says' }] : []
