import highs from 'highs'
import { describe, expect, it } from 'vitest'
import { checkOf, figures, gauge, GAUGES, plays, ranges, trial } from '../../../../tests/documents'
import { newLot } from '../../../command/found-pack'
import { lotMap, packTotal, type Lot } from '../../../pack/lot'
import { nm, thou } from '../../../quantity/length'
import { twoSided, type LimitSet } from '../../../verdict/limits'
import type { CheckDocument, PointReading, Trial } from '../../document'
import { evaluateCheck, openPlaces } from '../../evaluate/evaluate-check'
import { answerRequest } from '../../../choice/answer/answer-request'
import { allocate } from '../../../choice/answer/allocation/allocate'
import { highsSolver } from '../../../choice/answer/allocation/solver'
import { leavesTogether } from '../../../choice/answer/leaves'
import { makePlan } from '../../../choice/answer/make-plan'
import { orderPlan } from '../../../choice/answer/order-plan'
import { hourOnBench } from './setup'
import { whatIf } from './what-if'

const solve = highsSolver(await highs())

// Worked examples: common practice.
const lot = (id: string, size: number, more: Partial<Lot> = {}): Lot => ({
  ...newLot({ id, family: 'washers', nominal: thou(size), tags: [] }, true),
  measured: thou(size),
  onHand: 3,
  ...more,
})
const DRAWER = [lot('plastic-60', 60), lot('bronze-60', 60), lot('w15', 15), lot('w10', 10), lot('w40', 40), lot('w6', 6)]
const BAND = twoSided(thou(7), thou(15), 'thou', { kind: 'book' })
const felt = (gap: string, low: number, high: number): PointReading[] => ranges(`gap-${gap}`, [thou(low), thou(high)])
const of = (...ids: string[]) => ids.map(lotId => ({ lotId, count: 1 }))
const train = (
  trials: readonly Trial[],
  setup: Record<string, string> = {},
  limits: Record<string, LimitSet> = { 'gap@1': BAND },
  change: Partial<CheckDocument> = {},
) =>
  evaluateCheck(
    checkOf('gear-train', {
      family: 'washers',
      gauges: { ...GAUGES, calipers: gauge('calipers', thou(1)) },
      uRefit: nm(0),
      limits: { working: 'book', sets: Object.fromEntries(Object.entries(limits).map(([id, book]) => [id, { book, shop: null }])) },
      trials,
      ...change,
      setup,
    }),
    DRAWER,
  )
type Evaluation = ReturnType<typeof train>
const place = (e: Evaluation, id: string) => e.places.find(({ place: { id: own } }) => own === id)!
const result = (e: Evaluation, id: string) => e.current.results.find(({ id: own }) => own === id)!
const predicted = (e: Evaluation, id: string, pack: readonly string[]) => {
  const choice = answerRequest(place(e, id).request!)
  return choice.proposals.find(
    ({ pack: own }) =>
      own
        .map(({ lotId }) => lotId)
        .sort()
        .join() === [...pack].sort().join(),
  )
}

describe('planet to planet, felt 40 to 50 with a plastic 60, limits 7 to 15', () => {
  const found = trial('t1', felt('1', 40, 50), { packs: { 'pack-1': of('plastic-60') } })
  it('no pack is sure to land: at least 35 and at most 33 more at once', () => {
    expect(place(train([found]), 'pack-1').note).toContain('at least 35 more and at most 33 more at once')
    expect(
      result(train([found]), 'gap@1')
        .findings.map(({ words }) => words)
        .join(),
    ).toContain('it cannot tell')
  })
  it('60 and two 15s: 10 to 20, a chance of about a half', () => {
    const { request } = place(train([found]), 'pack-1')
    const choice = answerRequest({ ...request!, drawer: request!.drawer.filter(({ id }) => id === 'plastic-60' || id === 'w15') })
    const two = choice.proposals.find(({ total }) => total === thou(90))!
    expect([two.predicted.play / 25_400, two.chance!.inside]).toEqual([15, expect.closeTo(0.5, 1)])
  })
  it('by a dial, 45 ± 1, from 31 to 37 more', () => {
    const e = train([trial('t1', felt('1', 44, 46), { packs: { 'pack-1': of('plastic-60') } })])
    expect(place(e, 'pack-1').note).toContain('from 31 more to 37 more in it is sure to land')
  })
  it('from 15 to 20 a further 5 to 8 is sure', () => {
    const e = train([trial('t1', felt('1', 15, 20), { packs: { 'pack-1': of('plastic-60') } })])
    expect(place(e, 'pack-1').note).toContain('from 5 more to 8 more')
  })
})

