import { formatChange, systemOf, unitName } from '../quantity/figure'
import { lowerFirst, upperFirst } from '../quantity/first-letter'
import { pieceList } from '../pack/arithmetic'
import { lotMap, packChange, type LotMap } from '../pack/lot'
import { describeLimits, endsOf, SOURCE_NAME, type LimitSet } from '../verdict/limits'
import { beforeAfter, type BeforeAfter } from '../check/evaluate/before-after'
import { conditionsOf, stateWords } from '../check/evaluate/said-conditions'
import { packIn, piecesIn, type CheckDocument } from '../check/document'
import { shownFigure, type CheckEvaluation } from '../check/evaluate/evaluate-check'
import type { ResultEvaluation } from '../check/evaluate/evaluated'
import { byGravity, isFine } from '../check/evaluate/gravity'
import { resultName, stateWord } from '../check/evaluate/state-words'
import { bothInWords } from '../check/sentence/both-words'
import { staleWords } from '../check/parts'
import { checkKind } from '../check/registry'
import { unitOfResult } from '../check/common/results'
import { lookAt } from '../check/sentence/look-at'
import { answerOf } from '../check/sentence/answer'
import { evidenceOf } from './evidence'
import { fullBlocks } from './full-blocks'
import { bandDrawing } from './drawing'
import { drawings, facts, table, text, type Block, type ReportLength } from './report'

interface Options {
  readonly length: ReportLength
  readonly time: (at: string) => string
}

export interface EvaluatedCheck {
  readonly check: CheckDocument
  readonly evaluation: CheckEvaluation
}

/** One check of a report: what was found and what it is now, what was changed, what it rests on, and who signed it. */
export function checkBlocks({ check, evaluation }: EvaluatedCheck, options: Options): Block[] {
  const kind = checkKind(check.kind)
  const index = lotMap(evaluation.lots)
  const { signOff } = check
  const pending = evaluation.reminders.filter(({ cleared }) => cleared === null)
  const done = evaluation.reminders.filter(({ cleared }) => cleared !== null)
  const states = conditionsOf(kind, check).filter(({ said }) => said !== null)
  return [
    ...(kind.safety ? [text(kind.safety, 'caution')] : []),
    facts([
      ['Check', options.length === 'full' ? kind.title : null],
      ['Verdict', `${evaluation.word}${signOff?.reason ? ', accepted with a reason' : ''}`],
      [
        'To do',
        signOff
          ? null
          : answerOf(lookAt(check, evaluation, evaluation.lots), { system: systemOf(check.entryUnit), time: options.time }).sentence ||
            null,
      ],
      ['Rule', options.length === 'full' ? RULE[check.rule] : null],
      ['Measured', states.map(stateWords).join('; ') || null],
      ['Left out', leftOutWords(evaluation) || null],
      ['Signed', signOff ? `${signOff.by}, ${options.time(signOff.at)}, computed by version ${signOff.core}` : 'not signed'],
      ['Reason', signOff?.reason ?? null],
      ['Opened again', check.reopened ? `${check.reopened.by}, ${options.time(check.reopened.at)}: ${check.reopened.reason}` : null],
      ['Still to do', pending.map(({ words }) => lowerFirst(words)).join('; ') || null],
      [
        'Done since',
        done
          .map(({ words, cleared }) => `${lowerFirst(words)} (${cleared!.how === 'done' ? '' : 'accepted as it is, '}${cleared!.by})`)
          .join('; ') || null,
      ],
    ]),
    ...figures(check, evaluation, options.length),
    ...bands(check, evaluation),
    ...(options.length === 'page' ? evidence(check) : []),
    ...(options.length === 'full' || check.trials.length > 1 ? packs(check, evaluation, index) : []),
    ...table(
      'Replaced or reworked',
      ['What', 'When'],
      check.partChanges.map(change => [staleWords(kind.parts(check.setup), change), options.time(change.at)]),
    ),
    ...warnings(evaluation),
    ...judgedByBoth(check, evaluation),
    ...(options.length === 'full' ? fullBlocks(check, evaluation, index, options.time) : []),
  ]
}

const RULE = {
  plain: 'plain: inside the limits passes',
  careful: 'careful: 80 % sure, or too close to call',
  guarded: 'guarded: 95 % sure, or too close to call',
} as const

export const unitOf = ({ kind }: Pick<ResultEvaluation, 'kind'>, check: CheckDocument) => unitOfResult(kind, systemOf(check.entryUnit))

/** `3.0 ± 0.4`, or what was said instead of a figure. */
export function figureOf(result: ResultEvaluation | null, check: CheckDocument): string {
  if (!result) return '–'
  if (result.estimate) return `${shownFigure(result, unitOf(result, check))} ± ${formatChange(result.estimate.U, unitOf(result, check))}`
  return result.overrule ?? '–'
}

/** `Book 2 – 6 thou (Wheel manual, p. 12, rev. B)`. */
export function limitWords(role: keyof typeof ROLE, set: LimitSet): string {
  const { kind, text: title, page, revision, date } = set.source
  const from = [title || SOURCE_NAME[kind], page && `p. ${page}`, revision && `rev. ${revision}`, date].filter(Boolean).join(', ')
  return `${ROLE[role]} ${describeLimits(set)} (${from})`
}
const ROLE = { book: 'Book', shop: 'Shop', demand: 'Asked for' } as const

