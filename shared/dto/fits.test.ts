import 'reflect-metadata'
import { plainToInstance } from 'class-transformer'
import { validate } from 'class-validator'
import { describe, expect, it } from 'vitest'
import { Fits, Longest, inSchema } from './fits'

class Sample {
  @Fits('packRules.most', { most: 'Packs of up to 20 pieces.' }) most = 1
  @Fits('lot.mark') mark = ''
  @Fits('check.title', { empty: 'Give the check a name.' }) title = 'a'
  @Fits('reading.point') point = 'a'
  @Fits('reading.celsius', { least: 'Nothing is that cold.' }) celsius = 20.5
  @Fits('lot.tags') tags: string[] = []
  @Fits('lap.passes.figures', { least: 'Four figures.', most: 'Four figures.' }) figures = [1, 2, 3, 4]
  @Longest('job.reference') reference = ''
}
async function said(change: Partial<Record<keyof Sample, unknown>>): Promise<string[]> {
  const errors = await validate(plainToInstance(Sample, { ...new Sample(), ...change }))
  return errors.flatMap(({ property, constraints }) => Object.values(constraints ?? {}).map(text => `${property}: ${text}`))
}

describe('a field that goes into the worksheet', () => {
  it('takes what the worksheet takes, to the last one', async () => {
    expect(await said({})).toEqual([])
    expect(await said({ most: 20, mark: 'x'.repeat(20), title: 'x'.repeat(120), celsius: -273.15, reference: 'x'.repeat(60) })).toEqual([])
  })
  it('says no to the next one, in its own words where it has some', async () => {
    expect(await said({ most: 21 })).toEqual(['most: Packs of up to 20 pieces.'])
    expect(await said({ celsius: -273.16 })).toEqual(['celsius: Nothing is that cold.'])
    expect(await said({ title: '  ' })).toEqual(['title: Give the check a name.'])
    expect(await said({ point: '' })).toEqual(['point: This is missing.'])
    expect(await said({ figures: [1, 2, 3] })).toEqual(['figures: Four figures.'])
    for (const [field, value] of [
      ['mark', 'x'.repeat(21)],
      ['mark', 4],
      ['most', 1.5],
      ['tags', ['x'.repeat(121)]],
      ['tags', Array.from({ length: 21 }, () => 'x')],
      ['reference', 'x'.repeat(61)],
    ] as const)
      expect(await said({ [field]: value }), `${field} ${String(value)}`).not.toEqual([])
  })
  it('is told at once where the worksheet has no such place', () => {
    expect(() => inSchema('lot.flavour')).toThrow('The schema of the worksheet has no lot.flavour.')
    // Of a list: its items.
    expect(inSchema('pack.count').maximum).toBe(60)
  })
})