describe('what is shared', () => {
  it('a part between two gaps makes both stale, one below the first neither of those above', () => {
    const all = trial('t1', [...felt('1', 8, 12), ...felt('2', 25, 30), ...plays('gap-3', 12, 12, 12)])
    const after = (role: string) =>
      train(
        [all],
        {},
        { gap: BAND },
        { partChanges: [{ role, at: '2026-05-06T08:00:00.000Z', reason: 'new', order: 1e9 }] },
      ).current.results.map(({ state }) => state === 'stale')
    expect(after('part-1')).toEqual([true, true, false])
    expect(after('part-0')).toEqual([true, false, false])
    expect(after('part-3')).toEqual([false, false, true])
  })
  it('pieces that move a gap above have it read again; those above leave the one below', () => {
    const first = trial('t1', [...felt('1', 8, 12), ...felt('2', 25, 30), ...plays('gap-3', 12, 12, 12)], {
      packs: { 'pack-1': of('plastic-60'), 'pack-3': of('w10') },
    })
    const fitted = (id: string, pack: readonly string[]) =>
      trial('t2', [], { packs: { ...first.packs, [id]: of(...pack) }, refitted: [id] })
    const states = (next: Trial) =>
      train([first, next], { shares1: 'against-3' }, { gap: BAND }).current.results.map(({ estimate }) => estimate !== null)
    expect(states(fitted('pack-1', ['w40']))).toEqual([false, true, false])
    expect(states(fitted('pack-3', ['w6']))).toEqual([true, true, false])
  })
  it('the ledger of a gap sees what was changed below it', () => {
    // Gap 3 reads 12 with a 10; below, 20 came out, which closes it by 20 where thicker opens it; then 32 less 20 is read.
    const packs = { 'pack-1': of('plastic-60'), 'pack-3': of('w10') }
    const first = trial('t1', [...felt('1', 8, 12), ...plays('gap-3', 32, 32, 32)], { packs })
    const second = trial('t2', [...felt('1', 28, 32), ...plays('gap-3', 12, 12, 12)], {
      packs: { ...packs, 'pack-1': of('w40') },
      refitted: ['pack-1'],
    })
    const e = train([first, second], { shares1: 'against-3' }, { gap: BAND })
    expect(place(e, 'pack-3').ledger).toMatchObject({ state: 'agree', base: { value: thou(22), fittings: 2 } })
    // Told that it moves nothing else, the same two do not agree.
    expect(place(train([first, second], {}, { gap: BAND }), 'pack-3').ledger.state).not.toBe('agree')
  })
  it('where nobody knows what was in the other place, an earlier fitting says nothing of now', () => {
    const first = trial('t1', plays('gap-3', 32, 32, 32), { packs: { 'pack-3': of('w10') } })
    const second = trial('t2', plays('gap-3', 12, 12, 12), {
      packs: { 'pack-3': of('w10'), 'pack-1': of('w40') },
      unlisted: ['pack-1'],
      refitted: ['pack-1'],
    })
    expect(place(train([first, second], { shares1: 'against-3' }, { gap: BAND }), 'pack-3').ledger.entries).toHaveLength(1)
  })
  it('a gap above that was not read yet does not hold up the choice below', () => {
    const e = train([trial('t1', felt('1', 20, 24), { packs: { 'pack-1': of('plastic-60') } })], { shares1: 'with-3' }, { gap: BAND })
    expect(place(e, 'pack-1').request).not.toBeNull()
    expect(predicted(e, 'pack-1', ['plastic-60', 'w10'])!.predicted.play).toBe(thou(12))
  })
})

