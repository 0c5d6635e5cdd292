import { v4 as uuid } from 'uuid'
import { formatLength } from '#core/quantity/format-length'
import type { Lot } from '#core/pack/lot'
import type { ImportResult } from '#shared/types'
import { forgetArrivals, reveal } from '../database/arrivals'
import { insertRows, insertText, known, reserveNumbers } from '../database/bulk'
import type { Database } from '../database/client'
import { admitGauge, gaugeById } from '../database/gauges'
import { takeStock } from '../database/learn'
import { pooledSpreads } from '../database/readings'
import { promisedByLot } from '../database/reserves'
import { allLots, lotColumns } from '../database/stock'
import { byTurns } from '../database/turns'
import { unitNamed, unitsByName } from '../database/units'
import { readUp } from '../find/find'
import { refuse, refuseAll } from '../http/refuse'
import { log } from '../log'
import { withReader, type Reader } from './call-reader'
import { Cancelled, inTurn, type Listener } from './progress'
import type { Numbers } from './import-rows'
import { inRuns, type Group, type Head, type Piece, type ShopSide } from './worksheet-in'

/** So many times as much changes what the database has to plan by. */
const MUCH_MORE = 1.2
const SIZES_AT_ONCE = 250

/**
 * Reads a worksheet into the shop, all of it or nothing. Jobs that are here already are refused unless copied under new ids.
 * Sizes the shop does not know are added with none on hand: the file's drawer is not this one. A worker reads the file; it comes in in
 * pieces, unseen until it is complete, so that the shop goes on working meanwhile.
 */
export const importWorksheet = (db: Database, text: string, asCopy: boolean, listener: Listener = {}): Promise<ImportResult> =>
  inTurn(db, () =>
    withReader(listener.signal, async reader => {
      const opened = await reader.open(text, asCopy)
      if (!opened.ok) throw refuseAll(opened.faults)
      const { head } = opened
      const arrival = uuid()
      try {
        const { added, notes } = await makeWay(db, reader, head, arrival)
        await bringIn(db, reader, head, listener)
        await reveal(db, arrival)
        await takeStock(db, MUCH_MORE)
        await readUp(db)
        log('import', `${head.jobs.length} jobs of a worksheet`)
        return {
          jobs: head.jobs.length,
          checks: head.checks,
          lots: added,
          jobIds: head.jobs,
          notes: [
            ...notes,
            ...(added > 0 ? [`${added} sizes of the file were not in this drawer: they are listed with none on hand.`] : []),
          ],
        }
      } catch (error) {
        await forgetArrivals(db)
        throw error
      }
    }),
  )

/** What would clash is refused before anything is written; sizes, gauges and units of the file get their place. */
async function makeWay(db: Database, reader: Reader, head: Head, arrival: string): Promise<{ added: number; notes: Set<string> }> {
  await refuseClashes(db, reader)
  const here = new Map((await allLots(db)).map(lot => [lot.id, lot]))
  const fresh = await bringInSizes(db, head.lots, here, arrival)
  const notes = new Set<string>()
  const gauges: ShopSide['gauges'][number][] = []
  await byTurns(db, head.gauges, async (sql, gauge) => {
    const id = await admitGauge(sql, gauge, arrival)
    if (id !== gauge.id)
      notes.add(`The file’s “${gauge.name}” is not the gauge known here by that id: it stands beside it in the register.`)
    const { version: _, kit: __, uses: ___, ...admitted } = (await gaugeById(sql, id))!
    gauges.push([gauge, admitted])
  })
  const units: ShopSide['units'][number][] = []
  const there = await unitsByName(
    db,
    head.units.map(({ name }) => name),
  )
  await byTurns(db, head.units, async (sql, unit) => {
    units.push([unit.name, await unitNamed(sql, uuid(), unit.name, unit.description, unit, there.get(unit.name))])
  })
  const promised = await promisedByLot(db)
  const drawer = [...here.values(), ...fresh.map(lot => ({ ...lot, onHand: 0, version: 1 }))]
  await reader.here({
    arrival,
    units,
    gauges,
    spreads: [...(await pooledSpreads(db))],
    lots: drawer.map(({ version: _, ...lot }) => ({ ...lot, reserved: lot.reserved + (promised.get(lot.id) ?? 0) })),
  })
  return { added: fresh.length, notes }
}

/** Sizes of the file that are not here, with none on hand. @returns them */
async function bringInSizes(db: Database, lots: readonly Lot[], here: ReadonlyMap<string, Lot>, arrival: string): Promise<Lot[]> {
  const wrong = lots.findIndex(lot => here.has(lot.id) && here.get(lot.id)!.nominal !== lot.nominal)
  if (wrong !== -1) {
    const { id } = lots[wrong]!
    const size = formatLength(here.get(id)!.nominal, 'mm', { unit: true })
    throw refuse(409, `This shop knows “${id}” as another size (${size}).`, `lots/${wrong}`)
  }
  const ids = lots.map(({ id }) => id)
  const there = await known(db, 'lot', ids)
  const fresh = lots.filter(({ id }) => !there.has(id))
  const removed_at = new Date().toISOString()
  for (const run of inRuns(fresh, SIZES_AT_ONCE)) {
    const rows = run.map(lot => ({ ...lotColumns(lot), removed_at, arriving: arrival }))
    await db.transaction(sql => insertRows(sql, 'lot', rows))
  }
  return fresh
}

/** Refuses what would be there twice. */
async function refuseClashes(db: Database, reader: Reader): Promise<void> {
  for (const { table, ids } of await reader.claims()) {
    const there = await known(db, table, ids)
    if (there.size === 0) continue
    const { path, what } = await reader.claimant(table, [...there])
    throw refuse(409, `${what} is here already. Import it as a copy to keep both.`, path, { helps: 'copy' })
  }
}

/** Group after group, the rows of the next worked out while those of this one are stored. */
async function bringIn(db: Database, reader: Reader, { groups }: Head, { signal, said }: Listener): Promise<void> {
  const of = groups.reduce((sum, group) => sum + group.readings, 0)
  const first = await numbersFrom(db, groups)
  const rowsOf = (i: number): Promise<Piece[]> => {
    const rows = i < groups.length ? reader.rows(groups[i]!, first[i]!) : Promise.resolve([])
    rows.catch(() => undefined)
    return rows
  }
  let done = 0
  let coming = rowsOf(0)
  for (const i of groups.keys()) {
    const pieces = await coming
    coming = rowsOf(i + 1)
    await byTurns(
      db,
      pieces,
      (sql, piece) => {
        if (signal?.aborted) throw new Cancelled()
        done += piece.readings
        return insertText(sql, piece)
      },
      () => said?.({ done, of, what: 'readings' }),
    )
  }
}

/** The first number of each kind for each group. */
async function numbersFrom(db: Database, groups: readonly Group[]): Promise<Numbers[]> {
  const sum = (kind: keyof Numbers, upTo: number) => groups.slice(0, upTo).reduce((total, { numbers }) => total + numbers[kind], 0)
  const start = await db.transaction(async sql => ({
    order: await reserveNumbers(sql, 'happening', sum('order', groups.length)),
    listing: await reserveNumbers(sql, 'pack_listing_id_seq', sum('listing', groups.length)),
    series: await reserveNumbers(sql, 'series_id_seq', sum('series', groups.length)),
  }))
  return groups.map((_, i) => ({
    order: start.order + sum('order', i),
    listing: start.listing + sum('listing', i),
    series: start.series + sum('series', i),
  }))
}
