import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openDatabase, type Database } from '../database/client'
import type { Refused } from '../http/refuse'
import { importWorksheet } from '../import/worksheet'
import { cleaned } from '../photo/clean'
import { exportJob } from './export'
import { historyOf } from './history'
import { changeJob, createJob, jobView } from './jobs'
import { addPerson, changePerson } from './people'
import { addPhoto, changePhoto, removePhoto } from './photos'
import { removePerson } from './removal'
import { changeUnit, unitView } from './units'
import { schema } from '../database/from-source'

const engine = readFileSync(new URL('../../demo/6-mail-launch-engine.worksheet.json', import.meta.url), 'utf8')
const home = mkdtempSync(join(tmpdir(), 'finitum-units-'))
let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
})
afterAll(async () => {
  await db.close()
  rmSync(home, { recursive: true })
})
const saidBy = (work: Promise<unknown>) => work.then(() => null).catch((error: Refused) => error.refusal.faults[0])

describe('those who work here', () => {
  it('are told by initials that nobody else has; whoever has left gives them free', async () => {
    await addPerson(db, { op: 'p1', id: 'tm', name: ' Tove Marl ', initials: 'TM' })
    expect(await saidBy(addPerson(db, { op: 'p2', id: 'tb', name: 'Tord Myr', initials: 'tm' }))).toEqual({
      path: 'initials',
      reason: 'Tove Marl has these initials.',
    })
    expect(await changePerson(db, 'tm', { op: 'p3', version: 1, name: 'Tove Marl', initials: 'TO' })).toMatchObject([
      { name: 'Tove Marl', initials: 'TO', version: 2 },
    ])
    await addPerson(db, { op: 'p4', id: 'tb', name: 'Tord Myr', initials: 'TM' })
    expect((await removePerson(db, 'tb', { op: 'p5', version: 1, removed: true })).map(({ id }) => id)).toEqual(['tm'])
    await changePerson(db, 'tm', { op: 'p6', version: 2, name: 'Tove Marl', initials: 'TM' })
    // He is back, and she has his initials now.
    expect((await saidBy(removePerson(db, 'tb', { op: 'p7', version: 2, removed: false })))?.reason).toBe('Tove Marl has these initials.')
  })
})

describe('a job and its unit', () => {
  it('keeps what is known of both, in the file too; days are in their order', async () => {
    await createJob(db, { op: 'j1', id: 'job', unit: 'Ferry ramp', title: 'Winch', who: 'Tove Marl' })
    const days = { cameIn: '2026-03-02', promised: '2026-03-09', meterReading: 1204.5, reference: ' R 12 ', stage: 'waiting' as const }
    const job = await changeJob(db, 'job', { op: 'j2', version: 1, who: 'Odd Renn', ...days })
    expect(job).toMatchObject({ ...days, reference: 'R 12', version: 2 })
    expect(await saidBy(changeJob(db, 'job', { op: 'j3', version: 2, promised: '2026-03-01' }))).toEqual({
      path: 'promised',
      reason: 'It came in on 2026-03-02: it was promised before that.',
    })
    expect(await changeJob(db, 'job', { op: 'j4', version: 2, promised: null, reference: '' })).not.toHaveProperty('promised')
    const unit = await changeUnit(db, job.unit.id, { op: 'u1', version: 1, type: 'Winch ramp', meter: 'h', notes: 'Salt everywhere' })
    expect(unit).toMatchObject({ name: 'Ferry ramp', type: 'Winch ramp', meter: 'h', jobs: [{ id: 'job', cameIn: '2026-03-02' }] })
    const file = JSON.stringify(await exportJob(db, 'job'))
    expect(JSON.parse(file).jobs[0]).toMatchObject({
      unit: { name: 'Ferry ramp', type: 'Winch ramp', meter: 'h' },
      meterReading: 1204.5,
      stage: 'waiting',
    })
    // Into another shop and back: the same.
    const other = await openDatabase(undefined, schema)
    await importWorksheet(other, file, false)
    expect({ ...(await exportJob(other, 'job')), written: '' }).toEqual({ ...JSON.parse(file), written: '' })
    await other.close()
  }, 30_000)
  it('tells who did what, the newest first, and what signatures of elsewhere say', async () => {
    expect((await historyOf(db, 'job')).map(({ who, what }) => [who, what])).toEqual([
      ['', 'Promised for: nothing. Reference: none'],
      ['Odd Renn', 'Waiting for parts or word. Came in: 2026-03-02. Promised for: 2026-03-09. Meter: 1204.5. Reference: R 12'],
      ['Tove Marl', 'Job begun'],
    ])
    await importWorksheet(db, engine, false)
    const signed = (await historyOf(db, 'launch-engine')).find(({ what }) => what.startsWith('Signed off'))
    expect(signed).toMatchObject({ who: 'T. Marl', check: { title: 'Thrust halves in line' } })
  })
  it('two units do not share a name', async () => {
    const { unit } = await jobView(db, 'launch-engine')
    const { version } = await unitView(db, unit.id)
    expect(await saidBy(changeUnit(db, unit.id, { op: 'u2', version, name: 'ferry RAMP' }))).toEqual({
      path: 'name',
      reason: 'Another unit has this name.',
    })
  })
})

