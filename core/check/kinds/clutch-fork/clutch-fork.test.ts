import { describe, expect, it } from 'vitest'
import { checkOf, figures, gauge, GAUGES, trial } from '../../../../tests/documents'
import { inches, mm, nm } from '../../../quantity/length'
import { twoSided, type LimitSet } from '../../../verdict/limits'
import type { CheckDocument, PointReading } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { closingCard } from '../../sentence/closing-card'
import { checkKind } from '../../registry'
import { fieldsFor } from '../../setup'
import { ratioOf } from './evaluate'

// Common practice; the second example with constructed sizes.
const FINE = {
  ...GAUGES,
  calipers: gauge('calipers', nm(10_000), { unit: 'mm', permissibleError: nm(10_000), repeatability: nm(2_000), readableFraction: 0.2 }),
}
const fingers = (...values: number[]) => [1, 2, 3].flatMap(place => figures(`f-${place}`, mm(values[place - 1] ?? values[0]!)))
const NEW = [...fingers(48.25), ...figures('r', mm(45.1)), ...figures('pivot', mm(31.13))]
const OLD = [...figures('f-old', mm(53.35)), ...figures('pivot-old', mm(37.11))]
const atLeastMm = (lower: number): LimitSet => ({ kind: 'lower', lower: mm(lower), unit: 'mm', source: { kind: 'own' } })
const gapLimits: LimitSet = twoSided(mm(2.5), mm(3.5), 'mm', { kind: 'own' })
const check = (readings: readonly PointReading[], setup: Record<string, string> = {}, change: Partial<CheckDocument> = {}) =>
  evaluateCheck(
    checkOf('clutch-fork', {
      entryUnit: 'mm',
      gauges: FINE,
      limits: { working: 'book', sets: { gap: { book: gapLimits, shop: null } } },
      trials: [trial('t1', readings)],
      ...change,
      setup,
    }),
    [],
  )
const inMm = (value: number | undefined) => Math.round(value! / 10_000) / 100
const of = (e: ReturnType<typeof check>, id: string) => inMm(e.current.results.find(result => result.id === id)!.estimate?.value)
const words = (e: ReturnType<typeof check>, id: string) =>
  e.current.results
    .find(result => result.id === id)!
    .findings.map(({ words: said }) => said)
    .join(' ')

