import type { PackRules } from '#core/choice/question/rules'
import { describe, expect, it } from 'vitest'
import type { CheckDocument } from '#core/check/document'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { answerRequest } from '#core/choice/answer/answer-request'
import { sharedVariance } from '#core/reading/estimate'
import { thou } from '#core/quantity/length'
import type { LimitSet } from '#core/verdict/limits'
import type { Lot, Pack } from '#core/pack/lot'
import { checkOf, gauge, GAUGES, plays, trial } from '../documents'
import { lotOf } from '../pieces'
import { caseByCase, runs } from '../runs'
import { stream } from './drawers'
import { onPaper, type PaperPack, type PaperQuestion, type PaperSize } from './choice-on-paper'

const FAMILY = 'pieces'
const REFIT = 2_540
/** What is put where, and how many pieces it takes. */
const PLACES = [
  { pack: 'in-gap', c: -1, fewest: 1, most: 8 },
  { pack: 'under-cover', c: 1, fewest: 0, most: 8 },
  { pack: 'single', c: -1, fewest: 1, most: 1 },
] as const

interface Made {
  readonly sizes: readonly PaperSize[]
  readonly document: CheckDocument
  readonly lots: readonly Lot[]
  readonly question: Omit<PaperQuestion, 'fittings' | 'explained'>
  readonly packs: readonly PaperPack[]
}

/** A drawer of a few sizes, one to three fittings of it, each read three times; now and then one that does not agree. */
function made(random: () => number): Made {
  const of = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)]!
  const between = (least: number, most: number) => least + Math.floor(random() * (most - least + 1))
  const sizes = Array.from({ length: between(2, 4) }, (_, i): PaperSize => {
    const nominal = thou(between(2, 12))
    const tolerance = of([null, { plus: 0, minus: 25_400 }, { plus: 12_700, minus: 12_700 }])
    return {
      id: `s${i}`,
      nominal,
      measured: of([null, nominal, nominal + of([-5_080, 2_540])]),
      tolerance,
      onHand: between(0, 3),
      reserved: random() < 0.2 ? 1 : 0,
      cost: between(0, 9) * 10,
    }
  })
  const place = of(PLACES)
  const { c } = place
  const count = between(1, 3)
  const anyPack = (): PaperPack =>
    place.most === 1
      ? Object.fromEntries(sizes.map(({ id }, i) => [id, Number(i === Math.floor(random() * sizes.length))]))
      : Object.fromEntries(sizes.map(({ id }) => [id, between(0, 2)]))
  const packs = Array.from({ length: count }, anyPack)
  const thick = ({ measured, nominal, tolerance }: PaperSize) =>
    measured ?? nominal + (tolerance ? (tolerance.plus - tolerance.minus) / 2 : 0)
  const total = (pack: PaperPack) => sizes.reduce((sum, size) => sum + (pack[size.id] ?? 0) * thick(size), 0) / 25_400
  const least = Math.min(...packs.map(pack => c * total(pack)))
  const base = 4 + random() * 8 - least
  const read = packs.map(pack => {
    const slip = random() < 0.25 ? (random() - 0.3) * 12 : 0
    const play = Math.max(4, base + c * total(pack) + (random() - 0.5) * 0.6 + slip)
    return [0, 0, 0].map(() => Math.round((play + (random() - 0.5) * 0.6) * 2) / 2)
  })
  const [lower, band] = [between(1, 6), of([0.8, 1, 2, 3, 6])]
  const excluded = random() < 0.2
  const limits: LimitSet =
    random() < 0.2
      ? { kind: 'upper', upper: thou(lower + band), unit: 'thou', source: { kind: 'own' } }
      : {
          kind: 'two-sided',
          lower: thou(lower),
          upper: thou(lower + band),
          ...(excluded ? { lowerExcluded: true, upperExcluded: true } : {}),
          unit: 'thou',
          source: { kind: 'book' },
        }
  const rule = of(['plain', 'careful', 'guarded'] as const)
  const school = of(['middle', 'tight', 'loose', 'as-found', 'own'] as const)
  const own = thou(lower + Math.round(random() * band * 10) / 10)
  const packRules: PackRules = {
    most: between(2, 4),
    ...(random() < 0.2 ? { fewest: 2 } : {}),
    ...(random() < 0.2 ? { largestStack: thou(between(10, 30)) } : {}),
    ...(random() < 0.15 ? { noUnmeasured: true } : {}),
    ...(random() < 0.1 ? { onlyRemove: true } : {}),
    ...(random() < 0.4 ? { order: of(['pieces', 'changes', 'cost'] as const) } : {}),
  }
  const listed = (pack: PaperPack): Pack => Object.entries(pack).flatMap(([lotId, n]) => (n > 0 ? [{ lotId, count: n }] : []))
  const document = checkOf('shaft-end-play', {
    setup: { pack: place.pack },
    family: FAMILY,
    rule,
    aim: { school, ...(school === 'own' ? { own } : {}) },
    packRules,
    gauges: { ...GAUGES, 'dial-indicator': gauge('dial-indicator', thou(of([0.1, 0.5, 1]))) },
    limits: { working: 'book', sets: { play: { book: limits, shop: null } } },
    trials: packs.map((pack, i) =>
      trial(`t${i}`, plays('travel', ...read[i]!), { packs: { pack: listed(pack) }, refitted: i === 0 ? [] : ['pack'] }),
    ),
  })
  const lots = sizes.map(({ id, nominal, ...more }) => lotOf(id, nominal as Lot['nominal'], { family: FAMILY, ...more } as Partial<Lot>))
  return {
    sizes,
    document,
    lots,
    packs,
    question: {
      sizes,
      c,
      uRefit: REFIT,
      limits: {
        lower: limits.kind === 'two-sided' ? limits.lower : 0,
        upper: thou(lower + band),
        lowerExcluded: limits.kind === 'upper' || excluded,
        upperExcluded: limits.kind === 'two-sided' && excluded,
      },
      rule,
      school,
      own,
      rules: {
        fewest: Math.max(place.fewest, packRules.fewest ?? 0),
        most: Math.min(place.most, packRules.most!),
        largestStack: packRules.largestStack ?? Infinity,
        noUnmeasured: packRules.noUnmeasured ?? false,
        onlyRemove: packRules.onlyRemove ?? false,
        order: packRules.order ?? 'trouble',
      },
    },
  }
}

