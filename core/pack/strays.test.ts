import { expect, it } from 'vitest'
import { nm, thou } from '../quantity/length'
import { lotOf } from '../../tests/pieces'
import { lotUncertainty, type Lot } from './lot'
import { strayOf, withStrays } from './strays'

/** Sizes of one family, each measured so far off its mark. */
const family = (offs: readonly number[], more: Partial<Lot> = {}): Lot[] =>
  offs.map((off, i) => lotOf(`m${i}`, thou(10 + i), { family: 'shims', measured: nm(thou(10 + i) + off), ...more }))
const stranger = lotOf('x', thou(50), { family: 'shims', measured: null })
const of = (id: string, drawer: readonly Lot[]) => withStrays(drawer).find(lot => lot.id === id)!

it('ten sizes that were marked and measured tell how far the others may be off', () => {
  // On paper: √((5·3000² + 5·4000²)/10) = √12.5e6 = 3535.5.
  const ten = family([3000, -3000, 3000, -3000, 3000, 4000, -4000, 4000, 4000, -4000])
  expect(strayOf(ten)).toBe(3536)
  expect(lotUncertainty(of('x', [...ten, stranger]))).toBe(3536)
  // Nine do not, and half a thou is assumed: 12.7 µm ÷ √3.
  expect(strayOf(ten.slice(1))).toBeNull()
  expect(lotUncertainty(of('x', [...ten.slice(1), stranger]))).toBeCloseTo(7332.3, 0)
})

it('a maker’s word stands, another family does not tell, and nothing is surer than a micrometer', () => {
  const ten = family([0, 0, 0, 0, 0, 0, 0, 0, 0, 0])
  expect(strayOf(ten)).toBe(1000)
  const vouched = { ...stranger, tolerance: { plus: nm(6000), minus: nm(0) } }
  expect(lotUncertainty(of('x', [...ten, vouched]))).toBeCloseTo(3000 / Math.sqrt(3), 6)
  expect(of('x', [...ten, { ...stranger, family: 'rings' }]).stray).toBeUndefined()
  // All marked 1 thou under what they are: the mark is off as a whole, and that counts.
  expect(strayOf(family(Array<number>(10).fill(25_400)))).toBe(25_400)
  // Within a one-sided tolerance the middle is what is reckoned with: 0 to +6, 3 over is not off.
  expect(strayOf(family(Array<number>(10).fill(3000), { tolerance: { plus: nm(6000), minus: nm(0) } }))).toBe(1000)
})
