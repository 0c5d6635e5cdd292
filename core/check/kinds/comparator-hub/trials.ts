import { zeroWordOf } from '../../../method/zero-words'
import { nm, type Nm } from '../../../quantity/length'
import { isFigure, isRepeat, isWord, type Reading } from '../../../reading/reading'
import type { Answers } from '../../contract'

/** One setting of the spacer, and what the hub said of it, dry, with the nut tight. */
export interface DryTrial {
  /** reading of the spacer, nm */
  readonly spacer: Nm
  /** end play: each reading, nm, or the word that was said of it */
  readonly play: readonly (Nm | string)[]
  /** how it spun; null: nobody said */
  readonly spin: string | null
}

/** Every setting of the spacer with its trial, in the order they were made: a spacer that is read again was set again. */
export function dryTrials(answers: Answers): readonly DryTrial[] {
  const all = (['spacer', 'end-play', 'spin'] as const)
    .flatMap(point => answers.log(point).map(reading => ({ point, reading })))
    .sort((a, b) => (a.reading.order ?? Infinity) - (b.reading.order ?? Infinity))
  return all.reduce<readonly DryTrial[]>((trials, { point, reading }) => {
    if (point === 'spacer') return isFigure(reading) ? [...trials, { spacer: nm(reading.figure), play: [], spin: null }] : trials
    const last = trials.at(-1)
    if (!last) return trials
    const tried =
      point === 'spin'
        ? { ...last, spin: isWord(reading) ? reading.word : last.spin }
        : { ...last, play: [...last.play, ...playOf(reading)] }
    return [...trials.slice(0, -1), tried]
  }, [])
}

const playOf = (reading: Reading): readonly (Nm | string)[] =>
  isRepeat(reading) ? [nm(reading.far - (reading.start + reading.back) / 2)] : isWord(reading) ? [zeroWordOf(reading.word)] : []
