import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { readerSource } from './scripts/reader-source.mjs'

const fromRoot = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  resolve: { alias: { '#core': fromRoot('./core'), '#shared': fromRoot('./shared') } },
  plugins: [readerSource()],
  esbuild: { tsconfigRaw: { compilerOptions: { experimentalDecorators: true } } },
  test: {
    include: [
      'core/**/*.test.ts',
      'shared/**/*.test.ts',
      'server/**/*.test.ts',
      'app/**/*.test.ts',
      'scripts/**/*.test.ts',
      'tests/power-cut/**/*.test.ts',
      'tests/record/**/*.test.ts',
      'tests/reference/**/*.test.ts',
    ],
    setupFiles: ['tests/seed.ts'],
    globalSetup: ['tests/prepared.ts'],
    // Its default leaves a core free.
    maxWorkers: 2,
    // The embedded engine is opened many times: compiled once, and not a second time well.
    execArgv: ['--liftoff-only'],
    // Modules of core keep nothing between tests: a worker loads them once.
    isolate: false,
    testTimeout: 60_000,
    // Opening a database in a hook takes seconds, on a busy machine many.
    hookTimeout: 60_000,
  },
})
