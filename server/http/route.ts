import { defineEventHandler, getRouterParam, type H3Event } from 'h3'
import { database } from '../current'
import type { Database } from '../database/client'
import { NoRoom } from '../database/room'
import { log } from '../log'
import type { AnswerOf, NamedWrite, WriteKey, Writes } from '#shared/writes'
import { readDto } from './body'
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

/**
 * A write of the table in `shared/writes`: its body is read and checked as the table says, its answer is the table’s.
 * @param thing  what its address names, where it names something
 */
export function taking<Key extends Exclude<WriteKey, NamedWrite>>(
  key: Key,
  dto: new () => Writes[Key][0],
  work: (db: Database, dto: Writes[Key][0]) => Promise<AnswerOf<Key>>,
): ReturnType<typeof route>
export function taking<Key extends NamedWrite>(
  key: Key,
  thing: string,
  dto: new () => Writes[Key][0],
  work: (db: Database, id: string, dto: Writes[Key][0]) => Promise<AnswerOf<Key>>,
): ReturnType<typeof route>
export function taking(_key: WriteKey, ...rest: unknown[]): ReturnType<typeof route> {
  type Dto = new () => object
  if (rest.length === 2) {
    const [dto, work] = rest as [Dto, (db: Database, dto: object) => Promise<unknown>]
    return route(async (event, db) => work(db, await readDto(event, dto)))
  }
  const [thing, dto, work] = rest as [string, Dto, (db: Database, id: string, dto: object) => Promise<unknown>]
  return route(async (event, db) => work(db, idParam(event, thing), await readDto(event, dto)))
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
