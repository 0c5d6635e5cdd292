import { upperFirst } from '../quantity/first-letter'
import { formatLength } from '../quantity/format-length'
import { NM_PER, nm, type LengthUnit, type Nm } from '../quantity/length'

/** A piece measured after a pass at four points round its face, nm. */
export interface LapPass {
  readonly id: string
  readonly at: string
  readonly figures: readonly Nm[]
}
export const LAP_POINTS = 4

/** A piece being brought to a thickness, from a size of the drawer or from sheet. Lengths in nm. */
export interface Lap {
  readonly id: string
  readonly at: string
  readonly place: string
  /** what it is made from */
  readonly lotId: string
  /** the fitting it was taken out of; null: out of the drawer */
  readonly trial: string | null
  readonly target: Nm
  /** thicknesses that would do as well; null where an end is open */
  readonly low: Nm | null
  readonly high: Nm | null
  readonly passes: readonly LapPass[]
  /** null: being lapped; `lotId` null: scrapped */
  readonly end: { readonly lotId: string | null } | null
}

export interface LapProgress {
  /** of the newest pass; null before any */
  readonly thickest: number | null
  /** largest less smallest of the four, nm */
  readonly parallelism: number | null
  /** still to come off, nm; below zero: too thin */
  readonly left: number | null
  readonly state: 'measure' | 'lap' | 'size' | 'below'
  /** its faces are too far out of parallel; the last of the words then says so */
  readonly crooked: boolean
  /** would it do as it is? */
  readonly does: boolean
  readonly words: readonly string[]
}

/** Coarse until so much is left, then fine. Common practice. nm */
const COARSE_UNTIL = 5 * NM_PER.tenth
/** Faces further out of parallel than this rock. Common practice. nm */
const PARALLEL_WITHIN = 3 * NM_PER.tenth
/** Nearer than this is size. nm */
const AT_SIZE = NM_PER.tenth / 2

/** How a piece stands after its newest pass, and what to do next. */
export function lapProgress({ target, low, high, passes }: Pick<Lap, 'target' | 'low' | 'high' | 'passes'>, unit: LengthUnit): LapProgress {
  const show = (value: number) => formatLength(Math.abs(value), unit, { unit: true, fine: true })
  const newest = passes.at(-1)
  if (!newest)
    return {
      thickest: null,
      parallelism: null,
      left: null,
      state: 'measure',
      crooked: false,
      does: false,
      words: [`Measure it at ${LAP_POINTS} points before the first pass: cold, clean, deburred.`],
    }
  const thickest = Math.max(...newest.figures)
  const parallelism = thickest - Math.min(...newest.figures)
  // A piece is as thick as its thickest point: that is where it binds.
  const left = thickest - target
  const does = (low === null || thickest >= low) && (high === null || thickest <= high)
  const state = left < -AT_SIZE ? 'below' : left <= AT_SIZE ? 'size' : 'lap'
  const crooked = parallelism > PARALLEL_WITHIN
  const uneven = `its faces are ${show(parallelism)} out of parallel`
  const words = [
    state === 'below'
      ? `Stop: below target by ${show(left)}. ${does ? 'It still lies within what would do.' : 'It is too thin: begin with another piece.'}`
      : state === 'size'
        ? 'Stop: at size. Wash it, let it cool, measure once more.'
        : `${show(left)} left: ${left > COARSE_UNTIL ? 'coarse' : 'fine'}, and measure it cold.`,
    ...(!crooked
      ? []
      : state === 'lap'
        ? [`${upperFirst(uneven)}: press at point ${newest.figures.indexOf(thickest as Nm) + 1}, where it is thickest.`]
        : [`At its thickest point; ${uneven}. Take it as it is, or begin with another piece.`]),
  ]
  return { thickest, parallelism, left, state, crooked, does, words }
}

/** The thickness a made piece goes into stock with: that of its thickest point. nm */
export const madeThickness = (pass: LapPass): Nm => nm(Math.max(...pass.figures))
