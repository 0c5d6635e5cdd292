import { defineConfig } from '@playwright/test'
import { launchOptions } from './scripts/chromium.mjs'

/** What takes longest goes first, so that no worker is left with it at the end; what needs no browser runs beside what does. */
const FIRST = ['views', 'start', 'preload', 'record', 'trouble', 'durability', 'fuzz', 'files', 'hub', 'orders']
const filesOf = (names: readonly string[]) => new RegExp(`/(${names.join('|')})\\.spec\\.ts$`)

export default defineConfig({
  projects: [
    { name: 'long', testMatch: filesOf(FIRST) },
    { name: 'short', testMatch: /\.spec\.ts$/, testIgnore: filesOf(FIRST) },
  ],
  testDir: 'tests/e2e',
  tsconfig: './tsconfig.plain.json',
  globalSetup: './tests/e2e/build.ts',
  // What is not news each time runs in `npm run test:long`.
  ...(process.env.LONG === 'yes' ? {} : { grepInvert: /@long/ }),
  // Two servers, two browsers and their workers on two cores: a page can take its time, and a wait ends as soon as it is over.
  timeout: 300_000,
  expect: { timeout: 30_000 },
  workers: 2,
  fullyParallel: false,
  retries: 0,
  reporter: 'list',
  outputDir: 'test-results',
  use: {
    testIdAttribute: 'data-test',
    actionTimeout: 30_000,
    viewport: { width: 1280, height: 800 },
    launchOptions,
  },
})
