import type { Copying } from '../backup/copies'
import type { Database } from '../database/client'
import { withSnapshot } from '../database/snapshot'
import { atDesk } from './at-desk'
import type { Tables } from './jobs'

/** Copies of a workshop in a folder, made from how it was at one moment and tried in memory, both by a worker. */
export const copyingAtDesk = (db: Database, data: string, tables: () => Promise<Tables>): Copying => ({
  write: to => withSnapshot(db, data, async folder => atDesk('backup', { folder, tables: await tables(), to })),
  attempt: async path => atDesk('trial', { path, tables: await tables() }),
})
