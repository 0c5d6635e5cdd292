import { WARMTH } from '../../common/hub'
import { choice, torque, type SetupOf } from '../../setup'

export const FIELDS = {
  axleTorque: torque({ label: 'Axle torque', hint: 'by the manual; the bench axle is tightened to it every time' }),
  discs: choice({
    label: 'Brake discs on the hub',
    free: true,
    options: [
      { value: 'none', label: 'None' },
      { value: 'one', label: 'On one side' },
      { value: 'both', label: 'On both sides' },
    ],
    initial: 'one',
  }),
  warmth: WARMTH,
}
export type HubSetup = SetupOf<typeof FIELDS>
