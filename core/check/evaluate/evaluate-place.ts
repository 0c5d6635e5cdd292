import { MOST_PIECES, type PackRules } from '../../choice/question/rules'
import { aimPoint, type AimPoint } from '../../verdict/aim'
import { formatLength } from '../../quantity/format-length'
import { nm, type Nm } from '../../quantity/length'
import { endsOf, flooredAtLeast, insideRange, isEmpty, type LimitSet } from '../../verdict/limits'
import { isUntold, type ChoiceRequest, type Moved } from '../../choice/question/question'
import { groundsFrom, ledgerFrom } from '../../choice/grounds/fitting'
import { refitUncertainty, type Grounds } from '../../choice/grounds/grounds'
import { readLedger, type Ledger } from '../../choice/grounds/ledger'
import { bothWindows, packWindow, type Window } from '../../choice/window/window'
import { lotMap, packTotal, type Lot } from '../../pack/lot'
import type { CheckKind } from '../contract'
import { chosenFor, responseOf, UNLISTED, type Effect, type PackPlace } from '../pack-place'
import { drawerFor, piecesIn, type CheckDocument } from '../document'
import type { FittingEvaluation, ResultEvaluation } from './evaluated'
import { resultName } from './state-words'
import { conditionsOf } from './said-conditions'
import { sureWords } from './judged-by-hand'
import type { Learned } from './learned'
import { asIfNow, moversOf, placeFittings } from './place-fittings'

/** One place of a check: what it moves, what would do, and what to ask the chooser. */
export interface PlaceEvaluation {
  readonly place: PackPlace
  /** the result it moves, in the present fitting */
  readonly result: ResultEvaluation | null
  readonly aim: AimPoint | null
  /** totals that would do, by what packs are reckoned from, nm; null where nothing gave a figure */
  readonly window: Window | null
  readonly request: ChoiceRequest | null
  /** why there is nothing to choose from, or what the choice rests on */
  readonly note: string | null
  /** packs that are not fitted are reckoned from fittings that agree, not from the present reading alone */
  readonly fused: boolean
  readonly ledger: Ledger
  /** how much the pieces move it, as far as fittings have shown; null where that is known from the start */
  readonly learned: Learned | null
  /** what it comes to once it is closed for good, where it was measured bare; null: nothing is to come */
  readonly film: FilmToCome | null
}

/** What a film of sealant that is not in yet will do. */
export interface FilmToCome {
  readonly words: string
  /** what it then comes to, in small units of the figure; null where none was measured */
  readonly leaves: number | null
  /** it leads out of the limits */
  readonly out: boolean
}

export const NO_CHOICE = { aim: null, window: null, request: null, fused: false } as const

/**
 * Aim, window, question and ledger of one place.
 * @param fittings  all of the check, evaluated; and the first as it was found, before any part was replaced
 * @param lots  the whole drawer
 * @param aimAt  what is aimed at where that is no matter of limits
 */
