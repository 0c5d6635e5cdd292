import { isUntold, type PackQuestion } from '../../question/question'
import { nm } from '../../../quantity/length'
import { wholeFreedom } from '../../../reading/budget'
import { judge, type DecisionRule, type VerdictState } from '../../../verdict/decide'
import { endsOf, insideRange, type LimitSet } from '../../../verdict/limits'
import type { Measured } from '../../grounds/grounds'
import { samePack } from '../../../pack/lot'
import { alsoRange, isWithin, safeFor, safeRange, type Range } from '../leaves'
import { piecesPerPick, type Response } from '../../../pack/response'
import { NOTHING_THAT_WAY, toldText } from '../../question/told'
import { compareKeys, fineWidth } from './merit'
import type { PreparedDrawer } from './prepare'
import type { Proposal } from './proposal'
import { folded, ranking, stepWidth, type Ranked } from './ranking'
import type { Found, SearchQuestion } from './question'
import { searchPacks } from './search'

export interface PackChoice {
  readonly proposals: readonly Proposal[]
  /** false: the search was cut short, better packs may exist */
  readonly proven: boolean
  /** nothing reaches the band: these are for a trial, on the side that cannot bind */
  readonly fallback: boolean
  readonly notes: readonly string[]
  /** what the next step of the drawer either way would leave instead of the best, in limits or not; left out: not looked for */
  readonly beside?: Beside
}
/** Plays; null: there is no such step. */
export interface Beside {
  readonly less: number | null
  readonly more: number | null
}

const WANTED = 5
/** Results looked at besides, so that those like each other can be folded. */
const MORE = 15
/** A plain In that rests on less than this chance does not stand first. */
const PLAIN_FIRST = 0.8

/**
 * The best packs for a place, best first, proven optimal for the order of merit, with what is fitted among them; or, when nothing
 * reaches the limits, the nearest on the safe side; or, while the play is only known to be zero or less, looser ones for a trial.
 */
export function choosePacks(drawer: PreparedDrawer, question: PackQuestion): PackChoice {
  const { required } = drawer.rules
  if (required !== undefined && !drawer.lots.some(lot => lot.id === required))
    return { proposals: [], proven: true, fallback: false, notes: ['The piece this place requires is not in the drawer.'] }
  const { one } = drawer.rules
  if (one !== undefined && !drawer.single.includes(true))
    return { proposals: [], proven: true, fallback: false, notes: [`One ${one} piece must be in this place, and the drawer has none.`] }
  if (question.told?.by === 'direction') return firstStep(drawer, question)
  if (question.bound) return looser(drawer, question)
  const inside = inLimits(drawer, question)
  return inside.proposals.length > 0 ? inside : onTheSafeSide(drawer, question, inside.proven)
}

/** What a search is asked, beside the plays it may leave. */
const searchFor = (question: PackQuestion): SearchQuestion => ({
  from: question.from,
  uRefit: question.uRefit,
  aim: question.aim,
  width: stepWidth(question),
  limits: question.limits,
  ...(question.also ? { also: question.also } : {}),
  doubts: question.doubts,
  wanted: (question.wanted ?? WANTED) + MORE,
})

/** Which packs are asked for: by the play they leave, and by what they leave of the other results. */
interface Wanted extends Range {
  keeps(others: Proposal['also']): boolean
}
/** In limits, all of them, and not below what an earlier fitting showed to be none. */
function inAll({ limits, atLeast, also = [], from }: PackQuestion, response: Response): Wanted {
  const { low, high } = also.some(isUntold) ? NONE : insideRange(limits)
  const others = alsoRange(also, from, response)
  return {
    low: Math.max(low, others.low, atLeast ?? -Infinity),
    high: Math.min(high, others.high),
    keeps: left => left.every(({ play }, i) => isWithin(insideRange(also[i]!.limits), play)),
  }
}
const NONE: Range = { low: Infinity, high: -Infinity }

/** In a range, and no other result brought nearer to where it binds, but within its limits. */
function safely({ also = [], from }: PackQuestion, response: Response, { low, high }: Range): Wanted {
  const others = safeRange(also, from, response)
  return {
    low: Math.max(low, others.low),
    high: Math.min(high, others.high),
    keeps: left => left.every(({ play }, i) => isWithin(safeFor(also[i]!), play)),
  }
}
const within = (asked: Wanted, { predicted: { play }, also }: Pick<Proposal, 'predicted' | 'also'>): boolean =>
  isWithin(asked, play) && asked.keeps(also)

