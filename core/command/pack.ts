import { leavesTogether, type Change } from '../choice/answer/leaves'
import { movedBy } from '../choice/window/window'
import { ruleFault } from '../choice/question/rules'
import { evaluateCheck, predictionOwn, type CheckEvaluation } from '../check/evaluate/evaluate-check'
import { asFitted } from '../check/as-fitted'
import { goesInto, packAt, piecesIn, type CheckDocument, type Predicted, type Trial } from '../check/document'
import { resultId } from '../check/contract'
import { chosenFor, inPairs, type PackPlace } from '../check/pack-place'
import { packingsOut } from '../check/packings'
import { checkKind } from '../check/registry'
import { changeWords, pieceList } from '../pack/arithmetic'
import { mergedPack, samePack, lotMap, packChange, pieceCount, thickness, type LotMap, type Pack } from '../pack/lot'
import { quadrature } from '../reading/statistics'
import { toldValue } from '../choice/question/told'
import { formatLength } from '../quantity/format-length'
import { lowerFirst } from '../quantity/first-letter'
import type { Bench, FitCommand, PromiseCommand } from './command'
import { claims, shortOf } from './drawer'
import { happened, refused, type Happening, type Outcome, type RefusedCommand } from './happening'
import { tellApart } from './in-hand'

export const placeOf = ({ kind, setup }: Pick<CheckDocument, 'kind' | 'setup'>, id: string): PackPlace | undefined =>
  checkKind(kind)
    .places(setup)
    .find(place => place.id === id)
export const NO_PLACE = 'This check has no such place.'

/** What speaks against so many pieces in a place; null: nothing. */
export function capacityFault({ label, capacity: { fewest, most }, without }: PackPlace, count: number, whole: boolean): string | null {
  if (count <= most && (count >= fewest || !whole)) return null
  const takes = fewest === most ? `${most}` : count > most ? `at most ${most}` : `at least ${fewest}`
  const why = count === 0 && without !== undefined ? `: ${without}` : ''
  return `${label}: it takes ${takes} ${takes.endsWith('1') && most === 1 ? 'piece' : 'pieces'}, not ${count}${why}.`
}

/** A packing in a pack of shims, or a shim in a joint; null: each piece goes there, or is there. */
export function shapeFault(place: PackPlace, pack: Pack, lots: LotMap, here: Pack = []): string | null {
  const stays = (lotId: string, count: number) => (here.find(piece => piece.lotId === lotId)?.count ?? 0) >= count
  if (pack.every(({ lotId, count }) => goesInto(place, lots.get(lotId)!) || stays(lotId, count))) return null
  if (place.holds === 'packing') return `${place.label}: only a packing goes there.`
  return pack.some(({ lotId }) => lots.get(lotId)!.shape === 'packing')
    ? `${place.label}: a packing is no part of it.`
    : `${place.label}: a washer goes there whose hole clears the stem and whose rim stays inside the pocket. Its diameters are in Stock.`
}

/**
 * Another pack goes into each place named: what comes out returns to the drawer, what goes in leaves it and must be there, free.
 * Pieces promised to another check are taken only on purpose.
 */
