import { formatLength } from '../../../quantity/format-length'
import { NM_PER, type LengthUnit } from '../../../quantity/length'
import type { Estimate } from '../../../reading/estimate'
import type { Stone } from '../../../reading/reading'
import { boreSign } from '../../../method/bore-gauge/bore'
import { boreFrom } from '../../common/bore-master'
import type { Answers } from '../../contract'
import type { Target } from '../../work'
import { diametersOf, meanDiameter } from '../../common/diameters'
import { beforePoints, ENDS, honePoint, zeroPoint, type BoreEnd } from './layout'
import type { RollerSetup } from './setup'

/** Stock left at which a finer stone takes over, nm on the diameter. Common practice. */
export const COARSE_UNTIL = 5 * NM_PER.tenth
export const MEDIUM_UNTIL = 2 * NM_PER.tenth
/** Ends that differ by no more count as one. Common practice. */
const ENDS_ALIKE = 1 * NM_PER.tenth
/** Nearer than this to size is size, nm. */
const AT_SIZE = NM_PER.tenth / 4

/** @param left  stock left on the diameter at 20 °C, nm; null at size or past it */
export const stoneFor = (left: number): Stone | null =>
  left > COARSE_UNTIL ? 'coarse' : left > MEDIUM_UNTIL ? 'medium' : left > AT_SIZE ? 'fine' : null

export interface HonePass {
  readonly id: string
  readonly at: string | null
  readonly stone: Stone | null
  /** the bore then, cold */
  readonly bore: Estimate
  /** stock left, cold, nm; below zero: too large already */
  readonly left: number
  /** what heat made the dial show too large a bore by, nm */
  readonly heat: number
  /** what the dial showed, nm */
  readonly dial: number
}

export interface HonePlan {
  readonly ends: readonly { readonly end: BoreEnd; readonly passes: readonly HonePass[] }[]
  /** of the tighter end, by the newest passes; null before any */
  readonly left: number | null
  /** the bore at that end, cold */
  readonly bore: Estimate | null
  /** the stone to take now; null at size, or before any pass */
  readonly stone: Stone | null
  /** what the dial shows, with the bore as warm as it was last read, where a stone takes over, and at size */
  readonly marks: readonly { readonly stone: Stone | 'size'; readonly dial: number }[]
  /** an end is past size already; the first of the words then says so */
  readonly over: boolean
  /** what to do now, in sentences */
  readonly words: readonly string[]
}

/**
 * How a rod's bore stands against the size to hone to. Stock is reckoned cold: a warm bore reads large, so less seems left.
 * @param target  the bore to hone to
 * @returns null without a gauge or a master
 */
export function honePlan(setup: RollerSetup, answers: Answers, rod: string, target: Pick<Target, 'value'>): HonePlan | null {
  const gauge = answers.gauge('bore-gauge')
  if (!gauge) return null
  const sign = boreSign(gauge)
  const passAt = (reading: Estimate, more: Pick<HonePass, 'id' | 'at' | 'stone'>, heat: number): HonePass[] => {
    const bore = boreFrom(reading, setup, answers, zeroPoint(rod))
    return bore ? [{ ...more, heat: sign * heat, dial: reading.value + heat, bore, left: target.value - bore.value }] : []
  }
  const ends = ENDS.map(end => {
    const before = readBefore(answers, rod, end)
    return {
      end,
      passes: [
        ...(before ? passAt(before, { id: `before-${end}`, at: null, stone: null }, 0) : []),
        ...singlesAt(answers, rod, end).flatMap(({ id, at, stone, heat, estimate }) => passAt(estimate, { id, at, stone }, heat)),
      ],
    }
  })
  const newest = ends.flatMap(({ end, passes }) => (passes.length > 0 ? [{ end, pass: passes.at(-1)! }] : []))
  if (newest.length === 0)
    return {
      ends,
      left: null,
      bore: null,
      stone: null,
      marks: [],
      over: false,
      words: ['Read the bore at both ends before the first stroke.'],
    }
  const tight = newest.reduce((a, b) => (b.pass.left > a.pass.left ? b : a))
  const wide = newest.reduce((a, b) => (b.pass.left < a.pass.left ? b : a))
  const { left, heat } = tight.pass
  const stone = stoneFor(left)
  // From what the dial shows now, how far it has to go.
  const dial = (stays: number) => tight.pass.dial + sign * (left - stays)
  const marks = [
    { stone: 'medium', stays: COARSE_UNTIL },
    { stone: 'fine', stays: MEDIUM_UNTIL },
    { stone: 'size', stays: 0 },
  ] as const
  return {
    ends,
    left,
    bore: tight.pass.bore,
    stone,
    marks: marks.filter(({ stays }) => left > stays).map(({ stone: next, stays }) => ({ stone: next, dial: dial(stays) })),
    over: wide.pass.left < -AT_SIZE,
    words: wordsFor(
      {
        left,
        heat,
        stone,
        tight: tight.end,
        gap: tight.pass.left - wide.pass.left,
        over: wide.pass.left,
        both: newest.length > 1,
        strokes: passesLeft(ends.find(({ end }) => end === tight.end)!.passes),
      },
      answers.unit,
    ),
  }
}