describe('a photograph', () => {
  const file = () =>
    sharp({ create: { width: 2400, height: 1200, channels: 3, background: '#886' } })
      .withExif({ IFD0: { Make: 'Camera of somebody' }, IFD3: { GPSLatitude: '1/1 2/1 3/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()
  /** Put down as it comes in. */
  const down = (bytes: Buffer, name = 'photo'): string => {
    const path = join(home, name)
    writeFileSync(path, bytes)
    return path
  }
  it('is kept upright, of a size for a page, without what the camera wrote into it', async () => {
    const taken = await file()
    expect((await sharp(taken).metadata()).exif).toBeDefined()
    const { bytes, width, height } = await cleaned(down(taken))
    expect([width, height]).toEqual([900, 1800])
    const { exif, orientation, format } = await sharp(bytes).metadata()
    expect([exif, orientation, format]).toEqual([undefined, undefined, 'jpeg'])
  })
  it('that is none, or not whole, is refused', async () => {
    const none = (bytes: Buffer) => saidBy(cleaned(down(bytes))).then(fault => fault?.reason)
    expect(await none(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'))).toContain('no photograph')
    const whole = await file()
    expect(await none(whole.subarray(0, whole.length / 2))).toContain('cut short')
    expect(await none(Buffer.concat([whole.subarray(0, 3), Buffer.from('no more of it')]))).toContain('cannot be read')
  })
  it('stands in the record with its words, and goes and comes back', async () => {
    const photos = await addPhoto(
      db,
      { job: 'launch-engine', check: null },
      { op: 'ph', caption: 'Bore two', who: 'Tove Marl', content: 'one' },
      down(await file()),
    )
    expect(photos).toMatchObject([{ id: 'ph', caption: 'Bore two', who: 'Tove Marl', check: null }])
    // Sent twice it is one.
    const again = (content: string) => addPhoto(db, { job: 'launch-engine', check: null }, { op: 'ph', content }, join(home, 'photo'))
    expect(await again('one')).toHaveLength(1)
    // Another under the same id is none of ours.
    expect(await saidBy(again('other'))).toMatchObject({ reason: 'Something else was sent under this id already.' })
    expect(await changePhoto(db, 'ph', { op: 'ph-words', version: 1, caption: 'Bore 2' })).toMatchObject([
      { caption: 'Bore 2', version: 2 },
    ])
    expect(await removePhoto(db, 'ph', { op: 'ph-gone', version: 2, removed: true })).toEqual([])
    expect(await removePhoto(db, 'ph', { op: 'ph-back', version: 3, removed: false })).toHaveLength(1)
    expect((await historyOf(db, 'launch-engine'))[0]).toMatchObject({ what: 'Brought back' })
    expect(await saidBy(addPhoto(db, { job: 'launch-engine', check: 'of-another' }, { op: 'ph2' }, join(home, 'photo')))).toMatchObject({
      reason: 'There is no such check.',
    })
  })
})
