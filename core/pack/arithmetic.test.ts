import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { mm, thou } from '../quantity/length'
import { arithmeticLine, changeWords, pieceList } from './arithmetic'
import { lotMap, packChange, packTotal, pieceCount, type Lot } from './lot'
import { lotOf } from '../../tests/pieces'

const lot = (size: number): Lot => lotOf(`s${size}`, thou(size), { family: 'f', onHand: 0 })
const lots = lotMap([10, 6, 5, 2].map(lot))
const fitted = [
  { lotId: 's10', count: 2 },
  { lotId: 's5', count: 1 },
]

describe('the sum in one line', () => {
  it('takes out under a cover, and the play falls', () => {
    const next = [{ lotId: 's10', count: 1 }]
    expect(arithmeticLine(thou(19.3), fitted, next, thou(4.3), lots, { perPiece: 1, pair: false }, 'thou')).toBe(
      '19.3 − (10 + 5) = 4.3 thou',
    )
    expect(changeWords(fitted, next, lots, 'thou')).toBe('Take out 10 + 5')
  })
  it('puts into a gap, and the play falls', () => {
    const next = [...fitted, { lotId: 's6', count: 1 }]
    expect(arithmeticLine(thou(9), fitted, next, thou(3), lots, { perPiece: -1, pair: false }, 'thou')).toBe('9.0 − 6 = 3.0 thou')
    expect(changeWords(fitted, next, lots, 'thou')).toBe('Put in 6')
  })
  it('is as fine as its finest piece: a quarter of a thou is not rounded away', () => {
    const fine = lotMap([62.5, 63.25].map(size => ({ ...[...lots.values()][0]!, id: `w${size}`, nominal: thou(size), measured: null })))
    const shells = (id: string) => [{ lotId: id, count: 2 }]
    expect(arithmeticLine(thou(3.5), shells('w62.5'), shells('w63.25'), thou(2), fine, { perPiece: -1, pair: false }, 'thou')).toBe(
      '3.50 + (62.5 + 62.5) − (63.25 + 63.25) = 2.00 thou',
    )
  })
  it('adds up as it is printed, with a digit more where rounding would not: any inch pack in millimetres, any metric one in thou', () => {
    const size = fc.integer({ min: 1, max: 400 })
    fc.assert(
      fc.property(size, fc.array(size, { minLength: 1, maxLength: 4 }), fc.constantFrom('mm', 'thou'), (play, sizes, unit) => {
        const made = (steps: number) => (unit === 'mm' ? thou(steps / 2) : mm(steps / 100))
        const pieces = sizes.map((steps, i) => lotOf(`p${i}`, made(steps), { family: 'f', onHand: 0 }))
        const next = pieces.map(({ id }) => ({ lotId: id, count: 1 }))
        const left = sizes.reduce((rest, steps) => rest - made(steps), made(play) as number)
        const line = arithmeticLine(made(play), [], next, left, lotMap(pieces), { perPiece: -1, pair: false }, unit)
        const [sum, result] = line
          .replace(/ (mm|thou)$/, '')
          .replaceAll('−', '-')
          .split(' = ')
        const terms = sum!.replaceAll(/[()]/g, '').replace(' - ', ' + ').split(' + ').map(Number)
        const decimals = result!.split('.')[1]!.length
        expect(
          terms
            .slice(1)
            .reduce((rest, term) => rest - term, terms[0]!)
            .toFixed(decimals),
        ).toBe(Number(result).toFixed(decimals))
      }),
    )
  })
  it('swaps, in either unit', () => {
    const next = [
      { lotId: 's10', count: 2 },
      { lotId: 's2', count: 1 },
    ]
    expect(arithmeticLine(thou(9), fitted, next, thou(12), lots, { perPiece: -1, pair: false }, 'mm')).toBe(
      '0.229 + 0.127 − 0.051 = 0.305 mm',
    )
    expect(changeWords(fitted, next, lots, 'thou')).toBe('Take out 5, put in 2')
    expect(changeWords(fitted, fitted, lots, 'thou')).toBe('Leave the pack as it is')
  })
  it('names a piece by its mark, else by its colour, for the hand; the sum stays bare', () => {
    const marked = lotMap([{ ...lot(10), mark: 'C', colour: 'red' }, { ...lot(6), colour: 'blue' }, lot(2)])
    const [v, blue, plain] = ['s10', 's6', 's2'].map(lotId => ({ lotId, count: 1 }))
    expect(changeWords([v!], [blue!, plain!], marked, 'thou')).toBe('Take out 10 (C), put in 6 (blue) + 2')
    expect(changeWords([{ lotId: 's10', count: 2 }], [plain!], marked, 'thou')).toBe('Take out 2 × 10 (C), put in 2')
    expect(arithmeticLine(thou(9), [v!], [blue!], thou(5), marked, { perPiece: 1, pair: false }, 'thou')).toBe('9.0 − 10 + 6 = 5.0 thou')
  })
  it('lists pieces one by one, thickest first', () =>
    expect(
      pieceList(
        [
          { lotId: 's2', count: 2 },
          { lotId: 's10', count: 1 },
        ],
        lots,
        'thou',
      ),
    ).toBe('10 + 2 + 2'))
})

describe('a pack', () => {
  it('has a total, a count and a difference to another', () => {
    expect(packTotal(fitted, lots)).toBe(thou(25))
    expect(pieceCount(fitted)).toBe(3)
    expect(
      packChange(fitted, [
        { lotId: 's10', count: 1 },
        { lotId: 's6', count: 2 },
      ]),
    ).toEqual({
      out: [
        { lotId: 's10', count: 1 },
        { lotId: 's5', count: 1 },
      ],
      in: [{ lotId: 's6', count: 2 }],
    })
    expect(() => packTotal([{ lotId: 'ghost', count: 1 }], lots)).toThrow('No such size')
  })
})
