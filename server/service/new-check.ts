import type { CheckKind } from '#core/check/contract'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { refitFrom } from '#core/check/evaluate/refit-spread'
import { slopesOf } from '#core/check/evaluate/slopes'
import { checkKind } from '#core/check/registry'
import type { SettingsChange } from '#core/command/command'
import { routeCheck, withGaugesHere } from '#core/command/route'
import { beginCheck, settingsOf } from '#core/command/settings'
import type { NewCheckDto } from '#shared/dto/check'
import type { OperationDto } from '#shared/dto/command'
import type { BeginningView, CheckView } from '#shared/types'
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
    await freeForCheck(sql, dto.id)
    const { id, op, content, who, settings } = dto
    await beginCheckOf(sql, jobId, kind, { id, op, content, who, settings: settingsChange(settings) })
    return checkView(sql, dto.id)
  })

/** @throws Refused where another check has this id */
export async function freeForCheck(sql: Sql, id: string): Promise<void> {
  if ((await sql.rows('SELECT 1 FROM checks WHERE id = $1', [id])).length > 0) throw refuse(409, 'That id is taken.', 'id')
}

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

/** What the newest signed check of the kind on this unit began with, and what it has learned for the next; null: there is none. */
async function lastOfKind(sql: Sql, jobId: string, kind: CheckKind) {
  const last = (await signedOnUnit(sql, jobId)).find(check => check.kind === kind.id)
  if (!last) return null
  const { document, lots } = await loadCheck(sql, last.id)
  const { settings } = routeCheck(document)
  return {
    id: last.id,
    job: last.job,
    day: document.signOff!.at.slice(0, 10),
    settings,
    learned: kind.handsOn?.(document.setup, evaluateCheck(document, lots).current.answers) ?? {},
  }
}

/** What a check of a kind can begin with on this job, its gauges only where they are still in the register. */
export async function beginningOf(db: Database, jobId: string, kindId: string): Promise<BeginningView> {
  if (!(await jobRow(db, jobId))) throw notFound('job')
  const last = await lastOfKind(db, jobId, kindOf(kindId))
  if (!last) return { last }
  const { learned, ...what } = last
  const known = new Set((await allGauges(db)).map(({ id }) => id))
  const { settings } = withGaugesHere({ kind: kindId, settings: last.settings }, known).check
  return { last: { ...what, settings: { ...settings, setup: { ...settings.setup, ...learned } } } }
}

/** What a new check takes from it that says nothing of it itself: what it has learned for the next, and the limits it went by. */
async function fromTheLast(sql: Sql, jobId: string, kind: CheckKind): Promise<Pick<SettingsChange, 'limits' | 'setup'> | null> {
  const last = kind.handsOn ? await lastOfKind(sql, jobId, kind) : null
  return last && { setup: last.learned, ...(last.settings.limits ? { limits: last.settings.limits } : {}) }
}

function kindOf(id: string): CheckKind {
  try {
    return checkKind(id)
  } catch {
    throw refuse(422, 'This version knows no such kind of check.', 'kind')
  }
}
