import { lowerFirst } from '../../quantity/first-letter'
import type { ResultEvaluation } from '../evaluate/evaluated'
import { byGravity, isFine } from '../evaluate/gravity'
import { stateWord } from '../evaluate/state-words'
import type { Target } from '../work'

/**
 * What is said of a work whose figure is within its limits as it is: that nothing has to come off only where every figure it moves is
 * in; too close to call is read again before anything is taken off, and what is out is not mended by taking more.
 */
export function enoughWords(
  { effects, does }: Pick<Target, 'effects' | 'does'>,
  results: readonly ResultEvaluation[],
): { readonly fine: boolean; readonly words: string } {
  const moved = results.filter(({ kind, position, estimate }) =>
    effects.some(effect => estimate !== null && [kind.id, kind.judgedBy].includes(effect.result) && effect.position === position),
  )
  if (does === 'adjustment') {
    // What was tried beats what was read.
    const tried = moved.find(({ overrule, state }) => overrule !== null && !isFine({ state }))
    return tried
      ? { fine: false, words: `By its figure it would do, but ${tried.overrule}.` }
      : { fine: true, words: 'It would do as it is.' }
  }
  const [worst] = [...moved].sort(byGravity)
  if (!worst || isFine(worst)) return { fine: true, words: 'In limits as it is: nothing has to come off.' }
  return worst.state === 'close'
    ? { fine: false, words: 'Too close to call as it is: read it again before anything comes off.' }
    : { fine: false, words: `${worst.kind.label} ${lowerFirst(stateWord(worst))}: nothing that comes off mends that.` }
}
