import { describe, expect, it } from 'vitest'
import { nm } from '../quantity/length'
import { defineKind } from './define-kind'
import { celsius, choice, count, fieldFault, fieldsFor, length, lengthIn, price, readSetup, type SetupField } from './setup'

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
  it('reads each value back as what it is, and what was never asked as it is at first', () => {
    const described = {
      way: choice({
        label: 'Way',
        options: [
          { value: 'dial', label: 'Dial' },
          { value: 'strip', label: 'Strip' },
        ],
        initial: 'dial',
      }),
      positions: count({ label: 'How many', least: 1, most: 12, initial: 4 }),
      master: length({ label: 'Master', least: nm(1), optional: true }),
      spread: length({ label: 'Spread', least: nm(0), initial: nm(2_540) }),
      at: celsius({ label: 'At' }),
      labour: price({ label: 'Labour' }),
    }
    expect(readSetup(described, {})).toEqual({ way: 'dial', positions: 4, master: null, spread: 2_540, at: 20, labour: null })
    const said = { way: 'strip', positions: '2', master: '48002000', spread: '', at: '68 F', labour: '1250' }
    expect(readSetup(described, said)).toEqual({ way: 'strip', positions: 2, master: 48_002_000, spread: null, at: 20, labour: 1_250 })
    expect(lengthIn({ master: '48002000' }, 'master')).toBe(48_002_000)
    expect(lengthIn({ master: '' }, 'master')).toBeNull()
  })
  it('a default that is no choice does not compile', () => {
    // @ts-expect-error: tape is not among the options
    choice({ label: 'Way', options: [{ value: 'dial', label: 'Dial' }], initial: 'tape' })
  })
})

describe('a kind', () => {
  const kind = defineKind({
    id: 'made-up',
    title: 'Made up',
    about: 'For this test.',
    under: 'any',
    by: [],
    plausible: nm(1),
    safety: null,
    fields: {
      shelves: count({ label: 'Shelves', least: 0, most: 9, initial: 2 }),
      lined: choice({
        label: 'Lined',
        options: [
          { value: 'yes', label: 'Yes' },
          { value: 'no', label: 'No' },
        ],
        initial: 'no',
      }),
      with: length({ label: 'With', least: nm(1), optional: true }),
    },
    asked: { with: setup => setup.lined === 'yes' },
    parts: setup => Array.from({ length: setup.shelves }, (_, i) => ({ id: String(i), label: setup.lined })),
    results: () => [],
    points: () => [],
    places: () => [],
    procedure: () => [],
    suspicions: () => [],
    combine: () => [],
    // @ts-expect-error: there is no such option
    thumb: setup => (setup.lined === 'perhaps' ? null : null),
  })
  it('is written by its own fields, and known to the rest by texts', () => {
    expect(kind.defaultSetup).toEqual({ shelves: '2', lined: 'no', with: '' })
    expect(kind.setupFields.map(field => [field.id, field.kind])).toEqual([
      ['shelves', 'count'],
      ['lined', 'choice'],
      ['with', 'length'],
    ])
    expect(kind.parts({ shelves: '3', lined: 'yes' })).toEqual(['0', '1', '2'].map(id => ({ id, label: 'yes' })))
    expect(fieldsFor(kind.setupFields, { lined: 'yes' }).map(field => field.id)).toContain('with')
    expect(fieldsFor(kind.setupFields, { lined: 'no' }).map(field => field.id)).not.toContain('with')
    expect(fieldFault(kind.setupFields, 'lined', 'perhaps')).toContain('not a choice')
  })
})
