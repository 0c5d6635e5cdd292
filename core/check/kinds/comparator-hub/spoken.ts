import { TAKEN_AS_GOOD } from '../../common/hub'
import type { Spoken } from '../../spoken'

/** What the turn read, highest and lowest, then what the spacer reads: longer is read as less or as more. */
export const spoken: Spoken = {
  phrases: [
    { words: ['comparator'] },
    { words: ['falls', 'falling', 'less longer'], setup: { sense: 'falls' }, detail: true },
    { words: ['rises', 'rising', 'more longer'], setup: { sense: 'rises' }, detail: true },
    { words: ['fixed', 'fixed spacer'], setup: { spacer: 'fixed' }, detail: true },
  ],
  places: { turn: 'distance', distance: 'distance', seat: 'distance', spacer: 'spacer' },
  asks: { sense: 'As the length grows, does the reading fall or rise?' },
  taken: TAKEN_AS_GOOD,
}
