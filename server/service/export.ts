import { drawerFor, type CheckDocument } from '#core/check/document'
import type { Lot } from '#core/pack/lot'
import { writeWorksheet, type Worksheet } from '#core/worksheet/worksheet'
import { checkIdsOfJob } from '../database/checks'
import type { Sql } from '../database/client'
import { jobFacts, jobRow, unitOfJob, type JobRow } from '../database/jobs'
import { partsOfJob } from '../database/parts'
import { allLots } from '../database/stock'
import { notFound } from '../http/refuse'
import { loadCheck } from './check-view'

/** Ids of units are a shop’s own. */
function unitInFile(job: JobRow) {
  const { id: _, ...unit } = unitOfJob(job)
  return unit
}

/** A job with all its checks, and the part of the drawer they choose from. */
export async function exportJob(sql: Sql, jobId: string): Promise<Worksheet> {
  const job = await jobRow(sql, jobId)
  if (!job) throw notFound('job')
  const documents: CheckDocument[] = []
  for (const id of await checkIdsOfJob(sql, jobId)) documents.push((await loadCheck(sql, id)).document)
  const drawer = await allLots(sql)
  const needed = new Set(
    documents.flatMap(document => [
      ...drawerFor(document, drawer).map(lot => lot.id),
      // A piece may have been lapped for it that lies under another name today.
      ...document.laps.flatMap(({ lotId, end }) => [lotId, end?.lotId ?? lotId]),
    ]),
  )
  const lots = drawer.filter(lot => needed.has(lot.id)).map(({ version: _, ...lot }): Lot => lot)
  return writeWorksheet(
    [
      {
        id: job.id,
        unit: unitInFile(job),
        title: job.title,
        notes: job.notes,
        ...jobFacts(job),
        parts: await partsOfJob(sql, jobId),
        checks: documents,
      },
    ],
    lots,
    new Date().toISOString(),
  )
}
