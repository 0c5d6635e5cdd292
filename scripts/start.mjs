// npm start: the workshop's own data, empty at first. npm start -- --check [FOLDER]: is a copy of a data folder whole?
import { spawnSync } from 'node:child_process'
import { join, resolve } from 'node:path'
import { checkNode, ensureBuilt, ensureInstalled, root } from './prepare.mjs'

checkNode()
ensureInstalled({ toRun: true })
const folder = resolve(process.env.FINITUM_DATA || join(root, 'data/shop'))
const check = process.argv.indexOf('--check')
if (check !== -1) {
  const tsx = join(root, 'node_modules/.bin/tsx')
  const of = resolve(process.argv[check + 1] ?? folder)
  const done = spawnSync(tsx, ['--tsconfig', join(root, 'tsconfig.plain.json'), join(root, 'scripts/check-folder.ts'), of], {
    stdio: 'inherit',
  })
  process.exit(done.status ?? 1)
}
ensureBuilt()
const { serve } = await import('./serve.mjs')
await serve({ folder })
