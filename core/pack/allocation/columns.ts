import { endsOf } from '../../verdict/limits'
import { binWidth } from '../chooser/merit'
import type { PackQuestion } from '../chooser/choose'
import { prepareDrawer, type PackRules } from '../chooser/prepare'
import { searchPacks } from '../chooser/search'
import type { Lot, Pack } from '../lot'
import { piecesPerPick, type Response } from '../response'

/** One of several places that choose from one drawer. */
export interface PlaceQuestion {
  readonly id: string
  readonly fitted: Pack
  readonly response: Response
  readonly rules: PackRules
  readonly question: PackQuestion
}

/** A pack that would bring its place into limits. */
export interface Column {
  readonly pack: Pack
  /** what it leaves, nm */
  readonly play: number
  /** at least 95 % in limits */
  readonly sure: boolean
  /** not what is fitted */
  readonly changed: boolean
  /** squared distance from the aim, in bins of the order of merit, to a thousandth */
  readonly distance: number
}

export interface Columns {
  /** best first: sure ones, then the nearest */
  readonly columns: readonly Column[]
  /** packs left out, if any, are at least this far; null: none were left out */
  readonly beyond: number | null
}

/**
 * Packs of the drawer that bring one place into limits, best first.
 * @param drawer  with what the other places could give up already counted as on hand
 * @param most  of them; those left out are counted by how far they are at least
 */
export function columnsFor({ fitted, response, rules, question }: PlaceQuestion, drawer: readonly Lot[], most = Infinity): Columns {
  const prepared = prepareDrawer(drawer, fitted, response, rules)
  const ends = endsOf(question.limits)
  const width = binWidth(question.unit)
  const allowed = ends
    ? { low: ends.lower + (question.limits!.lowerExcluded ? 1 : 0), high: ends.upper - (question.limits!.upperExcluded ? 1 : 0) }
    : undefined
  const { found, proven } = searchPacks(prepared, {
    measured: question.measured,
    uRefit: question.uRefit,
    aim: question.aim,
    width,
    limits: question.limits,
    wanted: Number.isFinite(most) ? most + 1 : 1e6,
    ...(allowed ? { allowed } : {}),
  })
  const per = piecesPerPick(response)
  const columns = found.slice(0, most).map(({ key, picks, play }): Column => ({
    pack: picks.flatMap((x, at) => (x > 0 ? [{ lotId: prepared.lots[at]!.id, count: x * per }] : [])),
    play,
    sure: key[0] === 1,
    changed: picks.some((x, at) => x * per !== prepared.fittedPieces[at]),
    distance: Math.round(((play - question.aim) / width) ** 2 * 1000) / 1000,
  }))
  return { columns, beyond: proven && found.length <= most ? null : (found.at(-1)?.key[1] ?? 0) ** 2 }
}
