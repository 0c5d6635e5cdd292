import { formatFigure, type Unit } from '../../quantity/figure'
import { nm } from '../../quantity/length'
import type { MeasureUnit } from '../../quantity/measure'
import { ownVariance, sharedVariance } from '../../reading/estimate'
import { quadrature } from '../../reading/statistics'
import { coverageFactor } from '../../reading/student'
import { aimPoint } from '../../verdict/aim'
import { endsOf, type LimitSet } from '../../verdict/limits'
import { verdictWord } from '../../verdict/words'
import { changeSpread } from '../../pack/change-spread'
import {
  dragEnds,
  lineThrough,
  thicknessFor,
  type EarlierSlope,
  type SlopePoint,
  type LearnedSlope,
  type NextThickness,
} from '../../choice/grounds/learned-slope'
import { lotMap, packChange, packTotal, type Lot } from '../../pack/lot'
import type { Grounds, Measured } from '../../choice/grounds/grounds'
import { packWindow } from '../../choice/window/window'
import type { CheckKind } from '../contract'
import { chosenFor, responseOf, UNLISTED, type PackPlace } from '../pack-place'
import { drawerFor, packAt, piecesIn, type CheckDocument, type KnownSlope } from '../document'
import { resultName } from './state-words'
import { NO_CHOICE, filmToCome, rulesFor, type PlaceEvaluation } from './evaluate-place'
import { FIRST_STEP, firstPack, type Fittings } from './first-pack'
import { filmOf, learnedLedger, lineAt, scaled, slopeWords, stepAgainstBand, type Learned } from './learned'
import { asMeasured, packsBefore, type Fitting } from '../../choice/grounds/fitting'
import { placeFittings } from './place-fittings'
import { common, stackBeside } from './stack-beside'

const MEASURE_FIRST = 'Measure first: the choice rests on a valid reading.'

/**
 * A place whose pieces move a torque: by how much, only fittings tell. The first pack is chosen by the gap it has to fill; the next by
 * the way alone; from the second fitting with drag on by the line through them. A torque is never taken for a thickness.
 */
