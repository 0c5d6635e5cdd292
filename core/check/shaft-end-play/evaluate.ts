import { estimatePlay } from '../../reading/estimate'
import { gateSeries } from '../../reading/gates'
import { readableStep } from '../../reading/gauge'
import { bandOf } from '../../verdict/limits'
import { cosineCorrection } from '../../method/dial/dial'
import type { MeasureInput, MeasuredResult } from '../contract'

/** The end play of one fitting from the repeats at its one point. */
export function measureEndPlay({ readings, gauge, limits, tipAngle, history }: MeasureInput): MeasuredResult[] {
  return [{
    id: 'play', label: 'End play', quantity: 'length', at: {},
    estimate: estimatePlay(readings, gauge, { scale: cosineCorrection(tipAngle), pooled: history }),
    findings: gateSeries(readings, { graduation: gauge.graduation, step: readableStep(gauge), band: bandOf(limits), unit: gauge.unit }),
  }]
}
