import { describe, expect, it } from 'vitest'
import launch from '../../../demo/1-mail-launch.worksheet.json'
import loader from '../../../demo/3-quarry-loader.worksheet.json'
import bus from '../../../demo/4-island-bus.worksheet.json'
import { nm, thou } from '../../quantity/length'
import { checkWorksheet } from '../../worksheet/read'
import type { Worksheet } from '../../worksheet/worksheet'
import { NO_ANSWER } from '../../method/way'
import { resultId, type CheckKind } from '../contract'
import type { CheckDocument } from '../document'
import type { Setup } from '../setup'
import { evaluateCheck, shownFigure } from './evaluate-check'
import { answerRequest } from '../../choice/answer/answer-request'
import { checkKind, checkKinds } from '../registry'

function sheet(json: unknown): Worksheet {
  const reading = checkWorksheet(json)
  if (!reading.ok) throw new Error(JSON.stringify(reading.faults))
  return reading.worksheet
}
const [launchSheet, loaderSheet, busSheet] = [launch, loader, bus].map(sheet) as [Worksheet, Worksheet, Worksheet]
const check = (worksheet: Worksheet, id: string) => worksheet.jobs[0]!.checks.find(c => c.id === id)!
const input = check(launchSheet, 'launch-input')
const evaluate = (change: Partial<CheckDocument> = {}, document = input) => evaluateCheck({ ...document, ...change }, launchSheet.lots)
const last = (document: CheckDocument) => document.trials.at(-1)!
const withReadings = (document: CheckDocument, plays: number[]) => ({
  trials: [
    ...document.trials.slice(0, -1),
    { ...last(document), readings: plays.map((play, i) => ({ id: `r${i}`, point: 'travel', start: nm(0), far: thou(play), back: nm(0) })) },
  ],
})

describe('a check as a whole', () => {
  it('loose: says so under both limits, and asks the chooser the right question', () => {
    const e = evaluate()
    expect(e).toMatchObject({ state: 'above', word: 'Loose', phase: 'choose' })
    expect(e.headline.verdict).toMatchObject({ book: { plain: 'above' }, shop: { plain: 'above' } })
    expect(e.places[0]!.aim!.target).toBe(thou(4.5))
    expect(shownFigure(e.headline, 'thou')).toBe('22.2')
    const choice = answerRequest(e.places[0]!.request!)
    expect(choice.proven).toBe(true)
    expect(choice.proposals).toHaveLength(5)
    expect(choice.proposals[0]!.chance!.inside).toBeGreaterThan(0.95)
  })
  it('In is provisional while a required step is open, and cannot be signed', () => {
    const readings = withReadings(input, [4.4, 4.5, 4.6])
    // The final torque must be ticked of what was found too.
    expect(evaluate(readings)).toMatchObject({
      state: 'provisional',
      phase: 'prove',
      signOff: { blockers: [expect.stringContaining('manual’s torque')] },
    })
    const done = { ...readings, ticks: [...input.ticks, { step: 'torqued', trial: readings.trials[0]!.id }] }
    expect(evaluate(done)).toMatchObject({ state: 'in', signOff: { blockers: [], needsReason: null }, phase: 'prove' })
    const open = evaluate({ ...done, ticks: done.ticks.filter(tick => tick.step !== 'tightened') })
    expect(open.state).toBe('provisional')
    expect(open.signOff.blockers).toEqual(['Still to tick: Cover bolts snug and even, in a cross.'])
  })
  it('stale stands above everything, and must be measured again', () => {
    const e = evaluate({ partChanges: [{ role: 'bearing', at: '2030-01-01T00:00:00Z', reason: 'new bearing', order: 1e9 }] })
    expect([e.state, e.phase, evaluate().phase]).toEqual(['stale', 'measure', 'choose'])
    expect(e.signOff.blockers[0]).toContain('new bearing')
  })
  it('near zero there is a door: looser packs, by the bound, and no figure to reckon from', () => {
    const e = evaluate(withReadings(input, [0.1, 0.2, 0.1]))
    const place = e.places[0]!
    expect(place.ledger.base).toBeNull()
    expect(place.window).toBeNull()
    expect(place.note).toContain('told from zero')
    const { question } = place.request!
    expect(question).toMatchObject({ bound: true, measured: null })
    // The most it can be: what was read and its U.
    expect(question.from.play).toBeCloseTo(e.estimate!.value + e.estimate!.U, 6)
    const choice = answerRequest(place.request!)
    expect(choice.proposals.length).toBeGreaterThan(0)
    for (const { predicted, chance } of choice.proposals) {
      expect(predicted.play).toBeGreaterThan(question.from.play)
      expect(chance).toBeNull()
    }
  })
  it('an unknown pack can only be added to', () => {
    const unknown = { ...input, trials: [{ ...last(input), packs: { pack: null } }] }
    const loose = evaluate({}, unknown)
    expect(loose.places[0]!.request).toBeNull()
    expect(loose.places[0]!.note).toContain('List its pieces')
    const tight = evaluate(withReadings(unknown, [2, 2.1, 2]), unknown)
    expect(tight.places[0]!.note).toContain('can only be added')
    expect(answerRequest(tight.places[0]!.request!).proposals.every(p => p.change.out.length === 0)).toBe(true)
  })
  it('without limits there is nothing to aim at, until a figure is given', () => {
    const none = { limits: { working: 'book' as const, sets: {} } }
    expect(evaluate(none)).toMatchObject({ state: 'no-limit', places: [{ request: null }], gauge: { answer: 'no-band' } })
    expect(evaluate({ ...none, aim: { school: 'own', own: thou(5) } }).places[0]!.request!.question.aim).toBe(thou(5))
    expect(evaluate({ ...none, ...withReadings(input, [5, 5, 5]) }).signOff.needsReason).toBe('no limit is known')
  })
  it('a needle that fell back makes the series not valid, and gives no figure to choose from', () => {
    const e = evaluateCheck(check(busSheet, 'bus-main'), busSheet.lots)
    expect(e).toMatchObject({ state: 'not-valid', estimate: null, places: [{ request: null }], phase: 'measure' })
    expect(e.signOff.blockers).toContain('The series is not valid: void the bad reading or take it again.')
  })
  it('names the odd fitting and asks a reason for the residual', () => {
    const e = evaluateCheck(check(loaderSheet, 'loader-transfer'), loaderSheet.lots)
    expect(e.places[0]!.ledger).toMatchObject({ state: 'suspect', suspect: { id: 'loader-transfer-2' } })
    expect(e.headline.residual!.flagged).toBe(true)
    expect(e.signOff.needsReason).toContain('off what was predicted')
  })
  it('fittings that agree know the play better than the last alone', () => {
    const output = { ...check(launchSheet, 'launch-output'), signOff: null }
    // Pieces measured one by one; where any of a lot may be 5 µm off, the fittings together know less than the reading now.
    const known = launchSheet.lots.map(lot => ({ ...lot, scatter: nm(1_000) }))
    const e = evaluateCheck(output, known)
    expect(e.places[0]!.ledger.state).toBe('agree')
    expect(e.places[0]!.fused).toBe(true)
    expect(evaluateCheck(output, launchSheet.lots).places[0]!.fused).toBe(false)
    expect(e.places[0]!.request!.question.from.u).toBeLessThan(Math.hypot(e.estimate!.u, output.uRefit))
    expect(e.headline.residual!.flagged).toBe(false)
  })
  it('a kind that chooses nothing has no place, no ledger, and can be signed', () => {
    const e = evaluate({ setup: { pack: 'none' }, ...withReadings(input, [4.4, 4.5, 4.6]) })
    expect(e).toMatchObject({ places: [], phase: 'prove' })
  })
})

