import { setImmediate as breathe } from 'node:timers/promises'
import type { Database, Sql } from '../database/client'
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

/** Imports into a database come one after the other, and let others in after every statement or transaction. */
export function inTurn<Answer>(db: Database, work: (gently: Database) => Promise<Answer>): Promise<Answer> {
  const mine = (last.get(db) ?? Promise.resolve()).then(() => work(gentle(db)))
  last.set(
    db,
    mine.catch(() => undefined),
  )
  return mine
}

/** The database answers without the loop having turned: whoever else asks, and a cancel, would not be heard before the end. */
function gentle(db: Database): Database {
  const then = async <Answer>(answer: Promise<Answer>): Promise<Answer> => {
    const had = await answer
    await breathe()
    return had
  }
  return {
    ...db,
    rows: (statement, values) => then(db.rows(statement, values)),
    prepared: (statement, values) => then(db.prepared(statement, values)),
    transaction: work => then(db.transaction(work)),
  }
}

/** A transaction takes items until so long: others wait no longer than that, and one item. */
const TURN_MS = 15

/** Does something with each item, in transactions as long as others may wait. @param after  told after each of them how many are done */
export async function byTurns<Item>(
  db: Database,
  items: readonly Item[],
  work: (sql: Sql, item: Item) => Promise<unknown>,
  after: (done: number) => void = () => undefined,
): Promise<void> {
  let done = 0
  while (done < items.length) {
    await db.transaction(async sql => {
      const until = performance.now() + TURN_MS
      do await work(sql, items[done++]!)
      while (done < items.length && performance.now() < until)
    })
    after(done)
  }
}
