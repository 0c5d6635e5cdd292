import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { PGlite } from '@electric-sql/pglite'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { checkKind } from '#core/check/registry'
import { nm, thou } from '#core/quantity/length'
import { openDatabase, type Database, type Prepared } from './client'
import { migrate, missing } from './migrate'
import { allLots } from './stock'
import { Refused } from '../http/refuse'
import { checkView } from '../service/check-view'
import { changeGauge, createGauge, keepBoreKit, markZeroed } from '../service/gauges'
import { createJob, jobView } from '../service/jobs'
import { importStock } from '../import/drawer'
import {
  beginLap,
  changeSettings,
  endLap,
  fitPack,
  listFoundPack,
  logLapPass,
  logReading,
  reopen,
  reservePack,
  signOff,
  leaveOut,
  tickStep,
  voidReading,
} from '../service/check-commands'
import { replacePart } from '../service/part-change'
import { createCheck } from '../service/new-check'
import { moveStock } from '../service/stock'
import { exportJob } from '../service/export'
import { importWorksheet } from '../import/worksheet'
import { openEngine } from './engine'
import { SyncedFiles } from './files'
import { schema, schemaUpTo } from './from-source'
import { demo } from '../../tests/demo-files'

let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  for (const name of ['6-mail-launch-engine', '7-fire-pump-flywheel', '9-post-motorcycle-engine'])
    await importWorksheet(db, demo(`${name}.worksheet.json`), false)
})
afterAll(() => db.close())
const bringUp = async (lite: PGlite) => migrate(lite, schema.migrations, await missing(lite, schema.migrations))
const QUIET = { say: () => undefined, files: (folder: string) => new SyncedFiles(folder) }
const faultOf = async (work: Promise<unknown>) => {
  const error = await work.catch((e: unknown) => e)
  if (!(error instanceof Refused)) throw new Error(`Not refused: ${String(error)}`)
  return error.refusal.faults[0]!
}

describe('data of the first version', () => {
  it('is carried over: limits, pack, prediction, gauge, stale mark', async () => {
    const lite = await openEngine(undefined, schemaUpTo('0003'), QUIET)
    await lite.exec(`
      INSERT INTO unit (id, name) VALUES ('u', 'Ferry'); INSERT INTO job (id, unit_id, title) VALUES ('j', 'u', 'Box');
      INSERT INTO checks (id, job_id, position, kind, title, entry_unit, setup, working, rule, aim, pack_rules, family, u_refit, tip_angle, gauge_id, stale, state)
        VALUES ('c', 'j', 1, 'shaft-end-play', 'Shaft', 'thou', '{"pack":"under-cover"}', 'book', 'plain', '{"school":"middle"}', '{}', 'F', 6350, 0, 'dial-thou', 'new bearing', 'above');
      INSERT INTO limit_set (check_id, role, kind, lower_nm, upper_nm, unit, source) VALUES ('c', 'book', 'two-sided', 76200, 152400, 'thou', '{"kind":"book"}');
      INSERT INTO lot (id, family, nominal_nm) VALUES ('l', 'F', 254000);
      INSERT INTO trial (id, check_id, ordinal) VALUES ('t1', 'c', 1); INSERT INTO trial (id, check_id, ordinal, predicted_play, predicted_u, predicted_u_own) VALUES ('t2', 'c', 2, 100000, 5000, 4000);
      INSERT INTO pack_listing (trial_id) VALUES ('t2'); INSERT INTO trial_piece SELECT id, 'l', 2 FROM pack_listing;
      INSERT INTO series (trial_id, gauge_id) VALUES ('t2', 'dial-thou'); INSERT INTO reading (id, series_id, point, start_nm, far_nm, back_nm, at) SELECT 'r', id, 'travel', 0, 101600, 0, '2026-05-04T09:00:00Z' FROM series;`)
    await bringUp(lite)
    const sql = {
      rows: async <Row>(statement: string, values: readonly unknown[] = []) => (await lite.query<Row>(statement, [...values])).rows,
      prepared: async <Row>({ statement }: Prepared, values: readonly string[]) => (await lite.query<Row>(statement, [...values])).rows,
    }
    const { document, lots } = await checkView(sql, 'c')
    expect(document.limits.sets.play!.book).toMatchObject({ lower: 76_200, upper: 152_400 })
    expect(document.gauges['dial-indicator']!.id).toBe('dial-thou')
    expect(document.trials).toMatchObject([
      { refitted: [], predicted: {} },
      { refitted: ['pack'], packs: { pack: [{ lotId: 'l', count: 2 }] }, predicted: { play: { play: 100_000, uOwn: 4_000 } } },
    ])
    expect(Object.keys(document.parts)).toEqual(['bearing', 'housing', 'shaft'])
    expect(evaluateCheck(document, lots)).toMatchObject({
      state: 'stale',
      headline: { stale: 'new bearing', estimate: { value: 101_600 } },
    })
    expect((await sql.rows<{ word: string }>('SELECT word FROM checks'))[0]!.word).toBe('Loose')
    await expect(lite.query('DELETE FROM prediction')).rejects.toThrow('never changed')
    await lite.close()
  })
  it('loses the part’s name from a reason that was stored with it, and stays append-only', async () => {
    const lite = await openEngine(undefined, schemaUpTo('0008'), QUIET)
    await lite.exec(`
      INSERT INTO unit (id, name) VALUES ('u', 'Ferry'); INSERT INTO job (id, unit_id, title) VALUES ('j', 'u', 'Box'); INSERT INTO part (id, job_id, name) VALUES ('p', 'j', 'Crankshaft');
      INSERT INTO part_change (id, part_id, reason) VALUES ('a', 'p', 'crankshaft: reground'), ('b', 'p', 'straightened: once');`)
    await bringUp(lite)
    const { rows } = await lite.query<{ reason: string }>('SELECT reason FROM part_change ORDER BY id')
    expect(rows.map(({ reason }) => reason)).toEqual(['reground', 'straightened: once'])
    await expect(lite.query("UPDATE part_change SET reason = 'x'")).rejects.toThrow('never changed')
    await lite.close()
  })
})

