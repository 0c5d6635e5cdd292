import { isLengthUnit, quantityOf, type Unit } from '../quantity/figure'
import { UNITS, type MeasureKind } from '../quantity/measure'
import { LENGTH_SPELT } from '../quantity/parse-length'

/** What can be written in a cell. */
export interface Writes {
  /** what a bare figure means there; null: it takes no figure */
  readonly unit: Unit | null
  /** the words it is answered in, or may be */
  readonly words: readonly { readonly value: string; readonly label: string }[]
}

const spelt = new Map<Unit, readonly string[]>()
/** Every way the units of a quantity are spelt. */
function spellings(unit: Unit): readonly string[] {
  const known = spelt.get(unit)
  if (known) return known
  const all = isLengthUnit(unit)
    ? LENGTH_SPELT
    : Object.values<{ readonly spelt: readonly string[] }>(UNITS[quantityOf(unit) as MeasureKind] ?? {}).flatMap(of => of.spelt)
  spelt.set(unit, all)
  return all
}

const SIGNS = /^[\d.,\-+−–/:½¼¾⅛⅜⅝⅞⅓⅔]$/
/** An article is not what a word is known by. */
const plain = (words: string) => words.toLowerCase().replace(/^(an?|in|by|must be) /, '')

/** Would this be the beginning of a word the cell is answered in, or such a word with something behind it? @param begun  more than its first sign */
function isWord(text: string, words: Writes['words'], begun: boolean): boolean {
  const said = text.trimStart().toLowerCase()
  return words.some(({ value, label }) =>
    [value.toLowerCase(), plain(label), ...(begun ? [label.toLowerCase()] : [])].some(
      word => word.startsWith(said) || said.startsWith(`${word} `),
    ),
  )
}

/**
 * Does a key write in a cell? In this order: what continues a figure or its unit; what begins or continues a word of the cell. What does neither
 * is a command.
 * @param text  what stands before the cursor
 * @param key  one sign
 * @example takes({ unit: 'thou', words: [] }, '18', 't') // true
 * @example takes({ unit: 'thou', words: [] }, '18', 'z') // false
 */
export function takes({ unit, words }: Writes, text: string, key: string): boolean {
  const begun = text.trim() !== ''
  if (words.length > 0 && (begun || key !== ' ') && isWord(text + key, words, begun)) return true
  if (key === ' ') return begun
  // A figure in a cell of words is kept, and said not to belong.
  if (SIGNS.test(key)) return true
  if (!unit || !/\d/.test(text)) return false
  const tail = /[^\d.,\s+\-−–/:]*$/.exec((text + key).toLowerCase())![0]
  return tail !== '' && spellings(unit).some(one => one.startsWith(tail))
}
