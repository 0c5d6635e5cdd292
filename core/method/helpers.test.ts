import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inches, mm, nm, thou } from '../quantity/length'
import { parseTemperature } from '../quantity/temperature'
import { EXPANSION, atReference, heatError, heatMatters, sizeAt } from '../reading/temperature'
import { buildsFor, kitFaults, type BoreKit } from './bore-gauge/builder'
import { nextLeaves, stacks } from './feeler/leaves'
import { calipersCheck, micrometerSetting, settingSize } from './micrometer/setting'
import { squashedWidth } from './plastic-strip/scale'

describe('setting a micrometer', () => {
  it('1.7767 in is sleeve 1.775, thimble 1, vernier 7', () =>
    expect(micrometerSetting(inches(1.7767), 'inch')).toMatchObject({ sleeve: inches(1.775), thimble: 1, vernier: 7, rest: 0 }))
  it('48.237 mm is sleeve 48, thimble 23, vernier 7', () =>
    expect(micrometerSetting(mm(48.237), 'metric')).toMatchObject({ sleeve: mm(48), thimble: 23, vernier: 7, rest: 0 }))
  it('carries into the next thimble line and sleeve mark', () =>
    expect(micrometerSetting(inches(0.0999_96), 'inch')).toMatchObject({ sleeve: inches(0.1), thimble: 0, vernier: 0 }))
  it('put together again it is the target, to half a vernier line (property)', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 300_000_000 }), fc.constantFrom('inch' as const, 'metric' as const), (target, system) => {
        const setting = micrometerSetting(target, system)
        expect(settingSize(setting) + setting.rest).toBe(target)
        expect(Math.abs(setting.rest)).toBeLessThanOrEqual(system === 'inch' ? 1270 : 500)
        expect(setting.thimble).toBeLessThan(system === 'inch' ? 25 : 50)
        expect(setting.vernier).toBeLessThan(10)
      }),
    ))
  it('calipers catch a whole turn, and cannot see one line', () => {
    expect(calipersCheck(inches(1.7767), inches(1.7777), 'inch').answer).toBe('agrees')
    expect(calipersCheck(inches(1.7767), inches(1.8017), 'inch')).toMatchObject({
      answer: 'whole-turn',
      words: expect.stringContaining('set it back'),
    })
    expect(calipersCheck(inches(1.7767), inches(1.7267), 'inch').words).toBe(
      'Off by 2 whole turns of the thimble: set it on and look again.',
    )
    expect(calipersCheck(inches(1.7767), inches(1.787), 'inch').answer).toBe('off')
    // A thou and a half is what they can be trusted to, that included.
    expect(calipersCheck(inches(1.7767), inches(1.7782), 'inch').answer).toBe('agrees')
    expect(calipersCheck(inches(1.7767), inches(1.7767 + 0.025 - 0.0015), 'inch').answer).toBe('whole-turn')
  })
  it('has none below zero', () => expect(() => micrometerSetting(-1, 'inch')).toThrow('below zero'))
})

