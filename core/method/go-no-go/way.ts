import { ZERO } from '../../quantity/length'
import { stated } from '../../reading/estimate'
import { isRange, unvoided } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'

/** A gap tried with what is at hand, feelers or shims: what goes, and what does not. Between them it is as likely anywhere, u = (no-go − go)/√12. */
export const goNoGo: Way = {
  id: 'go-no-go',
  title: 'Gap, by what goes and what does not',
  entry: 'range',
  ends: ['goes', 'does not'],
  gauge: null,
  scale: 'play',
  again: 'next',
  hint: 'Try feelers or shims in the gap: type the thickest that goes and the thinnest that does not.',
  answer(readings) {
    const last = unvoided(readings.filter(isRange)).at(-1)
    if (!last) return NO_ANSWER
    const snug = last.low === last.high
    return {
      ...NO_ANSWER,
      estimate: stated((last.low + last.high) / 2, [
        {
          source: 'resolution',
          words: snug ? 'One that goes snugly, 0.05 mm either way, d/√3: assumed' : 'Between what goes and what does not, (no-go − go)/√12',
          u: snug ? SNUG / Math.sqrt(3) : (last.high - last.low) / Math.sqrt(12),
          nu: Infinity,
          shared: false,
          ...(snug ? { assumed: true } : {}),
        },
      ]),
      findings: snug ? [{ gate: 'few-readings', level: 'note', words: 'Find what does not go, and the gap is known better.' }] : [],
    }
  },
  asks: () => ({ least: ZERO }),
}

/** How well one snug shim tells a gap, while nothing is known of the next size. */
const SNUG = 50_000
