import { defineEventHandler, getRequestHeader, setResponseHeader, setResponseStatus } from 'h3'
import { againstWriting } from '../backup/restoring'
import { isFromHere, isOwnName, namesOf, PROOF } from '../http/origin'
import { refuse, sendRefusal } from '../http/refuse'

const NAMES = namesOf(process.env.FINITUM_NAMES)
const READS = new Set(['GET', 'HEAD'])

/** Only pages of this shop’s own address read and write here; what they are told is kept nowhere else. */
export default defineEventHandler(event => {
  const host = getRequestHeader(event, 'host') ?? ''
  const isApi = /^\/api(\/|$)/.test(event.path)
  if (!isOwnName(host, NAMES)) {
    const refused = refuse(
      403,
      `Finitum does not answer to the name “${host.slice(0, 80)}”. Use the address it printed, or set FINITUM_NAMES to that name.`,
    )
    if (isApi) return sendRefusal(event, refused)
    // Somebody reads this in a browser.
    setResponseStatus(event, refused.status)
    setResponseHeader(event, 'content-type', 'text/plain; charset=utf-8')
    return refused.message
  }
  if (isApi) setResponseHeader(event, 'cache-control', 'no-store')
  if (/^\/api\/?$/.test(event.path)) return sendRefusal(event, refuse(404, 'There is no such address.'))
  const proof = { host, origin: getRequestHeader(event, 'origin'), proof: getRequestHeader(event, PROOF) }
  if (!READS.has(event.method) && !isFromHere(proof))
    return sendRefusal(event, refuse(403, 'Another site tried to write here. It was refused.'))
  const refused = READS.has(event.method) || event.path === '/api/backup' ? null : againstWriting()
  if (refused) return sendRefusal(event, refused)
})