describe('a clutch fork on its pivot', () => {
  it('F 53.35 and 48.25, pivot 37.11 and 31.13, R 45.10: gap 3.15, and it grew by 0.88', () => {
    const e = check([...OLD, ...NEW])
    expect([of(e, 'gap'), of(e, 'grown'), of(e, 'shorter')]).toEqual([3.15, 5.1, 5.98])
    expect(words(e, 'shorter')).toContain('+0.880 mm')
  })
  it('R is the mean of three, as uncertain as they scatter; the first read anew begins a new round', () => {
    const r = (point: string, value: number, order: number) => ({ ...figures(point, mm(value))[0]!, order })
    const rest = [...fingers(48.25), ...figures('pivot', mm(31.13))].map(reading => ({ ...reading, order: 1 }))
    const three = [...rest, r('r', 45.0, 2), r('r-2', 45.1, 3), r('r-3', 45.2, 4)]
    const e = check(three)
    expect(of(e, 'gap')).toBe(3.15)
    // s = 0.1, over the root of three.
    const line = e.headline.estimate!.lines.find(({ words: text }) => text.includes('Spread of 3 readings'))!
    expect([line.u, line.nu]).toEqual([expect.closeTo(100_000 / Math.sqrt(3), -1), 2])
    expect(words(e, 'gap')).toContain('The readings of R lie 0.200 mm apart')
    // No series is thrown out for it: it is wider, and says so.
    expect(e.headline.valid).toBe(true)
    // The pivot is turned, and R read once: the two of the round before count no more.
    const turned = check([...three, r('r', 44.6, 5)])
    expect(of(turned, 'gap')).toBe(3.65)
    expect(words(turned, 'gap')).toContain('1 so far. What was read before the last turn counts no more')
    expect(of(check([...three, r('r', 44.6, 5), r('r-2', 44.7, 6)]), 'gap')).toBe(3.6)
  })
  it('R once is enough and must be; the old clutch and the pivot may be left out, F at any of its three places not', () => {
    const points = (setup: Record<string, string>) =>
      checkKind('clutch-fork').points({ ...checkKind('clutch-fork').defaultSetup, ...setup })
    const [must, may] = [false, true].map(optional =>
      points({})
        .filter(point => (point.optional ?? false) === optional)
        .map(({ id }) => id),
    )
    expect(must).toEqual(['f-1', 'f-2', 'f-3', 'r'])
    expect(may).toEqual(['f-old', 'pivot-old', 'r-2', 'r-3', 'pivot', 'engaged', 'binds-at', 'sleeve-ends', 'left'])
    expect(check([...OLD, ...fingers(48.25), ...figures('pivot', mm(31.13))]).headline).toMatchObject({ id: 'gap', state: 'to-do' })
  })
  it('a ratio below one is two figures mixed up', () => {
    const mixed = { endTravel: String(inches(1.235)), need: String(inches(0.445)), endMoved: String(mm(10)), bearingMoved: String(mm(25)) }
    expect(words(check(NEW, mixed), 'travel')).toContain('A ratio of 0.40: the cable end would move less than the bearing')
  })
  it('turned out below the diameter of its thread it would not hold', () => {
    // 6 mm of gap where 3 are wanted: out by 3, and of 12 mm of thread 10 have to stay.
    const wide = [...fingers(51.1), ...figures('r', mm(45.1)), ...figures('engaged', mm(12))]
    const stopped = (stud: number) => check(wide, { stud: String(mm(stud)) }).targets[0]!.stopped
    expect(stopped(10)).toContain('Out by more than 2.000 mm less of its thread holds than its diameter, 10.000 mm')
    expect(stopped(8)).toBeNull()
  })
  it('with the bell on the gearbox both are read from its other side, and the sign turns', () => {
    const e = check([...fingers(45.1), ...figures('r', mm(48.25))], { bell: 'gearbox' })
    expect(of(e, 'gap')).toBe(3.15)
    expect(e.current.results[0]!.formula).toContain('R − F')
    expect(check([...fingers(48.25), ...figures('r', mm(45.1))], { bell: 'gearbox' }).headline).toMatchObject({ id: 'gap', state: 'below' })
  })
  it('a bar left in the new F alone makes gap and difference wrong by it; taken off it is right', () => {
    const bar = { bar: String(mm(1)) }
    const slipped = [...OLD, ...fingers(49.25), ...figures('r', mm(45.1)), ...figures('pivot', mm(31.13))]
    const e = check(slipped, bar)
    expect([of(e, 'gap'), of(e, 'grown')]).toEqual([4.15, 4.1])
    const off = check(slipped, { ...bar, overF: 'bar' })
    expect([of(off, 'gap'), of(off, 'grown')]).toEqual([3.15, 5.1])
    expect(words(check(slipped, { overF: 'bar' }), 'gap')).toContain('give its thickness')
  })
  it('2.78 is the largest ratio that still releases, and not the fork’s own', () => {
    const asked = { endTravel: String(inches(1.235)), need: String(inches(0.445)) }
    expect(words(check(NEW, asked), 'travel')).toContain('largest ratio that still releases is 2.78: that is not the fork’s own')
    const tried = { ...asked, endMoved: String(mm(30)), bearingMoved: String(mm(10)) }
    expect(words(check(NEW, tried), 'travel')).toContain('the fork’s own is 3.00: 31.369 mm at its end do not release it')
    // What is left at the fingers, and what the adjuster has to take up.
    const e = check(NEW, { ...tried, bearingMoved: String(mm(12)) })
    expect([of(e, 'travel'), of(e, 'slack')]).toEqual([12.55, 7.88])
    // A rule tells the end’s travel to half a millimetre: 2.5 times less at the bearing.
    expect(e.current.results.find(({ id }) => id === 'travel')!.estimate!.u).toBeCloseTo(500_000 / Math.sqrt(3) / 2.5, 0)
  })
  it('the ratio is what was tried where both ends were seen to move, else that of the arms, else none', () => {
    const base = fieldsFor(checkKind('clutch-fork').setupFields, {}) as unknown as Parameters<typeof ratioOf>[0]
    const none = { ...base, endMoved: null, bearingMoved: null, toBearing: null, toCable: null }
    const arms = { toBearing: mm(50), toCable: mm(125) }
    expect(ratioOf(none)).toBeNull()
    expect(ratioOf({ ...none, endMoved: mm(27), bearingMoved: mm(10), ...arms })).toBe(2.7)
    for (const half of [{ endMoved: mm(27) }, { bearingMoved: mm(10) }, { endMoved: mm(27), bearingMoved: nm(0) }])
      expect([ratioOf({ ...none, ...half }), ratioOf({ ...none, ...half, ...arms })]).toEqual([null, 2.5])
    for (const half of [{ toBearing: mm(50) }, { toCable: mm(125) }, { toBearing: nm(0), toCable: mm(125) }])
      expect(ratioOf({ ...none, ...half })).toBeNull()
    // A fork that pivots between its ends turns the way round; its ratio has no sign.
    expect(ratioOf({ ...none, toBearing: mm(50), toCable: mm(-125) })).toBe(2.5)
  })
  it('R read three times is asked for no more; nothing of travel or swing is told before what it is reckoned from is there', () => {
    const thrice = [...fingers(48.25), ...figures('r', mm(45.1)), ...figures('r-2', mm(45.1)), ...figures('r-3', mm(45.1))]
    expect(words(check(thrice), 'gap')).not.toContain('so far')
    expect(words(check(NEW), 'gap')).toContain('1 so far')
    const marks = [...NEW, ...figures('binds-at', mm(20)), ...figures('sleeve-ends', mm(35))]
    const [end, moved] = [{ endTravel: String(mm(30)) }, { endMoved: String(mm(25)), bearingMoved: String(mm(10)) }]
    const told = (setup: Record<string, string>, readings = marks) => {
      const { current } = check(readings, setup)
      return ['travel', 'slack', 'swing'].map(id => current.results.find(result => result.id === id)!.estimate !== null)
    }
    expect(told({ ...end, ...moved })).toEqual([true, true, true])
    expect(told(end)).toEqual([false, false, false])
    expect(told(moved)).toEqual([false, true, false])
    expect(told({ ...end, ...moved }, NEW)).toEqual([true, true, false])
    expect(told({ ...end, ...moved }, [...NEW, ...figures('binds-at', mm(20))])).toEqual([true, true, false])
    expect(told({ ...end, ...moved }, marks.slice(-2))).toEqual([false, false, true])
    // 35 − 20 − 30/2.5 = 3.
    expect(of(check(marks, { ...end, ...moved }), 'swing')).toBe(3)
  })
  describe('what clutch, thread and cable ask for judges', () => {
    const asked = {
      endTravel: String(mm(21.4)),
      endMoved: String(mm(25)),
      bearingMoved: String(mm(10)),
      need: String(mm(11.3)),
      most: String(mm(13)),
      stud: String(mm(10)),
      adjuster: String(mm(7)),
    }
    const e = check([...NEW, ...figures('engaged', mm(9))], asked)
    const at = (id: string, of = e) => of.current.results.find(result => result.id === id)!
    it('a clutch that cannot release: 21.4 ÷ 2.5 = 8.56 of 11.30', () => {
      expect(of(e, 'travel')).toBe(8.56)
      expect(at('travel')).toMatchObject({
        state: 'below',
        limits: { book: null, demand: { lower: mm(11.3), upper: mm(13), source: { kind: 'kit-leaflet' } } },
      })
      expect(e.word).toBe('Below')
      expect(e.signOff.needsReason).toContain('Travel left at the fingers: outside the limits')
    })
    it('9 mm of thread where its diameter is 10; 7.875 of slack where 7 can be taken up', () => {
      expect(at('engaged')).toMatchObject({ state: 'below', limits: { demand: { kind: 'lower', lower: mm(10) } } })
      expect(of(e, 'slack')).toBe(7.88)
      expect(at('slack').state).toBe('above')
    })
    it('on the card before it is closed, and it says not to', () => {
      const document = checkOf('clutch-fork', { entryUnit: 'mm', gauges: FINE, trials: [trial('t1', NEW)], setup: asked })
      const card = closingCard(document, evaluateCheck(document, []), { system: 'metric', time: at => at })
      expect(card.answer).toBe('Travel left at the fingers: Below 8.560 mm, limits 11.3 – 13.0 mm')
      expect(card.stop).toContain('Do not close: Travel left at the fingers below')
    })
    it('nothing is asked of what nobody said: travel without a need', () =>
      expect(at('travel', check(NEW, { ...asked, need: '', most: '', adjuster: '' }))).toMatchObject({
        state: 'no-limit',
        limits: { demand: null },
      }))
    it('a limit of one’s own judges besides: from 5, and the clutch still wants 11.30', () => {
      const sets = { travel: { book: atLeastMm(5), shop: null } }
      const own = at('travel', check(NEW, asked, { limits: { working: 'book', sets } }))
      expect(own).toMatchObject({ state: 'below', limits: { working: { lower: mm(11.3), upper: mm(13) } } })
      expect(own.verdict).toMatchObject({ book: { state: 'in' }, demand: { state: 'below' } })
      // Where one’s own keeps to it anyway, nothing is asked for besides.
      const strict = { travel: { book: twoSided(mm(11.5), mm(12), 'mm', { kind: 'own' }), shop: null } }
      expect(at('travel', check(NEW, asked, { limits: { working: 'book', sets: strict } })).limits.demand).toBeNull()
    })
    it('one recommended figure stays what is aimed at, and what is asked for judges', () => {
      const figure = { kind: 'figure', figure: mm(12), unit: 'mm', source: { kind: 'own' } } as const
      const sets = { travel: { book: figure, shop: null } }
      expect(at('travel', check(NEW, asked, { limits: { working: 'book', sets } }))).toMatchObject({
        state: 'below',
        limits: { working: { kind: 'figure' }, demand: { lower: mm(11.3) } },
      })
      expect(check(NEW, asked, { limits: { working: 'book', sets } }).signOff.needsReason).toContain(
        'Travel left at the fingers: outside the limits',
      )
      const enough = { ...asked, endTravel: String(mm(30)) }
      expect(at('travel', check(NEW, enough, { limits: { working: 'book', sets } })).state).toBe('no-limit')
    })
    it('a gap of at least 3 mm is a limit: 3.15 ± 0.02 is in, 2.95 is not', () => {
      const sets = { gap: { book: atLeastMm(3), shop: null } }
      const read = (r: number) => check([...fingers(48.25), ...figures('r', mm(r))], {}, { limits: { working: 'book', sets } })
      expect(at('gap', read(45.1)).state).toBe('in')
      expect(at('gap', read(45.3)).state).toBe('below')
      // What the pivot is screwed in by for it stands there too.
      expect(read(45.3).targets.length).toBeGreaterThan(0)
    })
  })
  it('turns for this build: angle kept, and cable end held; not further than it goes', () => {
    const tight = [...fingers(48.25), ...figures('r', mm(47)), ...figures('left', mm(2))]
    const setup = { pitch: String(mm(1.5)), toBearing: String(mm(50)), toCable: String(mm(125)) }
    const { targets, phase } = check(tight, setup)
    expect(phase).toBe('choose')
    // 1.25 is there, 3.00 is wanted: 1.75 in, 1.17 turns; held it gives 1 − 50/125 = 0.6 of it: 2.92 in.
    expect(targets.map(({ id, value, stopped }) => [id, inMm(value), stopped])).toEqual([
      ['kept', 1.75, null],
      ['held', 2.92, 'It goes in only 2.000 mm more: not without cutting it.'],
    ])
    expect(inMm(targets[0]!.low!)).toBe(1.25)
    expect(targets[0]!.turn).toBe(mm(1.5))
  })
  it('between where it binds and where the sleeve ends there is room for the travel, or there is not', () => {
    const marks = (sleeve: number) => [...NEW, ...figures('binds-at', mm(20)), ...figures('sleeve-ends', mm(sleeve))]
    const tried = { endTravel: String(mm(30)), endMoved: String(mm(25)), bearingMoved: String(mm(10)) }
    expect(of(check(marks(34), tried), 'swing')).toBe(2)
    expect(of(check(marks(31), tried), 'swing')).toBe(-1)
  })
  it('old parts that were worn are a used figure, and said to be', () =>
    expect(words(check([...OLD, ...NEW], { old: 'worn' }), 'shorter')).toContain('Measured on a worn pivot'))
  it('after a turn the newest R counts', () => {
    const turned = [...fingers(48.25), ...figures('r', mm(47), mm(45.5))]
    expect(of(check(turned), 'gap')).toBe(2.75)
  })
  it('what was never measured of the old clutch is not asked for', () => {
    const e = check(NEW, { old: 'gone' })
    expect(e.current.results.map(({ id }) => id)).toEqual(['gap', 'travel', 'slack', 'engaged', 'swing'])
  })
})

