import type { CheckView } from '#shared/types'
import type { CommandDto } from '#shared/dto/command'
import type { Database, Sql } from '../database/client'
import { checkRow, recordAnswer } from '../database/checks'
import { eventKnown, eventsSince, insertEvent } from '../database/events'
import { notFound, refuse, Refused } from '../http/refuse'
import { answerOf, checkView, loadCheck, type LoadedCheck } from './check-view'

/** Refuses a writer that has not seen what happened since, and says what. */
export async function assertFresh(sql: Sql, subject: string, seen: number, now: number): Promise<void> {
  if (seen === now) return
  const missed = await eventsSince(sql, subject, seen)
  throw new Refused(409, {
    faults: [{ path: 'version', reason: 'This was changed elsewhere in the meantime.' }],
    changed: missed.map(event => event.what),
  })
}

/**
 * One write to a check: once per `op`, only on the version the writer saw, never on a signed check unless that is the point.
 * @param work  does it, and says in a few words what was done
 * @returns the check as it is afterwards; for a repeat, as it is now
 */
export async function commandCheck(
  db: Database,
  id: string,
  command: CommandDto,
  work: (sql: Sql, check: LoadedCheck) => Promise<string>,
  onSigned = false,
): Promise<CheckView> {
  return db.transaction(async sql => {
    const row = await checkRow(sql, id)
    if (!row) throw notFound('check')
    if (!(await eventKnown(sql, command.op))) {
      await assertFresh(sql, id, command.version, row.version)
      const loaded = await loadCheck(sql, id)
      if (loaded.document.signOff && !onSigned) throw refuse(409, 'This check is signed off. Reopen it first, with a reason.')
      const what = await work(sql, loaded)
      await insertEvent(sql, { id: command.op, subject: id, version: row.version + 1, what })
      const after = await loadCheck(sql, id)
      await recordAnswer(sql, id, row.version + 1, answerOf(after.document, after.lots))
    }
    return checkView(sql, id)
  })
}
