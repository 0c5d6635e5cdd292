import type { CheckDocument } from '#core/check/document'
import type { LengthUnit, Nm } from '#core/quantity/length'
import type { Sql } from './client'
import { gaugesOfCheck } from './gauges'
import { lapsOf } from './laps'
import { limitSetsOf } from './limits'
import { changesOfCheck, partsOfCheck } from './parts'
import { historyOf } from './readings'
import { openSignOff, signOffOf } from './sign-offs'
import { ticksOf, trialsOf } from './trials'

export interface CheckRow {
  id: string
  job_id: string
  position: number
  kind: string
  title: string
  entry_unit: LengthUnit
  setup: Record<string, string>
  working: 'book' | 'shop'
  rule: 'plain' | 'guarded'
  aim: CheckDocument['aim']
  pack_rules: CheckDocument['packRules']
  family: string
  u_refit: number
  tip_angle: number
  version: number
}

export const checkRow = async (sql: Sql, id: string): Promise<CheckRow | undefined> =>
  (await sql.rows<CheckRow>('SELECT * FROM checks WHERE id = $1', [id]))[0]
export const checkIdsOfJob = async (sql: Sql, jobId: string) =>
  (await sql.rows<{ id: string }>('SELECT id FROM checks WHERE job_id = $1 ORDER BY position, id', [jobId])).map(row => row.id)

type Settings = Pick<
  CheckDocument,
  'id' | 'kind' | 'title' | 'entryUnit' | 'setup' | 'rule' | 'aim' | 'packRules' | 'family' | 'uRefit' | 'tipAngle'
> & { working: 'book' | 'shop' }

const settingValues = (c: Settings) => [
  c.id,
  c.title,
  c.entryUnit,
  JSON.stringify(c.setup),
  c.working,
  c.rule,
  JSON.stringify(c.aim),
  JSON.stringify(c.packRules),
  c.family,
  c.uRefit,
  c.tipAngle,
]

export const insertCheck = (sql: Sql, jobId: string, c: Settings) =>
  sql.rows(
    `INSERT INTO checks (id, title, entry_unit, setup, working, rule, aim, pack_rules, family, u_refit, tip_angle, job_id, kind, position)
   VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10,$11,$12,$13,(SELECT COALESCE(max(position), 0) + 1 FROM checks WHERE job_id = $12))`,
    [...settingValues(c), jobId, c.kind],
  )

export const updateSettings = (sql: Sql, c: Settings) =>
  sql.rows(
    'UPDATE checks SET title=$2, entry_unit=$3, setup=$4, working=$5, rule=$6, aim=$7, pack_rules=$8, family=$9, u_refit=$10, tip_angle=$11 WHERE id=$1',
    settingValues(c),
  )

/** What the lists show of a check. */
export interface ListedAnswer {
  readonly state: string
  readonly word: string
  /** why it is stale, or what is to be done next */
  readonly note: string
  readonly figure: number | null
}
export const recordAnswer = (sql: Sql, id: string, version: number, a: ListedAnswer) =>
  sql.rows('UPDATE checks SET version = $2, state = $3, word = $4, note = $5, figure = $6 WHERE id = $1', [
    id,
    version,
    a.state,
    a.word,
    a.note,
    a.figure,
  ])

/** Everything of a check, as `core` evaluates it. */
export async function checkDocument(sql: Sql, row: CheckRow): Promise<CheckDocument> {
  return {
    id: row.id,
    kind: row.kind,
    title: row.title,
    entryUnit: row.entry_unit,
    setup: row.setup,
    limits: { working: row.working, sets: await limitSetsOf(sql, row.id) },
    rule: row.rule,
    aim: row.aim,
    packRules: row.pack_rules,
    family: row.family,
    uRefit: row.u_refit as Nm,
    tipAngle: row.tip_angle,
    gauges: await gaugesOfCheck(sql, row.id),
    history: await historyOf(sql, row),
    trials: await trialsOf(sql, row.id),
    ticks: await ticksOf(sql, row.id),
    laps: await lapsOf(sql, row.id),
    parts: await partsOfCheck(sql, row.id),
    partChanges: await changesOfCheck(sql, row.id),
    signOff: signOffOf(await openSignOff(sql, row.id)),
  }
}
