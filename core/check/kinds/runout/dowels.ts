/** An offset of the centre, or a way it is moved: so much towards 12, so much towards 3; nm. */
export interface Offset {
  readonly to12: number
  readonly to3: number
}

export const lengthOf = ({ to12, to3 }: Offset): number => Math.hypot(to12, to3)
export const less = (from: Offset, by: Offset): Offset => ({ to12: from.to12 - by.to12, to3: from.to3 - by.to3 })
export const plus = (one: Offset, other: Offset): Offset => ({ to12: one.to12 + other.to12, to3: one.to3 + other.to3 })

/**
 * The way a pair of offset dowels of one size has to point for the least offset that is left: straight at where the centre is wanted.
 * @param wanted  how the housing has to move
 * @returns the movement of the housing, `size` long
 */
export function straightAt(wanted: Offset, size: number): Offset {
  const far = lengthOf(wanted)
  if (far === 0) return { to12: size, to3: 0 }
  return { to12: (wanted.to12 / far) * size, to3: (wanted.to3 / far) * size }
}

/** A clock is told to half a degree. */
const TOLD = 720

/**
 * The way they have to point for the least of a figure of what is left, among all that a clock can tell; where no other betters it,
 * straight at what is wanted.
 */
export function bestBy(figure: (left: Offset) => number, wanted: Offset, size: number): Offset {
  const ways = Array.from({ length: TOLD }, (_, i): Offset => {
    const angle = (2 * Math.PI * i) / TOLD
    return { to12: size * Math.cos(angle), to3: size * Math.sin(angle) }
  })
  const left = (moved: Offset) => figure(less(wanted, moved))
  return ways.reduce((best, way) => (left(way) < left(best) ? way : best), straightAt(wanted, size))
}

/**
 * The way they have to point for the smaller of the larger axis: what is left on 12 − 6 and on 3 − 9 is limited each by itself, so the
 * best place is where a square about the point that is wanted first touches the circle of the dowel.
 *
 * From outside it touches with the corner turned to the middle, (|x| − t)² + (|y| − t)² = size², or, where that corner would lie beyond
 * the middle of the other axis, with an edge; from inside always with the corner turned away.
 */
export function bestForAxes(wanted: Offset, size: number): Offset {
  const [x, y] = [Math.abs(wanted.to12), Math.abs(wanted.to3)]
  const [signX, signY] = [wanted.to12 < 0 ? -1 : 1, wanted.to3 < 0 ? -1 : 1]
  // 2t² − 2(x + y)t + x² + y² − size² = 0; t, what is left on each axis, is below zero from inside.
  const sum = x + y
  const root = Math.sqrt(Math.max(0, sum ** 2 - 2 * (x ** 2 + y ** 2 - size ** 2)))
  const left = (sum - root) / 2
  const corner = { x: x - left, y: y - left }
  const beyond = sum ** 2 < 2 * (x ** 2 + y ** 2 - size ** 2) || corner.x < 0 || corner.y < 0
  const to = beyond ? (x > y ? { x: size, y: 0 } : { x: 0, y: size }) : corner
  return { to12: signX * to.x, to3: signY * to.y }
}
