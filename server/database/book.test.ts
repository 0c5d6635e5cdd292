import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { JobQueryDto } from '#shared/dto/job'
import { demo } from '../../tests/demo-files'
import { stream } from '../../tests/reference/drawers'
import { quoted, tablesOf } from '../backup/tables'
import { importStock } from '../import/drawer'
import { importWorksheet } from '../import/worksheet'
import { jobList } from './book'
import { openDatabase, type Database } from './client'
import { schema } from './from-source'
import { verify } from './verify'

interface Line {
  readonly job: string
  readonly said: string
  readonly open: boolean
  readonly title: string
  readonly state: string
  readonly signed: boolean
  readonly accepted: boolean
}

/** More than are looked up one by one. */
const COPIES = 210
let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
  await importStock(db, demo('drawer.csv'))
  await importWorksheet(db, demo('1-mail-launch.worksheet.json'), false)
  const copied = async (table: string, ids: string) => {
    const { columns } = (await tablesOf(db)).find(({ name }) => name === table)!
    const names = columns.map(quoted).join(', ')
    await db.rows(
      `INSERT INTO ${table} (${names}) SELECT ${columns.map(name => `(r.t).${quoted(name)}`).join(', ')} FROM
      (SELECT jsonb_populate_record(t, jsonb_build_object(${ids})) AS t FROM ${table} t, generate_series(1, ${COPIES - 1}) g) r`,
    )
  }
  await copied('job', "'id', 'c' || g || '-' || t.id")
  await copied('checks', "'id', 'c' || g || '-' || t.id, 'job_id', 'c' || g || '-' || t.job_id")
}, 120_000)
afterAll(() => db.close())

const query = (asked: Partial<JobQueryDto>) => Object.assign(new JobQueryDto(), asked)
/** Every check that is there, read plainly. */
const lines = () =>
  db.rows<Line>(
    `SELECT j.id AS job, lower(u.name || ' ' || j.title) AS said, j.open, lower(c.title) AS title, c.state, c.signed, c.accepted
    FROM job j JOIN unit u ON u.id = j.unit_id JOIN checks c ON c.job_id = j.id WHERE j.removed_at IS NULL AND c.removed_at IS NULL`,
  )
/** How many jobs have a check, or are called, so; and a check of that state. */
const jobsOf = (all: readonly Line[], says: (line: Line) => boolean, is: (line: Line) => boolean) =>
  [...new Set(all.filter(says).map(({ job }) => job))].filter(job => all.some(line => line.job === job && is(line))).length

