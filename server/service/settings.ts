import { v4 as uuid } from 'uuid'
import { checkKind } from '#core/check/registry'
import { DEFAULT_REFIT, type CheckDocument } from '#core/check/document'
import { resultId, type CheckKind } from '#core/check/contract'
import { gaugeKindsFor } from '#core/check/gauges-needed'
import { bindParts } from '#core/check/parts'
import { fieldFault, type Setup } from '#core/check/setup'
import { limitsFault, type LimitSet } from '#core/verdict/limits'
import type { PackRules } from '#core/pack/chooser/prepare'
import type { Nm } from '#core/quantity/length'
import type { CheckView } from '#shared/types'
import type { CheckSettingsDto, NewCheckDto, SettingsDto } from '#shared/dto/check'
import { insertCheck, recordAnswer, updateSettings } from '../database/checks'
import { insertLimits } from '../database/limits'
import { insertTrial } from '../database/trials'
import type { Database, Sql } from '../database/client'
import { eventKnown, insertEvent } from '../database/events'
import { allGauges, gaugesOfCheck, useGauge } from '../database/gauges'
import { jobRow } from '../database/jobs'
import { bindPart, insertPart, partsOfCheck, partsOfJob } from '../database/parts'
import { notFound, refuse } from '../http/refuse'
import { answerOf, checkView, loadCheck } from './check-view'
import { commandCheck } from './command'

/** Optional fields arrive as undefined properties; a stored object must not carry them. */
const tidy = <T extends object>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** The rules with only those changed that are given; null takes one away. */
const rulesWith = (rules: PackRules, change: object = {}): PackRules =>
  Object.fromEntries(Object.entries({ ...rules, ...tidy(change) }).filter(([, value]) => value !== null))

function setupOf(kind: CheckKind, wanted: Record<string, string>): Setup {
  for (const [id, value] of Object.entries(wanted)) {
    const fault = typeof value === 'string' ? fieldFault(kind.setupFields, id, value) : 'A text is expected.'
    if (fault) throw refuse(422, fault, `settings.setup.${id}`)
  }
  return { ...kind.defaultSetup, ...wanted }
}

/** `kind: none` clears a set of limits. */
async function keepLimits(sql: Sql, checkId: string, kind: CheckKind, setup: Setup, changes: CheckSettingsDto['limits']): Promise<void> {
  const known = kind.results(setup).flatMap(result => [result.id, ...result.positions.map(position => resultId(result.id, position.id))])
  for (const [i, { result, role, set }] of (changes ?? []).entries()) {
    if (!known.includes(result)) throw refuse(422, 'This check has no such result.', `settings.limits.${i}.result`)
    const limits = set.kind === 'none' ? null : (tidy(set) as LimitSet)
    const fault = limits && limitsFault(limits)
    if (fault) throw refuse(422, fault, `settings.limits.${i}.set`)
    await insertLimits(sql, checkId, result, role, limits)
  }
}

/** Puts the gauges that are named to use; a kind of gauge the points need and nobody named gets the first of the register. */
async function keepGauges(sql: Sql, checkId: string, kind: CheckKind, setup: Setup, wanted: readonly string[]): Promise<void> {
  const all = await allGauges(sql)
  for (const [i, id] of wanted.entries()) {
    const gauge = all.find(candidate => candidate.id === id)
    if (!gauge) throw refuse(422, 'That gauge is not in the register.', `settings.gaugeIds.${i}`)
    await useGauge(sql, checkId, gauge)
  }
  const present = await gaugesOfCheck(sql, checkId)
  for (const need of gaugeKindsFor(kind.points(setup))) {
    const first = all.find(gauge => gauge.kind === need)
    if (!present[need] && first) await useGauge(sql, checkId, first)
  }
}

/** Binds what the check rests on to the parts of its job; a part nobody named yet is added. */
export async function keepParts(sql: Sql, checkId: string, jobId: string, kind: CheckKind, setup: Setup): Promise<void> {
  const already = await partsOfCheck(sql, checkId)
  const roles = kind.parts(setup).filter(role => already[role.id] === undefined)
  const { bound, added } = bindParts(roles, await partsOfJob(sql, jobId), () => uuid())
  for (const part of added) await insertPart(sql, jobId, part)
  for (const [role, part] of Object.entries(bound)) await bindPart(sql, checkId, role, part)
}

