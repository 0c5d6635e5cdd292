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
  positions: [],
})

/** The play is what its one point says. */
export const playFrom = (point: string, answers: Answers, formula: string): CombinedResult => ({
  kind: 'play',
  position: null,
  estimate: answers.of(point).estimate,
  points: [point],
  formula,
})
