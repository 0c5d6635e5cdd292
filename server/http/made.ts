import { createReadStream } from 'node:fs'
import { getRequestHeader, setHeader, type H3Event } from 'h3'
import { v4 as uuid } from 'uuid'
import { LINES, type MadeFile } from '#shared/types'
import { passing, type Passing } from '../backup/passing'
import { dataFolder } from '../current'
import type { Database } from '../database/client'
import type { Listener } from '../import/progress'
import { listener } from './lines'
import { notFound } from './refuse'
import { route } from './route'

/** How a file is called, and what it is. */
interface Named {
  readonly name: string
  readonly type: string
}
/** So long a file waits to be fetched. */
const KEPT_MS = 5 * 60_000
const made = new Map<string, Named & Passing>()

/**
 * A route that answers a file which takes its time: it is made whole before the first byte is sent, so that a slow line holds nobody up.
 * Whoever asks for lines hears how far it is, can break it off, and is given an address to fetch it from, once.
 * @param make  puts it at a path
 */
export const makingFile = (make: (event: H3Event, db: Database, path: string, listener: Listener) => Promise<Named>) =>
  route(async (event, db) => {
    const place = await passing(dataFolder())
    try {
      const file = { ...(await make(event, db, place.path, listener(event))), ...place }
      return getRequestHeader(event, 'accept') === LINES ? keep(file) : sent(event, file)
    } catch (error) {
      await place.gone()
      throw error
    }
  })

function keep(file: Named & Passing): MadeFile {
  const id = uuid()
  made.set(id, file)
  setTimeout(() => {
    if (made.delete(id)) void file.gone()
  }, KEPT_MS).unref()
  return { path: `/api/made/${id}`, name: file.name }
}

function sent(event: H3Event, { path, gone, name, type }: Named & Passing) {
  setHeader(event, 'content-type', type)
  setHeader(event, 'content-disposition', `attachment; filename="${name}"`)
  return createReadStream(path).on('close', () => void gone())
}

/** The file under a name, which is given up with that. @throws Refused 404 */
export function fetchMade(event: H3Event, id: string) {
  const file = made.get(id)
  if (!file) throw notFound('file, or not any more: have it made again')
  made.delete(id)
  return sent(event, file)
}
