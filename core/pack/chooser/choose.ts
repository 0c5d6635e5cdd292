import { formatLength } from '../../quantity/format-length'
import { UNIT_NAME, nm, type LengthUnit, type Nm } from '../../quantity/length'
import { chanceInLimits, type Chance } from '../../verdict/chance'
import { judge, type DecisionRule } from '../../verdict/decide'
import { endsOf, insideRange, type LimitSet } from '../../verdict/limits'
import { arithmeticLine, changeWords } from '../arithmetic'
import { lotMap, packChange, packTotal, pieceCount, pieceVariance, type LotMap, type Pack, type PackChange } from '../lot'
import { predict, refitUncertainty, samePack, unmeasuredIn, type Grounds, type Prediction } from '../predict'
import { piecesPerPick, type Response } from '../response'
import { stackingOrder } from '../stacking'
import { binOf, chanceClass, compareKeys, fineWidth, meritKey, type MeritKey } from './merit'
import type { PreparedDrawer } from './prepare'
import { searchPacks, type Found, type SearchQuestion } from './search'

export interface PackQuestion extends Grounds {
  /** nm */
  readonly aim: Nm
  /** with zero as their floor where the figure is a play */
  readonly limits: LimitSet | null
  readonly rule: DecisionRule
  /** The check's unit: for the sentences. */
  readonly unit: LengthUnit
  /** The side of the limits on which the shaft cannot bind: above for a play. */
  readonly cannotBind: 'above' | 'below'
  /** The play is only known to be `from` or less: packs are looked for that are looser, and leave at most what is said. */
  readonly bound: boolean
  /** An earlier fitting showed that less than this play, reckoned from here, is no play at all. nm; null: none did */
  readonly atLeast: number | null
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
  /** what is predicted is the most it can leave */
  readonly atMost: boolean
  readonly chance: Chance | null
  /** `Take out 10 + 6, put in 2` */
  readonly words: string
  /** the sum in one line */
  readonly arithmetic: string
  /** pieces it puts in that nobody measured */
  readonly unmeasured: number
  /** further packs that differ from it in nothing that matters at the bench */
  readonly like: number
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
/** Results looked at besides, so that those like each other can be folded. */
const MORE = 15
/** A plain In that rests on less than this chance does not stand first. */
const PLAIN_FIRST = 0.8
const NOTHING: PackChoice = { proposals: [], proven: true, fallback: false, notes: [] }

interface Ranked {
  readonly key: MeritKey
  readonly proposal: Proposal
}

/**
 * The best packs for a place, best first, proven optimal for the order of merit, with what is fitted among them; or, when nothing
 * reaches the limits, the nearest on the safe side; or, while the play is only known to be zero or less, looser ones for a trial.
 */
export function choosePacks(drawer: PreparedDrawer, question: PackQuestion): PackChoice {
  const wanted = question.wanted ?? WANTED
  const { required } = drawer.rules
  if (required !== undefined && !drawer.lots.some(lot => lot.id === required))
    return { ...NOTHING, notes: ['The piece this place requires is not in the drawer.'] }
  const lots = lotMap(drawer.lots)
  const context: ProposalContext = { question, fitted: drawer.fitted, lots, response: drawer.response, required: required ?? null }
  const ends = endsOf(question.limits)
  const width = Math.max(1, refitUncertainty(question).U / 2)
  const base: SearchQuestion = {
    from: question.from,
    uRefit: question.uRefit,
    aim: question.aim,
    width,
    limits: question.limits,
    wanted: wanted + MORE,
  }
  if (question.bound) return looser()

  const inside = insideRange(question.limits)
  const allowed = { low: Math.max(inside.low, question.atLeast ?? -Infinity), high: inside.high }
  // A pack that is predicted out of limits is no proposal; the nearest ones come up below, named for what they are.
  const best = searchPacks(drawer, { ...base, allowed })
  const found = [...best.found.map(ranked).filter(({ proposal }) => proposal.predicted.rests === 'sum'), ...measuredBefore()].sort((a, b) =>
    compareKeys(a.key, b.key),
  )
  const stay = question.measured ? rank(drawer.fitted) : null
  if (found.length > 0 || (stay && standsFirst(stay.proposal)))
    return { proposals: withStay(folded(found), stay), proven: best.proven, fallback: false, notes: gapNotes(found[0] ?? stay!) }
  return onTheSafeSide()

  function inRange({ play }: Pick<Prediction, 'play'>): boolean {
    return play >= allowed.low && play <= allowed.high
  }

  /** Packs that were measured before leave what they left, whatever the sum says. */
  function measuredBefore(): Ranked[] {
    return question.before
      .filter(({ pack }) => !samePack(pack, drawer.fitted) && drawer.allows(pack))
      .map(({ pack }) => rank(pack))
      .filter(({ proposal }) => inRange(proposal.predicted))
  }

  function standsFirst({ chance }: Proposal): boolean {
    const { play, u, nu } = { ...question.measured!, nu: Math.max(1, Math.floor(question.measured!.nu * (1 + 1e-12))) }
    const verdict = judge({ value: play, u, nu }, question.limits, question.rule)
    return verdict.state === 'in' && (question.rule !== 'plain' || (chance?.inside ?? 0) >= PLAIN_FIRST)
  }

  /** Leaving it as it is is always listed: first when the check's rule calls it In, in its place while it is inside, else last. */
  function withStay(proposals: readonly Ranked[], stay: Ranked | null): Proposal[] {
    const others = proposals.map(({ proposal }) => proposal)
    if (!stay) return others.slice(0, wanted)
    if (standsFirst(stay.proposal)) return [stay.proposal, ...others.slice(0, wanted - 1)]
    const at = inRange(stay.proposal.predicted) ? proposals.findIndex(({ key }) => compareKeys(stay.key, key) < 0) : -1
    const place = at === -1 || at > wanted - 1 ? Math.min(others.length, wanted - 1) : at
    return [...others.slice(0, place), stay.proposal, ...others.slice(place)].slice(0, wanted)
  }

  function onTheSafeSide(): PackChoice {
    const limit = ends && (question.cannotBind === 'above' ? ends.upper : ends.lower)
    const notes = [isBare(drawer) ? 'The drawer has no pieces for this place.' : 'Nothing in the drawer reaches the limits.']
    const none: PackChoice = { proposals: withStay([], stay), proven: best.proven, fallback: true, notes }
    if (limit === null || !Number.isFinite(limit)) return none
    const side = question.cannotBind === 'above' ? { low: limit, high: Infinity } : { low: -Infinity, high: limit }
    const safe = searchPacks(drawer, { ...base, aim: limit, limits: null, allowed: side })
    if (safe.found.length > 0)
      notes.push(
        question.cannotBind === 'above'
          ? 'These are the nearest on the loose side: good for a trial, not for the road.'
          : 'These are the nearest on the safe side: good for a trial, not for the road.',
      )
    else if (!stay || stay.proposal.predicted.play < side.low || stay.proposal.predicted.play > side.high)
      notes.push('Whatever is fitted, it might bind.')
    return { ...none, proposals: withStay(folded(safe.found.map(ranked)), stay), proven: safe.proven }
  }

  /** Nearest below the upper limit first: the play can be no larger than that, and should be there to be measured. */
  function looser(): PackChoice {
    const aim = ends && Number.isFinite(ends.upper) && ends.upper > question.from.play ? ends.upper : question.from.play + 4 * width
    const { found, proven } = searchPacks(drawer, {
      ...base,
      aim,
      limits: null,
      allowed: { low: Math.max(question.from.play + 1, question.atLeast ?? -Infinity), high: Infinity },
    })
    const notes = [
      found.length > 0
        ? 'Looser packs, to have a play that can be measured. Each leaves at most what is said.'
        : 'The drawer has nothing that would loosen it.',
    ]
    return {
      proposals: folded(found.map(ranked))
        .map(({ proposal }) => proposal)
        .slice(0, wanted),
      proven,
      fallback: true,
      notes,
    }
  }

  /** "4 cannot be had with these pieces: 3 or 5 can." */
  function gapNotes(first: Ranked): string[] {
    if (first.key[1] === 0) return []
    const nearest = (range: { low: number; high: number }) =>
      searchPacks(drawer, { ...base, width: fineWidth(question.unit), limits: null, allowed: range, wanted: 1 }).found[0]?.play
    const options = [nearest({ low: -Infinity, high: question.aim }), nearest({ low: question.aim, high: Infinity })].filter(
      play => play !== undefined && play > 0,
    ) as number[]
    if (options.length === 0) return []
    const show = (play: number) => formatLength(play, question.unit, { trim: true })
    return [`${show(question.aim)} ${UNIT_NAME[question.unit]} cannot be had with these pieces: ${options.map(show).join(' or ')} can.`]
  }

  function packOf({ picks }: Found): Pack {
    const per = piecesPerPick(drawer.response)
    return picks.flatMap((x, at) => (x > 0 ? [{ lotId: drawer.lots[at]!.id, count: x * per }] : []))
  }
  function ranked(item: Found): Ranked {
    return { key: item.key, proposal: proposalFor(context, packOf(item)) }
  }
  function rank(pack: Pack): Ranked {
    const proposal = proposalFor(context, pack)
    const { play } = proposal.predicted
    return {
      proposal,
      key: meritKey(
        drawer.rules.order ?? 'trouble',
        chanceClass(proposal.chance?.inside ?? null),
        binOf(play, question.aim, width),
        Math.abs(play - question.aim),
        {
          pieces: proposal.pieces,
          changes: changesOf(proposal),
          unmeasured: proposal.unmeasured,
          variance: pack.reduce((sum, { lotId, count }) => sum + count * pieceVariance(lots.get(lotId)!), 0),
          cost: pack.reduce((sum, { lotId, count }) => sum + count * (lots.get(lotId)!.cost ?? 0), 0),
        },
      ),
    }
  }

  /** Packs that differ in nothing a technician would care for stand as one: the same chance, trouble and cost, plays that cannot be told apart. */
  function folded(items: readonly Ranked[]): Ranked[] {
    const shown: Ranked[] = []
    for (const item of items) {
      const at = shown.findIndex(other => alike(other, item))
      if (at === -1) shown.push(item)
      else shown[at] = { ...shown[at]!, proposal: { ...shown[at]!.proposal, like: shown[at]!.proposal.like + 1 } }
    }
    return shown
  }
  function alike(a: Ranked, b: Ranked): boolean {
    return (
      a.key[0] === b.key[0] &&
      a.key[6] === b.key[6] &&
      a.proposal.pieces === b.proposal.pieces &&
      a.proposal.unmeasured === b.proposal.unmeasured &&
      changesOf(a.proposal) === changesOf(b.proposal) &&
      Math.abs(a.proposal.predicted.play - b.proposal.predicted.play) < fineWidth(question.unit) / 2
    )
  }
}

/** What a pack is predicted and judged against. */
export interface ProposalContext {
  readonly question: PackQuestion
  readonly fitted: Pack
  readonly lots: LotMap
  readonly response: Response
  readonly required: string | null
}

/** Any pack as a proposal: also one a technician puts together by hand. */
export function proposalFor({ question, fitted, lots, response, required }: ProposalContext, pack: Pack): Proposal {
  const predicted = predict(question, fitted, pack, lots, response)
  const change = packChange(fitted, pack)
  return {
    pack,
    predicted,
    change,
    atMost: question.bound,
    order: stackingOrder(pack, lots, required),
    total: nm(packTotal(pack, lots)),
    pieces: pieceCount(pack),
    chance: question.bound ? null : chanceInLimits({ value: predicted.play, u: predicted.u, nu: predicted.nu }, question.limits),
    words: changeWords(fitted, pack, lots, question.unit),
    arithmetic: sumInOneLine(question, fitted, { pack, predicted }, lots, response, question.unit),
    unmeasured: unmeasuredIn(change, lots),
    like: 0,
  }
}

/** How a proposal's figure came about, in one line: the sum, or the reading that stands in its place. */
export function sumInOneLine(
  grounds: Pick<Grounds, 'from'>,
  fitted: Pack,
  { pack, predicted }: Pick<Proposal, 'pack' | 'predicted'>,
  lots: LotMap,
  response: Response,
  unit: LengthUnit,
): string {
  const read = `${formatLength(predicted.play, unit)} ${UNIT_NAME[unit]}`
  switch (predicted.rests) {
    case 'reading':
      return `${read}, as it reads now`
    case 'before':
      return `${read}, as this pack read before`
    case 'sum':
      return arithmeticLine(Math.round(grounds.from.play), fitted, pack, predicted.play, lots, response, unit)
  }
}

/** Is there nothing but what is fitted? */
const isBare = ({ lots, available, fittedPieces, response }: PreparedDrawer): boolean =>
  lots.every((_, i) => available[i]! * piecesPerPick(response) <= fittedPieces[i]!)

const changesOf = ({ change }: Pick<Proposal, 'change'>): number => pieceCount(change.out) + pieceCount(change.in)