describe('readings in their forms', () => {
  it('go in and come out as they were, and no other form does', async () => {
    const before = await checkView(db, 'pb-flange')
    const head = { version: before.version, trialId: 'pb-flange-1', point: 'gap', at: '2026-11-25T08:00:00.000Z' }
    const after = await logReading(db, 'pb-flange', { ...head, op: 'g1', id: 'g1', low: nm(340_000), high: nm(350_000), leaves: 3 })
    expect(after.document.trials[0]!.readings.at(-1)).toEqual({
      id: 'g1',
      point: 'gap',
      at: head.at,
      low: 340_000,
      high: 350_000,
      leaves: 3,
      gauge: 'feelers-f3',
      order: expect.any(Number),
      taken: expect.stringMatching(/\/g1$/),
    })
    const next = { ...head, version: after.version }
    expect(await faultOf(logReading(db, 'pb-flange', { ...next, op: 'g2', id: 'g2', figure: nm(5) }))).toMatchObject({ path: 'figure' })
    expect(await faultOf(logReading(db, 'pb-flange', { ...next, op: 'g3', id: 'g3', low: nm(5), high: nm(4) }))).toMatchObject({
      path: 'high',
      reason: expect.stringContaining('must not be below'),
    })
    expect(await faultOf(logReading(db, 'pb-flange', { ...next, op: 'g4', id: 'g4', low: nm(5) }))).toMatchObject({
      path: 'high',
      reason: 'A figure is missing.',
    })
    const rods = await checkView(db, 'le-rods')
    expect(
      await faultOf(
        logReading(db, 'le-rods', {
          ...head,
          version: rods.version,
          trialId: 'le-rods-1',
          point: 'turns-1',
          op: 'g5',
          id: 'g5',
          word: 'hums',
        }),
      ),
    ).toMatchObject({ path: 'word' })
  })
  it('a warm pass keeps its temperature and stone; a set only takes pieces that were measured and stand', async () => {
    const before = await checkView(db, 'mr-bigends')
    const head = { trialId: 'mr-bigends-1', at: '2026-11-25T08:00:00.000Z' }
    const passed = await logReading(db, 'mr-bigends', {
      ...head,
      version: before.version,
      op: 'h1',
      id: 'h1',
      point: 'hone-1-front',
      figure: nm(-12_700),
      celsius: 24.5,
      stone: 'fine',
    })
    expect(passed.document.trials[0]!.readings.at(-1)).toEqual({
      id: 'h1',
      point: 'hone-1-front',
      at: head.at,
      figure: -12_700,
      celsius: 24.5,
      stone: 'fine',
      gauge: 'bore-b2',
      order: expect.any(Number),
      taken: expect.stringMatching(/\/h1$/),
    })
    const next = { ...head, version: passed.version }
    expect(
      await faultOf(logReading(db, 'mr-bigends', { ...next, op: 'h2', id: 'h2', point: 'bag-A', figure: nm(4_762_500), stone: 'fine' })),
    ).toMatchObject({ path: 'stone' })
    expect(await faultOf(logReading(db, 'mr-bigends', { ...next, op: 'h3', id: 'h3', point: 'set-1', pieces: ['ghost'] }))).toMatchObject({
      path: 'pieces',
    })
    const [first] = before.document.trials[0]!.readings.filter(reading => reading.point === 'bag-B')
    const set = await logReading(db, 'mr-bigends', { ...next, op: 'h4', id: 'h4', point: 'set-2', pieces: [first!.id] })
    expect(set.document.trials[0]!.readings.at(-1)).toMatchObject({ point: 'set-2', pieces: [first!.id] })
    const struck = await voidReading(db, 'mr-bigends', { op: 'h5', version: set.version, readingId: first!.id, reason: 'chipped' })
    expect(
      await faultOf(
        logReading(db, 'mr-bigends', { ...head, version: struck.version, op: 'h6', id: 'h6', point: 'set-2', pieces: [first!.id] }),
      ),
    ).toMatchObject({ path: 'pieces' })
  })
  it('a file whose readings are here under another check is refused with a sentence; as a copy it goes in, its sets with it', async () => {
    const text = demo('6-mail-launch-engine.worksheet.json').replaceAll('launch-engine', 'copy-engine').replaceAll('le-', 'ce-')
    expect(await faultOf(importWorksheet(db, text, false))).toMatchObject({
      path: 'ce-rods',
      reason: expect.stringMatching(/^A reading of .* is here already/),
    })
    const { jobIds } = await importWorksheet(db, demo('9-post-motorcycle-engine.worksheet.json'), true)
    const copied = (await exportJob(db, jobIds[0]!)).jobs[0]!.checks[0]!
    expect(evaluateCheck(copied, []).targets).toHaveLength(4)
  })
  it('rollers of a bag and passes of honing are no repeats: they teach nothing of a gauge', async () => {
    const other = await importWorksheet(
      db,
      demo('9-post-motorcycle-engine.worksheet.json').replaceAll('moto-engine', 'moto-two').replaceAll('mr-', 'mt-'),
      false,
    )
    expect(other).toBeTruthy()
    expect((await checkView(db, 'mt-bigends')).document.history).toEqual({})
  })
  it.each(['launch-engine', 'moto-engine'])('a whole engine goes out and reads back the same: %s', async job => {
    const sheet = await exportJob(db, job)
    const other = await openDatabase(undefined, schema)
    await importWorksheet(other, JSON.stringify(sheet), false)
    const again = await exportJob(other, job)
    // Every workshop counts for itself: what is kept is which came first.
    const order = (s: typeof sheet) =>
      s.jobs[0]!.checks.flatMap(check => [
        ...check.trials.flatMap(trial => trial.readings.map(({ id, order }) => ({ key: id, order: order! }))),
        ...check.partChanges.map(({ role, at, order }) => ({ key: `${check.id} ${role} ${at}`, order })),
      ])
        .sort((a, b) => a.order - b.order || (a.key < b.key ? -1 : 1))
        .map(({ key }) => key)
    const plain = (s: typeof sheet) =>
      JSON.parse(JSON.stringify(s.jobs[0]!.checks, (key, value: unknown) => (key === 'order' ? undefined : value))) as unknown
    expect(plain(again)).toEqual(plain(sheet))
    expect(order(again)).toEqual(order(sheet))
    await other.close()
  })
})

