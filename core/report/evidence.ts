import { readingWords, unvoided } from '../reading/reading'
import { lowerFirst } from '../quantity/first-letter'
import { unitAt } from '../check/evaluate/gauge-needs'
import type { CheckDocument } from '../check/document'
import { checkKind } from '../check/registry'

/** What was read last at every point of a fitting, in the order of the points. */
export interface Evidence {
  /** `as found`, `fitting 2` */
  readonly fitting: string
  readonly read: readonly { readonly where: string; readonly words: string }[]
}

/** The readings of a check whose report has to convince somebody else; none of any other. */
export function evidenceOf(check: CheckDocument): readonly Evidence[] {
  const kind = checkKind(check.kind)
  if (!kind.evidence) return []
  return check.trials.map((trial, i) => ({
    fitting: i === 0 ? 'as found' : `fitting ${i + 1}`,
    read: kind.points(check.setup).flatMap(point => {
      const last = unvoided(trial.readings).findLast(reading => reading.point === point.id)
      return last ? [{ where: point.label, words: readingWords(last, unitAt(check, point)) }] : []
    }),
  }))
}

/** `as found at 12 0.0 thou, at 3 20.0 thou`: one line a fitting. */
export const evidenceWords = (check: CheckDocument): readonly string[] =>
  evidenceOf(check).flatMap(({ fitting, read }) =>
    read.length === 0 ? [] : [`${fitting}: ${read.map(({ where, words }) => `${lowerFirst(where)} ${words}`).join(', ')}`],
  )
