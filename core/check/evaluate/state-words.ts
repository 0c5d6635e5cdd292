import { verdictWord } from '../../verdict/words'
import type { ResultEvaluation } from './evaluated'

/** A result in full, for sentences: `Main 3 clearance`, `End play`. */
export const resultName = (result: Pick<ResultEvaluation, 'kind' | 'position' | 'label'>): string =>
  result.position === null ? result.kind.label : `${result.label} ${result.kind.label.toLowerCase()}`

/** The word for where a result stands: `In`, `Loose`, `3 of 8 points`, `In, but it did not move as it should`. */
export const stateWord = ({ state, kind, progress, doubt }: Pick<ResultEvaluation, 'state' | 'kind' | 'progress' | 'doubt'>): string =>
  state === 'part-read'
    ? `${progress.read} of ${progress.of} points`
    : state === 'doubted' && doubt !== null
      ? `${IN_BUT} ${doubt}`
      : verdictWord(state, kind.ends)
/** The same where there is no room for why. */
export const shortWord = (result: Parameters<typeof stateWord>[0]): string =>
  result.state === 'doubted' ? verdictWord('doubted', result.kind.ends) : stateWord(result)
export const IN_BUT = 'In, but'
