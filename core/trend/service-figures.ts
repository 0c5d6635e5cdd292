import { beforeAfter } from '../check/evaluate/before-after'
import type { CheckDocument } from '../check/document'
import { evaluateCheck } from '../check/evaluate/evaluate-check'
import type { ResultEvaluation } from '../check/evaluate/evaluated'
import { stateWord } from '../check/evaluate/state-words'
import type { Lot } from '../pack/lot'
import type { MeasureUnit } from '../quantity/measure'
import type { VerdictState } from '../verdict/decide'
import { endsOf } from '../verdict/limits'

/** A figure in small units (nm, nN·m …) with its expanded uncertainty at 95 %. */
export interface Measured {
  readonly value: number
  readonly U: number
}

/** One figure of a signed check: as the unit came in, and as it went out. */
export interface ServiceFigure {
  /** result: `play`, `clearance@3` */
  readonly result: string
  readonly label: string
  /** what it is shown in, where it is no length */
  readonly measure: MeasureUnit | null
  /** before anything was changed or replaced; null: it was not measured then */
  readonly found: Measured | null
  readonly left: Measured
  readonly state: VerdictState
  /** the verdict in words: Loose, In … */
  readonly word: string
  /** the limits that judged it; null: open, or none */
  readonly lower: number | null
  readonly upper: number | null
}

const measured = (result: ResultEvaluation | null): Measured | null =>
  result?.estimate && result.valid ? { value: result.estimate.value, U: result.estimate.U } : null
const finite = (end: number | undefined) => (end !== undefined && Number.isFinite(end) ? end : null)

/** What a check says of its unit at this service: the figures that weigh. Nothing while it is not signed. */
export function serviceFigures(document: CheckDocument, lots: readonly Lot[]): ServiceFigure[] {
  if (document.signOff === null) return []
  const { found, current } = evaluateCheck(document, lots)
  return beforeAfter(found, current).flatMap(({ id, name, before, after }): ServiceFigure[] => {
    const left = measured(after)
    if (left === null) return []
    const ends = endsOf(after.limits.working)
    return [
      {
        result: id,
        label: name,
        measure: after.kind.unit ?? null,
        found: measured(before),
        left,
        state: after.state,
        word: stateWord(after),
        lower: finite(ends?.lower),
        upper: finite(ends?.upper),
      },
    ]
  })
}
