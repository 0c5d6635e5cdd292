import { apply } from '#core/command/apply'
import type { Command } from '#core/command/command'
import { decide } from '#core/command/decide'
import type { Happening, RefusedCommand } from '#core/command/happening'
import type { CheckView } from '#shared/types'
import type { CommandDto, OperationDto } from '#shared/dto/command'
import type { Database, Sql } from '../database/client'
import { recordAnswer } from '../database/checks'
import { eventsSince, insertEvent } from '../database/events'
import { isRepeat } from './once'
import { Refused } from '../http/refuse'
import { listedAnswer, loadCheck, viewOf, type LoadedCheck } from './check-view'
import { store, teach } from './store'

/** Refuses a writer that has not seen what happened since, and says what. */
export async function assertFresh(sql: Sql, subject: string, seen: number, now: number): Promise<void> {
  if (seen === now) return
  const missed = await eventsSince(sql, subject, seen)
  throw new Refused(409, {
    faults: [{ path: 'version', reason: 'This was changed elsewhere in the meantime.' }],
    changed: missed.map(event => event.what),
  })
}

const STATUS: Readonly<Record<RefusedCommand['code'], number>> = { missing: 404, invalid: 422, conflict: 409 }
/** What `core` says no to, as it is answered. */
export const refusedBy = ({ code, faults }: RefusedCommand): Refused => new Refused(STATUS[code], { faults })

/** A command as `core` takes it, but for its head. */
type Body = Command extends infer C ? (C extends Command ? Omit<C, 'op' | 'at'> : never) : never

/**
 * One write to a check: once per `op`, only on the version the writer saw. What it comes to is decided in `core`; here it is stored,
 * all in one transaction.
 * @param body  the command, from the check as it is
 * @returns the check as it is afterwards; for a repeat, as it is now
 */
export const commandCheck = (
  db: Database,
  id: string,
  { op, version, content, who }: CommandDto,
  body: Body | ((sql: Sql, check: LoadedCheck) => Promise<Body>),
): Promise<CheckView> =>
  db.transaction(async sql => {
    const loaded = await loadCheck(sql, id, op)
    if (loaded.known && (await isRepeat(sql, { op, content }))) return viewOf(loaded, loaded.row.version)
    await assertFresh(sql, id, version, loaded.row.version)
    const command = { ...(typeof body === 'function' ? await body(sql, loaded) : body), op, at: new Date().toISOString() } as Command
    // A name that is part of it, under a signature, says more than whose screen it was.
    const after = await carryOut(sql, loaded, command, { op, content, who: 'by' in command ? command.by : who })
    return viewOf(after, loaded.row.version + 1)
  })

/**
 * Decides a command, stores what happened, and what the lists show from now on.
 * @param event  what it is remembered by
 * @returns the check after it; the same when nothing that concerns it happened
 */
export async function carryOut(
  sql: Sql,
  loaded: LoadedCheck,
  command: Command,
  event: Pick<OperationDto, 'op' | 'content' | 'who'>,
): Promise<LoadedCheck> {
  const outcome = decide(loaded, command)
  if (!outcome.ok) throw refusedBy(outcome)
  const { row } = loaded
  let after: LoadedCheck = loaded
  const stored: Happening[] = []
  for (const happening of outcome.happenings) {
    stored.push(await store(sql, happening, { op: command.op, jobId: row.job_id, bench: after, who: event.who ?? '' }))
    after = { ...after, ...apply(after, stored.at(-1)!) }
  }
  // Another drawer, another gauge, the order list: what is in it, known of it, on it, only the shop can say.
  if (
    after.document.family !== loaded.document.family ||
    stored.some(({ type }) => type === 'gauged' || type === 'wanted' || type === 'fitted')
  )
    after = { ...after, ...(await loadCheck(sql, row.id)), row }
  if (outcome.what === '') return after
  await teach(sql, stored, after.document, loaded.document, loaded.workshop)
  await insertEvent(sql, event, { subject: row.id, version: row.version + 1, what: outcome.what })
  await recordAnswer(sql, row.id, row.version + 1, listedAnswer(after.document, after.lots))
  return after
}
