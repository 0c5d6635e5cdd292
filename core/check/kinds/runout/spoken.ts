import type { Spoken } from '../../spoken'

/** Readings at the marks, in their order; back at the first it reads what it read there. */
export const spoken: Spoken = {
  phrases: [
    { words: ['housing bore', 'housing'], setup: { what: 'housing' } },
    { words: ['flywheel face', 'face'], setup: { what: 'face' } },
    { words: ['shaft runout', 'shaft bow'], setup: { what: 'shaft' } },
    { words: ['rim', 'disc', 'runout'], setup: { what: 'radial' } },
    { words: ['raw', 'highest less lowest'], setup: { judged: 'raw' } },
    { words: ['once per turn', 'once turn'], setup: { judged: 'once' } },
    { words: ['each axis'], setup: { judged: 'axis' } },
    { words: ['offset'], setup: { judged: 'offset' } },
  ],
  fill: ({ setup, readings }) => {
    const marks = (setup.marks ?? '').split(' ').length
    const figures = readings.flatMap(({ figures: all }) => all)
    return figures.length === marks
      ? { setup, readings: [{ at: '', figures: [...figures, figures[0]!] }], standsIn: ['back where it began'] }
      : { setup, readings, standsIn: [] }
  },
}
