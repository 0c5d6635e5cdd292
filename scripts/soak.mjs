// npm run soak: what npm test tries a few times, many times over: kills, power cuts, spoilt requests. Takes an hour; SEED=7 tries others.
import { run, checkNode, ensureBuilt, ensureInstalled, say } from './prepare.mjs'

checkNode()
ensureInstalled()
ensureBuilt()
const SEED = process.env.SEED ?? String(Math.floor(Math.random() * 1e6))
say(`Seed ${SEED}`)
run('npx', ['vitest', 'run', 'tests/power-cut'], 'The power-cut run', { SEED, POWER_CUTS: '200', LOOP_CUTS: '50' })
run('npx', ['playwright', 'test', 'durability', 'fuzz'], 'The run of kills and spoilt requests', { SEED, KILLS: '200', FUZZ: '50000' })
