import { upToT } from './student-t'
import { describe, expect, it } from 'vitest'
import type { CheckKind } from '#core/check/contract'
import { checkKind, checkKinds } from '#core/check/registry'
import type { Setup } from '#core/check/setup'
import { evaluateCheck, type CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { answerRequest } from '#core/choice/answer/answer-request'
import { answerOf } from '#core/check/sentence/answer'
import { lookAt } from '#core/check/sentence/look-at'
import { orderPlan } from '#core/choice/answer/order-plan'
import type { Bench } from '#core/command/command'
import { decide } from '#core/command/decide'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import type { CheckDocument } from '#core/check/document'
import type { Lot } from '#core/pack/lot'
import { NM_PER, thou } from '#core/quantity/length'
import type { Estimate } from '#core/reading/estimate'
import { twoSided, type LimitSet } from '#core/verdict/limits'
import { checkOf, trial } from '../documents'
import { lotsFor } from '../record/lots'
import { live } from '../record/lives'
import { runs } from '../runs'
import { stream } from './drawers'

// What holds of every check of every kind, whatever was done to it: no answer contradicts another. t and normal are another library's.
type Judged = Pick<Estimate, 'value' | 'u' | 'nu'>

/** 2.4, by the rule of the check. */
function verdictOn({ value, u, nu }: Judged, limits: LimitSet, rule: CheckDocument['rule']) {
  const low = 'lower' in limits ? limits.lower : -Infinity
  const high = 'upper' in limits ? limits.upper : Infinity
  const beyond = (distance: number) => (distance === -Infinity ? 0 : u === 0 ? (distance > 0 ? 1 : 0) : upToT(distance / u, nu))
  const [below, above] = [beyond(low - value), beyond(value - high)]
  const inside = Math.max(0, 1 - below - above)
  const excluded = (limits.kind === 'two-sided' || limits.kind === 'lower') && limits.lowerExcluded && value === low
  const excludedAbove = (limits.kind === 'two-sided' || limits.kind === 'upper') && limits.upperExcluded && value === high
  const level = rule === 'guarded' ? 0.95 : 0.8
  const sure = inside >= level ? 'in' : below >= level ? 'below' : above >= level ? 'above' : 'close'
  const plain = value < low || excluded ? 'below' : value > high || excludedAbove ? 'above' : 'in'
  return { state: rule === 'plain' ? plain : sure, inside }
}
const judges = (limits: LimitSet | null): limits is LimitSet => limits !== null && limits.kind !== 'none' && limits.kind !== 'figure'
/** Figures at which a computed chance would fall either way of a level. */
const onEdge = (inside: number) => [0.8, 0.95].some(level => Math.abs(inside - level) < 1e-6 || Math.abs(1 - inside - level) < 1e-6)

/** Does it weigh on the check? The main figures do; others where they are known and have limits, or were found out by hand. */
const weighs = ({ kind, overrule, estimate, limits: { working } }: ResultEvaluation) =>
  kind.main || (overrule !== null && !kind.unjudged) || (estimate !== null && working !== null && working.kind !== 'none')
const GRAVE = ['stale', 'not-valid', 'out', 'close', 'doubted', 'no-limit', 'part-read', 'to-do', 'provisional', 'in']
const graveOf = (state: string) => GRAVE.indexOf(state === 'below' || state === 'above' ? 'out' : state)

function results({ trials, reminders: _ }: CheckEvaluation, document: CheckDocument): void {
  const kind = checkKind(document.kind)
  for (const [at, fitting] of trials.entries()) {
    for (const result of fitting.results) {
      const { estimate, limits, state, stale, overrule, findings, predicted, residual } = result
      const fails = findings.some(({ level }) => level === 'fail')
      expect(result.valid).toBe(estimate !== null && !fails)
      if (stale !== null) expect(state).toBe('stale')
      else if (overrule === null && !result.valid) expect(state).toBe(estimate === null && !fails ? 'to-do' : 'not-valid')
      else if (overrule === null && result.progress.read < result.progress.of) expect(state).toBe('part-read')
      else if (overrule === null && !judges(limits.working)) {
        // A recommended figure judges nothing; what the set-up itself asks for does, beside it.
        const asked = judges(limits.demand) ? verdictOn(estimate!, limits.demand, document.rule).state : 'no-limit'
        expect(state).toBe(asked === 'in' ? 'no-limit' : asked)
      } else if (overrule === null) {
        const own = verdictOn(estimate!, limits.working as LimitSet, document.rule)
        expect(result.verdict.working!.chance!.inside).toBeCloseTo(own.inside, 6)
        // What is too close to call may be judged with its prediction, and under the guarded rule never is.
        const both = result.both && verdictOn({ ...estimate!, ...result.both }, limits.working as LimitSet, document.rule)
        if (both) expect([document.rule, own.state, result.verdict.working!.plain]).not.toContain('guarded')
        if (both && both.state === 'in') expect(result.verdict.working!.plain).toBe('in')
        const judged = both ?? own
        if (!onEdge(judged.inside) && !onEdge(own.inside))
          expect(judged.state === 'in' ? (result.doubt === null ? ['in', 'provisional'] : ['doubted']) : [judged.state]).toContain(state)
        if (findings.some(({ gate }) => gate === 'feel' || gate === 'hot')) expect(state).not.toBe('in')
      }
      // A proof is held against what was foretold when it was fitted, or at the last fitting that foretold it.
      const foretold =
        document.trials.slice(0, at + 1).findLast(one => one.predicted[result.id] !== undefined)?.predicted[result.id] ?? null
      // It dies with what it rests on.
      const rests = kind.points(document.setup).flatMap(point => (result.points.includes(point.id) ? point.rests : []))
      if (predicted === null && foretold !== null)
        expect(document.partChanges.some(({ role }) => role === '*' || rests.includes(role))).toBe(true)
      else expect(predicted).toEqual(foretold)
      if (residual) {
        const own = Math.sqrt(estimate!.lines.reduce((sum, line) => sum + (line.shared ? 0 : line.u ** 2), 0) + foretold!.uOwn ** 2)
        expect(residual.difference).toBeCloseTo(estimate!.value - foretold!.play, 3)
        if (own > 0) expect(residual.flagged).toBe(Math.abs(residual.difference) > 2 * own)
      } else {
        // A sum over what was read before is no proof.
        const from = document.trials.slice(0, at + 1).findLastIndex(one => one.predicted[result.id] !== undefined)
        const since = document.trials.slice(Math.max(0, from), at + 1).flatMap(({ readings }) => readings)
        expect(result.valid && predicted !== null && since.some(({ point, voided }) => !voided && result.points.includes(point))).toBe(
          false,
        )
      }
    }
    const graves = fitting.results.filter(weighs).map(({ state }) => graveOf(state))
    expect(graveOf(fitting.state)).toBe(Math.min(...graves))
    expect(fitting.headline.state).toBe(fitting.state)
  }
}

function signing({ signOff, current, state }: CheckEvaluation, document: CheckDocument): void {
  if (document.signOff) return expect(signOff).toEqual({ blockers: ['This check is signed off.'], needsReason: null })
  const judged = current.results.filter(weighs)
  const has = (...states: string[]) => judged.some(one => states.includes(one.state))
  if (has('to-do', 'part-read', 'not-valid', 'stale')) expect(signOff.blockers.length).toBeGreaterThan(0)
  if (has('below', 'above', 'close', 'doubted')) expect(signOff.needsReason).not.toBeNull()
  // What is plainly in asks for no reason but for what somebody said of it, or for a place that moves none of it.
  if (state === 'in') {
    expect(judged.map(({ residual, asksReason, doubt }) => [residual?.flagged ?? false, asksReason, doubt])).toEqual(
      judged.map(() => [false, null, null]),
    )
    if (signOff.needsReason) expect(signOff.needsReason).toMatch(/the fittings do not agree|it was measured with|speak against/)
  }
}

/** What can be chosen from a catalogue is judged as what is measured is: the worst of all it leaves, as sure as the least sure. */
function catalogues({ catalogues: all, current, places }: CheckEvaluation, document: CheckDocument, lots: readonly Lot[]): void {
  for (const { entries, place } of all) {
    for (const entry of entries) {
      // The most it can be says nothing of a chance: 3.1.
      const untold = entry.leaves.some(({ atMost }) => atMost)
      if (untold) {
        expect(entry.chance).toBeNull()
        expect(entry.state).not.toBe('in')
      }
      const own = entry.leaves.flatMap(({ result, position, estimate, atMost }) => {
        if (atMost) return []
        const of = current.results.find(({ kind, position: at }) => kind.id === result && at === position)
        return of && !of.kind.unjudged && judges(of.limits.working) ? [verdictOn(estimate, of.limits.working, document.rule)] : []
      })
      const least = own.length === 0 ? null : Math.min(...own.map(({ inside }) => inside))
      if (least === null) expect(entry.chance).toBeNull()
      else if (!untold) expect(entry.chance).toBeCloseTo(least, 6)
      const order = ['below', 'above', 'close', 'in']
      const worst = order.find(state => own.some(one => one.state === state))
      if (!untold && !own.some(({ inside }) => onEdge(inside)) && (entry.state !== 'no-limit' || own.length === 0))
        expect(entry.state).toBe(worst ?? 'no-limit')
      const inPlace = document.trials.at(-1)!.packs[place] ?? []
      const enough = entry.pieces.every(({ lotId, count }) => {
        const lot = lots.find(({ id }) => id === lotId)
        return lot && lot.onHand - lot.reserved + (inPlace.find(piece => piece.lotId === lotId)?.count ?? 0) >= count
      })
      expect(entry.here).toBe(enough)
    }
    const chances = entries.map(({ chance }) => Math.round((chance ?? 0) * 100))
    expect(chances).toEqual([...chances].sort((a, b) => b - a))
    expect(places.some(({ place: { id } }) => id === place)).toBe(true)
  }
}

/**
 * What is offered for a place, and what is said of it elsewhere:
 * a proposal can be fitted; it lies in the window that is drawn; what the sentence, the band and the list tell of it are one; the order plan
 * does not say less of the drawer than its best proposal; nothing is offered as sure while fittings disagree; what is only known to be at most
 * so much has no chance.
 */
function choices(evaluation: CheckEvaluation, bench: Bench, life: number): void {
  const { document } = bench
  if (document.signOff) return
  for (const { place, request, window, ledger } of evaluation.places) {
    if (!request || place.chosen.by !== 'window') continue
    const { proposals, fallback } = answerRequest(request)
    const { question, fitted } = request
    for (const { pack, change, predicted, chance, atMost, also, total } of proposals) {
      const moves = change.in.length + change.out.length > 0
      if (moves) {
        const asked = { kind: 'fit', op: 'o', at: AT, trialId: 'next', packs: [{ place: place.id, pieces: pack }] } as const
        const outcome = decide(bench, asked)
        expect(outcome.ok ? '' : outcome.faults[0]!.reason).toBe('')
      } else expect(pack).toEqual(fitted)
      if (atMost) expect(chance).toBeNull()
      if (question.doubts.length > 0 && moves) expect(chance?.inside ?? 0).toBeLessThan(0.8)
      if (chance) for (const left of also) if (left.chance) expect(chance.inside).toBeLessThanOrEqual(left.chance.inside + 1e-12)
      // The window is that of the sum; what was measured with the pack itself is another matter.
      if (moves && !fallback && window && predicted.rests === 'sum' && evaluation.places.length === 1)
        expect(total).toBeGreaterThanOrEqual(Math.floor(window.low) - 1)
      if (moves && !fallback && window && predicted.rests === 'sum' && evaluation.places.length === 1)
        expect(total).toBeLessThanOrEqual(Math.ceil(window.high) + 1)
    }
    if (ledger.state === 'disagree')
      for (const { change, chance } of proposals)
        if (change.in.length + change.out.length > 0) expect(chance?.inside ?? 0).toBeLessThan(0.8)
    if (life % 4 === 0) {
      const order = orderPlan(request)
      const best = Math.max(0, ...(fallback ? [] : proposals.map(({ chance }) => chance?.inside ?? 0)))
      // By equal steps of the chance, and pieces of one tolerance.
      if (order && question.doubts.length === 0) expect(order.stockChance).toBeGreaterThan(best - 0.12)
    }
  }
}

/** The sentence says of what it looks at what the figures beside it say. */
function answers(evaluation: CheckEvaluation, { document, lots }: Bench): void {
  const look = lookAt(document, evaluation, lots)
  const { about, sentence, advice, foretold, sum } = answerOf(look, { system: 'inch', time: at => at })
  const { shown, proposal } = look
  if (document.signOff) return expect(about).toBe('signed')
  if (shown.stale) return expect(about).toBe('stale')
  expect(advice !== null && shown.state !== 'close').toBe(false)
  if (about === 'close') expect([shown.state, advice === null]).toEqual(['close', false])
  if (about === 'in') expect(['in', 'provisional']).toContain(look.place ? shown.state : evaluation.state)
  if (about === 'not-valid') expect(shown.valid).toBe(false)
  if (advice && advice.by !== 'refit') expect([foretold, sum]).toEqual([null, ''])
  if (about === 'pack') expect(proposal).not.toBeNull()
  // What is out by hand is not cured by leaving it.
  if (about === 'by-hand') expect(sentence).not.toContain('Leave the pack')
  // Whatever was read, something is said of it.
  if (shown.estimate && shown.valid) expect(sentence, shown.state).not.toBe('')
  if (about === 'pack' && proposal!.change.in.length + proposal!.change.out.length === 0 && !look.choice!.fallback)
    expect(sentence).toMatch(/^(.*: )?(In limits already: l|L)eave the pack as it is/)
}

const AT = '2026-05-04T08:00:00.000Z'
const LENGTHS = [0.3, 3, 10, 38, 90].map(mm => mm * NM_PER.mm)
/** Every choice of a kind, any way; a size where it asks for one. */
function drawnSetup({ setupFields, defaultSetup }: CheckKind, random: () => number): Setup {
  const of = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)]!
  return {
    ...defaultSetup,
    ...Object.fromEntries(
      setupFields.flatMap(field => {
        if (field.kind === 'choice') return [[field.id, of(field.options).value]]
        return field.kind === 'length' ? [[field.id, String(of(LENGTHS.filter(size => size >= field.least)))]] : []
      }),
    ),
  }
}

