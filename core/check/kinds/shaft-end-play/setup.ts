import { nm } from '../../../quantity/length'
import { choice, length, type SetupOf } from '../../setup'

export const FIELDS = {
  pack: choice({
    label: 'Where the pack sits',
    sign: true,
    options: [
      { value: 'under-cover', label: 'Under a cover, quill or retainer', hint: 'thicker gives more play' },
      { value: 'in-gap', label: 'In the gap: a pack of shims', hint: 'thicker gives less play' },
      { value: 'single', label: 'In the gap: one thrust washer, race or ring', hint: 'thicker gives less play' },
      { value: 'equal-pair', label: 'An equal pair, one each side of the joint', hint: 'thicker gives less play, twice' },
      { value: 'none', label: 'Nothing to choose: measure and judge only' },
    ],
    initial: 'under-cover',
  }),
  film: length({
    scale: 'play',
    label: 'Film of sealant, once the cover is closed',
    hint: 'as squeezed, where it was measured bare; blank: none',
    free: true,
    added: true,
    least: nm(0),
    optional: true,
  }),
  seals: choice({
    label: 'Measured before strip-down',
    free: true,
    added: true,
    options: [
      { value: 'no', label: 'No: dry and without seals from the start' },
      { value: 'yes', label: 'Yes, with its seals in; dry afterwards' },
    ],
    initial: 'no',
  }),
}
export type EndPlaySetup = SetupOf<typeof FIELDS>
