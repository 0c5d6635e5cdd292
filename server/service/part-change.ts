import type { PartChangeDto } from '#shared/dto/job'
import type { JobView } from '#shared/types'
import type { Database } from '../database/client'
import { insertEvent } from '../database/events'
import { isRepeat } from './once'
import { jobRow } from '../database/jobs'
import { checksOnPart, insertPartChange, partsOfJob } from '../database/parts'
import { notFound, refuse } from '../http/refuse'
import { loadCheck } from './check-view'
import { carryOut } from './command'
import { jobView } from './jobs'

/** A part is replaced or reworked: each check that rests on it takes it as a command of its own. */
export const replacePart = (db: Database, jobId: string, dto: PartChangeDto): Promise<JobView> =>
  db.transaction(async sql => {
    if (!(await jobRow(sql, jobId))) throw notFound('job')
    if (!(await isRepeat(sql, dto))) {
      const part = (await partsOfJob(sql, jobId)).find(candidate => candidate.id === dto.part)
      if (!part) throw refuse(422, 'That part is not of this job.', 'part')
      const [at, reason, by] = [new Date().toISOString(), dto.reason.trim(), dto.by.trim()]
      // All are loaded before the first is written to: what is to be decided is the check without the change.
      const checks = []
      for (const id of await checksOnPart(sql, part.id)) checks.push(await loadCheck(sql, id))
      for (const check of checks)
        await carryOut(
          sql,
          check,
          { kind: 'part-change', op: dto.op, at, part, reason, by },
          { op: `${dto.op}:${check.row.id}`.slice(0, 120), who: by },
        )
      // Also where nothing rests on it yet.
      await insertPartChange(sql, { id: dto.op, partId: part.id, checkId: null, reason, by, at })
      await insertEvent(
        sql,
        { ...dto, who: by },
        { subject: jobId, version: 0, what: `Replaced or reworked, ${part.name.toLowerCase()}: ${reason}` },
      )
    }
    return jobView(sql, jobId)
  })
