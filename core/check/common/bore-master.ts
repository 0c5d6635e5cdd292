import { boreOf, driftLine, micrometerMaster, ringMaster, zeroDrift, type Master } from '../../method/bore-gauge/bore'
import type { Heat } from '../../method/way'
import { outOfRange } from '../../method/gauge-range'
import { nm } from '../../quantity/length'
import type { Estimate } from '../../reading/estimate'
import type { Finding } from '../../reading/gates'
import { EXPANSION, type Metal } from '../../reading/temperature'
import type { Answers } from '../contract'
import { celsius, choice, length, type SetupOf } from '../setup'

/** What a ring master is known to where nothing is stated, half-width, nm. Common practice. */
const RING_UNCERTAINTY = 1_000

/** What a check with a bore gauge asks of its master. */
export const MASTER_FIELDS = {
  zeroedIn: choice({
    label: 'Bore gauge zeroed in',
    free: true,
    options: [
      { value: 'ring', label: 'A ring master' },
      { value: 'micrometer', label: 'The same micrometer', hint: 'its error cancels' },
    ],
    initial: 'ring',
  }),
  master: length({ label: 'Actual size of the master', least: nm(1), optional: true, free: true }),
  masterError: length({ label: 'Its size is known to ±', scale: 'play', least: nm(0), optional: true, free: true }),
}
/** What is asked where a part may be read warm: gauges and masters are of steel. */
export const heatFields = (of: string) => ({
  metal: choice({
    label: `${of} of`,
    free: true,
    options: (Object.keys(EXPANSION) as Metal[]).map(metal => ({ value: metal, label: metal })),
    initial: 'steel',
  }),
  celsius: celsius({
    label: 'Gauges and master are at',
    free: true,
    hint: '°C; blank is 20. A part’s own temperature is noted with its reading where it differs.',
  }),
})
export type MasterSetup = SetupOf<typeof MASTER_FIELDS>
export type HeatSetup = SetupOf<ReturnType<typeof heatFields>>

/** When all that is asked: where there is a bore to be read with a gauge. */
export const masterAsked = <Setup extends MasterSetup>(when: (setup: Setup) => boolean = () => true) => ({
  zeroedIn: when,
  master: when,
  masterError: (setup: Setup) => when(setup) && setup.zeroedIn === 'ring',
  metal: when,
  celsius: when,
})

const atBench = (setup: HeatSetup) => ({ alpha: EXPANSION.steel, celsius: setup.celsius })
/** A steel shaft read with a steel micrometer. */
export const shaftHeat = (setup: HeatSetup): Heat => ({ partAlpha: EXPANSION.steel, gauge: atBench(setup), size: null })
/** A bore read as a deviation from its master. */
export const boreHeat = (setup: HeatSetup & MasterSetup): Heat => ({
  partAlpha: EXPANSION[setup.metal] ?? EXPANSION.steel,
  gauge: atBench(setup),
  size: setup.master,
})

/** The master the bore gauge was zeroed in: a ring of known size, or the micrometer itself, whose own error then cancels; null: not known. */
export function masterOf(setup: MasterSetup, answers: Answers): Master | null {
  const size = setup.master
  if (size === null) return null
  const micrometer = answers.gauge('micrometer')
  if (setup.zeroedIn === 'micrometer') return micrometer ? micrometerMaster(size, micrometer) : null
  return ringMaster(size, setup.masterError ?? RING_UNCERTAINTY)
}

/** A bore from a deviation read on the dial, with what its zero was found to have drifted; null without a master or a gauge. */
export function boreFrom(reading: Estimate, setup: MasterSetup, answers: Answers, zeroPoint: string): Estimate | null {
  const master = masterOf(setup, answers)
  const gauge = answers.gauge('bore-gauge')
  return master && gauge ? boreOf(reading, master, gauge, driftLine(answers.of(zeroPoint), zeroPoint)) : null
}

/** What is wrong with the bores of a position: the gauge’s zero drifted, the master has no size, or the gauge does not reach so far. */
export function boreFindings(
  setup: MasterSetup,
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
