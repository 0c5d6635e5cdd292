import { CORE_VERSION } from '../version'
import type { LengthUnit } from '../quantity/length'
import { drawerOfAll, evaluateCheck, openPlaces, shownFigure, type CheckEvaluation } from '../check/evaluate/evaluate-check'
import { allocate } from '../choice/answer/allocation/allocate'
import type { Solve } from '../choice/answer/allocation/solver'
import { resultId } from '../check/contract'
import type { ResultEvaluation } from '../check/evaluate/evaluated'
import { signedFigures } from '../check/evaluate/gravity'
import { stateWord } from '../check/evaluate/state-words'
import { ratesOf } from '../check/common/making'
import { matchedSet } from '../check/evaluate/matched-set'
import { checkKind } from '../check/registry'
import { lookAt } from '../check/sentence/look-at'
import { answerOf } from '../check/sentence/answer'
import type { Advice } from '../check/sentence/advice'
import { systemOf } from '../quantity/figure'
import { sheetsFor, type CheckDocument, type SignedFigure, type SignOff } from '../check/document'
import { lapProgress } from '../pack/lapping'
import { lotMap, thickness, type Lot, type Pack } from '../pack/lot'
import { verdictWord } from '../verdict/words'
import type { Verdict } from '../verdict/decide'
import { catalogueAnswer, finite, placeAnswer } from './place-answer'
import type { Worksheet } from './worksheet'

/**
 * The evaluation of every check of a worksheet as plain JSON, documented in `docs/evaluation.md`. Lengths in nm.
 * @param solve  for checks that choose for several places; without it those are not chosen for together
 * @param digests  of its record, where the caller can make them: what a report of it carries, and what one made before version 3.5.0 did
 */
export function evaluateWorksheet(
  worksheet: Worksheet,
  solve: Solve | null = null,
  digests: { readonly digest: string; readonly formerDigest: string } | null = null,
) {
  return {
    format: 'finitum-evaluation',
    version: 2,
    core: CORE_VERSION,
    ...digests,
    checks: worksheet.jobs.flatMap(job => job.checks.map(check => ({ job: job.id, ...checkAnswer(check, worksheet.lots, solve) }))),
  }
}

export function checkAnswer(check: CheckDocument, drawer: readonly Lot[], solve: Solve | null = null) {
  const evaluation = evaluateCheck(check, drawer)
  const { headline, lots } = evaluation
  const set = matchedSet(check, evaluation)
  return {
    id: check.id,
    title: check.title,
    kind: check.kind,
    state: evaluation.state,
    word: evaluation.word,
    phase: evaluation.phase,
    headline: headline.id,
    answer: toldAnswer(check, evaluation, lots),
    gauge: evaluation.gauge,
    rule: check.rule,
    results: evaluation.current.results.map(result => resultAnswer(result, check.entryUnit)),
    next: evaluation.next && { phase: evaluation.next.phase, words: evaluation.next.words, point: evaluation.next.point },
    targets: evaluation.targets.map(({ effects, now, way: _, ...target }) => ({
      ...target,
      moves: effects.map(({ result, position, slope }) => ({ result: resultId(result, position), slope })),
      ...(target.turn === undefined ? {} : { turns: target.value / target.turn }),
      now: now && now.value,
    })),
    details: evaluation.details,
    ...(evaluation.catalogues.length > 0 ? { catalogues: evaluation.catalogues.map(catalogueAnswer) } : {}),
    laps: check.laps.map(lap => ({
      id: lap.id,
      place: lap.place,
      lot: lap.lotId,
      target: lap.target,
      end: lap.end,
      ...lapProgress(lap, check.entryUnit),
    })),
    places: evaluation.places.map(place =>
      placeAnswer(place, lotMap(lots), sheetsFor(check, lots), ratesOf(checkKind(check.kind), check.setup)),
    ),
    together: solve && togetherAnswer(evaluation, lots, solve),
    conditions: evaluation.conditions.map(({ condition, said, is }) => ({ id: condition.id, label: condition.label, said, is })),
    pending: evaluation.reminders.map(({ id, words, cleared }) => ({ id, words, cleared })),
    ...(set
      ? {
          matchedSet: { members: set.members, figures: set.figures.map(({ id }) => id), made: set.made, void: set.void && set.void.change },
        }
      : {}),
    signOff: evaluation.signOff,
    ...(check.signOff ? { signed: signedAnswer(check.signOff, signedFigures(evaluation.current)) } : {}),
  }
}

