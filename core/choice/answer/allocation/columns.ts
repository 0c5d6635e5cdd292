import type { Asked } from '../../question/question'
import type { PackRules } from '../../question/rules'
import { chanceInLimits } from '../../../verdict/chance'
import { FAIRLY_SURE, SURE } from '../../../verdict/decide'
import { insideRange } from '../../../verdict/limits'
import { fineWidth } from '../chooser/merit'
import { prepareDrawer } from '../chooser/prepare'
import type { Found } from '../chooser/question'
import { searchPacks } from '../chooser/search'
import { samePack, lotMap, type Lot, type Pack } from '../../../pack/lot'
import { predict } from '../predict'
import { piecesPerPick } from '../../../pack/response'

/** One of several places that choose from one drawer. */
export interface PlaceQuestion extends Asked {
  readonly id: string
  readonly rules: PackRules
}

/** A pack that would bring its place into limits. */
export interface Column {
  readonly pack: Pack
  /** what it leaves, nm */
  readonly play: number
  /** 0: at least 95 % in limits, 1: 80, 2: 50, 3: less */
  readonly doubt: number
  /** not what is fitted */
  readonly changed: boolean
  /** squared distance from the aim, in bins of the order of merit, to a thousandth */
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
export function columnsFor(
  { fitted, response, rules, question }: PlaceQuestion,
  drawer: readonly Lot[],
  most = Infinity,
  listed: ListedBy = { by: 'distance' },
): Columns {
  if (question.bound) return { columns: [], beyond: [] }
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
  const allowed = insideRange(question.limits)
  const { found, proven } = searchPacks(prepared, {
    from: question.from,
    uRefit: question.uRefit,
    aim: question.aim,
    // One bin holds all that is in limits: nothing parts them before their cost.
    width: priced ? Infinity : width,
    limits: question.limits,
    levels: LEVELS,
    wanted: Number.isFinite(most) ? most + 1 : 1e6,
    allowed: { low: Math.max(allowed.low, question.atLeast ?? -Infinity), high: allowed.high },
  })
  const per = piecesPerPick(response)
  const packs = found
    .slice(0, most)
    .map(({ picks }): Pack => picks.flatMap((x, at) => (x > 0 ? [{ lotId: prepared.lots[at]!.id, count: x * per }] : [])))
    .filter(pack => !question.before.some(other => samePack(other.pack, pack)))
  // What was measured leaves what it left: the pack that is fitted, and those that were before.
  const measured = [...(question.measured ? [fitted] : []), ...question.before.map(({ pack }) => pack)].filter(
    (pack, i, all) => prepared.allows(pack) && all.findIndex(other => samePack(other, pack)) === i,
  )
  const columns = [...measured, ...packs].flatMap((pack): Column[] => {
    const { play, u, nu } = predict(question, fitted, pack, index, response)
    if (play < allowed.low || play > allowed.high) return []
    const inside = chanceInLimits({ value: play, u, nu }, question.limits)?.inside ?? 1
    return [
      {
        pack,
        play,
        doubt: LEVELS.filter(level => inside < level).length,
        changed: !samePack(pack, fitted),
        distance: Math.round(((play - question.aim) / width) ** 2 * 1000) / 1000,
      },
    ]
  })
  return { columns: columns.sort((a, b) => a.doubt - b.doubt), beyond: proven && found.length <= most ? [] : leftOut(found.at(-1), priced) }
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
