// npm run lives [-- REVISION]: what this tree says of many checks worked on at random, against what another revision says of the same
// (the last commit; that before it where nothing is uncommitted). Four times as many as npm test records, and no file holds them.
import { spawnSync } from 'node:child_process'
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, symlinkSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { checkNode, ensureInstalled, root, run, say, stop } from './prepare.mjs'

checkNode()
ensureInstalled()
const git = (...args) => {
  const { status, stdout, stderr } = spawnSync('git', args, { cwd: root, encoding: 'utf8' })
  if (status !== 0) stop(stderr.trim())
  return stdout.trim()
}
const wanted = process.argv[2] ?? (git('status', '--porcelain', '--', 'core', 'tests', 'demo') === '' ? 'HEAD~1' : 'HEAD')
const revision = git('rev-parse', '--short', wanted)
/** So many lines that differ are shown. */
const MOST = 40

const home = mkdtempSync(join(tmpdir(), 'finitum-lives-'))
const other = join(home, 'tree')
const [here, there] = ['here', 'there'].map(name => join(home, name))
for (const into of [here, there]) mkdirSync(into)

function tell(tree, into) {
  const done = spawnSync(join(root, 'node_modules/.bin/vitest'), ['run', 'tests/record', '--reporter=dot'], {
    cwd: tree,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, LIVES_INTO: into },
  })
  if (done.status !== 0) stop(`The lives of ${tree} could not be told.`)
}

try {
  git('worktree', 'add', '--detach', '--force', other, revision)
  if (!readFileSync(join(other, 'tests/record/record.ts'), 'utf8').includes('LIVES_INTO')) stop(`${revision} cannot tell lives yet.`)
  symlinkSync(join(root, 'node_modules'), join(other, 'node_modules'))
  if (existsSync(join(root, '.nuxt'))) cpSync(join(root, '.nuxt'), join(other, '.nuxt'), { recursive: true })
  say(`Lives of this tree and of ${revision} …`)
  tell(root, here)
  tell(other, there)
  const names = [...new Set([here, there].flatMap(into => readdirSync(into)))].sort()
  let lines = 0
  const differences = []
  for (const name of names) {
    const [now, then] = [here, there].map(into => (existsSync(join(into, name)) ? readFileSync(join(into, name), 'utf8').split('\n') : []))
    let heading = ''
    for (let i = 0; i < Math.max(now.length, then.length); i++) {
      lines++
      if (now[i] && !now[i].startsWith(' ')) heading = now[i]
      if (now[i] !== then[i]) differences.push(`${name}, ${heading}\n  - ${then[i] ?? ''}\n  + ${now[i] ?? ''}`)
    }
  }
  for (const difference of differences.slice(0, MOST)) say(difference)
  const versions = [root, other].map(tree => readFileSync(join(tree, 'core/version.ts'), 'utf8'))
  say(`${differences.length} of ${lines} lines differ from ${revision}.`)
  if (differences.length > 0 && versions[0] === versions[1]) {
    say('The version of core is the same: is every one of them meant, and is no signed figure among them?')
    process.exitCode = 1
  }
} finally {
  if (existsSync(other)) run('git', ['worktree', 'remove', '--force', other], 'Removing the other tree')
  rmSync(home, { recursive: true, force: true })
}
