import { defineEventHandler, getRequestHeader, setResponseHeaders } from 'h3'
import { asHttpError, refuse } from '../http/refuse'

const HEADERS = {
  'content-security-policy':
    "default-src 'self'; script-src 'self' 'unsafe-inline'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; worker-src 'self' blob:; frame-ancestors 'none'; base-uri 'none'; form-action 'self'",
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
}

/** Nothing is fetched from elsewhere, and no page from elsewhere may write here: the browser says where a request comes from. */
export default defineEventHandler(event => {
  setResponseHeaders(event, HEADERS)
  const from = getRequestHeader(event, 'sec-fetch-site')
  if (event.method !== 'GET' && from && from !== 'same-origin' && from !== 'none')
    throw asHttpError(refuse(403, 'Another site tried to write here. It was refused.'))
})
