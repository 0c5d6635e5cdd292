import { nm } from '../../../quantity/length'
import { PRELOAD_FIELDS } from '../../common/preload'
import { choice, length, type SetupOf } from '../../setup'

export const FIELDS = {
  upper: choice({
    label: 'At the upper pin',
    options: [
      { value: 'roller', label: 'Roller bearing', hint: 'no lift, no side play, smooth' },
      { value: 'plain', label: 'Plain pad or thrust washer', hint: 'older: side play rather than lift, just nipped' },
    ],
    initial: 'roller',
  }),
  sides: choice({
    label: 'Housings',
    options: [
      { value: 'both', label: 'Left and right' },
      { value: 'left', label: 'Left alone' },
      { value: 'right', label: 'Right alone' },
    ],
    initial: 'both',
  }),
  ...PRELOAD_FIELDS,
  taken: length({
    scale: 'play',
    label: 'First pack thinner than the gap by',
    hint: 'what the preload takes, where the maker gives it; zero just fills the gap',
    least: nm(0),
    initial: nm(0),
  }),
}
export type SwivelSetup = SetupOf<typeof FIELDS>
