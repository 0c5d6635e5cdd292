import { allocate, type Allocation, type Progress } from '../../../choice/answer/allocation/allocate'
import type { PlaceQuestion } from '../../../choice/answer/allocation/columns'
import type { Solve } from '../../../choice/answer/allocation/solver'
import { lotUncertainty, packTotal, pieceScatter, thickness, lotMap, type Lot, type Pack } from '../../../pack/lot'
import { formatLength } from '../../../quantity/format-length'
import { rectangular } from '../../../reading/budget'
import { quadrature } from '../../../reading/statistics'
import { chanceInLimits } from '../../../verdict/chance'
import { SURE } from '../../../verdict/decide'
import { endsOf } from '../../../verdict/limits'
import type { CheckDocument } from '../../document'
import { drawerOfAll, openPlaces, type CheckEvaluation } from '../../evaluate/evaluate-check'
import { diametersOf } from '../../common/diameters'
import { diameterPoints } from './layout'
import { readBearings } from './setup'

/** The shaft reground to one size, and one grade of shells throughout. */
export interface Regrind {
  readonly lotId: string
  /** every journal, nm */
  readonly journal: number
  readonly bought: Pack
  readonly ordered: Pack
}

/** One way to bring the bearings into limits, with what it costs. Prices in the smallest coin; null where one is not known. */
export interface ShellOption {
  readonly id: 'alike' | 'mixed' | 'regrind'
  readonly title: string
  readonly allocation: Allocation | null
  readonly regrind: Regrind | null
  readonly opened: number
  readonly parts: number | null
  readonly labour: number | null
  readonly total: number | null
  /** of the bearings measured */
  readonly inLimits: number
  readonly bearings: number
  /** the least chance of a bearing; null where one is out of reach */
  readonly worst: number | null
  readonly words: string
}

/** How far journals are off the size they are ground to, half-width, nm, where nothing is said. Common practice. */
const GRIND_ERROR = 5_000

/** What grinding takes off the smallest diameter at least, nm. Common practice. */
const CLEAN_UP = 10_000

/**
 * What can be done about worn bearings, side by side: pairs of one grade a bearing, mixed from what there is; halves mixed too; or
 * the shaft reground and one grade throughout.
 */
export function shellOptions(
  document: CheckDocument,
  evaluation: CheckEvaluation,
  lots: readonly Lot[],
  how: { readonly goal: 'nearest' | 'cheapest'; readonly ordering: boolean },
  solve: Solve,
  progress: Progress = () => {},
): ShellOption[] {
  const places = openPlaces(evaluation)
  if (places.length === 0) return []
  const drawer = drawerOfAll(evaluation)
  const { labour } = readBearings(document.setup)
  const chosen = (id: 'alike' | 'mixed', title: string): ShellOption => {
    const allocation = allocate(
      {
        drawer,
        places: id === 'alike' ? places.map(place => ({ ...place, response: { ...place.response, pair: true } })) : places,
        ...how,
        opening: labour ?? 0,
      },
      solve,
      progress,
    )
    const opened = allocation.places.filter(({ change }) => change.in.length > 0).length
    const inLimits = allocation.places.filter(({ pack }) => pack !== null).length
    const worst = allocation.places.reduce<number | null>(
      (least, { inside }) => (least === null || inside === null ? null : Math.min(least, inside)),
      1,
    )
    const work = labour === null ? null : labour * opened
    return {
      id,
      title,
      allocation,
      regrind: null,
      opened,
      parts: allocation.cost,
      labour: work,
      total: sum(allocation.cost, work),
      inLimits,
      bearings: places.length,
      worst,
      words: allocation.words,
    }
  }
  return [
    chosen('alike', 'Keep and mix grades, halves alike'),
    chosen('mixed', 'Mix grades, halves too'),
    regrindOption(document, evaluation, lots, places, drawer),
  ]
}

const sum = (a: number | null, b: number | null): number | null => (a === null || b === null ? null : a + b)

