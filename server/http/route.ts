import { defineEventHandler, getRouterParam, type H3Event } from 'h3'
import { database } from '../database/current'
import type { Database } from '../database/client'
import { asHttpError, notFound, Refused } from './refuse'

/** A route: waits for the database, turns refusals into 4xx answers; anything else is a fault of ours and becomes a plain 500. */
export function route<Answer>(work: (event: H3Event, db: Database) => Promise<Answer>) {
  return defineEventHandler(async event => {
    try {
      return await work(event, await database())
    } catch (error) {
      if (error instanceof Refused) throw asHttpError(error)
      throw error
    }
  })
}

export function idParam(event: H3Event, what: string): string {
  const id = getRouterParam(event, 'id')
  if (!id || id.length > 64) throw notFound(what)
  return id
}
