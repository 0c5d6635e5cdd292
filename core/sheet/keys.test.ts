import { describe, expect, it } from 'vitest'
import { checkOf } from '../../tests/documents'
import { checkKinds } from '../check/registry'
import { zeroWordsAt } from '../check/evaluate/none-said'
import type { Unit } from '../quantity/figure'
import { sheetOf } from './cells'
import { takes } from './keys'

/** The letters that command something while a cell has the cursor. */
const COMMANDS = ['Z', 'V', 'O', 'X', 'Y', 'E', 'H', 'C', 'U', 'A']
const ZERO = [
  { value: 'none-felt', label: 'none felt' },
  { value: 'binds', label: 'binds' },
]

describe('what a key means in a cell', () => {
  // text, unit, words: the keys that write there, and those that command
  it.each<[string, Unit | null, typeof ZERO, string, string]>([
    ['', 'thou', [], '0123456789.,-+−½', 'mituzvoxyeca '],
    ['18', 'thou', [], '019.,/½-+mitu ', 'zvoxyecabncghp'],
    ['18 ', 'thou', [], '1mitu ', 'zvxyec'],
    ['18 t', 'thou', [], 'he', 'zv'],
    ['18 th', 'mm', [], 'o', 'ezvu'],
    ['0.45m', 'mm', [], 'mi', 'zvu'],
    ['5-6', 'thou', [], '.t', 'zv'],
    ['2', 'thou', [], ':', 'zv'],
    ['1.2', 'N·m', [], 'nikf', 'zvuxyc'],
    ['1.2 in', 'N·m', [], '·l -', 'zv'],
    ['4', 'kgf', [], 'nklo', 'zvux'],
    ['20', '°C', [], 'cfd°', 'zvu'],
    ['', 'thou', ZERO, '1nb', 'zvoxyec '],
    ['n', 'thou', ZERO, 'o', 'zve'],
    ['none', 'thou', ZERO, '- ', 'zv'],
    ['binds', 'thou', ZERO, ' ', 'zv'],
    ['binds ', 'thou', ZERO, 'a', ''],
    ['binds at 3', 'thou', ZERO, '5nz', ''],
    [
      '',
      null,
      [
        { value: 'knock', label: 'a knock' },
        { value: 'free', label: 'free' },
      ],
      'kf1',
      'azvx ',
    ],
    ['kn', null, [{ value: 'knock', label: 'a knock' }], 'o', 'zve'],
  ])('%j in %s with %j: %j writes, %j commands', (text, unit, words, writes, commands) => {
    for (const key of writes) expect([key, takes({ unit, words }, text, key)]).toEqual([key, true])
    for (const key of commands) expect([key, takes({ unit, words }, text, key)]).toEqual([key, false])
  })

  it('no word begins like a command that is due in its cell', () => {
    for (const kind of checkKinds) {
      const document = checkOf(kind.id)
      for (const { point } of sheetOf(document).cells) {
        const words = [...(point.words ?? []), ...zeroWordsAt(kind.results(document.setup), point)]
        for (const letter of COMMANDS)
          expect([kind.id, point.id, letter, takes({ unit: null, words }, '', letter.toLowerCase())]).toEqual([
            kind.id,
            point.id,
            letter,
            false,
          ])
      }
    }
  })
})
