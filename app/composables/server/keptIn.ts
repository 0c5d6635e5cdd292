import { ascending } from 'd3-array'
import type { LibraryLimit } from '#core/check/library'
import type { RegisteredGauge } from '#shared/types'

/** A list with one thing as it is now, where the server’s own order has it. @param by  what it is ordered by, in turn */
function keptIn<Item extends { readonly id: string }>(list: readonly Item[], one: Item, by: (item: Item) => readonly string[]): Item[] {
  const others = list.filter(({ id }) => id !== one.id)
  const before = (a: readonly string[], b: readonly string[]) => a.reduce((order, text, i) => order || ascending(text, b[i]), 0)
  const at = others.findIndex(other => before(by(one), by(other)) < 0)
  return at < 0 ? [...others, one] : others.toSpliced(at, 0, one)
}

export const inRegister = (gauges: readonly RegisteredGauge[], one: RegisteredGauge) => keptIn(gauges, one, g => [g.kind, g.name, g.id])
export const inLibrary = (entries: readonly LibraryLimit[], one: LibraryLimit) =>
  keptIn(entries, one, e => [e.kind, e.type, e.name.toLowerCase(), e.id])
