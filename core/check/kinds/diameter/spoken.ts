import { ROUND, bothPlanes, type Spoken } from '../../spoken'

/** In pairs along it, three or four figures at one station. A bore is read as a size, as an inside micrometer shows it. */
export const spoken: Spoken = {
  phrases: [
    { words: ['shaft diameter', 'journal diameter', 'pin'], setup: { part: 'shaft' } },
    { words: ['bore', 'cylinder'], setup: { part: 'bore' } },
  ],
  fill: ({ setup, readings }) => {
    const figures = bothPlanes(readings.flatMap(({ figures: all }) => all))
    const stations = figures.length >= 4 && figures.length % 2 === 0 ? figures.length / 2 : 1
    return {
      setup: { ...setup, way: 'micrometer', planes: String(figures.length / stations), stations: String(stations) },
      readings: figures.length === 0 ? [] : [{ at: '', figures }],
      standsIn: readings.some(({ figures: all }) => all.length === 1) ? [ROUND] : [],
    }
  },
}