describe('a piece made for a place', () => {
  const command = async (op: string) => ({ op, version: (await checkView(db, 'pb-flange')).version })
  const begin = async (op: string, more: object = {}) =>
    beginLap(db, 'pb-flange', {
      ...(await command(op)),
      id: op,
      place: 'flange',
      lotId: 'flange-50',
      target: nm(470_000),
      low: nm(460_000),
      high: nm(480_000),
      ...more,
    })
  const onHand = async (id: string) => (await allLots(db)).find(lot => lot.id === id)!.onHand
  const four = [470_000, 471_000, 470_000, 469_000].map(nm)
  it('takes one out of the drawer, and comes back measured, kept for its place; the record goes out and in with the check', async () => {
    await moveStock(db, 'flange-50', { op: 'fl', version: 1, why: 'take-in', change: 2, note: '' })
    await begin('w1')
    expect(await onHand('flange-50')).toBe(1)
    expect(await faultOf(begin('w2'))).toMatchObject({ reason: expect.stringContaining('being made already') })
    expect(await faultOf(endLap(db, 'pb-flange', { ...(await command('w3')), lapId: 'w1', made: true }))).toMatchObject({
      reason: expect.stringContaining('Measure it first'),
    })
    await logLapPass(db, 'pb-flange', { ...(await command('w4')), lapId: 'w1', id: 'w4', figures: four, at: '2026-11-25T08:00:00.000Z' })
    const { document, lots, reserves } = await endLap(db, 'pb-flange', { ...(await command('w5')), lapId: 'w1', made: true })
    expect(document.laps).toMatchObject([{ id: 'w1', lotId: 'flange-50', passes: [{ figures: four }], end: { lotId: 'w1' } }])
    expect(lots.find(lot => lot.id === 'w1')).toMatchObject({
      measured: 471_000,
      onHand: 1,
      tags: ['made for Crankshaft end play at the flange'],
    })
    expect(reserves.flange).toEqual([{ lotId: 'w1', count: 1 }])
    const { jobIds } = await importWorksheet(db, JSON.stringify(await exportJob(db, 'pump-bottom')), true)
    expect((await exportJob(db, jobIds[0]!)).jobs[0]!.checks.flatMap(check => check.laps)).toMatchObject([
      { passes: [{ figures: four }], end: { lotId: 'w1' } },
    ])
  })
  it('is refused thicker than it is, from what is not free, and after it is done', async () => {
    expect(await faultOf(begin('w6', { target: nm(600_000) }))).toMatchObject({ path: 'target' })
    expect(await faultOf(begin('w7', { lotId: 'flange-12' }))).toMatchObject({ path: 'lotId' })
    expect(await faultOf(begin('w8', { place: 'ghost' }))).toMatchObject({ path: 'place' })
    expect(
      await faultOf(
        logLapPass(db, 'pb-flange', { ...(await command('w9')), lapId: 'w1', id: 'w9', figures: four, at: '2026-11-25T08:00:00.000Z' }),
      ),
    ).toMatchObject({ path: 'lapId' })
    await begin('w10')
    expect((await endLap(db, 'pb-flange', { ...(await command('w11')), lapId: 'w10', made: false })).document.laps.at(-1)!.end).toEqual({
      lotId: null,
    })
  })
})

