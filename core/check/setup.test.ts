import { describe, expect, it } from 'vitest'
import { nm } from '../quantity/length'
import { countIn, fieldFault, fieldsFor, lengthIn, type SetupField } from './setup'

const fields: SetupField[] = [
  {
    id: 'way',
    kind: 'choice',
    label: 'Way',
    options: [
      { value: 'dial', label: 'Dial' },
      { value: 'strip', label: 'Strip' },
    ],
  },
  { id: 'positions', kind: 'count', label: 'How many', least: 1, most: 12 },
  { id: 'master', kind: 'length', label: 'Master', least: nm(1), optional: true, when: setup => setup.way === 'dial' },
  { id: 'pin', kind: 'length', label: 'Pin', least: nm(0) },
]

describe('the choices of a set-up', () => {
  it.each([
    ['way', 'strip'],
    ['positions', '1'],
    ['positions', '12'],
    ['master', ''],
    ['master', '48002000'],
    ['pin', '0'],
  ])('takes %s = “%s”', (id, value) => expect(fieldFault(fields, id, value)).toBeNull())
  it.each([
    ['way', 'laser', 'not a choice'],
    ['positions', '0', 'from 1 to 12'],
    ['positions', '13', 'from 1 to 12'],
    ['positions', '2.5', 'whole number'],
    ['positions', '', 'whole number'],
    ['master', '0', 'above zero'],
    ['master', '-5', 'above zero'],
    ['master', '48.002', 'whole number of nanometres'],
    ['master', '1e9', 'whole number of nanometres'],
    ['pin', '', 'A figure is needed'],
    ['pin', '-1', 'too small'],
    ['colour', 'red', 'no such field'],
  ])('refuses %s = “%s”', (id, value, reason) => expect(fieldFault(fields, id, value)).toContain(reason))
  it('asks only what the other choices call for', () => {
    expect(fieldsFor(fields, { way: 'dial' }).map(field => field.id)).toEqual(['way', 'positions', 'master', 'pin'])
    expect(fieldsFor(fields, { way: 'strip' }).map(field => field.id)).toEqual(['way', 'positions', 'pin'])
  })
  it('reads counts and lengths back', () => {
    expect(countIn({ positions: '4' }, 'positions')).toBe(4)
    expect(countIn({}, 'positions')).toBe(0)
    expect(lengthIn({ master: '48002000' }, 'master')).toBe(48_002_000)
    expect(lengthIn({ master: '' }, 'master')).toBeNull()
  })
})
