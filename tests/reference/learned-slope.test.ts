import { Matrix, inverse } from 'ml-matrix'
import { linearRegression } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { agreesWithNone, dragEnds, learnedSlope, thicknessFor, valueAt, type SlopePoint } from '#core/choice/grounds/learned-slope'
import { normalQuantile } from '#core/reading/student'
import { stream } from './drawers'

const point = (thickness: number, value: number, u = 0, uThickness = 0): SlopePoint => ({ thickness, value, u, uThickness })
const MM = 1e6
const NM = 1e9

describe('JCGM 100:2008, H.3, a straight line through a calibration', () => {
  const t = [21.521, 22.012, 22.512, 23.003, 23.507, 23.999, 24.513, 25.002, 25.503, 26.01, 26.511]
  const b = [-0.171, -0.169, -0.166, -0.159, -0.164, -0.165, -0.156, -0.157, -0.159, -0.161, -0.16]
  const line = learnedSlope(t.map((x, i) => point(x, b[i]!)))!
  it('its slope and its uncertainty, from the scatter', () => {
    expect(line).toMatchObject({ byScatter: true, nu: 9, count: 11 })
    expect(line.slope).toBeCloseTo(0.00218, 5)
    expect(line.uSlope).toBeCloseTo(0.00067, 5)
    expect(line.slope).toBeCloseTo(linearRegression(t.map((x, i) => [x, b[i]!])).m, 12)
  })
  it('at 30 °C −0.1494 with u = 0.0041, H.3.4; a single new one adds the scatter of 0.0035', () => {
    expect(valueAt(line, 30).value).toBeCloseTo(-0.1494, 4)
    expect(line.u(30)).toBeCloseTo(0.0041, 4)
    expect(line.uNew).toBeCloseTo(0.0035, 4)
    // t95 of 9 degrees of freedom is 2.26 (table G.2).
    expect(valueAt(line, 30).U).toBeCloseTo(2.262 * Math.hypot(0.0041, 0.0035), 3)
  })
})

// Reference library: ml-matrix. Plain least squares B = (AᵀA)⁻¹Aᵀ, of points that are not all as sure: B·V·Bᵀ (JCGM 102:2011, 6.2).
describe('a straight line, by matrices', () => {
  const draw = stream(77)
  it.each([2, 3, 5, 9])('of %d points: slope, its uncertainty, and what is expected elsewhere', count => {
    for (let round = 0; round < 50; round++) {
      const points = Array.from({ length: count }, (_, i) => {
        const thickness = 1.5 + i * 0.05 + draw() * 0.02
        return point(thickness * MM, (1 + 6 * (thickness - 1.5) + (draw() - 0.5) * 0.01) * NM, (0.02 + draw() * 0.1) * NM)
      })
      const line = learnedSlope(points)!
      const middle = points.reduce((sum, { thickness }) => sum + thickness, 0) / count
      // About the middle, in millimetres and newton metres: what is inverted is of one size.
      const design = new Matrix(points.map(({ thickness }) => [1, (thickness - middle) / MM]))
      const b = inverse(design.transpose().mmul(design)).mmul(design.transpose())
      const variances = Matrix.diag(points.map(({ u }) => (u / NM) ** 2))
      const covariance = b.mmul(variances).mmul(b.transpose())
      const best = b.mmul(Matrix.columnVector(points.map(({ value }) => value / NM)))
      expect(line.byScatter).toBe(false)
      expect((line.slope * MM) / NM / best.get(1, 0)).toBeCloseTo(1, 9)
      expect((line.uSlope * MM) / NM / Math.sqrt(covariance.get(1, 1))).toBeCloseTo(1, 9)
      const at = middle + (draw() - 0.5) * MM
      const row = new Matrix([[1, (at - middle) / MM]])
      expect(valueAt(line, at).value / NM).toBeCloseTo(row.mmul(best).get(0, 0), 9)
      expect(line.u(at) / NM / Math.sqrt(row.mmul(covariance).mmul(row.transpose()).get(0, 0))).toBeCloseTo(1, 9)
    }
  })
})

