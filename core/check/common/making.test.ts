import { expect, it } from 'vitest'
import { mm } from '../../quantity/length'
import { checkKind } from '../registry'
import { ratesOf } from './making'

it('what work costs is known as far as it was said, and only of a kind that asks for it', () => {
  const stage = checkKind('torque-preload')
  const said = { ...stage.defaultSetup, hour: '4000', rubbed: String(mm(0.02)), ground: '' }
  expect(ratesOf(stage, said)).toEqual({ hour: 4000, rubbed: mm(0.02), ground: null })
  expect(ratesOf(stage, { ...said, hour: '', rubbed: '', ground: '900' })).toEqual({ hour: null, rubbed: null, ground: 900 })
  expect(ratesOf(checkKind('taper-hub'), said)).toBeNull()
})
