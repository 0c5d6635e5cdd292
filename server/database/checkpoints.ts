import type { PGlite } from '@electric-sql/pglite'

/** So long nothing was written: the log is written out. */
const QUIET_MS = 20_000
/** So much log is written out without waiting for that: it is read again at the next start. */
const LARGEST_LOG = 24 * 1024 * 1024
const LOOK_MS = 2_000

/**
 * Writes the log out into the tables at quiet moments and by size: the embedded server never does so by itself, and would read all
 * of it again at the next start.
 */
export function keepCheckpoints(lite: PGlite) {
  let last = 0
  let position: string | null = null
  let isStill = false
  const write = async (): Promise<void> => {
    last = 0
    await lite.exec('CHECKPOINT')
    position = null
  }
  async function look(): Promise<void> {
    if (last === 0 || isStill) return
    if (performance.now() - last > QUIET_MS) return write()
    const [row] = (
      await lite.query<{ at: string; size: number }>(
        'SELECT pg_current_wal_lsn()::text AS at, coalesce(pg_wal_lsn_diff(pg_current_wal_lsn(), $1::text::pg_lsn), 0)::float8 AS size',
        [position],
      )
    ).rows
    position ??= row!.at
    if (row!.size > LARGEST_LOG) await write()
  }
  // A look that fails says nothing new: the next write will.
  const timer = setInterval(() => void look().catch(() => undefined), LOOK_MS)
  timer.unref()
  return {
    written: () => {
      last = performance.now()
    },
    /** All of the log is in the tables, and stays so while this is done. */
    async still<Result>(work: () => Promise<Result>): Promise<Result> {
      isStill = true
      try {
        await write()
        return await work()
      } finally {
        isStill = false
      }
    },
    async stop(): Promise<void> {
      clearInterval(timer)
      await lite.exec('CHECKPOINT')
    },
  }
}
