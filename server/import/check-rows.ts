import { v4 as uuid } from 'uuid'
import type { CheckDocument } from '#core/check/document'
import { settingsOf } from '#core/command/settings'
import type { Lot } from '#core/pack/lot'
import { serviceFigures } from '#core/trend/service-figures'
import { asSigned } from '#core/check/as-signed'
import { checkAnswer } from '#core/worksheet/evaluate'
import { checkColumns, listedColumns } from '../database/checks'
import { struckColumns } from '../database/conditions'
import { limitColumns } from '../database/limits'
import { moment } from '../database/moment'
import { readingColumns } from '../database/readings'
import { pieceColumns } from '../database/trials'
import { figureRows } from '../database/trends'
import { listedAnswer, lotsFor } from '../service/check-view'
import type { ImportContext, ImportRows } from './import-rows'

export interface CheckPlace {
  readonly position: number
  readonly jobId: string
  readonly now: string
  /** the drawer of the file */
  readonly file: readonly Lot[]
}

/**
 * The rows of a check: itself, what it was measured with, its fittings with their readings, what was lapped, ticked and signed.
 * @param signed  as it was signed; null: it is not
 */
export function checkRows(
  check: CheckDocument,
  signed: CheckDocument | null,
  { position, jobId, now, file }: CheckPlace,
  context: ImportContext,
  rows: ImportRows,
): void {
  const { id } = check
  const history = Object.fromEntries(
    Object.values(check.gauges).flatMap(gauge => {
      const known = context.historyOf(check.kind, gauge.id)
      return known ? [[gauge.id, known]] : []
    }),
  )
  const live = signed ?? { ...check, history }
  rows.checks.push({
    ...checkColumns({ id, ...settingsOf(check) }),
    job_id: jobId,
    kind: check.kind,
    position,
    ...listedColumns(listedAnswer(live, lotsFor(live, context.lots))),
    removed_at: now,
  })
  for (const [key, gauge] of Object.entries(check.gauges)) rows.check_gauge.push({ check_id: id, kind: key, gauge_id: gauge.id })
  for (const [role, part] of Object.entries(check.parts)) rows.check_part.push({ check_id: id, role, part_id: part })
  for (const [result, pair] of Object.entries(check.limits.sets))
    for (const role of ['book', 'shop'] as const) if (pair[role]) rows.limit_set.push(limitColumns(id, result, role, pair[role]))
  trialRows(check, context, rows)
  for (const lap of check.laps) {
    const { id: lapId, place, lotId, trial, target, low, high, at } = lap
    rows.lap.push({ id: lapId, check_id: id, place, lot_id: lotId, trial_id: trial, target_nm: target, low_nm: low, high_nm: high, at })
    rows.lap_pass.push(...lap.passes.map(pass => ({ id: pass.id, lap_id: lapId, figures: pass.figures, at: pass.at })))
    if (lap.end) rows.lap_end.push({ lap_id: lapId, lot_id: lap.end.lotId })
  }
  rows.step_tick.push(...check.ticks.map(({ step, trial }) => ({ check_id: id, trial_id: trial, step, ticked: true })))
  rows.struck.push(...check.struck.map(one => struckColumns(id, one)))
  rows.clearing.push(
    ...check.clearings.map(({ item, trial, how, by, at, order }) => ({
      check_id: id,
      trial_id: trial,
      item,
      how,
      by_name: by,
      at: moment(at),
      seq: order,
    })),
  )
  signatureRows(check, signed, file, rows)
  rows.event.push({ id: uuid(), subject: id, version: 1, what: 'Read from a worksheet' })
}

function trialRows(check: CheckDocument, { next }: ImportContext, rows: ImportRows): void {
  for (const [i, trial] of check.trials.entries()) {
    rows.trial.push({ id: trial.id, check_id: check.id, ordinal: i + 1, at: moment(trial.at) })
    rows.trial_refit.push(...trial.refitted.map(place => ({ trial_id: trial.id, place })))
    for (const [condition, state] of Object.entries(trial.conditions)) rows.trial_condition.push({ trial_id: trial.id, condition, state })
    for (const [point, reason] of Object.entries(trial.leftOut)) rows.left_out.push({ trial_id: trial.id, point, reason })
    for (const [result, { play, u, uOwn, nu }] of Object.entries(trial.predicted))
      rows.prediction.push({ trial_id: trial.id, result, play, u, u_own: uOwn, nu: nu ?? null })
    for (const [place, pack] of Object.entries(trial.packs)) {
      if (!pack) continue
      const listing = next.listing()
      rows.pack_listing.push({ id: listing, trial_id: trial.id, place, whole: !trial.unlisted.includes(place) })
      rows.trial_piece.push(...pack.map(piece => pieceColumns(listing, piece, trial.pieces)))
    }
    // One series a gauge.
    const series = new Map<string, number>()
    for (const reading of trial.readings) {
      const gauge = reading.gauge ?? null
      const key = gauge ?? ''
      if (!series.has(key)) {
        series.set(key, next.series())
        rows.series.push({ id: series.get(key)!, trial_id: trial.id, gauge_id: gauge })
      }
      rows.reading.push({ ...readingColumns(reading), series_id: series.get(key)!, seq: reading.order, taken: reading.taken ?? null })
      if (reading.voided) rows.reading_void.push({ reading_id: reading.id, reason: reading.voided.reason })
    }
  }
}

/** The signature that stands, with what was signed; or that there was one, and it was opened again. */
function signatureRows(check: CheckDocument, signed: CheckDocument | null, file: readonly Lot[], rows: ImportRows): void {
  const { id, signOff, reopened } = check
  if (reopened) {
    const at = moment(reopened.at)
    const was = uuid()
    rows.sign_off.push({ id: was, check_id: id, at, by_name: reopened.by, reason: null, core_version: '', record: {} })
    rows.reopening.push({ sign_off_id: was, reason: reopened.reason, by_name: reopened.by, at, seq: reopened.order })
  }
  if (!signOff || !signed) return
  const inputs = { ...signed, signOff: null }
  rows.service_figure.push(...figureRows(id, serviceFigures(signed, file)))
  rows.sign_off.push({
    id: uuid(),
    check_id: id,
    at: moment(signOff.at),
    by_name: signOff.by,
    reason: signOff.reason,
    core_version: signOff.core,
    record: {
      inputs,
      answer: checkAnswer(inputs, asSigned(signed, file)),
      ...(signOff.figures ? { figures: signOff.figures } : {}),
      ...(signOff.pieces ? { pieces: signOff.pieces } : {}),
    },
  })
}
