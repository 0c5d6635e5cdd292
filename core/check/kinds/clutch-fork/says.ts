import { formatLength } from '../../../quantity/format-length'
import type { Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import type { Answers } from '../../contract'
import type { ForkSetup } from './setup'

// What is said beside the figures of a fork.

/** Lengths that are set against each other have to be taken alike, or what is between them is off by the bar where one of the two was said wrong. */
export function unlikeBars({ overF, overOld, overR, bar }: ForkSetup, which: 'gap' | 'difference', { unit }: Answers): Finding[] {
  const show = bar === null ? 'the bar' : `the bar’s ${formatLength(bar, unit, { unit: true })}`
  if (which === 'gap')
    return overF === overR
      ? []
      : [{ gate: 'hand', level: 'note', words: `F and R were not read alike, one over the bar: a slip there is ${show} in the gap.` }]
  return overF === overOld
    ? []
    : [
        {
          gate: 'hand',
          level: 'note',
          words: `F old and F new were not read alike, one over the bar: their difference may be off by ${show}.`,
        },
      ]
}

/** A need that is told in a round figure is another need: how much more the next quarter of an inch would be, and whether it decides. */
export function rounded({ need }: ForkSetup, travel: Estimate | null, { unit }: Answers): Finding[] {
  // Typed in inches: no whole hundredth of a millimetre.
  if (need === null || need % QUARTER === 0 || need % 10_000 === 0) return []
  const up = Math.ceil(need / QUARTER) * QUARTER
  const show = (value: number) => formatLength(value, unit, { unit: true })
  const decides = travel && travel.value >= need && travel.value < up ? ', and by that it would not release' : ''
  const inch = (value: number) => formatLength(value, 'in', { trim: true })
  return [
    {
      gate: 'hand',
      level: 'note',
      words: `It needs ${inch(need)} in, ${show(need)}: rounded up to ${inch(up)} in it would be ${formatLength(up - need, unit, { unit: true })} more${decides}. What is said counts.`,
    },
  ]
}
/** nm */
const QUARTER = 6_350_000

/** Travel over need is no ratio of the fork: it is the largest that still releases. */
export function largestRatio({ endTravel, need, slackLeft }: ForkSetup, ratio: number | null, answers: Answers): Finding[] {
  if (endTravel === null || need === null) return []
  const largest = endTravel / (need + (slackLeft ?? 0))
  const said = `The largest ratio that still releases is ${largest.toFixed(2)}`
  if (ratio !== null && ratio < 1)
    return [
      {
        gate: 'hand',
        level: 'warn',
        words: `A ratio of ${ratio.toFixed(2)}: the cable end would move less than the bearing. Are the two travels, or the two arms, mixed up?`,
      },
    ]
  const show = (value: number) => formatLength(value, answers.unit, { unit: true })
  if (ratio === null)
    return [
      { gate: 'hand', level: 'note', words: `${said}: that is not the fork’s own. Move its end by a known way and read the bearing.` },
    ]
  return [
    {
      gate: 'hand',
      level: ratio > largest ? 'warn' : 'note',
      words: `${said}, the fork’s own is ${ratio.toFixed(2)}${ratio > largest ? `: ${show(endTravel)} at its end do not release it` : ''}.`,
    },
  ]
}

/** What the pivot gave up against what the clutch took: with the fork’s angle kept the gap grew by the difference. */
export function bothTold(grown: Estimate | null, shorter: Estimate | null, answers: Answers): Finding[] {
  if (!grown || !shorter) return []
  const show = (value: number, sign = false) => formatLength(value, answers.unit, { unit: true, sign })
  const more = shorter.value - grown.value
  return [
    {
      gate: 'hand',
      level: 'note',
      words: `The clutch stands ${show(grown.value)} further out, the pivot is ${show(shorter.value)} shorter: with the fork’s angle kept the gap changes by ${show(more, true)}.`,
    },
  ]
}
