import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { nm, thou } from '#core/quantity/length'
import { readWorksheet } from '#core/worksheet/read'
import type { Progress } from '#shared/types'
import type { Worksheet, WorksheetJob } from '#core/worksheet/worksheet'
import { forgetArrivals } from '../database/arrivals'
import { openDatabase, type Database, type Sql } from '../database/client'
import { allGauges } from '../database/gauges'
import { allLots } from '../database/stock'
import { listedAnswer, checkView, loadCheck } from '../service/check-view'
import { reopen } from '../service/check-commands'
import { exportJob } from '../service/export'
import { withReader, type Reader } from './call-reader'
import { importStock } from './drawer'
import { Cancelled } from './progress'
import { importWorksheet } from './worksheet'
import { replacePart } from '../service/part-change'
import { schema } from '../database/from-source'
import { demo, DEMO_WORKSHEETS as DEMO } from '../../tests/demo-files'
import { inLong } from '../../tests/runs'

let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
})
afterAll(() => db.close())

const read = (text: string): Worksheet => {
  const reading = readWorksheet(text)
  if (!reading.ok) throw new Error(reading.faults[0]!.reason)
  return reading.worksheet
}
/** The job so many times over, each under ids of its own. */
function manyOf(worksheet: Worksheet, count: number, prefix: string): string {
  const jobs = Array.from({ length: count }, (_, i): WorksheetJob => {
    const job = worksheet.jobs[0]!
    const id = (old: string) => `${prefix}${i}:${old}`.slice(0, 64)
    return {
      ...job,
      id: id(job.id),
      parts: job.parts.map(part => ({ ...part, id: id(part.id) })),
      checks: job.checks.map(check => ({
        ...check,
        id: id(check.id),
        parts: Object.fromEntries(Object.entries(check.parts).map(([role, part]) => [role, id(part)])),
        ticks: check.ticks.map(tick => ({ ...tick, trial: tick.trial && id(tick.trial) })),
        laps: [],
        trials: check.trials.map(trial => ({
          ...trial,
          id: id(trial.id),
          readings: trial.readings.map(reading => ({ ...reading, id: id(reading.id) })),
        })),
      })),
    }
  })
  return JSON.stringify({ ...worksheet, jobs })
}
const TABLES = [
  'job',
  'checks',
  'lot',
  'gauge',
  'part',
  'trial',
  'series',
  'reading',
  'pack_listing',
  'trial_piece',
  'event',
  'sign_off',
  'limit_set',
]
const counts = async (sql: Sql) =>
  (await sql.rows<object>(`SELECT ${TABLES.map(table => `(SELECT count(*) FROM ${table}) AS ${table}`).join(', ')}`))[0]

