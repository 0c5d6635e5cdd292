/** A state the unit is in while it is measured, said of each fitting and each place: bearings dry or greased, bolts nipped or at full torque. */
export interface Condition {
  readonly id: string
  readonly label: string
  /** The first is what the procedure asks for; measured in any other, an “In” is provisional. */
  readonly states: readonly { readonly value: string; readonly label: string }[]
  /** The position it is said of; left out: of all of them. */
  readonly position?: string
  /** Places whose refitting has it asked again; left out: any. */
  readonly moves?: readonly string[]
  /** A packing that lies there for a trial says it by itself: nobody else can, and taken out it is asked again. */
  readonly packing?: { readonly place: string; readonly state: string }
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
  apart: true,
  later,
})

/** Where a condition is said of each of several positions. */
export interface SaidAt {
  readonly id: string
  readonly label: string
  /** its places */
  readonly moves: readonly string[]
}

/** A condition said of one position; where there is but one, it goes without its name. @param several  there are others */
export const saidAt = (condition: Condition, { id, label, moves }: SaidAt, several = true): Condition => ({
  ...condition,
  id: `${condition.id}@${id}`,
  label: several ? `${label}: ${condition.label.charAt(0).toLowerCase()}${condition.label.slice(1)}` : condition.label,
  position: id,
  moves,
  ...(condition.later === undefined || !several
    ? {}
    : { later: `${label}: ${condition.later.charAt(0).toLowerCase()}${condition.later.slice(1)}` }),
})

/** Something to be done when the figure stands. It reminds; it holds nothing back. */
export interface Reminder {
  readonly id: string
  readonly words: string
}
