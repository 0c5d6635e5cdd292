// The worker that does what takes long (server/desk/worker.ts), bundled into one file: beside the built server, and in the source tree
// where builds are kept, for tests and for development.
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

const root = fileURLToPath(new URL('..', import.meta.url))
export const KEPT = join(root, 'node_modules/.cache/finitum/desk.mjs')

/** Packages with files of their own beside them: found where the file lies. */
export const APART = ['@electric-sql/pglite', 'pdfmake']

export const bundleDesk = (outfile = KEPT) =>
  build({
    entryPoints: [join(root, 'server/desk/worker.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    minify: true,
    keepNames: true,
    external: APART,
    banner: { js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);" },
    tsconfig: join(root, 'tsconfig.plain.json'),
    alias: { '#core': join(root, 'core'), '#shared': join(root, 'shared') },
    logLevel: 'error',
  })