describe('what is stored', () => {
  it('is what was decided: after every command the check read anew is the check that was answered', async () => {
    const shop = await openDatabase(undefined, schema)
    let statements = 0
    const counted: Database = {
      ...shop,
      transaction: work =>
        shop.transaction(sql =>
          work({
            rows: (text, values) => {
              statements++
              return sql.rows(text, values)
            },
            prepared: (statement, values) => {
              statements++
              return sql.prepared(statement, values)
            },
          }),
        ),
    }
    await importStock(shop, 'id,family,nominal,count\na,Shims,10 thou,2\nb,Shims,8 thou,2\nc,Shims,5 thou,2\n')
    await createJob(shop, { op: 'j', id: 'j', unit: 'Ferry', title: 'Box' })
    await createCheck(shop, 'j', { op: 'c', id: 'c', kind: 'shaft-end-play', settings: { family: 'Shims', rule: 'plain' } })
    const at = '2026-11-25T08:00:00.000Z'
    let view = await checkView(shop, 'c')
    let n = 0
    const head = () => ({ op: `s${n++}`, version: view.version })
    const told = async (answered: Promise<typeof view>) => {
      view = await answered
      expect(view).toEqual(await checkView(shop, 'c'))
    }
    const read = (trialId: string, far: number) =>
      logReading(counted, 'c', { ...head(), id: `r${n}`, trialId, point: 'travel', start: nm(0), far: thou(far), back: nm(0), at })
    const found = view.document.trials[0]!.id
    await told(
      changeSettings(counted, 'c', {
        ...head(),
        settings: {
          limits: [
            {
              result: 'play',
              role: 'book',
              set: { kind: 'two-sided', lower: thou(3), upper: thou(6), unit: 'thou', source: { kind: 'book' } },
            },
          ],
        },
      }),
    )
    await told(
      listFoundPack(counted, 'c', {
        ...head(),
        place: 'pack',
        pieces: [
          { lotId: 'a', count: 1 },
          { size: thou(4), count: 1 },
        ],
      }),
    )
    await told(read(found, 9))
    await told(read(found, 9.1))
    statements = 0
    await told(read(found, 8.9))
    // One to load, one to store, what it teaches, and what the lists show.
    expect(statements).toBeLessThanOrEqual(6)
    await told(voidReading(counted, 'c', { ...head(), readingId: view.document.trials[0]!.readings[0]!.id, reason: 'slip' }))
    await told(tickStep(counted, 'c', { ...head(), step: 'clean', trial: found, ticked: true }))
    await told(tickStep(counted, 'c', { ...head(), step: 'tightened', trial: found, ticked: true }))
    await told(tickStep(counted, 'c', { ...head(), step: 'tightened', trial: found, ticked: false }))
    const left = { point: 'travel', reason: 'not to be reached' }
    await told(leaveOut(counted, 'c', { ...head(), trial: found, ...left }))
    await told(leaveOut(counted, 'c', { ...head(), trial: found, ...left, reason: null }))
    await told(reservePack(counted, 'c', { ...head(), place: 'pack', pieces: [{ lotId: 'b', count: 1 }] }))
    await told(
      fitPack(counted, 'c', {
        ...head(),
        trialId: 't2',
        onto: found,
        packs: [
          {
            place: 'pack',
            pieces: [
              { lotId: 'b', count: 1 },
              { lotId: view.lots.find(lot => lot.nominal === thou(4))!.id, count: 1 },
            ],
          },
        ],
      }),
    )
    for (const far of [6.9, 7, 7.1]) await told(read('t2', far))
    const part = (await jobView(shop, 'j')).parts[1]!
    await replacePart(shop, 'j', { op: 'pc', part: part.id, reason: 'new bearing', by: 'T. Marl' })
    view = await checkView(shop, 'c')
    expect(evaluateCheck(view.document, view.lots).state).toBe('stale')
    for (const far of [4.9, 5, 5.1]) await told(read('t2', far))
    for (const { id, required } of checkKind('shaft-end-play').procedure(view.document.setup))
      if (required) await told(tickStep(counted, 'c', { ...head(), step: id, trial: 't2', ticked: true }))
    await told(signOff(counted, 'c', { ...head(), by: 'T. Marl', reason: 'after a new bearing' }))
    await told(reopen(counted, 'c', { ...head(), by: 'T. Marl', reason: 'a knock' }))
    expect(evaluateCheck(view.document, view.lots).signOff.blockers.join()).toContain('Measure once more')
    // Readings of one state of the parts pool; those before the new bearing do not mix with those after.
    const [spread] = await shop.rows<{ squares: number; nu: number }>('SELECT squares, nu FROM spread')
    expect(spread!.nu).toBe(1 + 2 + 2)
    expect(Math.sqrt(spread!.squares / spread!.nu)).toBeLessThan(thou(0.15))
    await shop.close()
  })
  it('a hub checked again begins with what the last of its type has learned of the nut; another unit does not', async () => {
    const shop = await openDatabase(undefined, schema)
    const sheet = JSON.parse(demo('11-island-bus-hub.worksheet.json')) as {
      jobs: [{ unit: { name: string }; checks: [Record<string, unknown>] }]
    }
    const [job] = sheet.jobs
    job.checks[0].signOff = { at: '2026-11-20T08:00:00.000Z', by: 'T. Marl', reason: null, core: '1.0.0' }
    await importWorksheet(shop, JSON.stringify(sheet), false)
    const begun = async (unit: string, setup: Record<string, string> = {}) => {
      const id = `${unit}-${Object.keys(setup).length}`.replace(/\W/g, '-')
      await createJob(shop, { op: `j${id}`, id: `j${id}`, unit, title: 'Rear hub, off side' })
      const { document } = await createCheck(shop, `j${id}`, { op: `c${id}`, id, kind: 'comparator-hub', settings: { setup } })
      return [document.setup.lost, document.setup.lostIs]
    }
    // Longer by 378 less … of the spacer, no play felt under the nut: it took as much or more.
    const [longer] = evaluateCheck((await checkView(shop, String(job.checks[0].id))).document, []).current.results
    expect(await begun(job.unit.name)).toEqual([String(Math.round(longer!.estimate!.value)), 'least'])
    const again = (await checkView(shop, `${job.unit.name}-0`.replace(/\W/g, '-'))).document
    expect(again.limits.sets).toEqual((await checkView(shop, String(job.checks[0].id))).document.limits.sets)
    expect(await begun('Fire pump')).toEqual(['', 'figure'])
    expect(await begun(job.unit.name, { lost: String(thou(3)) })).toEqual([String(thou(3)), 'least'])
    await shop.close()
  })
  it('a file teaches nothing of a gauge, and one’s own file read as a copy does not count twice', async () => {
    const shop = await openDatabase(undefined, schema)
    await createJob(shop, { op: 'j', id: 'j', unit: 'Ferry', title: 'Box' })
    for (const id of ['one', 'two'])
      await createCheck(shop, 'j', { op: `c${id}`, id, kind: 'shaft-end-play', settings: { setup: { pack: 'none' } } })
    let { version } = await checkView(shop, 'one')
    for (const [i, far] of [10, 10.2, 9.8].entries())
      version = (
        await logReading(shop, 'one', {
          op: `o${i}`,
          version,
          id: `o${i}`,
          trialId: 'one:found',
          point: 'travel',
          start: nm(0),
          far: thou(far),
          back: nm(0),
          at: '2026-11-25T08:00:00.000Z',
        })
      ).version
    const history = async () => (await checkView(shop, 'two')).document.history
    const before = await history()
    expect(Object.values(before)).toEqual([{ s: expect.closeTo(thou(0.2), 3), nu: 2 }])
    const file = JSON.stringify(await exportJob(shop, 'j'))
    for (let i = 0; i < 3; i++) await importWorksheet(shop, file, true)
    expect(await history()).toEqual(before)
    // A foreign gauge of the same id with other particulars stands beside it, and says so.
    const foreign = JSON.parse(file) as { jobs: { checks: { gauges: Record<string, { permissibleError: number; id: string }> }[] }[] }
    foreign.jobs[0]!.checks[0]!.gauges['dial-indicator']!.permissibleError = 77_000
    const { notes, jobIds } = await importWorksheet(shop, JSON.stringify(foreign), true)
    expect(notes.join()).toContain('stands beside it in the register')
    const kept = (await exportJob(shop, jobIds[0]!)).jobs[0]!.checks[0]!
    expect(kept.gauges['dial-indicator']).toMatchObject({ permissibleError: 77_000 })
    expect(kept.gauges['dial-indicator']!.id).not.toBe(foreign.jobs[0]!.checks[0]!.gauges['dial-indicator']!.id)
    expect(await history()).toEqual(before)
    await shop.close()
  })
})

