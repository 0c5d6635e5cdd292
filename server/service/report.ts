import { createHash } from 'node:crypto'
import { setImmediate as breathe } from 'node:timers/promises'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import type { EvaluatedCheck } from '#core/report/check-blocks'
import { jobReport } from '#core/report/job-report'
import type { Report, ReportLength } from '#core/report/report'
import { recordText } from '#core/worksheet/record'
import type { Sql } from '../database/client'
import { photoBytes, photosOfJob } from '../database/photos'
import { notFound } from '../http/refuse'
import { exportJob } from './export'

/** SHA-256 of a text, in hexadecimal digits. */
export const digestOf = (words: string): string => createHash('sha256').update(words, 'utf8').digest('hex')

const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' })

/** The report of a job, or of one check of it, with the digest of its record. */
export async function reportOf(
  sql: Sql,
  jobId: string,
  { length, check }: { length: ReportLength; check: string | null },
): Promise<Report> {
  const worksheet = await exportJob(sql, jobId)
  const job = worksheet.jobs[0]!
  if (check !== null && !job.checks.some(({ id }) => id === check)) throw notFound('check')
  const checks: EvaluatedCheck[] = []
  for (const one of job.checks.filter(({ id }) => check === null || id === check)) {
    checks.push({ check: one, evaluation: evaluateCheck(one, worksheet.lots) })
    // Others are heard between one and the next.
    await breathe()
  }
  return jobReport({
    job,
    checks,
    photos: await photosOfJob(sql, jobId),
    digest: digestOf(recordText(worksheet)),
    length,
    only: check,
    at: new Date().toISOString(),
    time: at => day.format(new Date(at)),
  })
}

/** The files of the photographs a report shows. */
export async function photoFiles(sql: Sql, { blocks }: Report): Promise<Map<string, Buffer>> {
  const files = new Map<string, Buffer>()
  for (const { id } of blocks.flatMap(block => (block.kind === 'photos' ? block.photos : [])))
    files.set(id, Buffer.from((await photoBytes(sql, id))!))
  return files
}
