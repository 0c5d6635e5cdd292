import { formatLength } from '../../quantity/format-length'
import { thou } from '../../quantity/length'
import type { Estimate } from '../../reading/estimate'
import type { Finding } from '../../reading/gates'
import { sumOf } from '../../reading/sum'
import type { Answers } from '../contract'

/** Places round at which something that may not be level is read: fingers of a clutch, the face of a bearing. */
export const ROUND = ['1', '2', '3'] as const
/** Further apart than this it is not level. Own figure, no source. */
const LEVEL = thou(20)

export const roundPoints = (name: string): string[] => ROUND.map(place => `${name}-${place}`)

/** The mean of the places round; null before all of them were read. */
export function meanRound(answers: Answers, name: string): Estimate | null {
  const read = roundPoints(name).flatMap(point => answers.of(point).estimate ?? [])
  return read.length < ROUND.length ? null : sumOf(read.map((estimate, i) => ({ name: ROUND[i]!, factor: 1 / ROUND.length, estimate })))
}

/** @param what  `Fingers` */
export function outOfLevel(answers: Answers, name: string, what: string): Finding[] {
  const values = roundPoints(name).flatMap(point => answers.of(point).estimate?.value ?? [])
  const spread = values.length < ROUND.length ? 0 : Math.max(...values) - Math.min(...values)
  if (spread <= LEVEL) return []
  const show = (value: number) => formatLength(value, answers.unit, { unit: true })
  return [
    {
      gate: 'spread',
      level: 'warn',
      words: `${what} ${show(spread)} out of level round, more than ${show(LEVEL)} (own figure): is something bent, or not home?`,
    },
  ]
}
