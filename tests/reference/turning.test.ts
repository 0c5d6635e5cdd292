import { describe, expect, it } from 'vitest'
import { springScale, torquePerForce } from '#core/method/spring-scale/way'
import { quantityOf, unitsOf } from '#core/quantity/figure'
import { GAUGES, ranges } from '../documents'
import { stream } from './drawers'

// M = F·r by a spring scale, against a Monte Carlo run (JCGM 101:2008, 7): the scale’s zero and its reading each anywhere within a step,
// its permissible error, the radius anywhere within a millimetre.
describe.each([
  [0.2 * 9_806_650, 0, 150],
  [0.05 * 9_806_650, 0, 150],
  [0.05 * 9_806_650, 0.1 * 9_806_650, 60],
  [0.02 * 9_806_650, 0.01 * 9_806_650, 12],
])('a scale in steps of %d µN, permissible error %d µN, at %d mm', (step, error, radius) => {
  const pull = 12e6
  const gauge = { ...GAUGES['spring-scale'], graduation: Math.round(step) as never, permissibleError: Math.round(error) as never }
  const { estimate } = springScale.answer(ranges('turning', [pull, pull], [pull, pull], [pull, pull]), {
    gauge,
    band: null,
    unit: 'mm',
    tipAngle: 0,
    pooled: null,
    jaws: null,
    heat: null,
    counting: 'smallest',
    radius: (radius * 1e6) as never,
  })
  const draw = stream(radius * 1000 + Math.round(step))
  const uniform = (half: number) => (2 * draw() - 1) * half
  const runs = Array.from(
    { length: 200_000 },
    () => (pull + uniform(step / 2) - uniform(step / 2) + uniform(error)) * torquePerForce(radius * 1e6 + uniform(1e6)),
  )
  const middle = runs.reduce((sum, run) => sum + run, 0) / runs.length
  const spread = Math.sqrt(runs.reduce((sum, run) => sum + (run - middle) ** 2, 0) / (runs.length - 1))
  it('has the torque and the standard uncertainty that the run has', () => {
    expect(estimate!.value / middle).toBeCloseTo(1, 3)
    expect(estimate!.u / spread).toBeCloseTo(1, 1.7)
  })
})

describe('the units of a quantity', () => {
  it('never mix', () => {
    expect(unitsOf('torque')).toEqual(['N·m', 'in·lb', 'ft·lb', 'kgf·cm'])
    expect(unitsOf('force')).toEqual(['N', 'kgf', 'lbf', 'oz'])
    for (const unit of unitsOf('length')) expect(quantityOf(unit)).toBe('length')
  })
})
