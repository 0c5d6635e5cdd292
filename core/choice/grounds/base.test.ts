import { expect, it } from 'vitest'
import { weightedBase } from './base'

it('bases weigh by their own u, and figures that claim none still come to one', () => {
  // On paper: weights 1 and 1/4, (2·1 + 7·¼)/1.25 = 3, u = 1/√1.25.
  const mean = weightedBase([
    { base: 2, u: 1 },
    { base: 7, u: 2 },
  ])
  expect([mean.value, mean.u, mean.chiSquare]).toEqual([3, expect.closeTo(0.8944, 4), expect.closeTo(1 + 4, 9)])
  expect(
    weightedBase([
      { base: 10, u: 0 },
      { base: 20, u: 0 },
    ]).value,
  ).toBe(15)
})
