import { nm, type Nm } from '../../quantity/length'

/**
 * True travel per indicated travel of a plunger at an angle to a movement square to the face: cos θ. 10° is 1.5 %, 20° is 6 %.
 * @param degrees  0 to 60
 * @throws RangeError outside that
 */
export function cosineCorrection(degrees: number): number {
  if (!(degrees >= 0 && degrees <= 60)) throw new RangeError('A plunger stands between 0 and 60 degrees to the movement')
  return Math.cos((degrees * Math.PI) / 180)
}

/** Reading of a dial with a revolution counter, nm: turns × range per turn + pointer. The counter is noted at zero too. */
export const counterReading = (turns: number, rangePerTurn: Nm, pointer: Nm): Nm => nm(turns * rangePerTurn + pointer)