describe.each(checkKinds.map(kind => [kind.id, kind] as const))('a %s, worked on at random', (id, kind) => {
  it('answers nothing that contradicts another answer', () => {
    const LIVES = runs(60, 6)
    const random = stream(id.length * 7919)
    for (let life = 0; life < LIVES; life++) {
      const setup = life === 0 ? kind.defaultSetup : drawnSetup(kind, random)
      const rule = (['plain', 'careful', 'guarded'] as const)[life % 3]!
      const limits = Object.fromEntries(
        kind
          .results(setup)
          .filter(({ scale }) => scale === 'play')
          .map(({ id: result, unit }) => [
            result,
            {
              book: unit ? twoSided(1e9, 3e9, unit, { kind: 'book' }) : twoSided(thou(1), thou(3 + (life % 4)), 'thou', { kind: 'book' }),
              shop: null,
            },
          ]),
      )
      const document = checkOf(id, { setup, limits: { working: 'book', sets: limits }, rule, trials: [trial('t1', [])], ticks: [] })
      for (const { bench } of live({ document, lots: lotsFor(kind, setup), reserves: {} }, 70_000 + 2 * life, 24)) {
        const evaluation = evaluateCheck(bench.document, bench.lots)
        results(evaluation, bench.document)
        signing(evaluation, bench.document)
        catalogues(evaluation, bench.document, bench.lots)
        choices(evaluation, bench, life)
        answers(evaluation, bench)
      }
    }
  }, 120_000)
})
