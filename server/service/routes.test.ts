import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { routeCheck } from '#core/command/route'
import { thou } from '#core/quantity/length'
import { openDatabase, type Database } from '../database/client'
import type { Refused } from '../http/refuse'
import { importStock } from '../import/drawer'
import { importWorksheet } from '../import/worksheet'
import { checkView } from './check-view'
import { createJob, jobView } from './jobs'
import { removeRoute } from './removal'
import { beginningOf } from './new-check'
import { lastTime, saveRoute } from './routes'
import { learnFigures, trendsOfType, trendsOfUnit } from './trends'
import { schema } from '../database/from-source'
import { demo } from '../../tests/demo-files'

let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  await importStock(db, demo('drawer.csv'))
  await importWorksheet(db, demo('90-mail-launch-services.worksheet.json'), false)
}, 60_000)
afterAll(() => db.close())
const saidBy = (work: Promise<unknown>) => work.then(() => null).catch((error: Refused) => error.refusal.faults[0]!.reason)

describe('a route', () => {
  it('is the checks of a job with what each begins with, and nothing that was measured', async () => {
    const [route] = await saveRoute(db, { op: 'r1', id: 'launch', name: ' Launch service ', job: 'launch-s6' })
    expect(route).toMatchObject({
      name: 'Launch service',
      type: 'Harbour launch',
      checks: [{ title: 'Output bearing end play' }, { title: 'Input shaft end play' }, { title: 'Crankshaft end play' }],
    })
    expect(await saidBy(saveRoute(db, { op: 'r2', id: 'other', name: 'launch SERVICE', job: 'launch-s6' }))).toBe(
      'Another route has this name.',
    )
    const job = await createJob(db, { op: 'j1', id: 'new-job', unit: 'Pilot launch', title: 'Service', route: 'launch', who: 'T. Marl' })
    expect([job.said, job.checks.map(({ title }) => title)]).toEqual([[], route!.checks.map(({ title }) => title)])
    const view = await jobView(db, 'new-job')
    const [then, now] = [await checkView(db, 'launch-s6-input'), await checkView(db, view.checks[1]!.id)]
    expect(routeCheck(now.document)).toEqual(routeCheck(then.document))
    expect(now.document.limits.sets.play!.book).toMatchObject({ lower: thou(3), upper: thou(7), source: { page: '4-15' } })
    expect(now.document.family).toBe('Reduction box shims')
    expect([now.document.trials.length, now.document.trials[0]!.readings, now.document.ticks, now.document.signOff]).toEqual([
      1,
      [],
      [],
      null,
    ])
    // Sent twice it is one job.
    expect((await createJob(db, { op: 'j1', id: 'new-job', unit: 'Pilot launch', title: 'Service', route: 'launch' })).checks).toHaveLength(
      3,
    )
  })
  it('whose gauge is gone takes the likeliest, and says so', async () => {
    await db.rows(
      `UPDATE route SET checks = jsonb_set(checks, '{0,settings,gauges}', '{"dial-indicator": "sold-last-year"}') WHERE id = 'launch'`,
    )
    const job = await createJob(db, { op: 'j2', id: 'without', unit: 'Pilot launch', title: 'Service', route: 'launch' })
    expect(job.said).toEqual(['A gauge of output bearing end play is not in the register any more: the likeliest was taken.'])
    const { document } = await checkView(db, job.checks[0]!.id)
    expect(document.gauges['dial-indicator']!.id).not.toBe('sold-last-year')
  })
  it('that is not there, or was removed, begins nothing', async () => {
    const begin = (route: string, op: string) => saidBy(createJob(db, { op, id: op, unit: 'Pilot launch', title: 'Service', route }))
    expect(await begin('no-such', 'j3')).toBe('There is no such route.')
    await removeRoute(db, 'launch', { op: 'r3', version: 1, removed: true })
    expect(await begin('launch', 'j4')).toBe('There is no such route.')
    expect(await db.rows("SELECT 1 FROM job WHERE id IN ('j3', 'j4')")).toEqual([])
    expect(await removeRoute(db, 'launch', { op: 'r4', version: 2, removed: false })).toHaveLength(1)
    const empty = await createJob(db, { op: 'j5', id: 'empty', unit: 'Ferry ramp', title: 'Winch' })
    expect(empty.checks).toEqual([])
    expect(await saidBy(saveRoute(db, { op: 'r5', id: 'nothing', name: 'Nothing', job: 'empty' }))).toContain('no checks yet')
  })
})

