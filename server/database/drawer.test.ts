import Papa from 'papaparse'
import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { checkKind } from '#core/check/registry'
import { pieceScatter } from '#core/pack/lot'
import { nm, thou } from '#core/quantity/length'
import { openDatabase, type Database } from './client'
import { jobList } from './book'
import { migrate, missing } from './migrate'
import { allLots, insertLot } from './stock'
import { Refused } from '../http/refuse'
import { changeSettings, listFoundPack, logReading, signOff, tickStep, voidReading } from '../service/check-commands'
import { checkView } from '../service/check-view'
import { createJob, jobView } from '../service/jobs'
import { createCheck } from '../service/new-check'
import { removeCheck, removeJob, removeLot } from '../service/removal'
import { addLot, changeLot, joinLike, moveStock, tellApart } from '../service/stock'
import { exportStock, importStock } from '../import/drawer'
import { exportJob } from '../service/export'
import { importWorksheet } from '../import/worksheet'
import { JobQueryDto } from '#shared/dto/job'
import { openEngine } from './engine'
import { SyncedFiles } from './files'
import { schema, schemaUpTo } from './from-source'

let db: Database
let ops = 0
const op = () => `op-${ops++}`
const reasonOf = async (work: Promise<unknown>): Promise<string> => {
  const error = await work.catch((e: unknown) => e)
  if (!(error instanceof Refused)) throw new Error(`Not refused: ${String(error)}`)
  return error.refusal.faults[0]!.reason
}
const lot = async (id: string) => (await allLots(db)).find(candidate => candidate.id === id)!
const command = async (id: string) => ({ op: op(), version: (await lot(id)).version })
const size = (id: string, count: number, thick = 18) => addLot(db, { op: op(), id, family: 'shims', nominal: thou(thick), count })

beforeAll(async () => {
  db = await openDatabase(undefined, schema)
})
afterAll(() => db.close())

