import { setImmediate as breathe } from 'node:timers/promises'
import { v4 as uuid } from 'uuid'
import { isPieces } from '#core/reading/reading'
import type { Gauge } from '#core/reading/gauge'
import type { Pooled } from '#core/reading/estimate'
import { formatLength } from '#core/quantity/format-length'
import { readingSteps, type WorksheetReading } from '#core/worksheet/read'
import type { Worksheet, WorksheetJob } from '#core/worksheet/worksheet'
import type { ImportResult } from '#shared/types'
import { forgetArrivals, reveal } from '../database/arrivals'
import { insertRows, known, numbersOf } from '../database/bulk'
import type { Database, Sql } from '../database/client'
import { admitGauge, gaugeById } from '../database/gauges'
import { unitNamed } from '../database/jobs'
import { takeStock } from '../database/learn'
import { pooledSpreads } from '../database/readings'
import { promisedByLot } from '../database/reserves'
import { allLots, lotColumns } from '../database/stock'
import { refuse, refuseAll } from '../http/refuse'
import { log } from '../log'
import { TABLES, jobRows, noRows, numbersFor, type ImportContext } from './import-rows'

/** So many jobs change what the database has to plan by. */
const MANY = 100
/** Jobs that go in with one transaction: others wait no longer than that. */
const AT_ONCE = 25

/** Does the steps, letting others have their turn between them. */
async function inTurns<Result>(steps: Generator<void, Result>): Promise<Result> {
  let last = performance.now()
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
    if (performance.now() - last > 15) {
      await breathe()
      last = performance.now()
    }
  }
}

let before: Promise<unknown> = Promise.resolve()

/**
 * Reads a worksheet into the shop, all of it or nothing. Jobs that are here already are refused unless copied under new ids.
 * Sizes the shop does not know are added with none on hand: the file's drawer is not this one. One after the other; it comes in in
 * pieces, unseen until it is complete, so that the shop goes on working meanwhile.
 */
export function importWorksheet(db: Database, text: string, asCopy: boolean): Promise<ImportResult> {
  const mine = before.then(() => importNow(db, text, asCopy))
  before = mine.catch(() => undefined)
  return mine
}

async function importNow(db: Database, text: string, asCopy: boolean): Promise<ImportResult> {
  const reading: WorksheetReading = await inTurns(readingSteps(text))
  if (!reading.ok) throw refuseAll(reading.faults)
  const worksheet = asCopy ? withNewIds(reading.worksheet) : reading.worksheet
  const arrival = uuid()
  try {
    const { context, added, notes } = await db.transaction(sql => prepare(sql, worksheet, arrival))
    for (let at = 0; at < worksheet.jobs.length; at += AT_ONCE)
      await bringIn(db, worksheet, worksheet.jobs.slice(at, at + AT_ONCE), context)
    await db.transaction(sql => reveal(sql, arrival))
    await takeStock(db, worksheet.jobs.length >= MANY)
    log('import', `${worksheet.jobs.length} jobs of a worksheet`)
    return {
      jobs: worksheet.jobs.length,
      checks: worksheet.jobs.reduce((sum, job) => sum + job.checks.length, 0),
      lots: added,
      jobIds: worksheet.jobs.map(job => job.id),
      notes: [...notes, ...(added > 0 ? [`${added} sizes of the file were not in this drawer: they are listed with none on hand.`] : [])],
    }
  } catch (error) {
    await forgetArrivals(db)
    throw error
  }
}

type Prepared = Omit<ImportContext, 'next'>

