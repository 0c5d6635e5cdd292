import type { Estimate } from '../reading/estimate'
import { judge, type DecisionRule, type VerdictState } from '../verdict/decide'
import { pieceCount, type Lot, type Pack } from '../pack/lot'
import type { Exact } from '../quantity/figure'
import { resultId, type CheckKind } from './contract'
import { drawerFor, piecesIn, type CheckDocument } from './document'
import type { FittingEvaluation, ResultEvaluation } from './evaluate-fitting'

/** One way to fill a place: which pieces, how they are set, and what every result would come to. */
export interface CatalogueEntry {
  /** `7 thou, mark to 3:42` */
  readonly words: string
  readonly pieces: Pack
  /** what is set by hand with them, as the reading that records it; null: nothing */
  readonly setting: { readonly point: string; readonly figure: Exact } | null
  /** by kind of result and position */
  readonly leaves: readonly { readonly result: string; readonly position: string | null; readonly estimate: Estimate }[]
}

/** What there is to choose for a place, as the kind reckons it. */
export interface Catalogue {
  readonly place: string
  readonly entries: readonly CatalogueEntry[]
  /** why there is nothing, or what is to be known */
  readonly note: string | null
  /** what else can be done where none of it reaches the limits */
  readonly elsewise: string
}

/** An entry against the limits of the check. */
export interface JudgedEntry extends CatalogueEntry {
  /** of all that is judged, the worst; `no-limit` where nothing is */
  readonly state: VerdictState
  /** that all of it is in limits, by the least sure; null without limits */
  readonly chance: number | null
  /** there are enough of these pieces here */
  readonly here: boolean
}
export interface JudgedCatalogue extends Omit<Catalogue, 'entries'> {
  /** the surest first; among like ones what leaves least */
  readonly entries: readonly JudgedEntry[]
}

const WORSE: readonly VerdictState[] = ['below', 'above', 'close', 'no-limit', 'in']

/** What can be chosen from the catalogue, judged; null where the kind has none, or nothing was measured. */
export function catalogueOf(
  document: CheckDocument,
  kind: CheckKind,
  { answers, results }: FittingEvaluation,
  lots: readonly Lot[],
): JudgedCatalogue | null {
  const places = kind.places(document.setup)
  const drawer = (id: string) =>
    drawerFor(
      document,
      lots,
      places.find(place => place.id === id)!,
    )
  const catalogue = kind.catalogue?.(document.setup, answers, drawer)
  if (!catalogue) return null
  const fitted = piecesIn(document.trials.at(-1)!, catalogue.place)
  const entries = catalogue.entries.map(entry => judged(entry, results, document.rule, entry.pieces.every(hasEnough)))
  const most = ({ leaves }: CatalogueEntry) => Math.max(0, ...leaves.map(({ estimate }) => Math.abs(estimate.value)))
  return {
    ...catalogue,
    entries: entries.sort(
      (a, b) => rounded(b.chance) - rounded(a.chance) || pieceCount(a.pieces) - pieceCount(b.pieces) || most(a) - most(b),
    ),
  }

  function hasEnough({ lotId, count }: Pack[number]): boolean {
    const lot = lots.find(({ id }) => id === lotId)
    const inPlace = fitted.find(piece => piece.lotId === lotId)?.count ?? 0
    return lot !== undefined && lot.onHand - lot.reserved + inPlace >= count
  }
}

/** Chances nearer than this are alike: it is no matter for a technician. */
const ALIKE = 0.01
const rounded = (chance: number | null) => (chance === null ? 0 : Math.round(chance / ALIKE))

function judged(entry: CatalogueEntry, results: readonly ResultEvaluation[], rule: DecisionRule, here: boolean): JudgedEntry {
  const verdicts = entry.leaves.flatMap(({ result, position, estimate }) => {
    const own = results.find(({ id }) => id === resultId(result, position))
    if (!own || own.kind.told || !own.limits.working) return []
    return [judge({ value: estimate.value, u: estimate.u, nu: estimate.nu }, own.limits.working, rule)]
  })
  const chances = verdicts.flatMap(({ chance }) => (chance ? [chance.inside] : []))
  const states = verdicts.map(({ state }) => state)
  return {
    ...entry,
    state: WORSE.find(state => states.includes(state)) ?? 'no-limit',
    chance: chances.length > 0 ? Math.min(...chances) : null,
    here,
  }
}
