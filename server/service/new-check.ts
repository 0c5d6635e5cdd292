import type { CheckKind } from '#core/check/contract'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { refitFrom } from '#core/check/evaluate/refit-spread'
import { slopesOf } from '#core/check/evaluate/slopes'
import { checkKind } from '#core/check/registry'
import type { Setup } from '#core/check/setup'
import type { SettingsChange } from '#core/command/command'
import { beginCheck, settingsOf } from '#core/command/settings'
import type { NewCheckDto } from '#shared/dto/check'
import type { OperationDto } from '#shared/dto/command'
import type { CheckView } from '#shared/types'
import { insertCheck } from '../database/checks'
import type { Database, Sql } from '../database/client'
import { isRepeat } from './once'
import { allGauges } from '../database/gauges'
import { jobRow, signedOnUnit } from '../database/jobs'
import { partsOfJob } from '../database/parts'
import { lastLike, proofsOfKind } from '../database/proofs'
import { insertTrial } from '../database/trials'
import { notFound, refuse } from '../http/refuse'
import { settingsChange } from './check-commands'
import { checkView, loadCheck } from './check-view'
import { carryOut } from './command'

/** A check from scratch: what is not said takes the kind's defaults. */
export const createCheck = (db: Database, jobId: string, dto: NewCheckDto): Promise<CheckView> =>
  db.transaction(async sql => {
    if (!(await jobRow(sql, jobId))) throw notFound('job')
    if (await isRepeat(sql, dto)) return checkView(sql, dto.id)
    const kind = kindOf(dto.kind)
    if ((await sql.rows('SELECT 1 FROM checks WHERE id = $1', [dto.id])).length > 0) throw refuse(409, 'That id is taken.', 'id')
    const { id, op, content, who, settings } = dto
    await beginCheckOf(sql, jobId, kind, { id, op, content, who, settings: settingsChange(settings) })
    return checkView(sql, dto.id)
  })

/** What a check begins with, and the operation it begins by. */
interface Beginning extends Pick<OperationDto, 'op' | 'content' | 'who'> {
  readonly id: string
  readonly settings: SettingsChange
}
/** Begins a check in a transaction that is open. What is not given takes what was learned on this unit, or the kind’s defaults. */
export async function beginCheckOf(
  sql: Sql,
  jobId: string,
  kind: CheckKind,
  { id, settings: given, ...operation }: Beginning,
): Promise<void> {
  const at = new Date().toISOString()
  const document = beginCheck(kind, { id, trialId: `${id.slice(0, 58)}:found`, at }, await taughtBy(sql, jobId, kind))
  await insertCheck(sql, jobId, { id, kind: kind.id, ...settingsOf(document) })
  await insertTrial(sql, id, document.trials[0]!)
  const learned = await fromTheLast(sql, jobId, kind)
  const command = {
    kind: 'change-settings',
    op: operation.op,
    at,
    change: {
      ...given,
      title: given.title?.trim() || kind.title,
      ...(learned ? { setup: { ...learned.setup, ...given.setup }, limits: given.limits ?? learned.limits } : {}),
    },
    register: await allGauges(sql),
    parts: await partsOfJob(sql, jobId),
  } as const
  const loaded = await loadCheck(sql, id)
  await carryOut(sql, { ...loaded, row: { ...loaded.row, version: 0 } }, command, operation)
}

/** What earlier checks of the kind teach a new one: how their pieces moved a torque, on this unit or one of its type; what a refit does. */
async function taughtBy(sql: Sql, jobId: string, kind: CheckKind): Promise<Parameters<typeof beginCheck>[2]> {
  const uRefit = refitFrom(await proofsOfKind(sql, kind.id))
  const last = kind.places(kind.defaultSetup).some(({ chosen }) => chosen.by === 'slope') ? await lastLike(sql, jobId, kind.id) : null
  if (!last) return uRefit === null ? {} : { uRefit }
  const { document, lots } = await loadCheck(sql, last.id)
  const slopes = slopesOf(document, lots, `${last.job}, ${last.day}`.slice(0, 200))
  return { ...(uRefit === null ? {} : { uRefit }), ...(Object.keys(slopes).length > 0 ? { slopes } : {}) }
}

/** What the newest signed check of the kind on this unit has learned for the next, and the limits it went by; null: nothing. */
async function fromTheLast(sql: Sql, jobId: string, kind: CheckKind): Promise<(Pick<SettingsChange, 'limits'> & { setup: Setup }) | null> {
  if (!kind.handsOn) return null
  const last = (await signedOnUnit(sql, jobId)).find(check => check.kind === kind.id)
  if (!last) return null
  const { document, lots } = await loadCheck(sql, last.id)
  const limits = Object.entries(document.limits.sets).flatMap(([result, pair]) =>
    (['book', 'shop'] as const).flatMap(role => (pair[role] ? [{ result, role, set: pair[role] }] : [])),
  )
  return { setup: kind.handsOn(document.setup, evaluateCheck(document, lots).current.answers), limits }
}

function kindOf(id: string): CheckKind {
  try {
    return checkKind(id)
  } catch {
    throw refuse(422, 'This version knows no such kind of check.', 'kind')
  }
}
