import { bundleDesk } from '../scripts/desk-bundle.mjs'
import { prepareDatabases } from '../server/database/from-source'

// Once, before the workers: a database in memory is unpacked from then on, and the desk’s worker is there.
export default async function prepare(): Promise<void> {
  await Promise.all([prepareDatabases(), bundleDesk()])
}
