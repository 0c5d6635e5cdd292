import { v4 as uuid } from 'uuid'
import { readWorksheet } from '#core/worksheet/read'
import { writeWorksheet, type Worksheet, type WorksheetJob } from '#core/worksheet/worksheet'
import { checkAnswer } from '#core/worksheet/evaluate'
import { drawerFor, type CheckDocument, type PointReading } from '#core/check/document'
import { bindParts } from '#core/check/parts'
import { checkKind } from '#core/check/registry'
import { ways } from '#core/method/ways'
import { insertLap, insertLapEnd, insertLapPass } from '../database/laps'
import { isPieces } from '#core/reading/reading'
import { formatLength } from '#core/quantity/format-length'
import type { Lot } from '#core/pack/lot'
import type { ImportResult } from '#shared/types'
import type { Database, Sql } from '../database/client'
import { checkIdsOfJob, checkRow, insertCheck, recordAnswer } from '../database/checks'
import { insertLimits } from '../database/limits'
import { insertReading, insertVoid } from '../database/readings'
import { insertSignOff } from '../database/sign-offs'
import { insertTick, insertTrial } from '../database/trials'
import { insertEvent } from '../database/events'
import { admitGauge, useGauge } from '../database/gauges'
import { insertJob, jobKnown, jobRow, unitNamed } from '../database/jobs'
import { bindPart, insertPart, insertPartChange, partsOfJob } from '../database/parts'
import { allLots, insertLot } from '../database/stock'
import { notFound, refuse, refuseAll } from '../http/refuse'
import { answerOf, loadCheck } from './check-view'

/** A job with all its checks, and the part of the drawer they choose from. */
export async function exportJob(sql: Sql, jobId: string): Promise<Worksheet> {
  const job = await jobRow(sql, jobId)
  if (!job) throw notFound('job')
  const documents: CheckDocument[] = []
  for (const id of await checkIdsOfJob(sql, jobId)) documents.push((await loadCheck(sql, id)).document)
  const drawer = await allLots(sql)
  const needed = new Set(documents.flatMap(document => drawerFor(document, drawer).map(lot => lot.id)))
  const lots = drawer.filter(lot => needed.has(lot.id)).map(({ version: _, ...lot }): Lot => lot)
  return writeWorksheet(
    [
      {
        id: job.id,
        unit: { name: job.unit_name, description: job.unit_description },
        title: job.title,
        notes: job.notes,
        parts: await partsOfJob(sql, jobId),
        checks: documents,
      },
    ],
    lots,
    new Date().toISOString(),
  )
}

/** What would be there twice. */
const hereAlready = (what: string, path: string) =>
  refuse(409, `${what} is here already. Import it as a copy to keep both.`, path, { helps: 'copy' })

/**
 * Reads a worksheet into the shop, all of it or nothing. Jobs that are here already are refused unless copied under new ids.
 * Sizes the shop does not know are added with none on hand: the file's drawer is not this one.
 */
export async function importWorksheet(db: Database, text: string, asCopy: boolean): Promise<ImportResult> {
  const reading = readWorksheet(text)
  if (!reading.ok) throw refuseAll(reading.faults)
  const worksheet = asCopy ? withNewIds(reading.worksheet) : reading.worksheet
  return db.transaction(async sql => {
    let added = 0
    const notes = new Set<string>()
    const here = new Map((await allLots(sql)).map(lot => [lot.id, lot]))
    for (const [i, lot] of worksheet.lots.entries()) {
      const known = here.get(lot.id)
      if (known && known.nominal !== lot.nominal)
        throw refuse(
          409,
          `This shop knows “${lot.id}” as another size (${formatLength(known.nominal, 'mm', { unit: true })}).`,
          `lots/${i}`,
        )
      if (await insertLot(sql, lot)) added++
    }
    for (const [i, job] of worksheet.jobs.entries()) {
      if (await jobKnown(sql, job.id)) throw hereAlready(`The job “${job.title}”`, `jobs/${i}`)
      await insertWholeJob(sql, job, worksheet.lots, notes)
    }
    return {
      jobs: worksheet.jobs.length,
      checks: worksheet.jobs.reduce((sum, job) => sum + job.checks.length, 0),
      lots: added,
      jobIds: worksheet.jobs.map(job => job.id),
      notes: [...notes, ...(added > 0 ? [`${added} sizes of the file were not in this drawer: they are listed with none on hand.`] : [])],
    }
  })
}

