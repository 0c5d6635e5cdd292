import { v4 as uuid } from 'uuid'
import { decideShop } from '#core/shop/decide'
import { EMPTY_SHOP, type Shop } from '#core/shop/shop'
import { markedText } from '#core/quantity/format-length'
import type { Fault } from '#shared/types'
import { forgetArrivals, reveal } from '../database/arrivals'
import { insertRows } from '../database/bulk'
import type { Database, Sql } from '../database/client'
import { allLots, listedLots, lotColumns } from '../database/stock'
import { insertEvent } from '../database/events'
import { changePromise } from '../database/reserves'
import { refuseAll } from '../http/refuse'
import { drawerWith } from '../service/stock'
import { log } from '../log'
import { Cancelled, inTurn, type Listener } from './progress'
import { withReader } from './call-reader'
import { writeDrawer, type BoughtLot } from './drawer-csv'
import { inRuns } from './worksheet-in'

const SIZES_AT_ONCE = 250
const FROM_FILE = 'from a CSV file'

export const exportStock = async (sql: Sql): Promise<string> => writeDrawer(await listedLots(sql))

export interface DrawerResult {
  readonly added: number
  readonly corrected: number
}

/** Reads a drawer from CSV: all rows or none. A known id takes the count of the file as a correction; the others are new sizes. */
export const importStock = (db: Database, text: string, listener: Listener = {}): Promise<DrawerResult> =>
  inTurn(db, async () => {
    const reading = await withReader(listener.signal, reader => reader.drawer(text))
    if ('faults' in reading) throw refuseAll(reading.faults, reading.status)
    const arrival = uuid()
    try {
      return await bringIn(db, reading.lots, arrival, listener)
    } catch (error) {
      await forgetArrivals(db)
      throw error
    }
  })

type Correction = { readonly id: string; readonly lot_id: string; readonly change: number }

/** A count corrected by a file is what it is by hand: who was promised what is gone is told, what sits in a machine is not here as well. */
async function keepPromises(sql: Sql, corrections: readonly Correction[]): Promise<void> {
  const ids = corrections.map(({ lot_id }) => lot_id)
  const shop: Shop = { ...EMPTY_SHOP, ...(await drawerWith(sql, ids)) }
  const faults: Fault[] = []
  for (const { id: op, lot_id: lotId, change } of corrections) {
    const outcome = decideShop(shop, { op, kind: 'move', lotId, why: 'count', change, note: FROM_FILE })
    if (!outcome.ok) {
      const { nominal, mark } = shop.lots.find(({ id }) => id === lotId)!
      faults.push(...outcome.faults.map(({ reason }) => ({ path: `${markedText(nominal)} ${mark}`.trim(), reason })))
      continue
    }
    for (const happening of outcome.happenings)
      if (happening.type === 'promised') await changePromise(sql, happening.promise, happening.change)
    for (const tell of outcome.tells) if (tell.subject !== lotId) await insertEvent(sql, { op: `${op}:${tell.subject}` }, tell)
  }
  if (faults.length > 0) throw refuseAll(faults)
}

async function bringIn(db: Database, lots: readonly BoughtLot[], arrival: string, { signal, said }: Listener): Promise<DrawerResult> {
  const at = new Date().toISOString()
  const known = new Map((await allLots(db)).map(lot => [lot.id, lot]))
  const fresh = lots.filter(({ id }) => !known.has(id))
  const moved = lots
    .map(lot => ({ id: uuid(), lot_id: lot.id, change: lot.onHand - (known.get(lot.id)?.onHand ?? 0) }))
    .filter(({ change }) => change !== 0)
  const movement = (move: (typeof moved)[number]) => ({
    ...move,
    why: known.has(move.lot_id) ? 'count' : 'take-in',
    note: FROM_FILE,
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
  await db.transaction(async sql => {
    await keepPromises(sql, corrections)
    await insertRows(sql, 'movement', corrections)
  })
  await reveal(db, arrival)
  log('import', `${fresh.length} sizes of a drawer, ${corrections.length} corrections`)
  return { added: fresh.length, corrected: corrections.length }
}
