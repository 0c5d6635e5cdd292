import { setResponseStatus, type H3Event } from 'h3'
import { ended } from './lines'
import type { Fault, Refusal } from '#shared/types'

/** A refusal the screen can show: where, and a sentence. Thrown from anywhere behind a route. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly refusal: Refusal,
  ) {
    super(refusal.faults.map(fault => fault.reason).join(' '))
  }
}

/** Whoever asked has gone: there is nobody to answer. */
export class Gone extends Error {}

export const refuse = (status: number, reason: string, path = '', more: Omit<Refusal, 'faults'> = {}): Refused =>
  new Refused(status, { faults: [{ path, reason }], ...more })
export const refuseAll = (faults: readonly Fault[], status = 422): Refused => new Refused(status, { faults })
export const notFound = (what: string): Refused => refuse(404, `There is no such ${what}.`)

/** A refusal as it is sent: always as JSON, also to a browser that would rather have a page. */
export function sendRefusal(event: H3Event, { status, message, refusal }: Refused) {
  if (!event.node.res.headersSent) setResponseStatus(event, status)
  return ended(event, { refused: { statusCode: status, message, data: refusal } })
}