describe('an import', () => {
  it('lists each check as it is when it is opened', async () => {
    for (const name of inLong ? DEMO : DEMO.slice(0, 12)) await importWorksheet(db, demo(name), false)
    const rows = await db.rows<{
      id: string
      state: string
      word: string
      note: string
      figure: number | null
      measure: string | null
      signed: boolean
      accepted: boolean
      pending: number
    }>('SELECT id, state, word, note, figure, measure, signed, accepted, pending FROM checks ORDER BY id')
    expect(rows.length).toBeGreaterThan(15)
    for (const { id, ...listed } of rows) {
      const { document, lots } = await loadCheck(db, id)
      expect({ id, ...listed }).toEqual({ id, ...listedAnswer(document, lots) })
    }
  })
  it('keeps the order of what happened, a reopening, and what was signed before a part was replaced', async () => {
    const at = async (id: string) => ({ op: `x${Math.random()}`, version: (await checkView(db, id)).version })
    const signed = (await checkView(db, 'launch-output')).document
    expect(signed.signOff).not.toBeNull()
    await reopen(db, 'launch-output', { ...(await at('launch-output')), by: 'T. Marl', reason: 'a knock' })
    const jobId = (await checkView(db, 'launch-output')).job.id
    await replacePart(db, jobId, { op: 'new-bearing', part: signed.parts.bearing!, reason: 'a new one', by: 'T. Marl' })
    const sheet = await exportJob(db, jobId)
    const { jobIds } = await importWorksheet(db, JSON.stringify(sheet), true)
    const copy = (await exportJob(db, jobIds[0]!)).jobs[0]!
    for (const [i, check] of sheet.jobs[0]!.checks.entries()) {
      const other = copy.checks[i]!
      const state = (document: typeof check) => {
        const { word, state: s, headline } = evaluateCheck({ ...document, history: {} }, sheet.lots)
        return [s, word, headline.stale]
      }
      expect([check.title, ...state(other)]).toEqual([check.title, ...state(check)])
      expect(other.reopened === null).toBe(check.reopened === null)
      expect(other.reopened?.reason).toBe(check.reopened?.reason)
    }
  })
  it('of many jobs goes on while others are served, and shows none of them before all are there', async () => {
    const text = manyOf(read(demo('1-mail-launch.worksheet.json')), 60, 'm')
    const look = async () =>
      (
        await db.rows<{ jobs: number; readings: number }>(
          'SELECT (SELECT count(*) FROM job WHERE removed_at IS NULL)::integer AS jobs, (SELECT count(*) FROM reading)::integer AS readings',
        )
      )[0]!
    const before = await look()
    const import60 = importWorksheet(db, text, false)
    const seen: Awaited<ReturnType<typeof look>>[] = []
    let going = true
    void import60.finally(() => {
      going = false
    })
    while (going) {
      seen.push(await look())
      await new Promise(resolve => setTimeout(resolve, 5))
    }
    await import60
    const after = await look()
    // It was asked many times in between: none was shown before the last reading was there.
    expect(seen.filter(({ jobs }) => jobs === before.jobs).length).toBeGreaterThan(10)
    expect(seen.filter(({ jobs, readings }) => jobs > before.jobs && readings < after.readings)).toEqual([])
    expect(after.jobs).toBe(before.jobs + 60)
  })
  it('that breaks off leaves nothing of itself, also when the program was killed', async () => {
    const before = await counts(db)
    const sheet = read(demo('2-fire-pump.worksheet.json'))
    const other: Worksheet = {
      ...sheet,
      lots: [...sheet.lots, { ...sheet.lots[0]!, id: 'never-seen', nominal: nm(123_456) }],
      jobs: sheet.jobs.map(job => ({
        ...job,
        checks: job.checks.map(check => ({
          ...check,
          gauges: Object.fromEntries(
            Object.entries(check.gauges).map(([kind, gauge]) => [kind, { ...gauge, id: 'strange', graduation: thou(3) }]),
          ),
        })),
      })),
    }
    const text = manyOf(other, 40, 'b')
    let transactions = 0
    const failing: Database = {
      ...db,
      transaction: work =>
        db.transaction(async sql => {
          if (++transactions === 5) throw new Error('the disk is full')
          return work(sql)
        }),
    }
    await expect(importWorksheet(failing, text, false)).rejects.toThrow('the disk is full')
    expect(await counts(db)).toEqual(before)
    // Killed: nobody is there to clean up before the next start.
    let left = 4
    const dying: Database = {
      ...db,
      transaction: work => {
        if (left-- <= 0) return new Promise(() => undefined)
        return db.transaction(work)
      },
    }
    void importWorksheet(dying, text, false)
    await expect.poll(async () => (await allLots(db)).length + left, { timeout: 20_000 }).toBeLessThan((await allLots(db)).length)
    expect(await counts(db)).not.toEqual(before)
    expect((await allLots(db)).some(({ id }) => id === 'never-seen')).toBe(false)
    await forgetArrivals(db)
    expect(await counts(db)).toEqual(before)
    expect((await allGauges(db)).some(({ id }) => id === 'strange')).toBe(false)
  })
  it('says how far it is, and one that is broken off in between leaves nothing of itself', async () => {
    const before = await counts(db)
    const text = manyOf(read(demo('2-fire-pump.worksheet.json')), 60, 'k')
    const stop = new AbortController()
    const heard: Progress[] = []
    const said = (progress: Progress) => {
      heard.push(progress)
      if (progress.done > progress.of / 2) stop.abort()
    }
    await expect(importWorksheet(db, text, false, { signal: stop.signal, said })).rejects.toBeInstanceOf(Cancelled)
    expect(await counts(db)).toEqual(before)
    const readings = (JSON.parse(text) as Worksheet).jobs.flatMap(job => job.checks.flatMap(c => c.trials.flatMap(t => t.readings)))
    expect(heard.at(-1)!.of).toBe(readings.length)
    const done = heard.map(progress => progress.done)
    expect(done).toEqual([...done].sort((a, b) => a - b))
    expect(done.at(-1)).toBeLessThan(readings.length)
    // Nothing stands in the way of the same file.
    expect((await importWorksheet(db, text, false)).jobs).toBe(60)
  })
  it('of a check with a thousand readings goes in, and out again, by pieces that others need not wait long for', async () => {
    const sheet = read(demo('2-fire-pump.worksheet.json'))
    const [job] = sheet.jobs
    const check = job!.checks.find(({ trials }) => trials[0]!.readings.length > 0)!
    const [first] = check.trials
    const many = Array.from({ length: 1_000 }, (_, i) => ({ ...first!.readings[0]!, id: `many-${i}`, order: i + 1 }))
    const one = { ...check, id: 'many', signOff: null, parts: {}, laps: [], ticks: [], partChanges: [], clearings: [], reopened: null }
    const text = JSON.stringify({
      ...sheet,
      jobs: [{ ...job!, id: 'many', parts: [], checks: [{ ...one, trials: [{ ...first!, id: 'many', predicted: {}, readings: many }] }] }],
    })
    const before = await counts(db)
    const pieces = { in: [] as number[], out: [] as number[] }
    const watched: Database = {
      ...db,
      transaction: work =>
        db.transaction(sql =>
          work({
            ...sql,
            rows(statement, values = []) {
              if (statement.startsWith('INSERT INTO reading ')) pieces.in.push((JSON.parse(values[0] as string) as unknown[]).length)
              if (statement.startsWith('DELETE FROM reading ')) pieces.out.push((values[0] as unknown[]).length)
              return sql.rows(statement, values)
            },
          }),
        ),
    }
    const stop = new AbortController()
    const said = ({ done }: Progress) => {
      if (done > 700) stop.abort()
    }
    await expect(importWorksheet(watched, text, false, { signal: stop.signal, said })).rejects.toBeInstanceOf(Cancelled)
    expect(await counts(db)).toEqual(before)
    const sum = (all: readonly number[]) => all.reduce((a, b) => a + b, 0)
    expect(sum(pieces.in)).toBeGreaterThan(700)
    expect(Math.max(...pieces.in)).toBeLessThanOrEqual(100)
    // What goes with the job at the end goes by the job, and finds no reading any more.
    expect(sum(pieces.out.slice(0, -1))).toBe(sum(pieces.in))
    expect(Math.max(...pieces.out)).toBeLessThanOrEqual(250)
  })
  it('broken off while its file is read stores nothing, and the worker that read it has ended', async () => {
    const before = await counts(db)
    const stop = new AbortController()
    const going = importWorksheet(db, manyOf(read(demo('2-fire-pump.worksheet.json')), 60, 'n'), false, { signal: stop.signal })
    setTimeout(() => stop.abort(), 20)
    await expect(going).rejects.toBeInstanceOf(Cancelled)
    expect(await counts(db)).toEqual(before)
    let left: Reader | null = null
    const broken = withReader(undefined, async reader => {
      left = reader
      throw new Cancelled()
    })
    await expect(broken).rejects.toBeInstanceOf(Cancelled)
    const silent = new Promise(resolve => setTimeout(resolve, 200, 'no answer'))
    expect(await Promise.race([left!.drawer('family,nominal,count\n'), silent])).toBe('no answer')
  })
  it('is read by the worker that read the last one, which has forgotten it', async () => {
    const readers: Reader[] = []
    for (const text of [demo('2-fire-pump.worksheet.json'), demo('3-quarry-loader.worksheet.json')])
      await withReader(undefined, async reader => {
        readers.push(reader)
        await reader.open(text, true)
      })
    await expect(readers[0]!.claims()).rejects.toThrow(/null/)
  })
  it('killed while its jobs are being shown is shown whole by the next start', async () => {
    const shown = async () => (await db.rows<{ n: number }>('SELECT count(*)::integer AS n FROM job WHERE removed_at IS NULL'))[0]!.n
    const before = await shown()
    let left = Infinity
    const dying: Database = {
      ...db,
      transaction(work) {
        if (left-- <= 0) return new Promise(() => undefined)
        return db.transaction(sql =>
          work({
            ...sql,
            rows(statement, values) {
              // What follows the row that says it is whole: its sizes, its gauges, one run of jobs.
              if (statement.startsWith('INSERT INTO arrived')) left = 3
              return sql.rows(statement, values)
            },
          }),
        )
      },
    }
    void importWorksheet(dying, manyOf(read(demo('2-fire-pump.worksheet.json')), 60, 's'), false)
    await expect.poll(() => left, { timeout: 20_000 }).toBe(-1)
    const between = await shown()
    expect(between).toBeGreaterThan(before)
    expect(between).toBeLessThan(before + 60)
    await forgetArrivals(db)
    expect(await shown()).toBe(before + 60)
    expect(await db.rows('SELECT id FROM arrived')).toEqual([])
  })
  it('of a drawer broken off in between adds no size', async () => {
    const lots = (await allLots(db)).length
    const before = await counts(db)
    const csv = `family,nominal,count\n${Array.from({ length: 600 }, (_, i) => `Broken off,${i + 1} thou,3\n`).join('')}`
    const stop = new AbortController()
    await expect(importStock(db, csv, { signal: stop.signal, said: () => stop.abort() })).rejects.toBeInstanceOf(Cancelled)
    expect((await allLots(db)).length).toBe(lots)
    expect(await counts(db)).toEqual(before)
    expect(await importStock(db, csv)).toEqual({ added: 600, corrected: 0 })
  })
  it('of a file that takes too much memory is refused, and the program goes on', async () => {
    const names = Array.from({ length: 200_000 }, (_, i) => `{"k${i}":""}`)
    const greedy = withReader(undefined, reader => reader.open(`[${names.join()}]`, false), 32)
    await expect(greedy).rejects.toMatchObject({ status: 413 })
  })
})
