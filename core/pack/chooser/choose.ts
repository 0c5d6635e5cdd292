import { formatLength } from '../../quantity/format-length'
import { UNIT_NAME, nm, type LengthUnit, type Nm } from '../../quantity/length'
import { chanceInLimits, type Chance } from '../../verdict/chance'
import { endsOf, type LimitSet } from '../../verdict/limits'
import { arithmeticLine, changeWords } from '../arithmetic'
import { lotMap, packChange, packTotal, pieceCount, type Pack, type PackChange } from '../lot'
import { predict, type Measured, type Prediction } from '../predict'
import { piecesPerPick } from '../response'
import { stackingOrder } from '../stacking'
import { binWidth, compareKeys } from './merit'
import type { PreparedDrawer } from './prepare'
import { searchPacks, type Found } from './search'

export interface PackQuestion {
  readonly measured: Measured
  readonly uRefit: number
  /** nm */
  readonly aim: Nm
  readonly limits: LimitSet | null
  /** The check's unit: bins, and the sentences. */
  readonly unit: LengthUnit
  /** The side of the limits on which the shaft cannot bind: above for a play. */
  readonly cannotBind: 'above' | 'below'
  readonly wanted?: number
}

export interface Proposal {
  readonly pack: Pack
  /** lot ids in stacking order */
  readonly order: readonly string[]
  readonly total: Nm
  readonly pieces: number
  readonly change: PackChange
  readonly predicted: Prediction
  readonly chance: Chance | null
  /** `Take out 10 + 6, put in 2` */
  readonly words: string
  /** the sum in one line */
  readonly arithmetic: string
  /** pieces it puts in that nobody measured */
  readonly unmeasured: number
  /** as good as its neighbour in the list by everything but the lot's name */
  readonly tied: boolean
}

export interface PackChoice {
  readonly proposals: readonly Proposal[]
  /** false: the search was cut short, better packs may exist */
  readonly proven: boolean
  /** nothing reaches the band: these are for a trial, on the side that cannot bind */
  readonly fallback: boolean
  readonly notes: readonly string[]
}

const WANTED = 5

/**
 * The best packs for a place, best first, proven optimal for the order of merit; or, when nothing reaches the limits, the nearest
 * on the safe side.
 */
export function choosePacks(drawer: PreparedDrawer, question: PackQuestion): PackChoice {
  const wanted = question.wanted ?? WANTED
  const base = {
    measured: question.measured,
    uRefit: question.uRefit,
    aim: question.aim,
    width: binWidth(question.unit),
    limits: question.limits,
    wanted: wanted + 1,
  }
  const { required } = drawer.rules
  if (required !== undefined && !drawer.lots.some(lot => lot.id === required))
    return { proposals: [], proven: true, fallback: false, notes: ['The piece this place requires is not in the drawer.'] }
  const ends = endsOf(question.limits)
  // A pack that is predicted out of limits is no proposal; the nearest ones come up below, named for what they are.
  const best = searchPacks(drawer, {
    ...base,
    ...(ends
      ? {
          allowed: {
            low: ends.lower + (question.limits!.lowerExcluded ? 1 : 0),
            high: ends.upper - (question.limits!.upperExcluded ? 1 : 0),
          },
        }
      : {}),
  })
  const first = best.found[0]
  const show = (play: number) => formatLength(play, question.unit, { trim: true })

  if (first) {
    return { proposals: build(best.found, wanted), proven: best.proven, fallback: false, notes: gapNotes(first) }
  }
  const limit = ends && (question.cannotBind === 'above' ? ends.upper : ends.lower)
  const notes = [drawer.lots.length === 0 ? 'The drawer has no pieces for this place.' : 'Nothing in the drawer reaches the limits.']
  if (limit === null || !Number.isFinite(limit)) return { proposals: [], proven: best.proven, fallback: true, notes }
  const allowed = question.cannotBind === 'above' ? { low: limit, high: Infinity } : { low: -Infinity, high: limit }
  const safe = searchPacks(drawer, { ...base, aim: limit, limits: null, allowed })
  if (safe.found.length > 0) notes.push('These are the nearest on the side that cannot bind: good for a trial, not for the road.')
  else notes.push('Nothing stays on the side that cannot bind either.')
  return { proposals: build(safe.found, wanted), proven: safe.proven, fallback: true, notes }

  /** "4 cannot be had with these pieces: 3 or 5 can." */
  function gapNotes(found: Found): string[] {
    if (found.key[1] === 0) return []
    const nearest = (allowed: { low: number; high: number }) =>
      searchPacks(drawer, { ...base, limits: null, allowed, wanted: 1 }).found[0]?.play
    const options = [nearest({ low: -Infinity, high: question.aim }), nearest({ low: question.aim, high: Infinity })].filter(
      play => play !== undefined && play > 0,
    ) as number[]
    if (options.length === 0) return []
    return [`${show(question.aim)} ${UNIT_NAME[question.unit]} cannot be had with these pieces: ${options.map(show).join(' or ')} can.`]
  }

  function build(found: readonly Found[], count: number): Proposal[] {
    const lots = lotMap(drawer.lots)
    const per = piecesPerPick(drawer.response)
    return found.slice(0, count).map((item, i) => {
      const pack: Pack = item.picks.flatMap((x, at) => (x > 0 ? [{ lotId: drawer.lots[at]!.id, count: x * per }] : []))
      const predicted = predict(question.measured, drawer.fitted, pack, lots, drawer.response, { uRefit: question.uRefit })
      const change = packChange(drawer.fitted, pack)
      return {
        pack,
        predicted,
        change,
        order: stackingOrder(pack, lots, drawer.rules.required ?? null),
        total: nm(packTotal(pack, lots)),
        pieces: pieceCount(pack),
        chance: chanceInLimits({ value: predicted.play, u: predicted.u, nu: predicted.nu }, question.limits),
        words: changeWords(drawer.fitted, pack, lots, question.unit),
        arithmetic: arithmeticLine(
          Math.round(question.measured.play),
          drawer.fitted,
          pack,
          predicted.play,
          lots,
          drawer.response,
          question.unit,
        ),
        unmeasured: change.in.reduce((sum, piece) => sum + (lots.get(piece.lotId)!.measured === null ? piece.count : 0), 0),
        tied: [found[i - 1], found[i + 1]].some(other => other !== undefined && compareKeys(other.key, item.key) === 0),
      }
    })
  }
}