/** Was anything done to what was found? */
export const isChanged = ({ trials, partChanges }: CheckDocument): boolean => trials.length > 1 || partChanges.length > 0
/** The figures a report has of a check. In short: what the check is for, and what is out. */
export const figuresOf = ({ found, current }: CheckEvaluation, length: ReportLength): BeforeAfter[] =>
  beforeAfter(found, current).filter(
    ({ before, after }) => length === 'full' || after.kind.main || [before, after].some(result => result && !isFine(result)),
  )

/** Before and after side by side, with what judges it; as it is where nothing was changed. */
function figures(check: CheckDocument, evaluation: CheckEvaluation, length: ReportLength): Block[] {
  const changed = isChanged(check)
  const all = figuresOf(evaluation, length)
  const rows = all.map(({ name, before, after, change }) => {
    const unit = unitOf(after, check)
    const limits = (['book', 'shop'] as const).flatMap(role => {
      const set = after.limits[role]
      return set && set.kind !== 'none' ? [limitWords(role, set)] : []
    })
    const first = `${name}, ${unitName(unit)}`
    const now = [figureOf(after, check), stateWord(after)]
    const { demand } = after.limits
    if (demand) limits.push(limitWords('demand', demand))
    const last = limits.join('; ') || 'no limit known'
    return changed
      ? [
          first,
          figureOf(before, check),
          before ? stateWord(before) : '',
          ...now,
          change ? formatChange(change.value, unit, { sign: true }) : '–',
          last,
        ]
      : [first, ...now, last]
  })
  return changed
    ? table('Before and after', ['Figure', 'As found', '', 'Now', '', 'Change', 'Limits'], rows, [1, 3, 5])
    : table('As found', ['Figure', 'Read', '', 'Limits'], rows, [1])
}

/** Every fitting a column: what was read where. */
function evidence(check: CheckDocument): Block[] {
  const all = evidenceOf(check).filter(({ read }) => read.length > 0)
  const places = [...new Set(all.flatMap(({ read }) => read.map(({ where }) => where)))]
  return table(
    'Readings',
    ['Where', ...all.map(({ fitting }) => upperFirst(fitting))],
    places.map(place => [place, ...all.map(({ read }) => read.find(({ where }) => where === place)?.words ?? '–')]),
    all.map((_, i) => i + 1),
  )
}

/** Each figure the check is for, in its limits. */
function bands(check: CheckDocument, { found, current }: CheckEvaluation): Block[] {
  const changed = isChanged(check)
  return drawings(
    ...beforeAfter(found, current)
      .filter(({ after }) => after.kind.main && after.estimate !== null)
      // Those that are out come first: they are what it is about.
      .sort((a, b) => byGravity(a.after, b.after))
      .slice(0, MOST_BANDS)
      .map(({ name, before, after }) => {
        const ends = endsOf(after.limits.working)
        const end = (value: number | undefined) => (value !== undefined && Number.isFinite(value) ? value : null)
        return bandDrawing({
          name,
          unit: unitOf(after, check),
          ends: after.kind.ends,
          lower: end(ends?.lower),
          upper: end(ends?.upper),
          found: changed ? (before?.estimate ?? null) : null,
          now: after.estimate!,
        })
      }),
  )
}
/** A row of eight bearings is told by its table. */
const MOST_BANDS = 3

/** What was in each place, what is in it now, and what went back to the drawer. */
function packs(check: CheckDocument, { places }: CheckEvaluation, index: LotMap): Block[] {
  const [first, last] = [check.trials[0]!, check.trials.at(-1)!]
  return table(
    `Pieces, ${unitName(check.entryUnit)}`,
    ['Place', 'As found', 'As fitted', 'Out, back to the drawer'],
    places.map(({ place: { id, label } }) => {
      const [then, now] = [packIn(first, id), packIn(last, id)]
      const list = (pack: typeof then, known: boolean) =>
        known ? pieceList(pack ?? [], index, check.entryUnit) || 'nothing' : 'not listed'
      const out = packChange(piecesIn(first, id), piecesIn(last, id)).out
      return [
        label,
        list(then, then !== null),
        list(now ?? piecesIn(last, id), now !== null),
        pieceList(out, index, check.entryUnit) || '–',
      ]
    }),
  )
}

/** Which figures were not judged by their reading alone. */
const judgedByBoth = (check: CheckDocument, { current }: CheckEvaluation): Block[] =>
  current.results.flatMap(result =>
    result.both ? [text(`${resultName(result)}: ${bothInWords(result.both, unitOf(result, check))}.`, 'caution')] : [],
  )

/** What was said of the figures that weigh, worst first. */
function warnings({ current }: CheckEvaluation): Block[] {
  const said = current.results.flatMap(({ findings }) => findings.filter(({ level }) => level !== 'note').map(({ words }) => words))
  return [...new Set(said)].map(words => text(words, 'caution'))
}

/** `bore of main 1, plane B, rear: cannot be reached` */
function leftOutWords({ current }: EvaluatedCheck['evaluation']): string {
  const all = new Map(current.results.flatMap(({ progress }) => progress.leftOut.map(one => [one.point, one] as const)))
  return [...all.values()].map(({ label, reason }) => `${lowerFirst(label)}: ${reason}`).join('; ')
}
