import { defineConfig } from 'vitest/config'
import base from './vitest.config'

// The tests of core alone: those with a database or a browser say little of it and take long.
export default defineConfig({
  ...base,
  test: {
    ...base.test,
    // Its runner works in threads, which take no options of the engine.
    execArgv: [],
    // What a test covers is told by what it loads.
    isolate: true,
    // No database, none prepared.
    globalSetup: [],
    include:
      process.env.MUTANTS_BY === 'records'
        ? ['tests/record/*.test.ts']
        : ['core/**/*.test.ts', 'tests/reference/{common-practice,engines,plastic-strip,statistics,temperature}.test.ts'],
  },
})