/** Packs predicted in limits, and what is fitted where it reads in them or is good enough; no proposals when there is neither. */
function inLimits(drawer: PreparedDrawer, question: PackQuestion): PackChoice {
  const rank = ranking(drawer, question)
  const allowed = inAll(question, drawer.response)
  const asked = { ...searchFor(question), ...(question.lean ? { lean: question.lean } : {}), allowed }
  const { found, proven } = searchPacks(drawer, asked)
  const best = withBefore(drawer, question, rank, found, allowed)
  const stay = stayRanked(drawer, question, rank)
  const first = best[0] ?? (stay && (standsFirst(stay.proposal, question) || within(allowed, stay.proposal)) ? stay : null)
  if (!first) return { proposals: [], proven, fallback: false, notes: [] }
  return {
    proposals: withStay(folded(best, question.unit), stay, question, allowed),
    proven,
    fallback: false,
    notes: gapNotes(drawer, question, first),
    ...(drawer.lots.length <= FEW ? { beside: stepsBeside(drawer, question, first.proposal.predicted.play) } : {}),
  }
}

/** Sizes of a drawer whose next steps are looked for: of more there is always one next to it. */
const FEW = 16
/** What the next step either way would leave. @param play  that the best leaves */
function stepsBeside(drawer: PreparedDrawer, question: PackQuestion, play: number): Beside {
  const step = fineWidth(question.unit)
  const next = (aim: number, allowed: Range) =>
    searchPacks(drawer, {
      ...searchFor(question),
      aim: nm(Math.round(aim)),
      width: step,
      limits: null,
      also: [],
      doubts: [],
      wanted: 1,
      allowed,
    }).found[0]?.play ?? null
  return { less: next(play - step, { low: -Infinity, high: play - step }), more: next(play + step, { low: play + step, high: Infinity }) }
}

/** What a search found, best first; packs that were measured before leave what they left, whatever the sum says. */
function withBefore(
  drawer: PreparedDrawer,
  { before, also = [] }: PackQuestion,
  rank: ReturnType<typeof ranking>,
  found: readonly Found[],
  asked: Wanted,
): Ranked[] {
  const packs = [before, ...also.map(other => other.before)].flatMap(list => list.map(({ pack }) => pack))
  const measured = packs
    .filter((pack, i) => !samePack(pack, drawer.fitted) && drawer.allows(pack) && packs.findIndex(other => samePack(other, pack)) === i)
    .map(rank.pack)
    .filter(({ proposal }) => within(asked, proposal))
  const sums = found.map(rank.found).filter(({ proposal }) => !packs.some(pack => samePack(pack, proposal.pack)))
  return [...sums, ...measured].sort((a, b) => compareKeys(a.key, b.key))
}

/** Is what is fitted good enough by the check's own rule? */
function standsFirst({ chance }: Proposal, { measured, limits, rule, also = [], oddNow, doubts }: PackQuestion): boolean {
  const verdict = verdictOn(measured, limits, rule)
  if (oddNow || doubts.length > 0 || also.some(other => other.doubts.length > 0)) return false
  if (also.some(other => other.limits !== null && verdictOn(other.measured, other.limits, rule) !== 'in')) return false
  return verdict === 'in' && (rule !== 'plain' || (chance?.inside ?? 0) >= PLAIN_FIRST)
}
/** Null: there is no figure. */
function verdictOn(measured: Measured | null, limits: LimitSet | null, rule: DecisionRule): VerdictState | null {
  return measured && judge({ value: measured.play, u: measured.u, nu: wholeFreedom(measured.nu) }, limits, rule).state
}

/** Leaving it as it is; null where nothing was measured on it. */
const stayRanked = (drawer: PreparedDrawer, { measured }: PackQuestion, rank: ReturnType<typeof ranking>): Ranked | null =>
  measured ? rank.pack(drawer.fitted) : null

/** Leaving it as it is is always listed: first when the check's rule calls it In, in its place while it is in the range asked for, else last. */
function withStay(proposals: readonly Ranked[], stay: Ranked | null, question: PackQuestion, asked: Wanted): Proposal[] {
  const wanted = question.wanted ?? WANTED
  const others = proposals.map(({ proposal }) => proposal)
  if (!stay) return others.slice(0, wanted)
  if (standsFirst(stay.proposal, question)) return [stay.proposal, ...others.slice(0, wanted - 1)]
  const at = within(asked, stay.proposal) ? proposals.findIndex(({ key }) => compareKeys(stay.key, key) < 0) : -1
  const place = at === -1 || at > wanted - 1 ? Math.min(others.length, wanted - 1) : at
  return [...others.slice(0, place), stay.proposal, ...others.slice(place)].slice(0, wanted)
}

/**
 * Nothing reaches the limits: the nearest beyond the limit where the shaft cannot bind.
 * @param searched  the limits were searched to the end
 */
