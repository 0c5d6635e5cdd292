import { evaluateCheck, predictionOwn, type CheckEvaluation } from '../check/evaluate-check'
import { keptConditions } from '../check/conditions'
import { packIn, piecesIn, type CheckDocument, type Predicted, type Trial } from '../check/document'
import { checkKind } from '../check/registry'
import type { PackPlace } from '../check/contract'
import { changeWords, pieceList } from '../pack/arithmetic'
import { lotMap, packChange, pieceCount, thickness, type Lot, type LotMap, type Pack } from '../pack/lot'
import { predict } from '../pack/predict'
import { formatLength } from '../quantity/format-length'
import { lowerFirst } from '../quantity/lower-first'
import type { Bench, FitCommand, FoundPiece, ListCommand, PromiseCommand } from './command'
import { claims, shortOf } from './drawer'
import { happened, refused, type Happening, type Outcome, type RefusedCommand } from './happening'
import { tellApart } from './in-hand'

/** One entry a lot, whatever order they were named in. */
function merged(pieces: Pack): Pack {
  const counts = new Map<string, number>()
  for (const { lotId, count } of pieces) counts.set(lotId, (counts.get(lotId) ?? 0) + count)
  return [...counts].map(([lotId, count]) => ({ lotId, count }))
}

export const placeOf = ({ kind, setup }: Pick<CheckDocument, 'kind' | 'setup'>, id: string): PackPlace | undefined =>
  checkKind(kind)
    .places(setup)
    .find(place => place.id === id)
export const NO_PLACE = 'This check has no such place.'

