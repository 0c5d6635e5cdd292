import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { nm, thou } from '#core/quantity/length'
import { openDatabase, type Database } from './client'
import { verify } from './verify'
import { allLots, insertLot, insertMovement } from './stock'
import { exportStock, importStock } from '../import/drawer'
import { importWorksheet } from '../import/worksheet'
import { fitPack } from '../service/check-commands'
import { checkView } from '../service/check-view'
import { Refused } from '../http/refuse'
import { openEngine } from './engine'
import { SyncedFiles } from './files'
import { schema, schemaUpTo } from './from-source'
import { migrate, missing } from './migrate'
import { demo } from '../../tests/demo-files'
import { inLong } from '../../tests/runs'

const QUIET = { say: () => undefined, files: (folder: string) => new SyncedFiles(folder) }
let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  await importStock(db, demo('drawer.csv'))
  await importWorksheet(db, demo('1-mail-launch.worksheet.json'), false)
})
afterAll(() => db.close())

describe('the database', () => {
  it('refuses data of a newer program with a sentence', async () => {
    const lite = await openEngine(undefined, schemaUpTo(0), QUIET)
    await missing(lite, schema.migrations)
    await lite.query("INSERT INTO migration (name) VALUES ('9999_later.sql')")
    await expect(missing(lite, schema.migrations)).rejects.toThrow('written by a newer Finitum')
    await lite.close()
  })
  it('leaves nothing behind of a migration that fails', async () => {
    const lite = await openEngine(undefined, schemaUpTo(0), QUIET)
    const broken = new Map([['0001_a.sql', 'CREATE TABLE a (x int); CREATE TABLE b (y nonsense);']])
    await expect(migrate(lite, broken, [...broken.keys()])).rejects.toThrow()
    expect((await lite.query("SELECT 1 FROM pg_tables WHERE tablename = 'a'")).rows).toEqual([])
    await lite.close()
  })
  it.runIf(inLong)(
    'is copied before it is brought up to date, and the newest two copies are kept',
    async () => {
      const home = mkdtempSync(join(tmpdir(), 'finitum-copy-'))
      const data = join(home, 'database')
      const names = [...schema.migrations.keys()].sort()
      const said: string[] = []
      for (const count of [1, 2, 3, 4]) {
        const old = await openDatabase(data, schemaUpTo(count), { say: line => said.push(line) })
        if (count === 1) await old.rows("INSERT INTO unit (id, name) VALUES ('u1', 'Ferry ramp')")
        await old.close()
      }
      const copies = readdirSync(home)
        .filter(name => name !== 'database')
        .sort()
      expect(copies.map(name => name.replace(/before-.*Z-/, 'before … '))).toEqual(
        [names[2], names[3]].map(name => `database.before … ${name!.replace('.sql', '')}`),
      )
      expect(said).toHaveLength(3)
      expect(said.at(-1)).toContain(copies.at(-1))
      // The older of the two holds what was there after two steps.
      const copy = await openDatabase(join(home, copies[0]!), schemaUpTo(2))
      expect(await copy.rows('SELECT name FROM migration ORDER BY name')).toEqual(names.slice(0, 2).map(name => ({ name })))
      expect(await copy.rows('SELECT name FROM unit')).toEqual([{ name: 'Ferry ramp' }])
      await copy.close()
      rmSync(home, { recursive: true })
    },
    60_000,
  )
  it.each(['reading', 'movement', 'trial', 'trial_piece', 'sign_off', 'event', 'step_tick', 'limit_set'])(
    'rows of %s are never changed or removed',
    async table => {
      await expect(db.rows(`DELETE FROM ${table}`)).rejects.toThrow(/never changed/)
      expect((await db.rows(`SELECT 1 FROM ${table}`)).length).toBeGreaterThan(0)
    },
  )
  it('finds whoever names a row that is to go by an index, in every table that grows with the jobs', async () => {
    const without = await db.rows<{ at: string }>(
      `SELECT c.conrelid::regclass || '.' || a.attname AS at FROM pg_constraint c JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = c.conkey[1]
      WHERE c.contype = 'f' AND NOT EXISTS (SELECT 1 FROM pg_index i WHERE i.indrelid = c.conrelid AND i.indkey[0] = c.conkey[1]) ORDER BY 1`,
    )
    // Sizes are taken back by an import alone, and then nothing was made of them or came for them.
    expect(without.map(({ at }) => at)).toEqual(['lap.lot_id', 'lap_end.lot_id', 'receipt.lot_id'])
  })
  it('lets others be heard while statements follow each other, in a transaction too', async () => {
    for (const sql of [db.rows.bind(db), null]) {
      let turns = 0
      let going = true
      const turn = () => {
        turns++
        if (going) setImmediate(turn)
      }
      setImmediate(turn)
      const many = async (rows: Database['rows']) => {
        for (let i = 0; i < 300; i++) await rows('SELECT count(*) FROM reading')
      }
      await (sql ? many(sql) : db.transaction(transaction => many(transaction.rows.bind(transaction))))
      going = false
      // One that had to wait for the end would not have been heard at all.
      expect(turns).toBeGreaterThan(2)
    }
  })
  it('is read through for what is damaged in it', async () => {
    expect(await verify(db)).toMatchObject({ counts: { jobs: 1, signatures: expect.any(Number) }, faults: [] })
    const back = new Error('taken back')
    const damaged = db.transaction(async sql => {
      for (const table of ['sign_off', 'movement', 'event']) await sql.rows(`ALTER TABLE ${table} DISABLE TRIGGER ALL`)
      await sql.rows(
        "UPDATE sign_off SET record = jsonb_set(record, '{inputs,title}', '\"another\"') WHERE id = (SELECT min(id) FROM sign_off)",
      )
      await sql.rows("INSERT INTO movement (id, lot_id, change, why) VALUES ('m-lost', 'nowhere', -3, 'count')")
      expect((await verify(sql)).faults).toEqual([
        '1 rows of movement name a row of lot that is not there.',
        'The movements of the size “nowhere” come to -3 pieces.',
        expect.stringMatching(/^What .+ signed of the check “.+” is not what was signed\.$/),
      ])
      throw back
    })
    await expect(damaged).rejects.toBe(back)
  })
  it('keeps lengths whole, whatever their size', async () => {
    await insertLot(db, {
      id: 'long',
      family: 'bars',
      nominal: nm(999_999_999),
      measured: nm(1),
      tolerance: { plus: nm(254), minus: nm(0) },
      reserved: 2,
      mark: 'é',
      colour: '',
      tags: ['a', 'b'],
      cost: 5,
      leadDays: 12,
      shape: 'stepped',
    })
    await insertMovement(db, { id: 'm-long', lotId: 'long', change: 3, why: 'take-in', note: '' })
    expect((await allLots(db)).find(lot => lot.id === 'long')).toMatchObject({
      nominal: 999_999_999,
      measured: 1,
      tolerance: { plus: 254, minus: 0 },
      onHand: 3,
      reserved: 2,
      tags: ['a', 'b'],
    })
  })
})

