import { WARMTH } from '../../common/hub'
import { choice, torque, type SetupOf } from '../../setup'

export const FIELDS = {
  axleTorque: torque({ label: 'Axle torque', hint: 'by the manual; the bench axle is tightened to it every time' }),
  discs: choice({
    label: 'Discs on the sleeve',
    hint: 'between cone and sleeve, where they are fitted; always in, and not in the pack',
    free: true,
    options: [
      { value: 'none', label: 'None' },
      { value: 'one', label: 'Below it' },
      { value: 'both', label: 'Below and above it' },
    ],
    initial: 'none',
  }),
  warmth: WARMTH,
}
export type HubSetup = SetupOf<typeof FIELDS>
