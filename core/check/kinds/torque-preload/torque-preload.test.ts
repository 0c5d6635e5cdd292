import { describe, expect, it } from 'vitest'
import { checkOf, plays, ranges, trial } from '../../../../tests/documents'
import { choosePacks } from '../../../choice/answer/chooser/choose'
import type { Lot } from '../../../pack/lot'
import { makePlan } from '../../../choice/answer/make-plan'
import { mm, nm, thou } from '../../../quantity/length'
import { twoSided } from '../../../verdict/limits'
import type { CheckDocument, Trial } from '../../document'
import { checkAnswer } from '../../../worksheet/evaluate'
import { packingsOut } from '../../packings'
import { closingCard } from '../../sentence/closing-card'
import { answerOf } from '../../sentence/answer'
import { lookAt } from '../../sentence/look-at'
import type { PlaceEvaluation } from '../../evaluate/evaluate-place'
import { slopesOf } from '../../evaluate/slopes'
import { drawerOfAll, evaluateCheck, openPlaces } from '../../evaluate/evaluate-check'
import { answerRequest, prepareRequest } from '../../../choice/answer/answer-request'
import { lotOf } from '../../../../tests/pieces'

// Common practice; sizes and torques constructed.
const NM = 1e9
const piece = (id: string, thick: number, more: Partial<Lot> = {}): Lot =>
  lotOf(id, mm(thick), { family: 'shims', scatter: nm(500), ...more })
const LOTS = [piece('2.0', 2), piece('1.9', 1.9), piece('1.5', 1.5), piece('paper', 0.1, { shape: 'packing' })]
const CONDITIONS = { oil: 'as-book', joint: 'bare', seal: 'out' }
const turning = (stage: string, ...torques: number[]) =>
  ranges(`turning-${stage}`, ...torques.map((torque): [number, number] => [torque * NM, torque * NM]))
const play = (stage: string, ...figures: number[]) => plays(`side-play-dial-${stage}`, ...figures.map(figure => mm(figure) / thou(1)))
const at = (low: number, high: number) => ({ book: twoSided(low * NM, high * NM, 'N·m', { kind: 'book' }), shop: null })
const pack = (lotId: string) => [{ lotId, count: 1 }]
const check = (trials: readonly Trial[], change: Partial<CheckDocument> = {}) =>
  checkOf('torque-preload', {
    entryUnit: 'mm',
    family: 'shims',
    limits: { working: 'book', sets: { turning: at(0.8, 1.4) } },
    rule: 'careful',
    uRefit: nm(500),
    aim: { school: 'own', own: 1.1e9 as never },
    trials,
    ...change,
    setup: { way: 'gauge', ...change.setup },
  })
const choose = (place: PlaceEvaluation) => choosePacks(prepareRequest(place.request!), place.request!.question)
const evaluated = (trials: readonly Trial[], change: Partial<CheckDocument> = {}) => evaluateCheck(check(trials, change), LOTS)

