import { expect, it } from 'vitest'
import { money, parseMoney } from './money'

it.each([
  ['12', 1200],
  ['12.5', 1250],
  ['12,05', 1205],
  ['0', 0],
  [' 7 ', 700],
  ['', null],
  ['x', undefined],
  ['-3', undefined],
  ['1.234', undefined],
])('“%s” is %s coins', (text, coins) => expect(parseMoney(text)).toBe(coins))
it('prints what it reads', () => expect([money(1205), money(0), money(null)]).toEqual(['12.05', '0.00', 'no price']))
