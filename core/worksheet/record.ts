import canonicalize from 'canonicalize'
import { signedPieces } from '../check/as-signed'
import type { Worksheet } from './worksheet'

/**
 * What was done, as one text: canonical JSON (RFC 8785) of the jobs with their checks, and of the pieces that were fitted: as they were when they were signed, else as they measure.
 * When a file was written, by which version, and what else is in the drawer by now is left out: exported again, a record is the same.
 * Its digest stands on every report.
 */
export function recordText({ format, version, jobs, lots }: Worksheet): string {
  // What a check was signed with stands with its signature, as it was then.
  const open = jobs.flatMap(({ checks }) => checks.filter(({ signOff }) => !signOff?.pieces))
  const pieces = signedPieces({ trials: open.flatMap(({ trials }) => trials) }, lots).map(
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
  // How far it is on its way through the shop, and what its unit is like, say nothing of what was done.
  const done = jobs.map(({ stage: _, promised: __, unit: { type: ___, ...unit }, ...job }) => ({ ...job, unit }))
  return canonicalize({ format, version, jobs: done, pieces })!
}
