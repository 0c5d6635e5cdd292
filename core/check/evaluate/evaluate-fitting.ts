import { NO_ANSWER, type PointAnswer } from '../../method/way'
import { ways } from '../../method/ways'
import { againstZero, saidZero, torqueUnitBeside } from '../../method/zero-words'
import { upperFirst } from '../../quantity/first-letter'
import { ownVariance } from '../../reading/estimate'
import { isValid } from '../../reading/gates'
import { unvoided } from '../../reading/reading'
import { judge, type VerdictState } from '../../verdict/decide'
import { bandOf, isEmpty } from '../../verdict/limits'
import { gaugeOf, readWith } from './gauge-needs'
import { judgingLimits, NO_OVERLAP } from './judging-limits'
import { lotMap, type Lot } from '../../pack/lot'
import { proofResidual } from '../../choice/grounds/residual'
import { positionOf, resultId, type Answers, type CheckKind, type CombinedResult, type MeasuringPoint, type ResultKind } from '../contract'
import { apartFindings } from '../common/belong'
import { byBoth } from './by-both'
import type { FittingEvaluation, LeftOut, Progress, ResultEvaluation } from './evaluated'
import { eachOf, fittedTotal } from './fitted'
import { leftOutOf } from '../said'
import { freshReadings, predictedOf, readingsAt, readSince } from './point-readings'
import { zeroWordsAt } from './none-said'
import { contextAt } from './way-context'
import { staleWords } from '../parts'
import { limitsOf, newerThan, packAt, type CheckDocument } from '../document'
import { isFine, worstOf } from './gravity'

const APART = 'a reading lies far from the others of its length'
const NOT_AS_EXPECTED = 'it did not move as it should'

/** What is said of a point, and why its readings no longer hold. */
interface PointState {
  readonly answer: PointAnswer
  readonly stale: string | null
  /** its newest reading’s place in the order of what happened, and its oldest’s */
  readonly order: number | undefined
  readonly first: number | undefined
  readonly read: boolean
  /** of the gauge it was read with, nm */
  readonly graduation: number | null
}

function pointState(
  document: CheckDocument,
  point: MeasuringPoint,
  index: number,
  kind: CheckKind,
  results: readonly ResultKind[],
): PointState {
  const way = ways[point.way]
  const { readings, stale } = freshReadings(document, kind, point, index)
  const gauge = readWith(document, unvoided(readings)) ?? gaugeOf(document, point)
  const position = positionOf(results, point)
  const band = bandOf(limitsOf(document, point.result, position).working)
  const zero = zeroWordsAt(results, point).length > 0 ? saidZero(readings, point.noneWord, torqueUnitBeside(document.entryUnit)) : null
  const read =
    readings.length === 0 || zero
      ? (zero ?? NO_ANSWER)
      : way.answer(readings, contextAt(document, point, { gauge, band, pooled: gauge ? (document.history[gauge.id] ?? null) : null }))
  const answer = zero ? read : againstZero(read, readings, document.entryUnit)
  const newest = unvoided(readings).at(-1)
  return {
    answer,
    stale: stale && staleWords(kind.parts(document.setup), stale),
    order: newest ? newest.order : -1,
    first: newest ? unvoided(readings)[0]!.order : -1,
    read: newest !== undefined,
    graduation: gauge?.graduation ?? null,
  }
}

/** Is an “In” of a fitting not final yet? A step is not ticked, or at this position the unit was not in the state the procedure asks for. */
export type IsProvisional = (index: number, position: string | null) => boolean

