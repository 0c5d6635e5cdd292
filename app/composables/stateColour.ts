import type { VerdictState } from '#core/verdict/decide'

/** Colour comes third, after shape and word: a token for each state. */
const TOKEN: Readonly<Record<VerdictState, 'in' | 'out' | 'near' | 'mute'>> = {
  'in': 'in',
  'below': 'out',
  'above': 'out',
  'not-valid': 'out',
  'close': 'near',
  'provisional': 'near',
  'stale': 'mute',
  'no-limit': 'mute',
  'to-do': 'mute',
}
const TEXT = { in: 'text-in', out: 'text-out', near: 'text-near', mute: 'text-mute' } as const

export const stateText = (state: VerdictState): string => TEXT[TOKEN[state]]
export const statePaint = (state: VerdictState): string => `var(--${TOKEN[state]})`
