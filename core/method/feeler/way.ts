import { rectangular, type BudgetLine } from '../../reading/budget'
import { stated } from '../../reading/estimate'
import type { Finding } from '../../reading/gates'
import { isRange, unvoided } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'

/**
 * A gap by feeler gauges: the stack that goes and the one that does not. gap = (go + no-go)/2, u = (no-go − go)/√12, plus the
 * leaves. One stack that goes snugly is taken, as known to a step of the set either way. The newest reading counts.
 */
export const feeler: Way = {
  id: 'feeler',
  title: 'Feeler gauges',
  entry: 'range',
  gauge: 'feeler-set',
  scale: 'play',
  again: 'next',
  hint: 'Type the thickest stack that goes and the thinnest that does not. The same twice: it went snugly.',
  answer(readings, { gauge }) {
    const live = unvoided(readings.filter(isRange))
    const last = live.at(-1)
    if (!gauge || !last) return NO_ANSWER
    const leaves = Math.max(1, last.leaves ?? 1)
    const snug = last.high === last.low
    const lines: BudgetLine[] = [
      snug
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
            u: (last.high - last.low) / Math.sqrt(12),
            nu: Infinity,
            shared: false,
          },
    ]
    if (gauge.permissibleError > 0)
      lines.push({
        source: 'gauge-error',
        words: `Leaves, a/√3 × √${leaves}`,
        u: rectangular(gauge.permissibleError) * Math.sqrt(leaves),
        nu: Infinity,
        shared: false,
      })
    return { estimate: stated((last.low + last.high) / 2, lines), findings: snug ? [SNUG] : [], word: null }
  },
}

const SNUG: Finding = {
  gate: 'few-readings',
  level: 'note',
  words: 'One snug stack: find the one that does not go, and the gap is known better.',
}
