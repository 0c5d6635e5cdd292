/** What a check can measure. Different quantities never mix: a torque excess is not a thickness. */
export type Quantity = 'length' | 'torque' | 'force' | 'angle' | 'temperature'
