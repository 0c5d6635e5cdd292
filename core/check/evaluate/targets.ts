import { exact } from '../../quantity/figure'
import { aimPoint } from '../../verdict/aim'
import { endsOf, insideRange, flooredAtLeast, type LimitSet } from '../../verdict/limits'
import type { Answers, CheckKind } from '../contract'
import { limitsOf, type CheckDocument } from '../document'
import type { WorkEffect, Work, Target } from '../work'

/** What the works of a kind have to come to: none where a reading it rests on no longer holds, or its first result has no limits to aim at. */
export function targetsOf(document: CheckDocument, kind: CheckKind, answers: Answers): Target[] {
  const results = kind.results(document.setup)
  const works = kind.works?.(document.setup, answers) ?? []
  const hold = ({ points }: Work) => points.every(point => answers.stale(point) === null)
  return works.filter(hold).flatMap((work): Target[] => {
    const moved = work.effects.map(effect => {
      const { working } = limitsOf(document, effect.result, effect.position)
      const belowZero = results.find(({ id }) => id === effect.result)?.belowZero ?? 'meaning'
      return { ...effect, aim: aimPoint(document.aim, working, effect.zero, null), limits: flooredAtLeast(working, belowZero) }
    })
    const aims = moved.flatMap(({ aim, zero, slope }) => (aim ? [zero.value + aim.target / slope] : []))
    const [first] = moved
    if (!first?.aim) return []
    const { low, high } = moved.map(figuresWithin).reduce((a, b) => ({ low: Math.max(a.low, b.low), high: Math.min(a.high, b.high) }))
    const impossible = low > high
    const middle = aims.reduce((sum, figure) => sum + figure, 0) / aims.length
    const value = exact(Math.round(impossible ? middle : Math.min(high, Math.max(low, middle))))
    const whole = (figure: number) => (Number.isFinite(figure) && !impossible ? exact(figure) : null)
    const now = work.now?.value ?? null
    return [
      {
        ...work,
        value,
        U: Math.max(...moved.map(({ zero }) => zero.U)),
        aim: first.aim,
        low: whole(low),
        high: whole(high),
        impossible,
        left: now === null ? null : value - now,
        stopped: work.stops?.find(({ at, down }) => (down ? value < at : value > at))?.words ?? null,
        enough: now !== null && now >= low && now <= high,
      },
    ]
  })
}

/** The whole figures at which one result, with both ends of its range, is in its limits. */
function figuresWithin({ zero, slope, reach = 0, limits }: WorkEffect & { readonly limits: LimitSet | null }): {
  low: number
  high: number
} {
  if (!endsOf(limits)) return { low: -Infinity, high: Infinity }
  const { low, high } = insideRange(limits)
  const [least, most] = [low + reach, high - reach]
  if (least > most) return { low: Infinity, high: -Infinity }
  const ends = [least, most].map(end => zero.value + end / slope).sort((a, b) => a - b)
  return { low: Math.ceil(ends[0]!), high: Math.floor(ends[1]!) }
}
