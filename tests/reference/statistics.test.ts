import { jStat } from 'jstat'
import { linearRegression, standardDeviation as populationDeviation } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { combine } from '#core/reading/budget'
import { learnedSlope, type LearnedSlope } from '#core/choice/grounds/learned-slope'
import { mean, quadrature, standardDeviation } from '#core/reading/statistics'
import { CHI_SQUARE_95, coverageFactor, normalCdf, normalQuantile, studentCdf, studentQuantile } from '#core/reading/student'
import { NM_PER } from '#core/quantity/length'

describe('JCGM 100:2008, the guide to uncertainty', () => {
  it('H.1, end-gauge: u_c = 32 nm, ν_eff = 16, k99 = 2.92, U99 = 93 nm', () => {
    const { u, nu, k, U } = combine(
      [
        { u: 25, nu: 18 },
        { u: 9.7, nu: 25.6 },
        { u: 2.9, nu: 50 },
        { u: 16.6, nu: 2 },
      ],
      0.99,
    )
    expect(Math.round(u)).toBe(32)
    expect(nu).toBe(16)
    expect(k).toBeCloseTo(2.92, 2)
    expect(Math.abs(U - 93)).toBeLessThan(0.6)
  })
  it.each([
    [1, 12.71],
    [2, 4.3],
    [3, 3.18],
    [4, 2.78],
    [5, 2.57],
    [10, 2.23],
    [20, 2.09],
    [Infinity, 1.96],
  ])('table G.2: t95 of %d degrees of freedom is %d', (nu, t) => expect(coverageFactor(nu)).toBeCloseTo(t, 2))
  it('a probability of 0 or 1 has no quantile', () => {
    for (const p of [0, 1, -0.1, 1.1, NaN]) expect(() => studentQuantile(p, 3)).toThrow(RangeError)
  })
  it('table G.2, one-sided: ν = 2 is 2.92', () => expect(studentQuantile(0.95, 2)).toBeCloseTo(2.92, 2))
})

describe('ISO 14253-1:2017 (from memory) and JCGM 106', () => {
  it('95 % conformity guards 1.65 u_c, the quantile rounded up', () => expect(Math.ceil(normalQuantile(0.95) * 100) / 100).toBe(1.65))
})

describe('international yard and pound agreement, 1959', () => {
  it('an inch is 25.4 mm exactly', () => {
    expect(NM_PER.in).toBe(25.4 * NM_PER.mm)
    expect(NM_PER.in).toBe(1000 * NM_PER.thou)
    expect(NM_PER.thou).toBe(10 * NM_PER.tenth)
  })
})

describe('NIST StRD, univariate', () => {
  it('NumAcc1', () => {
    const values = [10000001, 10000003, 10000002]
    expect(mean(values)).toBe(10000002)
    expect(standardDeviation(values)).toBe(1)
  })
  it('NumAcc4: s = 0.1 under an offset of ten million', () => {
    const values = [10000000.2, ...Array.from({ length: 500 }, () => [10000000.1, 10000000.3]).flat()]
    expect(mean(values)).toBeCloseTo(10000000.2, 7)
    expect(standardDeviation(values)).toBeCloseTo(0.1, 8)
  })
  it('Michelso: a hundred measurements of the speed of light', () => {
    const values = [
      850, 740, 900, 1070, 930, 850, 950, 980, 980, 880, 1000, 980, 930, 650, 760, 810, 1000, 1000, 960, 960, 960, 940, 960, 940, 880, 800,
      850, 880, 900, 840, 830, 790, 810, 880, 880, 830, 800, 790, 760, 800, 880, 880, 880, 860, 720, 720, 620, 860, 970, 950, 880, 910, 850,
      870, 840, 840, 850, 840, 840, 840, 890, 810, 810, 820, 800, 770, 760, 740, 750, 760, 910, 920, 890, 860, 880, 720, 840, 850, 850, 780,
      890, 840, 780, 810, 760, 810, 790, 810, 820, 850, 870, 870, 810, 740, 810, 940, 950, 800, 810, 870,
    ].map(v => 299 + v / 1000)
    expect(values).toHaveLength(100)
    expect(mean(values)).toBeCloseTo(299.8524, 10)
    expect(standardDeviation(values)).toBeCloseTo(0.0790105478190518, 12)
  })
})

