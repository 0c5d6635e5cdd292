import { describe, expect, it } from 'vitest'
import { nm, thou } from '../quantity/length'
import type { Lot } from './lot'
import { readPack, stuckPairs } from './read-pack'
import { lotOf } from '../../tests/pieces'

const lot = (id: string, size: number, mark = '', colour = ''): Lot => lotOf(id, thou(size), { family: 'f', measured: null, mark, colour })
const drawer = [lot('two', 2), lot('five', 5), lot('ten', 10), lot('q', 31, 'Q'), lot('red', 40, '', 'red'), lot('red2', 41, '', 'red')]
const shells = [lot('std', 60, 'STD'), lot('one', 60.5, '0.001'), lot('ten', 65, '0.010')]
const pieces = (text: string, lots: readonly Lot[] = [], unit: 'thou' | 'mm' = 'thou') => {
  const entry = readPack(text, unit, lots)
  return entry.ok ? entry.pieces.map(({ lotId, size, count }) => `${count} × ${lotId ?? size! / thou(1)}`) : entry.reason
}
const choices = (text: string, lots: readonly Lot[] = []) => {
  const entry = readPack(text, 'thou', lots)
  return entry.ok ? null : (entry.choices ?? []).map(({ text: way }) => way)
}

describe('a pack read out at the bench', () => {
  it.each([
    ['10, 8, 4', ['1 × 10', '1 × 8', '1 × 4']],
    ['5 + 5 + 2', ['2 × 5', '1 × 2']],
    ['3; 3;', ['2 × 3']],
    ['none', []],
    ['empty', []],
    ['5 thou x 3', ['3 × 5']],
    ['3 x 5 thou', ['3 × 5']],
    ['3 of 0.005 in', ['3 × 5']],
    ['3 x 3', ['3 × 3']],
    ['10, 8,', ['1 × 10', '1 × 8']],
    ['10, 8,   ', ['1 × 10', '1 × 8']],
    ['2 2 2 5 5 5 10 10', ['3 × 2', '3 × 5', '2 × 10']],
    ['2,2,2,7', ['3 × 2', '1 × 7']],
    ['5 thou 10 thou', ['1 × 5', '1 × 10']],
    ['3 x 3 5 5', ['3 × 3', '2 × 5']],
    ['5 x3 10', '5 x3: how many of what?'],
    ['3x 5 thou 0.010 in', ['3 × 5', '1 × 10']],
    ['10 -2', '-2: a piece is thicker than nothing.'],
    ['10, '.repeat(400), 'That is too long for a pack.'],
    ['0 x 5', '0: a piece is thicker than nothing.'],
  ])('%s', (text, expected) => expect(pieces(text)).toEqual(expected))
  it('reads a decimal comma where only that can be meant', () => {
    const entry = readPack('0,25; 0,30', 'mm', [])
    expect(entry).toEqual({
      ok: true,
      pieces: [
        { size: nm(250_000), count: 1 },
        { size: nm(300_000), count: 1 },
      ],
    })
  })
  it('asks where it can be read two ways', () => {
    // In a drawer of thou even a leading nought may be a size left out.
    expect(choices('0,5')).toEqual(['0.5', '0 + 5'])
    expect(readPack('1,25', 'mm', []).ok).toBe(false)
    expect(choices('10,5')).toEqual(['10.5', '10 + 5'])
    expect(choices('10 x 2')).toEqual(['2 + 2 + 2 + 2 + 2 + 2 + 2 + 2 + 2 + 2', '10 + 10'])
    expect(choices('4, 3 x 2')).toEqual(['4 + 2 + 2 + 2', '4 + 3 + 3'])
    expect(choices('12 10,5 5')).toEqual(['12 + 10.5 + 5', '12 + 10 + 5 + 5'])
    expect(pieces('1,2,2,5', [], 'mm')).toBe('1,2,2,5: 2 pieces, or 4?')
    const tenths = readPack('0,25,0,30', 'mm', [])
    expect(tenths.ok && tenths.pieces.map(({ size }) => size)).toEqual([nm(250_000), nm(300_000)])
    // Each answer can be read without asking again.
    for (const text of [...choices('10,5')!, ...choices('3 x 2')!]) expect(readPack(text, 'thou', []).ok).toBe(true)
  })
  it('the drawer may tell which is meant', () => {
    expect(pieces('2 x 5', [lot('five', 5)])).toEqual(['2 × 5'])
    expect(pieces('5 x 2', [lot('five', 5)])).toEqual(['2 × 5'])
    expect(choices('2 x 5', drawer)).toHaveLength(2)
  })
  it('knows the marks and colours of the drawer', () => {
    expect(pieces('Q, 5', drawer)).toEqual(['1 × q', '1 × 5'])
    expect(pieces('2 x q', drawer)).toEqual(['2 × q'])
    expect(pieces('Q 5', drawer)).toEqual(['1 × q', '1 × 5'])
    // A slip of the size, or two: it is asked.
    expect(pieces('10 Q 5', drawer)).toBe('10 Q: the Q is of another size.')
    expect(choices('10 Q 5', drawer)).toEqual(['10 + Q + 5'])
    expect(choices('red', drawer)).toEqual(['40 thou', '41 thou'])
  })
  it('a size the drawer lacks has the letter or the colour of its list, in front or behind', () => {
    const read = (text: string, lots = drawer) => {
      const entry = readPack(text, 'thou', lots)
      return entry.ok ? entry.pieces : entry.reason
    }
    const named = [
      { size: thou(20), mark: 'A', count: 1 },
      { size: thou(22), colour: 'green', count: 2 },
    ]
    for (const text of ['A 20, green 22 x 2', '20 A + 2 x 22 green', 'A 20 green 22 green 22']) expect(read(text)).toEqual(named)
    // What goes by it in the drawer is that size; another figure behind it is another piece.
    expect(read('Q 31')).toEqual([{ lotId: 'q', count: 1 }])
    expect(read('Q 5')).toHaveLength(2)
    expect(read('20 green 20')).toHaveLength(2)
    expect(read('green')).toContain('says which, not how thick')
  })
  it('knows grades of shells: half of it is a wall', () => {
    expect(pieces('0.001 under', shells)).toEqual(['1 × one'])
    expect(pieces('STD, 0.010 under', shells)).toEqual(['1 × std', '1 × ten'])
    for (const text of ['1 tenth under', 'one tenth under', 'One tenth u/s']) expect(pieces(text, shells)).toEqual(['1 × 60.05'])
    expect(pieces('ten under', shells)).toEqual(['1 × ten'])
    expect(pieces('some under', shells)).toContain('not a length')
    expect(pieces('0.001 under', drawer)).toContain('Mark the standard size STD')
  })
  it('a piece without a name goes by none, and “under” stands at the end', () => {
    expect(pieces('', [lot('nameless', 3)])).toEqual(pieces('', []))
    expect(pieces('10 under', shells)).toEqual(['1 × ten'])
    expect(pieces('10   u/s', shells)).toEqual(['1 × ten'])
    expect(readPack('undersized 10', 'thou', shells).ok).toBe(false)
    expect(readPack('10 undersized', 'thou', shells).ok).toBe(false)
  })
  it('a piece told apart is taken by its mark, and not for one of its size', () => {
    const apart = [{ ...lot('own', 12, 'T1'), shape: 'stepped' as const, apart: true }, lot('twelve', 12)]
    expect(pieces('T1', apart)).toEqual(['1 × own'])
    expect(pieces('12 stepped', apart)).toBe('12 stepped: the one in the drawer lies apart: name it T1.')
    expect(pieces('12', apart)).toEqual(['1 × 12'])
  })
  it('says which piece it cannot read', () => {
    expect(pieces('10, zinc')).toContain('“zinc” says which, not how thick')
    expect(pieces('10, -2')).toContain('thicker than nothing')
    expect(pieces(' ')).toContain('none')
    expect(pieces('a x b')).toContain('how many?')
  })
  it('asks which, where a size is there flat and stepped', () => {
    const two = [
      ...drawer,
      { ...drawer[0]!, id: 'step', mark: '', colour: '', shape: 'stepped' as const, nominal: thou(32), measured: null },
    ]
    const flat = { ...two.at(-1)!, id: 'flat', shape: 'flat' as const }
    const ask = readPack('32', 'thou', [...two, flat])
    expect(ask).toMatchObject({ ok: false, reason: '32: flat or stepped?', choices: [{ text: '32 flat' }, { text: '32 stepped' }] })
    expect(readPack('32 stepped', 'thou', [...two, flat])).toEqual({ ok: true, pieces: [{ lotId: 'step', count: 1 }] })
    expect(readPack('32 flat x 2', 'thou', [...two, flat])).toEqual({ ok: true, pieces: [{ lotId: 'flat', count: 2 }] })
    expect(readPack('32', 'thou', two)).toMatchObject({ ok: true })
    // Found in the machine, though the drawer has it only flat.
    expect(readPack('2 stepped', 'thou', two)).toEqual({ ok: true, pieces: [{ size: thou(2), shape: 'stepped', count: 1 }] })
    expect(readPack('30 stepped x 2', 'thou', two)).toEqual({ ok: true, pieces: [{ size: thou(30), shape: 'stepped', count: 2 }] })
  })
  it('a 7 where the drawer has 5 and 2 may be two stuck together', () => {
    const found = stuckPairs(
      [
        { size: thou(7), count: 1 },
        { size: thou(5), count: 1 },
        { size: thou(9), count: 1 },
      ],
      drawer,
    )
    expect(found.map(({ size, pair }) => [size, ...pair].map(one => one / thou(1)))).toEqual([[7, 5, 2]])
    // A size the drawer has measured is no pair.
    const known = drawer.map((lot, i) => (i === 0 ? { ...lot, measured: thou(7) } : lot))
    expect(stuckPairs([{ size: thou(7), count: 1 }], known)).toEqual([])
  })
  it('in a list of its own too, where the drawer is empty; several alike are a size of their own', () => {
    const listed = (text: string) => {
      const read = readPack(text, 'thou', [])
      return read.ok ? stuckPairs(read.pieces, []).map(({ size, pair }) => [size, ...pair].map(one => one / thou(1))) : null
    }
    expect(listed('2 + 2 + 2 + 7 + 5 + 5 + 10 + 10')).toEqual([[7, 5, 2]])
    expect(listed('5 + 5 + 10 + 10')).toEqual([])
    expect(listed('2 + 7')).toEqual([])
  })
})

