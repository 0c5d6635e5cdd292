import { nm } from '../../quantity/length'
import { estimateFigure } from '../../reading/estimate'
import { isFigure, isRange, unvoided, type FigureReading } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'

/** A comparator reads lengths of a part against its zero on the plate: whole centimetres of travel are nothing to ask about. */
const LARGEST = nm(200_000_000)
const asks = () => ({ plausible: LARGEST, name: 'reading' })

/**
 * A length under an indicator on its stand, the part turned once: the least and the most it reads. Which end counts, the point says;
 * turned several times, the same end of each turn is averaged.
 */
export const comparator: Way = {
  id: 'comparator',
  title: 'Comparator, over a turn',
  entry: 'range',
  ends: ['least', 'most'],
  gauge: 'dial-indicator',
  scale: 'play',
  // Both ends of a turn say how it wanders.
  again: 'next',
  hint: 'Light, steady pressure, one whole turn: type the least and the most it shows.',
  asks,
  answer(readings, { gauge, pooled, counting }) {
    const turns = unvoided(readings.filter(isRange))
    if (!gauge || turns.length === 0) return NO_ANSWER
    const at = (end: 'low' | 'high') =>
      estimateFigure(
        turns.map((turn): FigureReading => ({ id: turn.id, figure: turn[end] })),
        gauge,
        1,
        { pooled },
      )!
    const turn = { least: at('low'), most: at('high') }
    return { estimate: counting === 'largest' ? turn.most : turn.least, findings: [], word: null, turn }
  },
}

/** The same of a part that is set and set again: what it reads now counts, the readings before are how it got there. */
export const comparatorNow: Way = {
  id: 'comparator-now',
  title: 'Comparator',
  entry: 'figure',
  gauge: 'dial-indicator',
  scale: 'play',
  again: 'next',
  newest: true,
  hint: 'The same face towards the same side, on the same plate: type what it shows.',
  asks,
  answer(readings, { gauge, pooled }) {
    const last = unvoided(readings.filter(isFigure)).at(-1)
    return !gauge || !last ? NO_ANSWER : { estimate: estimateFigure([last], gauge, 1, { pooled }), findings: [], word: null }
  },
}
