import type { VerdictState } from './decide'

/** The two ends of a quantity, in the trade's words. */
export interface EndWords {
  readonly below: string
  readonly above: string
}

export const PLAY_WORDS: EndWords = { below: 'Tight', above: 'Loose' }
export const PRELOAD_WORDS: EndWords = { below: 'Too little', above: 'Too much' }
export const FIT_WORDS: EndWords = { below: 'Too tight', above: 'Too loose' }
export const SIZE_WORDS: EndWords = { below: 'Below', above: 'Above' }

/**
 * The word for a state.
 * @example verdictWord('above', PLAY_WORDS) // 'Loose'
 */
export function verdictWord(state: VerdictState, ends: EndWords): string {
  switch (state) {
    case 'below':
      return ends.below
    case 'above':
      return ends.above
    case 'in':
      return 'In'
    case 'doubted':
      return 'In, but doubtful'
    case 'close':
      return 'Too close to call'
    case 'no-limit':
      return 'No limit known'
    case 'not-valid':
      return 'Not valid'
    case 'provisional':
      return 'Provisional'
    case 'stale':
      return 'Stale'
    case 'to-do':
      return 'To do'
    case 'part-read':
      return 'Points to read'
  }
}