describe('a check of a kind the unit had before', () => {
  it('can begin as the last signed one did, with its gauges', async () => {
    const { last } = await beginningOf(db, 'launch-s6', 'shaft-end-play')
    const { document } = await checkView(db, last!.id)
    expect(last).toMatchObject({ day: document.signOff!.at.slice(0, 10), settings: { setup: document.setup, family: document.family } })
    expect(last!.settings.limits!.length).toBeGreaterThan(0)
    expect(last!.settings.gauges).toEqual({ 'dial-indicator': document.gauges['dial-indicator']!.id })
  })
  it('is none of a kind it never had; of no job there is none', async () => {
    expect(await beginningOf(db, 'launch-s6', 'universal-joint')).toEqual({ last: null })
    expect(await saidBy(beginningOf(db, 'nobody', 'universal-joint'))).toContain('no such job')
    expect(await saidBy(beginningOf(db, 'launch-s6', 'gramophone'))).toContain('no such kind')
  })
})

describe('a job done again', () => {
  it('has the checks of the last, and their figures stand beside as last time', async () => {
    const job = await createJob(db, { op: 'a1', id: 'again', unit: 'Mail launch', title: 'Service at 5,870 hours', again: 'launch-s6' })
    expect(job.checks.map(({ title }) => title)).toEqual(['Output bearing end play', 'Input shaft end play', 'Crankshaft end play'])
    const last = (await lastTime(db, job.checks[1]!.id))!
    expect(last).toMatchObject({ check: 'launch-s6-input', day: '2026-07-06', meterReading: 5590 })
    expect(last.figures[0]).toMatchObject({ result: 'play', left: { value: thou(6.2) } })
    // Of days, not of when they were entered here: the file brought the newest in first.
    expect(await lastTime(db, 'launch-s3-input')).toMatchObject({ check: 'launch-s2-input', day: '2025-02-10' })
    expect(await lastTime(db, 'launch-s1-input')).toBeNull()
    // The thrust bearing was replaced then: it went out with another figure than it came in with.
    const crank = (await lastTime(db, job.checks[2]!.id))!.figures.find(({ result }) => result === 'play')
    expect(crank).toMatchObject({ found: { value: thou(6.9) }, left: { value: thou(4.2) } })
    expect(
      await lastTime(db, (await createJob(db, { op: 'a2', id: 'b', unit: 'Ferry ramp', title: 'x', again: 'launch-s6' })).checks[0]!.id),
    ).toBeNull()
  })
})

describe('trends of a unit', () => {
  it('have every signed service, as it came in and as it went out, with its limits and what was replaced', async () => {
    const { unit } = await jobView(db, 'launch-s1')
    const { trends } = await trendsOfUnit(db, unit.id)
    const input = trends.find(({ title }) => title === 'Input shaft end play')!
    const [line] = input.units
    const thouOf = (figure: { value: number } | null) => figure && Math.round(figure.value / 2540) / 10
    expect(line!.services.map(({ found, left }) => [thouOf(found), thouOf(left)])).toEqual([
      [4.1, 4.1],
      [5, 5],
      [6.2, 5.2],
      [6.4, 4.4],
      [5.2, 5.2],
      [6.2, 6.2],
    ])
    expect(line!.services[3]).toMatchObject({ meterReading: 5030, lower: thou(3), upper: thou(7), changes: [] })
    const crank = trends.find(({ title }) => title === 'Crankshaft end play')!.units[0]!.services
    expect(crank.at(-1)!.changes).toEqual(['Thrust bearing: new halves, the old ones scored'])
    expect([crank.at(-1)!.found, crank.at(-1)!.left].map(thouOf)).toEqual([6.9, 4.2])
    expect((await trendsOfType(db, 'harbour LAUNCH')).trends.map(({ key }) => key)).toEqual(trends.map(({ key }) => key))
    expect((await trendsOfType(db, '')).trends).toEqual([])
  })
  it('are worked out anew for what was signed before there were any', async () => {
    const all = () => db.rows('SELECT * FROM service_figure ORDER BY check_id, result')
    const before = await all()
    await db.rows("DELETE FROM service_figure WHERE check_id = 'launch-s3-input'")
    await db.rows("UPDATE checks SET figures_known = false WHERE id = 'launch-s3-input'")
    await learnFigures(db)
    expect(await all()).toEqual(before)
  })
})
