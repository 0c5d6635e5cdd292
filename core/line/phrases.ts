import { checkKinds } from '../check/registry'
import type { Setup } from '../check/setup'

/** What words say of a job: which check it is, or what of its set-up. */
export interface Phrase {
  /** lower case, as they follow each other; small words between them are passed over */
  readonly words: string
  readonly kind: string
  readonly setup?: Setup
  /** it does not say which kind */
  readonly detail?: true
}

/** How a job is called, of all kinds. */
export const PHRASES: readonly Phrase[] = checkKinds.flatMap(({ id: kind, spoken }) =>
  (spoken?.phrases ?? []).flatMap(({ words: all, ...more }) => all.map((words): Phrase => ({ words, kind, ...more }))),
)

/** Words that say nothing of their own. */
export const SMALL_WORDS: ReadonlySet<string> = new Set(
  'a an the of at is it its on has and reads read measured shows got by for my this there i have in to shim shims ring rings washers spacers pieces'.split(
    ' ',
  ),
)