export function fit(before: Bench, asked: FitCommand): Outcome {
  const apart = tellApart(before, asked)
  if ('ok' in apart) return apart
  const { bench, command } = apart
  const { document } = bench
  if (document.trials.some(({ id }) => id === command.trialId)) return refused('conflict', 'That fitting is already here.', 'trialId')
  const last = document.trials.at(-1)!
  if (command.onto !== undefined && command.onto !== last.id)
    return refused('conflict', 'It was chosen for an earlier fitting: the pack was changed since.', 'onto')
  const evaluation = evaluateCheck(document, bench.lots)
  const all = lotMap(bench.lots)
  const packs: Record<string, Pack | null> = { ...last.packs }
  const changes: PlaceChange[] = []
  const byKind: Record<string, Predicted> = {}
  const moves = new Map<string, number>()
  const words: string[] = []
  for (const [at, { place: id, pieces }] of command.packs.entries()) {
    if (command.packs.findIndex(other => other.place === id) !== at)
      return refused('invalid', 'That place is named twice.', `packs.${at}.place`)
    const done = fitPlace(bench, evaluation, id, mergedPack(pieces), all, `packs.${at}`)
    if ('ok' in done) return done
    packs[id] = done.next
    if (done.reckoned) changes.push(done.reckoned)
    Object.assign(byKind, done.byKind)
    words.push(done.words)
    for (const { lotId, count } of done.change.in) moves.set(lotId, (moves.get(lotId) ?? 0) - count)
    for (const { lotId, count } of done.change.out) moves.set(lotId, (moves.get(lotId) ?? 0) + count - lappedOf(document, id, lotId))
  }
  const packings = packingsOut(
    document,
    command.packs.map(({ place }) => place),
  )
  for (const { place, pack } of packings) {
    packs[place.id] = []
    words.push('trial packing out')
    for (const { lotId, count } of pack) moves.set(lotId, (moves.get(lotId) ?? 0) + count)
  }
  const refitted = [...command.packs.map(({ place }) => place), ...packings.map(({ place }) => place.id)]
  const short = shortOf(moves, all, command.claim ?? false, document.entryUnit)
  if (short) return short
  const trial: Omit<Trial, 'readings'> = {
    id: command.trialId,
    at: command.at,
    packs,
    unlisted: last.unlisted,
    refitted,
    predicted: { ...predictedBy(changes, evaluation, all, document.uRefit), ...byKind },
    conditions: {},
    leftOut: {},
    pieces: asFitted(Object.values(packs), all, stayedIn(last.pieces, moves)),
  }
  return happened(
    `Fitted: ${words.join('; ')}`,
    ...apart.happenings,
    { type: 'fitted', trial: withUnlisted(trial, document) },
    ...[...moves].flatMap(([lotId, change]): Happening[] =>
      change === 0
        ? []
        : [
            {
              type: 'moved',
              movement: {
                id: `${command.op}:${change < 0 ? 'in' : 'out'}:${lotId}`,
                lotId,
                change,
                why: change < 0 ? 'fit' : 'return',
                note: document.title,
                trialId: command.trialId,
              },
            },
          ],
    ),
    ...claims(moves, all),
    ...command.packs.map(({ place }): Happening => ({ type: 'promised', place, pack: [] })),
  )
}

/** Pieces of a lot of which none came in since they were fitted. */
const stayedIn = (pieces: Trial['pieces'], moves: ReadonlyMap<string, number>): Trial['pieces'] =>
  Object.fromEntries(Object.entries(pieces).filter(([lotId]) => (moves.get(lotId) ?? 0) >= 0))

/** Pieces of a size that were taken out of this fitting to be lapped: they do not come back as what they were. */
const lappedOf = ({ laps, trials }: CheckDocument, place: string, lotId: string): number =>
  laps.filter(lap => lap.place === place && lap.lotId === lotId && lap.trial === trials.at(-1)!.id).length

/** Places of which nothing was listed before something was put in hold that, and what nobody listed. */
function withUnlisted(trial: Omit<Trial, 'readings'>, { trials, kind, setup }: CheckDocument): Omit<Trial, 'readings'> {
  const last = trials.at(-1)!
  const opened = trial.refitted.filter(id => packAt(last, placeOf({ kind, setup }, id)!) === null && !last.unlisted.includes(id))
  return { ...trial, unlisted: [...last.unlisted, ...opened].sort() }
}

/** A place whose pack is changed, with the result its pieces are chosen for. */
interface PlaceChange extends Change {
  readonly place: PackPlace
}
interface FittedPlace {
  readonly next: Pack
  readonly change: { readonly in: Pack; readonly out: Pack }
  /** what the next reading is reckoned from; null: by what the kind says */
  readonly reckoned: PlaceChange | null
  /** what the kind’s own list says it leaves */
  readonly byKind: Readonly<Record<string, Predicted>>
  readonly words: string
}

function fitPlace(
  { document }: Bench,
  evaluation: CheckEvaluation,
  id: string,
  next: Pack,
  all: LotMap,
  path: string,
): FittedPlace | RefusedCommand {
  const found = evaluation.places.find(({ place }) => place.id === id)
  if (!found) return refused('invalid', NO_PLACE, `${path}.place`)
  if (found.place.chosen.by === 'catalogue') return fitFromCatalogue(document, evaluation, found.place, next, all, path)
  if (!found.request || !found.result)
    return refused('conflict', found.note ?? 'Measure the present fitting first: the change is reckoned from it.')
  const ghost = next.find(({ lotId }) => !all.has(lotId))
  if (ghost) return refused('missing', 'There is no such size in the drawer.', `${path}.pieces`)
  const last = document.trials.at(-1)!
  const whole = packAt(last, found.place) !== null
  const fault = shapeFault(found.place, next, all, piecesIn(last, id)) ?? capacityFault(found.place, pieceCount(next), whole)
  if (fault) return refused('invalid', fault, `${path}.pieces`)
  const { request, place } = found
  // What is in may go in again as it was, but for the piece that its place cannot do without.
  const { one } = request.rules
  const rules = samePack(request.fitted, next) ? { ...(one === undefined ? {} : { one }) } : request.rules
  const against = ruleFault(rules, next, request.fitted, all, whole)
  if (against) return refused('invalid', `${place.label}: ${lowerFirst(against)}`, `${path}.pieces`)
  return {
    next,
    change: packChange(request.fitted, next),
    reckoned: { ...request, place, next },
    byKind: {},
    words: samePack(request.fitted, next)
      ? 'built again with the same pack'
      : lowerFirst(changeWords(piecesIn(last, id), next, all, document.entryUnit)),
  }
}