describe('sizes piece by piece', () => {
  it('figures gather under their size; the last can be taken back, and all', async () => {
    await size('eighteen', 6)
    await changeLot(db, 'eighteen', { ...(await command('eighteen')), sizes: [nm(450_000)] })
    await changeLot(db, 'eighteen', { ...(await command('eighteen')), sizes: [nm(450_000), nm(456_000)] })
    expect(await lot('eighteen')).toMatchObject({ measured: 453_000, sizes: [450_000, 456_000], onHand: 6 })
    await changeLot(db, 'eighteen', { ...(await command('eighteen')), sizes: [nm(450_000)] })
    expect((await lot('eighteen')).measured).toBe(450_000)
    await changeLot(db, 'eighteen', { ...(await command('eighteen')), scatter: nm(3_000) })
    expect(pieceScatter(await lot('eighteen'))).toBe(3_000)
    await changeLot(db, 'eighteen', { ...(await command('eighteen')), kept: 1 })
    expect(await lot('eighteen')).toMatchObject({ sizes: [450_000], scatter: 3_000, reserved: 1 })
    await changeLot(db, 'eighteen', { ...(await command('eighteen')), scatter: null, sizes: [] })
    expect((await lot('eighteen')).scatter).toBeUndefined()
    expect((await lot('eighteen')).measured).toBeNull()
  })
  it('a piece told apart is one less of its like, once however often it is said, and goes back among them', async () => {
    const first = { ...(await command('eighteen')), id: 'tray-4', size: nm(447_000), mark: 'tray 4' }
    await tellApart(db, 'eighteen', first)
    await tellApart(db, 'eighteen', first)
    expect([(await lot('eighteen')).onHand, await lot('tray-4')]).toMatchObject([
      5,
      { onHand: 1, apart: true, mark: 'tray 4', measured: 447_000, nominal: thou(18) },
    ])
    expect(await reasonOf(tellApart(db, 'tray-4', { ...(await command('tray-4')), id: 'x', size: nm(1), mark: 'y' }))).toContain(
      'one piece',
    )
    expect(await reasonOf(moveStock(db, 'tray-4', { ...(await command('tray-4')), why: 'take-in', change: 2, note: '' }))).toContain(
      'told apart',
    )
    expect(await reasonOf(changeLot(db, 'tray-4', { ...(await command('tray-4')), sizes: [] }))).toContain('one figure')
    await joinLike(db, 'tray-4', await command('tray-4'))
    expect([(await lot('eighteen')).onHand, (await lot('tray-4')).onHand]).toEqual([6, 0])
    expect(await lot('eighteen')).toMatchObject({ sizes: [447_000], measured: 447_000 })
    expect(await reasonOf(joinLike(db, 'tray-4', await command('tray-4')))).toContain('not in the drawer')
  })
  it('a washer keeps its hole and its rim, over a measurement and through a file; a rim within the hole is refused', async () => {
    await addLot(db, {
      op: op(),
      id: 'washer',
      family: 'washers',
      nominal: nm(500_000),
      count: 2,
      inside: nm(30_200_000),
      outside: nm(41_000_000),
    })
    await changeLot(db, 'washer', { ...(await command('washer')), sizes: [nm(501_000)] })
    await changeLot(db, 'washer', { ...(await command('washer')), outside: nm(42_000_000) })
    expect(await lot('washer')).toMatchObject({ measured: 501_000, inside: 30_200_000, outside: 42_000_000 })
    expect(await exportStock(db)).toContain('30.2 mm,42 mm')
    expect(await reasonOf(changeLot(db, 'washer', { ...(await command('washer')), outside: nm(30_000_000) }))).toContain(
      'inside below outside',
    )
    await changeLot(db, 'washer', { ...(await command('washer')), inside: null, outside: null })
    expect((await lot('washer')).inside).toBeUndefined()
  })
  it('none that is free: none to be told apart', async () => {
    await size('twelve', 1, 12)
    await changeLot(db, 'twelve', { ...(await command('twelve')), kept: 1 })
    const reason = await reasonOf(tellApart(db, 'twelve', { ...(await command('twelve')), id: 'z', size: thou(12), mark: 'tray 1' }))
    expect(reason).toContain('None of them is free')
  })
  it('goes out as CSV and comes back', async () => {
    await tellApart(db, 'eighteen', { ...(await command('eighteen')), id: 'tray-5', size: nm(449_000), mark: 'tray 5' })
    await changeLot(db, 'eighteen', { ...(await command('eighteen')), sizes: [nm(450_000), nm(451_000)], scatter: nm(2_500) })
    const other = await openDatabase(undefined, schema)
    await importStock(other, await exportStock(db))
    const plain = (lots: Awaited<ReturnType<typeof allLots>>) => lots.map(({ version: _, ...rest }) => rest)
    expect(plain(await allLots(other))).toEqual(plain(await allLots(db)))
    expect(await importStock(other, await exportStock(db))).toEqual({ added: 0, corrected: 0 })
    const wrong = 'family,nominal,count,apart\nshims,18 thou,2,yes\n'
    await expect(importStock(other, wrong)).rejects.toThrow(/told apart/)
    await other.close()
  })
  it('a mark that a spreadsheet would run is escaped, with a line break inside too; figures stay figures', async () => {
    const other = await openDatabase(undefined, schema)
    for (const [i, mark] of ['=1+1', '+1', '-1', '@a', '=a\nb', 'plain', '10'].entries())
      await insertLot(other, { ...(await allLots(db))[0]!, id: `m${i}`, mark })
    const csv = await exportStock(other)
    const marks = Papa.parse<{ mark: string; count: string }>(csv, { header: true, skipEmptyLines: true }).data.map(row => [
      row.mark,
      row.count,
    ])
    expect(marks.sort()).toEqual([`'+1`, `'-1`, `'=1+1`, `'=a\nb`, `'@a`, '10', 'plain'].sort().map(mark => [mark, '0']))
    const back = await openDatabase(undefined, schema)
    await importStock(back, csv)
    expect((await allLots(back)).map(lot => lot.mark).sort()).toEqual((await allLots(other)).map(lot => lot.mark).sort())
    await other.close()
    await back.close()
  })
  it('takes a drawer of 5,000 sizes at once, and no more', async () => {
    const other = await openDatabase(undefined, schema)
    const csv = (count: number) => `family,nominal,count\n${Array.from({ length: count }, (_, i) => `f,${i + 1} um,2`).join('\n')}\n`
    expect(await importStock(other, csv(5_000))).toEqual({ added: 5_000, corrected: 0 })
    expect((await allLots(other)).every(lot => lot.onHand === 2)).toBe(true)
    await expect(importStock(other, csv(5_001))).rejects.toThrow('At most 5000 sizes a file; this one has 5001.')
    await expect(importStock(other, 'id,family,nominal,count\na,f,1,1\nb,f,2,1\na,f,3,1\n')).rejects.toThrow('The id “a” is used twice.')
    await other.close()
  })
  it('what was measured before sizes were kept is the one figure of its size', async () => {
    const lite = await openEngine(undefined, schemaUpTo('0011'), { say: () => undefined, files: folder => new SyncedFiles(folder) })
    await lite.exec(`INSERT INTO lot (id, family, nominal_nm, measured_nm) VALUES ('a', 'f', 100, 101), ('b', 'f', 200, NULL)`)
    await migrate(lite, schema.migrations, await missing(lite, schema.migrations))
    const { rows } = await lite.query<{ sizes: number[] }>('SELECT sizes FROM lot ORDER BY id')
    expect(rows.map(row => row.sizes)).toEqual([[101], []])
    await lite.close()
  })
})

