import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { checkKind } from '#core/check/registry'
import { nm, thou } from '#core/quantity/length'
import { openDatabase, type Database } from '../database/client'
import { jobList } from '../database/book'
import { Refused } from '../http/refuse'
import { importStock } from '../import/drawer'
import { importWorksheet } from '../import/worksheet'
import { JobQueryDto } from '#shared/dto/job'
import { fitPack, wantPieces } from './check-commands'
import { checkView } from './check-view'
import { historyOf } from './history'
import { addLine, cancel, changePurchase, dropLine, order, ordersView, orderRows, putBack, receive, takeBack } from './orders'
import { removeLot } from './removal'
import { addLot, changeLot, moveStock, stockView } from './stock'
import { promisesOf, reserve } from '../database/reserves'
import { lotsByIds } from '../database/stock'
import { schema } from '../database/from-source'
import { demo } from '../../tests/demo-files'

let db: Database
let ops = 0
const op = () => `op-${ops++}`
const CHECK = 'launch-input'
const place = 'pack'
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  await importStock(db, demo('drawer.csv'))
  // Nobody has said yet who the sizes are bought from.
  await db.rows(`UPDATE lot SET supplier = '', article = ''`)
  await importWorksheet(db, demo('4-island-bus.worksheet.json'), false)
  await importWorksheet(db, demo('1-mail-launch.worksheet.json'), false)
}, 60_000)
afterAll(() => db.close())
const reasonOf = async (work: Promise<unknown>): Promise<string> => {
  const error = await work.catch((e: unknown) => e)
  if (!(error instanceof Refused)) throw new Error(`Not refused: ${String(error)}`)
  return error.refusal.faults[0]!.reason
}
const lot = async (id: string) => (await lotsByIds(db, [id]))[0]!
const want = async (...pieces: { lotId: string; count: number }[]) =>
  wantPieces(db, CHECK, { op: op(), version: (await checkView(db, CHECK)).version, place, pieces, who: 'T. Marl' })
const station = async () => (await jobList(db, new JobQueryDto())).jobs.flatMap(({ checks }) => checks).find(({ id }) => id === CHECK)!

