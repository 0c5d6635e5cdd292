import { describe, expect, it } from 'vitest'
import { thou } from '../quantity/length'
import type { Lot } from './lot'
import { bySize, bySupplier, nextToArrive, outstanding, waitingOf, type OrderLine } from './order-list'
import { lotOf } from '../../tests/pieces'

const lot = (size: number, { supplier = 'Ring maker', ...more }: Partial<Lot & { supplier: string }> = {}) => ({
  ...lotOf(`s${size}`, thou(size), { family: 'rings', measured: null, onHand: 0, cost: 100, leadDays: 4, ...more }),
  supplier,
})
const lots = new Map(
  [lot(60), lot(59), lot(61, { supplier: '' }), lot(62, { cost: null }), lot(5, { supplier: 'Bearing store', leadDays: null })].map(one => [
    one.id,
    one,
  ]),
)
const line = (id: string, lotId: string, pieces: number, more: Partial<OrderLine> = {}): OrderLine => ({
  ...{ id, lotId, pieces, arrived: 0, purchase: null, cancelled: null },
  ...more,
})

describe('the order list', () => {
  it('is one row a size, thin to thick, with all it is for', () => {
    const sizes = bySize([line('a', 's60', 2), line('b', 's59', 1), line('c', 's60', 3, { arrived: 1 })], lots)
    expect(sizes.map(({ lotId, pieces, arrived, outstanding: open }) => [lotId, pieces, arrived, open])).toEqual([
      ['s59', 1, 0, 1],
      ['s60', 5, 1, 4],
    ])
    expect(sizes[1]!.lines.map(({ id }) => id)).toEqual(['a', 'c'])
  })
  it('is by supplier, nobody’s last; a sum only where every price is known, a day only where every delivery is', () => {
    const lists = bySupplier([line('a', 's61', 1), line('b', 's60', 2), line('c', 's59', 1), line('d', 's5', 4)], lots)
    expect(lists.map(({ supplier, price, leadDays }) => [supplier, price, leadDays])).toEqual([
      ['Bearing store', 400, null],
      ['Ring maker', 300, 4],
      ['', 100, 4],
    ])
    expect(bySupplier([line('a', 's62', 1), line('b', 's60', 1)], lots)[0]!.price).toBeNull()
    expect(bySupplier([line('a', 's60', 1, { purchase: 'p' })], lots)).toEqual([])
    // A size that is not in the drawer any more.
    expect(bySupplier([line('a', 'gone', 1)], lots)[0]).toMatchObject({ supplier: '', price: null, leadDays: null })
  })
  it('gives what comes to checks before the drawer, first come first served', () => {
    const of = (id: string, check: string | null, more: Partial<OrderLine> = {}) => ({ ...line(id, 's60', 2, more), check })
    expect(nextToArrive([of('drawer', null), of('late', 'c2'), of('later', 'c3')])?.id).toBe('late')
    expect(nextToArrive([of('drawer', null), of('late', 'c2', { arrived: 2 })])?.id).toBe('drawer')
    expect(nextToArrive([of('gone', 'c1', { cancelled: 'none made any more' })])).toBeUndefined()
    expect(outstanding(line('x', 's60', 3, { arrived: 1, cancelled: 'no' }))).toBe(0)
  })
})

describe('a check that waits', () => {
  const of = (more: Partial<OrderLine> & { due?: string | null }) => ({ due: null, ...line('x', 's60', 2, more), ...more })
  it.each([
    ['is not waiting for nothing', [], null],
    ['until all is ordered', [of({ purchase: 'p', due: '2026-05-04' }), of({})], { state: 'wanted', pieces: 4, due: null }],
    [
      'for the last of them',
      [of({ purchase: 'p', due: '2026-05-09', arrived: 1 }), of({ purchase: 'q', due: '2026-05-10' })],
      { state: 'ordered', pieces: 3, due: '2026-05-10' },
    ],
    [
      'no more when all came, or what did',
      [of({ purchase: 'p', arrived: 2 }), of({ purchase: 'p', cancelled: 'no' })],
      { state: 'here', pieces: 0, due: null },
    ],
    ['in vain', [of({ purchase: 'p', cancelled: 'no' })], { state: 'not-coming', pieces: 0, due: null }],
  ] as const)('%s', (_, lines, waiting) => expect(waitingOf(lines)).toEqual(waiting))
})
