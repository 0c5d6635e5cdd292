import type { Spoken } from '../../spoken'

/** Two pieces of wire, three places along each, of one run; what the shim leaves is preload or end play. */
export const spoken: Spoken = {
  phrases: [
    { words: ['crush wire', 'lead wire', 'solder', 'wire'] },
    { words: ['preload', 'leaves preload'], setup: { ends: 'preload' }, detail: true },
    { words: ['end play', 'leaves play', 'leaves end play'], setup: { ends: 'play' }, detail: true },
  ],
  asks: { ends: 'Does the shim leave preload, or end play?' },
}
