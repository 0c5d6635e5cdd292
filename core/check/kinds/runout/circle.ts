import { TURN } from '../../../quantity/marks'

/** The figure read at a mark, thousandths of a degree clockwise from 12. */
export interface AtAngle {
  readonly angle: number
  readonly value: number
}

/**
 * The least-squares circle through readings at known angles: r(θ) = c + a·cos θ + b·sin θ + rest.
 * a points to 12, b to 3.
 */
export interface Circle {
  readonly c: number
  readonly a: number
  readonly b: number
  /** what is left at each mark */
  readonly rest: readonly number[]
  /** c, a and b as sums of the readings: what each reading weighs in them, for their uncertainty */
  readonly weights: { readonly c: readonly number[]; readonly a: readonly number[]; readonly b: readonly number[] }
}

export const radians = (angle: number): number => (angle / TURN) * 2 * Math.PI
/** The angle of a direction with so much towards 12 and so much towards 3, thousandths of a degree, from 0 up to a turn. */
export function angleOf(to12: number, to3: number): number {
  const angle = Math.round((Math.atan2(to3, to12) / (2 * Math.PI)) * TURN)
  return (angle + TURN) % TURN
}

/**
 * Source: least-squares reference circle, ISO 12181-2 (as far as the centre goes: readings about a mean radius). Solved by orthogonal
 * columns, each made orthogonal twice, so that marks close together cost no digits.
 * @returns null where the marks do not tell three unknowns apart
 */
export function fitCircle(readings: readonly AtAngle[]): Circle | null {
  const n = readings.length
  if (n < 3) return null
  const columns = [
    readings.map(() => 1),
    readings.map(({ angle }) => Math.cos(radians(angle))),
    readings.map(({ angle }) => Math.sin(radians(angle))),
  ]
  const q: number[][] = []
  const r = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ]
  for (const [j, column] of columns.entries()) {
    const left = [...column]
    for (let pass = 0; pass < 2; pass++) {
      for (const [i, before] of q.entries()) {
        const share = dot(before, left)
        r[i]![j]! += share
        for (let k = 0; k < n; k++) left[k]! -= share * before[k]!
      }
    }
    const length = Math.sqrt(dot(left, left))
    if (length < 1e-9) return null
    r[j]![j] = length
    q.push(left.map(value => value / length))
  }
  // Rows of R⁻¹Qᵀ, from the last up.
  const b = q[2]!.map(value => value / r[2]![2]!)
  const a = q[1]!.map((value, k) => (value - r[1]![2]! * b[k]!) / r[1]![1]!)
  const c = q[0]!.map((value, k) => (value - r[0]![1]! * a[k]! - r[0]![2]! * b[k]!) / r[0]![0]!)
  const values = readings.map(({ value }) => value)
  const [at, bt, ct] = [dot(a, values), dot(b, values), dot(c, values)]
  return {
    c: ct,
    a: at,
    b: bt,
    rest: readings.map((_, i) => values[i]! - ct - at * columns[1]![i]! - bt * columns[2]![i]!),
    weights: { c, a, b },
  }
}

const dot = (one: readonly number[], other: readonly number[]): number => one.reduce((sum, value, i) => sum + value * other[i]!, 0)

/**
 * How much of an oval (two high spots a turn) these marks would take for an offset: 0 where they lie evenly, 1 where all of it.
 */
export function ovalTakenForOffset(marks: readonly number[]): number {
  const worst = [0, 1].map(phase => {
    const fit = fitCircle(marks.map(angle => ({ angle, value: Math.cos(2 * radians(angle) - (phase * Math.PI) / 2) })))
    return fit ? Math.hypot(fit.a, fit.b) : 1
  })
  return Math.min(1, Math.max(...worst))
}