describe('a replaced part', () => {
  it('is refused without its reason’s part, and is said once', async () => {
    expect(await faultOf(replacePart(db, 'launch-engine', { op: 'p0', part: 'ghost', reason: 'x', by: 'T' }))).toMatchObject({
      path: 'part',
    })
    const part = (await jobView(db, 'launch-engine')).parts.find(p => p.name === 'Crankshaft')!
    expect(part.checks).toContain('Main bearings')
    const change = { op: 'p1', part: part.id, reason: 'reground', by: 'T. Marl' }
    await replacePart(db, 'launch-engine', change)
    const after = await replacePart(db, 'launch-engine', change)
    expect(after.parts.find(p => p.id === part.id)!.changes).toMatchObject([{ reason: 'reground', by: 'T. Marl' }])
    const states = Object.fromEntries(after.checks.map(check => [check.title, check]))
    expect(states['Thrust halves in line']).toMatchObject({ word: 'Stale', signed: false, note: 'crankshaft – reground' })
    expect(states['Oil pump']).toMatchObject({ word: 'In', note: '' })
    const mains = await checkView(db, 'le-mains')
    const results = evaluateCheck(mains.document, mains.lots).current.results
    expect(results.find(result => result.id === 'journal@1')!.stale).toBe('crankshaft – reground')
    expect(results.find(result => result.id === 'bore-round@1')!.stale).toBeNull()
  })
})

