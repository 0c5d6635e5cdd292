import type { CheckDocument } from '../document'
import type { FittingEvaluation, ResultEvaluation } from './evaluated'
import { worstOf } from './gravity'
import type { PlaceEvaluation } from './evaluate-place'

/** What a place says against what it moves: its fittings, or the film it is closed with; null: nothing. */
export function placeDoubt(
  { ledger, film }: Pick<PlaceEvaluation, 'ledger' | 'film'>,
  { trials }: Pick<CheckDocument, 'trials'>,
): string | null {
  if (trials.length > 1 && ledger.state === 'disagree') return 'the fittings do not agree'
  if (film?.out) return 'out of limits once it is closed with its film'
  return trials.length > 1 && ledger.suspect?.id === trials.at(-1)!.id ? 'the other fittings speak against this reading' : null
}

/** In limits, and something named speaks against it: it is told with it wherever it is told. */
const doubted = (result: ResultEvaluation, doubt: string): ResultEvaluation => ({
  ...result,
  doubt,
  state: result.state === 'in' || result.state === 'provisional' ? 'doubted' : result.state,
})

/** The present fitting, with what its places say against what they move. */
export function withPlaceDoubt(
  current: FittingEvaluation,
  places: readonly Pick<PlaceEvaluation, 'ledger' | 'place' | 'film'>[],
  document: Pick<CheckDocument, 'trials'>,
): FittingEvaluation {
  const against = new Map(
    places.flatMap(place => {
      const doubt = placeDoubt(place, document)
      return doubt === null ? [] : [[place.place.effects[0].result, doubt] as const]
    }),
  )
  if (against.size === 0) return current
  const results = current.results.map(result => {
    const doubt = result.doubt === null ? against.get(result.id) : undefined
    return doubt === undefined ? result : doubted(result, doubt)
  })
  const headline = worstOf(results)
  return { ...current, results, headline, state: headline.state }
}
