import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { markText, matchedSet } from '#core/check/evaluate/matched-set'
import { unitOfResult } from '#core/check/common/results'
import { piecesIn } from '#core/check/document'
import { codeText } from '#core/label/code'
import { fitText, type LabelText } from '#core/label/fit'
import { SHEETS } from '#core/label/sheets'
import { pieceList } from '#core/pack/arithmetic'
import { lotMap, measuredText, packChange, unitMade } from '#core/pack/lot'
import { formatLength, markedText, otherUnit } from '#core/quantity/format-length'
import { formatFigure, systemOf } from '#core/quantity/figure'
import type { LabelOfDto, LabelsDto } from '#shared/dto/label'
import type { LabelView } from '#shared/record'
import type { Database, Sql } from '../database/client'
import { codeNumber } from '../database/codes'
import { gaugeById } from '../database/gauges'
import { jobRow } from '../database/jobs'
import { lotById } from '../database/stock'
import { byTurns } from '../database/turns'
import { notFound, refuse } from '../http/refuse'
import { boxFor } from '../label/layout'
import { loadCheck } from './check-view'

const day = (at: string) => at.slice(0, 10)

/** What stands on the label of a thing. @throws Refused where there is no such thing, or nothing to label */
export async function textOf(sql: Sql, { thing, id }: LabelOfDto): Promise<LabelText> {
  switch (thing) {
    case 'job': {
      const job = await jobRow(sql, id)
      if (!job) throw notFound('job')
      const dates = [job.came_in && `in ${job.came_in}`, job.promised && `promised ${job.promised}`].filter(Boolean).join(', ')
      return { title: job.unit_name, lines: [job.title, job.reference, dates].filter(Boolean) }
    }
    case 'gauge': {
      const gauge = await gaugeById(sql, id)
      if (!gauge) throw notFound('gauge')
      return {
        title: gauge.name,
        lines: gauge.foundWrong
          ? [`FOUND WRONG ${gauge.foundWrong}: do not use`]
          : [
              gauge.lastCheck ? `checked ${gauge.lastCheck}` : 'never checked',
              gauge.due ? `due ${gauge.due}` : 'no day is set for the next',
            ],
      }
    }
    case 'size': {
      const lot = await lotById(sql, id)
      if (!lot) throw notFound('size in the drawer')
      return {
        title: [markedText(lot.nominal), lot.mark].filter(Boolean).join(' '),
        lines: [
          lot.family,
          formatLength(lot.nominal, otherUnit(unitMade([lot])!), { unit: true }),
          lot.measured === null ? '' : `measured ${measuredText(lot.measured, lot)}`,
        ].filter(Boolean),
      }
    }
    case 'set': {
      const { document, lots, job } = await loadCheck(sql, id)
      const set = matchedSet(document, evaluateCheck(document, lots))
      if (!set) throw refuse(422, 'This check makes no matched set.', 'of')
      if (set.void) throw refuse(422, 'This set is void: one of its parts was changed.', 'of')
      const system = systemOf(document.entryUnit)
      return {
        title: 'Matched set: keep together',
        lines: [
          `${job.unit}, ${document.title}`,
          set.members.map(({ label }) => label).join(' + '),
          ...set.marks.map(mark => `${mark.label} ${markText(mark, system)}`),
          ...set.figures.map(
            figure => `${figure.label} ${formatFigure(figure.estimate!.value, unitOfResult(figure.kind, system), { unit: true })}`,
          ),
          set.made ? `${set.made.by}, ${day(set.made.at)}` : 'not signed yet',
        ],
      }
    }
    case 'bag': {
      const { document, lots, job } = await loadCheck(sql, id)
      const [first, last] = [document.trials[0]!, document.trials.at(-1)!]
      const index = lotMap(lots)
      const out = evaluateCheck(document, lots).places.flatMap(({ place: { id: place, label } }) => {
        const pieces = pieceList(packChange(piecesIn(first, place), piecesIn(last, place)).out, index, document.entryUnit)
        return pieces ? [`${label}: ${pieces}`] : []
      })
      if (out.length === 0) throw refuse(422, 'Nothing was taken out in this check.', 'of')
      return { title: 'Taken out', lines: [`${job.unit}, ${document.title}`, ...out, day(last.at)] }
    }
  }
}

/** Labels with their codes, and whether all of each fits on its label; some at a time, since a code may have to be stored. */
export async function labelsOf(db: Database, { of, sheet: id }: Pick<LabelsDto, 'of' | 'sheet'>): Promise<LabelView[]> {
  const sheet = SHEETS.find(candidate => candidate.id === id)!
  const { width, height } = boxFor(sheet)
  const labels: LabelView[] = []
  await byTurns(db, of, async (sql, one) => {
    const text = await textOf(sql, one)
    labels.push({ ...text, code: codeText(one.thing, await codeNumber(sql, one.thing, one.id)), cut: fitText(text, width, height).cut })
  })
  return labels
}
