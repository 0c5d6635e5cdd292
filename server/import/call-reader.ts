import { Worker } from 'node:worker_threads'
import source from 'virtual:import-reader'
import { refuse } from '../http/refuse'
import { Cancelled } from './progress'
import type { Answer, Calls, Question } from './reader'

/** The reader’s calls as they are from here. */
export type Reader = { readonly [Name in keyof Calls]: (...args: Parameters<Calls[Name]>) => Promise<ReturnType<Calls[Name]>> }

/** No file that is let in needs as much; one that does must not take the program with it. */
const MEMORY_MB = 512
/** So long a reader waits for another file: making its checks ready takes longer than most files do. */
const REST_MS = 30_000

/** A worker, and what it was asked. */
class Hired {
  private readonly worker: Worker
  private readonly waiting = new Map<number, { answered: (answer: Answer) => void; failed: (error: Error) => void }>()
  private asked = 0
  /** why it can read no more */
  broken: Error | null = null

  constructor(readonly memory: number) {
    this.worker = new Worker(source, { eval: true, resourceLimits: { maxOldGenerationSizeMb: memory } })
    this.worker.on('error', (error: Error & { code?: string }) =>
      this.fail(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? refuse(413, 'The file takes more memory to read than it may.') : error),
    )
    this.worker.on('message', (answer: Answer) => {
      this.waiting.get(answer.id)?.answered(answer)
      this.waiting.delete(answer.id)
    })
  }

  fail(error: Error): void {
    this.broken = error
    for (const { failed } of this.waiting.values()) failed(error)
    this.waiting.clear()
  }

  async ask(call: keyof Calls, args: readonly unknown[]): Promise<unknown> {
    if (this.broken) throw this.broken
    const question: Question = { id: ++this.asked, call, args }
    const answer = await new Promise<Answer>((answered, failed) => {
      this.waiting.set(question.id, { answered, failed })
      this.worker.postMessage(question)
    })
    if ('fault' in answer) throw new Error(answer.fault)
    return answer.value
  }

  /** While it rests it does not keep the program from ending. */
  resting(yes: boolean): void {
    if (yes) this.worker.unref()
    else this.worker.ref()
  }
  end = () => this.worker.terminate()
}

let rested: { readonly hired: Hired; readonly ends: NodeJS.Timeout } | null = null

function hire(memory: number): Hired {
  if (!rested || rested.hired.memory !== memory || rested.hired.broken) return new Hired(memory)
  const { hired, ends } = rested
  rested = null
  clearTimeout(ends)
  hired.resting(false)
  return hired
}

/** It keeps nothing of what it read, and ends where nobody asks for it again. */
async function letRest(hired: Hired): Promise<void> {
  await hired.ask('forget', [])
  if (rested) return void (await hired.end())
  hired.resting(true)
  const ends = setTimeout(() => {
    rested = null
    void hired.end()
  }, REST_MS)
  rested = { hired, ends: ends.unref() }
}

/**
 * A worker that reads a file, for as long as the work takes. It ends where that fails, or the signal comes; otherwise it reads the next.
 * @throws Cancelled; a refusal when the file wants more memory than it may have
 */
export async function withReader<Result>(
  signal: AbortSignal | undefined,
  work: (reader: Reader) => Promise<Result>,
  memory = MEMORY_MB,
): Promise<Result> {
  if (signal?.aborted) throw new Cancelled()
  const hired = hire(memory)
  const cancel = () => hired.fail(new Cancelled())
  signal?.addEventListener('abort', cancel)
  const reader = new Proxy({} as Reader, {
    get:
      (_, call) =>
      (...args: unknown[]) =>
        hired.ask(call as keyof Calls, args),
  })
  try {
    const result = await work(reader)
    await letRest(hired).catch(() => hired.end())
    return result
  } catch (error) {
    await hired.end()
    throw error
  } finally {
    signal?.removeEventListener('abort', cancel)
  }
}
