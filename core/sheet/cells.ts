import type { MeasuringPoint } from '../check/contract'
import type { CheckDocument, PointReading } from '../check/document'
import { askedAgain, nextStepOf } from '../check/evaluate/evaluate-check'
import { turnedRound } from '../check/evaluate/point-order'
import { freshReadings, readingsAt, sinceSet } from '../check/evaluate/point-readings'
import { checkKind } from '../check/registry'
import { leftOutOf } from '../check/said'
import { unvoided } from '../reading/reading'

/** A place of the sheet where a figure, or a word, is written. */
export interface Cell {
  readonly point: MeasuringPoint
  /** everything read there in this fitting, struck out or not */
  readonly readings: readonly PointReading[]
  /** those that count: not void, not stale */
  readonly live: readonly PointReading[]
  /** to be read: nothing counts there, or a word is asked again */
  readonly open: boolean
  /** the work is not done without it */
  readonly required: boolean
  /** why it is not read in this fitting; null: it is asked for */
  readonly leftOut: string | null
}

/** The cells of a check as it stands, in the order of the work, and where that wants the next reading. */
export interface Sheet {
  readonly cells: readonly Cell[]
  /** id of the point the kind’s own order of work wants next; null: the first that is open */
  readonly due: string | null
  /** The kind’s own order of work goes on with choosing: what can still be read before is more of the same. */
  readonly choosing: boolean
  /** a word said before is asked again there, before anything else */
  readonly again: boolean
  /** What sends the field where the work goes on when it changes: another fitting, a part replaced, opened again. */
  readonly work: string
  /** which points there are, and which of them must be read: set up otherwise, it is another */
  readonly asked: string
}

/** @param turned  the other way round: what is on the bench last first */
export function sheetOf(document: CheckDocument, turned = false): Sheet {
  const kind = checkKind(document.kind)
  const index = document.trials.length - 1
  const again = askedAgain(document)
  const step = nextStepOf(document)
  const inOrder = kind.points(document.setup)
  const cells = (turned ? turnedRound(inOrder) : inOrder).map((point): Cell => {
    const readings = sinceSet(document, kind, point, index, readingsAt(document.trials, point, index))
    const { readings: fresh, stale } = freshReadings(document, kind, point, index)
    const live = stale === null ? unvoided(fresh) : []
    return {
      point,
      readings,
      live,
      open: live.length === 0 || again.includes(point.id),
      required: !point.optional || again.includes(point.id),
      leftOut: leftOutOf(document.trials, point, index),
    }
  })
  const { trials, partChanges, reopened } = document
  return {
    cells,
    due: again[0] ?? step?.point ?? null,
    choosing: step?.phase === 'choose' && step.point === null,
    again: again.length > 0,
    work: [trials.length, partChanges.length, reopened?.order ?? 0].join('/'),
    asked: inOrder.map(({ id, optional }) => (optional ? `${id}?` : id)).join(),
  }
}

export const cellAt = ({ cells }: Pick<Sheet, 'cells'>, id: string): Cell | null => cells.find(({ point }) => point.id === id) ?? null
/** Still to be read, and not left out on purpose. */
export const isWanted = ({ required, open, leftOut }: Cell): boolean => required && open && leftOut === null
