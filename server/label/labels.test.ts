import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import jsQR from 'jsqr'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { SHEETS, placeOn } from '#core/label/sheets'
import { openDatabase, type Database } from '../database/client'
import type { Refused } from '../http/refuse'
import { importStock } from '../import/drawer'
import { importWorksheet } from '../import/worksheet'
import { changeJob, createJob } from '../service/jobs'
import { figureArticles, scanned } from '../service/codes'
import { labelsOf } from '../service/labels'
import { labelsPdf } from './pdf'
import { schema } from '../database/from-source'
import { demo } from '../../tests/demo-files'

const face = (weight: string) =>
  readFileSync(new URL(`../../node_modules/@expo-google-fonts/inter/${weight}/Inter_${weight}.ttf`, import.meta.url))
const faces = { regular: face('400Regular'), bold: face('700Bold') }
const home = mkdtempSync(join(tmpdir(), 'finitum-labels-'))
let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  await importStock(db, demo('drawer.csv'))
  await importWorksheet(db, demo('90-mail-launch-services.worksheet.json'), false)
}, 60_000)
afterAll(async () => {
  await db.close()
  rmSync(home, { recursive: true })
})
const saidBy = (work: Promise<unknown>) => work.then(() => null).catch((error: Refused) => error.refusal.faults[0]!.reason)
const sheet = 'a4-24'

describe('labels', () => {
  it('say what a thing is, with a code that is its own for good and leads back to it', async () => {
    const of = [
      { thing: 'job' as const, id: 'launch-s6' },
      { thing: 'bag' as const, id: 'launch-s3-input' },
      { thing: 'size' as const, id: 'cover-4' },
      { thing: 'gauge' as const, id: 'dial-thou' },
    ]
    const labels = await labelsOf(db, { of, sheet })
    expect(labels.map(({ title }) => title)).toEqual(['Mail launch', 'Taken out', '4 thou', 'Dial, 1 thou'])
    expect(labels[2]!.lines).toEqual(['Cover shims', '0.102 mm', 'measured 3.9 thou'])
    expect(labels[0]!.lines).toEqual(['Service at 5,590 hours', 'L-26/22', 'in 2026-07-06'])
    expect(labels[1]!.lines).toContain('Pack under the cover: 6')
    expect(labels[3]!.lines[0]).toBe('never checked')
    expect((await labelsOf(db, { of, sheet })).map(({ code }) => code)).toEqual(labels.map(({ code }) => code))
    for (const [i, { code }] of labels.entries()) expect(await scanned(db, code)).toMatchObject({ thing: of[i]!.thing, id: of[i]!.id })
    expect((await scanned(db, labels[1]!.code)).path).toBe('/checks/launch-s3-input')
  })
  it('of nothing, or a code that was read wrong, are refused', async () => {
    expect(await saidBy(labelsOf(db, { of: [{ thing: 'set', id: 'launch-s3-input' }], sheet }))).toBe('This check makes no matched set.')
    expect(await saidBy(labelsOf(db, { of: [{ thing: 'bag', id: 'launch-s1-input' }], sheet }))).toBe(
      'Nothing was taken out in this check.',
    )
    expect(await saidBy(labelsOf(db, { of: [{ thing: 'gauge', id: 'no-such' }], sheet }))).toBe('There is no such gauge.')
    const { code } = (await labelsOf(db, { of: [{ thing: 'job', id: 'launch-s6' }], sheet }))[0]!
    expect(
      await saidBy(
        scanned(
          db,
          code.replace(/.$/, last => (last === '0' ? '1' : '0')),
        ),
      ),
    ).toContain('read wrong')
  })
  it('of somebody else are looked up: an article, a size, a gauge by its name', async () => {
    expect(await saidBy(scanned(db, '4006381333931'))).toBe('Nothing here goes by “4006381333931”.')
    await db.rows(
      "UPDATE lot SET article = CASE id WHEN 'cover-4' THEN '6204' WHEN 'cover-5' THEN 'FZV-5' ELSE 'FZV-X' END WHERE id LIKE 'cover-%'",
    )
    const size = { thing: 'size', id: 'cover-5', path: '/stock?pick=cover-5', name: expect.stringContaining('5 thou') as string }
    expect(await scanned(db, ' fzv-5 ')).toEqual(size)
    expect(await scanned(db, 'COVER-5')).toEqual(size)
    expect(await scanned(db, 'dial, 1 thou')).toMatchObject({ thing: 'gauge', id: 'dial-thou', path: '/gauges?pick=dial-thou' })
    expect(await saidBy(scanned(db, 'FZV-X'))).toContain('open the one that is meant')
    // What a reading field has to know of beforehand: articles that read as a figure.
    expect(await figureArticles(db)).toEqual([expect.objectContaining({ article: '6204', thing: 'size', id: 'cover-4' })])
  })
  it.each(SHEETS.map(({ id }) => id))('on %s can be read by a camera where they lie, and their text by a reader', async id => {
    const labels = await labelsOf(db, {
      of: [
        { thing: 'job', id: 'launch-s6' },
        { thing: 'size', id: 'cover-4' },
      ],
      sheet: id,
    })
    const path = join(home, `${id}.pdf`)
    const on = SHEETS.find(candidate => candidate.id === id)!
    const skip = on.columns * on.rows > 1 ? 1 : 0
    writeFileSync(path, await labelsPdf(labels, id, skip, faces))
    expect(execFileSync('pdftotext', [path, '-'], { encoding: 'utf8' })).toContain(labels[0]!.code)
    execFileSync('pdftoppm', ['-r', '200', '-png', path, join(home, id)])
    const pages = readdirSync(home)
      .filter(name => name.startsWith(`${id}-`) && name.endsWith('.png'))
      .sort()
    expect(pages).toHaveLength(skip ? 1 : 2)
    for (const [i, { code }] of labels.entries()) {
      const { page, x, y } = placeOn(on, skip + i)
      const dot = 200 / 25.4
      const [left, top] = [Math.round(x * dot), Math.round(y * dot)]
      const { data, info } = await sharp(join(home, pages[page]!))
        .extract({ left, top, width: Math.floor(on.width * dot) - 1, height: Math.floor(on.height * dot) - 1 })
        .ensureAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true })
      expect(jsQR(new Uint8ClampedArray(data), info.width, info.height)?.data, code).toBe(code)
    }
  })
  it('longer than their label say so; letters the faces have not are refused', async () => {
    await createJob(db, {
      op: 'l1',
      id: 'long',
      unit: 'The long-range hydrographic survey launch of the outer skerries station',
      title: 'x'.repeat(120),
    })
    await changeJob(db, 'long', {
      op: 'l2',
      version: 1,
      reference: 'a reference that nobody would write on a label of this size at all',
      cameIn: '2026-01-01',
    })
    const [label] = await labelsOf(db, { of: [{ thing: 'job', id: 'long' }], sheet: 'letter-30' })
    expect(label!.cut).toBe(true)
    expect((await labelsOf(db, { of: [{ thing: 'job', id: 'launch-s6' }], sheet: 'letter-30' }))[0]!.cut).toBe(false)
    await createJob(db, { op: 'l3', id: 'kanji', unit: '港の船', title: 'Service' })
    const foreign = await labelsOf(db, { of: [{ thing: 'job', id: 'kanji' }], sheet })
    expect(() => labelsPdf(foreign, sheet, 0, faces)).toThrow('has letters that the PDF cannot set')
  })
})
