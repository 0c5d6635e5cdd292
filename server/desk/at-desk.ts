import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'
import type { Refusal } from '#shared/types'
import { Gone, Refused } from '../http/refuse'
import type { Listener } from '../import/progress'
import type { Asked, DeskJob, DeskJobs, Said } from './jobs'

/** So long a worker waits for the next job: it takes a second to be ready again. */
const REST_MS = 30_000

/** The worker’s file: of the build beside the server, in the source tree where builds are kept. */
const FILE = 'desk.mjs'
const KEPT = join('node_modules/.cache/finitum', FILE)
function workerFile(): string {
  for (let folder = dirname(fileURLToPath(import.meta.url)); ; folder = dirname(folder)) {
    const found = [FILE, KEPT].map(name => join(folder, name)).find(existsSync)
    if (found) return found
    if (folder === dirname(folder)) throw new Error(`${FILE} is not in the build.`)
  }
}

/** A worker, and whoever waits for the job it has in hand. */
class Clerk {
  private readonly worker = new Worker(workerFile())
  private waiting: {
    readonly gives: (value: unknown) => void
    readonly fails: (error: unknown) => void
    readonly said: Listener['said']
  } | null = null

  constructor() {
    this.worker.on('error', error => this.waiting?.fails(error))
    this.worker.on('exit', code => this.waiting?.fails(new Error(`The worker ended with ${code}.`)))
    this.worker.on('message', (message: Said) => {
      if ('progress' in message) return this.waiting?.said?.(message.progress)
      const waiting = this.waiting
      this.waiting = null
      if ('gives' in message) waiting?.gives(message.gives)
      else if ('refused' in message) waiting?.fails(new Refused(message.refused.status, message.refused.refusal as Refusal))
      else waiting?.fails(Object.assign(new Error(message.fault), message.code === undefined ? {} : { code: message.code }))
    })
  }

  do(asked: Asked, { signal, said }: Listener): Promise<unknown> {
    return new Promise((gives, fails) => {
      signal?.addEventListener('abort', () => fails(new Gone()), { once: true })
      this.waiting = { gives, fails, said }
      this.worker.postMessage(asked)
    })
  }
  /** What it was asked for is not done yet, or it cannot do any more. */
  get busy(): boolean {
    return this.waiting !== null
  }
  /** While it rests it does not keep the program from ending. */
  resting(yes: boolean): void {
    if (yes) this.worker.unref()
    else this.worker.ref()
  }
  async end(): Promise<void> {
    this.waiting = null
    await this.worker.terminate()
  }
}

let rested: { readonly clerk: Clerk; readonly ends: NodeJS.Timeout } | null = null
function hire(): Clerk {
  if (!rested) return new Clerk()
  const { clerk, ends } = rested
  rested = null
  clearTimeout(ends)
  clerk.resting(false)
  return clerk
}
function letRest(clerk: Clerk): void {
  clerk.resting(true)
  rested = { clerk, ends: setTimeout(() => void closeDesk(), REST_MS).unref() }
}

let last: Promise<unknown> = Promise.resolve()

/**
 * Has something done by a worker, after what was asked for before. Whoever asks is told how far it is; when they have gone it is broken off.
 * @throws what the work throws; Gone where it was broken off
 */
export function atDesk<Job extends DeskJob>(
  job: Job,
  given: DeskJobs[Job]['given'],
  listener: Listener = {},
): Promise<DeskJobs[Job]['gives']> {
  const mine = last.then(() => done(job, given, listener))
  last = mine.catch(() => undefined)
  return mine
}

async function done<Job extends DeskJob>(job: Job, given: DeskJobs[Job]['given'], listener: Listener): Promise<DeskJobs[Job]['gives']> {
  if (listener.signal?.aborted) throw new Gone()
  const clerk = hire()
  try {
    return (await clerk.do({ job, given }, listener)) as DeskJobs[Job]['gives']
  } finally {
    if (clerk.busy) await clerk.end()
    else letRest(clerk)
  }
}

/** No worker is left that would keep files open. */
export async function closeDesk(): Promise<void> {
  if (!rested) return
  const { clerk, ends } = rested
  rested = null
  clearTimeout(ends)
  await clerk.end()
}
