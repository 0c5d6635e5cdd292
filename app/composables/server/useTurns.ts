/**
 * Several forms that write to one thing: one after the other, each onto what the one before left. What a form has on its way is not
 * taken a second time.
 */
export function useTurns() {
  const onTheirWay = new Set<string>()
  let last: Promise<unknown> = Promise.resolve()
  /** @returns what came of it; false where the same form waits for its answer */
  return async function inTurn(what: string, work: () => Promise<boolean>): Promise<boolean> {
    if (onTheirWay.has(what)) return false
    onTheirWay.add(what)
    const mine = last.then(work)
    last = mine.catch(() => undefined)
    try {
      return await mine
    } finally {
      onTheirWay.delete(what)
    }
  }
}
