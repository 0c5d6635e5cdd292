import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { DEFAULT_REFIT } from '#core/check/document'
import { openDatabase, type Database } from '../database/client'
import { schema } from '../database/from-source'
import { keepProofs, proofsOfKind } from '../database/proofs'
import { importWorksheet } from '../import/worksheet'
import { demo } from '../../tests/demo-files'
import { signedService } from '../../tests/signed-service'
import { thou } from '#core/quantity/length'
import { reopen } from './check-commands'
import { checkView } from './check-view'
import { createJob } from './jobs'
import { createCheck } from './new-check'

const CHECK = 'loader-differential-preload'
let db: Database
let ops = 0
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  const sheet = JSON.parse(demo('14-quarry-loader-differential.worksheet.json')) as { jobs: [{ checks: [Record<string, unknown>] }] }
  sheet.jobs[0].checks[0].signOff = { at: '2026-11-20T08:00:00.000Z', by: 'T. Marl', reason: null, core: '3.0.0' }
  await importWorksheet(db, JSON.stringify(sheet), false)
  await importWorksheet(db, demo('90-mail-launch-services.worksheet.json'), false)
}, 60_000)
afterAll(() => db.close())

async function begun(unit: string, kind: string) {
  const id = `begun-${ops++}`
  await createJob(db, { op: `j${id}`, id: `j${id}`, unit, title: 'Service' })
  return (await createCheck(db, `j${id}`, { op: `c${id}`, id, kind, settings: {} })).document
}

describe('what a shop has done before', () => {
  it('a slope that was learned starts the next service of the unit, and of another of its type; no other', async () => {
    const { document, lots } = await checkView(db, CHECK)
    const line = evaluateCheck(document, lots).places.find(({ learned }) => learned?.line)!.learned!.line!
    const { slopes } = await begun('Quarry loader', 'torque-preload')
    expect(Object.values(slopes!)[0]).toEqual({ slope: line.slope, u: line.uSlope, from: expect.stringMatching(/, 2026-11-20$/) })
    // It stays with the check, and is there when that is read again.
    const kept = await begun('Quarry loader', 'torque-preload')
    expect((await checkView(db, kept.id)).document.slopes).toEqual(slopes)
    await createJob(db, { op: 'other', id: 'other', unit: 'Second loader', title: 'Service' })
    await db.rows("UPDATE unit SET type = 'Wheel loader' WHERE name = 'Second loader'")
    expect((await begun('Second loader', 'torque-preload')).slopes).toEqual(slopes)
    expect((await begun('Fire pump', 'torque-preload')).slopes).toBeUndefined()
    expect((await begun('Quarry loader', 'shaft-end-play')).slopes).toBeUndefined()
  })
  it('ten proofs of its own say what a refit does; nine do not, nor what a file brought', async () => {
    expect(await proofsOfKind(db, 'shaft-end-play')).toEqual([])
    expect((await begun('Mail launch', 'shaft-end-play')).uRefit).toBe(DEFAULT_REFIT)
    const trials = await db.rows<{ id: string; check_id: string }>(
      "SELECT t.id, t.check_id FROM trial t JOIN checks c ON c.id = t.check_id WHERE c.kind = 'shaft-end-play' ORDER BY t.id LIMIT 10",
    )
    expect(trials).toHaveLength(10)
    const proofs = (count: number) =>
      trials.slice(0, count).map(({ id, check_id: check }) => ({ check, trial: id, result: 'play', difference: 5_000, known: 3_000 }))
    const keep = async (count: number) => {
      for (const check of new Set(trials.map(({ check_id }) => check_id)))
        await db.transaction(sql =>
          keepProofs(
            sql,
            check,
            proofs(count).filter(proof => proof.check === check),
          ),
        )
    }
    await keep(9)
    expect((await begun('Mail launch', 'shaft-end-play')).uRefit).toBe(DEFAULT_REFIT)
    await keep(10)
    expect((await begun('Mail launch', 'shaft-end-play')).uRefit).toBe(4_000)
    expect((await begun('Mail launch', 'crankshaft-end-play')).uRefit).toBe(DEFAULT_REFIT)
  })
  it('a signature keeps what its fittings came to against what was foretold, until it is opened again', async () => {
    const { id, head } = await signedService(db, 'Ferry')
    // 9 − 5 is 4; it reads 4.4.
    const rows = () => db.rows<{ difference: number; known: number }>('SELECT difference, known FROM proof WHERE check_id = $1', [id])
    const [proof, ...others] = await rows()
    expect(others).toEqual([])
    expect(proof!.difference / thou(1)).toBeCloseTo(0.4, 6)
    expect(proof!.known).toBeGreaterThan(0)
    await reopen(db, id, { ...head(), by: 'T. Marl', reason: 'a knock' })
    expect(await rows()).toEqual([])
  })
})
