import { formatLength } from '../../../quantity/format-length'
import { sumOf } from '../../../reading/sum'
import type { Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import type { Answers, CombinedResult, Contradiction } from '../../contract'
import { gapsOf, STACK, type TrainSetup } from './setup'

export const gapPoint = (gap: string): string => `gap-${gap}`

/** Every gap as it is read; how the bush stands; what the new stack is over the old one. */
export const combineTrain = (setup: TrainSetup, answers: Answers): CombinedResult[] => [
  ...gapsOf(setup).map(({ id, by }): CombinedResult => {
    const { estimate, atMost } = answers.of(gapPoint(id))
    return {
      kind: 'gap',
      position: id,
      estimate,
      points: [gapPoint(id)],
      formula: {
        dial: 'mean of far − (start + back)/2',
        hand: 'middle of the range a hand judged',
        feeler: 'between what goes and what does not',
      }[by],
      ...(atMost ? { atMost } : {}),
    }
  }),
  ...(setup.bush === 'proud' ? bushResults(answers) : []),
  ...(setup.stack === 'replaced'
    ? [
        {
          kind: 'over',
          position: null,
          estimate: difference(answers, 'stack-new', 'stack-old'),
          points: ['stack-new', 'stack-old'],
          formula: 'new stack − old stack: zero keeps the total',
          findings: shimsWanted(answers),
        },
      ]
    : []),
]

/** Shims that keep the total, limit or none: those in the stack less what it is over. */
function shimsWanted(answers: Answers): Finding[] {
  const [over, shims] = [difference(answers, 'stack-new', 'stack-old'), answers.fitted(STACK)]
  if (!over || !shims) return []
  const show = (value: number) => formatLength(value, answers.unit)
  const wanted = shims.value - over.value
  const words =
    wanted < 0
      ? `With no shim at all it is ${formatLength(-wanted, answers.unit, { unit: true })} over the old.`
      : `The total is kept with ${formatLength(wanted, answers.unit, { unit: true })} of shims: ${show(shims.value)} in it ${over.value < 0 ? '+' : '−'} ${show(Math.abs(over.value))}.`
  return [{ gate: 'size', level: 'note', words }]
}

function difference(answers: Answers, one: string, other: string): Estimate | null {
  const [a, b] = [answers.of(one).estimate, answers.of(other).estimate]
  return a && b
    ? sumOf([
        { name: one, factor: 1, estimate: a },
        { name: other, factor: -1, estimate: b },
      ])
    : null
}

/** Two limits, one reading each: proud of the case, so that the bearing locates; below the bearing’s face, or a turning race runs on it. */
function bushResults(answers: Answers): CombinedResult[] {
  const below = difference(answers, 'bearing-face', 'bush')
  return [
    { kind: 'proud', position: null, estimate: answers.of('bush').estimate, points: ['bush'], formula: 'as read' },
    {
      kind: 'below',
      position: null,
      estimate: below,
      points: ['bush', 'bearing-face'],
      formula: 'face of the bearing over the case − bush over the case',
      ...(below && below.value <= 0
        ? { overrule: { state: 'below', words: 'the bush stands above the bearing: a turning race would run on it' } as const }
        : {}),
    },
  ]
}

/** Calipers across a loose stack of bearing, races and shims carry so much each. Common practice, 1 to 2 thou. nm */
const LOOSE = 50_800

/** Two sums of one stack, with other shims in it: the rest of it, bearing and races, has not changed. */
export function stackContradictions(setup: TrainSetup, before: Answers, now: Answers): Contradiction[] {
  if (setup.stack !== 'replaced') return []
  const rest = (answers: Answers) => {
    const [whole, shims] = [answers.of('stack-new').estimate, answers.fitted(STACK)]
    return whole && shims
      ? sumOf([
          { name: 'stack', factor: 1, estimate: whole },
          { name: 'shims', factor: -1, estimate: shims },
        ])
      : null
  }
  const [then, here] = [rest(before), rest(now)]
  if (!then || !here || Math.abs(here.value - then.value) < 1) return []
  const apart = Math.abs(here.value - then.value)
  const show = (value: number) => formatLength(value, now.unit, { unit: true, trim: true })
  const known = Math.hypot(then.U, here.U)
  const loose = setup.stackBy === 'calipers'
  if (apart <= (loose ? known : Math.max(known, 1))) return []
  const finding: Finding =
    loose && apart <= Math.hypot(LOOSE, LOOSE)
      ? {
          gate: 'hand',
          level: 'note',
          words: `Without its shims the stack was ${show(then.value)}, now ${show(here.value)}, ${show(apart)} apart: calipers over loose races carry 1 to 2 thou each. A micrometer would tell.`,
        }
      : {
          gate: 'hand',
          level: 'warn',
          words: `Without its shims the stack was ${show(then.value)}, now ${show(here.value)}, ${show(apart)} apart: a piece is not its size, or it was not pressed together.`,
        }
  return [{ result: 'over', finding }]
}
