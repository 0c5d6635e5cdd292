// npm run test:long: what npm test tries a few times, many times over, and what is not news each time. Takes about an hour; SEED=7
// tries others. It runs whole before something is called finished.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { checkNode, ensureBuilt, ensureInstalled, root, say } from './prepare.mjs'

checkNode()
ensureInstalled()
ensureBuilt()
const SEED = process.env.SEED ?? String(Math.floor(Math.random() * 1e6))
const bin = name => join(root, 'node_modules/.bin', name)
const STEPS = [
  [
    'Every property in full',
    bin('vitest'),
    ['run', 'core', 'shared', 'server', 'tests/reference', '--reporter=dot'],
    { PROPERTY_SHARE: '1', LONG: 'yes', SEED },
  ],
  ['Power cuts', bin('vitest'), ['run', 'tests/power-cut', '--reporter=dot'], { POWER_CUTS: '200', LOOP_CUTS: '50', SEED }],
  ['Lives, against the revision before', process.execPath, [join(root, 'scripts/lives.mjs')], {}],
  ['Everything in the browser, kills, spoilt requests', bin('playwright'), ['test'], { KILLS: '200', FUZZ: '20000', LONG: 'yes', SEED }],
]

say(`Seed ${SEED}`)
let failed = 0
for (const [name, command, args, env] of STEPS) {
  say(`\n== ${name}`)
  const from = performance.now()
  const { status } = spawnSync(command, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } })
  if (status !== 0) failed++
  say(`${name}: ${status === 0 ? 'good' : 'FAILED'}, ${((performance.now() - from) / 60_000).toFixed(1)} min`)
}
console.log(`\n${STEPS.length - failed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