/** The default set-up, and it with every choice of every field. */
const everySetup = (kind: CheckKind): Setup[] => [
  kind.defaultSetup,
  ...kind.setupFields.flatMap(field => {
    const values =
      field.kind === 'choice'
        ? field.options.map(option => option.value)
        : field.kind === 'count'
          ? [field.least, field.most].map(String)
          : []
    return values.map(value => ({ ...kind.defaultSetup, [field.id]: value }))
  }),
]

describe('the kinds', () => {
  it.each(checkKinds)('$id: every choice gives points, results and steps that know each other', kind => {
    for (const setup of everySetup(kind)) {
      const results = kind.results(setup)
      const names = results.flatMap(result =>
        result.positions.length === 0 ? [result.id] : result.positions.map(position => resultId(result.id, position.id)),
      )
      const points = kind.points(setup)
      const places = kind.places(setup)
      expect(results.some(result => result.main)).toBe(true)
      for (const list of [points, places, kind.procedure(setup), kind.parts(setup), results])
        expect(new Set(list.map(item => item.id)).size).toBe(list.length)
      for (const { effects } of places) for (const { result } of effects) expect(names).toContain(result)
      for (const point of points) {
        expect(results.map(result => result.id)).toContain(point.result)
        expect(kind.parts(setup).map(part => part.id)).toEqual(expect.arrayContaining([...point.rests]))
        expect(places.length === 0 || point.moves.every(place => places.some(other => other.id === place))).toBe(true)
        expect(point.way === 'word').toBe(point.words !== undefined)
      }
      for (const { kind: id, points: used } of kind.combine(setup, {
        of: () => NO_ANSWER,
        fitted: () => null,
        pieces: () => null,
        stale: () => null,
        before: () => false,
        after: () => true,
        gauge: () => null,
        log: () => [],
        unit: 'thou',
      })) {
        expect(results.map(result => result.id)).toContain(id)
        expect(points.map(point => point.id)).toEqual(expect.arrayContaining([...used]))
      }
    }
  })
  it('refuses a kind it does not know', () => expect(() => checkKind('tea')).toThrow('no check of the kind “tea”'))
})