export function evaluatePlace(
  document: CheckDocument,
  kind: CheckKind,
  place: PackPlace,
  { trials: fittings, asFound }: { readonly trials: readonly FittingEvaluation[]; readonly asFound: FittingEvaluation },
  lots: readonly Lot[],
  aimAt: AimPoint | null = null,
): PlaceEvaluation {
  const index = lotMap(lots)
  const effect = chosenFor(place)
  const response = responseOf(place)
  const { uRefit } = document
  const fitted = piecesIn(document.trials.at(-1)!, place.id)
  const total = packTotal(fitted, index)
  const resultIn = (fitting: FittingEvaluation | undefined, id: string) => fitting?.results.find(result => result.id === id) ?? null
  const result = resultIn(fittings.at(-1), effect.result)
  const own = viewOf(effect)
  const { ledger } = own
  const film = result && filmAhead(kind, place, document, result)
  return { place, result, ledger, learned: null, film, ...choiceOf() }

  /** One result the pieces move, as fittings tell it at this place: everything else as it is now. */
  function viewOf({ result: id, perPiece }: Effect) {
    const movers = moversOf(kind.places(document.setup), place, id)
    const apart = movers.map(mover => mover.place.id)
    const all = asIfNow(placeFittings(document, kind, place, id, fittings, apart), document, movers, index)
    const context = {
      lots: index,
      family: document.family,
      response: { perPiece, pair: response.pair },
      most: place.capacity.most,
      unit: document.entryUnit,
    }
    const told = ledgerFrom(all, context, uRefit, kind.suspicions(document.setup))
    const grounds = groundsFrom(all, fitted, told, context, uRefit, limitsFor(id))
    return { ledger: told, grounds: grounds && withFloor(grounds, id), known: all.at(-1)!.pack !== null }
  }

  /** Where no limits keep it there, a figure that is never right below zero is kept above it all the same. */
  function withFloor(grounds: Grounds, id: string): Grounds {
    const judged = resultIn(fittings.at(-1), id)
    if (!judged || endsOf(limitsFor(id))) return grounds
    const { low } = insideRange(flooredAtLeast(null, judged.kind.belowZero))
    const atLeast = Math.max(low, grounds.atLeast ?? -Infinity)
    return { ...grounds, atLeast: Number.isFinite(atLeast) ? atLeast : null }
  }

  /** What a choice goes by: of a result that is the least of something, the limits the most of it leaves. */
  function limitsFor(id: string): LimitSet | null {
    const judged = resultIn(fittings.at(-1), id)
    if (!judged) return null
    // By one figure without limits nothing is in them: its floor is all that is kept.
    const limits = id === effect.result ? narrowed(judged.limits.working, spreadOf(judged)) : choiceLimits(judged)
    return endsOf(limits) ? limits : null
  }

  function choiceOf(): Pick<PlaceEvaluation, 'aim' | 'window' | 'request' | 'note' | 'fused'> {
    if (result?.stale) return { ...NO_CHOICE, note: `What was read no longer holds (${result.stale}): measure again.` }
    if (ledger.signDoubtful)
      return { ...NO_CHOICE, note: 'The play went the other way than the pack. See in Set up whether the place is right, then choose.' }
    const limits = limitsFor(effect.result)
    const others = alsoMoved()
    if ('unmeasured' in others) return { ...NO_CHOICE, note: `Its pieces move “${others.unmeasured}” too: measure that first.` }
    const { grounds, known } = own
    if (!grounds || !result) return { ...NO_CHOICE, note: 'Measure first: the choice rests on a valid reading.' }
    const judged = narrowed(result.limits.working, spreadOf(result))
    const unbounded = grounds.bound || others.also.some(isUntold)
    const window = unbounded || !endsOf(judged) ? null : windowOf(judged, grounds, known, others.also)
    const found = resultIn(asFound, effect.result)
    const aim = aimAt ?? aimPoint(document.aim, judged, refitUncertainty(grounds), found?.valid ? found.estimate!.value : null)
    const fused = grounds.from !== grounds.measured && !grounds.bound
    const refusal = isEmpty(result.limits.working) ? NO_OVERLAP : isEmpty(limits) ? NO_PACK : refusalFor(known, window, aim)
    if (refusal) return { aim, window, request: null, fused, note: refusal }
    return {
      aim,
      window,
      fused,
      note:
        [
          noteFor(grounds, ledger, known, fitted.length > 0),
          ...others.also.filter(isUntold).map(boundNote),
          sureWords(result, response, document.entryUnit),
          film?.words ?? null,
        ]
          .filter(words => words !== null)
          .join(' ') || null,
      request: {
        drawer: drawerFor(document, lots, place),
        fitted,
        response,
        rules: rulesFor(document, place),
        question: {
          ...grounds,
          aim: aim!.target as Nm,
          ...(aim!.lean ? { lean: aim!.lean } : {}),
          limits,
          rule: document.rule,
          unit: document.entryUnit,
          id: result.id,
          label: resultName(result),
          cannotBind: result.kind.cannotBind,
          ...(others.also.length > 0 ? { also: others.also } : {}),
        },
      },
    }
  }

  /** What its pieces move besides, as it reads now; or the name of one that has limits and no figure. */
  function alsoMoved(): { readonly also: readonly Moved[] } | { readonly unmeasured: string } {
    const also: Moved[] = []
    for (const besides of place.effects.slice(1)) {
      const other = resultIn(fittings.at(-1), besides.result)
      if (!other) continue
      const limits = choiceLimits(other)
      const judged = endsOf(limits) !== null
      const { grounds } = viewOf(besides)
      const holds = other.valid && other.estimate !== null && other.stale === null
      const told = other.stale === null && (holds || other.atMost !== null)
      if (!told || !grounds) {
        if (judged && !besides.after) return { unmeasured: resultName(other) }
        continue
      }
      const { perPiece } = besides
      const { cannotBind } = other.kind
      also.push({ ...grounds, id: other.id, label: resultName(other), limits: judged ? limits : null, perPiece, cannotBind })
    }
    return { also }
  }

  /** Totals at which all it moves keep their limits, and none is as tight as one that had no play; null where there are none. */
  function windowOf(limits: LimitSet | null, grounds: Grounds, known: boolean, also: readonly Moved[]): Window | null {
    const moved = [{ ...grounds, limits, perPiece: response.perPiece }, ...also.filter(one => one.limits !== null)]
    const windows = moved.flatMap(({ from, atLeast, limits: theirs, perPiece }) => {
      const of = { perPiece, pair: false }
      const shown = atLeast === null ? [] : [packWindow(lowerLimit(atLeast), from.play, total, of, known)]
      return [packWindow(theirs, from.play, total, of, known), ...shown]
    })
    return windows.reduce((left, other) => left && other && bothWindows(left, other))!
  }

  /** How much wider the most of it is than the least, nm: both move alike. */
  function spreadOf({ estimate }: ResultEvaluation): number {
    const widest = effect.widest === undefined ? null : resultIn(fittings.at(-1), effect.widest)
    return widest?.valid && widest.estimate && estimate ? Math.max(0, widest.estimate.value - estimate.value) : 0
  }

  function refusalFor(known: boolean, window: Window | null, aim: AimPoint | null): string | null {
    if (!known && swaps(place))
      return changeWanted(window) + 'What is fitted here is not known: list it, then the drawer can be gone through.'
    if (!known && window && window.high < 0) return UNLISTED
    if (!aim) return 'Nothing to aim at: set a limit.'
    return null
  }

  /** Of pieces known only as thick, middle and thin it can be said by how much another must differ. */
  function changeWanted(window: Window | null): string {
    if (!window || window.high === 0 || window.low === 0 || window.high > 0 !== window.low > 0) return ''
    const [least, most] = window.low > 0 ? [window.low, window.high] : [-window.high, -window.low]
    const show = (value: number, named = false) => formatLength(value, document.entryUnit, { unit: named, trim: true })
    const inAll = place.capacity.most > 1 ? ' in all' : ''
    const by = Number.isFinite(most) ? `${show(least)} to ${show(most, true)}` : `at least ${show(least, true)}`
    return `It wants ${by} ${window.low > 0 ? 'thicker' : 'thinner'}${inAll} than what is in. `
  }
}

