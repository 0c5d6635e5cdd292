// The record of ten thousand jobs: to find in it, to see how a figure drifts, to print a report of it, to copy it and bring it back.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Worksheet } from '#core/worksheet/worksheet'
import { FindDto } from '#shared/dto/find'
import { schema } from '../../server/database/from-source'
import { restoreBackup } from '../../server/backup/restore'
import { writeBackupFile } from '../../server/backup/write'
import { openDatabase, type Database } from '../../server/database/client'
import { find, readUp } from '../../server/find/find'
import { importWorksheet } from '../../server/import/worksheet'
import { reportPdf } from '../../server/report/pdf'
import { exportJob } from '../../server/service/export'
import { jobView } from '../../server/service/jobs'
import { reportOf } from '../../server/service/report'
import { trendsOfUnit } from '../../server/service/trends'
import { jobsFile, median, timed } from './scale'

const JOBS = Number(process.env.JOBS ?? 10_000)
const A_FILE = 1000
const ORDERS = JOBS / 5
const p95 = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)]!
const MONTHS = 24

/** The same jobs, signed, each on a day of its own within two years. */
export function signedFile(batch: number): string {
  const worksheet = JSON.parse(jobsFile(batch, A_FILE, 3)) as Worksheet
  const dayOf = (n: number) => new Date(Date.UTC(2024, 9, 1) + ((n * 7919) % (MONTHS * 30)) * 86_400_000).toISOString()
  return JSON.stringify({
    ...worksheet,
    jobs: worksheet.jobs.map((job, i) => {
      const at = dayOf(batch * A_FILE + i)
      return {
        ...job,
        cameIn: at.slice(0, 10),
        meterReading: Math.round((Date.parse(at) - Date.UTC(2024, 9, 1)) / 86_400_000) * 3,
        checks: job.checks.map(check => ({
          ...check,
          title: 'Input shaft end play',
          signOff: { at, by: ['T. Marl', 'A. Skua'][i % 2]!, reason: null, core: '2.1.0' },
        })),
      }
    }),
  })
}

/** Orders of two sizes each, which came, for checks that fitted them since. */
export async function ordersMade(db: Database): Promise<void> {
  await db.rows(
    `INSERT INTO purchase (id, supplier, reference, ordered_on) SELECT 'o' || n, 'Supplier ' || n % 40, 'REF ' || n, '2025-03-04' FROM generate_series(1, $1) n`,
    [ORDERS],
  )
  await db.rows(
    `INSERT INTO order_line (id, lot_id, pieces, check_id, place, purchase_id, settled_at)
    SELECT 'l' || n, (SELECT id FROM lot ORDER BY id LIMIT 1), 1, c.id, 'pack', 'o' || (n + 1) / 2, now()
    FROM generate_series(1, 2 * $1::integer) n JOIN (SELECT id, row_number() OVER (ORDER BY id) AS i FROM checks) c ON c.i = n`,
    [ORDERS],
  )
  await db.rows(`INSERT INTO receipt (id, line_id, lot_id) SELECT 'r' || id, id, lot_id FROM order_line`)
}

export async function recordFigures(say: (line: string) => void): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'finitum-record-'))
  const db = await openDatabase(join(folder, 'database'), schema)
  try {
    for (let batch = 0; batch < JOBS / A_FILE; batch++) await importWorksheet(db, signedFile(batch), false)
    await ordersMade(db)
    say(`\nRecord: ${JOBS} jobs, ${ORDERS} orders`)
    await db.rows('INSERT INTO job_unread SELECT id FROM job ON CONFLICT DO NOTHING')
    const [all] = await timed(1, () => readUp(db))
    say(`  words of all jobs worked out anew: ${(all! / 1000).toFixed(1)} s`)
    // The peer: the same texts gone through one by one.
    const scan = await timed(10, () =>
      db.rows(
        "SELECT job.id FROM job JOIN unit ON unit.id = job.unit_id WHERE strpos(lower(unit.name || ' ' || job.title), $1) > 0 ORDER BY job.created_at DESC LIMIT 20",
        ['service 4711'],
      ),
    )
    for (const [name, words] of [
      ['one word of all', 'service'],
      ['one of few', '4711'],
      ['an order, by its number', 'ref 1711'],
      ['the beginning of a word, and a person', 'serv skua'],
      ['nothing, so all', ''],
      ['what is not there', 'zebra'],
    ] as const) {
      const times = await timed(20, () => find(db, Object.assign(new FindDto(), { words })))
      say(
        `  find, ${name}: median ${median(times).toFixed(1)} ms, p95 ${p95(times).toFixed(1)} ms, ${(median(times) / median(scan)).toFixed(1)} times going through names and titles alone`,
      )
    }
    const { unit } = await jobView(db, 'j0')
    const page = await timed(5, () => jobView(db, 'j0'))
    const trends = await timed(10, () => trendsOfUnit(db, unit.id))
    say(
      `  trends of a unit of ${JOBS / 40} services: median ${median(trends).toFixed(1)} ms, ${(median(trends) / median(page)).toFixed(1)} times a page of a job`,
    )
    const face = (weight: string) =>
      readFileSync(join(process.cwd(), `node_modules/@expo-google-fonts/inter/${weight}/Inter_${weight}.ttf`))
    const faces = { regular: face('400Regular'), bold: face('700Bold') }
    const sheet = await timed(10, () => exportJob(db, 'j77'))
    const pdf = await timed(10, async () => reportPdf(await reportOf(db, 'j77', { length: 'page', check: null }), 'A4', faces))
    say(
      `  a report of one page as PDF: first ${pdf[0]!.toFixed(0)} ms, median ${median(pdf).toFixed(0)} ms, ${(median(pdf) / median(sheet)).toFixed(1)} times its worksheet`,
    )
    const path = join(folder, 'backup.gz')
    const [written] = await timed(1, () => writeBackupFile(db, path))
    const other = await openDatabase(join(folder, 'other'), schema)
    const [restored] = await timed(1, () => restoreBackup(other, path, schema))
    await other.close()
    say(
      `  backup of all: ${(written! / 1000).toFixed(1)} s, ${(readFileSync(path).length / 1e6).toFixed(0)} MB; restored and gone through in ${(restored! / 1000).toFixed(1)} s, ${(restored! / written!).toFixed(1)} times as long`,
    )
  } finally {
    await db.close()
    rmSync(folder, { recursive: true, force: true })
  }
}
