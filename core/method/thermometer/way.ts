import { estimateFigure } from '../../reading/estimate'
import { isFigure, unvoided } from '../../reading/reading'
import { rangeFinding } from '../gauge-range'
import { NO_ANSWER, type Way } from '../way'

/** How warm a part is, by a contact thermometer. It cools while it is read: taken again, the newest counts. */
export const thermometer: Way = {
  id: 'thermometer',
  title: 'Contact thermometer',
  entry: 'figure',
  gauge: 'thermometer',
  scale: 'play',
  again: 'next',
  newest: true,
  hint: 'On bare metal over the bearing, until it climbs no more: 45, or 113 °F.',
  answer(readings, { gauge, pooled }) {
    const last = unvoided(readings.filter(isFigure)).at(-1)
    if (!gauge || !last) return NO_ANSWER
    return { estimate: estimateFigure([last], gauge, 1, { pooled }), findings: rangeFinding([last], gauge), word: null }
  },
}