async function insertWholeJob(sql: Sql, job: WorksheetJob, lots: readonly Lot[], notes: Set<string>): Promise<void> {
  const unitId = await unitNamed(sql, uuid(), job.unit.name, job.unit.description)
  await insertJob(sql, { id: job.id, unitId, title: job.title, notes: job.notes })
  for (const [i, part] of job.parts.entries()) {
    if ((await sql.rows('SELECT 1 FROM part WHERE id = $1', [part.id])).length > 0)
      throw refuse(409, `The part “${part.name}” is here already, in another job.`, `parts/${i}`)
    await insertPart(sql, job.id, part)
  }
  const gaugeIds = new Map<string, ReadonlyMap<string, string>>()
  for (const check of job.checks) gaugeIds.set(check.id, await insertCheckRows(sql, job.id, check, notes))
  await insertInOrder(sql, job.checks, gaugeIds)
  for (const check of job.checks) await closeCheck(sql, check, lots)
}

/** All of a check but what has its place in the order of things. @returns ids of its gauges: as they are here */
async function insertCheckRows(sql: Sql, jobId: string, check: CheckDocument, notes: Set<string>): Promise<ReadonlyMap<string, string>> {
  if (await checkRow(sql, check.id)) throw hereAlready(`The check “${check.title}”`, check.id)
  await insertCheck(sql, jobId, { ...check, working: check.limits.working })
  const gaugeIds = new Map<string, string>()
  for (const gauge of Object.values(check.gauges)) {
    const id = await admitGauge(sql, gauge)
    if (id !== gauge.id)
      notes.add(`The file’s “${gauge.name}” is not the gauge known here by that id: it stands beside it in the register.`)
    gaugeIds.set(gauge.id, id)
    await useGauge(sql, check.id, { id, kind: gauge.kind })
  }
  for (const [result, pair] of Object.entries(check.limits.sets)) {
    for (const role of ['book', 'shop'] as const) if (pair[role]) await insertLimits(sql, check.id, result, role, pair[role])
  }
  for (const trial of check.trials) {
    if ((await sql.rows('SELECT 1 FROM trial WHERE id = $1', [trial.id])).length > 0)
      throw hereAlready(`A fitting of “${check.title}”`, check.id)
    await insertTrial(sql, check.id, trial)
    const known = await sql.rows<{ id: string }>('SELECT id FROM reading WHERE id = ANY($1)', [trial.readings.map(reading => reading.id)])
    if (known.length > 0) throw hereAlready(`A reading of “${check.title}” (${known[0]!.id})`, check.id)
  }
  for (const [role, part] of Object.entries(check.parts)) await bindPart(sql, check.id, role, part)
  await bindMissing(sql, jobId, check)
  for (const lap of check.laps) {
    if ((await sql.rows('SELECT 1 FROM lap WHERE id = $1', [lap.id])).length > 0)
      throw hereAlready(`A piece made for “${check.title}”`, check.id)
    await insertLap(sql, check.id, lap)
    for (const pass of lap.passes) await insertLapPass(sql, lap.id, pass)
    if (lap.end) await insertLapEnd(sql, lap.id, lap.end.lotId)
  }
  for (const tick of check.ticks) await insertTick(sql, check.id, tick, true)
  return gaugeIds
}

/** The signature, and what the lists show. */
async function closeCheck(sql: Sql, check: CheckDocument, lots: readonly Lot[]): Promise<void> {
  if (check.signOff) {
    const inputs = { ...check, signOff: null }
    await insertSignOff(sql, uuid(), check.id, check.signOff, { inputs, answer: checkAnswer(inputs, lots) })
  }
  await insertEvent(sql, { id: uuid(), subject: check.id, version: 1, what: 'Read from a worksheet' })
  const loaded = await loadCheck(sql, check.id)
  await recordAnswer(sql, check.id, loaded.row.version, answerOf(loaded.document, loaded.lots))
}

