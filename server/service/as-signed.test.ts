import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { thou } from '#core/quantity/length'
import { recordText } from '#core/worksheet/record'
import type { Worksheet } from '#core/worksheet/worksheet'
import { openDatabase, type Database } from '../database/client'
import { schema } from '../database/from-source'
import { lotById } from '../database/stock'
import { importWorksheet } from '../import/worksheet'
import { DEMO_WORKSHEETS, demo } from '../../tests/demo-files'
import { signedService } from '../../tests/signed-service'
import { checkView } from './check-view'
import { reopen } from './check-commands'
import { exportJob } from './export'
import { labelsOf } from './labels'
import { reportOf } from './report'
import { changeLot } from './stock'

let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
}, 60_000)
afterAll(() => db.close())

const FULL = { length: 'full', check: null } as const
const told = async (from: Database, { id, job }: { id: string; job: string }) => {
  const { digest, blocks } = await reportOf(from, job, FULL)
  const { document, lots } = await checkView(from, id)
  const { current, places } = evaluateCheck(document, lots)
  return {
    digest,
    blocks: JSON.stringify(blocks.filter(({ kind }) => kind === 'table')),
    pieces: lots.filter(lot => document.signOff?.pieces?.some(piece => piece.id === lot.id)).map(lot => [lot.measured, lot.mark]),
    residual: current.results[0]!.residual,
    ledger: JSON.stringify(places[0]!.ledger),
  }
}

describe('the digest of a record', () => {
  it('is the same in the shop the demo is loaded into, and in another that takes its files in', async () => {
    const [first, second] = [await openDatabase(undefined, schema), await openDatabase(undefined, schema)]
    try {
      const different: string[] = []
      for (const name of DEMO_WORKSHEETS) {
        await importWorksheet(first, demo(name), false)
        for (const { id } of (JSON.parse(demo(name)) as Worksheet).jobs.slice(0, 3)) {
          const out = await exportJob(first, id)
          await importWorksheet(second, JSON.stringify(out), false)
          if (recordText(await exportJob(second, id)) !== recordText(out)) different.push(`${name} ${id}`)
        }
      }
      expect(different).toEqual([])
    } finally {
      await first.close()
      await second.close()
    }
  }, 120_000)
})

describe('a check that was signed', () => {
  it('stays what it was when a shim of it is measured a year later, or marked: report, digest, ledger, label', async () => {
    const service = await signedService(db, 'Ferry')
    const before = await told(db, service)
    expect(before.pieces).toEqual([
      [thou(5), ''],
      [thou(10), ''],
    ])
    const now = [
      [service.lots.out, thou(10.25)],
      [service.lots.in, thou(5.1)],
    ] as const
    for (const [lotId, size] of now) {
      const { version } = (await lotById(db, lotId))!
      await changeLot(db, lotId, { op: `measure-${lotId}`, version, sizes: [size], mark: 'B7' })
    }
    expect(await told(db, service)).toEqual(before)
    const [label] = await labelsOf(db, { of: [{ thing: 'bag', id: service.id }], sheet: 'a4-24' } as never)
    expect(label!.lines.join(' ')).toContain('10')
    expect(label!.lines.join(' ')).not.toContain('10.25')
    // Opened again it is worked on, with what is known of its pieces by now.
    await reopen(db, service.id, { ...service.head(), by: 'T. Marl', reason: 'a knock' })
    expect((await told(db, service)).ledger).not.toBe(before.ledger)
  }, 60_000)
  it('keeps its pieces and its digest on the way to another shop, whatever that shop’s own shim measures', async () => {
    const service = await signedService(db, 'Post motorcycle')
    const elsewhere = await openDatabase(undefined, schema)
    try {
      // It counts from elsewhere, and has other work already.
      await signedService(elsewhere, 'Ferry')
      await importWorksheet(elsewhere, JSON.stringify(await exportJob(db, service.job)), false)
      const before = await told(elsewhere, service)
      expect(before.pieces).toContainEqual([thou(5), ''])
      expect(before.digest).toBe((await told(db, service)).digest)
      const lot = (await lotById(elsewhere, service.lots.in))!
      await changeLot(elsewhere, service.lots.in, { op: 'again', version: lot.version, sizes: [thou(5.3)] })
      expect(await told(elsewhere, service)).toEqual(before)
    } finally {
      await elsewhere.close()
    }
  }, 60_000)
})
