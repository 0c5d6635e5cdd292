import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demo } from '../../tests/demo-files'
import { importStock } from '../import/drawer'
import { importWorksheet } from '../import/worksheet'
import { stockView } from '../service/stock'
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
    expect(new Set(uses.map(({ checkId }) => checkId)).size).toBeLessThanOrEqual(60)
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
  it('takes no more room on the screen of stock than a hundred kilobytes, however many jobs there are', async () => {
    expect(JSON.stringify(await stockView(db)).length).toBeLessThan(100_000)
    expect(await families(db)).toMatchObject({ usedFor: [{ kind: 'shaft-end-play', family: 'Cover shims' }] })
  })
})
