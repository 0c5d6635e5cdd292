import 'reflect-metadata'
import { plainToInstance } from 'class-transformer'
import { validate, type ValidationError } from 'class-validator'
import { describe, expect, it } from 'vitest'
import { ReserveDto } from './check'
import { BoreKitDto, GaugeChangeDto, NewGaugeDto, ZeroedDto } from './gauge'
import { PartChangeDto } from './job'

const paths = (errors: readonly ValidationError[], at = ''): string[] =>
  errors.flatMap(e => [...(e.constraints ? [at + e.property] : []), ...paths(e.children ?? [], `${at}${e.property}.`)])
const faults = async (type: new () => object, plain: object) =>
  paths(await validate(plainToInstance(type, plain), { whitelist: true, forbidNonWhitelisted: true }))
const head = { op: 'o', version: 1 }

describe('what the register of gauges takes', () => {
  it('takes what its panel sends', async () => {
    const fields = {
      name: 'M-2',
      unit: 'mm',
      graduation: 10_000,
      readableFraction: 0.1,
      permissibleError: 0,
      repeatability: 800,
      hysteresis: 0,
      rangePerTurn: null,
      range: { low: 25_000_000, high: 50_000_000 },
      sense: 'falls',
      sizes: [],
      lastCheck: '2026-06-15',
      due: null,
    }
    expect(await faults(NewGaugeDto, { op: 'o', id: 'g', kind: 'micrometer', fields })).toEqual([])
    expect(await faults(GaugeChangeDto, { ...head, fields: { ...fields, sizes: [40_000, 50_000] } })).toEqual([])
    expect(await faults(ZeroedDto, { op: 'o', on: '2026-11-25' })).toEqual([])
    expect(
      await faults(BoreKitDto, { ...head, anvils: [{ name: 'A', low: 1, high: 2, missing: true }], washers: [{ name: 'w', length: 5 }] }),
    ).toEqual([])
  })
  it.each<[string, new () => object, object, string]>([
    ['a kind nobody knows', NewGaugeDto, { op: 'o', id: 'g', kind: 'laser', fields: {} }, 'kind'],
    ['no graduation at all', GaugeChangeDto, { ...head, fields: { graduation: 0 } }, 'fields.graduation'],
    ['more than a whole graduation', GaugeChangeDto, { ...head, fields: { readableFraction: 2 } }, 'fields.readableFraction'],
    ['an error below nothing', GaugeChangeDto, { ...head, fields: { permissibleError: -1 } }, 'fields.permissibleError'],
    ['a leaf of no thickness', GaugeChangeDto, { ...head, fields: { sizes: [1, 0] } }, 'fields.sizes'],
    ['a leaf in fractions', GaugeChangeDto, { ...head, fields: { sizes: [1.5] } }, 'fields.sizes'],
    ['a sense that is none', GaugeChangeDto, { ...head, fields: { sense: 'sideways' } }, 'fields.sense'],
    ['a 13th month', GaugeChangeDto, { ...head, fields: { due: '2026-13-01' } }, 'fields.due'],
    ['a range that ends at nothing', GaugeChangeDto, { ...head, fields: { range: { low: 0, high: 0 } } }, 'fields.range.high'],
    ['a field nobody knows', GaugeChangeDto, { ...head, fields: { colour: 'red' } }, 'fields.colour'],
    ['a day that is none', ZeroedDto, { op: 'o', on: 'today' }, 'on'],
    ['an anvil without a name', BoreKitDto, { ...head, anvils: [{ name: ' ', low: 1, high: 2 }], washers: [] }, 'anvils.0.name'],
    ['a washer as text', BoreKitDto, { ...head, anvils: [], washers: [{ name: 'w', length: '5' }] }, 'washers.0.length'],
    [
      'forty-one anvils',
      BoreKitDto,
      { ...head, anvils: Array.from({ length: 41 }, (_, i) => ({ name: `A${i}`, low: 1, high: 2 })), washers: [] },
      'anvils',
    ],
    ['half a piece promised', ReserveDto, { ...head, place: 'pack', pieces: [{ lotId: 'l', count: 0.5 }] }, 'pieces.0.count'],
    ['a part replaced for no reason', PartChangeDto, { op: 'o', part: 'p', reason: '  ', by: 'T' }, 'reason'],
    ['a part replaced by nobody', PartChangeDto, { op: 'o', part: 'p', reason: 'x' }, 'by'],
  ])('refuses %s', async (_what, type, plain, path) => expect(await faults(type, plain)).toContain(path))
})
