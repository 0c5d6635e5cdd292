// npm run test:nodes [-- 22]: unit tests, build and start on each version of Node.js that is supported, the registry’s own builds of them,
// put into a folder outside this tree. Not part of npm test: half an hour, and the registry is asked.
import { spawnSync } from 'node:child_process'
import { cpSync, existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { checkNode, root, say } from './prepare.mjs'

checkNode()
const VERSIONS = ['20.19', '22', '24']
const asked = process.argv.slice(2)
const home = mkdtempSync(join(tmpdir(), 'finitum-nodes-'))
process.on('exit', () => rmSync(home, { recursive: true, force: true }))
const tree = join(home, 'tree')

function run(command, args, options = {}) {
  return spawnSync(command, args, { stdio: ['ignore', 'inherit', 'inherit'], ...options }).status === 0
}

/** The tree as it is committed and not, without what was made of it. */
function copyTree() {
  const { stdout } = spawnSync('git', ['ls-files', '-co', '--exclude-standard'], { cwd: root, encoding: 'utf8', maxBuffer: 1 << 27 })
  for (const name of stdout.split('\n').filter(Boolean)) {
    if (!existsSync(join(root, name))) continue
    mkdirSync(dirname(join(tree, name)), { recursive: true })
    cpSync(join(root, name), join(tree, name))
  }
}

const START = `
  process.env.FINITUM_DATA = process.argv[1]; process.env.PORT = '0'
  const { createServer } = await import('node:net')
  const probe = createServer(); await new Promise(done => probe.listen(0, '127.0.0.1', done))
  process.env.PORT = String(probe.address().port); await new Promise(done => probe.close(done))
  process.argv.length = 1
  await import(process.cwd() + '/scripts/start.mjs')
  const { ready } = await (await fetch('http://127.0.0.1:' + process.env.PORT + '/api/health')).json()
  process.exit(ready === true ? 0 : 1)`

const told = []
copyTree()
for (const version of VERSIONS.filter(one => asked.length === 0 || asked.includes(one))) {
  const place = join(home, `node-${version}`)
  mkdirSync(place)
  const name = `node-linux-${process.arch === 'arm64' ? 'arm64' : 'x64'}@${version}`
  say(`\n== Node.js ${version}`)
  if (!run('npm', ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error', '--prefix', place, name])) {
    told.push([version, 'could not be had', false])
    continue
  }
  const bin = join(place, 'node_modules', name.replace(/@.*/, ''), 'bin')
  const env = { ...process.env, PATH: `${bin}:${process.env.PATH}`, NUXT_TELEMETRY_DISABLED: '1' }
  const at = { cwd: tree, env }
  for (const made of ['node_modules', '.output', '.nuxt']) rmSync(join(tree, made), { recursive: true, force: true })
  const steps = [
    ['install', join(bin, 'node'), ['-e', "import('./scripts/prepare.mjs').then(made => made.ensureInstalled())"]],
    ['unit tests', 'npx', ['vitest', 'run', '--reporter=dot']],
    ['build', join(bin, 'node'), ['-e', "import('./scripts/prepare.mjs').then(made => made.ensureBuilt())"]],
    ['start', join(bin, 'node'), ['--input-type=module', '-e', START, join(home, `data-${version}`)]],
  ]
  for (const [what, command, args] of steps) {
    const good = run(command, args, at)
    told.push([version, what, good])
    if (!good) break
  }
}
say('')
for (const [version, what, good] of told) say(`${version}: ${what} ${good ? 'good' : 'FAILED'}`)
const failed = told.filter(([, , good]) => !good).length
console.log(`${told.length - failed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
