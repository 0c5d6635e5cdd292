import { ZERO } from '../../quantity/length'
import { rectangular, type BudgetLine } from '../../reading/budget'
import { stated, type Estimate } from '../../reading/estimate'
import type { Finding } from '../../reading/gates'
import type { Gauge } from '../../reading/gauge'
import { isRange, unvoided, type RangeReading } from '../../reading/reading'
import { ofPlaces } from '../places'
import { NO_ANSWER, type Way } from '../way'

/**
 * A gap by feeler gauges: the stack that goes and the one that does not. gap = (go + no-go)/2, u = (no-go − go)/√12, plus the
 * leaves. One stack that goes snugly is taken, as known to a step of the set either way. Tried at several places, the smallest gap
 * counts, or their mean, as the point says.
 */
export const feeler: Way = {
  id: 'feeler',
  title: 'Feeler gauges',
  entry: 'range',
  ends: ['goes', 'does not'],
  gauge: 'feeler-set',
  scale: 'play',
  again: 'next',
  hint: 'Type the thickest stack that goes and the thinnest that does not. The same twice: it went snugly.',
  answer(readings, { gauge, counting, unit }) {
    const live = unvoided(readings.filter(isRange))
    if (!gauge || live.length === 0) return NO_ANSWER
    const { estimate, findings, counted } = ofPlaces(
      live.map(reading => ({ id: reading.id, estimate: gapOf(reading, gauge) })),
      counting,
      gauge.graduation,
      unit,
    )
    const last = live.find(({ id }) => id === counted) ?? live.at(-1)!
    return { estimate, findings: [...findings, ...(last.low === last.high ? [SNUG] : [])], word: null }
  },
  asks: () => ({ least: ZERO }),
}

/** One gap between the stack that goes and the one that does not. */
function gapOf({ low, high, leaves = 1 }: RangeReading, gauge: Gauge): Estimate {
  const lines: BudgetLine[] = [
    low === high
      ? {
          source: 'resolution',
          words: 'One snug stack, a step of the set either way, d/√3',
          u: rectangular(gauge.graduation),
          nu: Infinity,
          shared: false,
          assumed: true,
        }
      : {
          source: 'resolution',
          words: 'Between the stack that goes and the one that does not, (no-go − go)/√12',
          u: (high - low) / Math.sqrt(12),
          nu: Infinity,
          shared: false,
        },
  ]
  if (gauge.permissibleError > 0)
    lines.push({
      source: 'gauge-error',
      words: `Leaves, a/√3 × √${Math.max(1, leaves)}`,
      u: rectangular(gauge.permissibleError) * Math.sqrt(Math.max(1, leaves)),
      nu: Infinity,
      shared: false,
    })
  return stated((low + high) / 2, lines)
}

const SNUG: Finding = {
  gate: 'few-readings',
  level: 'note',
  words: 'One snug stack: find the one that does not go, and the gap is known better.',
}