describe('a shim behind a race, by torque', () => {
  const found = trial('t1', turning('1', 1.65, 1.65, 1.65), { packs: { 'shim-1': pack('2.0'), 'joint-1': [] }, conditions: CONDITIONS })
  // Paper squeezed to 0.10 in the joint opens the case by as much.
  const papered = trial('t2', turning('1', 1.05, 1.05, 1.05), {
    packs: { 'shim-1': pack('2.0'), 'joint-1': pack('paper') },
    refitted: ['joint-1'],
    conditions: { ...CONDITIONS, joint: 'packing' },
  })
  it('0.25 N·m too much says which way, never by how much', () => {
    const [shim, joint] = evaluated([found]).places
    expect(shim!.note).toMatch(/Too much: a thinner pack.*a torque does not tell.*0\.25 N·m off is not 0\.25 mm\.$/)
    expect(joint!.note).toContain('a thicker pack')
    expect(shim!.request!.question.told).toEqual({ by: 'direction' })
    // No piece is lapped by a torque.
    expect(makePlan({ ...shim!.request!, sheets: [], lappable: true })).toEqual([])
  })
  it('paper of 0.10 takes it to 1.05: 6 N·m per mm, 0.092 off the shim for 1.10, drag ends 0.275 below', () => {
    const [shim] = evaluated([found, papered]).places
    const { line, next, ends } = shim!.learned!
    expect((line!.slope * 1e6) / NM).toBeCloseTo(6, 6)
    expect(2 - next!.thickness / 1e6).toBeCloseTo(0.0917, 3)
    expect(2 - ends!.thickness / 1e6).toBeCloseTo(0.275, 3)
  })
  it('the shim is chosen as it will be with the paper out: 1.9 leaves 1.05, and nothing can stay as it is', () => {
    const [shim] = evaluated([found, papered]).places
    const { question, drawer } = shim!.request!
    expect(question.measured).toBeNull()
    expect(drawer.map(({ id }) => id)).toEqual(['2.0', '1.9', '1.5'])
    const per = (question.told as { per: number }).per
    const leaves = choosePacks(prepareRequest(shim!.request!), question).proposals.map(
      ({ pack: of, predicted }) => `${of[0]?.lotId}: ${((predicted.play * per) / NM).toFixed(2)}`,
    )
    expect(leaves[0]).toBe('1.9: 1.05')
  })
  it('that the paper comes out is said with the pack', () => {
    const document = check([found, papered])
    const look = { ...lookAt(document, evaluateCheck(document, LOTS), LOTS), phase: 'choose' as const }
    const [shim] = look.evaluation.places
    const choice = choose(shim!)
    const proposal = choice.proposals[0]!
    const said = answerOf({ ...look, place: shim!, choice, proposal }, { system: 'metric', time: time => time }).sentence
    expect(said).toContain('put in 1.9')
    expect(said).toMatch(/The trial packing comes out\.$/)
    expect(packingsOut(document, ['shim-1']).map(({ place, pack: of }) => [place.id, of])).toEqual([['joint-1', pack('paper')]])
    expect(packingsOut(document, ['joint-1'])).toEqual([])
  })
  it('going back to a shim is foretold by what it read without the paper, not with it', () => {
    const shimmed = trial('t3', turning('1', 1.05, 1.05, 1.05), {
      packs: { 'shim-1': pack('1.9'), 'joint-1': [] },
      refitted: ['shim-1', 'joint-1'],
      conditions: CONDITIONS,
    })
    const { before, told } = evaluated([found, papered, shimmed]).places[0]!.request!.question
    const { per } = told as { per: number }
    expect(before.map(({ pack: of, measured }) => [of, Math.round((measured.play * per) / 1e7) / 100])).toEqual([[pack('2.0'), 1.65]])
  })
  it('in the joint only packings are chosen, and more of it is less preload', () => {
    const [, joint] = evaluated([found, papered]).places
    expect(joint!.request!.drawer.map(({ id }) => id)).toEqual(['paper'])
    expect((joint!.learned!.line!.slope * 1e6) / NM).toBeCloseTo(-6, 6)
    expect(joint!.ledger.signDoubtful).toBe(false)
  })
  it('what the paper may be off is in the slope whichever place is asked: as well known at the shims as in the joint', () => {
    const [shim, joint] = evaluated([found, papered]).places
    expect(shim!.learned!.next!.U).toBeCloseTo(joint!.learned!.next!.U, 6)
    expect(shim!.learned!.line!.uSlope).toBeCloseTo(joint!.learned!.line!.uSlope, 9)
  })
  it('places chosen for together are those of the shims: a paper is in for a trial', () => {
    const e = evaluated([found, papered])
    expect(openPlaces(e).map(({ id }) => id)).toEqual(['shim-1'])
    expect(drawerOfAll(e).map(({ id }) => id)).toEqual(expect.arrayContaining(['2.0', '1.9', 'paper']))
  })
  it('a shim under the cover works the other way', () => {
    const covered = [
      { ...found, packs: { 'shim-1': pack('1.9'), 'joint-1': [] } },
      trial('t2', turning('1', 1.05, 1.05, 1.05), {
        packs: { 'shim-1': pack('2.0'), 'joint-1': [] },
        refitted: ['shim-1'],
        conditions: CONDITIONS,
      }),
    ]
    expect(evaluated(covered, { setup: { shims: 'cover' } }).places[0]!.ledger.signDoubtful).toBe(false)
    expect(evaluated(covered).places[0]!.ledger.signDoubtful).toBe(true)
  })
  it('a film of sealant in the joint takes preload off by the slope: 0.03 of it is 0.18 N·m, and says so where that is too little', () => {
    const proved = trial('t3', turning('1', 1.05, 1.05, 1.05), {
      packs: { 'shim-1': pack('1.9'), 'joint-1': [] },
      refitted: ['shim-1', 'joint-1'],
      conditions: CONDITIONS,
    })
    const film = (trials: readonly Trial[], change: Partial<CheckDocument> = {}) =>
      evaluated(trials, { ...change, setup: { film: String(mm(0.03)) } }).places[0]!.learned!.film
    const bare = film([found, papered, proved])!
    expect([bare.change / NM, bare.leaves! / NM]).toEqual([expect.closeTo(-0.18, 3), expect.closeTo(0.87, 3)])
    expect(bare.words).not.toContain('out of limits')
    expect(film([found, papered, proved], { limits: { working: 'book', sets: { turning: at(0.9, 1.4) } } })!.words).toContain(
      'out of limits: allow for it',
    )
    expect(film([found, papered, { ...proved, conditions: { ...CONDITIONS, joint: 'built' } }])).toBeNull()
    expect(evaluated([found, papered, proved]).places[0]!.learned!.film).toBeNull()
    // Out once it is closed it is never In: the word, the reason before it is signed, the card.
    const closed = check([found, papered, proved], {
      setup: { film: String(mm(0.03)) },
      limits: { working: 'book', sets: { turning: at(0.9, 1.4) } },
    })
    const e = evaluateCheck(closed, LOTS)
    expect(e).toMatchObject({ state: 'doubted', word: 'In, but out of limits once it is closed with its film' })
    expect(e.signOff.needsReason).toContain('out of limits once it is closed with its film')
    const card = closingCard(closed, e, { system: 'metric', time: time => time })
    expect(card.film).toContain('closed with a film of 0.030 mm')
    expect(evaluated([found, papered, proved], { setup: { film: String(mm(0.03)) } }).state).toBe('in')
  })
  describe('with side play, which is a length', () => {
    const loose = trial('t1', play('1', 0.12, 0.12, 0.12), { packs: { 'shim-1': pack('1.9'), 'joint-1': [] }, conditions: CONDITIONS })
    const slopes = { 'turning@1': { slope: 6e9 / 1e6, u: 0.3e9 / 1e6, from: 'Service at 900 hours, 2026-03-01' } }
    const lots = [...LOTS, piece('2.08', 2.08), piece('2.2', 2.2)]
    const shimOf = (trials: readonly Trial[], change: Partial<CheckDocument> = {}) => evaluateCheck(check(trials, change), lots).places[0]!
    const first = ({ request }: ReturnType<typeof shimOf>) => answerRequest(request!).proposals[0]!
    it('is too little, whatever nobody said of the drag, and is closed by its length first, with a step of preload on top', () => {
      expect(evaluated([loose]).headline).toMatchObject({ state: 'below', overrule: 'side play by dial: too little' })
      // 1.9 + 0.12 + 0.05 is 2.07.
      const shim = shimOf([loose])
      expect(shim.request!.question).toMatchObject({ id: 'side-play@1', aim: -50_000 })
      expect(first(shim)).toMatchObject({ pack: pack('2.08'), predicted: { play: expect.closeTo(-60_000, -1) } })
    })
    it('is not left as it is where the drawer has nothing', () => {
      const told = (drawer: readonly Lot[]) => {
        const document = check([loose])
        const look = { ...lookAt(document, evaluateCheck(document, drawer), drawer), phase: 'choose' as const }
        return answerOf(look, { system: 'metric', time: String }).sentence
      }
      expect(told(lots)).toContain('too little. Take out 1.9, put in 2.08.')
      expect(told([piece('1.9', 1.9)])).toContain('too little. The drawer has nothing that would move it that way.')
    })
    it('goes on top by as much as the torque aimed at is worth, where an earlier service learned the slope', () => {
      // 1.1 N·m by 6 N·m a mm is 0.183: 1.9 + 0.12 + 0.183 is 2.203.
      const shim = shimOf([loose], { slopes })
      expect(shim.request!.question.aim).toBe(-183_333)
      expect(first(shim).pack).toEqual(pack('2.2'))
    })
    it('the other way round, that slope is another’s', () =>
      expect(shimOf([loose], { slopes: { 'turning@1': { ...slopes['turning@1'], slope: -6e3 } } }).request!.question.aim).toBe(-50_000))
    it('from one fitting with drag the next is foretold by that slope, widened by 30 %, and it says whose it is', () => {
      const felt = trial('t2', turning('1', 1.65, 1.65, 1.65), {
        packs: { 'shim-1': pack('2.0'), 'joint-1': [] },
        refitted: ['shim-1'],
        conditions: CONDITIONS,
      })
      const shim = shimOf([loose, felt], { slopes })
      const { line, next } = shim.learned!
      expect(line).toMatchObject({ slope: 6_000, count: 1, from: 'Service at 900 hours, 2026-03-01' })
      expect(line!.uSlope).toBeCloseTo(Math.hypot(300, 1_800), 6)
      expect(next!.thickness / 1e6).toBeCloseTo(2 - 0.55 / 6, 6)
      expect(shim.note).toContain('By the slope of Service at 900 hours, 2026-03-01, widened by 30 %')
      expect(shim.request!.question.told).toMatchObject({ by: 'slope' })
      // Without one, only the way is known.
      expect(shimOf([loose, felt]).request!.question.told).toEqual({ by: 'direction' })
    })
    it('gives way to the fittings’ own slope once that is known better, and is what the next service is taught', () => {
      const shim = shimOf([found, papered], { slopes })
      expect(shim.learned!.line!.from).toBeUndefined()
      const taught = slopesOf(check([found, papered], { slopes }), LOTS, 'This one')
      expect(taught['turning@1']).toMatchObject({ slope: expect.closeTo(6_000, 6), from: 'This one' })
      // What it did not learn itself it hands on.
      expect(slopesOf(check([loose], { slopes }), LOTS, 'This one')).toEqual(slopes)
    })
  })
  it('what each way takes stands side by side before the first stroke', () => {
    const lots = [...LOTS.filter(({ id }) => id !== '1.9'), piece('1.91', 1.91, { onHand: 0, cost: 450, leadDays: 3 })]
    const ways = (setup: Record<string, string>) =>
      checkAnswer(check([found, papered], { setup }), lots).places[0]!.ways!.map(({ id, hours, price, days, ask }) => ({
        id,
        hours: hours && Math.round(hours * 100) / 100,
        price,
        days,
        ask,
      }))
    // 2.000 to 1.908: 0.092 to come off, at 0.03 an hour 3.06 hours, at 40.00 each.
    const rates = { hour: '4000', rubbed: String(mm(0.03)), ground: '2500' }
    expect(ways(rates)).toEqual([
      { id: 'order', hours: null, price: 450, days: 3, ask: null },
      { id: 'rub', hours: 3.06, price: 12_222, days: 0, ask: null },
      { id: 'grind', hours: null, price: 2500, days: null, ask: null },
    ])
    expect(ways({}).map(({ ask }) => ask)).toEqual([null, 'say below how much comes off in an hour', 'ask the grinder, and say it below'])
    expect(ways({ ...rates, hour: '' })[1]).toMatchObject({ hours: 3.06, price: null, ask: 'say below what an hour costs' })
  })
  it('without limits a torque is no limit known, accepted with a reason and never In', () => {
    const { state, signOff } = evaluated([found], { limits: { working: 'book', sets: {} } })
    expect(state).toBe('no-limit')
    expect(signOff.needsReason).toContain('no limit is known')
  })
})

