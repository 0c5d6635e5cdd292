import { dayText } from '../quantity/day'
import { formatChange, formatFigure, systemOf, unitName } from '../quantity/figure'
import { pieceText } from '../quantity/format-length'
import { lotOf, thickness, type LotMap } from '../pack/lot'
import { orderWords, stackingOrder } from '../pack/stacking'
import { readingWords } from '../reading/reading'
import { GAUGE_NAME } from '../reading/gauge'
import { piecesIn, type CheckDocument, type PointReading } from '../check/document'
import type { CheckEvaluation } from '../check/evaluate/evaluate-check'
import { counts } from '../check/evaluate/gravity'
import { resultName } from '../check/evaluate/state-words'
import { unitAt } from '../check/evaluate/gauge-needs'
import { stacked } from '../check/pack-place'
import { fittingsTold } from '../check/sentence/fittings-told'
import { checkKind } from '../check/registry'
import { isTicked } from '../check/said'
import { unitOfResult } from '../check/common/results'
import { stackDrawing } from './drawing'
import { drawings, table, text, type Block } from './report'

/** Everything a figure rests on: each series with its voids, gauges, budgets, fittings with their stacks, the ledger, the steps. */
export function fullBlocks(check: CheckDocument, evaluation: CheckEvaluation, index: LotMap, time: (at: string) => string): Block[] {
  const kind = checkKind(check.kind)
  const points = kind.points(check.setup)
  const unit = systemOf(check.entryUnit)
  const nameOf = (point: string) => points.find(({ id }) => id === point)?.label ?? point
  const wordsOf = (reading: PointReading) => {
    const point = points.find(({ id }) => id === reading.point)
    return readingWords(reading, point ? unitAt(check, point) : check.entryUnit)
  }
  const steps = kind.procedure(check.setup)
  return [
    ...table(
      'Gauges',
      ['Used for', 'Gauge', 'Graduation', 'Permissible error', 'Last check', 'Due'],
      Object.values(check.gauges).map(gauge => [
        GAUGE_NAME[gauge.kind],
        gauge.name,
        formatChange(gauge.graduation, gauge.unit, { unit: true, trim: true }),
        formatChange(gauge.permissibleError, gauge.unit, { unit: true, trim: true }),
        gauge.lastCheck === null ? '–' : dayText(gauge.lastCheck),
        gauge.due ?? '–',
      ]),
      [2, 3],
    ),
    ...check.trials.flatMap((trial, i): Block[] => [
      ...table(
        `Readings, ${i === 0 ? 'as found' : `fitting ${i + 1}, ${time(trial.at)}`}`,
        ['Where', 'Read', 'Struck out, why'],
        trial.readings.map(reading => [nameOf(reading.point), wordsOf(reading), reading.voided?.reason ?? '']),
        [1],
      ),
      ...drawings(
        stackDrawing(
          evaluation.places.map(({ place: { id, label } }) => ({
            label,
            pieces: stackingOrder(piecesIn(trial, id), index, check.packRules.required ?? null).map(lot => ({
              thickness: thickness(lotOf(index, lot)),
              words: pieceText(thickness(lotOf(index, lot)), check.entryUnit),
            })),
          })),
        ),
      ),
      ...table(
        `Stacks, ${i === 0 ? 'as found' : `fitting ${i + 1}`}`,
        ['Place', 'In this order'],
        evaluation.places.flatMap(({ place }) => {
          const pack = piecesIn(trial, place.id)
          const order = stackingOrder(pack, index, check.packRules.required ?? null)
          const sizes = order.map(lot => pieceText(thickness(lotOf(index, lot)), check.entryUnit)).join(' · ')
          const words = orderWords(pack, index, stacked(place))
          return order.length === 0 ? [] : [[place.label, words === '' ? sizes : `${sizes}. ${words}`]]
        }),
      ),
    ]),
    ...evaluation.current.results.filter(counts).flatMap(result => {
      const shown = unitOfResult(result.kind, unit)
      return result.estimate
        ? table(
            `Uncertainty of ${resultName(result)}: ${result.formula}`,
            ['Contribution', `u, ${unitName(shown)}`, 'ν'],
            [
              ...result.estimate.lines.map(line => [line.words, formatChange(line.u, shown, { decimals: 3 }), degrees(line.nu)]),
              [
                `Combined; U = ${result.estimate.k.toFixed(2)} × u at 95 %`,
                formatChange(result.estimate.u, shown, { decimals: 3 }),
                degrees(result.estimate.nu),
              ],
            ],
            [1, 2],
          )
        : []
    }),
    ...evaluation.places.flatMap(({ place, ledger }) =>
      ledger.entries.length > 1
        ? [
            ...table(
              `Ledger, ${place.label.toLowerCase()}`,
              ['Fitting', 'In it', 'Read', 'Base'],
              fittingsTold(check, evaluation, { place }, index, systemOf(check.entryUnit)).map(told => {
                const entry = ledger.entries.find(({ number }) => number === told.until)
                const base = entry ? (entry.base === null ? '–' : formatFigure(entry.base, check.entryUnit)) : 'not held against the others'
                return [String(told.number), told.pack, told.read, base]
              }),
              [3],
            ),
            text(ledger.words),
          ]
        : [],
    ),
    ...table(
      'Steps',
      ['Step', 'Ticked'],
      steps.map(step => [step.text, isTicked(check, step, check.trials.at(-1)!) ? 'yes' : step.required ? 'no, and must be' : 'no']),
    ),
    ...table('Said before, and asked again since', ['Fitting', 'What', 'Said'], struckRows(check)),
  ]
}

const degrees = (nu: number) => (Number.isFinite(nu) ? String(nu) : '∞')

/** What was said and holds no longer, with the fitting it was said of. */
function struckRows({ kind: id, setup, trials, struck }: CheckDocument): string[][] {
  const kind = checkKind(id)
  const numberOf = (trial: string) => String(1 + trials.findIndex(one => one.id === trial))
  return struck.map(({ what, id: of, trial, said }) => {
    switch (what) {
      case 'step':
        return [numberOf(trial), kind.procedure(setup).find(step => step.id === of)?.text ?? of, 'ticked']
      case 'state': {
        const condition = kind.conditions?.(setup).find(one => one.id === of)
        return [numberOf(trial), condition?.label ?? of, condition?.states.find(({ value }) => value === said)?.label ?? `${said}`]
      }
      case 'left-out':
        return [numberOf(trial), kind.points(setup).find(point => point.id === of)?.label ?? of, `left out: ${said}`]
    }
  })
}
