import { packChange, packTotal, type LotMap } from '../../pack/lot'
import type { Fitting } from '../../choice/grounds/fitting'
import { positionIn, type CheckKind } from '../contract'
import { effectOn, type PackPlace } from '../pack-place'
import { unlikeNow } from './said-conditions'
import { combine } from '../../reading/budget'
import { changeSpread } from '../../pack/change-spread'
import { packAt, type CheckDocument, type Trial } from '../document'
import type { FittingEvaluation } from './evaluated'

/** Another place whose pieces move the same result, and how. */
export interface Mover {
  readonly place: Pick<PackPlace, 'id' | 'startsEmpty'>
  readonly perPiece: 1 | -1
}

/** Every other place whose pieces move a result. */
export const moversOf = (places: readonly PackPlace[], { id }: Pick<PackPlace, 'id'>, result: string): Mover[] =>
  places.flatMap(place => {
    const effect = effectOn(place, result)
    return place.id === id || effect === undefined ? [] : [{ place, perPiece: effect.perPiece }]
  })

/**
 * Earlier fittings as they would read with everything else as it is now: what stands in the other places that move the same result
 * is reckoned in, with what its pieces may be off. Where nobody knows what was in one of them, the fitting says nothing of now.
 */
export function asIfNow(all: readonly Fitting[], document: CheckDocument, movers: readonly Mover[], lots: LotMap): Fitting[] {
  const trials = document.trials
  const now = trials.at(-1)!
  return all.flatMap((fitting): Fitting[] => {
    const at = trials.findIndex(({ id }) => id === fitting.id)
    const changed = movers.filter(({ place }) => trials.slice(at + 1).some(({ refitted }) => refitted.includes(place.id)))
    if (changed.length === 0) return [fitting]
    const moves = changed.map(({ place, perPiece }) => {
      const [then, here] = [packAt(trials[at]!, place), packAt(now, place)]
      return then && here ? { perPiece, by: packTotal(here, lots) - packTotal(then, lots), change: packChange(then, here) } : null
    })
    if (moves.some(move => move === null)) return []
    const shift = moves.reduce((sum, move) => sum + move!.perPiece * move!.by, 0)
    const u = Math.hypot(...moves.map(move => changeSpread(move!.change, lots)))
    const { estimate, atMost } = fitting
    const line = { source: 'pieces', words: 'Pieces changed in the other places that move it', u, nu: Infinity, shared: false } as const
    const lines = estimate ? [...estimate.lines, line] : []
    return [
      {
        ...fitting,
        ...(estimate || atMost !== null ? { read: estimate?.value ?? atMost! } : {}),
        estimate: estimate && { ...estimate, value: estimate.value + shift, lines, ...combine(lines) },
        atMost: atMost === null ? null : atMost + shift,
      },
    ]
  })
}

/**
 * Fittings of a place, each with everything that was read until it was taken apart again; what a part change made stale is none, nor
 * what was measured in another state than the present one: seals in, and out.
 * @param result  id of the one looked at
 * @param fittings  all of the check, evaluated
 * @param beside  other places that move the same figure
 */
export function placeFittings(
  document: CheckDocument,
  kind: CheckKind,
  place: Pick<PackPlace, 'id' | 'chosen' | 'startsEmpty'>,
  result: string,
  fittings: readonly FittingEvaluation[],
  beside: readonly string[] = [],
): Fitting[] {
  const apart = ({ refitted }: Trial) => refitted.some(id => id === place.id || beside.includes(id))
  const ends = document.trials.flatMap((_, i) => (i + 1 === document.trials.length || apart(document.trials[i + 1]!) ? [i] : []))
  return ends.flatMap((i): Fitting[] => {
    const trial = document.trials[i]!
    const found = fittings[i]!.results.find(({ id }) => id === result) ?? null
    const holds = found !== null && found.stale === null
    const last = document.trials.at(-1)!
    if (trial !== last && (!holds || unlikeNow(kind, document, i, positionIn(result).position).length > 0)) return []
    const estimate = holds && found.valid ? found.estimate : null
    const near =
      estimate !== null && ((found!.kind.floored && !found!.reckoned) || place.chosen.by === 'slope') && estimate.value - estimate.U <= 0
    const atMost = holds && found.atMost !== null ? found.atMost.value : near ? estimate.value + estimate.U : null
    return [{ id: trial.id, number: i + 1, pack: packAt(trial, place), estimate: atMost === null ? estimate : null, atMost }]
  })
}
