import { formatFigure } from '../../quantity/figure'
import { rectangular, type BudgetLine } from '../../reading/budget'
import { stated, type Estimate } from '../../reading/estimate'
import type { Finding } from '../../reading/gates'
import type { Gauge } from '../../reading/gauge'
import { sumOf } from '../../reading/sum'
import type { PointAnswer } from '../way'

/** A master of known actual size, nm, and the budget line its own error gives: a ring's, or that of the micrometer it was set by. */
export interface Master {
  readonly size: number
  readonly line: BudgetLine | null
}

/** @param halfWidth  what its size is known to, nm */
export const ringMaster = (size: number, halfWidth: number): Master => ({
  size,
  line:
    halfWidth > 0
      ? {
          source: 'standard',
          words: 'The master’s own size, a/√3',
          u: rectangular(halfWidth),
          nu: Infinity,
          shared: true,
          carrier: 'master',
        }
      : null,
})
/** Zeroed in a micrometer: whatever that micrometer is off by, it is off by in the journal too. */
export const micrometerMaster = (size: number, micrometer: Gauge): Master => ({
  size,
  line: {
    source: 'gauge-error',
    words: 'Permissible error of the micrometer, a/√3',
    u: rectangular(micrometer.permissibleError),
    nu: Infinity,
    shared: true,
    carrier: micrometer.id,
  },
})

/** How a deviation on the dial becomes a bore: bore = M − reading for a dial that climbs as the plunger goes in, M + reading for the other. */
export const boreSign = (gauge: Pick<Gauge, 'sense'>): 1 | -1 => (gauge.sense === 'climbs' ? -1 : 1)

/** The figure a dial should show in a bore that deviates from the master by `deviation`, nm. */
export const dialFigure = (deviation: number, gauge: Pick<Gauge, 'sense'>): number => boreSign(gauge) * deviation + 0

/** The bore from what the dial showed. */
export function boreOf(reading: Estimate, master: Master, gauge: Pick<Gauge, 'sense'>, drift: BudgetLine | null): Estimate {
  return sumOf([
    { name: 'Master', factor: 1, estimate: stated(master.size, master.line ? [master.line] : [], reading.n) },
    { name: 'Reading', factor: boreSign(gauge), estimate: reading },
    ...(drift ? [{ name: 'Zero', factor: boreSign(gauge), estimate: stated(0, [drift], reading.n) }] : []),
  ])
}

/** Somewhere on the way the zero moved by what the master showed afterwards: d/√3, the same for all bores read on it. null: it did not. */
export const driftLine = ({ estimate }: PointAnswer, carrier: string): BudgetLine | null =>
  estimate && estimate.value !== 0
    ? {
        source: 'closing',
        words: 'Zero found off afterwards by d, d/√3',
        u: rectangular(Math.abs(estimate.value)),
        nu: Infinity,
        shared: false,
        carrier,
      }
    : null

/** The zero taken again in the master after the bores: off by more than a graduation, every bore since is void. */
export function zeroDrift(recheck: PointAnswer, gauge: Gauge, where = 'Back in the master the bore gauge'): Finding[] {
  if (!recheck.estimate) return []
  const drift = Math.abs(recheck.estimate.value)
  if (drift <= gauge.graduation) return []
  return [
    {
      gate: 'zero-drift',
      level: 'fail',
      words: `${where} shows ${formatFigure(recheck.estimate.value, gauge.unit, { unit: true, sign: true })}: its zero drifted. Something was touched or moved: zero it and read again.`,
    },
  ]
}