describe('a stack replaced by a bearing and shims', () => {
  const stack = (whole: number, shims: readonly string[], id = 't1', more: Partial<Trial> = {}) =>
    trial(id, [...(id === 't1' ? figures('stack-old', thou(147)) : []), ...figures('stack-new', thou(whole))], {
      packs: { stack: of(...shims) },
      ...more,
    })
  const over = twoSided(thou(-1), thou(1), 'thou', { kind: 'own' })
  const again = (by: string, next: number) =>
    train([stack(177, ['w40']), stack(next, ['w15'], 't2', { refitted: ['stack'] })], { stack: 'replaced', stackBy: by }, { over })
  const said = (e: Evaluation) =>
    result(e, 'over')
      .findings.map(({ words }) => words)
      .join(' ')
  it('what keeps the total is told without a limit too', () => {
    const e = train([stack(177, ['w40'])], { stack: 'replaced' })
    expect(said(e)).toBe('The total is kept with 10.0 thou of shims: 40.0 in it − 30.0.')
    expect(said(train([stack(200, ['w40'])], { stack: 'replaced' }))).toBe('With no shim at all it is 13.0 thou over the old.')
  })
  it('177 with 40 of shims is 30 over 147, and wants a 10', () => {
    const e = train([stack(177, ['w40'])], { stack: 'replaced' }, { over })
    expect(result(e, 'over').estimate!.value).toBe(thou(30))
    expect(answerRequest(place(e, 'stack').request!).proposals[0]!.pack).toEqual(of('w10'))
  })
  it('177 − 40 and 154.5 − 15 are 2.5 apart: by calipers perhaps, by micrometer not', () => {
    expect(said(again('calipers', 154.5))).toContain('2.5 thou apart: calipers over loose races carry 1 to 2 thou each')
    expect(said(again('micrometer', 154.5))).toContain('a piece is not its size')
    expect(said(again('calipers', 160))).toContain('a piece is not its size')
    expect(said(again('micrometer', 152))).not.toContain('apart')
  })
  it('what it changes of the end play is told with every choice', () => {
    const e = train(
      [
        trial('t1', [...figures('stack-old', thou(147)), ...figures('stack-new', thou(152)), ...plays('gap-3', 12, 12, 12)], {
          packs: { stack: of('w15') },
        }),
      ],
      { stack: 'replaced' },
      { over },
    )
    expect(answerRequest(place(e, 'stack').request!).proposals.find(({ pack }) => pack[0]?.lotId === 'w10')!.also).toMatchObject([
      { id: 'gap@3', play: thou(17) },
    ])
  })
})

describe('a bush', () => {
  it('proud of the case, and below the face of its bearing: two limits, one reading each', () => {
    const bush = (over: number, face: number) =>
      train([trial('t1', [...figures('bush', thou(over)), ...figures('bearing-face', thou(face))])], { bush: 'proud' })
    expect(result(bush(62, 80), 'below').estimate!.value).toBe(thou(18))
    expect(result(bush(82, 80), 'below')).toMatchObject({ state: 'below', overrule: expect.stringContaining('turning race') })
    expect(result(bush(62, 80), 'below').thumb).toMatchObject({ kind: 'lower', lower: 0 })
  })
})

it('9 o’clock upright is 6 on the bench where the case lies a quarter to the left, and 12 where it lies to the right', () => {
  expect((['upright', 'left', 'right', 'over'] as const).map(lies => hourOnBench({ ringAt: 9, lies }))).toEqual([9, 6, 12, 3])
  expect(hourOnBench({ ringAt: 1, lies: 'left' })).toBe(10)
})

describe('what if, before it is apart', () => {
  const e = train([
    trial('t1', [...felt('1', 40, 50), ...plays('gap-3', 12, 12, 12)], { packs: { 'pack-1': of('plastic-60'), 'pack-3': of('w10') } }),
  ])
  const document = checkOf('gear-train', { trials: [trial('t1', [], { packs: { 'pack-1': of('plastic-60'), 'pack-3': of('w10') } })] })
  const thouOf = (packs: Record<string, ReturnType<typeof of>>) =>
    whatIf(document, e, DRAWER, packs).map(({ after, change, lands }) => [after && Math.round(after.low / 25_400), change / 25_400, lands])
  it('bronze 60 in for plastic 60 gains nothing', () => expect(thouOf({ 'pack-1': of('bronze-60') })[0]).toEqual([40, 0, 'out']))
  it('with two 15s besides 40 to 50 becomes 10 to 20, which may land', () =>
    expect(thouOf({ 'pack-1': [...of('plastic-60'), { lotId: 'w15', count: 2 }] })[0]).toEqual([10, -30, 'may']))
  it('a washer moved from one place to another changes both', () =>
    expect(thouOf({ 'pack-1': of('plastic-60', 'w10'), 'pack-3': [] }).map(([, change]) => change)).toEqual([-10, 0, 10]))
})

