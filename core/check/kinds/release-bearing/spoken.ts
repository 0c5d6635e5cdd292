import type { SaidReading, Spoken } from '../../spoken'
import { ROUND } from '../../common/round'

/** The four lengths by their letters. One figure of what is read round stands for its three places. */
export const spoken: Spoken = {
  phrases: [{ words: ['release bearing', 'throw-out bearing'] }],
  places: { a: 'a', h: 'h', d: 'd', b: 'b' },
  fill: ({ setup, readings }) => {
    const round = ({ at, figures }: SaidReading) => at !== 'a' && at !== '' && figures.length === 1
    return {
      setup,
      readings: readings.map(reading => (round(reading) ? { ...reading, figures: ROUND.map(() => reading.figures[0]!) } : reading)),
      standsIn: readings.some(round) ? ['one place for the three round'] : [],
    }
  },
}
