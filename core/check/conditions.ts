/** A state the unit is in while it is measured, said of each fitting: bearings dry or greased, bolts nipped or at full torque. */
export interface Condition {
  readonly id: string
  readonly label: string
  /** The first is what the procedure asks for; measured in any other, an “In” is provisional. */
  readonly states: readonly { readonly value: string; readonly label: string }[]
  /** Stays as it is when only the pack is changed: dry bearings stay dry, a torque has to be reached anew. */
  readonly stays: boolean
  /** What was read in one state is not held against what was read in another: seals drag by nobody knows how much. */
  readonly apart?: true
  /** What is done afterwards, where it is measured in one state and built in another: a reminder. */
  readonly later?: string
}

/** Measured with a seal out, because it drags; it goes in afterwards. @param id  of the condition; @param out  how it is said where more counts as out */
export const sealOut = (id: string, label: string, later: string, out = 'Out'): Condition => ({
  id,
  label,
  states: [
    { value: 'out', label: out },
    { value: 'in', label: 'In' },
  ],
  stays: true,
  apart: true,
  later,
})

/** Something to be done when the figure stands. It reminds; it holds nothing back. */
export interface Reminder {
  readonly id: string
  readonly words: string
}
