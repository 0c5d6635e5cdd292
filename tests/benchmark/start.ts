import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { openWorkshop } from '../e2e/workshop'

const STARTS = 5
const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!

/** A start on a folder that has been closed, until the first page of jobs is answered, against the bare database opening one of its own. */
export async function startFigures(say: (line: string) => void): Promise<void> {
  const shop = await openWorkshop('demo', {}, undefined, [])
  const folder = mkdtempSync(join(tmpdir(), 'finitum-bench-'))
  const own: number[] = []
  const bare: number[] = []
  try {
    await (await PGlite.create(folder)).close()
    for (let i = 0; i < STARTS; i++) {
      await shop.stop('SIGINT')
      const t0 = performance.now()
      await shop.start()
      await (await fetch(`${shop.address}/api/jobs`)).json()
      own.push(performance.now() - t0)
      const t1 = performance.now()
      const database = await PGlite.create(folder)
      await database.query('SELECT 1')
      bare.push(performance.now() - t1)
      await database.close()
    }
    say('\nStart')
    say(
      `  second start to the first page of jobs: median ${median(own).toFixed(0)} ms, ${(median(own) / median(bare)).toFixed(1)} times the bare database opening (${median(bare).toFixed(0)} ms)`,
    )
  } finally {
    await shop.stop()
    rmSync(shop.folder, { recursive: true, force: true })
    rmSync(folder, { recursive: true, force: true })
  }
}
