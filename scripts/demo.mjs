// npm run demo [-- --fresh]: the invented island workshop, loaded through the import everybody has.
import { existsSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { checkNode, ensureBuilt, ensureInstalled, root, say, stop } from './prepare.mjs'

checkNode()
ensureInstalled({ toRun: true })
ensureBuilt()
const folder = resolve(process.env.FINITUM_DATA || join(root, 'data/demo'))
const { serve } = await import('./serve.mjs')

// Cut short while it was loaded, the demo is not whole: it begins anew.
const loading = join(folder, 'demo-loading')
if (process.argv.includes('--fresh') || existsSync(loading)) process.env.FINITUM_FRESH = 'yes'

/** Who works on the island. */
const PEOPLE = [
  ['TM', 'T. Marl'],
  ['AS', 'A. Skua'],
  ['MV', 'M. Vane'],
  ['PF', 'P. Fulmar'],
  ['RQ', 'R. Quill'],
]

/** What the island’s units go through again and again: kept from jobs of the demo. */
const ROUTES = [
  ['Launch service', 'launch-s6'],
  ['Bus service', 'bus-s5'],
  ['Reduction box rebuild', 'launch-box'],
  ['Engine, bottom end', 'launch-engine'],
]

const DAY = 86_400_000
const day = from => new Date(Date.now() + from * DAY).toISOString().slice(0, 10)
/** One washer a check waits for, still to be ordered; some shims for the drawer on their way. */
const ORDERS = [
  ['checks/bus-train/wants', { version: 1, place: 'stack', pieces: [{ lotId: 'train-washer-5', count: 1 }] }],
  ['orders/lines', { id: 'spare-20', lotId: 'cover-20', pieces: 3 }],
  ['orders/lines', { id: 'spare-12', lotId: 'cover-12', pieces: 4 }],
  [
    'orders',
    {
      id: 'autumn',
      supplier: 'Northness Shim Works',
      lines: ['spare-20', 'spare-12'],
      reference: 'NS 2041',
      orderedOn: day(-3),
      due: day(4),
    },
  ],
]

async function send(url, body, type) {
  const answer = await fetch(url, { method: 'POST', body, headers: { 'content-type': type, 'x-finitum': 'demo' } })
  if (!answer.ok) stop(`The demo could not be loaded: ${await answer.text()}`)
}

await serve({
  folder,
  ready: async address => {
    const { jobs, lots } = await (await fetch(`${address}/api/health`)).json()
    if (jobs > 0 || lots > 0) return
    say('Loading the island workshop …')
    writeFileSync(loading, '', { flush: true })
    const demo = join(root, 'demo')
    await send(`${address}/api/stock/csv`, readFileSync(join(demo, 'drawer.csv')), 'text/csv')
    await send(`${address}/api/limits/csv`, readFileSync(join(demo, 'limits.csv')), 'text/csv')
    for (const [initials, name] of PEOPLE)
      await send(
        `${address}/api/people`,
        JSON.stringify({ op: `demo-${initials}`, id: `demo-${initials}`, name, initials }),
        'application/json',
      )
    for (const file of readdirSync(demo)
      .filter(name => name.endsWith('.worksheet.json'))
      // The newest stands first in the book: the first file comes in last.
      .sort()
      .reverse()) {
      await send(`${address}/api/worksheets`, readFileSync(join(demo, file)), 'application/json')
    }
    for (const [name, job] of ROUTES)
      await send(`${address}/api/routes`, JSON.stringify({ op: `demo-route-${job}`, id: `route-${job}`, name, job }), 'application/json')
    for (const [i, [path, body]] of ORDERS.entries())
      await send(`${address}/api/${path}`, JSON.stringify({ op: `demo-order-${i}`, who: 'T. Marl', ...body }), 'application/json')
    rmSync(loading)
  },
})
