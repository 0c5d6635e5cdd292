import { Worker } from 'node:worker_threads'
import source from 'virtual:import-reader'
import { refuse } from '../http/refuse'
import { Cancelled } from './progress'
import type { Answer, Calls, Question } from './reader'

/** The reader’s calls as they are from here. */
export type Reader = { readonly [Name in keyof Calls]: (...args: Parameters<Calls[Name]>) => Promise<ReturnType<Calls[Name]>> }

/** No file that is let in needs as much; one that does must not take the program with it. */
const MEMORY_MB = 512

/**
 * A worker that reads a file, for as long as the work takes; it ends with it, or when the signal comes.
 * @throws Cancelled; a refusal when the file wants more memory than it may have
 */
export async function withReader<Result>(
  signal: AbortSignal | undefined,
  work: (reader: Reader) => Promise<Result>,
  memory = MEMORY_MB,
): Promise<Result> {
  if (signal?.aborted) throw new Cancelled()
  const worker = new Worker(source, { eval: true, resourceLimits: { maxOldGenerationSizeMb: memory } })
  let fail!: (error: Error) => void
  const failed = new Promise<never>((_, reject) => (fail = reject))
  failed.catch(() => undefined)
  worker.on('error', (error: Error & { code?: string }) =>
    fail(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? refuse(413, 'The file takes more memory to read than it may.') : error),
  )
  const cancel = () => fail(new Cancelled())
  signal?.addEventListener('abort', cancel)
  const waiting = new Map<number, (answer: Answer) => void>()
  worker.on('message', (answer: Answer) => {
    waiting.get(answer.id)?.(answer)
    waiting.delete(answer.id)
  })
  let asked = 0
  const ask = async (call: keyof Calls, args: unknown[]) => {
    const question: Question = { id: ++asked, call, args }
    const answered = new Promise<Answer>(resolve => waiting.set(question.id, resolve))
    worker.postMessage(question)
    const answer = await Promise.race([answered, failed])
    if ('fault' in answer) throw new Error(answer.fault)
    return answer.value
  }
  const reader = new Proxy({} as Reader, {
    get:
      (_, call) =>
      (...args: unknown[]) =>
        ask(call as keyof Calls, args),
  })
  try {
    return await work(reader)
  } finally {
    signal?.removeEventListener('abort', cancel)
    await worker.terminate()
  }
}
