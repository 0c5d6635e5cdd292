import { choice, type SetupOf } from '../../setup'

export const FIELDS = {
  construction: choice({
    label: 'Thrust bearing',
    options: [
      { value: 'flanged-halves', label: 'Two flanged halves', hint: 'the shaft’s flange aligns both' },
      { value: 'loose-half', label: 'One loose half, in the block', hint: 'push one way only' },
      { value: 'washers', label: 'Separate washers in block and cap', hint: 'tap the cap over' },
      { value: 'girdle', label: 'One-piece cap girdle', hint: 'moves as a unit' },
    ],
    initial: 'flanged-halves',
  }),
  thrustEnd: choice({
    label: 'Where it sits',
    options: [
      { value: 'flywheel', label: 'Flywheel end' },
      { value: 'front', label: 'Front end' },
    ],
    initial: 'flywheel',
  }),
}
export type AlignmentSetup = SetupOf<typeof FIELDS>