// Common practice, sizes constructed: a preload of 0.8 to 1.4 N·m is wanted.
describe('a torque and the shim it comes from', () => {
  const u = 0.02 * NM
  // As found; then with 0.10 mm of paper in the joint, which takes as much from the preload as a shim thinner by that.
  const two = learnedSlope([point(2 * MM, 1.65 * NM, u, 1000), point(1.9 * MM, 1.05 * NM, u, 1000)])!
  it('two fittings give 6 N·m per mm, the shim for 1.10 N·m, and where the drag ends', () => {
    expect((two.slope * MM) / NM).toBeCloseTo(6, 9)
    expect(two).toMatchObject({ byScatter: false, nu: Infinity })
    expect((2 * MM - thicknessFor(two, 1.1 * NM)!.thickness) / MM).toBeCloseTo(0.092, 3)
    expect((2 * MM - dragEnds(two)!.thickness) / MM).toBeCloseTo(0.275, 3)
    expect(valueAt(two, 1.75 * MM).value / NM).toBeCloseTo(0.15, 9)
  })
  it('its interval is what both readings and both pieces leave, on paper', () => {
    // Each value: 0.02 N·m and 6 × 0.001 mm; the slope of two: √2 of that over 0.1 mm.
    const each = Math.hypot(0.02, 6 * 0.001)
    expect((two.uSlope * MM) / NM).toBeCloseTo((Math.SQRT2 * each) / 0.1, 6)
    expect(two.u(1.95 * MM) / NM).toBeCloseTo(each / Math.SQRT2, 9)
    expect(thicknessFor(two, 1.35 * NM)!.U / MM).toBeCloseTo((1.96 * each) / Math.SQRT2 / 6, 4)
  })
  it('one fitting, or two of one thickness, give no slope; one that cannot be told from none gives no thickness', () => {
    expect(learnedSlope([point(2 * MM, 1.65 * NM, u)])).toBeNull()
    expect(learnedSlope([point(2 * MM, 1.65 * NM, u), point(2 * MM, 1.6 * NM, u)])).toBeNull()
    const flat = learnedSlope([point(2 * MM, 1.65 * NM, u), point(1.9 * MM, 1.62 * NM, u)])!
    expect(thicknessFor(flat, 1.1 * NM)).toBeNull()
    expect(dragEnds(flat)).toBeNull()
  })
  it('the scatter counts from four fittings on, where it is larger than what is known', () => {
    const wild = [1.65, 1.2, 1.25, 0.6].map((torque, i) => point((2 - i * 0.05) * MM, torque * NM, u))
    expect(learnedSlope(wild.slice(0, 3))!.byScatter).toBe(false)
    expect(learnedSlope(wild)).toMatchObject({ byScatter: true, nu: 2 })
    const tame = [1.65, 1.36, 1.04, 0.75].map((torque, i) => point((2 - i * 0.05) * MM, torque * NM, u))
    expect(learnedSlope(tame)).toMatchObject({ byScatter: false, nu: Infinity })
  })
  it('a fitting without drag agrees where the line has none left, and contradicts it where it has', () => {
    expect(agreesWithNone(two, 1.6 * MM)).toBe(true)
    expect(agreesWithNone(two, 1.73 * MM)).toBe(true)
    expect(agreesWithNone(two, 1.95 * MM)).toBe(false)
  })
})

// JCGM 101: the interval for the next thickness against a Monte Carlo run.
it.each([2, 3, 5])('%d fittings: 95 of 100 intervals hold the thickness that would do', count => {
  const random = stream(count)
  const normal = () => normalQuantile(random())
  const [u, uThickness, slope] = [0.03 * NM, 2_000, (6 * NM) / MM]
  const wanted = 1.9 * MM
  let held = 0
  const tries = 4000
  for (let i = 0; i < tries; i++) {
    const points = Array.from({ length: count }, (_, j) => {
      const thickness = (2 - (0.2 * j) / (count - 1)) * MM
      return point(thickness, slope * (thickness + normal() * uThickness) - 10.5 * NM + normal() * u, u, uThickness)
    })
    const next = thicknessFor(learnedSlope(points)!, slope * wanted - 10.5 * NM)
    if (next && Math.abs(next.thickness - wanted) <= next.U) held++
  }
  expect(held / tries).toBeGreaterThan(0.935)
  expect(held / tries).toBeLessThan(0.975)
})
