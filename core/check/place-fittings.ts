import type { Estimate } from '../reading/estimate'
import type { Pack } from '../pack/lot'
import type { Measured } from '../pack/predict'
import type { PackPlace } from './contract'
import { packAt, type CheckDocument, type Trial } from './document'
import type { FittingEvaluation } from './evaluate-fitting'

/** A fitting of a place: its whole pack where known, and what was read on it. Figures in small units of the result. */
export interface PlaceFitting {
  readonly id: string
  readonly pack: Pack | null
  /** a figure that can be told from zero; null: there is none */
  readonly estimate: Estimate | null
  /** no more than this, where it was zero or less, or could be; null: no bound */
  readonly atMost: number | null
}

export const asMeasured = ({ value, u, nuExact }: Estimate): Measured => ({ play: value, u, nu: nuExact })

/**
 * Fittings of a place, each with everything that was read until it was taken apart again; what a part change made stale is none.
 * @param fittings  all of the check, evaluated
 * @param beside  other places that move the same figure
 */
export function placeFittings(
  document: CheckDocument,
  place: Pick<PackPlace, 'id' | 'result' | 'learned' | 'startsEmpty'>,
  fittings: readonly FittingEvaluation[],
  beside: readonly string[] = [],
): PlaceFitting[] {
  const apart = ({ refitted }: Trial) => refitted.some(id => id === place.id || beside.includes(id))
  const ends = document.trials.flatMap((_, i) => (i + 1 === document.trials.length || apart(document.trials[i + 1]!) ? [i] : []))
  return ends.flatMap((i): PlaceFitting[] => {
    const trial = document.trials[i]!
    const found = fittings[i]!.results.find(result => result.id === place.result) ?? null
    const holds = found !== null && found.stale === null
    if (!holds && i !== document.trials.length - 1) return []
    const estimate = holds && found.valid ? found.estimate : null
    const near = estimate !== null && (found!.kind.floored || place.learned === true) && estimate.value - estimate.U <= 0
    const atMost = holds && found.atMost !== null ? found.atMost.value : near ? estimate.value + estimate.U : null
    return [{ id: trial.id, pack: packAt(trial, place), estimate: atMost === null ? estimate : null, atMost }]
  })
}