function onTheSafeSide(drawer: PreparedDrawer, question: PackQuestion, searched: boolean): PackChoice {
  const above = question.cannotBind === 'above'
  const ends = endsOf(question.limits)
  const limit = ends && (above ? ends.upper : ends.lower)
  const untold = (question.also ?? []).find(isUntold)
  const nothing = untold ? `No pack is sure while “${untold.label}” cannot be told from zero.` : 'Nothing in the drawer reaches the limits.'
  const notes = [isBare(drawer) ? 'The drawer has no pieces for this place.' : nothing]
  const nearest = { aim: nm(limit !== null && Number.isFinite(limit) ? limit : question.aim), limits: null }
  const rank = ranking(drawer, question, nearest)
  const stay = stayRanked(drawer, question, rank)
  if (nearest.aim !== limit) return { proposals: stay ? [stay.proposal] : [], proven: searched, fallback: true, notes }

  const allowed = safely(question, drawer.response, above ? { low: limit, high: Infinity } : { low: -Infinity, high: limit })
  const { found, proven } = searchPacks(drawer, { ...searchFor(question), ...nearest, also: [], allowed })
  const safe = stay && within(allowed, stay.proposal) ? stay : null
  // What is further off than what is fitted is of no use to anybody.
  const nearer = withBefore(drawer, question, rank, found, allowed).filter(({ key }) => !safe || compareKeys(key, safe.key) < 0)
  if (nearer.length > 0) notes.push(`These are the nearest on the ${above ? 'loose' : 'safe'} side: good for a trial, not for the road.`)
  else if (!safe) notes.push(above ? 'Every pack there is could bind.' : 'Every pack there is goes past the upper limit.')
  else if (!isBare(drawer)) notes.push('Nothing comes nearer to them than what is fitted.')
  return {
    proposals: withStay(folded(nearer, question.unit), stay, question, allowed),
    proven: searched && proven,
    fallback: true,
    notes,
  }
}

/** Nearest below the upper limit first: the play can be no larger than that, and should be there to be measured. */
function looser(drawer: PreparedDrawer, question: PackQuestion): PackChoice {
  const rank = ranking(drawer, question)
  const { play } = question.from
  const ends = endsOf(question.limits)
  const aim = ends && Number.isFinite(ends.upper) && ends.upper > play ? ends.upper : play + 4 * stepWidth(question)
  const allowed = safely(question, drawer.response, { low: Math.max(play + 1, question.atLeast ?? -Infinity), high: Infinity })
  const { found, proven } = searchPacks(drawer, { ...searchFor(question), aim, limits: null, also: [], allowed })
  const proposals = folded(found.map(rank.found), question.unit).map(({ proposal }) => proposal)
  const note =
    found.length > 0
      ? 'Looser packs, to have a play that can be measured. Each leaves at most what is said.'
      : 'The drawer has nothing that would loosen it.'
  return { proposals: proposals.slice(0, question.wanted ?? WANTED), proven, fallback: true, notes: [note] }
}

/** Only the way is known: the packs nearest a first step that way. What they leave, nobody can say. */
function firstStep(drawer: PreparedDrawer, question: PackQuestion): PackChoice {
  const rank = ranking(drawer, question)
  const allowed: Range = question.aim < 0 ? { low: -Infinity, high: -1 } : { low: 1, high: Infinity }
  const { found, proven } = searchPacks(drawer, { ...searchFor(question), allowed })
  const proposals = folded(found.map(rank.found), question.unit).map(({ proposal }) => proposal)
  const notes = found.length > 0 ? [] : [NOTHING_THAT_WAY]
  return { proposals: proposals.slice(0, question.wanted ?? WANTED), proven, fallback: true, notes }
}

/** "4 cannot be had with these pieces: 3 or 5 can." */
function gapNotes(drawer: PreparedDrawer, question: PackQuestion, first: Ranked): string[] {
  const [, stepsOff] = first.key
  // Closed, or preloaded by a first step, is no play one could have.
  if (stepsOff === 0 || question.aim <= 0) return []
  const finely = { ...searchFor(question), width: fineWidth(question.unit), limits: null, also: [], wanted: 1 }
  const nearest = (allowed: Range) => searchPacks(drawer, { ...finely, allowed }).found[0]?.play
  const options = [nearest({ low: -Infinity, high: question.aim }), nearest({ low: question.aim, high: Infinity })].filter(
    play => play !== undefined && play > 0,
  ) as number[]
  // A pack may pass by it because its own pieces ask for more.
  if (options.length === 0 || options.some(play => Math.abs(play - question.aim) < stepWidth(question))) return []
  const show = (play: number, unit = false) => toldText(play, question.told, question.unit, { trim: true, unit })
  return [`${show(question.aim, true)} cannot be had with these pieces: ${options.map(play => show(play)).join(' or ')} can.`]
}

/** Is there nothing but what is fitted? */
const isBare = ({ lots, available, fittedPieces, response }: PreparedDrawer): boolean =>
  lots.every((_, i) => available[i]! * piecesPerPick(response) <= fittedPieces[i]!)
