import canonicalize from 'canonicalize'
import type { Worksheet } from './worksheet'

/**
 * What was done, as one text: canonical JSON (RFC 8785) of the jobs with their checks, and of the pieces that were fitted as they measure.
 * When a file was written, by which version, and what else is in the drawer by now is left out: exported again, a record is the same.
 * Its digest stands on every report.
 */
export function recordText({ format, version, jobs, lots }: Worksheet): string {
  const fitted = new Set(
    jobs.flatMap(({ checks }) =>
      checks.flatMap(({ trials }) =>
        trials.flatMap(({ packs }) => Object.values(packs).flatMap(pack => (pack ?? []).map(({ lotId }) => lotId))),
      ),
    ),
  )
  const pieces = lots
    .filter(({ id }) => fitted.has(id))
    .map(({ id, family, nominal, measured, tolerance, shape, mark, colour }) => ({
      id,
      family,
      nominal,
      measured,
      tolerance,
      shape,
      mark,
      colour,
    }))
    .sort((a, b) => (a.id < b.id ? -1 : 1))
  // How far it is on its way through the shop, and what its unit is like, say nothing of what was done.
  const done = jobs.map(({ stage: _, promised: __, unit: { type: ___, ...unit }, ...job }) => ({ ...job, unit }))
  return canonicalize({ format, version, jobs: done, pieces })!
}