/** The cheapest grade of shells for which one size of journal, below every present one, suits all bearings. */
function regrindOption(
  document: CheckDocument,
  evaluation: CheckEvaluation,
  lots: readonly Lot[],
  places: readonly PlaceQuestion[],
  drawer: readonly Lot[],
): ShellOption {
  const index = lotMap(lots)
  const { results } = evaluation.current
  const show = (value: number) => formatLength(value, document.entryUnit === 'mm' ? 'mm' : 'in', { unit: true })
  const setup = readBearings(document.setup)
  const { regrind, labour } = setup
  const uGround = rectangular(setup.grindError ?? GRIND_ERROR)
  const work = labour === null || regrind === null ? null : regrind + labour * places.length
  const base = {
    id: 'regrind',
    title: 'Regrind the shaft, one grade',
    allocation: null,
    opened: places.length,
    labour: work,
    bearings: places.length,
  } as const
  const none = (words: string): ShellOption => ({ ...base, regrind: null, parts: null, total: null, inLimits: 0, worst: null, words })

  const bearings = places.flatMap(place => {
    const clearance = results.find(
      result => result.id === evaluation.places.find(({ place: { id } }) => id === place.id)!.place.effects[0].result,
    )
    const journal = results.find(result => result.kind.id === 'journal' && result.position === clearance?.position)
    const ends = endsOf(place.question.limits)
    // Bore with the present shells: what is measured of it carries over; the journal is cut away.
    return clearance?.estimate && journal?.estimate && ends
      ? [
          {
            place,
            ends,
            position: clearance.position!,
            bore: clearance.estimate.value + journal.estimate.value,
            u: clearance.estimate.u,
            nu: clearance.estimate.nu,
          },
        ]
      : []
  })
  if (bearings.length < places.length) return none('Journals and limits are needed to reckon a regrind.')

  const read = bearings.flatMap(({ position }) =>
    diametersOf(diameterPoints(setup, 'journal', position), evaluation.current.answers).map(({ estimate }) => estimate.value),
  )
  const smallest = Math.min(...read) - CLEAN_UP
  const pairs = places.length
  const options = drawer
    .flatMap(lot => {
      const spans = bearings.map(({ bore, ends, place }) => {
        const inside = bore - (2 * thickness(lot) - packTotal(place.fitted, index))
        return { aim: inside - place.question.aim, low: inside - ends.upper, high: inside - ends.lower }
      })
      const low = Math.max(...spans.map(span => span.low))
      const high = Math.min(...spans.map(span => span.high), smallest)
      if (!(low <= high)) return []
      const aims = spans.reduce((total, span) => total + span.aim, 0) / spans.length
      const journal = Math.min(high, Math.max(low, aims))
      const chances = bearings.map(
        ({ place, u, nu, bore }) =>
          chanceInLimits(
            {
              value: bore - (2 * thickness(lot) - packTotal(place.fitted, index)) - journal,
              u: quadrature(u, place.question.uRefit, uGround, 2 * lotUncertainty(lot), Math.SQRT2 * pieceScatter(lot)),
              nu,
            },
            place.question.limits,
          )?.inside ?? 1,
      )
      const free = Math.max(0, lot.onHand - lot.reserved)
      return [
        {
          lot,
          journal,
          worst: Math.min(...chances),
          sure: chances.filter(chance => chance >= SURE).length,
          parts: lot.cost === null ? null : lot.cost * 2 * pairs,
          ordered: Math.max(0, 2 * pairs - free),
        },
      ]
    })
    .sort((a, b) => b.sure - a.sure || (a.parts ?? Infinity) - (b.parts ?? Infinity) || thickness(a.lot) - thickness(b.lot))
  const best = options[0]
  if (!best) return none('No grade in the catalogue suits every bearing with one size of journal.')
  const pack = (count: number): Pack => (count > 0 ? [{ lotId: best.lot.id, count }] : [])
  return {
    ...base,
    regrind: { lotId: best.lot.id, journal: best.journal, bought: pack(2 * pairs), ordered: pack(best.ordered) },
    parts: best.parts,
    total: sum(best.parts, work),
    inLimits: places.length,
    worst: best.worst,
    words: `Every journal ground to ${show(best.journal)}, from ${show(smallest + CLEAN_UP)} at its smallest now. Measured anew after grinding.`,
  }
}
