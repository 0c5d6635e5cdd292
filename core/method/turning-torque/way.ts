import type { Gauge } from '../../reading/gauge'
import { finiteEnds } from '../../verdict/limits'
import type { Way } from '../way'
import { answerTurning } from './turning'

/** The torque that keeps a shaft turning steadily, by a small torque gauge. A wrench reads nothing below its usable range. */
export const turningTorque: Way = {
  id: 'turning-torque',
  title: 'Turning torque',
  entry: 'range',
  ends: ['turning', 'to start'],
  gauge: 'torque-gauge',
  scale: 'play',
  again: 'repeat',
  hint: 'Turn steadily, a turn a second, one way and the other: type what keeps it turning; what it took to start may follow.',
  answer: (readings, context) => answerTurning(readings, context, 1, {}),
  /** The finest whose usable range holds the limits; an end that is open asks for nothing. */
  suited(of, { limits }) {
    const ends = finiteEnds(limits)
    const holds = ({ range }: Gauge) => range === null || ends.every(end => end >= range.low && end <= range.high)
    return ends.length === 0 ? null : ([...of].sort((a, b) => a.graduation - b.graduation).find(holds) ?? null)
  },
}
