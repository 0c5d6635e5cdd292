import type { Nm } from '../../quantity/length'

/** Leaves that may be put together at once; more make a springy stack. Common practice. */
const MOST_LEAVES = 4

/** A stack of leaves of one set. */
export interface Stack {
  readonly total: number
  readonly leaves: readonly Nm[]
}

/**
 * Every thickness a set can make with up to `most` different leaves, each by its fewest (then thickest) leaves, in order.
 * @param sizes  leaves of the set, nm
 */
export function stacks(sizes: readonly Nm[], most = MOST_LEAVES): Stack[] {
  const set = [...new Set(sizes)].sort((a, b) => b - a)
  const best = new Map<number, readonly Nm[]>([[0, []]])
  for (const leaf of set) {
    for (const [total, leaves] of [...best]) {
      const sum = total + leaf
      const now = [...leaves, leaf]
      const present = best.get(sum)
      if (now.length <= most && (!present || now.length < present.length)) best.set(sum, now)
    }
  }
  best.delete(0)
  return [...best].map(([total, leaves]) => ({ total, leaves })).sort((a, b) => a.total - b.total)
}

/** Which leaves to take next: the nearest thicker and thinner stacks than `gap`, nm; empty when the set has none. */
export function nextLeaves(sizes: readonly Nm[], gap: number): { readonly up: readonly Nm[]; readonly down: readonly Nm[] } {
  const all = stacks(sizes)
  return { up: all.find(stack => stack.total > gap)?.leaves ?? [], down: all.findLast(stack => stack.total < gap)?.leaves ?? [] }
}
