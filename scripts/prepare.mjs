// What every command needs first: a Node that is new enough, the packages, a build that matches the sources.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('..', import.meta.url))
export const say = text => process.stdout.write(`${text}\n`)
export function stop(sentence) {
  process.stderr.write(`${sentence}\n`)
  process.exit(1)
}

export function checkNode(version = process.versions.node) {
  const [major, minor] = version.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19)) stop(`Finitum needs Node.js 20.19 or newer; this is ${version}.`)
}

/** Runs a command with its output shown; stops with a sentence when it fails. */
export function run(command, args, what, env = {}) {
  const done = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ...env },
  })
  if (done.status !== 0) stop(`${what} failed.`)
}

const sha = text => createHash('sha256').update(text).digest('hex')

/** @param toRun  what building and running need is enough; what tests, linter and formatter are made of stays away */
export function ensureInstalled({ toRun = false } = {}) {
  const stamp = join(root, 'node_modules', '.finitum-lock')
  const lock = sha(readFileSync(join(root, 'package-lock.json')))
  const here = existsSync(stamp) ? readFileSync(stamp, 'utf8') : ''
  if (here === lock || (toRun && here === `${lock} to run`)) return
  say('Installing packages (a minute or two) …')
  run('npm', ['ci', ...(toRun ? ['--omit=dev'] : []), '--no-audit', '--no-fund', '--loglevel=error'], 'Installing the packages')
  writeFileSync(stamp, toRun ? `${lock} to run` : lock)
}

function* sources(folder) {
  for (const entry of readdirSync(folder).sort()) {
    const path = join(folder, entry)
    if (statSync(path).isDirectory()) yield* sources(path)
    else if (!entry.endsWith('.test.ts')) yield path
  }
}

/** Builds when the sources are not those the last build was made from; never under tests, whose build is the one they began with. */
export function ensureBuilt() {
  if (process.env.FINITUM_AS_BUILT === 'yes') return
  const hash = createHash('sha256')
  for (const folder of ['app', 'core', 'server', 'shared', 'public']) {
    for (const path of sources(join(root, folder))) hash.update(path.slice(root.length)).update(readFileSync(path))
  }
  for (const file of ['nuxt.config.ts', 'package-lock.json', 'scripts/reader-source.mjs']) hash.update(readFileSync(join(root, file)))
  const wanted = hash.digest('hex')
  const stamp = join(root, '.output', 'sources')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  say('Building (about a minute) …')
  run(process.execPath, [join(root, 'node_modules/nuxt/bin/nuxt.mjs'), 'build', '--logLevel=silent'], 'The build', {
    NODE_ENV: 'production',
  })
  writeFileSync(stamp, wanted)
}
