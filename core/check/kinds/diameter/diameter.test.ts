import { describe, expect, it } from 'vitest'
import { checkOf, figures, gauge, GAUGES, trial } from '../../../../tests/documents'
import { mm, nm } from '../../../quantity/length'
import { twoSided, type LimitSet } from '../../../verdict/limits'
import type { CheckDocument, PointReading } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { enoughWords } from '../../sentence/enough-words'

// Sizes constructed; a dial that climbs as the plunger goes in shows master less bore (common practice).
const FINE = {
  ...GAUGES,
  'bore-gauge': gauge('bore-gauge', nm(1_000), {
    unit: 'mm',
    permissibleError: nm(1_000),
    repeatability: nm(300),
    range: { low: mm(35), high: mm(60) },
  }),
  'micrometer': gauge('micrometer', nm(1_000), { unit: 'mm', permissibleError: nm(1_000), repeatability: nm(300) }),
  'calipers': gauge('calipers', nm(10_000), { unit: 'mm', permissibleError: nm(20_000), repeatability: nm(5_000) }),
}
const limits: LimitSet = twoSided(mm(40), mm(40.025), 'mm', { kind: 'book' })
const setup = { master: String(mm(40)) }
/** µm above the master, plane by plane at two stations. */
const bore = (...um: number[]): PointReading[] => ['d-A-1', 'd-B-1', 'd-A-2', 'd-B-2'].flatMap((point, i) => figures(point, -um[i]! * 1000))
const check = (readings: readonly PointReading[], change: Partial<CheckDocument> = {}) =>
  evaluateCheck(
    checkOf('diameter', {
      entryUnit: 'mm',
      gauges: FINE,
      rule: 'plain',
      limits: { working: 'book', sets: { size: { book: limits, shop: null } } },
      trials: [trial('t1', readings)],
      ...change,
      setup: { ...setup, ...change.setup },
    }),
    [],
  )
const of = (e: ReturnType<typeof check>, id: string) => e.current.results.find(result => result.id === id)!
const um = (e: ReturnType<typeof check>, id: string) => Math.round(of(e, id).estimate!.value / 100) / 10

describe('a bore by its gauge', () => {
  it('least and most are both judged by the limits of the size; out-of-round and taper stand beside', () => {
    const e = check(bore(5, 9, 12, 20))
    expect([um(e, 'size'), um(e, 'size-most'), um(e, 'round'), um(e, 'taper')]).toEqual([40_005, 40_020, 8, 11])
    expect(e.state).toBe('in')
    expect(check(bore(5, 9, 12, 30)).headline).toMatchObject({ id: 'size-most', state: 'above' })
    expect(check(bore(-4, 9, 12, 20)).headline).toMatchObject({ id: 'size', state: 'below' })
  })
  it('says nothing before every place is read', () => expect(of(check(bore(5, 9, 12, 20).slice(0, 3)), 'size').estimate).toBeNull())
  it('a master out of the gauge’s reach is caught', () =>
    expect(of(check(bore(5, 9, 12, 20), { setup: { master: String(mm(90)) } }), 'size').state).toBe('not-valid'))
  it('a dial taken the wrong way round shows by a rough measure: mirrored about the master it fits', () => {
    const large = bore(-180, -181, -182, -180)
    const said = (rough: number) =>
      of(check([...large, ...figures('rough', mm(rough))]), 'size')
        .findings.map(({ words }) => words)
        .join()
    expect(said(40.18)).toContain('the dial’s sense is the other way round, in the register it climbs as the plunger goes in')
    expect(said(39.82)).not.toContain('sense')
    expect(said(41.1)).toContain('a whole turn of the gauge, or the wrong master?')
  })
})

describe('worked to a size', () => {
  const sized = (readings: readonly PointReading[], more: Record<string, string> = {}) =>
    check(readings, { setup: { work: 'sized', ...more } })
  it('a bore still to be honed: the size aimed at, what the dial shows then, and what is left at its tightest place', () => {
    const { targets, phase } = sized(bore(-40, -36, -38, -37))
    expect(phase).toBe('choose')
    expect(targets).toMatchObject([
      { id: 'size', value: nm(40_012_500), low: mm(40), high: mm(40.025), left: 52_500 },
      { id: 'dial', value: nm(-12_500) },
    ])
  })
  it('a shaft is brought down, and one too small cannot be', () => {
    const shaft = (...sizes: number[]) => ['d-A-1', 'd-B-1', 'd-A-2', 'd-B-2'].flatMap((point, i) => figures(point, mm(sizes[i]!)))
    const { targets } = sized(shaft(40.06, 40.05, 40.04, 40.05), { part: 'shaft' })
    expect(targets).toMatchObject([{ id: 'size', left: -47_500, way: { down: 'Still to come off' } }])
    expect(sized(shaft(39.9, 39.9, 39.9, 39.9), { part: 'shaft' }).targets[0]!.left).toBeGreaterThan(0)
  })
  it('nothing is worked on where it is only judged', () => expect(check(bore(-40, -36, -38, -37)).targets).toEqual([]))
})

it('limits are offered by an ISO 286 class at the nominal size, and not where the rule is not given', () => {
  // ISO 286-2: H7 over 30 to 50 is +25/0, g6 is −9/−25 µm.
  const thumb = (more: Record<string, string>) =>
    of(check([], { limits: { working: 'book', sets: {} }, setup: { nominal: String(mm(40)), ...more } }), 'size').thumb
  expect(thumb({ hole: 'H7' })).toMatchObject({ lower: mm(40), upper: mm(40.025), source: { text: 'ISO 286 H7 at 40 mm' } })
  expect(thumb({ part: 'shaft', shaft: 'g6' })).toMatchObject({ lower: mm(39.975), upper: mm(39.991) })
  expect(thumb({ hole: 'H7', nominal: String(mm(300)) })).toBeNull()
  expect(thumb({})).toBeNull()
})

describe('what is said of a bore that is to be honed', () => {
  const said = (...read: number[]) => {
    const e = check(bore(...read), { setup: { work: 'sized' }, rule: 'careful' })
    const target = e.targets.find(({ id }) => id === 'size')!
    return { enough: target.enough, ...enoughWords(target, e.current.results) }
  }
  it('nothing has to come off only where all of it is in: never beside too large, or too close to call', () => {
    expect(said(5, 9, 12, 20)).toEqual({ enough: true, fine: true, words: 'In limits as it is: nothing has to come off.' })
    expect(said(5, 9, 12, 30)).toMatchObject({ enough: true, fine: false })
    expect(said(5, 9, 12, 30).words).toContain('above: nothing that comes off mends that.')
    expect(said(5, 9, 12, 24.9)).toEqual({
      enough: true,
      fine: false,
      words: 'Too close to call as it is: read it again before anything comes off.',
    })
  })
})
