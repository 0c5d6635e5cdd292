import canonicalize from 'canonicalize'
import { asSigned, piecesNow, sizesNamed } from '../check/as-signed'
import { everFitted, type CheckDocument, type PointReading } from '../check/document'
import { keptKey } from '../check/evaluate/gauge-needs'
import type { Lot, Pack } from '../pack/lot'
import type { LimitSet } from '../verdict/limits'
import type { Worksheet, WorksheetJob } from './worksheet'

/**
 * What was done, as one text: canonical JSON (RFC 8785). Its SHA-256 is the digest that stands on every report.
 *
 * It holds nothing of the workshop it was written in: what goes by an id goes by its place in the record, what was counted through by its
 * rank, gauges, pieces and parts by what they are. When and by which version a file was written, how far a job is on its way, what its unit
 * is described as by now and what else is in the drawer are left out. So the same work has the same digest after it went through a file into another shop.
 */
export const recordText = ({ jobs, lots }: Worksheet): string =>
  canonicalize({ format: 'finitum-record', version: 2, jobs: jobs.map(job => jobRecord(job, lots)) })!

function jobRecord(
  { id: _, stage: __, promised: ___, unit: { type: ____, description: _____, ...unit }, parts, checks, ...job }: WorksheetJob,
  lots: readonly Lot[],
) {
  const partName = new Map(parts.map(part => [part.id, part.name]))
  return {
    ...job,
    unit,
    parts: parts.map(({ name }) => name).sort(),
    checks: checks.map(check => checkRecord(check, lots, id => partName.get(id) ?? '')),
  }
}

function checkRecord(check: CheckDocument, drawer: readonly Lot[], partName: (id: string) => string) {
  // How a gauge did in earlier work of a shop is that shop's; what it came to was signed with the figures.
  const {
    id: _,
    history: __,
    trials,
    ticks,
    struck,
    parts,
    partChanges,
    clearings,
    laps,
    gauges,
    packRules,
    limits,
    signOff,
    reopened,
    ...said
  } = check
  const fitting = placeIn(trials.map(({ id }) => id))
  const piece = piecesOf(check, drawer)
  const gauge = gaugesOf(check)
  const reading = placeIn(trials.flatMap(({ readings }) => readings.map(({ id }) => id)))
  const rank = rankOf([
    ...trials.flatMap(({ readings }) => readings),
    ...partChanges,
    ...struck,
    ...clearings,
    ...(reopened ? [reopened] : []),
  ])
  const { required, ...rules } = packRules
  return {
    ...said,
    packRules: { ...rules, ...(required === undefined ? {} : { required: piece.name(required) }) },
    limits: {
      working: limits.working,
      sets: mapped(limits.sets, pair => ({ book: withoutEntry(pair.book), shop: withoutEntry(pair.shop) })),
    },
    gauges: gauge.record,
    pieces: piece.record,
    parts: mapped(parts, partName),
    trials: trials.map(trial => ({
      at: moment(trial.at),
      packs: mapped(trial.packs, pack => pack && packRecord(pack)),
      pieces: sorted(Object.entries(trial.pieces).map(([id, kept]) => ({ ...kept, piece: piece.name(id) }))),
      unlisted: [...trial.unlisted].sort(),
      refitted: [...trial.refitted].sort(),
      predicted: trial.predicted,
      conditions: trial.conditions,
      leftOut: trial.leftOut,
      readings: trial.readings.map(readingRecord),
    })),
    ticks: sorted(ticks.map(tick => ({ ...tick, trial: fitting(tick.trial) }))),
    struck: sorted(struck.map(one => ({ ...one, trial: fitting(one.trial), order: rank(one) }))),
    partChanges: partChanges.map(change => ({ ...change, at: moment(change.at), order: rank(change) })),
    clearings: clearings.map(one => ({ ...one, trial: fitting(one.trial), at: moment(one.at), order: rank(one) })),
    laps: laps.map(({ id: ____, at, lotId, trial, passes, end, ...lap }) => ({
      ...lap,
      at: moment(at),
      from: piece.name(lotId),
      trial: trial === null ? null : fitting(trial),
      passes: passes.map(({ id: _____, ...pass }) => ({ ...pass, at: moment(pass.at) })),
      end: end && { piece: end.lotId === null ? null : piece.name(end.lotId) },
    })),
    // Its pieces stand above.
    signOff: signOff && {
      at: moment(signOff.at),
      by: signOff.by,
      reason: signOff.reason,
      core: signOff.core,
      figures: signOff.figures ?? null,
    },
    reopened: reopened && { ...reopened, at: moment(reopened.at), order: rank(reopened) },
  }

  function packRecord(pack: Pack) {
    return sorted(pack.map(({ lotId, count }) => ({ piece: piece.name(lotId), count })))
  }
  function readingRecord(read: PointReading) {
    const { id: ____, taken: _____, order: ______, at, gauge: by, ...figures } = read
    return {
      ...figures,
      order: rank(read),
      ...(at === undefined ? {} : { at: moment(at) }),
      ...(by === undefined ? {} : { gauge: gauge.name(by) }),
      ...('pieces' in figures ? { pieces: figures.pieces.map(reading) } : {}),
    }
  }
}

