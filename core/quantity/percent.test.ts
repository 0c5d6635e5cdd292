import { expect, it } from 'vitest'
import { percent } from './percent'

it.each([
  [1, '> 99 %'],
  [0.995, '> 99 %'],
  [0.9949, '99 %'],
  [0.87, '87 %'],
  [0.005, '1 %'],
  [0.0049, '< 1 %'],
  [0, '< 1 %'],
])('a chance of %f is shown as %s', (chance, shown) => expect(percent(chance)).toBe(shown))
