import { evaluateCheck } from '#core/check/evaluate-check'
import { drawerFor, sheetsFor, type CheckDocument } from '#core/check/document'
import { isCheckV1, upgradeCheck, type CheckV1 } from '#core/worksheet/upgrade'
import type { CheckView } from '#shared/types'
import type { Sql } from '../database/client'
import { checkDocument, checkRow, type CheckRow, type ListedAnswer } from '../database/checks'
import { openSignOff, signOffOf } from '../database/sign-offs'
import { jobRow } from '../database/jobs'
import { promisedToOthers, reservesOf } from '../database/reserves'
import { allLots } from '../database/stock'
import { notFound } from '../http/refuse'

export interface LoadedCheck {
  readonly row: CheckRow
  readonly document: CheckDocument
  readonly lots: CheckView['lots']
}

/** The check as `core` evaluates it. A signed one is what was signed, not what today's rows would say. */
export async function loadCheck(sql: Sql, id: string): Promise<LoadedCheck> {
  const row = await checkRow(sql, id)
  if (!row) throw notFound('check')
  const live = await checkDocument(sql, row)
  const signed = await openSignOff(sql, id)
  const document = signed
    ? { ...(await signedInputs(sql, signed.id)), signOff: signOffOf(signed), parts: live.parts, partChanges: live.partChanges }
    : live
  const promised = await promisedToOthers(sql, id)
  const every = await allLots(sql)
  const lots = [...drawerFor(document, every), ...sheetsFor(document, every)].map(lot => ({
    ...lot,
    reserved: lot.reserved + (promised.get(lot.id) ?? 0),
  }))
  return { row, document, lots }
}

async function signedInputs(sql: Sql, signOffId: string): Promise<CheckDocument> {
  const [found] = await sql.rows<{ record: { inputs: CheckDocument | CheckV1 } }>('SELECT record FROM sign_off WHERE id = $1', [signOffId])
  const { inputs } = found!.record
  return isCheckV1(inputs) ? upgradeCheck(inputs) : { ...inputs, laps: inputs.laps ?? [] }
}

export async function checkView(sql: Sql, id: string): Promise<CheckView> {
  const { row, document, lots } = await loadCheck(sql, id)
  const job = (await jobRow(sql, row.job_id))!
  return {
    job: { id: job.id, title: job.title, unit: job.unit_name },
    version: row.version,
    document,
    lots,
    reserves: await reservesOf(sql, id),
  }
}

/** What the lists show. */
export function answerOf(document: CheckDocument, lots: CheckView['lots']): ListedAnswer {
  const { state, word, estimate, headline, next } = evaluateCheck(document, lots)
  const begun = document.trials.some(trial => trial.readings.length > 0)
  return { state, word, note: headline.stale ?? (begun && next ? next.words : ''), figure: estimate?.value ?? null }
}