const boundNote = ({ label }: Moved): string =>
  `“${label}” cannot be told from zero, and the same pieces move it: only packs that do not take it further are looked for.`

/** @param known  all that is in it; @param listed  some of it */
function noteFor({ bound, measured, oddNow, doubts }: Grounds, ledger: Ledger, known: boolean, listed: boolean): string | null {
  if (oddNow) return `${ledger.words} That is the present one: read it again first. Packs are reckoned from those that agree.`
  if (doubts.length > 0) return `${ledger.words} Until then no pack is sure: the chance told is the least by each of them.`
  if (bound) return 'No play that can be told from zero: it gives no figure to reckon from, only that it is no more than that.'
  if (!measured) return 'The present fitting gave no figure: packs are reckoned from the fitting before.'
  if (known) return null
  return listed
    ? 'Not all of what is fitted is known: of that, only the pieces listed can be taken out. List the rest to have it judged.'
    : 'The fitted pack is not known: pieces can only be added to it. List what is fitted to take pieces out.'
}

/** Will a film be in the place that was not there when it was measured? */
export const filmToCome = ({ film }: Pick<PackPlace, 'film'>, kind: CheckKind, document: CheckDocument): boolean =>
  film !== undefined &&
  conditionsOf(kind, document).every(({ condition, said }) => condition.id !== film.unless.condition || said !== film.unless.is)