describe('orders', () => {
  it('what a place wants stands on the list, once; wanted again, it is what is wanted now', async () => {
    expect(checkKind('shaft-end-play').places((await checkView(db, CHECK)).document.setup)[0]!.id).toBe(place)
    expect((await ordersView(db)).unserved.map(({ id }) => id)).toContain(CHECK)
    await want({ lotId: 'cover-2', count: 1 })
    const view = await want({ lotId: 'cover-3', count: 2 }, { lotId: 'cover-5', count: 1 })
    expect(view.orders.map(({ lotId, pieces, purchase }) => [lotId, pieces, purchase])).toEqual([
      ['cover-3', 2, null],
      ['cover-5', 1, null],
    ])
    const { lines, unserved } = await ordersView(db)
    expect(lines.map(({ lotId, who, check }) => [lotId, who, check?.title])).toEqual([
      ['cover-3', 'T. Marl', 'Input shaft end play'],
      ['cover-5', 'T. Marl', 'Input shaft end play'],
    ])
    expect(unserved.map(({ id }) => id)).not.toContain(CHECK)
    expect((await station()).waiting).toEqual({ state: 'wanted', pieces: 3, due: null })
    expect((await jobList(db, new JobQueryDto())).next!.check.id).toBe(CHECK)
    expect(await reasonOf(want({ lotId: 'no-such', count: 1 }))).toBe('There is no such size in the drawer.')
    expect(await reasonOf(removeLot(db, 'cover-3', { op: op(), version: (await lot('cover-3')).version, removed: true }))).toContain(
      'removed',
    )
  })
  it('also for the drawer; a line comes off before it is ordered', async () => {
    await addLine(db, { op: op(), id: 'spare', lotId: 'cover-3', pieces: 4 })
    await addLine(db, { op: op(), id: 'mistake', lotId: 'cover-2', pieces: 9 })
    const { lines } = await dropLine(db, 'mistake', { op: op() })
    expect(lines.map(({ lotId, pieces }) => [lotId, pieces])).toEqual([
      ['cover-3', 2],
      ['cover-5', 1],
      ['cover-3', 4],
    ])
    expect(
      await reasonOf(order(db, { op: op(), id: 'none', supplier: 'Ring maker', lines: ['mistake'], orderedOn: '2026-05-04' })),
    ).toContain('taken off')
    // What a check that was removed wanted is on neither list, and is back with it.
    const listed = async () => [(await ordersView(db)).lines.length, (await stockView(db)).coming.length]
    expect(await listed()).toEqual([3, 3])
    await db.rows('UPDATE checks SET removed_at = now() WHERE id = $1', [CHECK])
    expect(await listed()).toEqual([1, 1])
    await db.rows('UPDATE checks SET removed_at = NULL WHERE id = $1', [CHECK])
    expect(await listed()).toEqual([3, 3])
  })
  it('is ordered from a supplier, who is remembered with the sizes; the check waits, and says until when', async () => {
    const lines = (await ordersView(db)).lines.map(({ id }) => id)
    const what = {
      op: op(),
      id: 'p1',
      supplier: ' Ring maker ',
      lines,
      reference: '26-17',
      orderedOn: '2026-05-04',
      due: '2026-05-09',
      who: 'A. Skua',
    }
    expect(await reasonOf(order(db, { ...what, op: op(), due: '2026-05-03' }))).toBe('It cannot be here before it is ordered.')
    await order(db, what)
    const view = await order(db, what)
    expect(view.purchases).toEqual([
      { id: 'p1', supplier: 'Ring maker', reference: '26-17', orderedOn: '2026-05-04', due: '2026-05-09', version: 1 },
    ])
    expect(view.lines.every(({ purchase }) => purchase === 'p1')).toBe(true)
    expect((await lot('cover-5')).supplier).toBe('Ring maker')
    expect((await station()).waiting).toEqual({ state: 'ordered', pieces: 3, due: '2026-05-09' })
    // What waits for a supplier is not what to carry on with.
    expect((await jobList(db, new JobQueryDto())).next!.check.id).not.toBe(CHECK)
    expect(await reasonOf(order(db, { ...what, op: op(), id: 'p2' }))).toContain('was ordered in the meantime')
    expect(await reasonOf(dropLine(db, lines[0]!, { op: op() }))).toContain('ordered already')
    expect((await checkView(db, CHECK)).orders.map(({ supplier, due }) => [supplier, due])).toEqual(
      Array(2).fill(['Ring maker', '2026-05-09']),
    )
    await changePurchase(db, 'p1', { op: op(), version: 1, due: '2026-05-12' })
    expect((await station()).waiting!.due).toBe('2026-05-12')
    expect(await reasonOf(changePurchase(db, 'p1', { op: op(), version: 1, due: '2026-05-20' }))).toContain('changed elsewhere')
    expect(await orderRows(db, { purchase: 'p1' })).toEqual([
      ['Ring maker', '', 'Cover shims', '3 thou', '', 6, 0, '0.30', '2 for Mail launch, Input shaft end play; 4 for the drawer'],
      ['Ring maker', '', 'Cover shims', '5 thou', '', 1, 0, '0.35', '1 for Mail launch, Input shaft end play'],
    ])
    expect(
      (await historyOf(db, 'launch-box')).some(({ what: done, who }) => done === 'Ordered from Ring maker, 26-17' && who === 'A. Skua'),
    ).toBe(true)
  })
  it('not ordered after all, it is on the list again', async () => {
    await putBack(db, 'p1', { op: op(), version: 2 })
    expect((await station()).waiting!.state).toBe('wanted')
    const view = await ordersView(db)
    expect(view.purchases).toEqual([])
    await order(db, { op: op(), id: 'p1', supplier: 'Ring maker', lines: view.lines.map(({ id }) => id), orderedOn: '2026-05-05' })
  })
  it('comes piece by piece, measured: into the drawer, kept for who waits, checks first', async () => {
    const before = await lot('cover-3')
    const first = { op: op(), id: 'r1', lotId: 'cover-3', size: thou(3.1) }
    await receive(db, 'p1', first)
    await receive(db, 'p1', first)
    const after = await lot('cover-3')
    expect([after.onHand, after.sizes!.at(-1), after.sizes!.length]).toEqual([before.onHand + 1, thou(3.1), before.sizes!.length + 1])
    expect((await checkView(db, CHECK)).reserves[place]).toEqual([{ lotId: 'cover-3', count: 1 }])
    // Another check that chooses from the same drawer sees it as promised.
    const other = (await checkView(db, 'bus-main')).lots.find(({ id }) => id === 'cover-3')!
    expect(other.reserved).toBe(before.reserved + 1)
    // A piece with a place of its own is chosen by its own figure.
    await receive(db, 'p1', { op: op(), id: 'own-piece', lotId: 'cover-3', size: nm(75_000), mark: 'tray 4' })
    expect(await lot('own-piece')).toMatchObject({ apart: true, measured: 75_000, onHand: 1, mark: 'tray 4' })
    expect((await station()).waiting).toEqual({ state: 'ordered', pieces: 1, due: null })
    await receive(db, 'p1', { op: op(), id: 'r5', lotId: 'cover-5', size: thou(5) })
    expect((await station()).waiting!.state).toBe('here')
    expect((await jobList(db, new JobQueryDto())).next!.check.id).toBe(CHECK)
    expect(await reasonOf(receive(db, 'p1', { op: op(), id: 'r6', lotId: 'cover-5', size: thou(5) }))).toContain('All of these are here')
    expect(await reasonOf(receive(db, 'p1', { op: op(), id: 'r7', lotId: 'cover-4' }))).toBe('This size is not in that order.')
    expect(await reasonOf(receive(db, 'p1', { op: op(), id: 'r7', lotId: 'cover-3', mark: 'tray 1' }))).toContain('is measured')
    // What the drawer gets is promised to nobody, measured or not.
    await receive(db, 'p1', { op: op(), id: 'r8', lotId: 'cover-3' })
    const [line] = (await ordersView(db)).lines.filter(({ check }) => check === null)
    expect([line!.arrived, line!.sizes]).toEqual([1, [null]])
    expect((await checkView(db, CHECK)).reserves[place]!.reduce((sum, { count }) => sum + count, 0)).toBe(3)
  })
  it('taken back, it did not come', async () => {
    await takeBack(db, 'p1', { op: op(), lotId: 'cover-5' })
    expect((await station()).waiting!.state).toBe('ordered')
    const five = await lot('cover-5')
    expect((await checkView(db, CHECK)).reserves[place]!.some(({ lotId }) => lotId === 'cover-5')).toBe(false)
    expect(await reasonOf(takeBack(db, 'p1', { op: op(), lotId: 'cover-5' }))).toBe('None of these came.')
    expect(five.onHand).toBe(4)
    expect(five.sizes).toEqual([thou(5)])
    expect(await reasonOf(putBack(db, 'p1', { op: op(), version: 1 }))).toContain('it was ordered')
  })
  it('what will not come is said; what came is there to choose from, and once it is fitted nothing is waited for', async () => {
    await cancel(db, 'p1', { op: op(), lotId: 'cover-5', reason: 'none made any more' })
    expect((await station()).waiting!.state).toBe('here')
    expect((await checkView(db, CHECK)).orders.find(({ lotId }) => lotId === 'cover-5')!.cancelled).toBe('none made any more')
    expect(await reasonOf(cancel(db, 'p1', { op: op(), lotId: 'cover-5', reason: 'again' }))).toContain(
      'Nothing of this size is outstanding',
    )
    const view = await checkView(db, CHECK)
    const fitted = await fitPack(db, CHECK, {
      op: op(),
      version: view.version,
      trialId: 'with-it',
      packs: [{ place, pieces: [...view.document.trials.at(-1)!.packs[place]!, { lotId: 'own-piece', count: 1 }] }],
    })
    expect([fitted.orders, fitted.reserves]).toEqual([[], {}])
    expect((await station()).waiting).toBeNull()
    // The drawer's own line is still on its way.
    expect((await ordersView(db)).lines.find(({ check }) => check === null)).toMatchObject({ pieces: 4, arrived: 1 })
    const coming = { lotId: 'cover-3', pieces: 3, supplier: 'Ring maker', due: null, check: null }
    expect((await checkView(db, CHECK)).coming).toEqual([coming])
    expect((await stockView(db)).coming).toEqual([coming])
  })
  it('a supplier and what they call it are kept with a size, and pieces besides are taken in under Stock', async () => {
    const { version } = await lot('cover-4')
    await changeLot(db, 'cover-4', { op: op(), version, supplier: 'Bearing store', article: 'CS-4' })
    await moveStock(db, 'cover-4', { op: op(), version: version + 1, why: 'take-in', change: 1, note: '' })
    expect(await lot('cover-4')).toMatchObject({ supplier: 'Bearing store', article: 'CS-4' })
    await addLine(db, { op: op(), id: 'four', lotId: 'cover-4', pieces: 2 })
    expect((await orderRows(db, { supplier: 'Bearing store' })).map(row => row.slice(0, 6))).toEqual([
      ['Bearing store', 'CS-4', 'Cover shims', '4 thou', '', 2],
    ])
  })
  it('a count corrected by a file takes back what was promised beyond it, and the check is told', async () => {
    await addLot(db, { op: op(), id: 'nine', family: 'spare shims', nominal: thou(9), count: 3 })
    await reserve(db, CHECK, place, [{ lotId: 'nine', count: 2 }])
    expect(await importStock(db, 'id,family,nominal,count\nnine,spare shims,9 thou,1\n')).toEqual({ added: 0, corrected: 1 })
    expect(await promisesOf(db, ['nine'])).toEqual([{ check: CHECK, place, lotId: 'nine', count: 1 }])
    const told = await db.rows<{ what: string }>('SELECT what FROM event WHERE subject = $1 ORDER BY at DESC LIMIT 1', [CHECK])
    expect(told[0]!.what).toBe('What was kept for it is not in the drawer any more')
  })
})
