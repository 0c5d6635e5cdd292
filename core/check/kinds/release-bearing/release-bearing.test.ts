import { describe, expect, it } from 'vitest'
import { checkOf, figures, gauge, GAUGES, trial } from '../../../../tests/documents'
import { newLot } from '../../../command/found-pack'
import { inches, nm, thou } from '../../../quantity/length'
import { twoSided, type LimitSet } from '../../../verdict/limits'
import type { CheckDocument, PointReading, Trial } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { answerRequest } from '../../../choice/answer/answer-request'
import { checkKind } from '../../registry'
import { readSetup } from '../../setup'
import { besideLast } from './evaluate'
import { FIELDS } from './setup'

// Common practice: A 0.300, H 3.051, D 2.600, B 3.580 in.
const FINE = {
  ...GAUGES,
  calipers: gauge('calipers', thou(0.5), { permissibleError: nm(500), repeatability: nm(500), readableFraction: 0.2 }),
}
const COARSE = { ...GAUGES, calipers: gauge('calipers', thou(1), { permissibleError: thou(2.5), repeatability: thou(0.3) }) }
const round = (name: string, ...values: number[]) =>
  [1, 2, 3].flatMap(place => figures(`${name}-${place}`, inches(values[place - 1] ?? values[0]!)))
const lengths = ({
  a = 0.3,
  h = [3.051],
  d = [2.6],
  b = [3.58],
}: { a?: number; h?: number[]; d?: number[]; b?: number[] } = {}): PointReading[] => [
  ...figures('a', inches(a)),
  ...round('h', ...h),
  ...round('d', ...d),
  ...round('b', ...b),
]
const set = (low: number, high: number): LimitSet => twoSided(inches(low), inches(high), 'in', { kind: 'book' })
const check = (readings: readonly PointReading[], change: Partial<CheckDocument> = {}, more: readonly Trial[] = []) =>
  checkOf('release-bearing', {
    gauges: FINE,
    // What the kit recommends judges; what it allows at the outside is the book’s.
    limits: { working: 'tighter', sets: { compression: { book: set(0.5, 0.78), shop: set(0.5, 0.75) } } },
    rule: 'careful',
    trials: [trial('t1', readings), ...more],
    ...change,
  })
const evaluated = (...of: Parameters<typeof check>) => evaluateCheck(check(...of), [])
const result = (e: ReturnType<typeof evaluated>, id: string) => e.current.results.find(found => found.id === id)!
const thouOf = (e: ReturnType<typeof evaluated>, id: string) => Math.round(result(e, id).estimate!.value / 254) / 100
const words = (e: ReturnType<typeof evaluated>, id: string) =>
  result(e, id)
    .findings.map(({ words: said }) => said)
    .join(' ')

