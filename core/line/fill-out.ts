import type { Setup } from '../check/setup'
import { nm, type Nm } from '../quantity/length'
import type { LineReading } from './read-line'

/** A line as its kind asks for it: set up for as many figures as were said, and what stands in for those that were not. */
export interface FilledOut {
  readonly setup: Setup
  readonly readings: readonly LineReading[]
  readonly standsIn: readonly string[]
}
type Fill = (said: Omit<FilledOut, 'standsIn'>) => FilledOut

const ROUND = 'round: one figure for both planes'
/** Two planes at least are read of what should be round. */
const bothPlanes = (figures: readonly Nm[]): readonly Nm[] => (figures.length === 1 ? [figures[0]!, figures[0]!] : figures)

/** A diameter by figures: in pairs along it, three or four of them at one station. A bore is read as a size, as an inside micrometer shows it. */
const diameter: Fill = ({ setup, readings }) => {
  const figures = bothPlanes(readings.flatMap(({ figures: all }) => all))
  const stations = figures.length >= 4 && figures.length % 2 === 0 ? figures.length / 2 : 1
  return {
    setup: { ...setup, way: 'micrometer', planes: String(figures.length / stations), stations: String(stations) },
    readings: figures.length === 0 ? [] : [{ at: '', figures }],
    standsIn: readings.some(({ figures: all }) => all.length === 1) ? [ROUND] : [],
  }
}

/** Back at the first mark it reads what it read there. */
const runout: Fill = ({ setup, readings }) => {
  const marks = (setup.marks ?? '').split(' ').length
  const figures = readings.flatMap(({ figures: all }) => all)
  return figures.length === marks
    ? { setup, readings: [{ at: '', figures: [...figures, figures[0]!] }], standsIn: ['back where it began'] }
    : { setup, readings, standsIn: [] }
}

/** One bearing, one station: its bore as a size, against a master of the first that was read. */
const bearing: Fill = ({ setup, readings }) => {
  const of = (place: string) => readings.filter(({ at }) => at === place).flatMap(({ figures }) => figures)
  const [journal, bore] = [of('journal'), of('bore')]
  const [master] = bore
  return {
    setup: { ...setup, positions: '1', stations: '1', ...(master === undefined ? {} : { master: String(master) }) },
    readings: [
      { at: 'journal', figures: bothPlanes(journal) },
      { at: 'bore', figures: bothPlanes(bore).map(size => nm(size - master!)) },
      ...readings.filter(({ at }) => at === ''),
    ].filter(({ figures }) => figures.length > 0),
    standsIn: [
      ...(journal.length === 1 || bore.length === 1 ? [ROUND] : []),
      ...(master === undefined ? [] : ['a master as large as the bore']),
    ],
  }
}

const FILLS: Readonly<Record<string, Fill>> = { diameter, runout, 'bearing-clearance': bearing }

/** What a kind makes of the figures of a line; most take them as they are. */
export const filledOut = (kind: string, said: Omit<FilledOut, 'standsIn'>): FilledOut => FILLS[kind]?.(said) ?? { ...said, standsIn: [] }
