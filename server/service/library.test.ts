import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { limitsFrom } from '#core/check/library'
import { thou } from '#core/quantity/length'
import { twoSided } from '#core/verdict/limits'
import type { GaugeCheckDto } from '#shared/dto/gauge'
import { openDatabase, type Database } from '../database/client'
import { allEntries, entryUses } from '../database/library'
import type { Refused } from '../http/refuse'
import { importLibrary } from '../import/library'
import { writeLibrary } from '../import/library-csv'
import { importWorksheet } from '../import/worksheet'
import { changeSettings } from './check-commands'
import { checkView } from './check-view'
import { gaugeRecord, recordGaugeCheck } from './gauges'
import { addEntry, changeEntry, removeEntry } from './library'
import { schema } from '../database/from-source'
import { demo } from '../../tests/demo-files'

let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  await importWorksheet(db, demo('1-mail-launch.worksheet.json'), false)
})
afterAll(() => db.close())
const saidBy = (work: Promise<unknown>) => work.then(() => null).catch((error: Refused) => error.refusal.faults)
const fields = (upper: number) => ({
  name: 'Input shaft end play',
  kind: 'shaft-end-play',
  result: 'play',
  type: 'Harbour launch',
  role: 'book' as const,
  rule: {},
  set: twoSided(thou(3), thou(upper), 'thou', { kind: 'book', text: 'Manual', page: '4-15' }),
})

describe('the library of limits', () => {
  it('knows which checks go by an entry, and as it stood when they took it', async () => {
    const entry = await addEntry(db, { op: 'l1', id: 'input', fields: fields(7) })
    const { version } = await checkView(db, 'launch-input')
    const limits = [{ result: 'play', role: 'book' as const, set: limitsFrom(entry) }]
    await changeSettings(db, 'launch-input', { op: 'l2', version, settings: { limits } })
    await changeEntry(db, 'input', { op: 'l3', version: 1, fields: fields(8) })
    expect(await entryUses(db, 'input')).toMatchObject([
      { check: { id: 'launch-input' }, signed: false, version: 1, set: { upper: thou(7) } },
    ])
    // Other limits typed over them: nobody goes by the entry any more.
    const now = await checkView(db, 'launch-input')
    await changeSettings(db, 'launch-input', {
      op: 'l4',
      version: now.version,
      settings: { limits: [{ ...limits[0]!, set: fields(7).set }] },
    })
    expect(await entryUses(db, 'input')).toEqual([])
  })
  it('refuses nonsense at its field, and a stale change with what it missed', async () => {
    expect(await saidBy(changeEntry(db, 'input', { op: 'l5', version: 2, fields: fields(2) }))).toEqual([
      { path: 'fields.set', reason: 'The lower limit is above the upper one.' },
    ])
    expect(await saidBy(changeEntry(db, 'input', { op: 'l6', version: 1, fields: fields(9) }))).toMatchObject([{ path: 'version' }])
    expect(await removeEntry(db, 'input', { op: 'l7', version: 2, removed: true })).toMatchObject({
      id: 'input',
      version: 3,
      removed: true,
    })
    expect(await allEntries(db)).toEqual([])
    expect(await removeEntry(db, 'input', { op: 'l8', version: 3, removed: false })).toMatchObject({
      version: 4,
      removed: false,
      set: { upper: thou(8) },
    })
  })
  it('goes out as CSV and comes back the same; what differs is a new version', async () => {
    const csv = demo('limits.csv')
    expect(await importLibrary(db, csv)).toMatchObject({ added: 10, changed: 0 })
    const written = writeLibrary(await allEntries(db))
    expect(await importLibrary(db, written)).toMatchObject({ added: 0, changed: 0 })
    expect(writeLibrary(await allEntries(db))).toBe(written)
    expect(await importLibrary(db, csv.replace('two-sided,2,6', 'two-sided,2,5'))).toEqual({ added: 0, changed: 1 })
    expect((await allEntries(db)).find(({ id }) => id === 'lib-launch-output')).toMatchObject({ version: 2, set: { upper: thou(5) } })
    const other = await openDatabase(undefined, schema)
    await importLibrary(other, written)
    expect(writeLibrary(await allEntries(other))).toBe(written)
    await other.close()
  }, 30_000)
  it('takes all of a file or nothing, and says which line is wrong', async () => {
    const head = 'name,kind,result,lower,upper,unit\n'
    const bad = `${head}Good,shaft-end-play,play,1,2,thou\nBad,shaft-end-play,play,3,2,thou\nWorse,shaft-end-play,play,x,2,thou\n`
    const before = writeLibrary(await allEntries(db))
    expect(await saidBy(importLibrary(db, bad))).toMatchObject([
      { path: 'line 3, limits', reason: 'The lower limit is above the upper one.' },
      { path: 'line 4, lower' },
    ])
    expect(await saidBy(importLibrary(db, 'name,kind\nA,b\n'))).toMatchObject([
      { reason: expect.stringContaining('missing: result, unit') },
    ])
    expect(writeLibrary(await allEntries(db))).toBe(before)
  })
})

describe('a gauge at its check', () => {
  const check = (op: string, on: string, good: boolean, more: Partial<GaugeCheckDto> = {}) => ({
    op,
    on,
    good,
    note: 'reads 2 % high',
    by: 'R. Quill',
    ...more,
  })
  const gauge = async () =>
    (await db.rows<{ id: string; version: number }>('SELECT g.id, g.version FROM gauge g JOIN series s ON s.gauge_id = g.id LIMIT 1'))[0]!
  it('found wrong lists what was read with it since it was last good', async () => {
    const { id, version } = await gauge()
    const readings = await db.rows<{ day: string; check: string }>(
      `SELECT to_char(r.at, 'YYYY-MM-DD') AS day, t.check_id AS check FROM series s JOIN reading r ON r.series_id = s.id JOIN trial t ON t.id = s.trial_id WHERE s.gauge_id = $1`,
      [id],
    )
    const days = readings.map(({ day }) => day).sort()
    expect(await saidBy(recordGaugeCheck(db, id, { ...check('g0', days[0]!, false, { note: '' }), version }))).toMatchObject([
      { path: 'note' },
    ])
    await recordGaugeCheck(db, id, { ...check('g1', '2020-01-02', true), version })
    const wrong = await recordGaugeCheck(db, id, { ...check('g2', '2026-11-26', false), version: version + 1 })
    expect(wrong.doubtful).toMatchObject({ since: '2020-01-02' })
    expect(new Set(wrong.doubtful!.checks.map(one => one.id))).toEqual(new Set(readings.map(({ check: of }) => of)))
    // Good again: nothing is in doubt, and both checks stand in the record.
    const good = await recordGaugeCheck(db, id, { ...check('g3', '2026-11-27', true), version: version + 2 })
    expect([good.doubtful, good.checks.map(({ good: was }) => was)]).toEqual([null, expect.arrayContaining([true, false])])
    // Wrong again: only what was read since then.
    const again = await recordGaugeCheck(db, id, { ...check('g4', '2026-11-28', false), version: version + 3 })
    expect(again.doubtful).toEqual({ since: '2026-11-27', checks: [] })
    expect((await gaugeRecord(db, id)).checks[0]).toMatchObject({ on: '2026-11-28', good: false, by: 'R. Quill' })
  })
})
