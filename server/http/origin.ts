import { isIP } from 'node:net'

/** The name in a Host header, without its port; null where it is none. */
export function hostName(host: string): string | null {
  try {
    const { hostname, username, pathname } = new URL(`http://${host}`)
    return username === '' && pathname === '/' && hostname !== '' ? hostname.replace(/^\[|\]$/g, '') : null
  } catch {
    return null
  }
}

export const isLoopback = (name: string): boolean =>
  name === 'localhost' || name.endsWith('.localhost') || name === '::1' || (isIP(name) === 4 && name.startsWith('127.'))

/**
 * Is this a name of the shop's own? A page elsewhere can have its own name lead to this machine, and then counts as from here; an
 * address in figures it cannot take.
 * @param names  what else it is called on its network
 */
export function isOwnName(host: string, names: readonly string[]): boolean {
  const name = hostName(host)
  return name !== null && (isIP(name) !== 0 || isLoopback(name) || names.includes(name))
}

/** `FINITUM_NAMES`, as they are compared. */
export const namesOf = (text = ''): string[] =>
  text
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(name => name.toLowerCase())

/** Sent by programs, which have no origin: no form can send it, and no page elsewhere may. */
export const PROOF = 'x-finitum'

/** Does a write come from a page of the same address, or from a program? */
export function isFromHere(headers: {
  readonly host: string
  readonly origin?: string | undefined
  readonly proof?: string | undefined
}): boolean {
  const { host, origin, proof } = headers
  if (origin === undefined) return proof !== undefined
  try {
    return /^https?:/.test(origin) && new URL(origin).host === new URL(`http://${host}`).host
  } catch {
    return false
  }
}
