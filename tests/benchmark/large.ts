// The server itself on a folder of ten thousand jobs: its start, its pages, and how long what takes long holds the loop that answers.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { LINES } from '#shared/types'
import { AS_PROGRAM, openWorkshop, type Workshop } from '../e2e/workshop'
import { jobsFile, median, timed } from './scale'

/** What a process and its threads have taken of the processor so far, s. */
function cpuOf(pid: number): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').replace(/.*\) /, '').split(' ')
  const TICKS_A_SECOND = 100
  return (Number(fields[11]) + Number(fields[12])) / TICKS_A_SECOND
}

/** The longest the server’s loop was held since this was last asked, ms. */
async function held(shop: Workshop): Promise<number> {
  const said = () => [...shop.output.matchAll(/held (\d+) ms/g)]
  const before = said().length
  process.kill(shop.pid, 'SIGUSR2')
  while (said().length === before) await new Promise(resolve => setTimeout(resolve, 5))
  return Number(said().at(-1)![1])
}

/**
 * @param folder  of a workshop that nobody has open
 * @param jobs  in it
 */
export async function largeFigures(folder: string, jobs: number, say: (line: string) => void): Promise<void> {
  const began = performance.now()
  const shop = await openWorkshop('start', {}, folder, ['--import', join(process.cwd(), 'tests/benchmark/turns.mjs')])
  const get = async (path: string, options: RequestInit = {}) => {
    const answer = await fetch(shop.address + path, { ...options, headers: { ...AS_PROGRAM, ...options.headers } })
    const body = await answer.text()
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${body.slice(0, 200)}`)
    return body
  }
  try {
    await get('/api/jobs')
    say(`\nThe server, ${jobs} jobs`)
    say(
      `  start to the first page of jobs: ${((performance.now() - began) / 1000).toFixed(1)} s, ${cpuOf(shop.pid).toFixed(1)} s of processor, ${shop.peak!.toFixed(0)} MB at most`,
    )
    for (const path of [
      '/api/jobs',
      '/api/jobs?state=above',
      '/api/find?words=input%20service',
      '/api/stock',
      '/api/checks/c77',
      '/api/units',
    ]) {
      const times = await timed(15, () => get(path))
      say(`  ${path}: median ${median(times).toFixed(1)} ms, ${((await get(path)).length / 1000).toFixed(1)} kB`)
    }
    const lines = { headers: { accept: LINES } }
    const long: readonly (readonly [string, () => Promise<unknown>])[] = [
      ['nothing', () => new Promise(resolve => setTimeout(resolve, 2000))],
      ['a report as PDF', () => get('/api/jobs/j77/report.pdf', lines)],
      [
        'labels',
        () =>
          get(
            '/api/labels/pdf',
            post({ of: Array.from({ length: 200 }, (_, i) => ({ thing: 'job', id: `j${i}` })), sheet: 'a4-24', skip: 0 }, lines.headers),
          ),
      ],
      ['readings as CSV', () => get('/api/readings/csv')],
      ['a worksheet of 100 jobs read in', () => get('/api/worksheets', post(jobsFile(5000, 100), lines.headers))],
      ['a check of 20,000 readings read in', () => get('/api/worksheets', post(jobsFile(6_000_000, 10, 2000), lines.headers))],
      ['a backup', () => get('/api/backup', lines)],
      ['a copy and its trial', () => get('/api/copies', post({}, lines.headers))],
    ]
    await held(shop)
    for (const [what, work] of long) {
      const cpu = cpuOf(shop.pid)
      const t = performance.now()
      await work()
      say(
        `  ${what}: ${((performance.now() - t) / 1000).toFixed(1)} s, ${(cpuOf(shop.pid) - cpu).toFixed(1)} s of processor; held whoever asks ${await held(shop)} ms at most`,
      )
    }
  } finally {
    await shop.stop('SIGINT')
  }
}

const post = (body: unknown, headers: Readonly<Record<string, string>> = {}): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json', ...headers },
  body: typeof body === 'string' ? body : JSON.stringify(body),
})
