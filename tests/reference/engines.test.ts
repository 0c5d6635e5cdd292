import { describe, expect, it } from 'vitest'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { dialFigure, boreOf, ringMaster } from '#core/method/bore-gauge/bore'
import { gradeFor, scaleStep } from '#core/method/plastic-strip/scale'
import { inches, nm, thou } from '#core/quantity/length'
import { stated } from '#core/reading/estimate'
import { twoSided } from '#core/verdict/limits'
import { choosePacks } from '#core/choice/answer/chooser/choose'
import { prepareDrawer } from '#core/choice/answer/chooser/prepare'
import type { Lot } from '#core/pack/lot'
import { between, checkOf, figures, GAUGES, plays, said, trial } from '../documents'
import { lotOf } from '../pieces'

/** Values of the trade for engines: common practice, no source. */
const BOOK = { kind: 'book' } as const
const lot = (id: string, nominal: number, more: Partial<Lot> = {}): Lot => lotOf(id, nm(nominal), { onHand: 4, ...more })

describe('a shimmed flange: a gap of 61, band 3 to 6', () => {
  const document = checkOf('crankshaft-end-play', {
    setup: { thrust: 'shimmed', way: 'feeler' },
    limits: { working: 'book', sets: { play: { book: twoSided(thou(3), thou(6), 'thou', BOOK), shop: null } } },
    trials: [trial('t1', [between('gap', 60.5, 61.5, 4)], { packs: { flange: [] } })],
  })
  it('needs a pack of 55 to 58; 55 is the least that will do', () => {
    const {
      places: [flange],
      headline,
    } = evaluateCheck(document, [])
    expect(headline.estimate!.value).toBe(thou(61))
    expect(flange!.window).toMatchObject({ low: thou(55), high: thou(58), lowExcluded: false, highExcluded: false })
  })
  it('three leaves and the fourth that does not go: (go + no-go)/2, u = (no-go − go)/√12 plus the leaves', () => {
    const {
      headline: { estimate },
    } = evaluateCheck(document, [])
    expect(estimate!.lines[0]!.u).toBeCloseTo(thou(1) / Math.sqrt(12), 6)
    expect(estimate!.lines[1]!.u).toBeCloseTo((2_540 / Math.sqrt(3)) * 2, 6)
  })
})

describe('thrust bearing alignment', () => {
  const aligned = (before: number, after: number) =>
    evaluateCheck(
      checkOf('thrust-alignment', {
        trials: [trial('t1', [...plays('before', before, before, before), ...plays('after', after, after, after)])],
      }),
      [],
    )
  it.each([
    [3, 4, '1 thou'],
    [0.5, 3.5, '3 thou'],
  ])('play %s before, %s after: out of line by about %s', (before, after, words) => {
    const { headline, current } = aligned(before, after)
    expect(headline.estimate!.value).toBe(thou(after))
    expect(headline.findings.map(finding => finding.words).join()).toContain(`out of line by about ${words}`)
    expect(current.results.find(result => result.id === 'line')!.estimate!.value).toBe(thou(after - before))
  })
  it('play the same before and after: the halves were in line', () =>
    expect(
      aligned(3, 3)
        .headline.findings.map(finding => finding.words)
        .join(),
    ).toContain('3 before, 3 thou after: no difference that can be told; the halves were in line.'))
  it('a little less than before, within what can be told, asks for no reason; clearly less does', () => {
    expect(aligned(4, 3.9).headline.asksReason).toBeNull()
    expect(aligned(4, 2).headline.asksReason).toBe('there is less play than before aligning')
    expect(aligned(2, 4).headline.asksReason).toBeNull()
  })
  it('less play after than before is no alignment', () =>
    expect(
      aligned(4, 3).headline.findings.some(finding => finding.level === 'warn' && finding.words.includes('less play than before')),
    ).toBe(true))
  it('a dowel 13 thou slack lets the cap wander 6.5 either way, 13 in all: it locates nothing', () => {
    const { current } = evaluateCheck(
      checkOf('thrust-alignment', {
        trials: [trial('t1', [...plays('after', 4, 4, 4), ...figures('dowel', inches(0.5)), ...figures('hole', inches(0.513))])],
      }),
      [],
    )
    const wander = current.results.find(result => result.id === 'wander')!
    expect(wander.estimate!.value).toBe(thou(13))
    expect(wander.findings.at(-1)!.words).toBe(
      'The cap can wander ±6.5 thou from the middle, 13 thou in all: more than the play itself, the dowel locates nothing.',
    )
  })
})