describe('a shaft turned with the stage before', () => {
  const stages = { stages: 'two', ratio2: '4' }
  const both = (second: number, setup: Record<string, string> = {}) =>
    evaluated(
      [
        trial('t1', [...turning('1', 1.6, 1.6, 1.6), ...turning('2', second, second, second)], {
          packs: { 'shim-1': pack('2.0'), 'shim-2': pack('1.9') },
          conditions: CONDITIONS,
        }),
      ],
      { setup: { ...stages, ...setup }, limits: { working: 'book', sets: { 'turning@1': at(1.2, 1.8), 'turning@2': at(0.3, 0.6) } } },
    ).current.results
  const value = (results: ReturnType<typeof both>, id: string) => results.find(result => result.id === id)!.estimate!.value / NM
  it('1.60 through a ratio of 4 is 0.40 of the 0.45 read: 0.05 is its own', () => {
    const results = both(0.45)
    expect(value(results, 'turning@2')).toBeCloseTo(0.45, 9)
    expect(value(results, 'own@2')).toBeCloseTo(0.05, 9)
    expect(value(both(0.45, { book2: 'own' }), 'turning@2')).toBeCloseTo(0.05, 9)
  })
  it('read alone, the share is added where the book means all of it', () => {
    expect(value(both(0.05, { turns2: 'alone' }), 'turning@2')).toBeCloseTo(0.45, 9)
    expect(value(both(0.05, { turns2: 'alone', book2: 'own' }), 'turning@2')).toBeCloseTo(0.05, 9)
  })
  it('0.05 in all is less than the share: was the differential engaged?', () => {
    const second = both(0.05).find(({ id }) => id === 'turning@2')!
    expect(second.findings).toContainEqual(
      expect.objectContaining({ level: 'fail', words: expect.stringContaining('0.40 N·m of the stage before') }),
    )
    expect(both(0.05, { turns2: 'alone' }).find(({ id }) => id === 'turning@2')!.findings).not.toContainEqual(
      expect.objectContaining({ level: 'fail' }),
    )
  })
  it('what is read with the differential is to be read again when its shim is changed; what is read alone is not', () => {
    const again = (turns2: string) =>
      evaluated(
        [
          trial('t1', [...turning('1', 1.6, 1.6), ...turning('2', 0.45, 0.45)], {
            packs: { 'shim-1': pack('2.0') },
            conditions: CONDITIONS,
          }),
          trial('t2', turning('1', 1.5, 1.5), { packs: { 'shim-1': pack('1.9') }, refitted: ['shim-1'], conditions: CONDITIONS }),
        ],
        { setup: { ...stages, turns2 } },
      ).current.results.find(({ id }) => id === 'turning@2')!.state
    expect(again('with')).toBe('to-do')
    expect(again('alone')).not.toBe('to-do')
  })
})
