/** The four phases every check runs. */
export type Phase = 'setup' | 'measure' | 'choose' | 'prove'
export const PHASES: readonly Phase[] = ['setup', 'measure', 'choose', 'prove']
export const PHASE_NAME: Readonly<Record<Phase, string>> = { setup: 'Set up', measure: 'Measure', choose: 'Choose', prove: 'Prove' }

/** One thing to do with the hands, to be ticked. */
export interface Step {
  readonly id: string
  readonly phase: Phase
  readonly text: string
  /** An “In” stays provisional until it is ticked. */
  readonly required: boolean
  /** Said once of the unit, it holds whatever is fitted, until a part is changed: a kit that was looked through. */
  readonly once?: true
  /** It speaks of what was put in: of what was found it is not asked. */
  readonly of?: 'refit'
  /** Shown at this step, short: where it can hurt somebody or spoil the reading. */
  readonly caution?: string
}
