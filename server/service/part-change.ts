import { counts } from '#core/check/evaluate-fitting'
import { evaluateCheck } from '#core/check/evaluate-check'
import type { PartChangeDto } from '#shared/dto/job'
import type { JobView } from '#shared/types'
import { recordAnswer } from '../database/checks'
import { insertReopening, openSignOff } from '../database/sign-offs'
import type { Database, Sql } from '../database/client'
import { eventKnown, insertEvent } from '../database/events'
import { jobRow } from '../database/jobs'
import { checksOnPart, insertPartChange, partsOfJob } from '../database/parts'
import { notFound, refuse } from '../http/refuse'
import { answerOf, loadCheck } from './check-view'
import { jobView } from './jobs'

/**
 * A part is replaced or reworked. Every reading taken before on what rests on it is stale from now on; a signed check that loses a
 * figure by it is opened again, with the reason. Checks whose figures do not rest on the part stay as they are.
 */
export const replacePart = (db: Database, jobId: string, dto: PartChangeDto): Promise<JobView> =>
  db.transaction(async sql => {
    if (!(await jobRow(sql, jobId))) throw notFound('job')
    if (!(await eventKnown(sql, dto.op))) {
      const part = (await partsOfJob(sql, jobId)).find(candidate => candidate.id === dto.part)
      if (!part) throw refuse(422, 'That part is not of this job.', 'part')
      const reason = dto.reason.trim()
      await insertPartChange(sql, { id: dto.op, partId: part.id, checkId: null, reason, by: dto.by.trim(), at: new Date().toISOString() })
      for (const checkId of await checksOnPart(sql, part.id)) await touch(sql, checkId, `${part.name.toLowerCase()}: ${reason}`, dto)
      await insertEvent(sql, {
        id: dto.op,
        subject: jobId,
        version: 0,
        what: `Replaced or reworked, ${part.name.toLowerCase()}: ${reason}`,
      })
    }
    return jobView(sql, jobId)
  })

async function touch(sql: Sql, checkId: string, what: string, { op, by }: PartChangeDto): Promise<void> {
  const { row, document, lots } = await loadCheck(sql, checkId)
  const stale = evaluateCheck(document, lots).current.results.some(result => counts(result) && result.stale !== null)
  if (!stale) return
  const signed = await openSignOff(sql, checkId)
  if (signed) await insertReopening(sql, signed.id, `Replaced or reworked, ${what}`, by.trim())
  await insertEvent(sql, { id: `${op}:${checkId}`.slice(0, 120), subject: checkId, version: row.version + 1, what: `Stale: ${what}` })
  const after = await loadCheck(sql, checkId)
  await recordAnswer(sql, checkId, row.version + 1, answerOf(after.document, after.lots))
}