describe('a hydraulic release bearing', () => {
  it('0.300 + 3.051 − 2.600 = 0.751; a stroke of 0.980 leaves a reserve of 0.229', () => {
    const e = evaluated(lengths())
    expect([thouOf(e, 'compression'), thouOf(e, 'stroke'), thouOf(e, 'reserve')]).toEqual([751, 980, 229])
    expect(words(e, 'reserve')).toContain('may move back 229.0 thou before they load the bearing')
  })
  it('0.751 is above what is recommended by one, in what is allowed; calipers coarser than that cannot call it', () => {
    const { verdict, state } = result(evaluated(lengths()), 'compression')
    expect([state, verdict.book!.plain, verdict.shop!.plain]).toEqual(['above', 'in', 'above'])
    expect(evaluated(lengths()).signOff.needsReason).not.toBeNull()
    expect(words(evaluated(lengths()), 'compression')).toContain('inside the book’s: between the two it is signed with a reason and a name')
    expect(words(evaluated(lengths({ a: 0.34 })), 'compression')).not.toContain('between the two')
    expect(result(evaluated(lengths(), { gauges: COARSE }), 'compression').state).toBe('close')
  })
  it('the last build like it stands beside the new one, length by length', () => {
    const document = check(lengths(), { setup: { lastA: String(inches(0.31)), lastB: String(inches(3.5)) } })
    const beside = besideLast(readSetup(FIELDS, document.setup), evaluateCheck(document, []).current.answers)
    expect(beside.map(({ name, now, last }) => [name, Math.round(now!.value / 25_400), last === null ? null : last / 25_400])).toEqual([
      ['A', 300, 310],
      ['H', 3051, null],
      ['D', 2600, null],
      ['B', 3580, 3500],
    ])
  })
  it('D cancels in the reserve: what it is known to is not in it', () => {
    const names = (id: string) => result(evaluated(lengths()), id).estimate!.lines.map(({ carrier }) => carrier ?? '')
    expect(result(evaluated(lengths()), 'reserve').points.some(point => point.startsWith('d-'))).toBe(false)
    expect(names('reserve').length).toBeGreaterThan(0)
  })
  it('a sunk flange counts the other way', () =>
    expect(thouOf(evaluated(lengths({ a: 0.05 }), { setup: { flange: 'sunk' } }), 'compression')).toBe(401))
  it('a bar taken off both D and B leaves what they are without it', () => {
    const over = { bar: String(inches(0.125)), overD: 'bar', overB: 'bar' }
    const e = evaluated(lengths({ d: [2.725], b: [3.705] }), { setup: over })
    expect([thouOf(e, 'compression'), thouOf(e, 'stroke'), thouOf(e, 'reserve')]).toEqual([751, 980, 229])
    // Left in both: the stroke is right, and the rest is off by the bar.
    const left = evaluated(lengths({ d: [2.725], b: [3.705] }), { setup: { bar: String(inches(0.125)) } })
    expect([thouOf(left, 'compression'), thouOf(left, 'stroke'), thouOf(left, 'reserve')]).toEqual([626, 980, 354])
  })
  it('taken off one and left in the other is refused, with the size of the slip', () => {
    const e = evaluated(lengths({ d: [2.725], b: [3.705] }), { setup: { bar: String(inches(0.125)), overD: 'bar' } })
    expect([thouOf(e, 'stroke'), thouOf(e, 'reserve')]).toEqual([1105, 354])
    expect(words(e, 'compression')).toContain('D and B were not read alike')
    expect(words(e, 'compression')).toContain('wrong by 125.0 thou')
    expect(result(e, 'compression').state).toBe('not-valid')
    // Its maker’s stroke shows the same, by just the bar.
    const made = evaluated(lengths({ b: [3.705] }), { setup: { bar: String(inches(0.125)), stroke: String(inches(0.98)) } })
    expect(words(made, 'stroke')).toContain('just the thickness of the bar')
  })
  it('a bar of no thickness is asked for, and a centring piece is taken off H', () => {
    expect(words(evaluated(lengths(), { setup: { overA: 'bar' } }), 'compression')).toContain('give its thickness')
    const centred = { overH: 'centre', centre: String(inches(0.4)) }
    expect(thouOf(evaluated(lengths({ h: [3.451] }), { setup: centred }), 'compression')).toBe(751)
  })
  it('fingers out of level by more than 0.020 are asked about', () => {
    expect(words(evaluated(lengths({ h: [3.04, 3.051, 3.062] })), 'compression')).toContain('Fingers 22.0 thou out of level')
    expect(words(evaluated(lengths({ h: [3.045, 3.051, 3.057] })), 'compression')).not.toContain('out of level')
  })
  it('pressed back less than the clutch’s release travel it cannot go forward far enough: 0.600 in limits, 0.650 asked for', () => {
    const slack = lengths({ d: [2.751] })
    expect(result(evaluated(slack), 'compression').state).toBe('in')
    const asked = result(evaluated(slack, { setup: { need: String(inches(0.65)) } }), 'compression')
    expect(asked).toMatchObject({ state: 'below', limits: { demand: { lower: inches(0.65) } } })
    expect(asked.limits.working).toMatchObject({ lower: inches(0.65), upper: inches(0.75) })
  })
  it('some reserve is asked for: 0.229 is in, and told with what judges it', () =>
    expect(result(evaluated(lengths()), 'reserve')).toMatchObject({ state: 'in', limits: { demand: { lowerExcluded: true } } }))
  it('nothing left as reserve is out, whatever limits nobody published', () =>
    expect(evaluated(lengths({ a: 0.25, b: [3.29] })).headline).toMatchObject({ id: 'reserve', state: 'below' }))
})

