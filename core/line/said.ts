import type { CheckKind } from '../check/contract'
import { checkKind } from '../check/registry'
import type { ChoiceField } from '../check/setup'
import type { FilledOut } from '../check/spoken'
import type { Line, LineAsk } from './line'
import { PHRASES } from './phrases'

/** What a line says of the check it would be, filled out where it is silent. */
export interface LineSaid extends FilledOut {
  readonly kind: CheckKind
  /** which way the pieces move it, as it was said; null: nothing moves it, or nobody said */
  readonly wayWords: string | null
  /** pieces are named, and nobody said which way they move it: none is chosen */
  readonly undecided: boolean
  /** nobody said which way pieces move it */
  readonly unsaid: boolean
  /** nobody said what the figures mean: none has a meaning */
  readonly meaningless: boolean
  /** what has to be said before any piece is named */
  readonly asks: readonly LineAsk[]
}

interface FieldToSay {
  readonly field: ChoiceField
  readonly words: string
  /** without it nothing has a meaning; which way the pieces move it; what is judged */
  readonly of: 'all' | 'pack' | 'limit'
}
/** Fields of a kind that have to be said, and how they are asked. */
function fieldsToSay(kind: CheckKind): readonly FieldToSay[] {
  return kind.setupFields.flatMap((field): FieldToSay[] => {
    if (field.kind !== 'choice') return []
    const asked = kind.spoken?.asks?.[field.id]
    if (asked !== undefined) return [{ field, words: asked, of: 'all' }]
    if (field.sign) return [{ field, words: 'Which way does the pack move it?', of: 'pack' }]
    return field.ofLimit ? [{ field, words: 'Which figure is the limit for?', of: 'limit' }] : []
  })
}
/** Asked: each answer is the line with the words for it. */
function asked(kind: CheckKind, field: ChoiceField, words: string, line: string): LineAsk {
  return {
    words,
    choices: field.options.flatMap(({ value, label, hint }) => {
      const phrase = PHRASES.find(of => of.kind === kind.id && of.setup?.[field.id] === value)
      // What says no more than that goes behind.
      const said = phrase && (field.sign ? `${phrase.words} ${line}` : `${line}, ${phrase.words}`)
      return said === undefined ? [] : [{ label: hint ? `${label}: ${hint}` : label, line: said }]
    }),
  }
}

/**
 * @param text  as it was typed: for the questions
 * @throws RangeError without a kind
 */
export function saidIn(line: Line, text: string): LineSaid {
  if (line.kind === null) throw new RangeError('A line without a kind is no check yet.')
  const kind = checkKind(line.kind)
  const chosen = line.fitted !== null || line.drawer !== null
  const { spoken } = kind
  const whole = { setup: { ...kind.defaultSetup, ...(chosen ? {} : spoken?.unchosen), ...line.setup }, readings: line.readings }
  const toSay = fieldsToSay(kind)
  const open = toSay.filter(({ field }) => line.setup[field.id] === undefined)
  // Without a way nothing is chosen: what was read is judged all the same.
  const unsaid = open.some(({ of }) => of === 'pack')
  const meaningless = open.some(({ of }) => of === 'all')
  const way = toSay.find(({ of }) => of === 'pack')?.field
  const said = way?.options.find(({ value }) => value === line.setup[way.id])
  return {
    kind,
    ...(spoken?.fill?.(whole) ?? { ...whole, standsIn: [] }),
    wayWords: said ? [said.label, said.hint].filter(Boolean).join(': ') : null,
    undecided: meaningless || (unsaid && chosen),
    unsaid,
    meaningless,
    asks: open.flatMap(({ field, words, of }) =>
      of === 'all' || (of === 'pack' ? chosen : line.limits !== null) ? [asked(kind, field, words, text)] : [],
    ),
  }
}
