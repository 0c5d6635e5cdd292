import { expect, it } from 'vitest'
import { lotOf as made } from '../../tests/pieces'
import { thou } from '../quantity/length'
import { lotMap } from './lot'
import { orderWords, stackingOrder } from './stacking'

const lots = lotMap([
  ...[2, 10, 20, 32].map(size => made(`p${size}`, thou(size))),
  made('sprung', thou(9), { shape: 'sprung' }),
  made('stepped', thou(32), { shape: 'stepped' }),
])
const pack = (...ids: string[]) => [...new Set(ids)].map(lotId => ({ lotId, count: ids.filter(id => id === lotId).length }))
const cap = { between: ['pin', 'cap'], pair: false } as const

it('a sprung shim lies last against the cap, a stepped spacer last with its step to the bearing, thin ones inside', () => {
  expect(stackingOrder(pack('sprung', 'p10', 'p2', 'p20'), lots)).toEqual(['p20', 'p2', 'p10', 'sprung'])
  expect(orderWords(pack('sprung', 'p10', 'p2', 'p20'), lots, cap)).toBe('Thin ones inside; the sprung one last, against the cap.')
  expect(stackingOrder(pack('stepped', 'p32'), lots)).toEqual(['p32', 'stepped'])
  expect(orderWords(pack('stepped', 'p32'), lots, { between: ['sleeve', 'upper cone'], pair: false })).toBe(
    'The stepped one last, its step to the upper cone.',
  )
})
it('of a pair one each side; where any order will do nothing is said', () => {
  expect(orderWords(pack('p10', 'p10'), lots, { between: ['groove', 'joint'], pair: true })).toBe('One each side.')
  expect(orderWords(pack('p10', 'p20'), lots, cap)).toBe('')
  expect(orderWords(pack('p10', 'p20', 'p32'), lots, cap)).toBe('')
  expect(orderWords([], lots, cap)).toBe('')
})
