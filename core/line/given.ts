import type { MeasuringPoint } from '../check/contract'
import type { Command, FoundPiece, ReadingFields, SettingsChange } from '../command/command'
import { ways } from '../method/ways'
import { nm, ZERO, type Nm } from '../quantity/length'
import type { LimitFields, LimitSource } from '../verdict/limits'
import type { Line, LineLimits } from './line'
import type { LineSaid } from './said'

/** What is done to a check that was just begun, after it was set up. */
export type LineStep =
  | { readonly kind: 'list'; readonly place: string; readonly pieces: readonly FoundPiece[] }
  | { readonly kind: 'read'; readonly reading: Omit<ReadingFields, 'id' | 'at'> }

/** A line as what a technician would give to a check: its set-up, then one step after the other. */
export interface LineGiven {
  readonly settings: SettingsChange
  readonly steps: readonly LineStep[]
  /** sentences: figures that belong nowhere */
  readonly faults: readonly string[]
}

const SOURCE: LimitSource = { kind: 'own', text: 'as typed in one line' }

const limitFields = ({ lower, upper, lowerExcluded, upperExcluded }: LineLimits, unit: Line['unit']): LimitFields => ({
  kind: lower === null ? 'upper' : upper === null ? 'lower' : 'two-sided',
  unit,
  source: SOURCE,
  ...(lower === null ? {} : { lower, ...(lowerExcluded ? { lowerExcluded } : {}) }),
  ...(upper === null ? {} : { upper, ...(upperExcluded ? { upperExcluded } : {}) }),
})

/** One reading of a point in the form it asks for; null: it is not read in one figure. */
function readingAt(point: MeasuringPoint, figure: Nm): Omit<ReadingFields, 'id' | 'at'> | null {
  const head = { point: point.id }
  switch (ways[point.way].entry) {
    case 'travel':
      return { ...head, start: ZERO, far: figure, back: ZERO }
    case 'figure':
      return { ...head, figure }
    case 'range':
      return { ...head, low: figure, high: figure }
    default:
      return null
  }
}

/** Figures at the points they belong to: one after the other where each is read once, again and again at a single one. */
function readingsOf({ readings, tool }: Pick<Line, 'readings' | 'tool'>, points: readonly MeasuringPoint[], faults: string[]): LineStep[] {
  const steps: LineStep[] = []
  for (const { at, figures } of readings) {
    const asked = points.filter(({ id, way, optional }) => !optional && ways[way].gauge !== null && (at === '' || id.startsWith(at)))
    const [first] = asked
    if (!first) {
      faults.push('Nothing is read there in one figure.')
      continue
    }
    const row = asked.filter(({ way }) => way === first.way)
    // Highest and lowest of what was seen.
    if (ways[first.way].entry === 'range' && figures.length > 1) {
      steps.push({ kind: 'read', reading: { point: first.id, low: nm(Math.min(...figures)), high: nm(Math.max(...figures)) } })
      continue
    }
    const repeats = ways[first.way].again === 'repeat' || row.length === 1
    if (!repeats && figures.length > row.length) faults.push(`${figures.length} figures, and ${row.length} places to read.`)
    for (const [i, figure] of figures.entries()) {
      const point = repeats ? first : row[i]
      for (let time = 0; point && time < tool.readings; time++) {
        const reading = readingAt(point, figure)
        if (reading) steps.push({ kind: 'read', reading })
      }
    }
  }
  return steps
}

/** @param family  of the drawer its pieces belong to */
export function givenBy(line: Line, { kind, setup, readings, unsaid }: LineSaid, family: string): LineGiven {
  const faults: string[] = []
  const judged = kind.results(setup).find(({ main }) => main)!
  const [place] = kind.places(setup)
  const chosen = line.fitted !== null || line.drawer !== null
  return {
    settings: {
      entryUnit: line.unit,
      setup,
      ...(chosen && place ? { family } : {}),
      ...(line.limits
        ? { limits: [{ result: judged.judgedBy ?? judged.id, role: 'book', set: limitFields(line.limits, line.unit) }] }
        : {}),
    },
    steps: [
      ...(line.fitted && place && !unsaid
        ? [
            {
              kind: 'list' as const,
              place: place.id,
              pieces: line.fitted,
            },
          ]
        : []),
      ...readingsOf({ readings, tool: line.tool }, kind.points(setup), faults),
    ],
    faults,
  }
}

/**
 * What is kept of a line: the figures that were said, each once, and none that stood in for one that was not. What was not read is left to
 * read.
 */
export const keptBy = (line: Line, said: LineSaid, family: string): LineGiven =>
  givenBy({ ...line, tool: { ...line.tool, readings: 1 } }, { ...said, readings: line.readings }, family)

/**
 * A step as the command it is.
 * @param op  of the command; a reading is called by it too
 */
export const stepCommand = (step: LineStep, op: string, at: string, trialId: string): Command =>
  step.kind === 'list' ? { ...step, op, at } : { kind: 'read', op, at, trialId, reading: { ...step.reading, id: op, at } }
