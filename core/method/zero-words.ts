import { formatFigure, systemOf, type Unit } from '../quantity/figure'
import { formatLength } from '../quantity/format-length'
import type { LengthUnit } from '../quantity/length'
import { parseMeasure, type MeasureUnit, type Torque } from '../quantity/measure'
import { isWord, unvoided, type Reading } from '../reading/reading'
import { NO_ANSWER, type PointAnswer } from './way'

/** What is said of a movement that is none. Readings too: zero or less, kept and shown, never reckoned with as a figure. */
export const ZERO_WORDS = [
  { value: 'none-felt', label: 'none felt', said: /^(none( felt)?|no play|no gap|nothing( felt)?|zero felt)$/, words: 'no play is felt' },
  { value: 'binds', label: 'binds', said: /^(it )?(binds|binding|locks|locked|tight|stuck)$/, words: 'it binds' },
] as const

/** What was said of it, as it is called. */
export const zeroWordOf = (value: string): string => ZERO_WORDS.find(word => word.value === value)?.label ?? value

/** The word that was typed where a figure was asked for, or its beginning; null: it is none of them. */
export function zeroWord(text: string): string | null {
  const plain = text.trim().toLowerCase().replace(/\s+/g, ' ')
  return (plain && ZERO_WORDS.find(({ said, label }) => said.test(plain) || label.startsWith(plain))?.value) || null
}

/** What a bare torque of a nut or an axle is in, where lengths are typed in a unit. */
export const torqueUnitBeside = (unit: Unit): 'N·m' | 'ft·lb' => (systemOf(unit) === 'metric' ? 'N·m' : 'ft·lb')

/** The same with a torque behind it: `binds at 20 ft·lb`. A torque that cannot be read is a fault of what was typed. @param unit  of a bare torque */
export function zeroAnswer(
  text: string,
  unit: MeasureUnit<'torque'> = 'N·m',
): { readonly word: string; readonly torque?: Torque } | { readonly fault: string } | null {
  const plain = zeroWord(text)
  if (plain !== null) return { word: plain }
  const [, said = '', figure = ''] = /^(.+?) at (.*)$/.exec(text.trim()) ?? []
  if (zeroWord(said) !== 'binds') return null
  const torque = parseMeasure(figure, 'torque', unit)
  if (!torque.ok) return { fault: torque.reason }
  return torque.value > 0 ? { word: 'binds', torque: torque.value } : { fault: 'It binds at a torque above zero.' }
}

/** What the newest word of a movement comes to, if nothing was read since it; null: the figures count. @param none  how it is said where it is no movement @param unit  a torque is told in */
export function saidZero(readings: readonly Reading[], none?: string, unit: MeasureUnit<'torque'> = 'N·m'): PointAnswer | null {
  const last = unvoided(readings).at(-1)
  const word = last && isWord(last) ? ZERO_WORDS.find(({ value }) => value === last.word) : undefined
  const torque = last && isWord(last) ? last.torque : undefined
  return word
    ? {
        ...NO_ANSWER,
        word: word.value,
        atMost: {
          value: 0,
          words: (none ?? word.words) + (torque === undefined ? '' : ` at ${formatFigure(torque, unit, { unit: true })}`),
        },
      }
    : null
}

/** None was said of what reads so much then, and nothing was refitted between: one of the two is wrong. */
export function againstZero(answer: PointAnswer, readings: readonly Reading[], unit: LengthUnit): PointAnswer {
  const word = unvoided(readings).findLast(isWord)?.word
  const said = ZERO_WORDS.find(({ value }) => value === word)
  const { estimate } = answer
  if (!said || !estimate || estimate.value - estimate.U <= 0) return answer
  const words = `First ${said.words}, then it reads ${formatLength(estimate.value, unit, { unit: true })}, with nothing changed between: one of them is wrong. Strike it out.`
  return { ...answer, findings: [...answer.findings, { gate: 'hand', level: 'warn', words }] }
}