describe('fitting a pack', () => {
  it('moves stock with the fitting, or not at all', async () => {
    const before = await allLots(db)
    const view = await checkView(db, 'launch-input')
    const tooMany = {
      op: 'f1',
      version: view.version,
      trialId: 't1',
      packs: [{ place: 'pack', pieces: [{ lotId: 'cover-20', count: 2 }] }],
    }
    await expect(fitPack(db, 'launch-input', tooMany)).rejects.toThrow('There is only 1 of 20.0 thou in the drawer; this needs 2.')
    expect(await allLots(db)).toEqual(before)
    expect((await checkView(db, 'launch-input')).version).toBe(view.version)

    const fitted = await fitPack(db, 'launch-input', {
      op: 'f2',
      version: view.version,
      trialId: 't1',
      packs: [
        {
          place: 'pack',
          pieces: [
            { lotId: 'cover-20', count: 1 },
            { lotId: 'cover-8', count: 1 },
          ],
        },
      ],
    })
    expect(fitted.document.trials).toHaveLength(2)
    expect(fitted.document.trials[1]!.predicted.play!.play).toBeCloseTo(
      (thou(22) + thou(22.4) + thou(22.1)) / 3 - thou(45.8) + thou(28),
      -1,
    )
    const count = async (id: string) => (await allLots(db)).find(lot => lot.id === id)!.onHand
    const had = (id: string) => before.find(lot => lot.id === id)!.onHand
    expect([await count('cover-20'), await count('cover-8'), await count('cover-12'), await count('cover-3')]).toEqual([
      had('cover-20') - 1,
      had('cover-8'),
      had('cover-12') + 1,
      had('cover-3') + 2,
    ])
    const again = await fitPack(db, 'launch-input', { op: 'f2', version: view.version, trialId: 't1', packs: [] })
    expect(again.version).toBe(fitted.version)
    expect(await count('cover-20')).toBe(had('cover-20') - 1)
  })
})

describe('files', () => {
  it('a drawer reads back as it went out', async () => {
    const before = await allLots(db)
    const csv = await exportStock(db)
    expect(await importStock(db, csv)).toEqual({ added: 0, corrected: 0 })
    const other = await openDatabase(undefined, schema)
    await importStock(other, csv)
    const plain = (lots: typeof before) => lots.map(({ version: _, ...lot }) => lot)
    expect(plain(await allLots(other))).toEqual(plain(before))
    await other.close()
  })
  it('a worksheet that clashes half-way leaves nothing of itself', async () => {
    const count = async () =>
      (
        await db.rows<{ n: number }>('SELECT (SELECT count(*) FROM job) + (SELECT count(*) FROM checks) + (SELECT count(*) FROM lot) AS n')
      )[0]!.n
    const before = await count()
    const sheet = JSON.parse(demo('2-fire-pump.worksheet.json')) as { jobs: { checks: { id: string }[] }[] }
    sheet.jobs[0]!.checks[1]!.id = 'launch-idler'
    const error = await importWorksheet(db, JSON.stringify(sheet), false).catch((e: unknown) => e)
    expect(error).toBeInstanceOf(Refused)
    expect((error as Refused).status).toBe(409)
    expect(await count()).toBe(before)
  })
})
