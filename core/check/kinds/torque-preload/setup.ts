import { mm } from '../../../quantity/length'
import { MAKING_FIELDS } from '../../common/making'
import { PRELOAD_FIELDS } from '../../common/preload'
import { choice, length, ratio, type SetupOf } from '../../setup'

const TURNS_WITH = [
  { value: 'with', label: 'The stage before turns with it' },
  { value: 'alone', label: 'Alone: the stage before is out of mesh' },
] as const
const BOOK_MEANS = [
  { value: 'all', label: 'Includes what was set before' },
  { value: 'own', label: 'This stage’s own' },
] as const

export const FIELDS = {
  stages: choice({
    label: 'Set in stages',
    options: [
      { value: 'one', label: 'One shaft' },
      { value: 'two', label: 'Differential, then output shaft' },
      { value: 'three', label: 'Differential, output shaft, further shafts' },
    ],
    initial: 'one',
  }),
  shims: choice({
    label: 'The shims',
    sign: true,
    options: [
      { value: 'behind', label: 'Behind a bearing race', hint: 'thicker is more preload' },
      { value: 'cover', label: 'Under the cover', hint: 'thicker is less preload' },
    ],
    initial: 'behind',
  }),
  ...PRELOAD_FIELDS,
  film: length({
    scale: 'play',
    label: 'Film of sealant when it is closed for good',
    hint: 'as squeezed; it opens the joint, and preload falls',
    free: true,
    least: mm(0.001),
    optional: true,
  }),
  turns2: choice({ label: 'Output shaft is read', options: TURNS_WITH, initial: 'with' }),
  ratio2: ratio({ label: 'Turns of the output shaft to one of the differential', initial: 1 }),
  book2: choice({ label: 'The book’s figure for the output shaft', options: BOOK_MEANS, initial: 'all' }),
  turns3: choice({ label: 'Further shafts are read', options: TURNS_WITH, initial: 'with' }),
  ratio3: ratio({ label: 'Turns of the further shafts to one of the output shaft', initial: 1 }),
  book3: choice({ label: 'The book’s figure for the further shafts', options: BOOK_MEANS, initial: 'all' }),
  ...MAKING_FIELDS,
}
export type TorqueSetup = SetupOf<typeof FIELDS>
