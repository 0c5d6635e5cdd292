import { keptBy, stepCommand } from '#core/line/given'
import { readLine } from '#core/line/read-line'
import { saidIn } from '#core/line/said'
import type { KeptLineDto } from '#shared/dto/line'
import type { CheckView } from '#shared/types'
import type { Database, Sql } from '../database/client'
import { jobRow } from '../database/jobs'
import { allLots } from '../database/stock'
import { refuse, refuseAll } from '../http/refuse'
import { checkView, loadCheck } from './check-view'
import { carryOut } from './command'
import { beginJobOf } from './jobs'
import { beginCheckOf, freeForCheck } from './new-check'
import { isRepeat } from './once'

/** What belongs to one write has names of its own. */
const named = (name: string, part: string): string => `${name.slice(0, 58)}:${part}`

/** A line kept: job, check, and what a technician would have given to it, in one transaction; what is refused of it leaves nothing behind. */
export const keepLine = (db: Database, dto: KeptLineDto): Promise<CheckView> =>
  db.transaction(async sql => {
    const { id, op, content, who } = dto
    if (await isRepeat(sql, dto)) return checkView(sql, id)
    await freeForCheck(sql, id)
    const lots = dto.family === undefined ? [] : (await allLots(sql)).filter(({ family }) => family === dto.family)
    const line = readLine(dto.line, dto.entryUnit, lots)
    if (line.kind === null) throw refuse(422, 'No word of it says what is measured.', 'line')
    const said = saidIn(line, dto.line)
    const { settings, steps, faults } = keptBy(line, said, dto.family ?? '')
    const open = [...line.asks, ...said.asks].map(({ words }) => words)
    if (open.length + faults.length + line.faults.length > 0)
      throw refuseAll([...open, ...line.faults, ...faults].map(reason => ({ path: 'line', reason })))
    const job = await jobFor(sql, dto)
    await beginCheckOf(sql, job, said.kind, {
      id,
      op,
      content,
      who,
      settings: {
        ...settings,
        title: dto.title ?? '',
        setup: { ...settings.setup, ...dto.setup },
        ...(dto.gauges ? { gauges: dto.gauges } : {}),
      },
    })
    for (const [i, step] of steps.entries()) {
      const check = await loadCheck(sql, id)
      const part = named(op, String(i + 1))
      await carryOut(sql, check, stepCommand(step, part, new Date().toISOString(), check.document.trials[0]!.id), { op: part, who })
    }
    return checkView(sql, id)
  })

/** The job it belongs to; a new one where none is named. @returns its id */
async function jobFor(sql: Sql, { job, unit, jobTitle, op, id, who }: KeptLineDto): Promise<string> {
  if (job !== undefined) {
    if (!(await jobRow(sql, job))) throw refuse(422, 'There is no such job.', 'job')
    return job
  }
  if (unit === undefined) throw refuse(422, 'Which unit is it? The mail launch, the bus …', 'unit')
  if (jobTitle === undefined) throw refuse(422, 'What is to be done? Reduction box, rear hubs …', 'jobTitle')
  const own = named(id, 'job')
  await beginJobOf(sql, { id: own, unit, title: jobTitle, op: named(op, 'job'), who })
  return own
}
