import type { Repeat } from './reading'

/** Twice the signed play, nm: a whole number, where the play itself may be half a nanometre. */
const twicePlay = (repeat: Repeat): number => 2 * repeat.far - repeat.start - repeat.back

/**
 * Signed play of one repeat, nm: far − (start + back)/2. −1 and +3 is 4.
 * @example signedPlay({ id: 'r', point: 'travel', start: thou(-1), far: thou(3), back: thou(-1) }) // thou(4)
 */
export const signedPlay = (repeat: Repeat): number => twicePlay(repeat) / 2

/** Mean of the signed plays, nm; one division at the end, so that a mean that is exactly on a limit is found on it. */
export const meanSignedPlay = (repeats: readonly Repeat[]): number =>
  repeats.reduce((sum, repeat) => sum + twicePlay(repeat), 0) / (2 * repeats.length)

/** @example closingError({ id: 'r', point: 'travel', start: thou(0), far: thou(19), back: thou(0.5) }) // thou(0.5) */
export const closingError = (repeat: Repeat): number => Math.abs(repeat.back - repeat.start)