describe('the register of gauges', () => {
  it('takes, changes and zeroes a gauge; null takes away what it may be without', async () => {
    const made = await createGauge(db, {
      op: 'n1',
      id: 'm9',
      kind: 'micrometer',
      fields: { name: 'M-9', range: { low: nm(1), high: nm(9) }, due: '2026-12-01' },
    })
    expect(made).toMatchObject({
      name: 'M-9',
      due: '2026-12-01',
      range: { low: 1, high: 9 },
      version: 1,
      uses: 0,
    })
    const changed = await changeGauge(db, 'm9', {
      op: 'n2',
      version: 1,
      fields: { due: null, range: null, graduation: nm(1_000) },
    })
    expect(changed).toMatchObject({ name: 'M-9', due: null, range: null, graduation: 1_000, version: 2 })
    expect(await markZeroed(db, 'm9', { op: 'z1', on: '2026-11-25' })).toMatchObject({
      zeroedOn: '2026-11-25',
      version: 2,
    })
    // It is on record, once however often it is sent; nobody has to have seen it.
    await markZeroed(db, 'm9', { op: 'z1', on: '2026-11-25' })
    expect(await faultOf(markZeroed(db, 'm9', { op: 'z2', on: '1949-12-31' }))).toMatchObject({ path: 'on' })
    expect(await faultOf(markZeroed(db, 'm9', { op: 'z3', on: '2999-01-01' }))).toMatchObject({ path: 'on' })
    expect(await db.rows("SELECT what, version FROM event WHERE subject = 'm9' AND what LIKE 'Tried%'")).toEqual([
      { what: 'Tried on its standard on 2026-11-25', version: 2 },
    ])
    await expect(changeGauge(db, 'm9', { op: 'n3', version: 1, fields: { name: 'late' } })).rejects.toThrow('changed elsewhere')
    expect(await faultOf(changeGauge(db, 'm9', { op: 'n4', version: 2, fields: { range: { low: nm(9), high: nm(1) } } }))).toMatchObject({
      path: 'fields.range',
    })
  })
  it('keeps the kit of a bore gauge, and of no other', async () => {
    const kit = { anvils: [{ name: 'A', low: nm(10), high: nm(20) }], washers: [{ name: 'w', length: nm(5), missing: true }] }
    expect(await keepBoreKit(db, 'bore-b1', { op: 'k1', version: 1, ...kit })).toMatchObject({ id: 'bore-b1', kit, version: 2 })
    expect(
      await faultOf(keepBoreKit(db, 'bore-b1', { op: 'k2', version: 2, anvils: [{ name: 'A', low: nm(9), high: nm(3) }], washers: [] })),
    ).toMatchObject({ path: 'anvils.0' })
    await expect(keepBoreKit(db, 'm9', { op: 'k3', version: 2, ...kit })).rejects.toThrow('Only a bore gauge')
  })
  it('a new check gets a gauge of each kind it needs, and its parts', async () => {
    const view = await createCheck(db, 'launch-engine', {
      op: 'c1',
      id: 'new-rods',
      kind: 'bearing-clearance',
      settings: { setup: { bearings: 'rods', positions: '2' } },
    })
    expect(Object.keys(view.document.gauges).sort()).toEqual(['bore-gauge', 'micrometer'])
    expect(Object.keys(view.document.parts)).toContain('rod-2')
    expect(
      await faultOf(
        createCheck(db, 'launch-engine', { op: 'c2', id: 'bad', kind: 'bearing-clearance', settings: { setup: { positions: '0' } } }),
      ),
    ).toMatchObject({ path: 'settings.setup.positions' })
  })
})
