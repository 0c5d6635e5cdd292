import type { CheckDocument, PointReading, Trial } from '#core/check/document'
import { checkKind } from '#core/check/registry'
import { spread } from '#core/check/said'
import type { Exact } from '#core/quantity/figure'
import { nm, thou } from '#core/quantity/length'
import type { Force, Temperature, Torque } from '#core/quantity/measure'
import { PLAIN_GAUGE, type Gauge, type GaugeKind } from '#core/reading/gauge'

export const gauge = (kind: GaugeKind, graduation: Exact, more: Partial<Gauge> = {}): Gauge => ({
  id: kind,
  name: `Test ${kind}`,
  kind,
  unit: 'thou',
  graduation,
  readableFraction: 0.5,
  permissibleError: nm(2_540),
  repeatability: nm(1_270),
  hysteresis: nm(0),
  rangePerTurn: null,
  lastCheck: null,
  ...PLAIN_GAUGE,
  ...more,
})
/** One plain gauge of each kind, good enough not to stand in the way. */
export const GAUGES: Readonly<Record<Exclude<GaugeKind, 'calipers'>, Gauge>> = {
  'dial-indicator': gauge('dial-indicator', thou(1)),
  'micrometer': gauge('micrometer', thou(0.1)),
  'bore-gauge': gauge('bore-gauge', thou(0.1)),
  'feeler-set': gauge('feeler-set', thou(1), { sizes: [thou(1.5), thou(2), thou(3), thou(4), thou(5), thou(6), thou(8), thou(10)] }),
  'torque-gauge': gauge('torque-gauge', 10_000_000 as Torque, {
    unit: 'N·m',
    permissibleError: 0 as Torque,
    repeatability: 5_000_000 as Torque,
    range: { low: 30_000_000 as Torque, high: 5e9 as Torque },
  }),
  'spring-scale': gauge('spring-scale', 490_333 as Force, {
    unit: 'kgf',
    readableFraction: 1,
    permissibleError: 0 as Force,
    repeatability: 0 as Force,
  }),
  'thermometer': gauge('thermometer', 100_000 as Temperature, {
    unit: '°C',
    readableFraction: 1,
    permissibleError: 1_000_000 as Temperature,
    repeatability: 500_000 as Temperature,
    range: { low: -20_000_000 as Temperature, high: 200_000_000 as Temperature },
  }),
  'plastic-strip': gauge('plastic-strip', thou(0.5), { sizes: [thou(1), thou(1.5), thou(2), thou(2.5), thou(3)] }),
}

/** A check of a kind as it begins, with every step of every fitting ticked: for tests to read into. A state said without a position is said of all. */
export function checkOf(kind: string, change: Partial<CheckDocument> = {}): CheckDocument {
  const setup = { ...checkKind(kind).defaultSetup, ...change.setup }
  const known = checkKind(kind).conditions?.(setup) ?? []
  const trials = (change.trials ?? [trial('t1', [])]).map(one => ({ ...one, conditions: spread(known, one.conditions) }))
  const steps = checkKind(kind).procedure(setup)
  return {
    id: 'c',
    kind,
    title: kind,
    entryUnit: 'thou',
    limits: { working: 'book', sets: {} },
    rule: 'plain',
    aim: { school: 'middle' },
    packRules: {},
    family: 'pieces',
    uRefit: nm(2_540),
    tipAngle: 0,
    gauges: GAUGES,
    history: {},
    parts: {},
    partChanges: [],
    clearings: [],
    laps: [],
    signOff: null,
    reopened: null,
    ...change,
    setup,
    trials,
    ticks: change.ticks ?? [...trials.flatMap(({ id }) => steps.map(step => ({ step: step.id, trial: id })))],
    struck: change.struck ?? [],
  }
}

export const trial = (id: string, readings: readonly PointReading[], more: Partial<Trial> = {}): Trial => ({
  id,
  at: '2026-05-04T08:00:00.000Z',
  packs: {},
  unlisted: [],
  refitted: [],
  predicted: {},
  conditions: {},
  leftOut: {},
  pieces: {},
  readings,
  ...more,
})
let count = 0
const head = (point: string) => ({ id: `r${count++}`, point, at: '2026-05-04T09:00:00.000Z', order: count })
/** Dial repeats, thou. */
export const plays = (point: string, ...figures: number[]): PointReading[] =>
  figures.map(figure => ({ ...head(point), start: nm(0), far: thou(figure), back: nm(0) }))
/** Single figures, nm. */
export const figures = (point: string, ...values: number[]): PointReading[] => values.map(value => ({ ...head(point), figure: nm(value) }))
/** Between two stacks, thou. */
export const between = (point: string, low: number, high: number, leaves = 1): PointReading => ({
  ...head(point),
  low: thou(low),
  high: thou(high),
  leaves,
})
export const said = (point: string, word: string): PointReading => ({ ...head(point), word })
/** Two figures each, in small units: what goes and what does not; a torque while turning and to start. */
export const ranges = (point: string, ...figures: (readonly [number, number])[]): PointReading[] =>
  figures.map(([low, high]) => ({ ...head(point), low: low as Exact, high: high as Exact }))