/** What every point of a fitting says. */
function answersAt(
  document: CheckDocument,
  kind: CheckKind,
  index: number,
  lots: readonly Lot[],
): { readonly answers: Answers; readonly states: ReadonlyMap<string, PointState> } {
  const trial = document.trials[index]!
  const results = kind.results(document.setup)
  const places = kind.places(document.setup)
  const packIn = (id: string) => {
    const place = places.find(candidate => candidate.id === id)
    return place ? packAt(trial, place) : null
  }
  const points = kind.points(document.setup)
  const states = new Map(points.map(point => [point.id, pointState(document, point, index, kind, results)]))
  const answers: Answers = {
    of: point => states.get(point)?.answer ?? NO_ANSWER,
    stale: point => states.get(point)?.stale ?? null,
    before: (point, other) => states.get(other)?.read === true && newerThan(states.get(other)!.first, states.get(point)?.order ?? Infinity),
    after: (point, other) => newerThan(states.get(point)?.order, states.get(other)?.order ?? -1),
    fitted: id => fittedTotal(packIn(id), lotMap(lots)),
    pieces: id => eachOf(packIn(id), lotMap(lots)),
    gauge: which => document.gauges[which] ?? null,
    log: id => unvoided(points.filter(point => point.id === id).flatMap(point => readingsAt(document.trials, point, index))),
    unit: document.entryUnit,
  }
  return { answers, states }
}

