import type { PackQuestion } from '#core/choice/question/question'
import type { Measured } from '#core/choice/grounds/grounds'

/** A question to the chooser that rests on one reading: for tests that ask nothing else. */
export const asked = (
  question: Pick<PackQuestion, 'uRefit' | 'aim' | 'limits' | 'unit' | 'cannotBind'> &
    Partial<PackQuestion> & { readonly measured: Measured },
): PackQuestion & { readonly measured: Measured } => ({
  id: 'play',
  label: 'Play',
  from: question.measured,
  before: [],
  rule: 'plain',
  bound: false,
  atLeast: null,
  doubts: [],
  oddNow: false,
  ...question,
})
