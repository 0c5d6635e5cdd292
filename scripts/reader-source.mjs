// The worker that reads imported files, bundled into one text. A worker’s file has another path in the build, in the tests and in the
// bench; a text starts the same way in all of them.
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

const root = fileURLToPath(new URL('..', import.meta.url))
const NAME = 'virtual:import-reader'

/** A module whose only value is the bundle. */
async function readerModule() {
  const { outputFiles } = await build({
    entryPoints: [join(root, 'server/import/reader.ts')],
    bundle: true,
    write: false,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    minify: true,
    tsconfig: join(root, 'tsconfig.plain.json'),
    alias: { '#core': join(root, 'core'), '#shared': join(root, 'shared') },
  })
  // In base64: a build that replaces names in its modules must not replace them in a text.
  return `export default Buffer.from('${Buffer.from(outputFiles[0].contents).toString('base64')}', 'base64').toString('utf8')`
}

/** For the build of the server (rollup) and for the tests (vite). */
export const readerSource = () => ({
  name: 'import-reader',
  resolveId: name => (name === NAME ? `\0${NAME}` : null),
  load: id => (id === `\0${NAME}` ? readerModule() : null),
})

/** For esbuild. */
export const readerSourceForEsbuild = () => ({
  name: 'import-reader',
  setup(bundler) {
    bundler.onResolve({ filter: /^virtual:import-reader$/ }, () => ({ path: NAME, namespace: 'import-reader' }))
    bundler.onLoad({ filter: /.*/, namespace: 'import-reader' }, async () => ({ contents: await readerModule(), loader: 'js' }))
  },
})
