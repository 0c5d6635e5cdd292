import { expect, it } from 'vitest'
import { thou } from '../../quantity/length'
import type { RangeReading } from '../../reading/reading'
import { feel } from './way'

const context = { band: null, counting: undefined, unit: 'thou' } as never
const judged = (low: number, high: number) =>
  feel.answer([{ id: 'r', low: thou(low), high: thou(high) } as RangeReading], context).estimate!

it('a hand judges a range, and a judgement of one figure is a thou wide all the same', () => {
  expect([judged(15, 20).value, judged(15, 20).u / thou(1)]).toEqual([thou(17.5), expect.closeTo(5 / Math.sqrt(12), 9)])
  expect(judged(15, 15).u / thou(1)).toBeCloseTo(1 / Math.sqrt(12), 9)
})
