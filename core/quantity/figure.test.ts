import { expect, it } from 'vitest'
import { formatChange } from './figure'
import { thou } from './length'

it('an uncertainty that is something is never written as nothing', () => {
  expect(formatChange(thou(0.04), 'thou')).toBe('0.04')
  expect(formatChange(thou(0.04), 'thou', { unit: true })).toBe('0.04 thou')
  expect(formatChange(thou(0.0096), 'thou')).toBe('0.010')
  expect(formatChange(-thou(0.04), 'thou', { sign: true })).toBe('−0.04')
  // What shows as it is stays as it is; too little to matter is nothing; asked for decimals are kept.
  expect(formatChange(thou(0.05), 'thou')).toBe('0.1')
  expect(formatChange(thou(2), 'thou')).toBe('2.0')
  expect(formatChange(thou(0.0001), 'thou')).toBe('0.0')
  expect(formatChange(0, 'thou')).toBe('0.0')
  expect(formatChange(thou(0.04), 'thou', { decimals: 1 })).toBe('0.0')
  expect(formatChange(4e7, 'N·m')).toBe('0.04')
  expect(formatChange(4e6, 'N·m')).toBe('0.004')
})
