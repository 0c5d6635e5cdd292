import { promisify } from 'node:util'
import { brotliCompress, constants, createGzip, gzip } from 'node:zlib'
import { Readable } from 'node:stream'
import { getRequestHeader, getResponseHeader, removeResponseHeader, setResponseHeader, type H3Event } from 'h3'

/** Shorter answers are as short as that goes. Bytes */
const SHORT = 1_000
const packings = {
  // The best takes a hundred times as long for a tenth less.
  br: (text: Buffer) => promisify(brotliCompress)(text, { params: { [constants.BROTLI_PARAM_QUALITY]: 4 } }),
  gzip: (text: Buffer) => promisify(gzip)(text),
} as const
type Packing = keyof typeof packings

/**
 * The best of both sides’ packings for what is sent now; null: as it is.
 * @example packingFor('gzip, deflate, br') // 'br'
 */
export function packingFor(accepts = ''): Packing | null {
  const named = new Map(
    accepts.split(',').map(part => {
      const [name = '', ...rest] = part.split(';').map(one => one.trim().toLowerCase())
      return [name, !rest.some(one => /^q=0(\.0*)?$/.test(one))] as const
    }),
  )
  return (['br', 'gzip'] as const).find(name => named.get(name) ?? false) ?? null
}

const isText = (type: string): boolean => /^(?:text\/|application\/json|image\/svg)/.test(type)

/** An answer as it goes over the wire: text packed, anything else as it is. @param body  as a route gives it */
export async function packed(event: H3Event, body: unknown): Promise<unknown> {
  const { res } = event.node
  const packing = packingFor(getRequestHeader(event, 'accept-encoding'))
  if (packing === null || event.method === 'HEAD' || res.headersSent || getResponseHeader(event, 'content-encoding')) return body
  const type = String(getResponseHeader(event, 'content-type') ?? '')
  if (body instanceof Readable) {
    if (!isText(type)) return body
    saySo(event, 'gzip')
    return body.pipe(createGzip())
  }
  const text = asText(body, type)
  if (text === null || text.length < SHORT) return body
  if (type === '') setResponseHeader(event, 'content-type', typeof body === 'string' ? 'text/html' : 'application/json')
  saySo(event, packing)
  return packings[packing](text)
}

function saySo(event: H3Event, packing: Packing): void {
  setResponseHeader(event, 'content-encoding', packing)
  setResponseHeader(event, 'vary', 'accept-encoding')
  removeResponseHeader(event, 'content-length')
}

function asText(body: unknown, type: string): Buffer | null {
  if (typeof body === 'string') return Buffer.from(body)
  if (Buffer.isBuffer(body)) return isText(type) ? body : null
  const isPlain =
    typeof body === 'object' &&
    body !== null &&
    [Object.prototype, Array.prototype, null].includes(Object.getPrototypeOf(body) as object | null)
  return isPlain ? Buffer.from(JSON.stringify(body)) : null
}
