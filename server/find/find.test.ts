import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { FindDto } from '#shared/dto/find'
import { openDatabase, type Database } from '../database/client'
import { importStock } from '../import/drawer'
import { importLibrary } from '../import/library'
import { importWorksheet } from '../import/worksheet'
import { signOff } from '../service/check-commands'
import { checkView } from '../service/check-view'
import { changeJob, createJob, jobView } from '../service/jobs'
import { addLine, changePurchase, order, ordersView, receive } from '../service/orders'
import { replacePart } from '../service/part-change'
import { removeJob } from '../service/removal'
import { changeUnit } from '../service/units'
import { find } from './find'
import { questionOf, wordsIn } from './words'
import { schema } from '../database/from-source'
import { demo } from '../../tests/demo-files'

let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  await importStock(db, demo('drawer.csv'))
  await importLibrary(db, demo('limits.csv'))
  for (const name of ['1-mail-launch', '6-mail-launch-engine', '4-island-bus'])
    await importWorksheet(db, demo(`${name}.worksheet.json`), false)
  await createJob(db, { op: 'j1', id: 'muller', unit: 'Motorwinde Müller', title: 'Überholung', notes: 'Ørsted, Łódź, Σύρος, Пирс' })
})
afterAll(() => db.close())
const ask = (words: string, more: Partial<FindDto> = {}) => find(db, Object.assign(new FindDto(), { words, ...more }))
const jobs = async (words: string, more: Partial<FindDto> = {}) => (await ask(words, more)).jobs.map(({ id }) => id)

describe('words', () => {
  it('are small and without marks; an umlaut is also spelt out', () => {
    expect(wordsIn('Zürich 4-12')).toEqual(['zurich', '4', '12', 'zuerich'])
    expect(wordsIn('Straße, Ærø; œuvre')).toEqual(['strasse', 'aero', 'oeuvre', 'aeroe'])
    expect(questionOf(`it's "odd" & | ! :* ( \\ x`)).toBe("'it':* & 's':* & 'odd':* & 'x':*")
    expect(questionOf(' ·—! ')).toBeNull()
  })
})

