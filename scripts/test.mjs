// npm test: everything, on a fresh machine too. Lint, types, unit, reference, build, end-to-end; the last line counts.
import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { checkNode, ensureBuilt, ensureInstalled, root, say, stop } from './prepare.mjs'

checkNode()
ensureInstalled()

/** What the end-to-end tests drive, and what they read PDFs with. */
function ensureDebian() {
  const missing = [
    ['/usr/bin/chromium', 'chromium'],
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
ensureDebian()

const bin = name => join(root, 'node_modules/.bin', name)
let passed = 0
let failed = 0

/** One step that passes or fails as a whole. */
function step(name, command, args) {
  say(`\n== ${name}`)
  const done = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1' },
  })
  if (done.status === 0) passed++
  else failed++
}

/** A runner that writes its own count as JSON. */
function counted(name, command, args, report, count) {
  say(`\n== ${name}`)
  rmSync(report, { force: true })
  const done = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_FILE: report, FORCE_COLOR: '0' },
  })
  const { good, bad } = existsSync(report) ? count(JSON.parse(readFileSync(report, 'utf8'))) : { good: 0, bad: 1 }
  passed += good
  failed += done.status !== 0 && bad === 0 ? bad + 1 : bad
}

const unitReport = join(tmpdir(), `finitum-unit-${process.pid}.json`)
const browserReport = join(tmpdir(), `finitum-browser-${process.pid}.json`)
if (!existsSync(join(root, '.nuxt/tsconfig.json'))) step('Prepare', bin('nuxt'), ['prepare', '--logLevel=silent'])
step('Lint', bin('eslint'), ['.', '--max-warnings', '0'])
step('Layout', bin('prettier'), ['--check', '--log-level', 'warn', '.'])
step('Types, app and server', bin('vue-tsc'), ['-b', '--noEmit'])
step('Types, core, scripts and tests', bin('tsc'), ['-p', 'tsconfig.plain.json'])
counted(
  'Unit and reference',
  bin('vitest'),
  ['run', '--reporter=dot', '--reporter=json', `--outputFile.json=${unitReport}`],
  unitReport,
  r => ({ good: r.numPassedTests, bad: r.numFailedTests + (r.numFailedTestSuites && !r.numFailedTests ? 1 : 0) }),
)
say('\n== Build')
ensureBuilt()
counted('End to end', bin('playwright'), ['test', '--reporter=list,json'], browserReport, r => ({
  good: r.stats.expected,
  bad: r.stats.unexpected + r.stats.flaky,
}))
say('')
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
