import type { Nm } from '../quantity/length'
import { asRead, formatFigure, systemOf, type Exact, type Unit } from '../quantity/figure'
import type { Torque } from '../quantity/measure'

/** What every logged reading has. */
export interface ReadingHead {
  readonly id: string
  readonly at?: string
  /** Its place in the order of what happened; left out while it is on its way: newer than all. Clocks decide nothing. */
  readonly order?: number
  /** Id of the gauge it was read with; left out where none was used. */
  readonly gauge?: string
  /** Workshop and id it was first taken under, `shop/id`: a copy of it teaches nothing anew. */
  readonly taken?: string
  /** Set when it was struck out; it stays in the record. */
  readonly voided?: { readonly reason: string }
}

/** What a bore was last worked with before it was read. */
export type Stone = 'coarse' | 'medium' | 'fine'
export const STONES: readonly Stone[] = ['coarse', 'medium', 'fine']

/** One there-and-back of a gauge: zero, pushed fully the other way, back again. All signed, nm. */
export interface Repeat extends ReadingHead {
  readonly start: Nm
  readonly far: Nm
  readonly back: Nm
  /** The needle fell back when the push was released: not a static reading. */
  readonly springBack?: boolean
}

/** One figure, in small units of what its gauge reads: a diameter by micrometer, what a bore gauge shows, the printed gap a squashed strip matches. */
export interface FigureReading extends ReadingHead {
  readonly figure: Exact
  /** Temperature of the part when it was read, °C; left out where it was as warm as its gauge. */
  readonly celsius?: number
  /** It was warm, and nobody knows how warm: the figure is not final. */
  readonly hot?: true
  /** In a log of honing. */
  readonly stone?: Stone
}

/** Two figures, in small units: the leaf that goes and the one that does not, the range a hand felt; both alike: one snug stack. Or a torque while turning, and what it took to start. */
export interface RangeReading extends ReadingHead {
  readonly low: Exact
  readonly high: Exact
  /** Feeler leaves in the stack. */
  readonly leaves?: number
}

/** An answer in a word the point offers: `turns`, `locks`. */
export interface WordReading extends ReadingHead {
  readonly word: string
  /** Torque at which it was so, nN·m: it began to bind at that. */
  readonly torque?: Torque
}

/** Pieces taken together, by the ids of the readings that measured them: a set of rollers. */
export interface PiecesReading extends ReadingHead {
  readonly pieces: readonly string[]
}

export type Reading = Repeat | FigureReading | RangeReading | WordReading | PiecesReading

/** The forms a reading can take; each way of measuring asks for one. */
export type Entry = 'travel' | 'figure' | 'pass' | 'range' | 'word' | 'pieces'

/** The figures a reading may hold besides its head. */
export const READING_FIELDS = [
  'start',
  'far',
  'back',
  'springBack',
  'figure',
  'celsius',
  'hot',
  'stone',
  'low',
  'high',
  'leaves',
  'word',
  'torque',
  'pieces',
] as const
export type ReadingField = (typeof READING_FIELDS)[number]
const FORMS: Readonly<Record<Entry, { readonly needed: readonly ReadingField[]; readonly optional: readonly ReadingField[] }>> = {
  travel: { needed: ['start', 'far', 'back'], optional: ['springBack'] },
  figure: { needed: ['figure'], optional: [] },
  pass: { needed: ['figure'], optional: ['stone'] },
  range: { needed: ['low', 'high'], optional: ['leaves'] },
  word: { needed: ['word'], optional: ['torque'] },
  pieces: { needed: ['pieces'], optional: [] },
}
/** What a reading of a form must hold, and may. @param warm  the part's temperature may be noted with a figure */
export function fieldsOf(entry: Entry, warm: boolean): (typeof FORMS)[Entry] {
  const form = FORMS[entry]
  return warm && form.needed.includes('figure') ? { ...form, optional: [...form.optional, 'celsius', 'hot'] } : form
}

export const isRepeat = (reading: Reading): reading is Repeat => 'far' in reading
export const isFigure = (reading: Reading): reading is FigureReading => 'figure' in reading
export const isRange = (reading: Reading): reading is RangeReading => 'low' in reading
export const isWord = (reading: Reading): reading is WordReading => 'word' in reading
export const isPieces = (reading: Reading): reading is PiecesReading => 'pieces' in reading

export const unvoided = <R extends ReadingHead>(readings: readonly R[]): R[] => readings.filter(reading => !reading.voided)

/** A reading as a few words, for records and messages: `18 thou`, `5 – 6 thou`, `turns`. */
export function readingWords(reading: Reading, unit: Unit): string {
  if (isWord(reading))
    return (
      reading.word +
      (reading.torque === undefined
        ? ''
        : ` at ${formatFigure(reading.torque, systemOf(unit) === 'metric' ? 'N·m' : 'ft·lb', { unit: true })}`)
    )
  if (isPieces(reading)) return `a set of ${reading.pieces.length}`
  if (isRange(reading))
    return reading.low === reading.high
      ? asRead(reading.low, unit, { unit: true, trim: true })
      : `${asRead(reading.low, unit, { trim: true })} – ${asRead(reading.high, unit, { unit: true, trim: true })}`
  return asRead(isFigure(reading) ? reading.figure : reading.far, unit, { unit: true, trim: true })
}