describe('eccentric shaft: a spacer of 0.02 mm more takes 1.4 thou to 2.19', () => {
  const letters = [lot('R', 5_370_000, { mark: 'R' }), lot('H', 5_350_000, { mark: 'H' }), lot('C', 5_330_000, { mark: 'C' })]
  const document = checkOf('eccentric-shaft-end-play', {
    limits: { working: 'book', sets: { play: { book: twoSided(40_000, 70_000, 'mm', BOOK), shop: null } } },
    uRefit: nm(500),
    trials: [trial('t1', plays('travel', 1.4, 1.4, 1.4), { packs: { spacer: [{ lotId: 'H', count: 1 }] } })],
  })
  it('names the one spacer, by its letter and not by its order', () => {
    const evaluation = evaluateCheck(document, letters)
    expect(evaluation.word).toBe('Tight')
    expect(evaluation.places[0]!.window).toMatchObject({ low: 5_350_000 + 40_000 - thou(1.4), high: 5_350_000 + 70_000 - thou(1.4) })
    const request = evaluation.places[0]!.request!
    expect(request.rules).toMatchObject({ fewest: 1, most: 1 })
    const { proposals } = choosePacks(prepareDrawer(request.drawer, request.fitted, request.response, request.rules), request.question)
    expect(proposals[0]!.pack).toEqual([{ lotId: 'R', count: 1 }])
    expect(Math.abs(proposals[0]!.predicted.play - (thou(1.4) + 20_000))).toBeLessThan(1)
    expect((thou(1.4) + 20_000) / thou(1)).toBeCloseTo(2.19, 2)
  })
  it('asks for the spacer that is fitted before it chooses', () =>
    expect(evaluateCheck({ ...document, trials: [trial('t1', plays('travel', 1.4, 1.4, 1.4))] }, letters).places[0]!.note).toContain(
      'not known',
    ))
})

