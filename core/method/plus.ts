import type { Gauge } from '../reading/gauge'
import type { WayId } from './way'

/** Which way a figure grows as it is read: what moves, and what a larger figure means. */
export interface Plus {
  /** the plunger goes into its dial, or comes out; two ends go apart; it turns, to the right or against what holds it */
  readonly moves: 'in' | 'out' | 'apart' | 'round'
  readonly words: string
}

const APART: Plus = { moves: 'apart', words: 'further apart' }
const dialled = (gauge: Gauge | null): Plus =>
  gauge?.sense === 'falls' ? { moves: 'out', words: 'the plunger comes out' } : { moves: 'in', words: 'the plunger goes in' }
/** Zeroed in its master: the smaller the bore, the further the plunger is in. */
const inBore = (gauge: Gauge | null): Plus =>
  gauge?.sense === 'falls'
    ? { moves: 'out', words: 'the bore is larger than the master' }
    : { moves: 'in', words: 'the bore is smaller than the master' }
const larger = (words: string) => (): Plus => ({ moves: 'apart', words })
const harder = (): Plus => ({ moves: 'round', words: 'it is harder to turn' })

const OF: Readonly<Record<WayId, ((gauge: Gauge | null) => Plus) | null>> = {
  'dial': dialled,
  'micrometer': larger('it is thicker'),
  'inside-micrometer': larger('the hole is larger'),
  'bore-gauge': inBore,
  'hone': inBore,
  'feeler': larger('the gap is wider'),
  'go-no-go': larger('the gap is wider'),
  // The wider the strip, the smaller the gap: the figure is the gap printed beside it.
  'plastic-strip': larger('the gap is wider, the strip narrower'),
  'feel': larger('more play'),
  'depth': larger('it is deeper'),
  'depth-now': larger('it is deeper'),
  'calipers': () => APART,
  'comparator': dialled,
  'comparator-now': dialled,
  'at-mark': dialled,
  'turning-torque': harder,
  'spring-scale': harder,
  'clock': () => ({ moves: 'round', words: 'clockwise from 12, on top' }),
  'thermometer': () => ({ moves: 'out', words: 'it is warmer' }),
  'word': null,
  'pieces': null,
  'set': null,
}

/** Which way is plus where a point is read in this way with this gauge; null: it is answered in words. */
export const plusOf = (way: WayId, gauge: Gauge | null): Plus | null => OF[way]?.(gauge) ?? null