describe('the book', () => {
  it('tells how many there are and how many wait, whatever is done to some of them', async () => {
    const random = stream(32)
    const some = (table: string) => `id IN (SELECT id FROM ${table} WHERE hashtext(id) % 7 = ${Math.floor(random() * 7)})`
    const changes = [
      () => `UPDATE checks SET state = 'in' WHERE ${some('checks')}`,
      () => `UPDATE checks SET state = 'to-do' WHERE ${some('checks')}`,
      () => `UPDATE checks SET state = 'above' WHERE ${some('checks')}`,
      () => `UPDATE checks SET signed = NOT signed WHERE ${some('checks')}`,
      () => `UPDATE checks SET removed_at = now() WHERE ${some('checks')}`,
      () => `UPDATE checks SET removed_at = NULL WHERE ${some('checks')}`,
      () => `UPDATE job SET removed_at = now() WHERE ${some('job')}`,
      () => `UPDATE job SET removed_at = NULL WHERE ${some('job')}`,
      () => `UPDATE job SET title = title || '.' WHERE ${some('job')}`,
    ]
    const seen = new Set<string>()
    for (let i = 0; i < 40; i++) {
      await db.rows(changes[Math.floor(random() * changes.length)]!())
      const all = await lines()
      const { counts } = await jobList(db, query({ limit: 1 }))
      expect(counts).toEqual({
        jobs: (await db.rows('SELECT 1 FROM job WHERE removed_at IS NULL')).length,
        checks: all.length,
        waiting: all.filter(({ signed, state }) => !signed && state !== 'to-do').length,
      })
      seen.add(JSON.stringify(counts))
    }
    expect(seen.size).toBeGreaterThan(15)
    expect((await verify(db)).faults).toEqual([])
    await db.rows('UPDATE book SET waiting = waiting + 1')
    expect((await verify(db)).faults).toEqual([expect.stringMatching(/^Of jobs, checks and those that wait .* are told; there are /)])
    await db.rows('SELECT count_book()')
    expect((await verify(db)).faults).toEqual([])
  }, 60_000)

  it('lists those of a state and those that say a word, few or many, page by page, each once', async () => {
    await db.rows('UPDATE job SET removed_at = NULL')
    await db.rows("UPDATE checks SET removed_at = NULL, signed = false, accepted = false, state = 'in'")
    await db.rows("UPDATE checks SET state = 'above', title = 'Rare one' WHERE id = 'c7-launch-input'")
    await db.rows("UPDATE checks SET accepted = true, state = 'below', signed = true WHERE id = 'c9-launch-input'")
    await db.rows("UPDATE checks SET signed = true WHERE job_id = (SELECT job_id FROM checks WHERE id = 'c3-launch-input')")
    const all = await lines()
    const any = () => true
    const rare = ({ said, title }: Line) => `${said} ${title}`.includes('rare')
    const asked: readonly [Partial<JobQueryDto>, says: (line: Line) => boolean, is: (line: Line) => boolean][] = [
      [{}, any, any],
      [{ state: 'open' }, any, ({ open }) => open],
      [{ state: 'finished' }, any, ({ open }) => !open],
      [{ state: 'waiting' }, any, ({ signed }) => !signed],
      [{ state: 'in' }, any, ({ signed, state }) => !signed && state === 'in'],
      [{ state: 'above' }, any, ({ signed, state }) => !signed && state === 'above'],
      [{ state: 'accepted' }, any, ({ accepted, state }) => accepted && state !== 'in'],
      [{ find: ' RARE ' }, rare, any],
      [{ find: 'launch' }, ({ said, title }) => said.includes('launch') || title.includes('launch'), any],
      [{ find: 'rare', state: 'above' }, rare, ({ signed, state }) => !signed && state === 'above'],
      [{ find: 'rare', state: 'accepted' }, rare, ({ accepted, state }) => accepted && state !== 'in'],
    ]
    for (const [what, says, is] of asked) {
      const wanted = jobsOf(all, says, is)
      const ids: string[] = []
      for (let skip = 0; skip < wanted + 20; skip += 20) {
        const page = await jobList(db, query({ ...what, skip, limit: 20 }))
        expect([what, page.found]).toEqual([what, wanted])
        ids.push(...page.jobs.map(({ id }) => id))
      }
      expect([what, new Set(ids).size, ids.length]).toEqual([what, wanted, wanted])
    }
    const [first, second] = (await jobList(db, query({ limit: 2 }))).jobs
    expect((await jobList(db, query({ skip: 1, limit: 1 }))).jobs.map(({ id }) => id)).toEqual([second!.id])
    expect(first!.id).not.toBe(second!.id)
  })

  it('begins with what was last in the hands of who asks, a page at a time, and carries on there', async () => {
    const old = await db.rows<{ id: string; job: string }>(
      `SELECT c.id, j.id AS job FROM checks c JOIN job j ON j.id = c.job_id
      WHERE j.open AND NOT c.signed AND j.removed_at IS NULL AND c.removed_at IS NULL ORDER BY j.created_at, j.id DESC LIMIT 2`,
    )
    const touched = (check: string, version: number, who: string) =>
      db.rows(`INSERT INTO event (id, subject, version, what, who) VALUES ($1 || $2::text, $1, $2::integer, 'Read', $3)`, [
        check,
        version,
        who,
      ])
    const whole = async (who: string) => {
      const pages = await Promise.all([0, 20].map(skip => jobList(db, query({ who, skip, limit: 20 }))))
      return { ids: pages.flatMap(({ jobs }) => jobs.map(({ id }) => id)), first: pages[0]! }
    }
    const usual = (await whole('')).ids
    await touched(old[0]!.id, 9_001, 'Tove Marl')
    await touched(old[1]!.id, 9_001, 'Tove Marl')
    // Handed on to another, it is nobody else's.
    await touched(old[1]!.id, 9_002, 'Ask Fell')
    const hers = await whole('Tove Marl')
    expect(hers.ids).toEqual([old[0]!.job, ...usual.filter(id => id !== old[0]!.job)].slice(0, 40))
    expect(hers.first.mine).toBe(1)
    expect(hers.first.jobs[0]!.checks.map(({ id }) => id)).toContain(hers.first.next!.check.id)
    expect((await whole('Ask Fell')).ids[0]).toBe(old[1]!.job)
    const nobodys = await whole('')
    expect([nobodys.first.mine, nobodys.ids]).toEqual([0, usual])
    expect((await whole('Sigrid Holm')).ids).toEqual(usual)
  })
})
