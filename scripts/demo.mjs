// npm run demo [-- --fresh]: the invented island workshop, loaded through the import everybody has.
import { existsSync, readFileSync, readdirSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { checkNode, ensureBuilt, ensureInstalled, root, say, stop } from './prepare.mjs'

checkNode()
ensureInstalled()
ensureBuilt()
const folder = resolve(process.env.FINITUM_DATA || join(root, 'data/demo'))
const { serve } = await import('./serve.mjs')

if (process.argv.includes('--fresh') && existsSync(join(folder, 'database'))) {
  const { default: lockfile } = await import('proper-lockfile')
  if (await lockfile.check(folder, { stale: 5_000 })) stop(`The data folder ${folder} is open in another Finitum. Close that one first.`)
  say('Forgetting the old demo data …')
  rmSync(join(folder, 'database'), { recursive: true, force: true })
}

async function send(url, body, type) {
  const answer = await fetch(url, { method: 'POST', body, headers: { 'content-type': type } })
  if (!answer.ok) stop(`The demo could not be loaded: ${await answer.text()}`)
}

await serve({
  folder,
  ready: async address => {
    const { jobs, lots } = await (await fetch(`${address}/api/health`)).json()
    if (jobs > 0 || lots > 0) return
    say('Loading the island workshop …')
    const demo = join(root, 'demo')
    await send(`${address}/api/stock/csv`, readFileSync(join(demo, 'drawer.csv')), 'text/csv')
    for (const file of readdirSync(demo)
      .filter(name => name.endsWith('.worksheet.json'))
      // The newest stands first in the book: the first file comes in last.
      .sort()
      .reverse()) {
      await send(`${address}/api/worksheets`, readFileSync(join(demo, file)), 'application/json')
    }
  },
})
