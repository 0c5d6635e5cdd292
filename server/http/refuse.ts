import { createError } from 'h3'
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

export const refuse = (status: number, reason: string, path = '', more: Omit<Refusal, 'faults'> = {}): Refused =>
  new Refused(status, { faults: [{ path, reason }], ...more })
export const refuseAll = (faults: readonly Fault[]): Refused => new Refused(422, { faults })
export const notFound = (what: string): Refused => refuse(404, `There is no such ${what}.`)

export const asHttpError = (refused: Refused) =>
  createError({ statusCode: refused.status, message: refused.message, data: refused.refusal })
