import { v4 as uuid } from 'uuid'
import { forgetArrivals, reveal } from '../database/arrivals'
import { insertRows } from '../database/bulk'
import type { Database, Sql } from '../database/client'
import { allLots, lotColumns, stockLots } from '../database/stock'
import { refuseAll } from '../http/refuse'
import { log } from '../log'
import { Cancelled, inTurn, type Told } from './progress'
import { withReader } from './call-reader'
import { writeDrawer, type BoughtLot } from './drawer-csv'
import { inRuns } from './worksheet-in'

const SIZES_AT_ONCE = 250

export const exportStock = async (sql: Sql): Promise<string> => writeDrawer(await stockLots(sql))

export interface DrawerResult {
  readonly added: number
  readonly corrected: number
}

/** Reads a drawer from CSV: all rows or none. A known id takes the count of the file as a correction; the others are new sizes. */
export const importStock = (shop: Database, text: string, told: Told = {}): Promise<DrawerResult> =>
  inTurn(shop, async db => {
    const reading = await withReader(told.signal, reader => reader.drawer(text))
    if ('faults' in reading) throw refuseAll(reading.faults, reading.status)
    const arrival = uuid()
    try {
      return await bringIn(db, reading.lots, arrival, told)
    } catch (error) {
      await forgetArrivals(db)
      throw error
    }
  })

async function bringIn(db: Database, lots: readonly BoughtLot[], arrival: string, { signal, said }: Told): Promise<DrawerResult> {
  const at = new Date().toISOString()
  const known = new Map((await allLots(db)).map(lot => [lot.id, lot]))
  const fresh = lots.filter(({ id }) => !known.has(id))
  const moved = lots
    .map(lot => ({ id: uuid(), lot_id: lot.id, change: lot.onHand - (known.get(lot.id)?.onHand ?? 0) }))
    .filter(({ change }) => change !== 0)
  const movement = (move: (typeof moved)[number]) => ({
    ...move,
    why: known.has(move.lot_id) ? 'count' : 'take-in',
    note: 'from a CSV file',
    at,
  })
  // What is new comes in unseen; what is here is corrected all at once, when the rest is there.
  const arriving = fresh.map(lot => ({
    ...lotColumns(lot),
    supplier: lot.supplier,
    article: lot.article,
    removed_at: at,
    arriving: arrival,
  }))
  const takenIn = moved.filter(({ lot_id }) => !known.has(lot_id)).map(movement)
  const corrections = moved.filter(({ lot_id }) => known.has(lot_id)).map(movement)
  let done = 0
  for (const [table, rows] of [
    ['lot', arriving],
    ['movement', takenIn],
  ] as const) {
    for (const run of inRuns<object>(rows, SIZES_AT_ONCE)) {
      if (signal?.aborted) throw new Cancelled()
      await db.transaction(sql => insertRows(sql, table, run as Record<string, unknown>[], 'ON CONFLICT (id) DO NOTHING'))
      done += run.length
      said?.({ done, of: arriving.length + takenIn.length, what: 'rows' })
    }
  }
  await db.transaction(sql => insertRows(sql, 'movement', corrections))
  await reveal(db, arrival)
  log('import', `${fresh.length} sizes of a drawer, ${corrections.length} corrections`)
  return { added: fresh.length, corrected: corrections.length }
}
