// A workshop of ten thousand jobs: what the lists, a check and an import cost there.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { readWorksheet } from '#core/worksheet/read'
import type { WorksheetJob } from '#core/worksheet/worksheet'
import { schema } from '../../server/database/from-source'
import { openDatabase, type Database } from '../../server/database/client'
import { jobList } from '../../server/database/book'
import { find } from '../../server/find/find'
import { checkView } from '../../server/service/check-view'
import { historyOf } from '../../server/service/history'
import { stockView } from '../../server/service/stock'
import { withSnapshot } from '../../server/database/snapshot'
import { families, usesOfLot } from '../../server/database/uses'
import { logReading } from '../../server/service/check-commands'
import { Cancelled } from '../../server/import/progress'
import { importWorksheet } from '../../server/import/worksheet'
import { FindDto } from '#shared/dto/find'
import { JobQueryDto } from '#shared/dto/job'
import { nm } from '#core/quantity/length'
import { largeFigures } from './large'

const root = process.cwd()
const JOBS = Number(process.env.JOBS ?? 10_000)
const A_FILE = 1000
const READINGS = 10
const p95 = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)]!
export const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!

/** So many jobs of one check with so many readings each, made from the demo's first. */
export function jobsFile(batch: number, count = A_FILE, readings = READINGS): string {
  const reading = readWorksheet(readFileSync(join(root, 'demo/1-mail-launch.worksheet.json'), 'utf8'))
  if (!reading.ok) throw new Error(reading.faults[0]!.reason)
  const { worksheet } = reading
  const check = worksheet.jobs[0]!.checks.find(({ id }) => id === 'launch-input')!
  const [trial] = check.trials
  const jobs = Array.from({ length: count }, (_, i): WorksheetJob => {
    const n = batch * count + i
    return {
      id: `j${n}`,
      unit: { name: `Unit ${n % 40}`, description: '' },
      title: `Service ${n}`,
      notes: '',
      parts: [],
      checks: [
        {
          ...check,
          id: `c${n}`,
          title: `${check.title} ${n % 7}`,
          signOff: null,
          parts: {},
          laps: [],
          ticks: [],
          partChanges: [],
          history: {},
          trials: [
            {
              ...trial!,
              id: `t${n}`,
              readings: Array.from({ length: readings }, (__, r) => ({
                id: `r${n}-${r}`,
                point: 'travel',
                start: nm(0),
                far: nm(500_000 + ((n * 7919 + r * 104_729) % 60) * 1000),
                back: nm(0),
                order: r + 1,
              })),
            },
          ],
        },
      ],
    }
  })
  return JSON.stringify({ ...worksheet, jobs })
}

export async function timed(times: number, work: (i: number) => Promise<unknown>): Promise<number[]> {
  const all: number[] = []
  for (let i = 0; i < times; i++) {
    const t = performance.now()
    await work(i)
    all.push(performance.now() - t)
  }
  return all
}

/**
 * An import, and how long somebody else waited for a page who asked for it all the while.
 * @param until  the share of its readings after which it is cancelled
 */
async function importedBesideOthers(db: Database, text: string, until = Infinity): Promise<{ took: number; waits: number[] }> {
  const t = performance.now()
  const waits: number[] = []
  const stop = new AbortController()
  let going = true
  const bringing = importWorksheet(db, text, false, {
    signal: stop.signal,
    said: ({ done, of }) => done >= of * until && stop.abort(),
  })
    .catch((error: Error) => {
      if (!(error instanceof Cancelled)) throw error
    })
    .finally(() => {
      going = false
    })
  while (going) {
    // From when it was due: a loop that does not turn makes them wait too.
    const due = performance.now() + 50
    await new Promise(resolve => setTimeout(resolve, 50))
    await db.reading(sql => jobList(sql, new JobQueryDto()))
    waits.push(performance.now() - due)
  }
  await bringing
  return { took: performance.now() - t, waits }
}