/** Evaluates the fitting at `index`: every point, then every result of the kind, judged by its own limits. */
export function evaluateFitting(
  document: CheckDocument,
  kind: CheckKind,
  index: number,
  provisional: IsProvisional,
  lots: readonly Lot[] = [],
): FittingEvaluation {
  const trial = document.trials[index]!
  const resultKinds = kind.results(document.setup)
  const points = new Map(kind.points(document.setup).map(point => [point.id, point]))
  const { answers, states } = answersAt(document, kind, index, lots)
  const against = kind.compare && index > 0 ? kind.compare(document.setup, answersAt(document, kind, index - 1, lots).answers, answers) : []
  const results = kind.combine(document.setup, answers).map(resultOf)
  const headline = worstOf(results)
  return { id: trial.id, results, headline, state: headline.state, answers }

  function resultOf(combined: CombinedResult): ResultEvaluation {
    const resultKind = resultKinds.find(candidate => candidate.id === combined.kind)!
    const id = resultId(combined.kind, combined.position)
    const used = combined.points.map(point => states.get(point)).filter(state => state !== undefined)
    const limits = judgingLimits(document, resultKind, combined, kind.demands?.(document.setup, combined.kind) ?? null)
    const findings = [
      ...(isEmpty(limits.working) ? [NO_OVERLAP] : []),
      ...used.flatMap(state => state.answer.findings),
      ...(combined.findings ?? []),
      ...against.flatMap(({ result, finding }) => (result === combined.kind ? [finding] : [])),
    ]
    findings.push(...apartFindings(readAt(combined.points), document.entryUnit))
    const stale = used.find(state => state.stale !== null)?.stale ?? null
    const { estimate } = combined
    const byWord = combined.overrule ?? (combined.atMost ? { state: 'below' as const, words: combined.atMost.words } : undefined)
    const valid = estimate !== null && isValid(findings)
    // No word makes a figure in that is there.
    const overrule = valid && byWord && isFine(byWord) ? undefined : byWord
    const judged = (set: typeof limits.book) =>
      valid && set ? judge({ value: estimate.value, u: estimate.u, nu: estimate.nu }, set, document.rule) : null
    const working = valid ? judge({ value: estimate.value, u: estimate.u, nu: estimate.nu }, limits.working, document.rule) : null
    const verdict = { book: judged(limits.book), shop: judged(limits.shop), demand: judged(limits.demand), working }
    // What is recommended, and what is allowed at the outside.
    const wider =
      working?.plain === 'above' || working?.plain === 'below'
        ? (['book', 'shop'] as const).find(of => verdict[of]?.plain === 'in')
        : undefined
    if (wider)
      findings.push({
        gate: 'limits',
        level: 'note',
        words: `Outside the tighter limits, inside the ${wider}’s: between the two it is signed with a reason and a name.`,
      })
    const predicted = predictedOf(document, kind, index, id, combined.points)
    const residual =
      valid && predicted && readSince(document, index, id, combined.points)
        ? proofResidual(estimate.value, Math.sqrt(ownVariance(estimate.lines)), predicted.play, predicted.uOwn)
        : null
    const asksReason =
      combined.asksReason ??
      against.find(({ result, asksReason }) => result === combined.kind && asksReason)?.asksReason ??
      (findings.some(({ gate }) => gate === 'apart') ? APART : null)
    const doubt = asksReason ?? (residual?.flagged ? NOT_AS_EXPECTED : null)
    const both = valid ? byBoth(estimate, working!, predicted, residual, limits.working, document.rule) : null
    // A word takes “in” away, and only that. Said before the figure it is asked again first.
    const handBeats = combined.hand !== undefined && overrule === undefined && (both?.verdict ?? working)?.state === 'in'
    const again = handBeats && combined.hand!.before ? combined.hand!.points : []
    if (again.length > 0)
      findings.push({ gate: 'hand', level: 'warn', words: `${upperFirst(combined.hand!.words)}, said before it was read: say it again.` })
    const progress = progressOf(combined.points.filter(id => !combined.notYet?.includes(id)))
    return {
      id,
      kind: resultKind,
      position: combined.position,
      label: resultKind.positions.find(position => position.id === combined.position)?.label ?? resultKind.label,
      formula: combined.formula,
      points: combined.points,
      estimate,
      was: combined.was ?? null,
      findings,
      valid,
      reckoned: combined.reckoned ?? false,
      limits,
      stale,
      predicted,
      verdict,
      overrule: overrule?.words ?? (handBeats && !combined.hand!.before ? combined.hand!.words : null),
      again,
      atMost: combined.atMost ?? null,
      asksReason,
      doubt,
      thumb: limits.working ? null : (kind.thumb?.(document.setup, answers, combined.kind, combined.position) ?? null),
      residual,
      both,
      progress,
      state: stateOf(),
    }

    /** Those of its points that have a figure. */
    function readAt(ids: readonly string[]) {
      return ids.flatMap(id => {
        const [point, state] = [points.get(id), states.get(id)]
        return point && state?.answer.estimate ? [{ point, estimate: state.answer.estimate, graduation: state.graduation }] : []
      })
    }

    /** Its points but those that may be left open, and those left out on purpose. */
    function progressOf(ids: readonly string[]): Progress {
      const isRead = (point: string) => states.get(point)!.read && !again.includes(point)
      const asked = [...new Set([...ids, ...again])]
        .flatMap(id => points.get(id) ?? [])
        .filter(({ id: point, optional }) => !optional || again.includes(point))
      const reasons = asked.map(point => ({
        point: point.id,
        label: point.label,
        reason: isRead(point.id) ? null : leftOutOf(document.trials, point, index),
      }))
      const leftOut = reasons.filter((one): one is LeftOut => one.reason !== null)
      return {
        read: asked.filter(({ id: point }) => isRead(point)).length,
        of: asked.length - leftOut.length,
        leftOut,
      }
    }

    function stateOf(): VerdictState {
      if (stale !== null) return 'stale'
      if (overrule) return overrule.state
      if (estimate === null) return isValid(findings) ? 'to-do' : 'not-valid'
      if (!valid) return 'not-valid'
      if (progress.read < progress.of) return 'part-read'
      const judged = (both?.verdict ?? working!).state
      if (handBeats) return combined.hand!.state
      // By one figure without limits nothing is in them; what the set-up asks for judges all the same.
      const asked =
        judged === 'no-limit' && limits.demand
          ? judge({ value: estimate.value, u: estimate.u, nu: estimate.nu }, limits.demand, document.rule).state
          : 'in'
      if (asked !== 'in') return asked
      if (judged === 'in' && doubt !== null) return 'doubted'
      return judged === 'in' && (provisional(index, combined.position) || findings.some(({ gate }) => gate === 'feel' || gate === 'hot'))
        ? 'provisional'
        : judged
    }
  }
}
