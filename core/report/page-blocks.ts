import { unitName } from '../quantity/figure'
import { lowerFirst } from '../quantity/first-letter'
import { pieceList } from '../pack/arithmetic'
import { lotMap, packChange, type LotMap } from '../pack/lot'
import { describeLimits } from '../verdict/limits'
import { byGravity } from '../check/evaluate/gravity'
import { stateWord } from '../check/evaluate/state-words'
import { piecesIn, type CheckDocument } from '../check/document'
import type { CheckEvaluation } from '../check/evaluate/evaluate-check'
import type { EvaluatedCheck } from './check-blocks'
import { evidenceWords } from './evidence'
import { staleWords } from '../check/parts'
import { checkKind } from '../check/registry'
import { figureOf, figuresOf, isChanged, unitOf } from './check-blocks'
import { table, text, type Block } from './report'

/** Lines of figures that fit on a page beside what was done. */
const LINES = 22

/** Several checks on one page, for whoever owns the unit: what each was found at and left at, what was done, and who signed it. */
export function pageBlocks(all: readonly EvaluatedCheck[], time: (at: string) => string): Block[] {
  const each = Math.max(1, Math.floor(LINES / all.length))
  const cautions = [...new Set(all.flatMap(({ check }) => checkKind(check.kind).safety ?? []))]
  return [
    ...cautions.map(words => text(words, 'caution')),
    ...table(
      'What was measured',
      ['Check', 'Figure', 'As found', 'Now', '', 'Limits'],
      all.flatMap(({ check, evaluation }) => figureLines(check, evaluation, each)),
      [2, 3],
    ),
    ...table(
      'What was done',
      ['Check', 'Done', 'Signed'],
      all.map(({ check, evaluation }) => [
        check.title,
        doneWords(check, evaluation, lotMap(evaluation.lots)),
        check.signOff ? `${check.signOff.by}, ${time(check.signOff.at)}` : 'not signed',
      ]),
    ),
  ]
}

/** What is out comes first; what there is no room for is counted. */
function figureLines(check: CheckDocument, evaluation: CheckEvaluation, most: number): string[][] {
  const read = figuresOf(evaluation, 'page').filter(({ before, after }) =>
    [before, after].some(result => result && figureOf(result, check) !== '–'),
  )
  const all = read.sort((a, b) => byGravity(a.after, b.after))
  if (all.length === 0) return [[check.title, 'not measured', '', '', evaluation.word, '']]
  const lines = all.slice(0, most).map(({ name, before, after }, i) => {
    return [
      i === 0 ? check.title : '',
      `${name}, ${unitName(unitOf(after, check))}`,
      // Nothing was changed: it goes out as it came in.
      figureOf(isChanged(check) ? before : after, check),
      figureOf(after, check),
      stateWord(after),
      describeLimits(after.limits.working, unitOf(after, check)),
    ]
  })
  const left = all.length - lines.length
  return left === 0 ? lines : [...lines, ['', `${left} more in full`, '', '', '', '']]
}

/** `out 10, in 4 thou; race replaced: pitted; accepted: one step off`. */
function doneWords(check: CheckDocument, { places, reminders }: CheckEvaluation, index: LotMap): string {
  const [first, last] = [check.trials[0]!, check.trials.at(-1)!]
  const list = (pack: Parameters<typeof pieceList>[0]) => pieceList(pack, index, check.entryUnit)
  const moved = places.flatMap(({ place: { id, label } }) => {
    const change = packChange(piecesIn(first, id), piecesIn(last, id))
    const words = [change.out.length ? `out ${list(change.out)}` : '', change.in.length ? `in ${list(change.in)}` : '']
      .filter(Boolean)
      .join(', ')
    return words === '' ? [] : [`${places.length > 1 ? `${lowerFirst(label)}: ` : ''}${words} ${unitName(check.entryUnit)}`]
  })
  const open = reminders.filter(({ cleared }) => cleared === null).map(({ words }) => lowerFirst(words))
  const said = [
    ...moved,
    ...check.partChanges.map(change => lowerFirst(staleWords(checkKind(check.kind).parts(check.setup), change))),
    ...evidenceWords(check),
    ...(check.signOff?.reason ? [`accepted: ${check.signOff.reason}`] : []),
    ...(open.length > 0 ? [`still to do: ${open.join(', ')}`] : []),
  ]
  return said.join('; ') || (check.trials.some(({ readings }) => readings.length > 0) ? 'measured, nothing changed' : 'nothing yet')
}
