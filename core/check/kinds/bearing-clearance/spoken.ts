import { nm } from '../../../quantity/length'
import { ROUND, bothPlanes, type Spoken } from '../../spoken'

/** One bearing, one station: its bore as a size, against a master of the first that was read. */
export const spoken: Spoken = {
  phrases: [
    { words: ['big end', 'rod'], setup: { bearings: 'rods' } },
    { words: ['main bearing', 'main'], setup: { bearings: 'mains' } },
    { words: ['bearing clearance', 'shell'] },
  ],
  places: { journal: 'journal', bore: 'bore', pin: 'journal' },
  unchosen: { shells: 'as-fitted' },
  fill: ({ setup, readings }) => {
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
  },
}
