import { stated, type Estimate } from '../../reading/estimate'
import { isRange, unvoided, type RangeReading } from '../../reading/reading'
import { ofPlaces } from '../places'
import { NO_ANSWER, type Way } from '../way'

/** A play judged by hand, as the range it was judged in: a judgement, never a measurement. Several
 * are one series, of which the smallest counts, or the mean. */
export const feel: Way = {
  id: 'feel',
  title: 'By hand',
  entry: 'range',
  gauge: null,
  scale: 'play',
  again: 'next',
  hint: 'Type the range the hand judged: 15..20. None felt, or binds: type that.',
  answer(readings, { counting, unit }) {
    const live = unvoided(readings.filter(isRange))
    if (live.length === 0) return NO_ANSWER
    const widest = Math.max(...live.map(({ low, high }) => high - low))
    const { estimate, findings } = ofPlaces(
      live.map(reading => ({ id: reading.id, estimate: judged(reading) })),
      counting,
      widest,
      unit,
    )
    return {
      estimate,
      findings: [...findings, { gate: 'feel', level: 'note', words: 'Judged by hand: provisional until a gauge has been there.' }],
      word: null,
    }
  },
}

const judged = ({ low, high }: RangeReading): Estimate =>
  stated((low + high) / 2, [
    {
      source: 'resolution',
      words: 'Range of the judgement, (high − low)/√12',
      u: (high - low) / Math.sqrt(12),
      nu: Infinity,
      shared: false,
      assumed: true,
    },
  ])