describe('building a bore gauge', () => {
  const kit: BoreKit = {
    anvils: [
      { name: '1', low: mm(35), high: mm(40) },
      { name: '2', low: mm(40), high: mm(45) },
      { name: '3', low: mm(44), high: mm(49), missing: true },
    ],
    washers: [
      { name: 'a', length: mm(1) },
      { name: 'b', length: mm(3) },
      { name: 'c', length: mm(5), missing: true },
    ],
  }
  it('lists what holds the target, nearest mid-travel first, then fewest parts', () => {
    const names = buildsFor(kit, mm(43.5)).map(build => [build.anvil.name, ...build.washers.map(w => w.name)].join('+'))
    expect(names[0]).toBe('2+a')
    expect(names).toContain('2')
    expect(names).toContain('1+a+b')
    expect(names.some(name => name.includes('3') || name.includes('c'))).toBe(false)
  })
  it('puts the build nearest its middle first, in tenths of the travel; among those fewest washers, then nearest, then by name', () => {
    const anvil = (name: string, low: number) => ({ name, low: mm(low), high: mm(low + 2) })
    const washer = (name: string, length: number) => ({ name, length: mm(length) })
    const order = (anvils: readonly ReturnType<typeof anvil>[], washers: readonly ReturnType<typeof washer>[], target: number) =>
      buildsFor({ anvils, washers }, mm(target)).map(build => [build.anvil.name, ...build.washers.map(({ name }) => name)].join('+'))
    // Middles at 40.00, 40.15 and 40.60 of a travel of 2: the first two share a tenth of it.
    expect(order([anvil('c', 39.6), anvil('b', 39.15), anvil('a', 39)], [], 40)).toEqual(['a', 'b', 'c'])
    // One washer more, a little nearer: within a tenth of the travel the fewer parts win, beyond it the nearer.
    expect(order([anvil('plain', 39.1), anvil('short', 38)], [washer('w', 1)], 40)).toEqual(['plain', 'short+w', 'short'])
    expect(order([anvil('plain', 39.6), anvil('short', 38)], [washer('w', 1)], 40)[0]).toBe('short+w')
    expect(order([anvil('two', 39), anvil('one', 39)], [], 40)).toEqual(['one', 'two'])
  })
  it('overlapping ranges are no fault: several will do', () => {
    const overlapping = {
      anvils: [
        { name: '1', low: mm(35), high: mm(45) },
        { name: '2', low: mm(40), high: mm(50) },
      ],
      washers: [],
    }
    expect(kitFaults(overlapping)).toEqual([])
    expect(buildsFor(overlapping, mm(42))).toHaveLength(2)
  })
  it('says which row cannot be', () =>
    expect(
      kitFaults({
        anvils: [
          { name: '1', low: mm(40), high: mm(35) },
          { name: '1', low: mm(1), high: mm(2) },
        ],
        washers: [{ name: 'w', length: nm(0) }],
      }).map(({ path }) => path),
    ).toEqual(['anvils.0', 'washers.0', 'anvils']))
  it('a kit without a fault has none', () =>
    expect(kitFaults({ anvils: [{ name: '1', low: mm(30), high: mm(35) }], washers: [{ name: 'w', length: nm(1) }] })).toEqual([]))
  it('never offers what does not hold the target (property)', () =>
    fc.assert(
      fc.property(fc.integer({ min: 30, max: 60 }), target =>
        buildsFor(kit, mm(target)).every(build => build.low <= mm(target) && build.high >= mm(target)),
      ),
    ))
})

describe('feelers', () => {
  it('which leaves to take next', () => {
    const set = [1.5, 2, 3, 4, 6].map(thou)
    expect(nextLeaves(set, thou(5))).toEqual({ up: [thou(4), thou(1.5)], down: [thou(3), thou(1.5)] })
    expect(nextLeaves(set, thou(100)).up).toEqual([])
  })
  it('every stack uses each leaf once and no more than four (property)', () =>
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 8 }), sizes => {
        for (const { total, leaves } of stacks(sizes.map(nm))) {
          expect(new Set(leaves).size).toBe(leaves.length)
          expect(leaves.length).toBeLessThanOrEqual(4)
          expect(leaves.reduce((a, b) => a + b, 0)).toBe(total)
        }
      }),
    ))
})

describe('heat', () => {
  const steel = (celsius: number) => ({ alpha: EXPANSION.steel, celsius })
  it('same metal, same temperature: nothing to correct', () => expect(atReference(mm(50), steel(35), steel(35))).toBeCloseTo(mm(50), 6))
  it('a hot bore reads big: 3 tenths left to hone, but it reads 2 tenths big: 5 are left cold', () => {
    const bore = inches(2)
    const part = steel(20 + thou(0.2) / (EXPANSION.steel * bore))
    const big = heatError(bore, steel(20), part)
    expect(big).toBeCloseTo(thou(0.2), -1)
    expect(thou(0.3) + big).toBeCloseTo(thou(0.5), -1)
  })
  it('a cold part reads small, below zero too', () => expect(heatError(mm(100), steel(20), steel(-10))).toBeCloseTo(-34_500, 0))
  it('aluminium about steel opens with heat: a prediction', () =>
    expect(sizeAt(mm(60), { alpha: EXPANSION['aluminium alloy'], celsius: 90 }) - sizeAt(mm(60), steel(90))).toBeCloseTo(
      60e6 * 11.5e-6 * 70,
      0,
    ))
  it('matters above a tenth of the band', () =>
    expect([heatMatters(300, 2_000), heatMatters(100, 2_000), heatMatters(1, null)]).toEqual([true, false, null]))
  it.each([
    ['20', 20],
    ['68 F', 20],
    ['-5', -5],
    ['20,5 °C', 20.5],
    ['−40f', -40],
  ])('reads %s', (text, celsius) => expect(parseTemperature(text)).toEqual({ ok: true, celsius: expect.closeTo(celsius, 9) }))
  it.each([
    ['-300', 'absolute zero'],
    ['warm', 'no temperature'],
    ['', 'Nothing typed'],
    ['  ', 'Nothing typed'],
    ['2000', 'that hot'],
  ])('refuses %s', (text, reason) => {
    const read = parseTemperature(text)
    expect(!read.ok && read.reason).toContain(reason)
  })
})

it('a strip: width × gap is constant', () => expect(squashedWidth(50_000 * 1_600_000, 25_000)).toBe(3_200_000))