describe('plain bearings', () => {
  const setup = { positions: '4', stations: '1', zeroedIn: 'ring', master: String(inches(2.45)), masterError: '0' }
  // A dial that climbs as the plunger goes in: bore = master − reading.
  const at = (position: number, journal: number, bore: number) => [
    ...figures(`journal-${position}-A`, inches(journal)),
    ...figures(`journal-${position}-B`, inches(journal)),
    ...figures(`bore-${position}-A`, inches(2.45) - inches(bore)),
    ...figures(`bore-${position}-B`, inches(2.45) - inches(bore)),
  ]
  const mains = (readings: ReturnType<typeof at>, more: Parameters<typeof checkOf>[1] = {}) =>
    evaluateCheck(
      checkOf('bearing-clearance', {
        setup,
        limits: { working: 'book', sets: { clearance: { book: twoSided(thou(1.8), thou(2.5), 'thou', BOOK), shop: null } } },
        trials: [trial('t1', readings)],
        ...more,
      }),
      [],
    )
  const result = (evaluation: ReturnType<typeof mains>, id: string) => evaluation.current.results.find(candidate => candidate.id === id)!

  it('a bore of 2.4485 on a journal of 2.4486 locks; it is not an error', () => {
    const main = result(mains(at(1, 2.4486, 2.4485)), 'clearance@1')
    expect(main).toMatchObject({
      state: 'below',
      overrule: 'the bore at A is 0.1 thou smaller than the journal at A: they cannot go together',
    })
    expect(main.estimate!.value).toBe(-thou(0.1))
  })
  it('“locks” beats arithmetic', () => {
    expect(result(mains([...at(2, 2.4486, 2.4506), said('turns-2', 'locks')]), 'clearance@2')).toMatchObject({
      state: 'below',
      overrule: 'the shaft locks with cap 2 tight: that beats the 2.0 thou the figures give',
    })
    expect(result(mains([...at(2, 2.4486, 2.4485), said('turns-2', 'turns')]), 'clearance@2').state).toBe('not-valid')
  })
  it('the worst position is the headline, whatever its number', () => {
    const evaluation = mains([...at(1, 2.4486, 2.4508), ...at(2, 2.4486, 2.4507), ...at(3, 2.4486, 2.4507), ...at(4, 2.4486, 2.4524)])
    expect(evaluation.headline).toMatchObject({ id: 'clearance@4', label: 'Main 4', state: 'above' })
    expect(evaluation.headline.estimate!.value).toBe(thou(3.8))
  })
  it('fourth main 3.8: a pair 0.001 under predicts 2.8; measured 2.0 to 2.2 is off its prediction, and said so', () => {
    const shells = [lot('std', 60_000), lot('under-1', 60_000 + 12_700, { measured: null })]
    const found = trial('t1', at(4, 2.4486, 2.4524), { packs: { 'shells-4': [{ lotId: 'std', count: 2 }] } })
    const first = checkOf('bearing-clearance', {
      setup,
      limits: { working: 'book', sets: { clearance: { book: twoSided(thou(1.8), thou(3), 'thou', BOOK), shop: null } } },
      trials: [found],
    })
    const place = evaluateCheck(first, shells).places.find(({ place: { id } }) => id === 'shells-4')!
    expect(place.window).toMatchObject({ low: Math.round(120_000 + thou(0.8)), high: 120_000 + thou(2) })
    const fitted = trial(
      't2',
      [...figures('bore-4-A', inches(2.45) - inches(2.4507)), ...figures('bore-4-B', inches(2.45) - inches(2.4507))],
      {
        packs: { 'shells-4': [{ lotId: 'under-1', count: 2 }] },
        refitted: ['shells-4'],
        predicted: { 'clearance@4': { play: thou(2.8), u: thou(0.2), uOwn: thou(0.2) } },
      },
    )
    const proved = evaluateCheck({ ...first, trials: [found, fitted] }, shells).current.results.find(({ id }) => id === 'clearance@4')!
    // The journal was not touched: its readings hold; the bores were taken anew.
    expect(proved.estimate!.value).toBe(thou(2.1))
    expect(proved.residual).toMatchObject({ flagged: true })
    expect(proved.residual!.difference).toBeCloseTo(-thou(0.7), 3)
  })
  it('the error of one micrometer, zeroing the bore gauge and reading the journal, cancels', () => {
    const ring = result(mains(at(1, 2.4486, 2.4506)), 'clearance@1').estimate!
    const same = result(mains(at(1, 2.4486, 2.4506), { setup: { ...setup, zeroedIn: 'micrometer' } }), 'clearance@1').estimate!
    const gaugeErrors = (lines: typeof ring.lines) =>
      lines.filter(line => line.carrier === 'micrometer').reduce((sum, line) => sum + line.u ** 2, 0)
    expect(gaugeErrors(ring.lines)).toBeGreaterThan(0)
    const carried = same.lines.filter(line => line.carrier === 'micrometer')
    expect(carried.reduce((sum, line) => sum + line.u, 0)).toBeLessThan(1)
  })
  it('rule of thumb: 0.75 to 1 thou per inch of journal, offered and never judged by', () => {
    const {
      current: { results },
    } = mains(at(1, 2.0, 2.002), { limits: { working: 'book', sets: {} } })
    const main = results.find(({ id }) => id === 'clearance@1')!
    expect(main.thumb).toMatchObject({ lower: thou(1.5), upper: thou(2), source: { kind: 'common-practice' } })
    expect(main.state).toBe('no-limit')
  })
  it('a bore gauge whose zero drifted voids its bores; a master without a size is asked for', () => {
    const drifted = result(mains([...at(1, 2.4486, 2.4506), ...figures('zero-1', thou(0.3))]), 'clearance@1')
    expect(drifted).toMatchObject({ state: 'not-valid', valid: false })
    expect(drifted.findings.map(({ words }) => words).join()).toContain('its zero drifted')
    const unknown = result(mains(at(1, 2.4486, 2.4506), { setup: { ...setup, master: '' } }), 'clearance@1')
    expect(unknown.state).toBe('not-valid')
    expect(unknown.findings.map(({ words }) => words).join()).toContain('The master has no size yet')
  })
})

