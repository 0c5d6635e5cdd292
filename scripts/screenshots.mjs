// npm run screenshots: one picture of each main view from fresh demo data into docs/screenshots.
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { launchOptions } from './chromium.mjs'
import { checkNode, ensureBuilt, ensureInstalled, root, say } from './prepare.mjs'

checkNode()
ensureInstalled()
ensureBuilt()
const folder = mkdtempSync(join(tmpdir(), 'finitum-pictures-'))
const port = 4600 + Math.floor(Math.random() * 300)
const server = spawn(process.execPath, [join(root, 'scripts/demo.mjs')], {
  env: { ...process.env, PORT: String(port), FINITUM_DATA: folder },
  stdio: ['ignore', 'pipe', 'inherit'],
})
await new Promise((resolve, reject) => {
  server.stdout.on('data', text => {
    if (String(text).includes('is ready')) resolve()
  })
  server.once('exit', code => reject(new Error(`The demo stopped with ${code}`)))
})
const browser = await chromium.launch(launchOptions).catch(error => {
  server.kill('SIGTERM')
  throw error
})
const wanted = process.argv.slice(2)

/** @param {string} name @param {string} path @param {{ theme?: string, width?: number, height?: number, full?: boolean, act?: (page: import('@playwright/test').Page) => Promise<void> }} options */
async function picture(name, path, { theme = 'light', width = 1280, height = 800, full = false, act = async () => {} } = {}) {
  if (wanted.length > 0 && !wanted.includes(name)) return
  // A full page is laid out a little otherwise, by a style that the page’s own policy would not let in.
  const context = await browser.newContext({ viewport: { width, height }, reducedMotion: 'reduce', bypassCSP: full })
  await context.addInitScript(value => localStorage.setItem('finitum.theme', value), theme)
  const page = await context.newPage()
  await page.goto(`http://127.0.0.1:${port}${path}`)
  await page.waitForLoadState('networkidle')
  await act(page)
  // A whole page has its foot at its end.
  if (full) await page.addStyleTag({ content: 'footer { position: static !important }' })
  await page.waitForTimeout(250)
  await page.screenshot({ path: join(process.env.PICTURES ?? join(root, 'docs/screenshots'), `${name}.png`), fullPage: full })
  await context.close()
  say(name)
}

/** @param {import('@playwright/test').Page} page */
async function typeReading(page) {
  await page.getByRole('button', { name: /Measure/ }).click()
  await page.getByLabel('Far reading').fill('11.4')
}

/** @param {import('@playwright/test').Page} page */
async function typeLine(page) {
  await page.keyboard.press('w')
  await page.getByLabel(/^What was read/).fill('in the gap 12, 2-4, pack 30, from 32 35 38 39 40')
  await page.locator('[data-test="line-sum"]').waitFor()
  await page.keyboard.press('Enter')
  await page.getByLabel('Read with').waitFor()
}

/** @param {import('@playwright/test').Page} page */
async function setMicrometer(page) {
  await page.getByRole('button', { name: 'Open Bore gauge B-1, 35–60 mm' }).click()
  await page.getByLabel('Set it to').fill('1.7767')
}

/** @param {import('@playwright/test').Page} page */
async function choose(page) {
  await page
    .getByRole('button', { name: /Choose/ })
    .first()
    .click()
  await page.locator('[data-test="clock"]').waitFor()
}

/** @param {import('@playwright/test').Page} page */
async function find(page) {
  await page.getByLabel(/^Words/).fill('launch marl')
  await page.waitForTimeout(600)
}

/** @param {import('@playwright/test').Page} page */
async function pickInput(page) {
  const option = page.getByLabel('Figure').locator('option', { hasText: 'Input shaft end play' })
  await page.getByLabel('Figure').selectOption(await option.getAttribute('value'))
}

/** @param {string} name of a unit; its id is made where it is imported */
async function trendsOf(name) {
  const { items: units } = await (await fetch(`http://127.0.0.1:${port}/api/units`)).json()
  return `/trends/${units.find(unit => unit.name === name).id}`
}

try {
  await picture('jobs', '/')
  await picture('job', '/jobs/launch-engine', { full: true })
  await picture('which-check', '/jobs/launch-engine/check')
  await picture('bench-choose', '/checks/launch-input')
  await picture('bench-choose-dark', '/checks/launch-input', { theme: 'dark' })
  await picture('bench-set-up', '/checks/launch-input', { full: true, act: page => page.getByRole('button', { name: /Set up/ }).click() })
  await picture('bench-measure', '/checks/launch-idler', { act: typeReading })
  await picture('bench-prove', '/checks/loader-transfer', { full: true })
  await picture('bench-phone', '/checks/launch-input', { width: 390, height: 844, full: true })
  await picture('bearings-measure', '/checks/le-mains', {
    act: page =>
      page
        .getByRole('button', { name: /Measure/ })
        .first()
        .click(),
  })
  await picture('runout', '/checks/pump-housing', { full: true, act: choose })
  await picture('one-line', '/', { act: typeLine })
  await picture('report', '/reports/launch-engine', { full: true, act: page => page.locator('[data-test=report]').waitFor() })
  await picture('limits', '/limits', { act: page => page.getByRole('button', { name: 'Open Input shaft end play', exact: true }).click() })
  await picture('records', '/records', { act: find })
  await picture('trends', await trendsOf('Mail launch'), { full: true, act: pickInput })
  await picture('gauges', '/gauges', { full: true, act: setMicrometer })
  await picture('orders', '/orders', { act: page => page.getByRole('button', { name: 'It came: 12 thou' }).click() })
  await picture('stock', '/stock', { act: page => page.getByRole('button', { name: 'Open 6 thou, Cover shims' }).click() })
} finally {
  await browser.close()
  server.kill('SIGTERM')
  await new Promise(resolve => server.once('exit', resolve))
  rmSync(folder, { recursive: true, force: true })
}