describe('before the gearbox goes up', () => {
  const card = (setup: Record<string, string>, readings: readonly PointReading[] = NEW) => {
    const document = checkOf('clutch-fork', {
      entryUnit: 'mm',
      gauges: FINE,
      limits: { working: 'book', sets: { gap: { book: gapLimits, shop: null } } },
      trials: [trial('t1', readings)],
      setup,
    })
    return closingCard(document, evaluateCheck(document, []), { system: 'metric', time: at => at }).questions.map(
      ({ ask, answer, figure }) => `${ask} ${answer}: ${figure}`,
    )
  }
  const whole = { endMoved: String(mm(20)), bearingMoved: String(mm(10)), endTravel: String(mm(30)), need: String(inches(0.445)) }
  it('three questions have their answers, and the figures behind them', () => {
    // 30 ÷ 2 = 15 of 11.30 at least; 3.15 × 2 = 6.3 of 5 that the adjuster takes.
    const [on, release, worn] = card({ ...whole, adjuster: String(mm(5)) })
    expect(on).toMatch(/^Will it go on without touching\? Yes: gap, bearing to fingers 3\.15\d* mm, 2\.5/)
    expect(release).toMatch(/^Will it release\? Yes: travel left at the fingers 15\.0+ mm, at least 11\.3/)
    expect(worn).toMatch(/^Will it still be adjustable when worn\? No: slack to take up at the cable 6\.3\d* mm, .*5/)
    expect(card({ ...whole, adjuster: String(mm(5)) }, [...fingers(44), ...figures('r', mm(45.1))])[0]).toContain('touching? No')
  })
  it('what was not said is not known, whatever the rest', () => {
    expect(card({}).map(line => /\? ([^:]*):/.exec(line)![1])).toEqual(['Yes', 'Not known', 'Not known'])
    expect(card(whole)[2]).toContain('Not known: slack to take up at the cable 6.3')
  })
  it('0.445 in is 11.30 mm, half an inch 12.70: the rounding is 1.40 mm, and decides where the travel lies between', () => {
    expect(words(check(NEW, whole), 'travel')).toContain(
      'It needs 0.445 in, 11.303 mm: rounded up to 0.5 in it would be 1.397 mm more. What is said',
    )
    expect(words(check(NEW, { ...whole, endTravel: String(mm(24)) }), 'travel')).toContain('and by that it would not release')
    expect(words(check(NEW, { ...whole, need: String(mm(11.3)) }), 'travel')).not.toContain('rounded up')
    expect(words(check(NEW, { ...whole, need: String(inches(0.5)) }), 'travel')).not.toContain('rounded up')
  })
  it('lengths read over the bar against others from the face say how far what is between may be off', () => {
    const bar = { bar: String(mm(1)) }
    const old = check([...OLD, ...NEW], { ...bar, overF: 'bar', overR: 'bar' })
    expect(words(old, 'grown')).toContain('their difference may be off by the bar’s 1.000 mm')
    expect(words(old, 'gap')).not.toContain('not read alike')
    expect(words(check([...OLD, ...NEW], { ...bar, overF: 'bar', overOld: 'bar' }), 'gap')).toContain(
      'a slip there is the bar’s 1.000 mm in the gap',
    )
  })
  it('a turn of the pivot is so much', () => {
    expect(check(NEW, { pitch: String(mm(1.25)) }).targets[0]!.note).toContain('One turn is 1.250 mm: jam nut, R again after each.')
  })
})