describe('roller big ends: bore targets and range', () => {
  const MASTER = inches(1.5)
  const rod = (pinOff: number, rollerOff: readonly number[], bore: number | null, sense: 'climbs' | 'falls' = 'climbs') => {
    const rollers = figures('bag-A', ...rollerOff.map(tenths => inches(0.25) + thou(tenths / 10)))
    const dial = sense === 'climbs' ? -1 : 1
    return evaluateCheck(
      checkOf('roller-big-end', {
        setup: { rods: '1', rollers: String(rollerOff.length), bags: '1', master: String(MASTER), masterError: '0' },
        gauges: { ...GAUGES, 'bore-gauge': { ...GAUGES['bore-gauge'], sense } },
        aim: { school: 'own', own: thou(1) },
        limits: { working: 'book', sets: { clearance: { book: twoSided(thou(0.5), thou(1.5), 'thou', BOOK), shop: null } } },
        trials: [
          trial('t1', [
            ...['A', 'B'].flatMap(direction => figures(`pin-1-${direction}`, inches(1) + thou(pinOff / 10))),
            ...rollers,
            { id: 'set', point: 'set-1', pieces: rollers.map(({ id }) => id) },
            ...(bore === null
              ? []
              : ['A-front', 'B-front', 'A-rear', 'B-rear'].flatMap(at => figures(`bore-1-${at}`, dial * thou(bore / 10)))),
          ]),
        ],
      }),
      [],
    )
  }
  const dialTarget = (evaluation: ReturnType<typeof rod>) => evaluation.targets.find(({ id }) => id === 'dial')!.value / thou(0.1)
  it.each([
    [-1, 7],
    [-2, 5],
  ])('pin 1 tenth under, clearance 10, rollers %s: the bore is %s tenths over; the dial has its own sign', (rollerOff, over) => {
    expect(dialTarget(rod(-1, [rollerOff, rollerOff], null, 'falls'))).toBeCloseTo(over, 6)
    expect(dialTarget(rod(-1, [rollerOff, rollerOff], null, 'climbs'))).toBeCloseTo(-over, 6)
  })
  it('a bag of 2 to 3 tenths under in a bore at +5.75: 10.75 to 12.75', () => {
    const { results } = rod(-1, [-2, -2, -3], 5.75).current
    expect(results.slice(0, 2).map(({ estimate }) => estimate!.value / thou(0.1))).toEqual([
      expect.closeTo(10.75, 6),
      expect.closeTo(12.75, 6),
    ])
  })
})

describe('bores and strips', () => {
  it('target bores of +7 and +5 tenths, and their sign on the dial', () => {
    expect([thou(0.7), thou(0.5)].map(target => dialFigure(target, { sense: 'climbs' }))).toEqual([-thou(0.7), -thou(0.5)])
    expect(dialFigure(thou(0.7), { sense: 'falls' })).toBe(thou(0.7))
    const master = ringMaster(inches(2), 0)
    expect(boreOf(stated(-thou(0.7), []), master, { sense: 'climbs' }, null).value).toBe(inches(2.0007))
    expect(boreOf(stated(thou(0.7), []), master, { sense: 'falls' }, null).value).toBe(inches(2.0007))
  })
  it('the thinnest strip whose range holds the limits', () => {
    expect(gradeFor(30_000, 70_000)?.colour).toBe('green')
    expect(gradeFor(60_000, 140_000)?.colour).toBe('red')
    expect(gradeFor(110_000, 220_000)?.colour).toBe('blue')
    // In thou too: one to three is green.
    expect(gradeFor(thou(1), thou(3))?.colour).toBe('green')
    expect(gradeFor(thou(2), thou(6))?.colour).toBe('red')
    expect(gradeFor(30_000, 140_000)).toBeNull()
  })
  it('a strip is known to a step of its scale, /√12; off the scale it is another grade', () => {
    expect(scaleStep([25, 38, 51, 64, 76], 51)).toBe(13)
    expect(scaleStep([25, 38, 51, 64, 76], 70)).toBe(12)
    expect(scaleStep([25, 38, 51, 64, 76], 80)).toBeNull()
    const strip = (gap: number) =>
      evaluateCheck(
        checkOf('oil-pump-clearance', {
          setup: { way: 'strip' },
          limits: {
            working: 'book',
            sets: { clearance: { book: { kind: 'upper', upper: thou(2.5), unit: 'thou', source: BOOK }, shop: null } },
          },
          trials: [trial('t1', [...figures('strip-outer', thou(gap)), ...figures('strip-inner', thou(2))])],
        }),
        [],
      )
    expect(strip(1.5)).toMatchObject({ state: 'in', headline: { estimate: { u: expect.closeTo(thou(0.5) / Math.sqrt(12), 6) } } })
    expect(strip(3)).toMatchObject({ state: 'above', headline: { label: 'Outer rotor' } })
    expect(strip(5)).toMatchObject({ state: 'not-valid' })
  })
})
