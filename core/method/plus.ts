import type { WayId } from './way'

/** Does the figure climb or fall as the plunger goes in: of the gauge, or of how it is set up. */
export type Sense = 'climbs' | 'falls'

/** Which way a figure grows as it is read: what moves, and what a larger figure means. */
export interface Plus {
  /** the plunger goes into its dial, or comes out; two ends go apart; it turns, to the right or against what holds it */
  readonly moves: 'in' | 'out' | 'apart' | 'round'
  readonly words: string
}

const APART: Plus = { moves: 'apart', words: 'further apart' }
const dialled = (sense: Sense, goesIn: string, comesOut: string): Plus =>
  sense === 'falls' ? { moves: 'out', words: comesOut } : { moves: 'in', words: goesIn }
const plunger = (sense: Sense) => dialled(sense, 'the plunger goes in', 'the plunger comes out')
/** Zeroed in its master: the smaller the bore, the further the plunger is in. */
const inBore = (sense: Sense) => dialled(sense, 'the bore is smaller than the master', 'the bore is larger than the master')
/** On its plate: the longer the part, the further the plunger is in. */
const onPlate = (sense: Sense) => dialled(sense, 'it is longer', 'it is shorter')
const larger = (words: string) => (): Plus => ({ moves: 'apart', words })
const harder = (): Plus => ({ moves: 'round', words: 'it is harder to turn' })

const OF: Readonly<Record<WayId, ((sense: Sense) => Plus) | null>> = {
  'dial': plunger,
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
  'comparator': onPlate,
  'comparator-now': onPlate,
  'at-mark': plunger,
  'turning-torque': harder,
  'spring-scale': harder,
  'clock': () => ({ moves: 'round', words: 'clockwise from 12, on top' }),
  'thermometer': () => ({ moves: 'out', words: 'it is warmer' }),
  'word': null,
  'pieces': larger('it is thicker'),
  'set': null,
}

/** Which way is plus where a point is read in this way; null: it is answered in words. */
export const plusOf = (way: WayId, sense: Sense): Plus | null => OF[way]?.(sense) ?? null
