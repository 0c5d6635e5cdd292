import type { Estimate } from '../../reading/estimate'
import { judge, type DecisionRule, type VerdictState } from '../../verdict/decide'
import { SIZE_WORDS, verdictWord } from '../../verdict/words'
import { predict } from '../../choice/answer/predict'
import { lotMap, pieceCount, samePack, type Lot, type Pack } from '../../pack/lot'
import { insideRange } from '../../verdict/limits'
import { positionIn, resultId, type CheckKind } from '../contract'
import { chosenFor, type PackPlace } from '../pack-place'
import { drawerFor, piecesIn, type CheckDocument } from '../document'
import type { FittingEvaluation, ResultEvaluation } from './evaluated'
import type { PlaceEvaluation } from './evaluate-place'
import type { CatalogueEntry, Catalogue } from '../catalogue'

/** An entry against the limits of the check. */
export interface JudgedEntry extends CatalogueEntry {
  /** of all that is judged, the worst; `no-limit` where nothing is */
  readonly state: VerdictState
  /** the same in the words of the figure that decides */
  readonly word: string
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

/** What can be chosen from each catalogue of the kind, judged. */
export function cataloguesOf(
  document: CheckDocument,
  kind: CheckKind,
  { answers, results }: FittingEvaluation,
  evaluated: readonly PlaceEvaluation[],
  lots: readonly Lot[],
): JudgedCatalogue[] {
  const places = kind.places(document.setup)
  const drawer = (id: string) =>
    drawerFor(
      document,
      lots,
      places.find(place => place.id === id)!,
    )
  return (kind.catalogues?.(document.setup, answers, drawer) ?? []).map(catalogue => {
    const at = evaluated.find(({ place }) => place.id === catalogue.place)!
    const entries = catalogue.entries.flatMap(entry => {
      const whole = withThickness(entry, at, lots)
      return whole
        ? [
            judged(
              whole,
              results,
              document.rule,
              whole.pieces.every(piece => hasEnough(piece, catalogue.place)),
            ),
          ]
        : []
    })
    const sorted = entries.sort(
      (a, b) =>
        rounded(b.chance) - rounded(a.chance) ||
        WORSE.indexOf(b.state) - WORSE.indexOf(a.state) ||
        pieceCount(a.pieces) - pieceCount(b.pieces) ||
        a.merit - b.merit,
    )
    const unknown = hasWindow(at.place) && !at.request ? at.note : null
    return { ...catalogue, note: catalogue.note ?? unknown, entries: sorted }
  })

  function hasEnough({ lotId, count }: Pack[number], place: string): boolean {
    const lot = lots.find(({ id }) => id === lotId)
    const inPlace = piecesIn(document.trials.at(-1)!, place).find(piece => piece.lotId === lotId)?.count ?? 0
    return lot !== undefined && lot.onHand - lot.reserved + inPlace >= count
  }
}

const hasWindow = ({ chosen }: PackPlace): boolean => chosen.by === 'catalogue' && chosen.window

/** With what its thickness leaves of the result, reckoned as that of any pack; null where nothing can be reckoned yet. */
function withThickness(entry: CatalogueEntry, { place, request, result }: PlaceEvaluation, lots: readonly Lot[]): CatalogueEntry | null {
  if (!hasWindow(place)) return entry
  if (!request) return null
  const { question, fitted, response } = request
  const own = positionIn(chosenFor(place).result)
  // What is in reads as it reads, though that cannot be told from zero.
  const read = question.bound && samePack(entry.pieces, fitted) && result?.valid ? result.estimate : null
  if (read) return { ...entry, leaves: [{ ...own, estimate: read }, ...entry.leaves] }
  const { play, lines, ...spread } = predict(question, fitted, entry.pieces, lotMap(lots), response)
  const estimate: Estimate = { value: play, n: 1, lines, oneMore: null, ...spread }
  return { ...entry, leaves: [{ ...own, estimate, ...(question.bound ? { atMost: true } : {}) }, ...entry.leaves] }
}

/** Chances nearer than this are alike: it is no matter for a technician. */
const ALIKE = 0.01
const rounded = (chance: number | null) => (chance === null ? 0 : Math.round(chance / ALIKE))

function judged(entry: CatalogueEntry, results: readonly ResultEvaluation[], rule: DecisionRule, here: boolean): JudgedEntry {
  const verdicts = entry.leaves.flatMap(({ result, position, estimate, atMost }) => {
    const own = results.find(({ id }) => id === resultId(result, position))
    if (!own || own.kind.unjudged || !own.limits.working) return []
    if (atMost) {
      const state = estimate.value < insideRange(own.limits.working).low ? 'below' : 'close'
      return [{ state, chance: null, word: verdictWord(state, own.kind.ends) } as const]
    }
    const { state, chance } = judge({ value: estimate.value, u: estimate.u, nu: estimate.nu }, own.limits.working, rule)
    return [{ state, chance, word: verdictWord(state, own.kind.ends) }]
  })
  const chances = verdicts.flatMap(({ chance }) => (chance ? [chance.inside] : []))
  const untold = entry.leaves.some(({ atMost }) => atMost)
  const worst = WORSE.flatMap(state => verdicts.find(verdict => verdict.state === state) ?? [])[0]
  return {
    ...entry,
    state: worst?.state ?? 'no-limit',
    word: worst?.word ?? verdictWord('no-limit', SIZE_WORDS),
    chance: chances.length > 0 && !untold ? Math.min(...chances) : null,
    here,
  }
}
