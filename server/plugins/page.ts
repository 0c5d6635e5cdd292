import { createHash } from 'node:crypto'
import { defineNitroPlugin } from 'nitropack/runtime'
import { contentPolicy } from '../http/headers'

/** Scripts in the page itself, by what they are: no other runs. */
function policyFor(html: string): string {
  const scripts = [...html.matchAll(/<script(?![^>]*\bsrc=)(?![^>]*application\/json)[^>]*>([\s\S]*?)<\/script>/g)]
  const hashes = scripts.map(([, text]) => `'sha256-${createHash('sha256').update(text!).digest('base64')}'`)
  return contentPolicy(hashes)
}

// Pages hold no data and are alike: one policy serves all of them.
const policies = new Map<string, string>()

export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('render:response', response => {
    if (typeof response.body !== 'string') return
    const { body } = response
    if (!policies.has(body)) {
      policies.clear()
      policies.set(body, policyFor(body))
    }
    const headers = { ...response.headers, 'content-security-policy': policies.get(body)! }
    delete (headers as Record<string, unknown>)['x-powered-by']
    response.headers = headers
  })
})