export function evaluateLearned(
  document: CheckDocument,
  kind: CheckKind,
  place: PackPlace,
  fittings: Fittings,
  lots: readonly Lot[],
): PlaceEvaluation {
  const index = lotMap(lots)
  const response = responseOf(place)
  const result = fittings.trials.at(-1)!.results.find(({ id }) => id === chosenFor(place).result)!
  const beside = kind.places(document.setup).filter(other => chosenFor(other).result === result.id && other.id !== place.id)
  const all = placeFittings(
    document,
    kind,
    place,
    result.id,
    fittings.trials,
    beside.map(({ id }) => id),
  )
  const now = document.trials.at(-1)!
  const stack = stackBeside(document, place, beside, index)
  const untold = result.estimate === null && result.overrule === null
  // A shim that sits elsewhere moves it the other way: that slope is another's.
  const kept = document.slopes?.[result.id]
  const prior = kept && Math.sign(kept.slope) === response.perPiece ? kept : null
  const learned = learnedFrom()
  const byGap = firstPack(document, kind, place, fittings, lots, prior && takenBy(prior))
  const ledger = learnedLedger(all, learned, place, one => stack.thickness(one.id, one.pack!), index)
  const same = { place, result, learned, ledger, film: learned.film }
  if (result.stale) return { ...same, ...NO_CHOICE, note: `What was read no longer holds (${result.stale}): measure again.` }
  // Play that is there is closed by its length, unless fittings with drag tell more.
  if (byGap && (untold || (byGap.closes && !learned.line))) return { ...byGap, ...same, aim: null }
  if (untold && !learned.line) return { ...same, ...NO_CHOICE, note: MEASURE_FIRST }
  if (ledger.signDoubtful)
    return {
      ...same,
      ...NO_CHOICE,
      note: 'The torque went the other way than the pack. See in Set up whether the place is right, then choose.',
    }
  const choice = learned.line && learned.next ? bySlope(learned.line, learned.next) : byDirection()
  return { ...same, ...choice }

  function bySlope(line: LearnedSlope, next: NextThickness): Pick<PlaceEvaluation, 'aim' | 'window' | 'request' | 'note' | 'fused'> {
    const per = Math.abs(line.slope)
    const drawer = drawerFor(document, lots, place)
    const inThickness = ({ play, u, nu }: Measured): Measured => ({ play: play / per, u: u / per, nu })
    const last = all.at(-1)!
    const fitted = piecesIn(now, place.id)
    const total = packTotal(fitted, index)
    const others = stack.beside(now, place.holds !== undefined)
    const packed = place.holds === undefined && stack.beside(now, true) !== others
    const shared = Math.sqrt(Math.max(0, ...all.map(({ estimate }) => (estimate ? sharedVariance(estimate.lines) : 0))))
    const limits = scaled(result.limits.working, per)
    const from: Measured = {
      play: lineAt(line, total + others) / per,
      // As the line is known where it is aimed at: there the packs lie that are chosen from.
      u: quadrature(line.u(next.thickness), shared) / per,
      nu: line.nu,
    }
    const grounds: Grounds = {
      // With a trial packing in, nothing can stay as it is.
      measured: last.estimate && !packed ? inThickness(asMeasured(last.estimate)) : null,
      from,
      before: packsBefore(alike()).map(({ pack, measured }) => ({ pack, measured: inThickness(measured) })),
      uRefit: document.uRefit,
      bound: false,
      atLeast: null,
      doubts: [],
      oddNow: false,
    }
    const aim = aimOf(line)
    const unit = result.kind.unit as MeasureUnit
    return {
      aim,
      window: packWindow(limits, from.play, total, response),
      fused: true,
      note: [
        wayWords(),
        slopeWords(line, { ...next, thickness: next.thickness - others }, learned.unit, document.entryUnit),
        stepAgainstBand(learned, result.limits.working, drawer, document.entryUnit),
      ]
        .filter(words => words !== null)
        .join(' '),
      request: {
        drawer,
        fitted,
        response,
        rules: rulesFor(document, place),
        question: {
          ...grounds,
          aim: nm(Math.round(aim!.target / per)),
          ...(aim!.lean ? { lean: { ...aim!.lean, end: aim!.lean.end / per } } : {}),
          limits,
          rule: document.rule,
          unit: document.entryUnit,
          id: result.id,
          label: resultName(result),
          cannotBind: result.kind.cannotBind,
          told: { by: 'slope', unit, per },
        },
      },
    }
  }

  /** Which way out of limits asks for, whatever the slope: `Too much: a thicker pack.` */
  function wayWords(): string | null {
    const { state, kind: of } = result
    if (state !== 'above' && state !== 'below') return null
    return `${verdictWord(state, of.ends)}: ${(state === 'above') === response.perPiece < 0 ? 'a thicker pack' : 'a thinner pack'}.`
  }

  /** Thickness that the torque aimed at is worth; null without limits. */
  function takenBy({ slope }: KnownSlope): number | null {
    const aim = aimOf(null)
    return aim && aim.target / Math.abs(slope)
  }

  function aimOf(line: LearnedSlope | null) {
    const u = line ? line.u(line.at.thickness) : 0
    const known = { u, nu: line?.nu ?? Infinity, U: coverageFactor(line?.nu ?? Infinity) * u }
    const found = fittings.asFound.results.find(({ id }) => id === result.id)
    return aimPoint(document.aim, result.limits.working, known, found?.valid && found.estimate ? found.estimate.value : null)
  }

  function byDirection(): Pick<PlaceEvaluation, 'aim' | 'window' | 'request' | 'note' | 'fused'> {
    const aim = aimOf(null)
    const { state, estimate, overrule } = result
    if (state === 'not-valid') return { ...NO_CHOICE, aim, note: MEASURE_FIRST }
    const off = state === 'above' || state === 'below'
    if (!off && (!estimate || !aim))
      return {
        ...NO_CHOICE,
        aim,
        note: overrule ? `By hand: ${overrule}. Nothing needs changing.` : 'Nothing to aim at: set a limit, or judge it by hand.',
      }
    const less = off ? state === 'above' : estimate!.value > aim!.target
    const thicker = less === response.perPiece < 0
    const way = `${thicker ? 'a thicker pack' : 'a thinner pack'}`
    if (!thicker && packAt(now, place) === null) return { ...NO_CHOICE, aim, note: UNLISTED }
    const words = `${off ? `${verdictWord(state, result.kind.ends)}: ${way}` : `To come nearer the aim: ${way}`}. By how much, a torque does not tell: ${
      learned.points.length === 0 ? 'two fittings with drag' : 'another fitting with drag'
    } will show the slope.${off && estimate ? sameDigits(estimate.value, result.limits.working, learned.unit) : ''}`
    return {
      ...NO_CHOICE,
      aim,
      note: words,
      request: {
        drawer: drawerFor(document, lots, place),
        fitted: piecesIn(now, place.id),
        response,
        rules: rulesFor(document, place),
        question: {
          measured: null,
          from: { play: 0, u: 0, nu: Infinity },
          before: [],
          uRefit: document.uRefit,
          aim: nm(less ? -FIRST_STEP : FIRST_STEP),
          limits: null,
          rule: document.rule,
          unit: document.entryUnit,
          id: result.id,
          label: resultName(result),
          cannotBind: result.kind.cannotBind,
          bound: false,
          atLeast: null,
          doubts: [],
          oddNow: false,
          told: { by: 'direction' },
        },
      },
    }
  }

  /**
   * The slope by where preload begins: a fitting with side play tells at which thickness there is none left, and drag is taken to come from
   * there on. Roughly, since what turns drags a little without any.
   */
  function fromWhereItCloses(points: readonly SlopePoint[]): EarlierSlope | null {
    const closes = place.chosen.by === 'slope' ? place.chosen.first.find(({ aim }) => aim === 'closed') : undefined
    const begins = document.trials.flatMap((trial, i) => {
      const fitting = fittings.trials[i]!.results.find(({ id }) => id === closes?.result)
      const pack = packAt(trial, place)
      return closes && fitting?.estimate && fitting.valid && fitting.stale === null && pack !== null
        ? [
            {
              at: stack.thickness(trial.id, pack) - fitting.estimate.value / closes.perPiece,
              u: quadrature(fitting.estimate.u, document.uRefit),
            },
          ]
        : []
    })
    const start = begins.at(-1)
    const slopes = start
      ? points.flatMap(({ thickness, value }) => {
          const preload = (thickness - start.at) * response.perPiece
          return preload > 2 * start.u ? [{ slope: (value / preload) * response.perPiece, u: (value * start.u) / preload ** 2 }] : []
        })
      : []
    return slopes.length === 0 ? null : { ...slopes.at(-1)!, from: 'side play and drag together' }
  }

  /** Fittings in which what stands beside the pack was as it will be. */
  function alike(): Fitting[] {
    const will = stack.beside(now, place.holds !== undefined)
    return all.filter(
      ({ id }) =>
        id === all.at(-1)!.id ||
        stack.beside(
          document.trials.find(trial => trial.id === id)!,
          true,
        ) === will,
    )
  }

  /** What the figure changes by when the joint is closed for good, while it was measured bare. */
  function filmLeaves(line: LearnedSlope) {
    const at = [place, ...beside].find(({ film }) => film !== undefined)
    const film = at?.film
    if (!at || !film || !filmToCome(at, kind, document)) return null
    return filmOf(line, film.thickness, chosenFor(at).perPiece / response.perPiece, {
      measured: result.valid && result.stale === null ? (result.estimate?.value ?? null) : null,
      limits: result.limits.working,
      unit: result.kind.unit ?? 'N·m',
      entryUnit: document.entryUnit,
    })
  }

  function learnedFrom(): Learned {
    const known = all.flatMap(({ pack, ...one }) => (pack === null ? [] : [{ ...one, pack }]))
    const felt = known.filter(({ estimate }) => estimate !== null)
    // A piece that is not in all of them is off in some alone, whichever place holds it.
    const whole = felt.map(({ id, pack }) => stack.whole(id, pack))
    const everywhere = common(whole)
    const points = felt.map(({ id, pack, estimate }, i) => ({
      thickness: stack.thickness(id, pack),
      uThickness: quadrature(document.uRefit, changeSpread(packChange(everywhere, whole[i]!), index)),
      value: estimate!.value,
      u: Math.sqrt(ownVariance(estimate!.lines)),
    }))
    const line = lineThrough(points, prior ?? fromWhereItCloses(points))
    const aim = line && result.limits.working ? aimOf(line) : null
    return {
      unit: result.kind.unit ?? 'N·m',
      points: felt.map(({ id, number, pack, estimate }) => ({
        id,
        number,
        thickness: stack.thickness(id, pack),
        value: estimate!.value,
        U: estimate!.U,
      })),
      none: known.flatMap(({ id, number, pack, atMost }) =>
        atMost === null ? [] : [{ id, number, thickness: stack.thickness(id, pack) }],
      ),
      line,
      next: line && aim ? thicknessFor(line, aim.target) : null,
      film: line && filmLeaves(line),
      ends: line && dragEnds(line),
    }
  }
}

/** The slip itself, in the digits it is made with: what is over a limit, taken for millimetres. */
function sameDigits(value: number, limits: LimitSet | null, unit: Unit): string {
  const ends = endsOf(limits)
  const off = ends ? Math.max(value - ends.upper, ends.lower - value) : 0
  return off <= 0 ? '' : ` ${formatFigure(off, unit, { unit: true })} off is not ${formatFigure(off, unit)} mm.`
}
