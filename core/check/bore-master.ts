import { boreOf, driftLine, micrometerMaster, ringMaster, zeroDrift, type Master } from '../method/bore-gauge/bore'
import type { Heat } from '../method/way'
import { outOfRange } from '../method/gauge-range'
import { nm } from '../quantity/length'
import type { Estimate } from '../reading/estimate'
import type { Finding } from '../reading/gates'
import { EXPANSION, REFERENCE, type Metal } from '../reading/temperature'
import type { Answers } from './contract'
import { celsiusIn, lengthIn, type Setup, type SetupField } from './setup'

/** What a ring master is known to where nothing is stated, half-width, nm. Common practice. */
const RING_UNCERTAINTY = 1_000

/** What a check with a bore gauge asks of its master. */
export const masterFields = (when: (setup: Setup) => boolean = () => true): SetupField[] => [
  {
    id: 'zeroedIn',
    kind: 'choice',
    label: 'Bore gauge zeroed in',
    when,
    free: true,
    options: [
      { value: 'ring', label: 'A ring master' },
      { value: 'micrometer', label: 'The same micrometer', hint: 'its error cancels' },
    ],
  },
  { id: 'master', kind: 'length', label: 'Actual size of the master', when, least: nm(1), optional: true, free: true },
  {
    id: 'masterError',
    kind: 'length',
    label: 'Its size is known to ±',
    when: setup => when(setup) && setup.zeroedIn === 'ring',
    least: nm(0),
    optional: true,
    free: true,
  },
]
export const MASTER_DEFAULTS = { zeroedIn: 'ring', master: '', masterError: '' } as const

/** What is asked where a part may be read warm: gauges and masters are of steel. */
export const heatFields = (of: string, when: (setup: Setup) => boolean = () => true): SetupField[] => [
  {
    id: 'metal',
    kind: 'choice',
    label: `${of} of`,
    when,
    free: true,
    options: Object.keys(EXPANSION).map(metal => ({ value: metal, label: metal })),
  },
  {
    id: 'celsius',
    kind: 'celsius',
    label: 'Gauges and master are at',
    when,
    free: true,
    hint: '°C; blank is 20. A part’s own temperature is noted with its reading where it differs.',
  },
]
const atBench = (setup: Setup) => ({ alpha: EXPANSION.steel, celsius: celsiusIn(setup, 'celsius') })
/** A steel shaft read with a steel micrometer. */
export const shaftHeat = (setup: Setup): Heat => ({ partAlpha: EXPANSION.steel, gauge: atBench(setup), size: null })
/** A bore read as a deviation from its master. */
export const boreHeat = (setup: Setup): Heat => ({
  partAlpha: EXPANSION[setup.metal as Metal] ?? EXPANSION.steel,
  gauge: atBench(setup),
  size: lengthIn(setup, 'master') ?? null,
})
export const HEAT_DEFAULTS = { metal: 'steel', celsius: String(REFERENCE) } as const

/** The master the bore gauge was zeroed in: a ring of known size, or the micrometer itself, whose own error then cancels; null: not known. */
export function masterOf(setup: Setup, answers: Answers): Master | null {
  const size = lengthIn(setup, 'master')
  if (size === null) return null
  const micrometer = answers.gauge('micrometer')
  if (setup.zeroedIn === 'micrometer') return micrometer ? micrometerMaster(size, micrometer) : null
  return ringMaster(size, lengthIn(setup, 'masterError') ?? RING_UNCERTAINTY)
}

/** A bore from a deviation read on the dial, with what its zero was found to have drifted; null without a master or a gauge. */
export function boreFrom(reading: Estimate, setup: Setup, answers: Answers, zeroPoint: string): Estimate | null {
  const master = masterOf(setup, answers)
  const gauge = answers.gauge('bore-gauge')
  return master && gauge ? boreOf(reading, master, gauge, driftLine(answers.of(zeroPoint), zeroPoint)) : null
}

/** What is wrong with the bores of a position: the gauge’s zero drifted, the master has no size, or the gauge does not reach so far. */
export function boreFindings(
  setup: Setup,
  answers: Answers,
  zeroPoint: string,
  borePoints: readonly string[],
): { drift: Finding[]; missing: Finding[] } {
  const gauge = answers.gauge('bore-gauge')
  const drift = gauge ? zeroDrift(answers.of(zeroPoint), gauge) : []
  const read = borePoints.some(point => answers.of(point).estimate !== null)
  const words =
    setup.zeroedIn === 'micrometer' && !answers.gauge('micrometer')
      ? 'There is no micrometer in use: the master’s size rests on it.'
      : 'The master has no size yet: give its actual size in Set up, then the bores can be reckoned.'
  const master = masterOf(setup, answers)
  if (!read) return { drift, missing: [] }
  if (!master) return { drift, missing: [{ gate: 'size', level: 'fail', words }] }
  const fault = gauge && outOfRange(master.size, gauge)
  return { drift, missing: fault ? [{ gate: 'size', level: 'fail', words: fault }] : [] }
}