describe('what is found', () => {
  it.each([
    'müller',
    'MULLER',
    'mueller',
    'Mül',
    'uberhol',
    'Überholung muller',
    'orsted',
    'oersted',
    'łódź',
    'lodz',
    'σύρος',
    'ΣΥΡ',
    'пирс',
  ])('“%s” finds it, whatever it is written with', async words => expect(await jobs(words)).toEqual(['muller']))
  it('by unit, check, part, person, state and free text, all words together', async () => {
    expect(await jobs('launch thrust')).toContain('launch-engine')
    expect(await jobs('connecting rod')).toContain('launch-engine')
    expect(await jobs('marl launch')).toContain('launch-engine')
    expect(await jobs('marl bus')).toEqual([])
    expect(await jobs('low oil pressure')).toEqual(['launch-engine'])
    expect((await jobs('loose')).length).toBeGreaterThan(0)
    expect(await jobs('no-such-word')).toEqual([])
    const { jobs: found } = await ask('thrust')
    const engine = found.find(({ id }) => id === 'launch-engine')!
    expect(engine.matches.map(id => engine.checks.find(check => check.id === id)!.title)).toContain('Thrust halves in line')
  })
  it('also what is no job: gauges, limits, sizes', async () => {
    const { others } = await ask('reduction manual')
    expect(others.map(({ what }) => what)).toContain('limits')
    expect((await ask('dial')).others.map(({ what }) => what)).toContain('gauge')
  })
  it('what was ordered: its job by supplier and reference, and the order itself', async () => {
    await addLine(db, { op: 'o1', id: 'drawer-line', lotId: 'cover-3', pieces: 2 })
    await db.rows(`INSERT INTO order_line (id, lot_id, pieces, check_id, place) VALUES ('pump-line', 'cover-3', 1, 'le-pump', 'stack')`)
    expect(await jobs('brattvik')).toEqual([])
    const first = {
      op: 'o2',
      id: 'first',
      supplier: 'Brattvik Shims',
      reference: 'BS-77',
      orderedOn: '2025-03-04',
      lines: ['drawer-line', 'pump-line'],
    }
    await order(db, first)
    expect(await jobs('brattvik 77')).toEqual(['launch-engine'])
    expect((await ask('brattvik march 2025')).others).toEqual([{ what: 'order', id: 'first', name: 'Brattvik Shims, BS-77' }])
    expect((await ask('pump brattvik')).others.map(({ id }) => id)).toEqual(['first'])
    await changePurchase(db, 'first', { op: 'o3', version: 1, reference: 'XY-9' })
    expect(await jobs('bs-77')).toEqual([])
    expect(await jobs('xy-9')).toEqual(['launch-engine'])
    // Many orders later it is still answered when it is asked for, and its lines are told by what came.
    for (const lot of ['cover-3', 'cover-20']) await db.rows(`UPDATE order_line SET cancelled = 'sold out' WHERE lot_id = $1`, [lot])
    for (let i = 0; i < 21; i++) {
      await addLine(db, { op: `m${i}`, id: `more-${i}`, lotId: 'cover-20', pieces: 1 })
      await order(db, { op: `n${i}`, id: `later-${i}`, supplier: 'Northness', orderedOn: '2026-01-05', lines: [`more-${i}`] })
    }
    expect((await ordersView(db)).purchases.map(({ id }) => id)).not.toContain('first')
    expect((await ordersView(db, 'first')).purchases.map(({ id }) => id)).toContain('first')
    await expect(receive(db, 'first', { op: 'r1', id: 'r1', lotId: 'cover-3' })).rejects.toThrow('All of these are here already')
  })
  it('follows what is written: days, unit, parts, signatures, removal', async () => {
    await changeJob(db, 'muller', { op: 'j2', version: 1, cameIn: '2024-02-03', reference: 'AB-17' })
    expect(await jobs('ab 17')).toEqual(['muller'])
    expect(await jobs('february 2024')).toEqual(['muller'])
    expect(await jobs('', { to: '2024-12-31' })).toEqual(['muller'])
    expect(await jobs('', { from: '2024-02-04', to: '2024-12-31' })).toEqual([])
    const { unit, version } = await jobView(db, 'muller')
    await changeUnit(db, unit.id, { op: 'u1', version: 1, notes: 'stands under the tarpaulin' })
    expect(await jobs('tarpaulin')).toEqual(['muller'])
    await removeJob(db, 'muller', { op: 'j3', version, removed: true })
    expect(await jobs('tarpaulin')).toEqual([])
    await removeJob(db, 'muller', { op: 'j4', version: version + 1, removed: false })
    expect(await jobs('tarpaulin')).toEqual(['muller'])
    const engine = await jobView(db, 'launch-engine')
    const crank = engine.parts.find(({ name }) => name === 'Crankshaft')!
    await replacePart(db, 'launch-engine', { op: 'pc', part: crank.id, reason: 'metal-sprayed at Kråkvik', by: 'R. Quill' })
    expect(await jobs('sprayed krakvik quill')).toEqual(['launch-engine'])
    const pump = await checkView(db, 'le-pump')
    expect(await jobs('overheated')).toEqual([])
    await signOff(db, 'le-pump', { op: 's1', version: pump.version, by: 'P. Fulmar', reason: 'overheated once, looked at' })
    expect(await jobs('overheated fulmar')).toEqual(['launch-engine'])
  })
  it('a page at a time, the newest first, and how many there are', async () => {
    const all = await ask('')
    expect(all.found).toBe(4)
    expect((await ask('', { limit: 2, skip: 2 })).jobs.map(({ id }) => id)).toEqual(all.jobs.slice(2).map(({ id }) => id))
    expect(all.jobs.at(-1)!.id).toBe('muller')
  })
})