const packOf = (pack: Pack, sizes: readonly PaperSize[]): string =>
  JSON.stringify(sizes.map(({ id }) => pack.filter(piece => piece.lotId === id).reduce((sum, piece) => sum + piece.count, 0)))
const paperPack = (pack: PaperPack, sizes: readonly PaperSize[]): string => JSON.stringify(sizes.map(({ id }) => pack[id] ?? 0))

describe('a choice for one place, against the sums of the handbook written down slowly', () => {
  const COUNT = runs(4_000, 400)
  const random = stream(2_026)
  const seen: Record<string, number> = {}
  const count = (what: string) => {
    seen[what] = (seen[what] ?? 0) + 1
  }
  function compare(): void {
    const { document, lots, sizes, question, packs } = made(random)
    const evaluation = evaluateCheck(document, lots)
    const results = evaluation.trials.map(({ results: [result] }) => result!)
    // What each series says is another test's; here it is given, where it is fit to reckon from.
    if (!results.every(result => result.valid && result.estimate && result.estimate.value > result.estimate.U)) return count('not measured')
    const place = evaluation.places[0]!
    const paper = onPaper({
      ...question,
      explained: place.ledger.piece !== null,
      fittings: results.map(({ estimate }, i) => {
        const shared = sharedVariance(estimate!.lines)
        const { value: play, u, nuExact: nu } = estimate!
        return { pack: packs[i]!, play, u, nu, uOwn: Math.sqrt(u ** 2 - shared), uShared: Math.sqrt(shared) }
      }),
    })
    // The paper judges the figure alone; what the fittings say against it is told with it.
    const against = packs.length > 1 && (paper.state === 'disagree' || place.ledger.suspect?.id === evaluation.current.id)
    expect(results.at(-1)!.state).toBe(against && paper.verdict === 'in' ? 'doubted' : paper.verdict)
    expect(place.ledger.state).toBe(paper.state)
    count(place.ledger.piece ? 'a piece' : paper.state)
    if (paper.fused) {
      expect(place.ledger.base!.value).toBeCloseTo(paper.fused.value, 3)
      expect(place.ledger.base!.u).toBeCloseTo(paper.fused.u, 3)
    }
    expect(place.ledger.suspect?.id ?? null).toBe(paper.odd === null ? null : `t${paper.odd}`)
    expect(place.ledger.signDoubtful).toBe(paper.slope !== null && paper.slope < -0.25)
    if (place.ledger.signDoubtful) return expect(place.request).toBeNull()
    if (paper.window === null) expect(place.window).toBeNull()
    else {
      expect(place.window!.low).toBeCloseTo(paper.window.low, 3)
      expect(place.window!.high).toBeCloseTo(paper.window.high, 3)
    }
    expect(place.aim!.target).toBe(paper.aim)
    const { proposals, fallback } = answerRequest(place.request!)
    const stayed = proposals.findIndex(({ pack }) => packOf(pack, sizes) === paperPack(packs.at(-1)!, sizes))
    const listed = proposals.filter((_, i) => i !== stayed)
    const byPack = new Map(paper.all.map(one => [paperPack(one.pack, sizes), one]))
    for (const { pack, predicted, chance, words, ...more } of listed) {
      const own = byPack.get(packOf(pack, sizes))!
      expect(predicted.play).toBe(own.play)
      expect(predicted.u).toBeCloseTo(own.u, 3)
      expect(chance!.inside).toBeCloseTo(own.chance, 6)
      expect(more).toMatchObject({ total: own.total, pieces: own.pieces, unmeasured: own.strange, atMost: false })
      expect([predicted.rests, predicted.lines.map(({ source }) => source)]).toEqual(own.rests)
      // What the reading carries is shared with whatever else is reckoned from it; the refit is of its own.
      expect(predicted.lines.map(({ shared }) => shared)).toEqual(predicted.lines.map(({ source }) => source === 'repeatability'))
      for (const side of words.split(', put in ')) {
        const figures = [...side.matchAll(/(\d+(?:\.\d+)?)(?!\d* ×)/g)].map(([, figure]) => Number(figure)).filter(figure => figure > 0)
        expect(side.includes('×') ? [] : figures).toEqual(side.includes('×') ? [] : [...figures].sort((a, b) => b - a))
      }
    }
    expect(proposals[stayed]?.chance?.inside).toBeCloseTo(paper.stay.chance, 6)
    expect(fallback).toBe(paper.fitting.length === 0 && !paper.staysFirst && !paper.inRange(paper.stay.play))
    if (fallback) {
      count(paper.loose.length > 0 ? 'a trial on the loose side' : 'nothing reaches')
      const trials = listed.map(({ pack }) => paper.loose.find(one => paperPack(one.pack, sizes) === packOf(pack, sizes))!)
      expect(trials.length > 0).toBe(paper.loose.length > 0)
      for (const [i, one] of trials.entries()) expect(paper.order(i === 0 ? paper.loose[0]! : trials[i - 1]!, one)).toBeLessThanOrEqual(0)
      if (trials.length > 0) expect(paper.order(trials[0]!, paper.loose[0]!)).toBe(0)
      return
    }
    count(paper.staysFirst ? 'left as it is' : 'another pack first')
    expect(stayed === 0 && proposals.length > 0 && paper.staysFirst).toBe(paper.staysFirst)
    const keys = listed.map(({ pack }) => byPack.get(packOf(pack, sizes))!)
    for (const [i, one] of keys.entries()) if (i > 0) expect(paper.order(keys[i - 1]!, one)).toBeLessThanOrEqual(0)
    if (listed.length > 0) expect(paper.order(paper.fitting[0]!, keys[0]!)).toBe(0)
    // Whatever is better than the last of them is listed, or differs from one of them in nothing that matters at the bench.
    const last = keys.at(-1)
    const pieces = (pack: PaperPack) => Object.values(pack).reduce((sum, n) => sum + n, 0)
    for (const one of paper.fitting)
      if (last && paper.order(one, last) < 0)
        expect(
          keys.some(
            other =>
              other === one ||
              (other.cls === one.cls && pieces(other.pack) === pieces(one.pack) && Math.abs(other.play - one.play) < 1_270),
          ),
        ).toBe(true)
    const before = listed.filter((_, i) => i < stayed).map(({ pack }) => byPack.get(packOf(pack, sizes))!)
    if (!paper.staysFirst && paper.inRange(paper.stay.play) && stayed < proposals.length - 1)
      for (const one of before) expect(paper.order(one, paper.stay)).toBeLessThanOrEqual(0)
  }
  it('agrees, case by case', () => {
    caseByCase(COUNT, compare)
    // Every case was seen.
    expect(Object.keys(seen).sort()).toEqual([
      'a piece',
      'a trial on the loose side',
      'agree',
      'another pack first',
      'disagree',
      'left as it is',
      'not measured',
      'nothing reaches',
      'one',
      'suspect',
    ])
  }, 120_000)
})
