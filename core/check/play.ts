import { PLAY_WORDS } from '../verdict/words'
import type { CombinedResult, Answers, ResultKind } from './contract'

/** A play between two stops, the one figure of a check. */
export const playResult = (label: string): ResultKind => ({
  id: 'play',
  label,
  quantity: 'length',
  scale: 'play',
  ends: PLAY_WORDS,
  cannotBind: 'above',
  main: true,
  floored: true,
  overZero: true,
  positions: [],
})

/** The play is what its one point says. */
export function playFrom(point: string, answers: Answers, formula: string): CombinedResult {
  const { estimate, atMost } = answers.of(point)
  return { kind: 'play', position: null, estimate, points: [point], formula, ...(atMost ? { atMost } : {}) }
}
