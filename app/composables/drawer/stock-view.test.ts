import { describe, expect, it } from 'vitest'
import type { StockLot } from '#core/shop/shop'
import type { StockView } from '#shared/types'
import { thou } from '#core/quantity/length'
import { lotOf } from '../../../tests/pieces'
import { withChange, withPart } from './stock-view'

const lot = (id: string, more: Partial<StockLot> = {}): StockLot => ({
  ...lotOf(id, thou(10)),
  version: 1,
  supplier: '',
  article: '',
  ...more,
})
const view = (lots: readonly StockLot[], more: Partial<StockView> = {}): StockView => ({
  lots,
  of: null,
  more: null,
  uses: [],
  gone: [],
  coming: [],
  ...more,
})
const ids = ({ lots }: StockView) => lots.map(({ id }) => id)

describe('the list of sizes after a write', () => {
  const [a, b, c] = [lot('a', { family: 'B' }), lot('b', { family: 'B' }), lot('c', { family: 'C' })]
  it('has what was changed in place of what was there, and what is new where it belongs', () => {
    const counted = { ...b, onHand: 7, version: 2 }
    const fresh = lot('z', { family: 'A' })
    const after = withChange(view([a, b, c]), view([counted, fresh], { of: ['b', 'z'] }))
    expect(ids(after)).toEqual(['z', 'a', 'b', 'c'])
    expect(after.lots[2]).toEqual(counted)
    expect(after.of).toBeNull()
  })
  it('puts what is not measured after what is, of one size', () => {
    const [measured, marked] = [lot('m'), lot('a', { measured: null })]
    expect(ids(withChange(view([marked]), view([measured], { of: ['m'] })))).toEqual(['m', 'a'])
  })
  it('has not what went, and told apart pieces that went back are only history', () => {
    const after = withChange(view([a, b, c], { gone: ['c', 'b'] }), view([a], { of: ['a', 'b'], gone: ['a'] }))
    expect([ids(after), after.gone]).toEqual([
      ['a', 'c'],
      ['c', 'a'],
    ])
  })
  it('has a size once that moved on to the next part while it came', () => {
    const first = view([a, b], { more: 2, gone: ['b'] })
    const whole = withPart(first, view([b, c], { gone: ['b', 'c'] }))
    expect([ids(whole), whole.gone, whole.more]).toEqual([['a', 'b', 'c'], ['b', 'c'], null])
  })
  it('is the answer itself where nothing was listed, or all of it is', () => {
    expect(ids(withChange(null, view([a], { of: ['a'] })))).toEqual(['a'])
    expect(ids(withChange(view([a, b]), view([c])))).toEqual(['c'])
  })
})
