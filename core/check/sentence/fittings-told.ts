import { pieceList } from '../../pack/arithmetic'
import type { LotMap } from '../../pack/lot'
import { unitName } from '../../quantity/figure'
import { unitFor } from '../../quantity/format-length'
import type { UnitSystem } from '../../quantity/length'
import { unitOfResult } from '../common/results'
import { chosenFor } from '../pack-place'
import { packIn, piecesIn, type CheckDocument } from '../document'
import { shownFigure, type CheckEvaluation } from '../evaluate/evaluate-check'
import type { ResultEvaluation } from '../evaluate/evaluated'
import type { PlaceEvaluation } from '../evaluate/evaluate-place'
import { conditionsOf, stateWords } from '../evaluate/said-conditions'
import { checkKind } from '../registry'

/** One fitting of a place as it was: what was in it, and what was read on it, whatever is in now. */
export interface FittingTold {
  readonly id: string
  /** counted from 1, of the check */
  readonly number: number
  /** the last fitting of the check before it was taken apart again: by it the ledger names it */
  readonly until: number
  readonly at: string
  /** `10 · 6`, `nothing`, `not listed` */
  readonly pack: string
  /** `4.2 thou`, `≤ 0: it binds` */
  readonly read: string
  readonly stale: string | null
  /** the state it was in, where that is not the one asked for */
  readonly state: string
}

/** What was read, as it was read: a word is an inequality. */
export function readWords({ atMost, estimate, ...result }: ResultEvaluation, system: UnitSystem): string {
  if (atMost) return `≤ 0: ${atMost.words}`
  const unit = unitOfResult(result.kind, system)
  return estimate ? `${shownFigure({ estimate, limits: result.limits }, unit)} ${unitName(unit)}` : '–'
}

/** Every fitting of a place, from the first on. */
export function fittingsTold(
  document: CheckDocument,
  { trials }: Pick<CheckEvaluation, 'trials'>,
  { place }: Pick<PlaceEvaluation, 'place'>,
  lots: LotMap,
  system: UnitSystem,
): FittingTold[] {
  const kind = checkKind(document.kind)
  return document.trials.flatMap((trial, i) => {
    if (i > 0 && !trial.refitted.includes(place.id)) return []
    const apart = document.trials.findIndex((later, at) => at > i && later.refitted.includes(place.id))
    const until = apart === -1 ? document.trials.length : apart
    const result = trials[until - 1]!.results.find(({ id }) => id === chosenFor(place).result)
    const pieces = pieceList(piecesIn(trial, place.id), lots, unitFor(system))
    const known = packIn(trial, place.id) !== null || (place.startsEmpty === true && !trial.unlisted.includes(place.id))
    return [
      {
        id: trial.id,
        number: i + 1,
        until,
        at: trial.at,
        pack: known ? pieces || 'nothing' : pieces ? `${pieces}, and what was not listed` : 'not listed',
        read: result ? readWords(result, system) : '–',
        stale: result?.stale ?? null,
        state: conditionsOf(kind, document, i)
          .filter(({ is }) => is === 'short')
          .map(stateWords)
          .join(', '),
      },
    ]
  })
}
