import 'reflect-metadata'
import { plainToInstance } from 'class-transformer'
import { validate } from 'class-validator'
import { describe, expect, it } from 'vitest'
import { FitDto, FoundPackDto, ReadingDto, SettingsDto, SignOffDto } from './check'
import { NewLotDto, MovementDto } from './stock'

async function faults(type: new () => object, plain: object): Promise<string[]> {
  const flat = (errors: Awaited<ReturnType<typeof validate>>, at = ''): string[] =>
    errors.flatMap(e => [...Object.keys(e.constraints ?? {}).map(() => at + e.property), ...flat(e.children ?? [], `${at}${e.property}.`)])
  return [...new Set(flat(await validate(plainToInstance(type, plain), { whitelist: true, forbidNonWhitelisted: true })))]
}
const head = { op: 'o', version: 1 }
const reading = {
  ...head,
  id: 'r',
  trialId: 't',
  point: 'travel',
  start: 0,
  far: 1,
  back: 0,
  springBack: false,
  at: '2026-05-04T13:05:00.000Z',
}

describe('what the server takes', () => {
  it('takes what the bench sends', async () => {
    expect(await faults(ReadingDto, reading)).toEqual([])
    expect(
      await faults(SettingsDto, {
        ...head,
        settings: {
          aim: { school: 'own', own: 100 },
          packRules: { most: 4, onlyRemove: true },
          tipAngle: 12.5,
          gauges: { 'dial-indicator': 'dial-1' },
          limits: [
            {
              result: 'clearance@3',
              role: 'book',
              set: { kind: 'two-sided', lower: 1, upper: 2, unit: 'mm', source: { kind: 'book', page: '4' } },
            },
          ],
        },
      }),
    ).toEqual([])
    for (const form of [{ figure: 1 }, { low: 1, high: 2, leaves: 3 }, { word: 'turns' }])
      expect(await faults(ReadingDto, { ...head, id: 'r', trialId: 't', point: 'p', at: reading.at, ...form })).toEqual([])
    expect(
      await faults(FoundPackDto, {
        ...head,
        place: 'pack',
        pieces: [
          { size: 100, measured: true, count: 2 },
          { lotId: 'a', count: 1 },
        ],
      }),
    ).toEqual([])
    expect(await faults(FitDto, { ...head, trialId: 't', packs: [{ place: 'pack', pieces: [] }] })).toEqual([])
    expect(
      await faults(NewLotDto, { op: 'o', id: 'l', family: 'Shims', nominal: 100, count: 0, tolerance: { plus: 0, minus: 5 } }),
    ).toEqual([])
  })
  it.each<[string, new () => object, object, string]>([
    ['an infinite length', ReadingDto, { ...reading, far: Infinity }, 'far'],
    ['a flag that is none', ReadingDto, { ...reading, springBack: 'yes' }, 'springBack'],
    ['half a leaf', ReadingDto, { ...reading, leaves: 1.5 }, 'leaves'],
    ['a gauge with a slash', SettingsDto, { ...head, settings: { gauges: { 'dial-indicator': '../x' } } }, 'settings.gauges'],
    ['a fitting of no place', FitDto, { ...head, trialId: 't', packs: [] }, 'packs'],
    [
      'limits nobody gave a source',
      SettingsDto,
      {
        ...head,
        settings: { limits: [{ result: 'play', role: 'book', set: { kind: 'upper', upper: 1, unit: 'mm', source: { kind: 'hearsay' } } }] },
      },
      'settings.limits.0.set.source.kind',
    ],
    ['a 13th month', ReadingDto, { ...reading, at: '2026-13-04T13:05:00Z' }, 'at'],
    ['an id with a slash', ReadingDto, { ...reading, id: '../x' }, 'id'],
    ['a negative version', ReadingDto, { ...reading, version: -1 }, 'version'],
    ['half a piece', FoundPackDto, { ...head, pieces: [{ size: 100, count: 0.5 }] }, 'pieces.0.count'],
    ['a piece of no thickness', FoundPackDto, { ...head, pieces: [{ size: 0, count: 1 }] }, 'pieces.0.size'],
    ['twenty-one pieces', SettingsDto, { ...head, settings: { packRules: { most: 21 } } }, 'settings.packRules.most'],
    ['a right angle', SettingsDto, { ...head, settings: { tipAngle: 90 } }, 'settings.tipAngle'],
    ['a field nobody knows, deep down', SettingsDto, { ...head, settings: { aim: { school: 'middle', why: 'x' } } }, 'settings.aim.why'],
    ['a signature of blanks', SignOffDto, { ...head, by: '   ' }, 'by'],
    ['a count corrected without a reason', MovementDto, { ...head, why: 'count', change: 1, note: '' }, 'note'],
    [
      'a tolerance below nothing',
      NewLotDto,
      { op: 'o', id: 'l', family: 'S', nominal: 1, count: 0, tolerance: { plus: -1, minus: 0 } },
      'tolerance.plus',
    ],
  ])('refuses %s', async (_what, type, plain, path) => expect(await faults(type, plain)).toContain(path))
})
