// npm run bench: bundled as the product is, since an untransformed run measures the loader.
import { join } from 'node:path'
import { readerSourceForEsbuild } from './reader-source.mjs'
import { checkNode, ensureBuilt, ensureInstalled, root } from './prepare.mjs'

checkNode()
ensureInstalled()
const named = process.argv.slice(2)
if (named.length === 0 || named.includes('page') || named.includes('start')) ensureBuilt()
const { build } = await import('esbuild')
const outfile = join(root, 'node_modules/.cache/finitum/bench.mjs')
await build({
  entryPoints: [join(root, 'tests/benchmark/bench.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  target: 'node20',
  tsconfig: join(root, 'tsconfig.plain.json'),
  plugins: [readerSourceForEsbuild()],
  alias: { '#core': join(root, 'core'), '#shared': join(root, 'shared') },
})
await import(outfile)