describe('what was entered by mistake', () => {
  const begin = async () => {
    await createJob(db, { op: op(), id: 'job', unit: 'mail launch', title: 'box' })
    await createCheck(db, 'job', { op: op(), id: 'check', kind: 'shaft-end-play', settings: { family: 'shims' } })
  }
  const version = async () => ({ op: op(), version: (await checkView(db, 'check')).version })
  const read = async (id: string) =>
    logReading(db, 'check', {
      ...(await version()),
      id,
      trialId: 'check:found',
      point: 'travel',
      start: nm(0),
      far: thou(5),
      back: nm(0),
      at: '2026-05-04T08:00:00.000Z',
    })

  it('a check goes while nothing was read in it, and comes back as it was', async () => {
    await begin()
    const before = await checkView(db, 'check')
    const gone = await removeCheck(db, 'check', { ...(await version()), removed: true })
    expect(gone.checks).toEqual([])
    expect(await reasonOf(checkView(db, 'check'))).toContain('no such check')
    expect((await exportJob(db, 'job')).jobs[0]!.checks).toEqual([])
    const back = await removeCheck(db, 'check', { op: op(), version: before.version + 1, removed: false })
    expect(back.removable).toEqual(['check'])
    expect((await checkView(db, 'check')).document).toEqual(before.document)
  })
  it('is refused with what rests on it; a struck reading holds nothing', async () => {
    await read('r1')
    expect(await reasonOf(removeCheck(db, 'check', { ...(await version()), removed: true }))).toBe('It cannot be removed: it has readings.')
    expect((await jobView(db, 'job')).removable).toEqual([])
    const job = { op: op(), version: (await jobView(db, 'job')).version, removed: true }
    expect(await reasonOf(removeJob(db, 'job', job))).toContain('of shaft end play, it has readings')
    await voidReading(db, 'check', { ...(await version()), readingId: 'r1', reason: 'wrong check' })
    expect((await jobView(db, 'job')).removable).toEqual(['check'])
  })
  it('with another drawer chosen, the answer holds what is in that', async () => {
    const ids = (lots: readonly { id: string }[]) => lots.map(({ id }) => id)
    const none = await changeSettings(db, 'check', { ...(await version()), settings: { family: 'nowhere' } })
    expect(none.lots).toEqual([])
    const back = await changeSettings(db, 'check', { ...(await version()), settings: { family: 'shims' } })
    expect(ids(back.lots)).toContain('twelve')
    expect(back).toEqual(await checkView(db, 'check'))
  })
  it('a writer that is behind does not remove', async () => {
    const { version: seen } = await checkView(db, 'check')
    expect(await reasonOf(removeCheck(db, 'check', { op: op(), version: seen - 1, removed: true }))).toContain('changed elsewhere')
  })
  it('a size in a pack stays; a size by itself goes with its count and comes back with it', async () => {
    await listFoundPack(db, 'check', { ...(await version()), place: 'pack', pieces: [{ lotId: 'twelve', count: 1 }] })
    expect(await reasonOf(removeLot(db, 'twelve', { ...(await command('twelve')), removed: true }))).toContain('in shaft end play')
    await size('wrong', 7, 81)
    const before = await lot('wrong')
    const gone = await removeLot(db, 'wrong', { ...(await command('wrong')), removed: true })
    expect(gone.lots.some(({ id }) => id === 'wrong')).toBe(false)
    expect((await checkView(db, 'check')).lots.some(({ id }) => id === 'wrong')).toBe(false)
    await removeLot(db, 'wrong', { op: op(), version: before.version + 1, removed: false })
    expect(await lot('wrong')).toEqual({ ...before, version: before.version + 2 })
  })
  it('a job goes with its checks, and its id stays taken', async () => {
    const { version: seen } = await jobView(db, 'job')
    await removeJob(db, 'job', { op: op(), version: seen, removed: true })
    expect((await jobList(db, new JobQueryDto())).jobs).toEqual([])
    expect(await reasonOf(createJob(db, { op: op(), id: 'job', unit: 'bus', title: 'again' }))).toContain('taken')
    await removeJob(db, 'job', { op: op(), version: seen + 1, removed: false })
    expect((await jobView(db, 'job')).checks).toHaveLength(1)
  })
})

