import type { WayContext } from '../../method/way'
import type { MeasuringPoint } from '../contract'
import type { CheckDocument } from '../document'
import { gaugeOf } from './gauge-needs'

/** What the way of a point needs to know besides its readings. @param more  what is known of it there: the band, what earlier series showed */
export const contextAt = (document: CheckDocument, point: MeasuringPoint, more: Partial<WayContext> = {}): WayContext => ({
  gauge: gaugeOf(document, point),
  band: null,
  unit: document.entryUnit,
  tipAngle: document.tipAngle,
  pooled: null,
  heat: point.heat ?? null,
  counting: point.counting ?? 'smallest',
  radius: point.radius ?? null,
  jaws: point.jaws ?? null,
  guarded: document.rule === 'guarded',
  ...more,
})