/** What the check rests on and its file does not name: parts of the job of that name, or new ones. */
async function bindMissing(sql: Sql, jobId: string, check: CheckDocument): Promise<void> {
  const roles = checkKind(check.kind)
    .parts(check.setup)
    .filter(role => check.parts[role.id] === undefined)
  const { bound, added } = bindParts(roles, await partsOfJob(sql, jobId), () => uuid())
  for (const part of added) await insertPart(sql, jobId, part)
  for (const [role, part] of Object.entries(bound)) await bindPart(sql, check.id, role, part)
}

/** Readings and part changes of a job in the order they happened in, so that they keep it here. */
async function insertInOrder(
  sql: Sql,
  checks: readonly CheckDocument[],
  gaugeIds: ReadonlyMap<string, ReadonlyMap<string, string>>,
): Promise<void> {
  const steps = checks.flatMap(check => {
    const points = new Map(
      checkKind(check.kind)
        .points(check.setup)
        .map(point => [point.id, point]),
    )
    const withGauge = (reading: PointReading): PointReading => {
      const { gauge: named, ...plain } = reading
      const kind = ways[points.get(reading.point)!.way].gauge
      const used = kind === null ? undefined : check.gauges[kind]?.id
      const here = gaugeIds.get(check.id)!
      const id = here.get(named ?? '') ?? here.get(used ?? '')
      return (kind === null || id === undefined ? plain : { ...plain, gauge: id }) as PointReading
    }
    return [
      ...check.trials.flatMap(trial =>
        trial.readings.map(reading => ({
          order: reading.order ?? Infinity,
          async insert() {
            await insertReading(sql, trial.id, withGauge(reading), reading.taken ?? null)
            if (reading.voided) await insertVoid(sql, reading.id, reading.voided.reason)
          },
        })),
      ),
      ...check.partChanges.map(change => ({
        order: change.order,
        async insert() {
          const part = check.parts[change.role] ?? null
          await insertPartChange(sql, {
            id: `${part ?? check.id}:${change.at}`,
            partId: part,
            checkId: part === null ? check.id : null,
            reason: change.reason,
            by: '',
            at: change.at,
          })
        },
      })),
    ]
  })
  for (const step of steps.sort((a, b) => a.order - b.order)) await step.insert()
}

/** The same jobs under ids of their own; sizes and gauges keep theirs. */
function withNewIds(worksheet: Worksheet): Worksheet {
  const fresh = new Map<string, string>()
  const id = (old: string) => fresh.get(old) ?? fresh.set(old, uuid()).get(old)!
  return {
    ...worksheet,
    jobs: worksheet.jobs.map(job => ({
      ...job,
      id: id(job.id),
      title: `${job.title} (copy)`.slice(0, 120),
      parts: job.parts.map(part => ({ ...part, id: id(part.id) })),
      checks: job.checks.map(check => ({
        ...check,
        id: id(check.id),
        parts: Object.fromEntries(Object.entries(check.parts).map(([role, part]) => [role, id(part)])),
        trials: check.trials.map(trial => ({
          ...trial,
          id: id(trial.id),
          readings: trial.readings.map(reading => ({
            ...reading,
            id: id(reading.id),
            ...(isPieces(reading) ? { pieces: reading.pieces.map(id) } : {}),
          })),
        })),
        laps: check.laps.map(lap => ({
          ...lap,
          id: id(lap.id),
          trial: lap.trial === null ? null : id(lap.trial),
          passes: lap.passes.map(pass => ({ ...pass, id: id(pass.id) })),
        })),
        ticks: check.ticks.map(tick => ({ ...tick, trial: tick.trial === null ? null : id(tick.trial) })),
      })),
    })),
  }
}
