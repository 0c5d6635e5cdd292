import { defineConfig } from 'vitest/config'
import base from './vitest.config'

/** Those that need no solver first; then all that say what is wrong; what was recorded of the demo and of random lives last. */
const TESTS = {
  quick: ['core/**/*.test.ts', 'tests/reference/{choice,series,common-practice,engines,plastic-strip,statistics,temperature}.test.ts'],
  tests: ['tests/reference/*.test.ts', 'core/**/*.test.ts', 'app/**/*.test.ts'],
  records: ['tests/record/*.test.ts'],
} as const

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
    include: [...TESTS[process.env.MUTANTS_BY as keyof typeof TESTS]],
  },
})
