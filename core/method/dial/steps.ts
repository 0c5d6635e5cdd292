import type { Step } from '../step'

/** What every reading with a dial indicator asks for, whatever it is set against. Common practice. */
export const dialSteps: readonly Step[] = [
  { id: 'dial-base', phase: 'setup', text: 'Base on the fixed part, rigid, tip tight', required: true },
  {
    id: 'dial-tip',
    phase: 'setup',
    text: 'Tip in line with the movement, on a hard machined face that does not flex',
    required: true,
    caution: 'The shaft’s end or its nut. Never a pulley rim or a raw casting: they flex, and read as play.',
  },
  { id: 'dial-zero', phase: 'measure', text: 'Push home one way and zero the dial; before each repeat again', required: false },
  { id: 'dial-return', phase: 'measure', text: 'Push fully over, read, go back: it must return to zero', required: false },
]
