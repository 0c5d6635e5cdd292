import { dayText } from '../quantity/day'
import { quantityOf, unitName, unitsOf, type Exact, type Unit } from '../quantity/figure'

export type GaugeKind =
  | 'dial-indicator'
  | 'micrometer'
  | 'calipers'
  | 'bore-gauge'
  | 'feeler-set'
  | 'plastic-strip'
  | 'torque-gauge'
  | 'spring-scale'
  | 'thermometer'
export const GAUGE_KINDS: readonly GaugeKind[] = [
  'dial-indicator',
  'micrometer',
  'calipers',
  'bore-gauge',
  'feeler-set',
  'plastic-strip',
  'torque-gauge',
  'spring-scale',
  'thermometer',
]
export const GAUGE_NAME: Readonly<Record<GaugeKind, string>> = {
  'dial-indicator': 'Dial indicator',
  'micrometer': 'Micrometer',
  'calipers': 'Calipers',
  'bore-gauge': 'Bore gauge',
  'feeler-set': 'Feeler gauges',
  'plastic-strip': 'Plastic gauging strip',
  'torque-gauge': 'Torque gauge',
  'spring-scale': 'Spring scale',
  'thermometer': 'Contact thermometer',
}
/** What a gauge of a kind reads. */
export const readsOf = (kind: GaugeKind): 'length' | 'torque' | 'force' | 'temperature' => OTHER_QUANTITY[kind] ?? 'length'
const OTHER_QUANTITY = { 'torque-gauge': 'torque', 'spring-scale': 'force', 'thermometer': 'temperature' } as Readonly<
  Partial<Record<GaugeKind, 'torque' | 'force' | 'temperature'>>
>

/** A gauge of the register, as the uncertainty of a reading needs to know it. Figures in whole small units of what it reads: nm, nN·m, µN, µ°C. */
export interface Gauge {
  readonly id: string
  readonly name: string
  readonly kind: GaugeKind
  readonly unit: Unit
  readonly graduation: Exact
  /** The part of a graduation that can be read: 1 for digital, ½ or ⅕ for a needle. */
  readonly readableFraction: number
  /** Maximum permissible error, half-width; of each leaf for feelers. */
  readonly permissibleError: Exact
  /** Stated standard deviation of one reading, used until repeats say better. */
  readonly repeatability: Exact
  readonly hysteresis: Exact
  /** Travel of one turn of the pointer, for a dial with a revolution counter. */
  readonly rangePerTurn: Exact | null
  /** Smallest and largest it measures. */
  readonly range: { readonly low: Exact; readonly high: Exact } | null
  /** Does the dial climb or fall as the plunger goes in? Decides the sign of a bore. */
  readonly sense: 'climbs' | 'falls'
  /** Leaves of a feeler set; gaps printed on the scale of a plastic strip. */
  readonly sizes: readonly Exact[]
  /** Printed width of a plastic strip’s scale at its smallest gap; null: not known. */
  readonly widest: Exact | null
  readonly lastCheck: string | null
  /** Day the next check is due, `2026-05-04`. */
  readonly due: string | null
  /** Day it was last zeroed, or tried on its standard. */
  readonly zeroedOn: string | null
  /** Day it was found wrong at its check, and not good since. */
  readonly foundWrong?: string
}

/** What a gauge without these particulars has: a file of the first version, a gauge just entered. */
export const PLAIN_GAUGE = {
  range: null,
  sense: 'climbs',
  sizes: [],
  widest: null,
  due: null,
  zeroedOn: null,
} as const satisfies Partial<Gauge>

/** What a gauge cannot be, and at which of its particulars: a scale that reads a length, one that begins below nothing. Null: it can. */
export function gaugeFault({ kind, unit, range }: Pick<Gauge, 'kind' | 'unit' | 'range'>): { at: 'unit' | 'range'; words: string } | null {
  const reads = readsOf(kind)
  if (quantityOf(unit) !== reads)
    return { at: 'unit', words: `${GAUGE_NAME[kind]} reads a ${reads}: ${unitsOf(reads).map(unitName).join(', ')}.` }
  if (range && range.low < 0 && reads !== 'temperature') return { at: 'range', words: 'Only a thermometer reads below zero.' }
  return null
}

/** Can it be read where a gauge of this kind is asked for? Calipers stand in for a micrometer, and for no other. */
export const suits = (wanted: GaugeKind, { kind }: Pick<Gauge, 'kind'>): boolean =>
  kind === wanted || (wanted === 'micrometer' && kind === 'calipers')

/** Feelers and strips are a list of sizes, and have no zero. */
export const isListOfSizes = (kind: GaugeKind): boolean => kind === 'feeler-set' || kind === 'plastic-strip'
/** It is set to zero, or tried on its standard, before it is used; a thermometer keeps what it was made to. */
export const isZeroed = (kind: GaugeKind): boolean => !isListOfSizes(kind) && kind !== 'thermometer'
/** A micrometer is tried on its standard; anything else with a scale is zeroed. */
export const hasStandard = (kind: GaugeKind): boolean => kind === 'micrometer' || kind === 'calipers'

/** The smallest step that can be read. */
export const readableStep = (gauge: Gauge): number => gauge.graduation * gauge.readableFraction

export interface GaugeWarning {
  readonly words: string
  /** zeroing it, or trying it on its standard, is what is missing */
  readonly zero: boolean
}

/**
 * What the bench should say of a gauge before it is used: overdue, not zeroed today. Warns, never blocks.
 * @param today  `2026-05-04`
 */
export function gaugeWarnings(gauge: Gauge, today: string): GaugeWarning[] {
  const warnings: GaugeWarning[] = []
  if (gauge.foundWrong)
    warnings.push({ words: `${gauge.name} was found wrong at its check on ${dayText(gauge.foundWrong)}, and not good since.`, zero: false })
  if (gauge.due !== null && gauge.due < today)
    warnings.push({ words: `${gauge.name} was due for its check on ${dayText(gauge.due)}.`, zero: false })
  if (isZeroed(gauge.kind) && gauge.zeroedOn !== today)
    warnings.push({
      words: `${gauge.name} is not marked as ${hasStandard(gauge.kind) ? 'tried on its standard' : 'zeroed'} today.`,
      zero: true,
    })
  return warnings
}