/** The pieces of a check: as they were when it was signed, else as they measure; and which of them an id is. */
function piecesOf(check: CheckDocument, drawer: readonly Lot[]) {
  const all = piecesNow(sizesNamed(check), asSigned(check, drawer))
  // Of a piece measured once, its one figure says no more.
  return told(all.map(({ sizes, ...piece }) => ({ ...piece, ...(sizes && sizes.length > 1 ? { sizes } : {}) })))
}

/** The gauges it was read with, by what they were for, and which of them an id is. */
function gaugesOf({ gauges }: CheckDocument) {
  // That one was found wrong since is said beside the record; it is no part of it.
  const { record, name } = told(Object.values(gauges).map(({ foundWrong: _, ...gauge }) => gauge))
  // Under its own id stands one that another took the place of.
  const used = Object.entries(gauges).flatMap(([key, gauge]) => (key === keptKey(gauge) ? [] : [[key, name(gauge.id)] as const]))
  return { record: { all: record, used: Object.fromEntries(used) }, name }
}

/** Things as they are, in an order of their own, without the ids they go by here; and which of them an id is. −1: none. */
function told(things: readonly { readonly id: string }[]) {
  const all = [...new Map(things.map(thing => [thing.id, thing])).values()].map(({ id, ...thing }) => ({
    id,
    thing,
    text: canonicalize(thing)!,
  }))
  all.sort((a, b) => (a.text < b.text ? -1 : a.text > b.text ? 1 : 0))
  return { record: all.map(({ thing }) => thing), name: placeIn(all.map(({ id }) => id)) }
}

/** Where an id stands in a list, from 0; −1: nowhere. */
function placeIn(ids: readonly string[]): (id: string) => number {
  const places = new Map(ids.map((id, i) => [id, i]))
  return id => places.get(id) ?? -1
}

/** What happened first, second …: two of one number happened at once. */
function rankOf(happened: readonly { readonly order?: number }[]): (one: { readonly order?: number }) => number | null {
  const ranks = new Map([...new Set(happened.flatMap(({ order }) => order ?? []))].sort((a, b) => a - b).map((order, i) => [order, i]))
  return ({ order }) => (order === undefined ? null : ranks.get(order)!)
}

const withoutEntry = (set: LimitSet | null) => {
  if (set === null) return null
  const { entry: _, ...source } = set.source
  return { ...set, source }
}
const mapped = <T, R>(all: Readonly<Record<string, T>>, to: (one: T) => R): Record<string, R> =>
  Object.fromEntries(Object.entries(all).map(([key, one]) => [key, to(one)]))
/** What has no order of its own, in that of its text. */
const sorted = <T>(all: readonly T[]): T[] =>
  all
    .map(one => ({ one, text: canonicalize(one)! }))
    .sort((a, b) => (a.text < b.text ? -1 : 1))
    .map(({ one }) => one)
/** A moment as it is written: with milliseconds, in universal time. */
const moment = (at: string): string => new Date(at).toISOString()

/** The text of a record as reports had it before 3.5.0: by ids, with the pieces as they measure. Their digests are told beside those of now. */
export function formerRecordText({ format, version, jobs, lots }: Worksheet): string {
  const pieces = piecesNow(everFitted({ trials: jobs.flatMap(({ checks }) => checks.flatMap(({ trials }) => trials)) }), lots).map(
    ({ id, family, nominal, measured, tolerance, shape, mark, colour }) => ({
      id,
      family,
      nominal,
      measured,
      tolerance,
      shape,
      mark,
      colour,
    }),
  )
  const done = jobs.map(({ stage: _, promised: __, unit: { type: ___, ...unit }, checks, ...job }) => ({
    ...job,
    unit,
    checks: checks.map(({ signOff, ...check }) => ({ ...check, signOff: signOff && withoutPieces(signOff) })),
  }))
  return canonicalize({ format, version, jobs: done, pieces })!
}
function withoutPieces({ pieces: _, ...signOff }: NonNullable<CheckDocument['signOff']>) {
  return signOff
}