/** What speaks against so many pieces in a place; null: nothing. */
function capacityFault({ label, capacity: { fewest, most } }: PackPlace, count: number, whole: boolean): string | null {
  if (count <= most && (count >= fewest || !whole)) return null
  const takes = fewest === most ? `${most}` : count > most ? `at most ${most}` : `at least ${fewest}`
  return `${label}: it takes ${takes} ${takes.endsWith('1') && most === 1 ? 'piece' : 'pieces'}, not ${count}.`
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
  const predicted: Record<string, Predicted> = {}
  const moves = new Map<string, number>()
  const words: string[] = []
  for (const [at, { place: id, pieces }] of command.packs.entries()) {
    if (command.packs.findIndex(other => other.place === id) !== at)
      return refused('invalid', 'That place is named twice.', `packs.${at}.place`)
    const done = fitPlace(bench, evaluation, id, merged(pieces), all, `packs.${at}`)
    if ('ok' in done) return done
    packs[id] = done.next
    if (done.predicted) predicted[done.result] = done.predicted
    words.push(done.words)
    for (const { lotId, count } of done.change.in) moves.set(lotId, (moves.get(lotId) ?? 0) - count)
    for (const { lotId, count } of done.change.out) moves.set(lotId, (moves.get(lotId) ?? 0) + count - lappedOf(document, id, lotId))
  }
  const short = shortOf(moves, all, command.claim ?? false, document.entryUnit)
  if (short) return short
  const trial: Omit<Trial, 'readings'> = {
    id: command.trialId,
    at: command.at,
    packs,
    unlisted: last.unlisted,
    refitted: command.packs.map(({ place }) => place),
    predicted,
    conditions: keptConditions(checkKind(document.kind), document, last),
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

/** Pieces of a size that were taken out of this fitting to be lapped: they do not come back as what they were. */
const lappedOf = ({ laps, trials }: CheckDocument, place: string, lotId: string): number =>
  laps.filter(lap => lap.place === place && lap.lotId === lotId && lap.trial === trials.at(-1)!.id).length

/** Places of which nothing was listed before something was put in hold that, and what nobody listed. */
function withUnlisted(trial: Omit<Trial, 'readings'>, { trials }: CheckDocument): Omit<Trial, 'readings'> {
  const last = trials.at(-1)!
  const opened = trial.refitted.filter(place => packIn(last, place) === null && !last.unlisted.includes(place))
  return { ...trial, unlisted: [...last.unlisted, ...opened].sort() }
}

interface FittedPlace {
  readonly next: Pack
  readonly change: { readonly in: Pack; readonly out: Pack }
  readonly result: string
  /** null: only a bound is known, and nothing is to be held against it */
  readonly predicted: Predicted | null
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
  if (!found.request || !found.result)
    return refused('conflict', found.note ?? 'Measure the present fitting first: the change is reckoned from it.')
  const ghost = next.find(({ lotId }) => !all.has(lotId))
  if (ghost) return refused('missing', 'There is no such size in the drawer.', `${path}.pieces`)
  const last = document.trials.at(-1)!
  const whole = packIn(last, id) !== null
  const fault = capacityFault(found.place, pieceCount(next), whole)
  if (fault) return refused('invalid', fault, `${path}.pieces`)
  const { one } = found.place
  const ones = next.reduce((sum, { lotId, count }) => sum + (all.get(lotId)!.shape === one ? count : 0), 0)
  if (one !== undefined && whole && ones !== 1)
    return refused(
      'invalid',
      `${found.place.label}: exactly one ${one} piece belongs in it, not ${ones === 0 ? 'none' : ones}.`,
      `${path}.pieces`,
    )
  const { request, result } = found
  const expected = predict(request.question, request.fitted, next, all, request.response)
  return {
    next,
    change: packChange(request.fitted, next),
    result: found.place.result,
    predicted: request.question.bound ? null : { play: expected.play, u: expected.u, uOwn: predictionOwn(expected.u, result.estimate) },
    words: lowerFirst(changeWords(piecesIn(last, id), next, all, document.entryUnit)),
  }
}

/** Promises pieces to a place: what is here and not promised elsewhere. None: takes the promise back. */
export function promise({ document, lots }: Bench, { place, pieces }: PromiseCommand): Outcome {
  if (!placeOf(document, place)) return refused('invalid', NO_PLACE, 'place')
  const pack = merged(pieces)
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

/**
 * The pack as it was found, piece by piece, or none. Sizes the drawer does not know become lots of their own, tagged to the place.
 * What was put in or taken out since then stays: the pieces found are added to every fitting in which the place was not known.
 */
export function list({ document, lots }: Bench, { op, place: id, pieces }: ListCommand): Outcome {
  const place = placeOf(document, id)
  if (!place) return refused('invalid', NO_PLACE, 'place')
  const [first] = document.trials
  if (document.trials.length > 1 && packIn(document.trials.at(-1)!, id) !== null)
    return refused('conflict', 'The pack was changed since it was found; it cannot be listed again.')
  const fault = capacityFault(
    place,
    pieces.reduce((sum, { count }) => sum + count, 0),
    false,
  )
  if (fault) return refused('invalid', fault, 'pieces')
  const found: { lotId: string; count: number }[] = []
  const added: Happening[] = []
  for (const [i, piece] of pieces.entries()) {
    const lot = lotFor(piece, i, document, lots, `${document.id}:${op}:${i}`.slice(-64))
    if ('ok' in lot) return lot
    if ('lot' in lot) added.push({ type: 'lot-added', lot: lot.lot })
    found.push({ lotId: 'lot' in lot ? lot.lot.id : lot.id, count: piece.count })
  }
  const pack = merged(found)
  const count = pieces.reduce((sum, piece) => sum + piece.count, 0)
  const unknown = document.trials.filter(trial => trial === first || packIn(trial, id) === null)
  return happened(
    count === 0 ? 'Pack as found: nothing fitted' : `Pack as found: ${count} ${count === 1 ? 'piece' : 'pieces'} listed`,
    ...added,
    ...unknown.map((trial): Happening => ({
      type: 'listed',
      trial: trial.id,
      place: id,
      pack: trial === first ? pack : merged([...pack, ...piecesIn(trial, id)]),
    })),
  )
}

function lotFor(
  piece: FoundPiece,
  at: number,
  { family, title }: CheckDocument,
  lots: readonly Lot[],
  newId: string,
): { readonly id: string } | { readonly lot: Omit<Lot, 'onHand'> } | RefusedCommand {
  if (piece.lotId !== undefined)
    return lots.some(lot => lot.id === piece.lotId)
      ? { id: piece.lotId }
      : refused('invalid', 'That size is not in the drawer.', `pieces.${at}.lotId`)
  if (piece.size === undefined) return refused('invalid', 'Give the piece its size.', `pieces.${at}.size`)
  const same = lots.find(
    lot =>
      lot.family === family &&
      !lot.apart &&
      (piece.measured ? lot.measured === piece.size : lot.measured === null && lot.nominal === piece.size),
  )
  if (same) return { id: same.id }
  const lot = newLot({ id: newId, family: family || UNSORTED, nominal: piece.size, tags: [`found in ${title}`] }, piece.measured)
  return { lot: piece.measured && piece.count === 1 ? { ...lot, apart: true } : lot }
}

/** Where pieces are kept that were found in a check with no drawer of its own. */
const UNSORTED = 'Unsorted'

/** A size the drawer does not know yet, of which nothing more is known. */
export const newLot = (
  { id, family, nominal, tags }: Pick<Lot, 'id' | 'family' | 'nominal' | 'tags'>,
  measured = false,
): Omit<Lot, 'onHand'> => ({
  id,
  family,
  nominal,
  measured: measured ? nominal : null,
  ...(measured ? { sizes: [nominal] } : {}),
  tolerance: null,
  reserved: 0,
  mark: '',
  colour: '',
  tags: tags.map(tag => tag.slice(0, 120)),
  cost: null,
  leadDays: null,
  shape: 'flat',
})
