import { expect, it } from 'vitest'
import { thou } from '../quantity/length'
import { saidZero, torqueUnitBeside, zeroAnswer, zeroWord } from './zero-words'

it('understands what is typed where there is no movement', () => {
  for (const text of ['none', 'None felt', ' no play ', 'nothing felt', 'n', 'none f']) expect(zeroWord(text)).toBe('none-felt')
  for (const text of ['binds', 'it binds', 'LOCKED', 'stuck', 'b', 'Bind']) expect(zeroWord(text)).toBe('binds')
  for (const text of ['3', 'bind 3', '', ' ', 'nonesuch']) expect(zeroWord(text)).toBeNull()
})
it('with the torque at which it began to bind', () => {
  expect(zeroAnswer('binds')).toEqual({ word: 'binds' })
  // 20 ft·lb = 27.116359… N·m: NIST SP 811, from memory.
  expect(zeroAnswer('it binds at 20 ft lb')).toEqual({ word: 'binds', torque: 27_116_358_967 })
  expect(zeroAnswer('binds at 30')).toEqual({ word: 'binds', torque: 30e9 })
  // In feet and pounds where lengths are in inches.
  expect(zeroAnswer('binds at 35', torqueUnitBeside('thou'))).toEqual({ word: 'binds', torque: 47_453_628_192 })
  expect(zeroAnswer('binds at 35', torqueUnitBeside('mm'))).toEqual({ word: 'binds', torque: 35e9 })
  expect(zeroAnswer('binds at noon')).toMatchObject({ fault: expect.stringContaining('is no torque') })
  expect(zeroAnswer('binds at 0')).toEqual({ fault: 'It binds at a torque above zero.' })
  for (const text of ['none at 20', '3 at 20', '12']) expect(zeroAnswer(text)).toBeNull()
})
it('counts while nothing was read since, and was not struck out', () => {
  const binds = { id: 'a', word: 'binds', torque: 30e9 } as const
  const play = { id: 'b', start: thou(0), far: thou(3), back: thou(0) }
  expect(saidZero([play, binds as never])).toMatchObject({ word: 'binds', atMost: { value: 0, words: 'it binds at 30.00 N·m' } })
  expect(saidZero([binds as never, play])).toBeNull()
  expect(saidZero([play, { ...binds, voided: { reason: 'slip' } } as never])).toBeNull()
})