/** What the kind's catalogue holds, or nothing: the pair alike, the spacer of a letter. */
function fitFromCatalogue(
  document: CheckDocument,
  { catalogues, places }: CheckEvaluation,
  place: PackPlace,
  next: Pack,
  all: LotMap,
  path: string,
): FittedPlace | RefusedCommand {
  const catalogue = catalogues.find(({ place: at }) => at === place.id)
  if (!catalogue || catalogue.entries.length === 0)
    return refused('conflict', catalogue?.note ?? 'Measure the present fitting first: the change is reckoned from it.')
  const entry = catalogue.entries.find(({ pieces }) => samePack(pieces, next))
  if (!entry)
    return refused(
      'invalid',
      `${place.label}: nothing of that kind stands in the list.${inPairs(place) ? ' A pair is of one size.' : ''}`,
      `${path}.pieces`,
    )
  // What is in can come out; nothing goes in before what holds it back is done.
  if (catalogue.hold !== undefined && next.length > 0) return refused('conflict', catalogue.hold, `${path}.pieces`)
  const result = places.find(({ place: { id } }) => id === place.id)?.result
  const { result: moved } = chosenFor(place)
  const leaves =
    place.chosen.by === 'catalogue' && place.chosen.window && entry.leaves.find(leaf => resultId(leaf.result, leaf.position) === moved)
  const last = document.trials.at(-1)!
  return {
    next,
    change: packChange(piecesIn(last, place.id), next),
    reckoned: null,
    byKind:
      leaves && !leaves.atMost
        ? {
            [moved]: {
              play: leaves.estimate.value,
              u: leaves.estimate.u,
              uOwn: predictionOwn(leaves.estimate.u, result?.estimate ?? null),
            },
          }
        : {},
    words: lowerFirst(changeWords(piecesIn(last, place.id), next, all, document.entryUnit)),
  }
}

/**
 * What is held against the next readings, in small units of each result: all that the changed pieces move, together. Left out is what
 * only a bound or the way is known of, and what was chosen by another figure.
 */
function predictedBy(
  changes: readonly PlaceChange[],
  { current }: CheckEvaluation,
  lots: LotMap,
  uRefit: number,
): Record<string, Predicted> {
  const reckoned = changes.filter(({ place, question: { told, id } }) => told?.by !== 'direction' && id === chosenFor(place).result)
  return Object.fromEntries(
    leavesTogether(reckoned, lots).flatMap(({ id, play, u, nu, rests }) => {
      const movers = reckoned.filter(change => movedBy(change).some(one => one.id === id))
      const result = current.results.find(one => one.id === id)
      if (!result || movers.some(change => movedBy(change).some(one => one.id === id && one.bound))) return []
      const { told } = movers[0]!.question
      // Built again with the same pack, it does not leave what was read to the hair: taking apart and tightening does something too.
      const known = toldValue(rests === 'reading' ? quadrature(u, uRefit) : u, told)
      const foretold = { play: toldValue(play, told), u: known, uOwn: predictionOwn(known, result.estimate) }
      return [[id, { ...foretold, ...(Number.isFinite(nu) ? { nu } : {}) }]]
    }),
  )
}

/** Promises pieces to a place: what is here and not promised elsewhere. None: takes the promise back. */
export function promise({ document, lots }: Bench, { place, pieces }: PromiseCommand): Outcome {
  if (!placeOf(document, place)) return refused('invalid', NO_PLACE, 'place')
  const pack = mergedPack(pieces)
  const all = lotMap(lots)
  for (const [i, { lotId, count }] of pack.entries()) {
    const lot = all.get(lotId)
    if (!lot) return refused('missing', 'There is no such size in the drawer.')
    const free = Math.max(0, lot.onHand - lot.reserved)
    if (free < count)
      return refused(
        'conflict',
        `Only ${free} of ${formatLength(thickness(lot), document.entryUnit, { unit: true })} are free: the rest is kept aside or promised to another check.`,
        `pieces.${i}.count`,
      )
  }
  return happened(
    pack.length === 0 ? 'Pieces no longer kept for this check' : `Kept for this check: ${pieceList(pack, all, document.entryUnit)}`,
    { type: 'promised', place, pack },
  )
}
