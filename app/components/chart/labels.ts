/** A stretch of a drawing that is taken, px. */
export interface Box {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}

/** Where a label can stand: its anchor and its base line, px. */
export interface Spot {
  readonly x: number
  readonly y: number
  readonly anchor: 'start' | 'middle' | 'end'
}

/** A label that wants a place, and its places, the best first. */
export interface Wanting {
  readonly id: string
  /** px */
  readonly width: number
  readonly size: number
  readonly spots: readonly Spot[]
}

/** Letters reach so much of their size above the base line, and below it. */
const ABOVE = 0.78
const BELOW = 0.2

export function boxOf({ x, y, anchor }: Spot, width: number, size: number): Box {
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2
  return { left, right: left + width, top: y - ABOVE * size, bottom: y + BELOW * size }
}
const clash = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

/**
 * Where labels stand so that none lies on a line or on another: each at the first of its places that is free, those that come first first.
 * @param taken  lines, and what else stands already
 * @param within  the drawing
 * @returns by id; a label that has room nowhere is not among them, and is told elsewhere
 */
export function laidOut(labels: readonly Wanting[], taken: readonly Box[], within: Box): ReadonlyMap<string, Spot> {
  const full = [...taken]
  const laid = new Map<string, Spot>()
  for (const { id, width, size, spots } of labels) {
    const free = spots.find(spot => {
      const box = boxOf(spot, width, size)
      return (
        box.left >= within.left &&
        box.right <= within.right &&
        box.top >= within.top &&
        box.bottom <= within.bottom &&
        !full.some(other => clash(box, other))
      )
    })
    if (!free) continue
    laid.set(id, free)
    full.push(boxOf(free, width, size))
  }
  return laid
}

/** A line that rises or falls, as stretches that are taken, px. */
export function alongLine([x1, y1]: readonly [number, number], [x2, y2]: readonly [number, number]): Box[] {
  const pieces = Math.max(1, Math.ceil(Math.abs(x2 - x1) / 6))
  const at = (i: number) => ({ x: x1 + ((x2 - x1) * i) / pieces, y: y1 + ((y2 - y1) * i) / pieces })
  return Array.from({ length: pieces }, (_, i) => {
    const [from, to] = [at(i), at(i + 1)]
    return {
      left: Math.min(from.x, to.x),
      right: Math.max(from.x, to.x),
      top: Math.min(from.y, to.y) - 2,
      bottom: Math.max(from.y, to.y) + 2,
    }
  })
}

/** Places beside a point that is marked, then over and under it. */
export const beside = (x: number, y: number): Spot[] => [
  { x: x + 10, y: y - 8, anchor: 'start' },
  { x: x - 10, y: y + 19, anchor: 'end' },
  { x: x + 10, y: y + 19, anchor: 'start' },
  { x: x - 10, y: y - 8, anchor: 'end' },
  ...about(x, y - 12, 160),
  ...about(x, y + 24, 160),
]

/** Places about a point, the nearest first: centred there, then further and further to either side. */
export const about = (x: number, y: number, reach: number, step = 6): Spot[] =>
  [0, ...Array.from({ length: Math.floor(reach / step) }, (_, i) => [(i + 1) * step, -(i + 1) * step]).flat()].map(by => ({
    x: x + by,
    y,
    anchor: 'middle',
  }))
