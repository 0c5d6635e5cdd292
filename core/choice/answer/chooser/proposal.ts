import { formatLength } from '../../../quantity/format-length'
import { formatFigure, systemOf } from '../../../quantity/figure'
import { NM_PER, nm, type LengthUnit, type Nm } from '../../../quantity/length'
import type { Chance } from '../../../verdict/chance'
import { endsOf } from '../../../verdict/limits'
import { leavesOf, surelyIn, worstChance, type Left } from '../leaves'
import { isUntold, type PackQuestion } from '../../question/question'
import { arithmeticLine, changeWords } from '../../../pack/arithmetic'
import { lotOf, packChange, packTotal, pieceCount, thickness, type LotMap, type Pack, type PackChange } from '../../../pack/lot'
import { predict, unmeasuredIn, type Prediction } from '../predict'
import type { Response } from '../../../pack/response'
import { toldText, type Told } from '../../question/told'
import { stackingOrder } from '../../../pack/stacking'

/** A pack with what it would leave. */
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
  /** of the result that is least sure */
  readonly chance: Chance | null
  /** what it leaves of the other results its pieces move */
  readonly also: readonly Left[]
  /** `Take out 10 + 6, put in 2` */
  readonly words: string
  /** the sum in one line */
  readonly arithmetic: string
  /** pieces it puts in that nobody measured */
  readonly unmeasured: number
  /** what it does besides that nobody asked about: a pair that is not alike */
  readonly aside: string | null
  /** further packs that differ from it in nothing that matters at the bench */
  readonly like: number
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
  const also = leavesOf(question.also ?? [], fitted, pack, lots)
  const untold = question.bound || question.told?.by === 'direction' || (question.also ?? []).some(isUntold)
  const own = untold ? null : surelyIn(question, predicted, [{ fitted, next: pack, perPiece: response.perPiece }], lots)
  return {
    pack,
    predicted,
    change,
    atMost: question.bound,
    order: stackingOrder(pack, lots, required),
    total: nm(packTotal(pack, lots)),
    pieces: pieceCount(pack),
    chance: untold ? null : worstChance(own, also),
    also,
    words: changeWords(fitted, pack, lots, question.unit),
    arithmetic: sumInOneLine(question, fitted, { pack, predicted }, lots, response, question.unit),
    unmeasured: unmeasuredIn(change, lots),
    aside: (response.pair ? unequalWords(pack, lots, question.unit) : null) ?? (untold ? null : wholeTaken(question, predicted)),
    like: 0,
  }
}

/** A pair of two sizes: the play is that of both, and what lies between them moves by half of what they differ. */
function unequalWords(pack: Pack, lots: LotMap, unit: LengthUnit): string | null {
  const sizes = pack.flatMap(({ lotId, count }) => Array<number>(count).fill(thickness(lotOf(lots, lotId))))
  const differ = Math.max(...sizes) - Math.min(...sizes)
  if (sizes.length < 2 || differ === 0) return null
  return `Not alike: what lies between moves ${formatLength(differ / 2, unit, { unit: true })} towards the thinner, off the middle if it was there. Say in Set up how far it is off, and both are judged.`
}

/** The usual slip: all the play taken out, where only what is above a limit may go. */
function wholeTaken({ from, limits, cannotBind, told, unit }: PackQuestion, { play }: Prediction): string | null {
  const ends = endsOf(limits)
  if (!ends || told || cannotBind !== 'above' || from.play <= 0 || play > 0 || ends.lower < 0) return null
  const show = (length: number) => formatLength(length, unit)
  const more = play < 0 ? `, and ${show(-play)} more` : ''
  const off =
    from.play > ends.upper
      ? ` What comes off is the play less its limits: ${show(from.play - ends.upper)} to ${formatLength(from.play - ends.lower, unit, { unit: true })}.`
      : ''
  return `The whole play is taken away${more}: it binds.${off}`
}

/** How a proposal's figure came about, in one line: the sum, or the reading that stands in its place. */
export function sumInOneLine(
  grounds: Pick<PackQuestion, 'from' | 'told'>,
  fitted: Pack,
  { pack, predicted }: Pick<Proposal, 'pack' | 'predicted'>,
  lots: LotMap,
  response: Response,
  unit: LengthUnit,
): string {
  const { told } = grounds
  const read = toldText(predicted.play, told, unit, { unit: true })
  switch (predicted.rests) {
    case 'reading':
      return `${read}, as it reads now`
    case 'before':
      return `${read}, as this pack read before`
    case 'sum':
      if (told) return told.by === 'direction' ? '' : lineSum(grounds.from.play, fitted, { pack, predicted }, lots, told, unit)
      return arithmeticLine(Math.round(grounds.from.play), fitted, pack, predicted.play, lots, response, unit)
  }
}

/** The sum by a learned line: `2.40 N·m − 0.050 mm × 20.00 N·m per mm = 1.40 N·m`. */
function lineSum(
  from: number,
  fitted: Pack,
  { pack, predicted }: Pick<Proposal, 'pack' | 'predicted'>,
  lots: LotMap,
  told: Extract<Told, { readonly by: 'slope' }>,
  unit: LengthUnit,
): string {
  const step = systemOf(unit) === 'inch' ? 'thou' : 'mm'
  const change = Math.abs(packTotal(pack, lots) - packTotal(fitted, lots))
  const figure = (play: number) => toldText(play, told, unit, { unit: true })
  const slope = formatFigure(told.per * NM_PER[step], told.unit, { unit: true })
  return `${figure(from)} ${predicted.play < from ? '−' : '+'} ${formatLength(change, unit, { unit: true })} × ${slope} per ${step} = ${figure(predicted.play)}`
}
