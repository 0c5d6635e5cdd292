import { describe, expect, it } from 'vitest'
import { nm, thou } from '../quantity/length'
import { parseLength } from '../quantity/parse-length'
import { withLotsInHand, withPieceInHand } from './in-hand'
import { inDrawerOrder, measuredText, pieceApart, pieceAsks, pieceScatter, thickness, unitMade, withSizes, type Lot } from './lot'
import { lotOf } from '../../tests/pieces'

const lot: Lot = lotOf('a', thou(18), { family: 'shims', measured: null, onHand: 6, reserved: 1, colour: 'red', cost: 40 })
const measured = (...sizes: number[]) =>
  withSizes(
    lot,
    sizes.map(size => nm(size)),
  )

describe('a piece measured', () => {
  const reads = (text: string, tolerance: Lot['tolerance'] = null) => {
    const entry = parseLength(text, 'thou', pieceAsks({ nominal: thou(10), tolerance }))
    return entry.ok ? entry.value : entry.reason
  }
  it('is asked about where it cannot be what it is marked, and else taken as it is', () => {
    // Twice the half thou that is assumed, or twice the maker’s: a 59 that is a 61 is said.
    expect([reads('10.3'), reads('9'), reads('11')]).toEqual([thou(10.3), thou(9), thou(11)])
    expect([reads('8.9'), reads('11.1')]).toEqual([expect.stringContaining('far from'), expect.stringContaining('far from')])
    expect(reads('12.9', { plus: thou(1.5), minus: thou(0) })).toBe(thou(12.9))
    expect(reads('3.2')).toBe('3.2 thou is far from what it is marked. Is that right?')
    expect(reads('-10')).toContain('less than nothing')
  })
})

describe('a drawer', () => {
  it('was made in inches or millimetres by most of its sizes', () => {
    const made = (...sizes: number[]) => unitMade(sizes.map(nominal => ({ nominal: nm(nominal) })))
    // A quarter of a thou is inches too.
    expect([made(thou(63.25)), made(450_000), made(457_200)]).toEqual(['thou', 'mm', 'thou'])
    expect([made(), made(thou(2), thou(4), 100_000), made(100_000, 200_000, thou(3)), made(thou(2), 100_000)]).toEqual([
      null,
      'thou',
      'mm',
      'mm',
    ])
  })
  it('lies by family, thin to thick, measured ones first', () => {
    const lots = [
      { ...lot, id: 'd', family: 'washers', nominal: thou(1) },
      { ...lot, id: 'c', nominal: thou(20) },
      { ...lot, id: 'b', nominal: thou(18) },
      { ...lot, id: 'a', nominal: thou(18), measured: thou(18) },
      { ...lot, id: 'aa', nominal: thou(18) },
    ]
    expect([...lots].sort(inDrawerOrder).map(({ id }) => id)).toEqual(['a', 'aa', 'b', 'c', 'd'])
    expect(
      [...lots]
        .reverse()
        .sort(inDrawerOrder)
        .map(({ id }) => id),
    ).toEqual(['a', 'aa', 'b', 'c', 'd'])
    // Of two that were measured the thinner one first, whatever they are marked with alike.
    const both = [
      { ...lot, id: 'p', measured: thou(19) },
      { ...lot, id: 'q', measured: thou(17) },
    ]
    expect(both.sort(inDrawerOrder).map(({ id }) => id)).toEqual(['q', 'p'])
  })
  it('says of a piece what the micrometer said, in what it was made in, or that nobody measured it', () => {
    expect(measuredText(null, lot)).toBe('not measured')
    expect(measuredText(thou(18.2), lot)).toBe('18.2 thou')
    expect(measuredText(nm(152_000), { nominal: nm(150_000) })).toBe('0.152 mm')
  })
})

describe('sizes piece by piece', () => {
  it('a lot is reckoned by the mean of what was measured, and forgets it when the figures go', () => {
    expect(thickness(measured(450_000, 456_000))).toBe(453_000)
    expect(thickness(measured(450_000, 450_001, 450_001))).toBe(450_001)
    expect(measured()).toMatchObject({ measured: null, sizes: [] })
  })
  it('one figure of a lot leaves 5 µm from piece to piece; more of them tell it better', () => {
    expect(pieceScatter(measured(450_000))).toBe(5_000)
    expect(pieceScatter({ ...lot, measured: nm(450_000) })).toBe(5_000)
    // Two that agree: √(25 + 0)/√2 = 3.5 µm. Two 12 µm apart: √(25 + 36 + 36)/√2 = 7.0 µm.
    expect(pieceScatter(measured(450_000, 450_000))).toBeCloseTo(3_536, 0)
    expect(pieceScatter(measured(444_000, 456_000))).toBeCloseTo(6_964, 0)
    expect(pieceScatter(measured(...Array<number>(100).fill(450_000)))).toBe(1_000)
  })
  it('what somebody knows of the lot counts before what is worked out', () => {
    expect(pieceScatter({ ...measured(440_000, 460_000), scatter: nm(2_000) })).toBe(2_000)
    expect(pieceScatter({ ...measured(440_000), scatter: nm(0) })).toBe(1_000)
  })
  it('a piece told apart keeps what its size is, and its own figure', () => {
    const piece = pieceApart({ ...measured(450_000, 460_000), scatter: nm(9_000) }, 'b', nm(447_000), 'tray 4')
    expect(piece).toMatchObject({ id: 'b', nominal: thou(18), measured: 447_000, sizes: [447_000], apart: true, mark: 'tray 4', cost: 40 })
    expect(piece).toMatchObject({ reserved: 0, colour: 'red' })
    expect(pieceScatter(piece)).toBe(1_000)
  })
  it('in a pack the piece in hand stands for one of its lot', () => {
    const piece = { lotId: 'a', id: 'b', size: nm(447_000), mark: '' }
    expect(withPieceInHand([{ lotId: 'a', count: 2 }], piece)).toEqual([
      { lotId: 'a', count: 1 },
      { lotId: 'b', count: 1 },
    ])
    expect(withPieceInHand([{ lotId: 'a', count: 1 }], piece)).toEqual([{ lotId: 'b', count: 1 }])
    expect(withPieceInHand([{ lotId: 'c', count: 1 }], piece)).toEqual([{ lotId: 'c', count: 1 }])
    expect(withLotsInHand([lot], [piece])[1]).toMatchObject({ id: 'b', measured: 447_000, onHand: 0, apart: true })
  })
})
