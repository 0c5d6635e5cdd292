// Types of all that is not a Vue component, by the compiler that is an order of magnitude faster and does not know components yet.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { root } from './prepare.mjs'

const compiler = join(root, 'node_modules/typescript-7/bin/tsc')
const projects = ['tsconfig.plain.json', ...['server', 'shared', 'node'].map(name => `.nuxt/tsconfig.${name}.json`)]
const results = projects.map(project => spawnSync(process.execPath, [compiler, '--noEmit', '-p', project], { cwd: root, stdio: 'inherit' }))
process.exit(results.every(({ status }) => status === 0) ? 0 : 1)