/** The answer as the bench tells it, in the unit of the check. */
function toldAnswer(check: CheckDocument, evaluation: CheckEvaluation, lots: readonly Lot[]) {
  const look = lookAt(check, evaluation, lots, { register: Object.values(check.gauges) })
  const { about, sentence, sum, advice, ahead } = answerOf(look, { system: systemOf(check.entryUnit), time: at => at })
  return { about, sentence, sum, advice: advice && adviceAnswer(advice), gaugeAhead: ahead && ahead.words }
}
const adviceAnswer = (advice: Advice) => (advice.by === 'gauge' ? { ...advice, gauge: advice.gauge.id } : advice)

/** A signature, and every figure as it was signed beside the same as it is computed now: the version that gave it may have been another. */
function signedAnswer({ at, by, reason, core, figures }: SignOff, now: readonly SignedFigure[]) {
  const ids = [...new Set([...(figures ?? []), ...now].map(({ id }) => id))]
  const near = (a: number | null, b: number | null) => a === b || (a !== null && b !== null && Math.abs(a - b) < WHOLE)
  return {
    at,
    by,
    reason,
    core,
    figures:
      figures === undefined
        ? null
        : ids.map(id => {
            const [then, here] = [figures, now].map(list => list.find(figure => figure.id === id) ?? null)
            const same = then && here && then.state === here.state && near(then.value, here.value) && near(then.U, here.U)
            return { id, signed: then, now: here, same: Boolean(same) }
          }),
  }
}
/** Less than half a small unit apart, two figures are one. */
const WHOLE = 0.5

/** All places from one drawer, nearest their aims; null where fewer than two can be chosen for. */
function togetherAnswer(evaluation: CheckEvaluation, lots: readonly Lot[], solve: Solve) {
  const places = openPlaces(evaluation)
  if (places.length < 2) return null
  const drawer = drawerOfAll(evaluation)
  const index = lotMap(lots)
  const list = (pack: Pack) => pack.map(({ lotId, count }) => ({ lot: lotId, count, thickness: thickness(index.get(lotId)!) }))
  const allocation = allocate({ drawer, places, goal: 'nearest', ordering: false, opening: 0 }, solve)
  return {
    words: allocation.words,
    proven: allocation.proven,
    cost: allocation.cost,
    bought: list(allocation.bought),
    places: allocation.places.map(({ id, pack, change, predicted, inside }) => ({
      id,
      pieces: pack && list(pack),
      takeOut: list(change.out),
      putIn: list(change.in),
      predicted: predicted && { play: predicted.play, u: predicted.u, nuEff: finite(predicted.nu), U: predicted.U },
      chance: inside,
    })),
  }
}

function resultAnswer(result: ResultEvaluation, unit: LengthUnit) {
  const { ends } = result.kind
  const { estimate } = result
  const verdict = (v: Verdict | null) =>
    v && {
      plain: v.plain,
      careful: v.careful,
      guarded: v.guarded,
      plainWord: verdictWord(v.plain, ends),
      carefulWord: verdictWord(v.careful, ends),
      guardedWord: verdictWord(v.guarded, ends),
      chance: v.chance,
    }
  return {
    id: result.id,
    label: result.label,
    formula: result.formula,
    points: result.points,
    state: result.state,
    word: stateWord(result),
    doubt: result.doubt,
    progress: result.progress,
    valid: result.valid,
    estimate: estimate && {
      value: estimate.value,
      shown: shownFigure(result, result.kind.unit ?? unit),
      unit: result.kind.unit ?? unit,
      n: estimate.n,
      u: estimate.u,
      nuEff: finite(estimate.nu),
      k: estimate.k,
      U: estimate.U,
      budget: estimate.lines.map(line => ({ ...line, nu: finite(line.nu) })),
    },
    gates: result.findings,
    overrule: result.overrule,
    stale: result.stale,
    verdict: {
      working: verdict(result.verdict.working),
      book: verdict(result.verdict.book),
      shop: verdict(result.verdict.shop),
      demand: verdict(result.verdict.demand),
    },
    residual: result.residual,
    ...(result.both
      ? {
          byBoth: {
            value: result.both.value,
            u: result.both.u,
            nuEff: finite(result.both.nu),
            U: result.both.U,
            state: result.both.verdict.state,
            chance: result.both.verdict.chance,
          },
        }
      : {}),
  }
}
