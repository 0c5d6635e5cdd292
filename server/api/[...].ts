import { defineEventHandler, setResponseHeader } from 'h3'
// @ts-expect-error: the table of routes is made by the build
import { handlers } from '#nitro-internal-virtual/server-handlers'
import { refuse, sendRefusal } from '../http/refuse'

interface Handler {
  readonly route?: string
  readonly method?: string
}
const ROUTES = (handlers as readonly Handler[]).flatMap(({ route, method }) =>
  route?.startsWith('/api/') && method
    ? [{ method: method.toUpperCase(), shape: new RegExp(`^${route.replace(/:[^/]+/g, '[^/]+')}$`) }]
    : [],
)

/** What no route answers: there is no such place, or not for this method. */
export default defineEventHandler(event => {
  const path = event.path.replace(/[?#].*$/, '')
  const methods = ROUTES.filter(({ shape }) => shape.test(path)).map(({ method }) => method)
  if (methods.length === 0) return sendRefusal(event, refuse(404, 'There is no such address.'))
  setResponseHeader(event, 'allow', methods.join(', '))
  return sendRefusal(event, refuse(405, `${event.method.slice(0, 16)} is not for this address.`))
})
