import type { CheckDocument } from '../document'
import type { FittingEvaluation, ResultEvaluation } from './evaluate-fitting'
import { worstOf } from './evaluate-fitting'
import type { PlaceEvaluation } from './evaluate-place'

/** What the fittings of a place say against its present reading; null: nothing. */
export function ledgerDoubt({ ledger }: Pick<PlaceEvaluation, 'ledger'>, { trials }: Pick<CheckDocument, 'trials'>): string | null {
  if (trials.length < 2) return null
  if (ledger.state === 'disagree') return 'the fittings do not agree'
  return ledger.suspect?.id === trials.at(-1)!.id ? 'the other fittings speak against this reading' : null
}

/** In limits, and something named speaks against it: it is told with it wherever it is told. */
const doubted = (result: ResultEvaluation, doubt: string): ResultEvaluation => ({
  ...result,
  doubt,
  state: result.state === 'in' || result.state === 'provisional' ? 'doubted' : result.state,
})

/** The present fitting, with what the ledgers of its places say against what they move. */
export function withLedgerDoubt(
  current: FittingEvaluation,
  places: readonly Pick<PlaceEvaluation, 'ledger' | 'place'>[],
  document: Pick<CheckDocument, 'trials'>,
): FittingEvaluation {
  const against = new Map(
    places.flatMap(place => {
      const doubt = ledgerDoubt(place, document)
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
