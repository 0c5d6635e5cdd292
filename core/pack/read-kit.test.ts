import { expect, it } from 'vitest'
import { mm, thou } from '../quantity/length'
import { readKit } from './read-kit'

const lines = (...text: string[]) => readKit(text.join('\n'), 'thou')
const plain = { count: 1, mark: '', colour: '', shape: 'flat' }

it('reads a kit as it stands on its leaflet, a size a line', () => {
  expect(lines('32 stepped', '32 x 2', '16 3', '8 thou ×4', '0.50 mm red 2').sizes).toEqual([
    { ...plain, nominal: thou(32), shape: 'stepped' },
    { ...plain, nominal: thou(32), count: 2 },
    { ...plain, nominal: thou(16), count: 3 },
    { ...plain, nominal: thou(8), count: 4 },
    { ...plain, nominal: mm(0.5), colour: 'red', count: 2 },
  ])
})
it('takes letters and marks, cells from a spreadsheet, and leaves a heading out', () => {
  expect(lines('Mark\tSize\tPieces', 'X\t8.04 mm\t1', 'K;8.02 mm;2', '', 'long side 3').sizes).toEqual([
    { ...plain, nominal: mm(8.04), mark: 'X' },
    { ...plain, nominal: mm(8.02), mark: 'K', count: 2 },
    { ...plain, nominal: thou(3), mark: 'long side' },
  ])
})
it('takes a washer’s hole and rim, in any order', () => {
  const washer = { ...plain, nominal: mm(0.5), inside: mm(30.2), outside: mm(41) }
  expect(lines('0.5 mm inside 30.2 mm outside 41 mm x2', 'id 30.2 mm 0.5 mm od 41 mm').sizes).toEqual([{ ...washer, count: 2 }, washer])
  expect(lines('0.5 mm inside 30 mm').sizes).toEqual([{ ...plain, nominal: mm(0.5), inside: mm(30) }])
  expect(lines('0.5 mm inside 41 mm outside 41 mm').faults[0]!.reason).toContain('inside below outside')
})
it('a size that can be had, of which none is here, is one', () =>
  expect(lines('15 x0').sizes).toEqual([{ ...plain, nominal: thou(15), count: 0 }]))

it('says which line is wrong, and why', () => {
  const faultOf = (...text: string[]) => lines(...text).faults
  expect(faultOf('red 4', 'blue 6', 'Red 8')).toEqual([{ line: 3, reason: '“red” is in line 1 already: which is it?' }])
  expect(faultOf('4 2', 'red', '0', '4 5 6')).toEqual([
    { line: 2, reason: '“red” says which, not how thick: measure it, and write the figure beside it.' },
    { line: 3, reason: 'A piece is thicker than nothing.' },
    { line: 4, reason: '6: there is a size already.' },
  ])
  // One word is no heading: a race known only as thick is measured first; what pieces are called is one.
  expect(faultOf('thick', '66 middle')).toEqual([{ line: 1, reason: expect.stringContaining('“thick” says which') }])
  expect([faultOf('Size', '66'), faultOf('colour size', '66')]).toEqual([[], []])
  expect(faultOf('66', ';')).toEqual([{ line: 2, reason: 'No size in this line.' }])
  // What a length field would ask about is asked here too.
  expect(faultOf('.018')[0]!.reason).toContain('.018')
  expect(faultOf('A '.repeat(30) + '4')[0]!.reason).toBe('A mark has up to 20 letters.')
  expect(faultOf(...Array.from({ length: 201 }, (_, i) => `${i + 1}`))[0]!.reason).toBe('A kit has at most 200 sizes.')
  expect(faultOf('', '  ')).toEqual([])
})
