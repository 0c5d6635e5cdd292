import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demo } from '../../tests/demo-files'
import { importStock } from '../import/drawer'
import { importWorksheet } from '../import/worksheet'
import { removeLot } from '../service/removal'
import { moveStock, stockView } from '../service/stock'
import type { StockView } from '#shared/types'
import { allLots } from './stock'
import { openDatabase, type Database } from './client'
import { schema } from './from-source'
import { families, fittedOf, openUses, usesOfLot } from './uses'

/** The same job so many times: in each, two pieces of one size sit in a check that is signed, and one of another in an open one. */
const COPIES = 54
let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  await importStock(db, demo('drawer.csv'))
  const sheet = JSON.parse(demo('1-mail-launch.worksheet.json')) as { jobs: unknown[] }
  const [job] = sheet.jobs
  const copies = Array.from(
    { length: COPIES },
    (_, i) => JSON.parse(JSON.stringify(job).replaceAll(/"(launch-|l[a-z]\d+-r)/g, `"c${i}-$1`)) as unknown,
  )
  await importWorksheet(db, JSON.stringify({ ...sheet, jobs: copies }), false)
}, 120_000)
afterAll(() => db.close())

describe('where pieces are', () => {
  it('is said of open checks, those that press most, by what sits in them now', async () => {
    const uses = await openUses(db)
    expect(uses.filter(({ checkId }) => checkId === 'c53-launch-input')).toContainEqual({
      lotId: 'cover-10',
      count: 1,
      checkId: 'c53-launch-input',
      checkTitle: 'Input shaft end play',
      unit: 'Mail launch',
      signed: false,
      promised: false,
    })
    expect(uses.some(({ signed }) => signed)).toBe(false)
    expect(new Set(uses.map(({ checkId }) => checkId)).size).toBeLessThanOrEqual(40)
  })
  it('is said of one size a page at a time, what is signed too, and all of it once', async () => {
    const first = await usesOfLot(db, 'cover-m20', null)
    expect(first.uses).toHaveLength(50)
    expect(first.uses[0]).toMatchObject({ lotId: 'cover-m20', count: 2, signed: true, promised: false })
    const second = await usesOfLot(db, 'cover-m20', first.before)
    expect(second.before).toBeNull()
    const checks = [...first.uses, ...second.uses].map(({ checkId }) => checkId)
    expect([...checks].sort()).toEqual(Array.from({ length: COPIES }, (_, i) => `c${i}-launch-output`).sort())
    // What was taken out of the same checks sits in none of them: only what was found, and is there still.
    expect((await usesOfLot(db, 'cover-5', null)).uses).toEqual([])
    expect((await usesOfLot(db, 'cover-10', null)).uses).toHaveLength(50)
  })
  it('is counted over all of them', async () => {
    const fitted = new Map((await fittedOf(db, ['cover-m20', 'cover-10', 'cover-5'])).map(({ lotId, count }) => [lotId, count]))
    expect(fitted).toEqual(
      new Map([
        ['cover-m20', 2 * COPIES],
        ['cover-10', COPIES],
      ]),
    )
  })
  it('goes over the wire in parts of less than a hundred kilobytes, however many jobs and sizes there are; a write answers with its own', async () => {
    const rows = Array.from({ length: 420 }, (_, n) => `large-${n},Large,${(1 + n / 1000).toFixed(3)} mm,2,mark ${n}`)
    await importStock(db, ['id,family,nominal,count,mark', ...rows].join('\n'))
    const seen: string[] = []
    for (let skip: number | null = 0; skip !== null;) {
      const part: StockView = await stockView(db, skip)
      expect(JSON.stringify(part).length).toBeLessThan(100_000)
      seen.push(...part.lots.map(({ id }) => id))
      skip = part.more
    }
    expect(new Set(seen).size).toBe(seen.length)
    expect([...seen].sort()).toEqual((await allLots(db)).map(({ id }) => id).sort())
    const change = await moveStock(db, 'large-7', { op: 'more', version: 1, why: 'take-in', change: 3, note: '' })
    expect(change).toMatchObject({ of: ['large-7'], more: null, lots: [{ id: 'large-7', onHand: 5, version: 2 }] })
    expect(JSON.stringify(change).length).toBeLessThan(100_000)
    expect(await removeLot(db, 'large-8', { op: 'gone', version: 1, removed: true })).toMatchObject({ of: ['large-8'], lots: [] })
    expect(await families(db)).toMatchObject({ usedFor: [{ kind: 'shaft-end-play', family: 'Cover shims' }] })
  }, 60_000)
})