/** What the film will do to a length that was measured bare: what a piece as thick would. */
function filmAhead(kind: CheckKind, place: PackPlace, document: CheckDocument, { estimate, limits }: ResultEvaluation): FilmToCome | null {
  const { film } = place
  const { entryUnit } = document
  if (!film || !estimate || !filmToCome(place, kind, document)) return null
  const leaves = estimate.value + chosenFor(place).perPiece * film.thickness
  const ends = endsOf(limits.working)
  const out = ends !== null && (leaves < ends.lower || leaves > ends.upper)
  const show = (value: number) => formatLength(value, entryUnit, { unit: true })
  return {
    out,
    leaves,
    words: `Measured bare: closed with a film of ${show(film.thickness)} it comes to ${show(leaves)}${out ? ', out of limits: allow for it' : ''}.`,
  }
}

/** A place the kind chooses for by its own reckoning: no window, no pack, no ledger of one figure. */
export function placeByKind(
  _document: CheckDocument,
  _kind: CheckKind,
  place: PackPlace,
  { trials }: { readonly trials: readonly FittingEvaluation[] },
): PlaceEvaluation {
  const result = trials.at(-1)!.results.find(({ id }) => id === chosenFor(place).result) ?? null
  return { place, result, ledger: readLedger([], NOTHING, []), learned: null, film: null, ...NO_CHOICE, note: null }
}
const NOTHING = { lots: new Map(), family: '', response: { perPiece: 1, pair: false }, most: 0, unit: 'thou', uShared: 0 } as const

/** What a choice for a result goes by: its limits, with zero as the floor of a play even where only one figure is known. */
const choiceLimits = ({ kind, limits }: ResultEvaluation): LimitSet | null => flooredAtLeast(limits.working, kind.belowZero)

/** Limits of the least of a figure whose most must meet them too. */
const narrowed = (limits: LimitSet | null, spread: number): LimitSet | null =>
  limits?.kind === 'upper' || limits?.kind === 'two-sided' ? { ...limits, upper: nm(limits.upper - Math.round(spread)) } : limits
const lowerLimit = (lower: number): LimitSet => ({ kind: 'lower', lower: nm(Math.ceil(lower)), unit: 'mm', source: { kind: 'own' } })

const NO_OVERLAP = 'What the shop allows and what the book allows do not overlap: no pack meets both.'
const NO_PACK = 'Its least and its most lie further apart than the limits: no pack mends that. Bore and journal are out of form.'

/** Are its pieces replaced one for one? Then nothing can be chosen until what is in it is known. */
export const swaps = ({ capacity: { fewest, most } }: Pick<PackPlace, 'capacity'>): boolean => fewest === most

/** The rules of the check, within what the place takes. */
export function rulesFor(
  { packRules }: Pick<CheckDocument, 'packRules'>,
  { capacity, one }: Pick<PackPlace, 'capacity' | 'one'>,
): PackRules {
  return {
    ...packRules,
    fewest: Math.max(packRules.fewest ?? 0, capacity.fewest),
    most: Math.min(packRules.most ?? MOST_PIECES, capacity.most),
    ...(one === undefined ? {} : { one }),
  }
}
