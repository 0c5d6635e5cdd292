import { PartDto } from '#shared/dto/part'
import type { Part } from '#shared/types'
import type { Database } from '../database/client'
import { readQuery } from './body'
import { route } from './route'

/** So many rows of a list go over the wire at once: none is half a kilobyte. */
const ITEMS_AT_ONCE = 200

/** A route that answers a list in parts. */
export const inParts = <Item>(all: (db: Database) => Promise<readonly Item[]>) =>
  route(async (event, db): Promise<Part<Item>> => {
    const { skip } = await readQuery(event, PartDto)
    const items = await all(db)
    const end = skip + ITEMS_AT_ONCE
    return { items: items.slice(skip, end), more: end < items.length ? end : null }
  })