describe('NIST StRD, linear regression: Norris', () => {
  const data = [
    [0.1, 0.2],
    [338.8, 337.4],
    [118.1, 118.2],
    [888.0, 884.6],
    [9.2, 10.1],
    [228.1, 226.5],
    [668.5, 666.3],
    [998.5, 996.3],
    [449.1, 448.6],
    [778.9, 777.0],
    [559.2, 558.2],
    [0.3, 0.4],
    [0.1, 0.6],
    [778.1, 775.5],
    [668.8, 666.9],
    [339.3, 338.0],
    [448.9, 447.5],
    [10.8, 11.6],
    [557.7, 556.0],
    [228.3, 228.1],
    [998.0, 995.8],
    [888.8, 887.6],
    [119.6, 120.2],
    [0.3, 0.3],
    [0.6, 0.3],
    [557.6, 556.8],
    [339.3, 339.1],
    [888.0, 887.2],
    [998.5, 999.0],
    [778.9, 779.0],
    [10.2, 11.1],
    [117.6, 118.3],
    [228.9, 229.2],
    [668.4, 669.1],
    [449.2, 448.9],
    [0.2, 0.5],
  ] as const
  const line = () => learnedSlope(data.map(([value, thickness]) => ({ thickness, value, u: 0, uThickness: 0 })))!
  const intercept = ({ at, slope }: LearnedSlope) => at.value - slope * at.thickness
  it('intercept, slope, its deviation, and residual deviation', () => {
    expect(intercept(line())).toBeCloseTo(-0.262323073774029, 10)
    expect(line().slope).toBeCloseTo(1.00211681802045, 12)
    expect(line().uSlope).toBeCloseTo(0.429796848199937e-3, 12)
    expect(line().u(0)).toBeCloseTo(0.232818234301152, 10)
    expect(line().uNew).toBeCloseTo(0.884796396144373, 11)
  })
  it('agrees with simple-statistics', () => {
    const other = linearRegression(data.map(([y, x]) => [x, y]))
    expect(line().slope).toBeCloseTo(other.m, 12)
    expect(intercept(line())).toBeCloseTo(other.b, 9)
    const ys = data.map(([y]) => y)
    expect(standardDeviation(ys)).toBeCloseTo(populationDeviation(ys) * Math.sqrt(36 / 35), 9)
  })
})

describe('jstat, an independent implementation', () => {
  it('Student’s t both ways, over degrees of freedom and tails', () => {
    for (const nu of [1, 2, 3, 5, 9, 30, 200]) {
      for (const t of [-40, -6, -2.5, -1, -0.1, 0.3, 1.7, 4, 12]) expect(studentCdf(t, nu)).toBeCloseTo(jStat.studentt.cdf(t, nu), 7)
      for (const p of [0.005, 0.025, 0.2, 0.6, 0.975, 0.995]) expect(studentQuantile(p, nu) / jStat.studentt.inv(p, nu)).toBeCloseTo(1, 6)
    }
  })
  it('the normal distribution', () => {
    for (const z of [-8, -3, -1.96, -0.5, 0.1, 1, 2.3, 5]) expect(normalCdf(z)).toBeCloseTo(jStat.normal.cdf(z, 0, 1), 9)
  })
  it('chi-square 95 % points (table of Abramowitz & Stegun)', () => {
    for (let nu = 1; nu <= 10; nu++) expect(CHI_SQUARE_95[nu]).toBeCloseTo(jStat.chisquare.inv(0.95, nu), 2)
  })
  it('adds in quadrature', () => expect(quadrature(3, 4)).toBe(5))
})
