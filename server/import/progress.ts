import type { Database } from '../database/client'
import { Gone } from '../http/refuse'
import type { Progress } from '#shared/types'

/** Who hears how far an import is, and can end it. */
export interface Listener {
  readonly signal?: AbortSignal
  readonly said?: (progress: Progress) => void
}

export class Cancelled extends Gone {
  constructor() {
    super('The import was cancelled; nothing of it stays.')
  }
}

const last = new WeakMap<Database, Promise<unknown>>()

/** Imports into a database come one after the other. */
export function inTurn<Answer>(db: Database, work: () => Promise<Answer>): Promise<Answer> {
  const mine = (last.get(db) ?? Promise.resolve()).then(work)
  last.set(
    db,
    mine.catch(() => undefined),
  )
  return mine
}
