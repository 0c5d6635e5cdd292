import { describe, expect, it } from 'vitest'
import { mm, nm, thou, type LengthUnit } from './length'
import { parseLength, parseRange } from './parse-length'
import { parseSum } from './parse-sum'

describe('a stack typed as a sum', () => {
  const read = (text: string, unit: LengthUnit = 'thou') => {
    const entry = parseSum(text, unit, { least: nm(0), plausible: thou(100), name: 'gap' })
    return entry.ok ? [entry.value, entry.parts] : entry.reason
  }
  it.each<[string, LengthUnit, number, number]>([
    ['15+16+17+9', 'thou', thou(57), 4],
    ['4 + 1.5', 'thou', thou(5.5), 2],
    ['0.05+0.3', 'mm', mm(0.35), 2],
    ['0,05 + 0,3', 'mm', mm(0.35), 2],
    ['0.05 + 0.3 mm', 'thou', mm(0.35), 2],
    ['0.002 in + 3 thou', 'thou', thou(5), 2],
    ['12', 'thou', thou(12), 1],
    ['+12', 'thou', thou(12), 1],
  ])('%s in a field of %s', (text, unit, value, parts) => expect(read(text, unit)).toEqual([value, parts]))
  it.each([
    ['15+', 'a part of the sum is missing'],
    ['15++9', 'a part of the sum is missing'],
    ['15+x', '“x” is not a unit of length'],
    ['15+.', 'not a length'],
    ['60+60', 'A gap of 120 thou is a lot'],
  ])('%s is not taken', (text, words) => expect(read(text)).toContain(words))
  it('does not look through what was pasted', () => {
    for (const parse of [parseLength, parseSum, parseRange])
      for (const text of ['1'.repeat(500), `${'1-'.repeat(250)}1/2`, '1+'.repeat(300), '5..'.repeat(200)])
        expect(parse(text, 'thou')).toMatchObject({ ok: false, reason: 'That is too long for a figure.' })
  })
})