describe('the book of jobs', () => {
  const query = (asked: Partial<JobQueryDto> = {}) => jobList(db, Object.assign(new JobQueryDto(), asked))
  it('comes in pages, what is open first, the newest first, and is found by unit, job and check', async () => {
    for (let i = 0; i < 30; i++) await createJob(db, { op: op(), id: `j${i}`, unit: i % 2 ? 'Bus' : 'Fire pump', title: `job ${i}` })
    await db.rows(`UPDATE job SET created_at = now() + (substr(id, 2) || ' minutes')::interval WHERE id ~ '^j[0-9]'`)
    const first = await query()
    expect([first.jobs.length, first.found, first.counts.jobs]).toEqual([25, 31, 31])
    expect(first.jobs[0]!.title).toBe('job 29')
    const rest = await query({ skip: 25 })
    expect(rest.jobs).toHaveLength(6)
    expect(new Set([...first.jobs, ...rest.jobs].map(({ id }) => id)).size).toBe(31)
    expect((await query({ find: ' fire PUMP' })).found).toBe(15)
    expect((await query({ find: 'shaft end' })).jobs.map(({ id }) => id)).toEqual(['job'])
    expect((await query({ find: '100%' })).found).toBe(0)
  })
  it('is asked for by state; what was signed with a reason is accepted, a state of its own', async () => {
    const sheet = await exportJob(db, 'job')
    await importWorksheet(db, JSON.stringify(sheet), true)
    const { jobs } = await query({ find: 'copy' })
    const id = jobs[0]!.checks[0]!.id
    expect((await query({ state: 'accepted' })).found).toBe(0)
    const at = '2026-05-04T08:00:00.000Z'
    const view = await checkView(db, id)
    const reading = { start: nm(0), far: thou(5), back: nm(0), at, point: 'travel', trialId: view.document.trials[0]!.id }
    let { version: seen } = await logReading(db, id, { op: op(), version: view.version, id: 'copy-r', ...reading })
    expect((await query({ state: 'waiting' })).jobs.map(({ title }) => title)).toEqual(['box (copy)'])
    expect((await query()).next!.check.id).toBe(id)
    for (const { id: step, required } of checkKind('shaft-end-play').procedure(view.document.setup)) {
      if (required) ({ version: seen } = await tickStep(db, id, { op: op(), version: seen, step, trial: reading.trialId, ticked: true }))
    }
    await signOff(db, id, { op: op(), version: seen, by: 'the bench', reason: 'no limit is published' })
    const { jobs: accepted } = await query({ state: 'accepted' })
    expect(accepted[0]!.checks[0]).toMatchObject({
      state: 'accepted',
      signed: true,
      word: expect.stringContaining('accepted with reason') as string,
    })
    expect((await query({ state: 'finished' })).found).toBe(1)
    expect((await query({ state: 'open' })).found).toBe(31)
    expect((await query({ skip: 31 })).jobs.map(({ title }) => title)).toEqual(['box (copy)'])
  })
  it('carries on with what presses most', async () => {
    expect((await query()).next!.check.id).toBe('check')
  })
})
