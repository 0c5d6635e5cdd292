import { libraryFault, type LibraryFields, type LibraryLimit } from '../check/library'
import { refused, type RefusedCommand } from '../command/happening'
import { limitSetOf } from '../verdict/limits'
import { type Shop } from './shop'
import { done, missing, TAKEN, type ShopOutcome } from './outcome'
import type { AddLimitsCommand, ChangeLimitsCommand, RemoveLimitsCommand } from './commands'

const NO_ENTRY = 'entry'
const entryIn = ({ limits }: Shop, id: string) => limits.find(entry => entry.id === id)

/** An entry is where limits come from: it comes from none itself. */
function entryFrom(id: string, version: number, fields: LibraryFields): LibraryLimit | RefusedCommand {
  const fault = libraryFault(fields)
  if (fault) return refused('invalid', fault.words, `fields.${fault.at}`)
  const { entry: _, ...source } = fields.set.source
  return { ...fields, id, version, name: fields.name.trim(), type: fields.type.trim(), set: limitSetOf({ ...fields.set, source }) }
}

function kept(id: string, version: number, fields: LibraryFields, what: string): ShopOutcome {
  const entry = entryFrom(id, version, fields)
  if ('ok' in entry) return entry
  return done([{ subject: id, version, what: `${what}: ${entry.name}` }], { type: 'limits-kept', entry, removed: false })
}

export const addLimits = (shop: Shop, { id, fields }: AddLimitsCommand): ShopOutcome =>
  entryIn(shop, id) ? refused('conflict', TAKEN, 'id') : kept(id, 1, fields, 'Limits entered')

export function changeLimits(shop: Shop, { id, fields }: ChangeLimitsCommand): ShopOutcome {
  const entry = entryIn(shop, id)
  return !entry || entry.removed ? missing(NO_ENTRY) : kept(id, entry.version + 1, fields, 'Limits changed')
}

export function removeLimits(shop: Shop, { id, removed }: RemoveLimitsCommand): ShopOutcome {
  const found = entryIn(shop, id)
  if (!found) return missing(NO_ENTRY)
  const { removed: before, ...entry } = found
  if (before === removed) return done([])
  const next = { ...entry, version: entry.version + 1 }
  return done([{ subject: id, version: next.version, what: removed ? 'Removed' : 'Brought back' }], {
    type: 'limits-kept',
    entry: next,
    removed,
  })
}