export async function scaleFigures(say: (line: string) => void): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'finitum-scale-'))
  try {
    await databaseFigures(folder, say)
    await largeFigures(folder, JOBS, say)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/** The shop filled, and what its lists, a check and an import cost. */
async function databaseFigures(folder: string, say: (line: string) => void): Promise<void> {
  const db: Database = await openDatabase(join(folder, 'database'), schema)
  try {
    const imports: number[] = []
    let longest = 0
    for (let batch = 0; batch < JOBS / A_FILE; batch++) {
      const { took, waits } = await importedBesideOthers(db, jobsFile(batch))
      longest = Math.max(longest, ...waits)
      imports.push(took)
    }
    say(`\nScale: ${JOBS} jobs, ${JOBS * READINGS} readings, in files of ${A_FILE} jobs`)
    say(
      `  import of ${A_FILE} jobs: median ${(median(imports) / 1000).toFixed(1)} s, last ${(imports.at(-1)! / 1000).toFixed(1)} s; longest wait of somebody else meanwhile ${longest.toFixed(0)} ms`,
    )
    const large = await importedBesideOthers(db, jobsFile(1e6, 20, 2000))
    say(
      `  import of 40,000 readings: ${(large.took / 1000).toFixed(1)} s; somebody else waited p95 ${p95(large.waits).toFixed(0)} ms, at most ${Math.max(...large.waits).toFixed(0)} ms`,
    )
    for (const [what, file] of [
      ['600 jobs', jobsFile(1e5, 600)],
      ['20,000 readings', jobsFile(2e6, 10, 2000)],
    ] as const) {
      const { took, waits } = await importedBesideOthers(db, file, 0.8)
      say(
        `  import of ${what}, cancelled near its end: gone in ${(took / 1000).toFixed(1)} s; somebody else waited p95 ${p95(waits).toFixed(0)} ms, at most ${Math.max(...waits).toFixed(0)} ms`,
      )
    }
    const query = (asked: Partial<JobQueryDto>) => Object.assign(new JobQueryDto(), asked)
    const none = await timed(40, () => db.rows('SELECT 1'))
    say(`  a statement that does nothing: median ${median(none).toFixed(2)} ms`)
    const page = await jobList(db, query({}))
    for (const [name, asked] of [
      ['first page', {}],
      ['page in the middle', { skip: JOBS / 2 }],
      ['found by text', { find: 'service 77' }],
      ['found by a check’s name', { find: 'play 3' }],
      ['of a state', { state: 'above' }],
      ['finished', { state: 'finished' }],
    ] as const) {
      const times = await timed(20, () => jobList(db, query(asked as Partial<JobQueryDto>)))
      say(`  jobs, ${name}: median ${median(times).toFixed(1)} ms, p95 ${p95(times).toFixed(1)} ms`)
    }
    say(`  the first page is ${(JSON.stringify(page).length / 1000).toFixed(1)} kB`)
    const checks = await timed(60, i => checkView(db, `c${(i * 149) % JOBS}`))
    say(
      `  a check: median ${median(checks).toFixed(1)} ms, p95 ${p95(checks).toFixed(1)} ms, ${(median(checks) / median(none)).toFixed(0)} times a statement that does nothing`,
    )
    const writes = await timed(30, async i => {
      const id = `c${(i * 151) % JOBS}`
      const { version, document } = await checkView(db, id)
      await logReading(db, id, {
        op: `op${i}`,
        version,
        id: `new${i}`,
        trialId: document.trials[0]!.id,
        point: 'travel',
        start: nm(0),
        far: nm(512_000),
        back: nm(0),
        at: '2026-05-04T08:00:00.000Z',
      })
    })
    const figures = async (name: string, times: number, work: () => Promise<unknown>): Promise<void> => {
      const first = await work()
      const all = await timed(times, work)
      say(
        `  ${name}: median ${median(all).toFixed(1)} ms, p95 ${p95(all).toFixed(1)} ms, ${(JSON.stringify(first).length / 1000).toFixed(1)} kB`,
      )
    }
    await figures('the drawer', 10, () => stockView(db))
    await figures('what one size is used for', 10, () => usesOfLot(db, 'cover-10', null))
    await figures('the families of the drawer', 10, () => families(db))
    await figures('found by two words', 10, () => find(db, Object.assign(new FindDto(), { words: 'input service' })))
    await figures('what was done to a job', 10, () => historyOf(db, 'j77'))
    const held: number[] = []
    for (let i = 0; i < 3; i++) {
      const began = performance.now()
      await withSnapshot(db, folder, () => Promise.resolve(held.push(performance.now() - began)))
    }
    say(`  a copy of its files, while whoever writes waits: median ${median(held).toFixed(0)} ms`)
    say(`  a check and a reading stored: median ${median(writes).toFixed(1)} ms, p95 ${p95(writes).toFixed(1)} ms`)
    const cpus: number[] = []
    for (let i = 0; i < 5; i++) {
      const before = process.cpuUsage()
      await importWorksheet(db, jobsFile(20_000 + i, 100), false)
      const { user, system } = process.cpuUsage(before)
      cpus.push((user + system) / 1000 / 100)
    }
    say(`  a file of 100 jobs: median ${median(cpus).toFixed(1)} ms of processor a job`)
  } finally {
    await db.close()
  }
}