describe('washers of gap 1 close gap 2 as well: 25 where 7 to 15 is wanted, 12 where 10 to 20 is', () => {
  const SHARED = { gaps: '2', by1: 'dial', by2: 'dial', shares1: 'with-2' }
  const WANTED = { 'gap@1': BAND, 'gap@2': twoSided(thou(10), thou(20), 'thou', { kind: 'book' }) }
  const FINE = { gauges: { ...GAUGES, 'dial-indicator': gauge('dial-indicator', thou(0.1), { permissibleError: nm(0) }) } }
  const built = (packs: Trial['packs'], gap1 = 25, gap2 = 12) =>
    train([trial('t1', [...plays('gap-1', gap1), ...plays('gap-2', gap2)], { packs })], SHARED, WANTED, FINE)
  const bare = built({ 'pack-1': of('bronze-60'), 'pack-2': [] })
  const asked = (e: Evaluation, id: string) => place(e, id).request!

  it('10 to 18 more in gap 1 leaves 2 to −6 in gap 2: no total does, no trial takes gap 2 under its 10, none is made', () => {
    expect(place(bare, 'pack-1').window).toBeNull()
    const choice = answerRequest(asked(bare, 'pack-1'))
    expect(choice).toMatchObject({ fallback: true, proven: true })
    for (const { also } of choice.proposals) expect(also[0]!.play).toBeGreaterThanOrEqual(thou(10))
    expect(makePlan({ ...asked(bare, 'pack-1'), sheets: [], lappable: true })).toEqual([])
  })
  it('the order plan does not say that the drawer holds one: no size helps', () => {
    const plan = orderPlan(asked(bare, 'pack-1'))!
    expect(plan).toMatchObject({ stockChance: 0, chance: 0, items: [] })
    expect(plan.words).toContain('No pack of the drawer fits')
  })
  it('with 40 out of gap 2 both go: 15 into gap 1, and gap 2 has 12 + 40 − 15 − 22', () => {
    const e = built({ 'pack-1': of('bronze-60'), 'pack-2': of('w40') })
    const { places, words } = allocate({ drawer: DRAWER, places: openPlaces(e), goal: 'nearest', ordering: false, opening: 0 }, solve)
    expect(words).toContain('All 2 places in limits')
    const total = (id: string) => packTotal(places.find(one => one.id === id)!.pack!, lotMap(DRAWER))
    const [one, two] = [total('pack-1') - thou(60), total('pack-2') - thou(40)]
    // By hand: what is left of each, both packs in it.
    expect(places.find(({ id }) => id === 'pack-1')!.predicted!.play).toBe(thou(25) - one)
    expect(places.find(({ id }) => id === 'pack-2')!.predicted!.play).toBe(thou(12) - one - two)
    expect(thou(25) - one).toBeGreaterThanOrEqual(thou(7))
    expect(thou(25) - one).toBeLessThanOrEqual(thou(15))
    expect(thou(12) - one - two).toBeGreaterThanOrEqual(thou(10))
    expect(thou(12) - one - two).toBeLessThanOrEqual(thou(20))
  })
  it('while gap 2 cannot be told from zero no place is said to be in limits, and nothing takes it further', () => {
    const e = built({ 'pack-1': of('bronze-60'), 'pack-2': of('w40') }, 25, 0.02)
    expect(asked(e, 'pack-1').question.also![0]).toMatchObject({ id: 'gap@2', bound: true })
    const { places, words } = allocate({ drawer: DRAWER, places: openPlaces(e), goal: 'nearest', ordering: false, opening: 0 }, solve)
    expect(places.map(({ pack, inside }) => [pack, inside])).toEqual([
      [null, null],
      [null, null],
    ])
    expect(words).toBe('No place can be brought into limits with these pieces.')
    // Washers into gap 1 would close it further: none is proposed.
    const index = lotMap(DRAWER)
    for (const { pack } of answerRequest(asked(e, 'pack-1')).proposals) expect(packTotal(pack, index)).toBeLessThanOrEqual(thou(60))
  })
  it('a piece to be made is as thick as both gaps allow: from 10, to what leaves gap 2 its 10', () => {
    // Gap 2 reads 24: 10 to 14 more. Of the 15 that is there, 1 to 5 would have to come off; the middle of gap 1 asks for 14 and no less.
    const e = built({ 'pack-1': of('bronze-60'), 'pack-2': [] }, 25, 24)
    expect(place(e, 'pack-1').window).toMatchObject({ low: thou(70), high: thou(74) })
    const made = makePlan({ ...asked(e, 'pack-1'), sheets: [], lappable: true })
    expect(made.length).toBeGreaterThan(0)
    for (const { rest, low, high, target, predicted } of made) {
      const others = packTotal(rest, lotMap(DRAWER))
      expect([others + low!, others + high!]).toEqual([thou(70), thou(74)])
      expect(predicted.play).toBe(thou(25) - (others + target - thou(60)))
      expect(others + target).toBe(thou(74))
    }
  })
  it('what is fitted is held against both gaps at the proof', () => {
    const document = built({ 'pack-1': of('bronze-60'), 'pack-2': of('w40') })
    const index = lotMap(DRAWER)
    const changes = [
      { ...asked(document, 'pack-1'), next: of('bronze-60', 'w10') },
      { ...asked(document, 'pack-2'), next: of('w15', 'w6') },
    ]
    // 25 − 10, and 12 − 10 + 19.
    expect(leavesTogether(changes, index).map(({ id, play }) => [id, play])).toEqual([
      ['gap@1', thou(15)],
      ['gap@2', thou(21)],
    ])
  })
})