describe('two as thick', () => {
  const thrust = [lot('bronze', 60, 'bronze'), lot('plastic', 60, '', 'plastic'), lot('seventy', 70)]
  it('are told apart by mark, colour or a word on the bag', () => {
    expect(pieces('60 plastic', thrust)).toEqual(['1 × plastic'])
    expect(pieces('60 plastic 60 bronze 70', thrust)).toEqual(['1 × plastic', '1 × bronze', '1 × 70'])
    expect(pieces('2 x 60 Bronze', thrust)).toEqual(['2 × bronze'])
    expect(pieces('60 bronze + 70', thrust)).toEqual(['1 × bronze', '1 × 70'])
    expect(pieces('60 plastic', [lot('bronze', 60, 'bronze'), { ...lot('other', 60), tags: ['plastic'] }])).toEqual(['1 × other'])
  })
  it('which is asked, and nothing is taken silently', () => {
    expect(pieces('60', thrust)).toBe('60: which of 2?')
    expect(choices('70 + 60', thrust)).toEqual(['70 + 60 bronze', '70 + 60 plastic'])
    expect(choices('60', [thrust[0]!, lot('bare', 60)])).toEqual(['60 bronze', '60 plain'])
    expect(pieces('60 plain', [thrust[0]!, lot('bare', 60)])).toEqual(['1 × bare'])
    // What nothing tells apart is not asked.
    expect(pieces('60', [lot('a', 60), lot('b', 60)])).toEqual(['1 × 60'])
  })
})
