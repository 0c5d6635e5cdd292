import { checkKind } from '#core/check/registry'
import type { Setup } from '#core/check/setup'
import { quantityOf, type Unit } from '#core/quantity/figure'
import type { Progress } from '#shared/types'
import type { Sql } from '../database/client'
import { writeTable } from '../import/csv'

/** What each column of the file of readings holds: the dictionary that goes with it. */
export const READING_COLUMNS = [
  ['unit', 'The unit the job was on', ''],
  ['unit_type', 'Its type, where that is known', ''],
  ['job', 'What was done', ''],
  ['came_in', 'Day the job came in; where nobody said, the day it was begun', 'day'],
  ['meter', 'What the unit’s meter stood at', 'hours, kilometres or miles, as meter_unit says'],
  ['meter_unit', 'h, km or mi', ''],
  ['check_id', 'The check, the same in the worksheet', ''],
  ['check', 'Its name', ''],
  ['kind', 'Its kind: shaft-end-play, runout …', ''],
  ['fitting', 'Which fitting it was read on: 1 as found, then counted up', ''],
  ['reading_id', 'The reading, the same in the worksheet', ''],
  ['order', 'Counts up with everything that happened in the workshop', ''],
  ['at', 'When it was read', 'date and time, UTC'],
  ['point', 'Where: the point’s id in its kind', ''],
  ['point_label', 'Where, in words', ''],
  ['base_unit', 'What start to high are whole numbers of: nm, nN·m, µN, millionths of a degree Celsius, thousandths of a degree round', ''],
  ['start', 'Gauge against one stop', 'base_unit'],
  ['far', 'Gauge against the other', 'base_unit'],
  ['back', 'Gauge back against the first', 'base_unit'],
  ['sprang_back', 'yes: the dial went back by itself when the hand let go', ''],
  ['figure', 'A size, or another single figure', 'base_unit'],
  ['low', 'The least of a range: it went', 'base_unit'],
  ['high', 'The most of a range: it did not', 'base_unit'],
  ['word', 'What was answered in a word', ''],
  ['torque', 'The torque beside a word', 'nN·m'],
  ['celsius', 'How warm the part was', '°C'],
  ['gauge', 'What it was read with', ''],
  ['struck_out', 'Why it does not count; empty: it counts', ''],
] as const
const NAMES = READING_COLUMNS.map(([name]) => name)

export const writeDictionary = (): string => writeTable(['column', 'meaning', 'in'], READING_COLUMNS)

const BASE: Readonly<Record<ReturnType<typeof quantityOf>, string>> = {
  length: 'nm',
  torque: 'nN·m',
  force: 'µN',
  temperature: 'µ°C',
  angle: 'm°',
}
const CHECKS_AT_ONCE = 200

interface ReadRow {
  check_id: string
  kind: string
  setup: Setup
  gauge_unit: Unit | null
  point: string
  [column: string]: unknown
}
const READINGS = `SELECT unit.name AS unit, unit.type AS unit_type, job.title AS job, COALESCE(job.came_in, to_char(job.created_at, 'YYYY-MM-DD')) AS came_in,
    job.meter_reading AS meter, unit.meter AS meter_unit, c.id AS check_id, c.title AS check, c.kind, c.setup, t.ordinal AS fitting, r.id AS reading_id, r.seq AS "order",
    to_char(r.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS at, r.point, r.start_nm AS start, r.far_nm AS far, r.back_nm AS back,
    CASE WHEN r.spring_back THEN 'yes' END AS sprang_back, r.figure_nm AS figure, r.low_nm AS low, r.high_nm AS high, r.word, r.torque_nnm AS torque, r.celsius,
    g.name AS gauge, g.unit AS gauge_unit, v.reason AS struck_out
  FROM checks c JOIN job ON job.id = c.job_id JOIN unit ON unit.id = job.unit_id JOIN trial t ON t.check_id = c.id JOIN series s ON s.trial_id = t.id
  JOIN reading r ON r.series_id = s.id LEFT JOIN gauge g ON g.id = s.gauge_id LEFT JOIN reading_void v ON v.reading_id = r.id
  WHERE c.id = ANY($1) ORDER BY c.id COLLATE "C", r.seq, r.id COLLATE "C"`

/** Every reading of the workshop, struck-out ones with their reason, as CSV; some checks at a time. */
export async function* readingsCsv(sql: Sql, said: (progress: Progress) => void = () => undefined): AsyncGenerator<string> {
  yield writeTable(NAMES, [])
  const ids = await sql.rows<{ id: string }>(
    `SELECT c.id FROM checks c JOIN job ON job.id = c.job_id WHERE c.removed_at IS NULL AND job.removed_at IS NULL ORDER BY c.id COLLATE "C"`,
  )
  for (let from = 0; from < ids.length; from += CHECKS_AT_ONCE) {
    const rows = await sql.rows<ReadRow>(READINGS, [ids.slice(from, from + CHECKS_AT_ONCE).map(({ id }) => id)])
    said({ done: Math.min(ids.length, from + CHECKS_AT_ONCE), of: ids.length, what: 'checks' })
    const labels = new Map<string, Map<string, string>>()
    const labelOf = ({ check_id: check, kind, setup, point }: ReadRow) => {
      if (!labels.has(check))
        labels.set(
          check,
          new Map(
            checkKind(kind)
              .points(setup)
              .map(({ id, label }) => [id, label]),
          ),
        )
      return labels.get(check)!.get(point) ?? point
    }
    if (rows.length > 0)
      yield withoutHead(
        writeTable(
          NAMES,
          rows.map(row => {
            const all: Record<string, unknown> = {
              ...row,
              point_label: labelOf(row),
              base_unit: BASE[row.gauge_unit === null ? 'length' : quantityOf(row.gauge_unit)],
            }
            return NAMES.map(name => (all[name] ?? '') as string | number)
          }),
        ),
      )
  }
}
const withoutHead = (table: string) => table.slice(table.indexOf('\n') + 1)
