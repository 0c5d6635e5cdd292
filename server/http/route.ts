import { defineEventHandler, getRouterParam, type H3Event } from 'h3'
import { database } from '../database/current'
import type { Database } from '../database/client'
import { NoRoom } from '../database/room'
import { log } from '../log'
import { ended } from './lines'
import { Gone, notFound, refuse, Refused, sendRefusal } from './refuse'

/** A route: waits for the database, turns refusals into 4xx answers; anything else is a fault of ours, logged, and becomes a plain 500. */
export function route<Answer>(work: (event: H3Event, db: Database) => Promise<Answer>) {
  return defineEventHandler(async event => {
    try {
      return ended(event, { answer: await work(event, await database()) })
    } catch (error) {
      if (error instanceof Gone) return undefined
      if (error instanceof Refused) return sendRefusal(event, error)
      if (error instanceof NoRoom) return sendRefusal(event, refuse(507, error.message))
      return sendRefusal(event, ourFault(event, error))
    }
  })
}

function ourFault(event: H3Event, error: unknown): Refused {
  const { message, stack } = error instanceof Error ? error : new Error(String(error))
  const id = log('error', `${event.method} ${event.path.split('?')[0]}: ${message} ${stack ?? ''}`)
  return refuse(500, `Something went wrong here, and nothing was changed (${id} in the log). Try again.`)
}

/** A name of a thing in an address: what a name cannot be is the name of nothing. */
export function idParam(event: H3Event, what: string): string {
  const id = getRouterParam(event, 'id')
  if (!id || id.length > 64 || !isName(id)) throw notFound(what)
  return id
}

/** Anything but control characters, halves of characters, and the two names of a folder itself. */
const isName = (id: string): boolean => !/\p{Cc}|\p{Cs}/u.test(id) && id !== '.' && id !== '..'