/** A check from scratch: what is not said takes the kind's defaults. */
export async function createCheck(db: Database, jobId: string, dto: NewCheckDto): Promise<CheckView> {
  return db.transaction(async sql => {
    if (!(await jobRow(sql, jobId))) throw notFound('job')
    if (await eventKnown(sql, dto.op)) return checkView(sql, dto.id)
    const kind = kindOf(dto.kind)
    const s = dto.settings
    const settings = {
      id: dto.id,
      kind: kind.id,
      title: s.title?.trim() || kind.title,
      entryUnit: s.entryUnit ?? 'thou',
      setup: setupOf(kind, s.setup ?? {}),
      working: s.working ?? 'book',
      rule: s.rule ?? (kind.safety ? ('guarded' as const) : ('plain' as const)),
      aim: tidy(s.aim ?? { school: 'middle' as const }),
      packRules: rulesWith({}, s.packRules),
      family: s.family ?? '',
      uRefit: s.uRefit ?? (DEFAULT_REFIT as Nm),
      tipAngle: s.tipAngle ?? 0,
    }
    assertAim(settings.aim)
    if ((await sql.rows('SELECT 1 FROM checks WHERE id = $1', [dto.id])).length > 0) throw refuse(409, 'That id is taken.', 'id')
    await insertCheck(sql, jobId, settings)
    await keepLimits(sql, dto.id, kind, settings.setup, s.limits)
    await keepGauges(sql, dto.id, kind, settings.setup, s.gaugeIds ?? [])
    await keepParts(sql, dto.id, jobId, kind, settings.setup)
    await insertTrial(sql, dto.id, {
      id: `${dto.id.slice(0, 58)}:found`,
      at: new Date().toISOString(),
      packs: {},
      refitted: [],
      predicted: {},
    })
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

export const changeSettings = (db: Database, id: string, dto: SettingsDto): Promise<CheckView> =>
  commandCheck(db, id, dto, async (sql, { document, row }) => {
    const kind = checkKind(document.kind)
    const s = dto.settings
    const aim = tidy(s.aim ?? document.aim)
    assertAim(aim)
    if (document.trials.length > 1 && Object.keys(s.setup ?? {}).some(field => !kind.setupFields.find(known => known.id === field)?.free))
      throw refuse(409, 'The pack was changed already: this cannot change any more.', 'settings.setup')
    const setup = setupOf(kind, { ...document.setup, ...s.setup })
    await updateSettings(sql, {
      id,
      kind: document.kind,
      title: s.title?.trim() ?? document.title,
      entryUnit: s.entryUnit ?? document.entryUnit,
      setup,
      working: s.working ?? document.limits.working,
      rule: s.rule ?? document.rule,
      aim,
      packRules: rulesWith(document.packRules, s.packRules),
      family: s.family ?? document.family,
      uRefit: s.uRefit ?? document.uRefit,
      tipAngle: s.tipAngle ?? document.tipAngle,
    })
    await keepLimits(sql, id, kind, setup, s.limits)
    await keepGauges(sql, id, kind, setup, s.gaugeIds ?? [])
    await keepParts(sql, id, row.job_id, kind, setup)
    return `Set-up changed: ${Object.entries(s)
      .filter(([, value]) => value !== undefined)
      .map(([key]) => NAMES[key] ?? key)
      .join(', ')}`
  })

const NAMES: Readonly<Record<string, string>> = {
  title: 'name',
  entryUnit: 'entry unit',
  setup: 'how it is measured',
  limits: 'limits',
  working: 'limits that judge',
  rule: 'rule',
  aim: 'aim',
  packRules: 'pack rules',
  family: 'drawer',
  uRefit: 'refit',
  tipAngle: 'tip angle',
  gaugeIds: 'gauge',
}

/** Brings the stored state of a check up to date after rows were put in from a file. */
export async function refreshAnswer(sql: Sql, id: string): Promise<void> {
  const { row, document, lots } = await loadCheck(sql, id)
  await recordAnswer(sql, id, row.version, answerOf(document, lots))
}
