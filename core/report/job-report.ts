import { dayText } from '../quantity/day'
import { METER_NAME } from '../worksheet/job-facts'
import type { WorksheetJob } from '../worksheet/worksheet'
import { CORE_VERSION } from '../version'
import { checkBlocks, type EvaluatedCheck } from './check-blocks'
import { pageBlocks } from './page-blocks'
import { facts, heading, photos, text, type Block, type Report, type ReportLength, type ReportPhoto } from './report'

export interface ReportOf {
  readonly job: WorksheetJob
  /** what is told of: all its checks, or the one; whoever evaluates many may let others in between */
  readonly checks: readonly EvaluatedCheck[]
  /** of the job, each with the check it is of */
  readonly photos: readonly (ReportPhoto & { readonly check: { readonly id: string } | null })[]
  /** of its record: see `recordText` */
  readonly digest: string
  readonly length: ReportLength
  /** a date and time as it is told in the workshop */
  readonly time: (at: string) => string
  /** when the report is made, ISO 8601 */
  readonly at: string
  /** of this check alone; null: of the job */
  readonly only: string | null
}

const NO_INSPECTION =
  'This is a record of what was measured and fitted. It replaces no inspection where law, insurer or type approval wants one; the maker’s manual comes first.'

/** A page has room for a row of them. */
const PHOTOS = 3
const somePhotos = (all: readonly ReportPhoto[]): Block[] => [
  ...photos(all.slice(0, PHOTOS)),
  ...(all.length > PHOTOS ? [text(`${all.length - PHOTOS} more photographs in the full report.`, 'small')] : []),
]

/** What was found, what was fitted, on whose word: of a job, or of one check of it. */
export function jobReport({ job, checks, photos: all, digest, length, time, at, only }: ReportOf): Report {
  const parts = job.parts.map(({ name }) => name).join(', ')
  return {
    title: job.unit.name,
    subtitle: job.title,
    digest,
    blocks: [
      facts([
        ['Unit', [job.unit.name, job.unit.description].filter(Boolean).join(', ')],
        ['Job', job.title],
        ['Reference', job.reference ?? null],
        ['Meter', job.meterReading === undefined ? null : `${job.meterReading} ${job.unit.meter ? METER_NAME[job.unit.meter] : ''}`.trim()],
        ['Came in', job.cameIn ? dayText(job.cameIn) : null],
        ['Handed over', job.handedOver ? dayText(job.handedOver) : null],
        ['Notes', job.notes || null],
        ['Parts', length === 'full' && parts ? parts : null],
        ['Made', `${time(at)}, computed by version ${CORE_VERSION}`],
      ]),
      ...(checks.length === 0 ? [text('No check was made in this job.')] : []),
      ...(length === 'page' && checks.length > 1
        ? [...pageBlocks(checks, time), ...somePhotos(all)]
        : [
            ...(only === null ? photos(all.filter(({ check }) => check === null)) : []),
            ...checks.flatMap(of => [
              heading(1, of.check.title),
              ...checkBlocks(of, { length, time }),
              ...photos(all.filter(photo => photo.check?.id === of.check.id)),
            ]),
          ]),
      text(NO_INSPECTION, 'caution'),
      text(
        `Record ${digest}. The worksheet of this job, evaluated with the open command of Finitum, prints the same digest, and the figures as signed beside the figures as computed then.`,
        'small',
      ),
    ],
    foot: `${job.unit.name} · ${job.title} · record ${digest.slice(0, 12)}`,
  }
}
