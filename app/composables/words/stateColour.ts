import type { ListState } from '#shared/types'

/** Colour comes third, after shape and word: a token for each state. */
const TOKEN: Readonly<Record<ListState, 'in' | 'out' | 'near' | 'mute'>> = {
  'in': 'in',
  'below': 'out',
  'above': 'out',
  'not-valid': 'out',
  'close': 'near',
  'doubted': 'near',
  'accepted': 'near',
  'provisional': 'near',
  'stale': 'mute',
  'no-limit': 'mute',
  'to-do': 'mute',
  'part-read': 'near',
}
const TEXT = { in: 'text-in', out: 'text-out', near: 'text-near', mute: 'text-mute' } as const

export const stateText = (state: ListState): string => TEXT[TOKEN[state]]
export const statePaint = (state: ListState): string => `var(--${TOKEN[state]})`
