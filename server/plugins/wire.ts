import { removeResponseHeader } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'
import { packed } from '../http/compress'
import { uselessFor } from '../http/headers'

/** How answers go over the wire. Files of the build are packed already. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('beforeResponse', async (event, response) => {
    for (const name of uselessFor(event.path.split('?')[0]!)) removeResponseHeader(event, name)
    response.body = await packed(event, response.body)
  })
})
