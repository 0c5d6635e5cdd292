import { checkKind } from '#core/check/registry'
import { DEFAULT_REFIT, type CheckDocument } from '#core/check/document'
import type { CheckKind, Setup } from '#core/check/contract'
import { limitsFault, type LimitSet } from '#core/verdict/limits'
import type { Nm } from '#core/quantity/length'
import type { CheckView } from '#shared/types'
import type { CheckSettingsDto, NewCheckDto, SettingsDto } from '#shared/dto/check'
import { insertCheck, insertLimits, insertTrial, recordAnswer, updateSettings } from '../database/checks'
import type { Database, Sql } from '../database/client'
import { eventKnown, insertEvent } from '../database/events'
import { allGauges, gaugeById } from '../database/gauges'
import { jobRow } from '../database/jobs'
import { notFound, refuse } from '../http/refuse'
import { answerOf, checkView, loadCheck } from './check-view'
import { commandCheck } from './command'

/** Optional fields arrive as undefined properties; a stored object must not carry them. */
const tidy = <T extends object>(value: T): T => JSON.parse(JSON.stringify(value)) as T

function setupOf(kind: CheckKind, wanted: Record<string, string>): Setup {
  for (const [id, value] of Object.entries(wanted)) {
    if (!kind.setupFields.find(field => field.id === id)?.options.some(option => option.value === value)) throw refuse(422, 'That is not a choice here.', `settings.setup.${id}`)
  }
  return { ...kind.defaultSetup, ...wanted }
}

/** `kind: none` clears a set of limits. */
function limitsFrom(dto: CheckSettingsDto['book'], path: string): LimitSet | null {
  if (!dto || dto.kind === 'none') return null
  const limits = tidy(dto) as LimitSet
  const fault = limitsFault(limits)
  if (fault) throw refuse(422, fault, `settings.${path}`)
  return limits
}

async function gaugeFor(sql: Sql, wanted: string | undefined, present: string | undefined): Promise<string> {
  if (wanted !== undefined && !await gaugeById(sql, wanted)) throw refuse(422, 'That gauge is not in the register.', 'settings.gaugeId')
  const id = wanted ?? present ?? (await allGauges(sql))[0]?.id
  if (!id) throw refuse(409, 'There is no gauge in the register yet.', 'settings.gaugeId')
  return id
}

/** A check from scratch: what is not said takes the kind's defaults. */
export async function createCheck(db: Database, jobId: string, dto: NewCheckDto): Promise<CheckView> {
  return db.transaction(async (sql) => {
    if (!await jobRow(sql, jobId)) throw notFound('job')
    if (await eventKnown(sql, dto.op)) return checkView(sql, dto.id)
    const kind = kindOf(dto.kind)
    const s = dto.settings
    const settings = {
      id: dto.id, kind: kind.id, title: s.title?.trim() || kind.title, entryUnit: s.entryUnit ?? 'thou', setup: setupOf(kind, s.setup ?? {}),
      working: s.working ?? 'book', rule: s.rule ?? (kind.safety ? 'guarded' as const : 'plain' as const), aim: tidy(s.aim ?? { school: 'middle' as const }), packRules: tidy(s.packRules ?? {}),
      family: s.family ?? '', uRefit: s.uRefit ?? DEFAULT_REFIT as Nm, tipAngle: s.tipAngle ?? 0, gaugeId: await gaugeFor(sql, s.gaugeId, undefined), stale: null,
    }
    assertAim(settings.aim)
    if ((await sql.rows('SELECT 1 FROM checks WHERE id = $1', [dto.id])).length > 0) throw refuse(409, 'That id is taken.', 'id')
    await insertCheck(sql, jobId, settings)
    for (const role of ['book', 'shop'] as const) if (s[role]) await insertLimits(sql, dto.id, role, limitsFrom(s[role], role))
    await insertTrial(sql, dto.id, { id: `${dto.id.slice(0, 58)}:found`, at: new Date().toISOString(), predicted: null })
    await insertEvent(sql, { id: dto.op, subject: dto.id, version: 1, what: 'Check begun' })
    return checkView(sql, dto.id)
  })
}

function kindOf(id: string): CheckKind {
  try {
    return checkKind(id)
  } catch {
    throw refuse(422, 'This version knows no such kind of check.', 'kind')
  }
}

function assertAim(aim: CheckDocument['aim']): void {
  if (aim.school === 'own' && aim.own === undefined) throw refuse(422, 'An aim of one’s own needs its figure.', 'settings.aim.own')
}

export const changeSettings = (db: Database, id: string, dto: SettingsDto): Promise<CheckView> => commandCheck(db, id, dto, async (sql, { document, row }) => {
  const kind = checkKind(document.kind)
  const s = dto.settings
  const aim = tidy(s.aim ?? document.aim)
  assertAim(aim)
  if (s.setup && document.trials.length > 1) throw refuse(409, 'The pack was changed already: where it sits cannot change any more.', 'settings.setup')
  await updateSettings(sql, {
    id, kind: document.kind, stale: document.stale,
    title: s.title?.trim() ?? document.title, entryUnit: s.entryUnit ?? document.entryUnit, setup: setupOf(kind, { ...document.setup, ...s.setup }), working: s.working ?? document.limits.working,
    rule: s.rule ?? document.rule, aim, packRules: tidy(s.packRules ?? document.packRules), family: s.family ?? document.family, uRefit: s.uRefit ?? document.uRefit,
    tipAngle: s.tipAngle ?? document.tipAngle, gaugeId: await gaugeFor(sql, s.gaugeId, row.gauge_id),
  })
  for (const role of ['book', 'shop'] as const) if (s[role]) await insertLimits(sql, id, role, limitsFrom(s[role], role))
  return `Set-up changed: ${Object.entries(s).filter(([, value]) => value !== undefined).map(([key]) => NAMES[key] ?? key).join(', ')}`
})

const NAMES: Readonly<Record<string, string>> = { title: 'name', entryUnit: 'entry unit', setup: 'place of the pack', book: 'book limits', shop: 'shop limits', working: 'limits that judge', rule: 'rule', aim: 'aim', packRules: 'pack rules', family: 'drawer', uRefit: 'refit', tipAngle: 'tip angle', gaugeId: 'gauge' }

/** Brings the stored state of a check up to date after rows were put in from a file. */
export async function refreshAnswer(sql: Sql, id: string): Promise<void> {
  const { row, document, lots } = await loadCheck(sql, id)
  const { state, figure } = answerOf(document, lots)
  await recordAnswer(sql, id, row.version, state, figure)
}