describe('the shim behind it', () => {
  const LOTS = [0.02, 0.05, 0.1, 0.15].map(size => ({
    ...newLot({ id: String(size), family: 'pieces', nominal: inches(size), tags: [] }, true),
    onHand: 1,
  }))
  const short = lengths({ d: [2.951], b: [3.931] })
  it('adds to the compression and takes from the reserve: 0.400 wants 0.100 to 0.350, and the reserve 0.580 has to keep 0.400', () => {
    const limits = {
      working: 'tighter',
      sets: {
        compression: { book: null, shop: set(0.5, 0.75) },
        reserve: { book: null, shop: { kind: 'lower', lower: inches(0.4), unit: 'in', source: { kind: 'own' } } as const },
      },
    } as const
    const e = evaluateCheck(check(short, { limits }), LOTS)
    expect([thouOf(e, 'compression'), thouOf(e, 'reserve')]).toEqual([400, 580])
    const place = e.places[0]!
    expect([place.window!.low, place.window!.high]).toEqual([inches(0.1), inches(0.18)])
    const [best] = answerRequest(place.request!).proposals
    expect(best!.total).toBeLessThanOrEqual(inches(0.18))
    expect(best!.also.map(({ id }) => id)).toEqual(['reserve'])
  })
  it('read over a bar, or to a centring piece, of which nobody said how thick it is: no figure holds', () => {
    const unsaid = (setup: Record<string, string>) => evaluateCheck(check(lengths(), { setup }), [])
    const bar = unsaid({ overA: 'bar' })
    expect(words(bar, 'compression')).toContain('A depth was read over a bar: give its thickness in Set up.')
    expect(result(bar, 'compression').state).toBe('not-valid')
    const centre = unsaid({ overH: 'centre' })
    expect(words(centre, 'compression')).toContain('H was read to a centring piece: give its height in Set up.')
    expect(result(centre, 'compression').state).toBe('not-valid')
    // Said, it comes off: 0.300 + (3.051 − 0.500) − 2.600 = 0.251.
    expect(thouOf(unsaid({ overH: 'centre', centre: String(inches(0.5)) }), 'compression')).toBe(251)
  })
  it('no shim changes the stroke: read again, a stroke that moved is a contradiction', () => {
    const shimmed = (b: number) =>
      trial('t2', [...round('d', 2.801), ...round('b', b)], { packs: { shim: [{ lotId: '0.15', count: 1 }] }, refitted: ['shim'] })
    const again = (b: number) => evaluateCheck(check(short, {}, [shimmed(b)]), LOTS)
    expect(words(again(3.781), 'compression')).not.toContain('no shim changes it')
    expect(words(again(3.8), 'compression')).toContain('was 980.0 thou before the shim and is 999.0 thou now')
    expect(result(again(3.8), 'compression').state).toBe('not-valid')
  })
  it('what the last build read stands beside, and one off by just the bar is a slip', () => {
    const borrowed = { bar: String(inches(0.125)), lastA: String(inches(0.3)), lastD: String(inches(2.475)) }
    const said = words(evaluateCheck(check(lengths(), { setup: borrowed }), []), 'compression')
    expect(said).toContain('Beside the last build like it, in: A 0.3 for 0.3, D 2.6 for 2.475.')
    expect(said).toContain('That is just the thickness of the bar, 125.0 thou')
  })
  it('the next build of this unit starts with bar and plate as they were, and borrows its lengths', () => {
    const document = check(lengths(), { setup: { bar: String(inches(0.125)), plate: 'none' } })
    const handed = checkKind('release-bearing').handsOn!(document.setup, evaluateCheck(document, []).current.answers)
    expect(handed).toMatchObject({ plate: 'none', bar: String(inches(0.125)), lastA: String(inches(0.3)), lastH: String(inches(3.051)) })
  })
})
