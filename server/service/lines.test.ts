import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { LINE_EXAMPLES } from '#core/line/examples'
import { answerLine } from '#core/line/answer-line'
import { readLine } from '#core/line/read-line'
import { thou } from '#core/quantity/length'
import { GAUGES } from '../../tests/documents'
import { openDatabase, type Database } from '../database/client'
import { schema } from '../database/from-source'
import { insertGauge } from '../database/gauges'
import type { Refused } from '../http/refuse'
import { keepLine } from './lines'

let db: Database
let ops = 0
const kept = (line: string, more: object = { unit: 'Mail launch', jobTitle: 'Reduction box' }) =>
  keepLine(db, { op: `op-${ops}`, id: `line-${ops++}`, line, entryUnit: 'thou', ...more })
const refused = (work: Promise<unknown>) => work.then(() => null).catch((error: unknown) => (error as Refused).refusal.faults)
const count = async (of: string) => Number((await db.rows<{ n: number }>(`SELECT count(*) AS n FROM ${of}`))[0]!.n)
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  await db.rows('DELETE FROM gauge')
})
afterAll(() => db.close())

describe('a line that is kept', () => {
  it('leaves nothing behind where something of it is refused: no gauge for its figure', async () => {
    expect(await refused(kept('quill 31, 2-4, pack 2 2 5'))).toEqual([
      expect.objectContaining({ reason: expect.stringContaining('no gauge') }),
    ])
    expect([await count('job'), await count('checks'), await count('unit'), await count('lot')]).toEqual([0, 0, 0, 0])
    for (const gauge of Object.values(GAUGES)) await insertGauge(db, gauge)
  })
  it('says what is missing, each at its field', async () => {
    expect(await refused(kept('quill 31', {}))).toEqual([expect.objectContaining({ path: 'unit' })])
    expect(await refused(kept('quill 31', { unit: 'Bus' }))).toEqual([expect.objectContaining({ path: 'jobTitle' })])
    expect(await refused(kept('quill 31', { job: 'none' }))).toEqual([expect.objectContaining({ path: 'job' })])
    // What has to be said before any piece is named is said first.
    expect(await refused(kept('end play 31, 2-4, pack 5'))).toEqual([{ path: 'line', reason: 'Which way does the pack move it?' }])
    expect(await refused(kept('31, 2-4'))).toEqual([expect.objectContaining({ path: 'line' })])
    expect(await count('job')).toBe(0)
  })
  it('is a check of a new job with the figures of the line: limits, pack and readings in place, ticks and states to do', async () => {
    const { document, job, lots, version } = await kept('quill 31 31 32, 2-4, pack 2 2 5', {
      unit: 'Mail launch',
      jobTitle: 'Reduction box',
      family: 'cover shims',
      title: 'Quill',
    })
    const { headline, conditions } = evaluateCheck(document, lots)
    // On paper: (31 + 31 + 32) / 3 = 31.33.
    expect(headline.estimate!.value).toBeCloseTo(thou(94) / 3, 0)
    expect(headline.limits.working).toMatchObject({ lower: thou(2), upper: thou(4), source: { text: 'as typed in one line' } })
    expect(document.trials[0]!.packs['pack']!.map(({ count: pieces }) => pieces)).toEqual([2, 1])
    expect([document.title, document.family, job.title]).toEqual(['Quill', 'cover shims', 'Reduction box'])
    expect([document.ticks, conditions.every(({ is }) => is === 'not-said')]).toEqual([[], true])
    // Set up, pack, three readings.
    expect(version).toBe(5)
  })
  it('goes to a job that is there; sent twice it is there once', async () => {
    const [{ id: job }] = (await db.rows<{ id: string }>('SELECT id FROM job')) as [{ id: string }]
    const twice = { op: 'twice', id: 'line-twice', line: 'crank 6 7 6 7, 4-8', entryUnit: 'thou' as const, job }
    const first = await keepLine(db, twice)
    expect((await keepLine(db, twice)).version).toBe(first.version)
    expect([await count('job'), await count('checks')]).toEqual([1, 2])
    expect(await refused(keepLine(db, { ...twice, op: 'other' }))).toEqual([expect.objectContaining({ path: 'id' })])
  })
  it.each(LINE_EXAMPLES)('says what the line said: %s', async line => {
    const { document, lots } = await kept(line)
    const said = answerLine(readLine(line, 'thou'), line, []).evaluation.headline
    const { headline } = evaluateCheck(document, lots)
    expect(headline.estimate!.value).toBe(said.estimate!.value)
    expect(headline.verdict.working?.plain).toBe(said.verdict.working?.plain)
  })
})
