import { choice, type SetupOf } from '../../setup'

export const FIELDS = {
  way: choice({
    label: 'Measured by',
    options: [
      { value: 'feeler', label: 'Straight edge and feelers' },
      { value: 'strip', label: 'Plastic strip under the cover' },
    ],
    initial: 'feeler',
  }),
}
export type PumpSetup = SetupOf<typeof FIELDS>
