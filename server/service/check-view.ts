import { evaluateCheck } from '#core/check/evaluate-check'
import { drawerFor, type CheckDocument } from '#core/check/document'
import type { CheckView } from '#shared/types'
import type { Sql } from '../database/client'
import { checkDocument, checkRow, openSignOff, signOffOf, type CheckRow } from '../database/checks'
import { gaugeById } from '../database/gauges'
import { jobRow } from '../database/jobs'
import { allLots } from '../database/stock'
import { notFound } from '../http/refuse'

export interface LoadedCheck { readonly row: CheckRow, readonly document: CheckDocument, readonly lots: CheckView['lots'] }

/** The check as `core` evaluates it. A signed one is what was signed, not what today's rows would say. */
export async function loadCheck(sql: Sql, id: string): Promise<LoadedCheck> {
  const row = await checkRow(sql, id)
  if (!row) throw notFound('check')
  const gauge = (await gaugeById(sql, row.gauge_id))!
  const live = await checkDocument(sql, row, gauge)
  const signed = await openSignOff(sql, id)
  const document = signed ? { ...await signedInputs(sql, signed.id), signOff: signOffOf(signed), stale: live.stale } : live
  return { row, document, lots: drawerFor(document, await allLots(sql)) }
}

async function signedInputs(sql: Sql, signOffId: string): Promise<CheckDocument> {
  const [found] = await sql.rows<{ record: { inputs: CheckDocument } }>('SELECT record FROM sign_off WHERE id = $1', [signOffId])
  return found!.record.inputs
}

export async function checkView(sql: Sql, id: string): Promise<CheckView> {
  const { row, document, lots } = await loadCheck(sql, id)
  const job = (await jobRow(sql, row.job_id))!
  return { job: { id: job.id, title: job.title, unit: job.unit_name }, version: row.version, document, lots }
}

/** State and figure for the lists. */
export function answerOf(document: CheckDocument, lots: CheckView['lots']): { state: string, figure: number | null } {
  const evaluation = evaluateCheck(document, lots)
  return { state: evaluation.state, figure: evaluation.estimate?.value ?? null }
}
