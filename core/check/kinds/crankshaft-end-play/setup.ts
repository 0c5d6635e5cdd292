import { choice, type SetupOf } from '../../setup'

export const FIELDS = {
  thrust: choice({
    label: 'Thrust bearing',
    options: [
      { value: 'fixed', label: 'Fixed: flanged shells or thrust washers', hint: 'nothing to choose' },
      { value: 'shimmed', label: 'Shims at the flywheel flange', hint: 'thicker gives less play' },
    ],
    initial: 'fixed',
  }),
  way: choice({
    label: 'Measured by',
    options: [
      { value: 'dial', label: 'Dial on the shaft’s end' },
      { value: 'feeler', label: 'Feelers between thrust face and flange' },
      { value: 'feel', label: 'By hand', hint: 'a judgement, provisional' },
    ],
    initial: 'dial',
  }),
}
export type CrankshaftSetup = SetupOf<typeof FIELDS>
