import { setImmediate as breathe } from 'node:timers/promises'
import type { Database, Sql } from './client'

/** So long statements may follow each other before whoever else asks is heard. */
const TURN_MS = 10

/**
 * The embedded database answers without the event loop having turned: a hundred statements one after the other would keep everybody
 * waiting, and a cancel unheard. After one that ends later than this in its turn of the loop, the loop turns.
 */
export class Turns {
  private since: number | null = null

  async taking<Answer>(statement: Promise<Answer>): Promise<Answer> {
    if (this.since === null) {
      this.since = performance.now()
      setImmediate(() => {
        this.since = null
      })
    }
    const answer = await statement
    if (this.since !== null && performance.now() - this.since > TURN_MS) await breathe()
    return answer
  }
}

/** A transaction takes items until so long: others wait no longer than that, and one item. */
const TRANSACTION_MS = 15

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
      const until = performance.now() + TRANSACTION_MS
      do await work(sql, items[done++]!)
      while (done < items.length && performance.now() < until)
    })
    after(done)
  }
}