/** Passes that hold: a rod that was straightened or replaced begins anew. */
const singlesAt = (answers: Answers, rod: string, end: BoreEnd) =>
  answers.stale(honePoint(rod, end)) === null ? (answers.of(honePoint(rod, end)).singles ?? []) : []

/** The bore at an end before the first stroke, mean of its directions, as read; null where none was taken. */
function readBefore(answers: Answers, rod: string, end: BoreEnd): Estimate | null {
  const points = beforePoints(rod).filter(({ station, point }) => station === end && answers.stale(point) === null)
  return meanDiameter(diametersOf(points, answers), 'bore before honing')
}

/** Passes still to make, at what the last two with one stone took off; null when that cannot be told. */
function passesLeft(passes: readonly HonePass[]): number | null {
  const [a, b] = passes.slice(-2)
  if (!a || !b || a.stone !== b.stone || a.left - b.left <= 0) return null
  const until = b.left > COARSE_UNTIL ? COARSE_UNTIL : b.left > MEDIUM_UNTIL ? MEDIUM_UNTIL : 0
  return b.left > until ? Math.ceil((b.left - until) / (a.left - b.left)) : null
}

interface State {
  readonly left: number
  readonly heat: number
  readonly stone: Stone | null
  readonly tight: BoreEnd
  readonly gap: number
  readonly over: number
  readonly both: boolean
  readonly strokes: number | null
}

function wordsFor({ left, heat, stone, tight, gap, over, both, strokes }: State, unit: LengthUnit): string[] {
  const show = (value: number) => formatLength(Math.abs(value), unit, { unit: true, fine: true })
  const words: string[] = []
  if (over < -AT_SIZE)
    words.push(`Too large by ${show(over)} already${both && left > AT_SIZE ? ' at one end' : ''}: stop. Larger rollers, or another rod.`)
  else if (stone === null) words.push('At size: stop. Clean it, let it cool, and take the finished bore.')
  else
    words.push(
      `${show(left)} left cold at the ${tight}: ${stone} stone${strokes === null ? '' : `, about ${strokes} more ${strokes === 1 ? 'pass' : 'passes'} like the last`}.`,
    )
  if (Math.abs(heat) >= NM_PER.tenth / 4)
    words.push(
      `It reads ${show(heat)} ${heat > 0 ? 'big' : 'small'} with heat: on the dial ${Math.abs(left - heat) < AT_SIZE ? 'it seems at size' : `${show(left - heat)} seem ${left - heat > 0 ? 'left' : 'too much'}`}.`,
    )
  if (both && gap > ENDS_ALIKE) words.push(`The ${tight} is tighter by ${show(gap)}: start there, and flip the rod every few strokes.`)
  if (!both) words.push('Read the other end too.')
  return words
}
