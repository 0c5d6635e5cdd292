// npm test: everything, on a fresh machine too; the last line counts. A part of it by name:
//   npm test -- core              unit tests of a folder or file (core, server, tests/reference …)
//   npm test -- e2e hub           end-to-end tests whose file has that in its name; all of them without one
//   npm test -- changed           what rests on files that are not committed, unit and end-to-end
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { checkNode, ensureInstalled, root, say, stop } from './prepare.mjs'

const [part, ...names] = process.argv.slice(2)
const begun = performance.now()

checkNode()
ensureInstalled()

/** What the end-to-end tests drive, and what they read PDFs with. */
function ensureDebian() {
  const missing = [
    ['/usr/bin/chromium-headless-shell', 'chromium-headless-shell'],
    ['/usr/bin/pdftotext', 'poppler-utils'],
  ].flatMap(([file, name]) => (existsSync(file) ? [] : [name]))
  if (missing.length === 0) return
  const by = `On Debian: apt-get install ${missing.join(' ')}.`
  if (process.getuid?.() !== 0) stop(`The end-to-end tests need ${missing.join(' and ')}. ${by}`)
  say(`Installing ${missing.join(', ')} …`)
  for (const args of [
    ['update', '-qq'],
    ['install', '-y', '-qq', ...missing],
  ]) {
    const done = spawnSync('apt-get', args, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
    if (done.status !== 0) stop(`${missing.join(' and ')} could not be installed. ${by}`)
  }
}
if (!part || part === 'e2e' || part === 'changed') ensureDebian()

// Dozens of data folders are made and synced: in memory, where the system offers that, none of them waits for a disk.
const inMemory = '/dev/shm'
const roomy = existsSync(inMemory) && statfsSync(inMemory).bavail * statfsSync(inMemory).bsize > 6e9
const home = mkdtempSync(join(roomy ? inMemory : tmpdir(), 'finitum-npm-test-'))
process.on('exit', () => rmSync(home, { recursive: true, force: true }))
const env = { ...process.env, TMPDIR: home, NUXT_TELEMETRY_DISABLED: '1', FORCE_COLOR: '0' }

const bin = name => join(root, 'node_modules/.bin', name)
const seconds = ms => `${(ms / 1000).toFixed(0)} s`
let passed = 0
let failed = 0
/** @type {{ name: string, took: number }[]} parts, and files with their tests */
const parts = []
const files = []

async function timed(name, work) {
  const from = performance.now()
  await work()
  parts.push({ name, took: performance.now() - from })
}

/** Commands one after the other, each of which passes or fails as a whole. What they say is shown when they have ended. */
async function lane(...steps) {
  for (const [name, command, ...args] of steps) {
    await timed(name, async () => {
      const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'], env })
      let said = ''
      for (const stream of [child.stdout, child.stderr]) stream.on('data', text => (said += text))
      const status = await new Promise(resolve => child.once('close', resolve))
      say(`\n== ${name}: ${status === 0 ? 'good' : 'FAILED'}\n${said}`.trimEnd())
      if (status === 0) passed++
      else failed++
    })
  }
}

/** A runner that writes what it counted, and how long each file took, as JSON. */
async function counted(name, command, args, report, read) {
  say(`\n== ${name}`)
  const path = join(home, `${report}.json`)
  await timed(name, async () => {
    const child = spawn(command, args(path), {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...env, PLAYWRIGHT_JSON_OUTPUT_FILE: path },
    })
    const status = await new Promise(resolve => child.once('close', resolve))
    const { good, bad, took } = existsSync(path) ? read(JSON.parse(readFileSync(path, 'utf8'))) : { good: 0, bad: 1, took: [] }
    passed += good
    failed += status !== 0 && bad === 0 ? 1 : bad
    files.push(...took)
  })
}

const unit = (...which) =>
  counted(
    'Unit, record and reference',
    bin('vitest'),
    path => ['run', '--reporter=dot', '--reporter=json', `--outputFile.json=${path}`, '--passWithNoTests', ...which],
    'unit',
    ({ numPassedTests, numFailedTests, numFailedTestSuites, testResults }) => ({
      good: numPassedTests,
      bad: numFailedTests + (numFailedTestSuites && !numFailedTests ? 1 : 0),
      took: testResults.map(({ name, startTime, endTime }) => ({ name: relative(root, name), took: endTime - startTime })),
    }),
  )

const tookBy = ({ suites = [], specs = [] }) =>
  [...specs.flatMap(({ tests }) => tests.flatMap(({ results }) => results.map(({ duration }) => duration))), ...suites.map(tookBy)].reduce(
    (sum, one) => sum + one,
    0,
  )
const browser = (...which) =>
  counted(
    'End to end',
    bin('playwright'),
    () => ['test', '--reporter=list,json', '--pass-with-no-tests', ...which],
    'browser',
    ({ stats, suites }) => ({
      good: stats.expected,
      bad: stats.unexpected + stats.flaky,
      took: suites.map(suite => ({ name: `tests/e2e/${suite.file}`, took: tookBy(suite) })),
    }),
  )
/** In a process of its own: what goes on beside it is heard. */
const build = () =>
  timed('Build', async () => {
    const make = "import('./scripts/prepare.mjs').then(({ ensureBuilt }) => ensureBuilt())"
    const child = spawn(process.execPath, ['-e', make], { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], env: process.env })
    const status = await new Promise(resolve => child.once('close', resolve))
    if (status !== 0) stop('The build failed.')
  })

if (part === 'e2e') {
  await build()
  await browser(...names)
} else if (part === 'changed') {
  await unit('--changed')
  await build()
  await browser('--only-changed')
} else if (part) await unit(part, ...names)
else {
  if (!existsSync(join(root, '.nuxt/tsconfig.json'))) await lane(['Prepare', bin('nuxt'), 'prepare', '--logLevel=silent'])
  // What uses one core goes beside what can use both: the build, most of which is one thread, beside the unit tests.
  const small = lane(
    ['Layout', bin('oxfmt'), '--check'],
    ['Lint', bin('oxlint')],
    ['Types, the rest', process.execPath, join(root, 'scripts/types.mjs')],
    ['Lint, templates', bin('eslint'), 'app', '--max-warnings', '0'],
  )
  await Promise.all([
    lane(['Types, app', bin('vue-tsc'), '--noEmit', '-p', '.nuxt/tsconfig.app.json']).then(build),
    small.then(() => unit()),
  ])
  await browser()
}

say(
  `\nWhere the time went: ${parts.map(({ name, took }) => `${name} ${seconds(took)}`).join(' · ')} · all ${seconds(performance.now() - begun)}`,
)
const slowest = [...files].sort((a, b) => b.took - a.took).slice(0, 10)
if (slowest.length > 0) say(`The slowest files: ${slowest.map(({ name, took }) => `${name} ${seconds(took)}`).join(' · ')}`)
say('')
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
