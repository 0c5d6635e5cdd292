/**
 * What a check can measure. Different quantities never mix: a torque excess is not a thickness.
 * Each is held in memory and in files as a number in one canonical unit.
 */
export type Quantity = 'length' | 'torque' | 'force' | 'angle' | 'temperature'

export const CANONICAL_UNIT: Readonly<Record<Quantity, string>> = {
  length: 'nm',
  torque: 'µN·m',
  force: 'mN',
  angle: 'µrad',
  temperature: 'mK',
}
