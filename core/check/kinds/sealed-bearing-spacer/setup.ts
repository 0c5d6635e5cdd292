import { thou } from '../../../quantity/length'
import { choice, length, type SetupOf } from '../../setup'

const OVER_BAR = [
  { value: 'face', label: 'On the face itself' },
  { value: 'bar', label: 'Over a bar on the face' },
] as const

export const FIELDS = {
  way: choice({
    label: 'Seat distance by',
    options: [
      { value: 'depths', label: 'Two depths from one face' },
      { value: 'length', label: 'Its length, by inside micrometer' },
    ],
    initial: 'depths',
  }),
  near: choice({ label: 'Near seat was read', options: OVER_BAR, initial: 'face' }),
  far: choice({ label: 'Far seat was read', options: OVER_BAR, initial: 'face' }),
  bar: length({ label: 'Thickness of the bar', least: thou(1), optional: true }),
}
export type SpacerSetup = SetupOf<typeof FIELDS>
