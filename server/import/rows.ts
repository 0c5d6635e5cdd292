import { v4 as uuid } from 'uuid'
import type { CheckDocument, Clearing, PartChange, PointReading } from '#core/check/document'
import { gaugeOf as usedAt } from '#core/check/evaluate/gauge-needs'
import { bindParts, type JobPart } from '#core/check/parts'
import { checkKind } from '#core/check/registry'
import { ways } from '#core/method/ways'
import type { Lot } from '#core/pack/lot'
import type { WorksheetJob } from '#core/worksheet/worksheet'
import { factColumns } from '../database/jobs'
import { moment } from '../database/moment'
import type { Row } from '../database/bulk'
import { checkRows } from './check-rows'
import type { ImportRows, ImportContext } from './import-rows'

/** A job of a file as rows, into `rows`. The order of what happened in it is kept. */
export function jobRows(job: WorksheetJob, file: readonly Lot[], context: ImportContext, rows: ImportRows): void {
  const now = new Date().toISOString()
  const { arrival } = context
  rows.job.push({
    id: job.id,
    unit_id: context.unitOf(job.unit.name),
    title: job.title,
    notes: job.notes,
    ...factColumns(job),
    removed_at: now,
    arriving: arrival,
  })
  const parts: JobPart[] = [...job.parts]
  const bound = job.checks.map(check => boundParts(check, parts))
  rows.part.push(...parts.map(part => ({ id: part.id, job_id: job.id, name: part.name })))
  const changes = new Map<string, Row & { readonly seq: number }>()
  const placed = inOrder(job.checks, context, changes)
  rows.part_change.push(...changes.values())
  for (const [i, check] of job.checks.entries()) {
    const document: CheckDocument = {
      ...check,
      parts: bound[i]!,
      gauges: Object.fromEntries(Object.entries(check.gauges).map(([key, gauge]) => [key, context.gaugeOf(gauge)])),
      trials: check.trials.map(trial => ({ ...trial, readings: trial.readings.map(reading => placed.readings.get(reading.id)!) })),
      partChanges: changesOf(check.id, bound[i]!, changes),
      clearings: check.clearings.map(clearing => ({ ...clearing, order: placed.cleared.get(clearing)! })),
      struck: check.struck.map(one => ({ ...one, order: placed.struckBy.get(`${check.id} ${one.order}`) ?? 0 })),
      reopened: check.reopened ? { ...check.reopened, order: placed.reopened.get(check.id)! } : null,
    }
    // What stands signed is what was signed, with the gauges and what was known of them then; only the numbers are those of here.
    const signed: CheckDocument | null = check.signOff && {
      ...check,
      trials: check.trials.map(trial => ({
        ...trial,
        readings: trial.readings.map(reading => ({ ...reading, order: placed.readings.get(reading.id)!.order })),
      })),
      parts: document.parts,
      partChanges: document.partChanges,
      clearings: document.clearings,
      struck: document.struck,
      reopened: document.reopened,
    }
    checkRows(document, signed, { position: i + 1, jobId: job.id, now, file }, context, rows)
  }
  rows.reading.sort((a, b) => (a.seq as number) - (b.seq as number))
}

/** What the check rests on; what its file does not name: parts of the job of that name, or new ones. */
function boundParts(check: CheckDocument, parts: JobPart[]): Record<string, string> {
  const roles = checkKind(check.kind)
    .parts(check.setup)
    .filter(role => check.parts[role.id] === undefined)
  const { bound, added } = bindParts(roles, parts, () => uuid())
  parts.push(...added)
  return { ...check.parts, ...bound }
}

/** Readings, part changes and reopenings of a job get their numbers in the order they happened in. */
function inOrder(checks: readonly CheckDocument[], context: ImportContext, changes: Map<string, Row & { readonly seq: number }>) {
  const readings = new Map<string, PointReading>()
  const reopened = new Map<string, number>()
  const cleared = new Map<Clearing, number>()
  /** what struck something out, by check and place in the file */
  const struckBy = new Map<string, number>()
  const steps = checks.flatMap(check => [
    ...check.trials.flatMap(trial =>
      trial.readings.map(reading => ({
        order: reading.order ?? Infinity,
        place: (seq: number) => void readings.set(reading.id, { ...withGauge(check, reading, context), order: seq }),
      })),
    ),
    ...check.partChanges.map(change => ({
      order: change.order,
      place(seq: number) {
        const part = check.parts[change.role] ?? null
        const id = `${part ?? check.id}:${change.at}`
        const row = {
          id,
          part_id: part,
          check_id: part === null ? check.id : null,
          reason: change.reason,
          by_name: '',
          at: moment(change.at),
        }
        if (!changes.has(id)) changes.set(id, { ...row, seq })
        struckBy.set(`${check.id} ${change.order}`, changes.get(id)!.seq)
      },
    })),
    ...check.clearings.map(clearing => ({ order: clearing.order, place: (seq: number) => void cleared.set(clearing, seq) })),
    ...(check.reopened
      ? [
          {
            order: check.reopened.order,
            place: (seq: number) => void struckBy.set(`${check.id} ${check.reopened!.order}`, reopened.set(check.id, seq).get(check.id)!),
          },
        ]
      : []),
  ])
  for (const step of steps.sort((a, b) => a.order - b.order)) step.place(context.next.order())
  return { readings, reopened, cleared, struckBy }
}

/** With the gauge it was read with, as it is called here; none where the way needs none or the file names none. */
function withGauge(check: CheckDocument, reading: PointReading, { gaugeOf }: ImportContext): PointReading {
  const { gauge: named, ...plain } = reading
  const point = checkKind(check.kind)
    .points(check.setup)
    .find(({ id }) => id === reading.point)!
  if (ways[point.way].gauge === null) return plain as PointReading
  const gauge = Object.values(check.gauges).find(({ id }) => id === named) ?? usedAt(check, point)
  return (gauge ? { ...plain, gauge: gaugeOf(gauge).id } : plain) as PointReading
}

const changesOf = (check: string, parts: Readonly<Record<string, string>>, changes: ReadonlyMap<string, Row & { readonly seq: number }>) =>
  [...changes.values()]
    .flatMap((row): PartChange[] => {
      const {
        part_id: part,
        check_id: of,
        at,
        reason,
        seq,
      } = row as { part_id: string | null; check_id: string | null; at: string; reason: string; seq: number }
      const roles = part === null ? (of === check ? ['*'] : []) : Object.keys(parts).filter(role => parts[role] === part)
      return roles.sort().map(role => ({ role, at, reason, order: seq }))
    })
    .sort((a, b) => a.order - b.order)
