import { exact, type Exact } from '../quantity/figure'
import type { Scale } from '../quantity/format-length'
import type { Estimate } from '../reading/estimate'
import { aimPoint, type AimPoint } from '../verdict/aim'
import { endsOf, insideRange, overZeroAtLeast, type LimitSet } from '../verdict/limits'
import type { Answers, CheckKind } from './contract'
import { limitsOf, type CheckDocument } from './document'

/** What the figure of a work does to one result: so much of it per unit of the figure. */
export interface WorkEffect {
  /** kind of the result */
  readonly result: string
  readonly position: string | null
  /** the figure at which the result would be nothing */
  readonly zero: Estimate
  readonly slope: number
  /** the result is the middle of a range: so far its ends lie from it, and both must be in limits */
  readonly reach?: number
}

/**
 * What is done to a part where no piece is chosen: it is set to a figure and can be set again (a spacer with a screw), or worked to
 * one and does not come back (a bore honed, a face rubbed down). Figures in small units of the result.
 */
export interface Work {
  /** `bore`, `dial`, `spacer`, `face` */
  readonly id: string
  /** what to do, before the figure: `Set the spacer to read` */
  readonly label: string
  readonly does: 'adjustment' | 'rework'
  readonly position: string | null
  readonly scale: Scale
  /** The results it moves; the window is what all of them allow. */
  readonly effects: readonly WorkEffect[]
  /** the figure as it is now; null: not measured */
  readonly now: Estimate | null
  /** which way it has to go, in words: by how much it lacks, and by how much it is too far */
  readonly way: { readonly up: string; readonly down: string }
  /** a screw does it: what one turn moves the figure by */
  readonly turn?: number
  /** it goes no further than these, and why: upwards unless said */
  readonly stops?: readonly { readonly at: number; readonly down?: true; readonly words: string }[]
  /** what to know while doing it */
  readonly note?: string
  readonly points: readonly string[]
  readonly formula: string
}

/** A work with what it has to come to. */
export interface Target extends Work {
  readonly value: Exact
  /** what the figures it rests on are known to, at 95 % */
  readonly U: number
  /** where in the limits of its first result it leads, and why there */
  readonly aim: AimPoint
  /** figures between which every result it moves is in its limits; null where an end is open */
  readonly low: Exact | null
  readonly high: Exact | null
  /** no figure brings all of them into their limits */
  readonly impossible: boolean
  /** how far it has to go from now to what is aimed at; null where it was not measured */
  readonly left: number | null
  /** it would do as it is now */
  readonly enough: boolean
  /** why it cannot be brought there: it stops before; null: it can */
  readonly stopped: string | null
}

/** What the works of a kind have to come to: none where a reading it rests on no longer holds, or its first result has no limits to aim at. */
export function targetsOf(document: CheckDocument, kind: CheckKind, answers: Answers): Target[] {
  const results = kind.results(document.setup)
  const works = kind.works?.(document.setup, answers) ?? []
  const hold = ({ points }: Work) => points.every(point => answers.stale(point) === null)
  return works.filter(hold).flatMap((work): Target[] => {
    const moved = work.effects.map(effect => {
      const { working } = limitsOf(document, effect.result, effect.position)
      const overZero = results.find(({ id }) => id === effect.result)?.overZero ?? false
      return { ...effect, aim: aimPoint(document.aim, working, effect.zero, null), limits: overZero ? overZeroAtLeast(working) : working }
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
