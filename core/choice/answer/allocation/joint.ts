import { lotMap, type Lot, type Pack } from '../../../pack/lot'
import { piecesPerPick } from '../../../pack/response'
import type { Judged } from '../../question/question'
import { movedBy } from '../../window/window'
import { fineWidth } from '../chooser/merit'
import { prepareDrawer } from '../chooser/prepare'
import { searchPacks } from '../chooser/search'
import { alsoRange, isWithin } from '../leaves'
import { predictSum } from '../predict'
import { insideRange } from '../../../verdict/limits'
import { columnOf, type Columns, type PlaceQuestion } from './columns'

/** Places in groups: two that move one result are of one group, and so are those that hang together by a third. */
export function groupsOf(places: readonly PlaceQuestion[]): PlaceQuestion[][] {
  const results = (place: PlaceQuestion) => movedBy(place).map(({ id }) => id)
  return places.reduce<PlaceQuestion[][]>((groups, place) => {
    const own = results(place)
    const touched = groups.filter(group => group.some(other => results(other).some(id => own.includes(id))))
    return [...groups.filter(group => !touched.includes(group)), [...touched.flat(), place]]
  }, [])
}

/** Packs looked at for each place, and ways to have chosen the places before it that are gone on with. */
const LOOKED_AT = 10
const GONE_ON_WITH = 30
/** A place that stays out of limits weighs more than any distance. */
const OUT = 1e9

/** Some places chosen for, the others as they are. */
interface Way {
  readonly packs: readonly Pack[]
  /** squared distance from the aims, of the places chosen for */
  readonly distance: number
}

/**
 * Packs for places that move results of each other: place by place, each chosen with those before it as they will be. A result that a
 * later place moves too is left to that place. Nearest the aims first; where the drawer reaches no limits, what stays as it is counts
 * as missing, and nothing is brought nearer to where it binds.
 * @param drawerOf  what a place may use
 */
export function jointColumns(group: readonly PlaceQuestion[], drawerOf: (place: PlaceQuestion) => readonly Lot[]): Columns {
  const movers = (id: string) => group.filter(place => movedBy(place).some(one => one.id === id)).length
  // Whose own result the fewest others move comes first.
  const order = group.map((_, i) => i).sort((a, b) => movers(group[a]!.question.id) - movers(group[b]!.question.id))
  const drawers = group.map(drawerOf)
  const lots = lotMap(drawers.flat())
  const prepared = group.map(({ fitted, response, rules }, p) => prepareDrawer(drawers[p]!, fitted, response, rules))
  let complete = true
  let ways: Way[] = [{ packs: group.map(({ fitted }) => fitted), distance: 0 }]
  for (const [at, p] of order.entries()) {
    const next = ways.flatMap(({ packs, distance }) =>
      candidates(p, at, packs).map(({ pack, off }) => ({ packs: packs.with(p, pack), distance: distance + off })),
    )
    if (next.length > GONE_ON_WITH) complete = false
    ways = next.sort((a, b) => a.distance - b.distance).slice(0, GONE_ON_WITH)
  }
  const columns = ways.map(({ packs }) => columnOf(group, packs, lots)).filter(column => column !== null)
  const whole = columns.filter(({ missing }) => missing === 0)
  const found = (whole.length > 0 ? whole : columns).sort((a, b) => a.doubt - b.doubt || a.distance - b.distance)
  return { columns: found, beyond: complete ? [] : [{ doubt: 0, distance: 0, cost: 0 }] }

  /** What is fitted, and packs that bring into limits what no later place moves; each with how far it is off its aim, squared. */
  function candidates(p: number, at: number, packs: readonly Pack[]): { readonly pack: Pack; readonly off: number }[] {
    const place = group[p]!
    const later = order.slice(at + 1).flatMap(i => movedBy(group[i]!).map(({ id }) => id))
    const before = order.slice(0, at)
    const shifted = <One extends Judged>(one: One): One => {
      const swaps = before.flatMap(i =>
        movedBy(group[i]!).flatMap(({ id, perPiece }) => (id === one.id ? [{ perPiece, fitted: group[i]!.fitted, next: packs[i]! }] : [])),
      )
      const { play, u, nuExact: nu } = predictSum({ from: one.from, uRefit: 0 }, swaps, lots)
      return { ...one, from: { play, u, nu }, limits: later.includes(one.id) ? null : one.limits }
    }
    const question = shifted(place.question)
    const also = (place.question.also ?? []).map(shifted)
    const inside = insideRange(question.limits)
    const others = alsoRange(also, question.from, place.response)
    const allowed = {
      low: Math.max(inside.low, question.atLeast ?? -Infinity, others.low),
      high: Math.min(inside.high, others.high),
    }
    const width = fineWidth(question.unit)
    const { found, proven } = searchPacks(prepared[p]!, {
      from: question.from,
      uRefit: question.uRefit,
      aim: question.aim,
      width,
      limits: question.limits,
      also,
      allowed,
      wanted: LOOKED_AT,
    })
    if (!proven || found.length === LOOKED_AT) complete = false
    const per = piecesPerPick(place.response)
    const off = (play: number) => ((play - question.aim) / width) ** 2
    const now = Math.round(question.from.play)
    return [
      { pack: place.fitted, off: isWithin(allowed, now) ? off(now) : OUT },
      ...found.map(({ picks, play }) => ({
        pack: picks.flatMap((x, lot) => (x > 0 ? [{ lotId: prepared[p]!.lots[lot]!.id, count: x * per }] : [])),
        off: off(play),
      })),
    ]
  }
}
