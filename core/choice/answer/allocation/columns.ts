import { alsoRange, isForetoldIn, isWithin, leavesTogether, safeFor } from '../leaves'
import { movedBy } from '../../window/window'
import { type LotMap, samePack, lotMap, type Lot, type Pack } from '../../../pack/lot'
import { isUntold, type Asked } from '../../question/question'
import type { PackRules } from '../../question/rules'
import { FAIRLY_SURE, SURE } from '../../../verdict/decide'
import { insideRange } from '../../../verdict/limits'
import { fineWidth } from '../chooser/merit'
import { prepareDrawer } from '../chooser/prepare'
import type { Found } from '../chooser/question'
import { searchPacks } from '../chooser/search'
import { piecesPerPick } from '../../../pack/response'

/** One of several places that choose from one drawer. */
export interface PlaceQuestion extends Asked {
  readonly id: string
  readonly rules: PackRules
  /** ids of what goes there; left out: all of the drawer */
  readonly takes?: readonly string[]
}

/** Packs for the places of a group that would bring it into limits. */
export interface Column {
  /** one a place */
  readonly packs: readonly Pack[]
  /** places of which something stays out of limits */
  readonly missing: number
  /** by the least sure result: 0: at least 95 % in limits, 1: 80, 2: 50, 3: less */
  readonly doubt: number
  /** places that do not keep what is fitted */
  readonly opened: number
  /** squared distance from the aims, in bins of the order of merit, to a thousandth */
  readonly distance: number
}

/** Chances that make a difference between two packs. */
const LEVELS = [SURE, FAIRLY_SURE, 0.5] as const

/** The least a pack that was left out can be. */
export interface Beyond {
  readonly doubt: number
  readonly distance: number
  readonly cost: number
}

export interface Columns {
  /** least doubt first, then by what they were listed by */
  readonly columns: readonly Column[]
  /** what packs left out can be at their best, one way or the other; empty: none were left out */
  readonly beyond: readonly Beyond[]
}

/** What the packs of a place are listed by: how near they come, or what their pieces cost beyond what is there for nothing. */
export type ListedBy = { readonly by: 'distance' } | { readonly by: 'cost'; readonly priceOf: (lot: Lot) => number }

/**
 * Packs of the drawer that bring one place into limits, best first.
 * @param drawer  with what the other places could give up already counted as on hand
 * @param most  of them; those left out are told by what they can be at their best
 */
export function columnsFor(place: PlaceQuestion, drawer: readonly Lot[], most = Infinity, listed: ListedBy = { by: 'distance' }): Columns {
  const { fitted, response, rules, question } = place
  const { also = [] } = question
  if (question.bound || also.some(isUntold)) return { columns: [], beyond: [] }
  const priced = listed.by === 'cost'
  const prepared = priced
    ? prepareDrawer(
        drawer.map(lot => ({ ...lot, cost: listed.priceOf(lot) })),
        fitted,
        response,
        { ...rules, order: 'cost' },
      )
    : prepareDrawer(drawer, fitted, response, rules)
  const index = lotMap(drawer)
  const width = fineWidth(question.unit)
  const others = alsoRange(also, question.from, response)
  const inside = insideRange(question.limits)
  const allowed = {
    low: Math.max(inside.low, question.atLeast ?? -Infinity, others.low),
    high: Math.min(inside.high, others.high),
  }
  const { found, proven } = searchPacks(prepared, {
    from: question.from,
    uRefit: question.uRefit,
    aim: question.aim,
    // One bin holds all that is in limits: nothing parts them before their cost.
    width: priced ? Infinity : width,
    limits: question.limits,
    levels: LEVELS,
    wanted: Number.isFinite(most) ? most + 1 : 1e6,
    allowed,
    ...(question.also ? { also: question.also } : {}),
    doubts: question.doubts,
  })
  const per = piecesPerPick(response)
  const before = [question, ...also].flatMap(one => one.before.map(({ pack }) => pack))
  const packs = found
    .slice(0, most)
    .map(({ picks }): Pack => picks.flatMap((x, at) => (x > 0 ? [{ lotId: prepared.lots[at]!.id, count: x * per }] : [])))
    .filter(pack => !before.some(other => samePack(other, pack)))
  // What was measured leaves what it left: the pack that is fitted, and those that were before.
  const measured = [...(question.measured ? [fitted] : []), ...before].filter(
    (pack, i, all) => prepared.allows(pack) && all.findIndex(other => samePack(other, pack)) === i,
  )
  const columns = [...measured, ...packs].flatMap(pack => columnOf([place], [pack], index) ?? [])
  return { columns: columns.sort((a, b) => a.doubt - b.doubt), beyond: proven && found.length <= most ? [] : leftOut(found.at(-1), priced) }
}

/**
 * What packs at the places of a group come to; null where what is changed leaves anything out of its limits, or nearer to where it
 * binds, and where nothing is in limits at all.
 */
export function columnOf(group: readonly PlaceQuestion[], packs: readonly Pack[], lots: LotMap): Column | null {
  const left = leavesTogether(
    group.map((place, i) => ({ ...place, next: packs[i]! })),
    lots,
  )
  const each = group.map(place => ({ place, moved: movedBy(place) }))
  const judged = new Map(each.flatMap(({ moved }) => moved.map(one => [one.id, one] as const)))
  const out = left.filter(one => !isForetoldIn(judged.get(one.id)!, one)).map(({ id }) => id)
  if (left.some(({ id, play }) => out.includes(id) && !isWithin(safeFor(judged.get(id)!), play))) return null
  const isMissing = ({ moved }: (typeof each)[number]) => moved.some(({ id }) => out.includes(id))
  // What does not come into limits stays as it is: nobody fits a pack for nothing.
  if (each.some((one, i) => isMissing(one) && !samePack(one.place.fitted, packs[i]!))) return null
  const missing = each.filter(isMissing).length
  if (missing === group.length) return null
  const told = left.filter(({ id }) => !out.includes(id))
  const least = Math.min(...told.map(({ chance }) => chance?.inside ?? 1))
  return {
    packs,
    missing,
    doubt: LEVELS.filter(level => least < level).length,
    opened: group.filter(({ fitted }, i) => !samePack(fitted, packs[i]!)).length,
    distance: each.reduce((sum, one) => {
      const { id, aim, unit } = one.place.question
      const { play } = left.find(of => of.id === id)!
      return sum + (isMissing(one) ? 0 : Math.round(((play - aim) / fineWidth(unit)) ** 2 * 1000) / 1000)
    }, 0),
  }
}

/** Those after the last: of its class and no better than it, or of a worse class and anything. */
function leftOut(last: Found | undefined, priced: boolean): Beyond[] {
  if (!last) return [{ doubt: 0, distance: 0, cost: 0 }]
  const [cls, bin, up] = last.key
  const doubt = cls - 1
  return [
    { doubt, distance: priced ? 0 : bin ** 2, cost: priced ? up : 0 },
    ...(doubt < LEVELS.length ? [{ doubt: doubt + 1, distance: 0, cost: 0 }] : []),
  ]
}