/** What would clash is refused before anything is written; sizes, gauges and units of the file get their place. */
async function prepare(sql: Sql, worksheet: Worksheet, arrival: string): Promise<{ context: Prepared; added: number; notes: Set<string> }> {
  await refuseClashes(sql, worksheet)
  const here = new Map((await allLots(sql)).map(lot => [lot.id, lot]))
  const wrong = worksheet.lots.findIndex(lot => here.has(lot.id) && here.get(lot.id)!.nominal !== lot.nominal)
  if (wrong !== -1) {
    const lot = worksheet.lots[wrong]!
    const size = formatLength(here.get(lot.id)!.nominal, 'mm', { unit: true })
    throw refuse(409, `This shop knows “${lot.id}” as another size (${size}).`, `lots/${wrong}`)
  }
  const hidden = await known(
    sql,
    'lot',
    worksheet.lots.map(({ id }) => id),
  )
  const fresh = worksheet.lots.filter(({ id }) => !hidden.has(id))
  await insertRows(
    sql,
    'lot',
    fresh.map(lot => ({ ...lotColumns(lot), removed_at: new Date().toISOString(), arriving: arrival })),
  )

  const notes = new Set<string>()
  const gauges = new Map<string, Gauge>()
  const key = (gauge: Gauge) => JSON.stringify(gauge)
  for (const gauge of worksheet.jobs.flatMap(job => job.checks.flatMap(check => Object.values(check.gauges)))) {
    if (gauges.has(key(gauge))) continue
    const id = await admitGauge(sql, gauge, arrival)
    if (id !== gauge.id)
      notes.add(`The file’s “${gauge.name}” is not the gauge known here by that id: it stands beside it in the register.`)
    const { version: _, kit: __, uses: ___, ...admitted } = (await gaugeById(sql, id))!
    gauges.set(key(gauge), admitted)
  }
  const units = new Map<string, string>()
  for (const { unit } of worksheet.jobs)
    if (!units.has(unit.name)) units.set(unit.name, await unitNamed(sql, uuid(), unit.name, unit.description))

  const spreads: ReadonlyMap<string, Pooled> = await pooledSpreads(sql)
  const promised = await promisedByLot(sql)
  const drawer = [...here.values(), ...fresh.map(lot => ({ ...lot, onHand: 0, version: 1 }))]
  const context: Prepared = {
    arrival,
    unitOf: name => units.get(name)!,
    gaugeOf: gauge => gauges.get(key(gauge))!,
    historyOf: (kind, gauge) => spreads.get(`${kind} ${gauge}`),
    lots: drawer.map(({ version: _, ...lot }) => ({ ...lot, reserved: lot.reserved + (promised.get(lot.id) ?? 0) })),
  }
  return { context, added: fresh.length, notes }
}

/** So many jobs as rows, worked out while others have their turn, then stored at once. */
async function bringIn(db: Database, worksheet: Worksheet, jobs: readonly WorksheetJob[], prepared: Prepared): Promise<void> {
  const wanted = jobs.map(numbersFor)
  const sum = (of: keyof (typeof wanted)[number]) => wanted.reduce((total, numbers) => total + numbers[of], 0)
  const numbers = await db.transaction(async sql => ({
    order: await numbersOf(sql, 'happening', sum('order')),
    listing: await numbersOf(sql, 'pack_listing_id_seq', sum('listing')),
    series: await numbersOf(sql, 'series_id_seq', sum('series')),
  }))
  const take = (from: number[]) => {
    let at = 0
    return () => from[at++]!
  }
  const context: ImportContext = {
    ...prepared,
    next: { order: take(numbers.order), listing: take(numbers.listing), series: take(numbers.series) },
  }
  const rows = noRows()
  for (const job of jobs) {
    jobRows(job, worksheet.lots, context, rows)
    await breathe()
  }
  await db.transaction(async sql => {
    for (const table of TABLES) await insertRows(sql, table, rows[table])
  })
}

/** Refuses what would be there twice. */
async function refuseClashes(sql: Sql, { jobs }: Worksheet): Promise<void> {
  const refuseTwice = async <Item extends { readonly id: string }>(
    table: string,
    items: readonly { readonly item: Item; readonly path: string; readonly what: (item: Item) => string }[],
  ): Promise<void> => {
    const there = await known(
      sql,
      table,
      items.map(({ item }) => item.id),
    )
    const twice = items.find(({ item }) => there.has(item.id))
    if (twice)
      throw refuse(409, `${twice.what(twice.item)} is here already. Import it as a copy to keep both.`, twice.path, { helps: 'copy' })
  }
  const checks = jobs.flatMap(job => job.checks)
  const trials = checks.flatMap(check => check.trials.map(item => ({ item, path: check.id, what: () => `A fitting of “${check.title}”` })))
  await refuseTwice(
    'job',
    jobs.map((item, i) => ({ item, path: `jobs/${i}`, what: () => `The job “${item.title}”` })),
  )
  await refuseTwice(
    'part',
    jobs.flatMap((job, i) => job.parts.map((item, j) => ({ item, path: `jobs/${i}/parts/${j}`, what: () => `The part “${item.name}”` }))),
  )
  await refuseTwice(
    'checks',
    checks.map(item => ({ item, path: item.id, what: () => `The check “${item.title}”` })),
  )
  await refuseTwice('trial', trials)
  await refuseTwice(
    'reading',
    checks.flatMap(check =>
      check.trials.flatMap(({ readings }) =>
        readings.map(item => ({ item, path: check.id, what: ({ id }: { id: string }) => `A reading of “${check.title}” (${id})` })),
      ),
    ),
  )
  await refuseTwice(
    'lap',
    checks.flatMap(check => check.laps.map(item => ({ item, path: check.id, what: () => `A piece made for “${check.title}”` }))),
  )
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
