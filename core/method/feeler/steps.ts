import type { Step } from '../step'

/** What a gap read by feelers asks for. Common practice. */
export const feelerSteps: readonly Step[] = [
  { id: 'feeler-clean', phase: 'setup', text: 'Leaves wiped, none bent or worn thin', required: false },
  { id: 'feeler-pushed', phase: 'measure', text: 'Part pushed fully one way; try the gap at two places', required: false },
]
