import { Matrix, SVD } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { fitCircle, ovalTakenForOffset, radians } from '#core/check/kinds/runout/circle'
import { bestForAxes, lengthOf, less, straightAt } from '#core/check/kinds/runout/dowels'
import { offsetOf, turnOf } from '#core/check/kinds/runout/turn'
import { runout } from '#core/check/kinds/runout'
import { FIELDS } from '#core/check/kinds/runout/setup'
import { readSetup } from '#core/check/setup'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { lostInCold } from '#core/check/kinds/universal-joint/evaluate'
import { mm, nm, thou } from '#core/quantity/length'
import { checkOf, figures, gauge, GAUGES, trial } from '../documents'

/** Numbers from 0 up to 1, the same for the same seed. */
function stream(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0
    return state / 2 ** 32
  }
}

/** The same by singular values: registry library. */
function bySingularValues(readings: readonly { angle: number; value: number }[]) {
  const columns = new Matrix(readings.map(({ angle }) => [1, Math.cos(radians(angle)), Math.sin(radians(angle))]))
  const [c, a, b] = new SVD(columns, { autoTranspose: true }).solve(Matrix.columnVector(readings.map(({ value }) => value))).to1DArray()
  return { c: c!, a: a!, b: b! }
}

describe('least-squares circle (ISO 12181-2) against singular values', () => {
  it('at random angles, marks missing', () => {
    const draw = stream(11)
    for (let round = 0; round < 300; round++) {
      const all = Array.from({ length: 8 }, (_, i) => i * 45_000)
      const some =
        round % 2 ? all.filter(() => draw() > 0.3) : Array.from({ length: 3 + Math.floor(draw() * 20) }, () => Math.floor(draw() * 360_000))
      if (new Set(some).size < 3) continue
      const readings = [...new Set(some)].map(angle => ({ angle, value: Math.round((draw() - 0.5) * 1e6) }))
      const [own, other] = [fitCircle(readings)!, bySingularValues(readings)]
      const spread = Math.max(...readings.map(({ value }) => Math.abs(value)))
      const worth = Math.max(1, ...own.weights.a.map(Math.abs), ...own.weights.b.map(Math.abs)) * spread
      for (const key of ['c', 'a', 'b'] as const) expect(Math.abs(own[key] - other[key])).toBeLessThan(1e-8 * worth)
    }
  })
  it('all marks within 30°: as many digits as singular values keep', () => {
    const readings = [0, 7_000, 13_000, 22_000, 30_000].map((angle, i) => ({
      angle,
      value: 5000 + 100_000 * Math.cos(radians(angle)) - 70_000 * Math.sin(radians(angle)) + (i % 2 ? 0.001 : -0.001),
    }))
    const [own, other] = [fitCircle(readings)!, bySingularValues(readings)]
    expect(own.a).toBeCloseTo(other.a, 4)
    expect(own.b).toBeCloseTo(other.b, 4)
    expect(own.a).toBeCloseTo(100_000, 0)
  })
  it('marks all alike tell nothing', () => expect(fitCircle([0, 0, 0].map(angle => ({ angle, value: 1 })))).toBeNull())
  it('an oval is no offset on even marks, and all of one on three within a quarter turn or less', () => {
    expect(ovalTakenForOffset([0, 90_000, 180_000, 270_000])).toBeLessThan(1e-12)
    expect(ovalTakenForOffset([0, 45_000, 90_000])).toBe(1)
  })
})

describe('dowels against every clocking there is', () => {
  it('the best place on the clock, for each axis and for the offset: 720 clockings a size', () => {
    const draw = stream(12)
    for (let round = 0; round < 400; round++) {
      const wanted = { to12: (draw() - 0.5) * 1e6, to3: round % 9 === 0 ? 0 : (draw() - 0.5) * 1e6 }
      const size = 20_000 + draw() * 600_000
      const each = ({ to12, to3 }: { to12: number; to3: number }) => Math.max(Math.abs(to12), Math.abs(to3))
      const all = Array.from({ length: 720 }, (_, i) => {
        const angle = (i / 720) * 2 * Math.PI
        return less(wanted, { to12: size * Math.cos(angle), to3: size * Math.sin(angle) })
      })
      // Half a degree apart, the best of them lies no further off than a quarter of a degree moves it.
      const grid = size * ((0.25 * Math.PI) / 180) * Math.SQRT2
      const [axes, least] = [bestForAxes(wanted, size), straightAt(wanted, size)]
      expect(lengthOf(axes)).toBeCloseTo(size, 3)
      expect(each(less(wanted, axes))).toBeLessThan(Math.min(...all.map(each)) + 1e-3)
      expect(each(less(wanted, axes))).toBeGreaterThan(Math.min(...all.map(each)) - grid)
      expect(lengthOf(less(wanted, least))).toBeLessThan(Math.min(...all.map(lengthOf)) + 1e-3)
    }
  })
})

describe('uncertainty of the offset against a Monte Carlo run (JCGM 101)', () => {
  it.each([
    [[0, 90_000, 180_000, 270_000]],
    [[0, 45_000, 90_000, 135_000, 180_000, 225_000, 270_000, 315_000]],
    [[0, 100_000, 150_000, 230_000]],
  ])('marks at %j', marks => {
    // Readings known to a readable step only, and no error of the dial: its u is that of a rectangle a step wide.
    const dial = gauge('dial-indicator', thou(1), { readableFraction: 0.5, permissibleError: nm(0), repeatability: nm(0) })
    const setup = { view: 'gearbox', judged: 'once', marks: marks.join(' ') }
    const truth = (angle: number) => thou(5) * Math.cos(radians(angle)) + thou(9) * Math.sin(radians(angle))
    const readings = [
      ...marks.flatMap(mark => figures(`at-${mark}`, Math.round(truth(mark)))),
      ...figures('return', Math.round(truth(marks[0]!))),
    ]
    const e = evaluateCheck(
      checkOf('runout', { setup, gauges: { ...GAUGES, 'dial-indicator': dial }, trials: [trial('t1', readings)] }),
      [],
    )
    const own = offsetOf(turnOf(readSetup(FIELDS, { ...runout.defaultSetup, ...setup }), e.current.answers)!)
    const draw = stream(13)
    const step = thou(1) / 2
    const runs = Array.from({ length: 20_000 }, () => {
      const fit = fitCircle(marks.map(angle => ({ angle, value: truth(angle) + (draw() - 0.5) * step })))!
      return { e: Math.hypot(fit.a, fit.b), angle: Math.atan2(fit.b, fit.a) }
    })
    const deviation = (values: readonly number[]) => {
      const middle = values.reduce((sum, value) => sum + value, 0) / values.length
      return Math.sqrt(values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / (values.length - 1))
    }
    expect(own.estimate.u / deviation(runs.map(run => run.e))).toBeCloseTo(1, 1)
    expect(radians(own.angle!.u) / deviation(runs.map(run => run.angle))).toBeCloseTo(1, 1)
  })
})

describe('thermal expansion, read at 20 °C (ISO 1)', () => {
  it('alloy ears 90 mm apart on a steel joint, at −20 °C: (23 − 11.5) · 10⁻⁶ · 90 mm · 40 K', () => {
    // Coefficients of expansion of steel and of aluminium alloy: common handbook figures, from memory.
    expect(lostInCold({ ears: 'aluminium alloy', span: mm(90) }, -20)).toBeCloseTo((23e-6 - 11.5e-6) * 90e6 * 40, -2)
  })
})
