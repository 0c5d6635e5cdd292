import { formatFigure } from '../../../quantity/figure'
import type { Step } from '../../../method/step'
import type { Condition, Reminder } from '../../conditions'
import { hourOnBench, type TrainSetup } from './setup'

const step = (id: string, phase: Step['phase'], text: string, required: boolean, caution?: string): Step => ({
  id,
  phase,
  text,
  required,
  ...(caution ? { caution } : {}),
})

/** The work of a train with its gaps in build order. Common practice; the maker's manual comes first. */
export const trainSteps = (setup: TrainSetup): readonly Step[] => [
  step('before-strip', 'setup', 'Gaps felt or read before it is stripped; where each washer sat is noted', false),
  ...(setup.freewheel === 'none'
    ? []
    : [
        step(
          'freewheel',
          'setup',
          `Freewheel turns ${setup.freewheel === 'clockwise' ? 'anticlockwise' : 'clockwise'} by hand and locks ${setup.freewheel}`,
          true,
          'The other way round it drives nothing, and the gearbox comes out again.',
        ),
      ]),
  step('oil-holes', 'setup', 'Oil holes of sun and shaft in line', true, 'Out of line the far end runs dry.'),
  step('races', 'setup', 'Each race in its own place, wide and narrow; bearings the right way up', true),
  step('sun', 'setup', 'The sun stays on its shaft while it is lowered', false, 'Heavy, and fingers fit between: lower it by two.'),
  ...(setup.ringAt === 0
    ? []
    : [
        step(
          'ring',
          'setup',
          `Ring opening at ${setup.ringAt} o’clock with the case upright${setup.lies === 'upright' ? '' : `: ${hourOnBench(setup)} o’clock as it lies on the bench`}`,
          true,
        ),
      ]),
  ...(setup.bolt === null ? [] : [step('feed-hole', 'setup', 'Feed-bolt hole in line before the ring goes in', true)]),
  step('measured', 'choose', 'Every washer by micrometer before it is taken for a swap: size, place, what it is made of', false),
  step('upwards', 'prove', 'From the bottom up: what was changed below is read before what is built on it', false),
]

export const trainConditions = ({ bolt }: TrainSetup): readonly Condition[] =>
  bolt === null
    ? []
    : [
        {
          id: 'bolt',
          label: 'Feed bolt',
          states: [
            { value: 'torqued', label: 'Torqued' },
            { value: 'loose', label: 'Not yet' },
          ],
        },
      ]

export const trainReminders = ({ bolt }: TrainSetup): readonly Reminder[] => [
  ...(bolt === null
    ? []
    : [
        {
          id: 'feed-bolt',
          words: `Feed bolt to ${formatFigure(bolt, 'N·m', { unit: true })} (${formatFigure(bolt, 'ft·lb', { unit: true })}), then the plug`,
        },
      ]),
  { id: 'bagged', words: 'Pieces that came out bagged with their sizes' },
]
