import { formatLength } from '../../quantity/format-length'
import type { LengthUnit } from '../../quantity/length'
import type { Finding } from '../../reading/gates'
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
  answer(readings, { band, counting, unit }) {
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
      findings: [
        ...findings,
        ...tooWide(widest, band, unit),
        { gate: 'feel', level: 'note', words: 'Judged by hand: provisional until a gauge has been there.' },
      ],
      word: null,
    }
  },
}

/** A range wider than the limits holds figures on either side of them: it can tell nothing. */
const tooWide = (widest: number, band: number | null, unit: LengthUnit): Finding[] =>
  band !== null && widest > band
    ? [
        {
          gate: 'spread',
          level: 'warn',
          words: `The judgement is ${formatLength(widest, unit, { unit: true })} wide, the limits ${formatLength(band, unit, { unit: true })}: it cannot tell.`,
        },
      ]
    : []

/** Nobody feels finer than a thou: a judgement of one figure is a range all the same. Common practice. nm */
const FINEST = 25_400

const judged = ({ low, high }: RangeReading): Estimate =>
  stated((low + high) / 2, [
    {
      source: 'resolution',
      words: 'Range of the judgement, a thou at least, (high − low)/√12',
      u: Math.max(high - low, FINEST) / Math.sqrt(12),
      nu: Infinity,
      shared: false,
      assumed: true,
    },
  ])
