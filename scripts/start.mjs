// npm start: the workshop's own data, empty at first.
import { join, resolve } from 'node:path'
import { checkNode, ensureBuilt, ensureInstalled, root } from './prepare.mjs'

checkNode()
ensureInstalled()
ensureBuilt()
const { serve } = await import('./serve.mjs')
await serve({ folder: resolve(process.env.FINITUM_DATA || join(root, 'data/shop')) })
