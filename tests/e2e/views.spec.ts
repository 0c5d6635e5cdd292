import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import { demoForThisFile, expect, test } from './workshop'

demoForThisFile()

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
const views = [
  '/',
  '/jobs/launch-box',
  '/stock',
  '/gauges',
  '/checks/le-mains',
  '/checks/le-thrust',
  '/checks/le-rods',
  '/checks/pb-mains',
  '/checks/mr-bigends',
  '/checks/launch-input',
  '/checks/loader-transfer',
  '/checks/bus-main',
  '/checks/launch-output',
  '/jobs/moto-wheel',
  '/checks/moto-hub',
  '/checks/bus-hub-spacer',
  '/checks/bus-release',
  '/checks/pump-housing',
  '/reports/launch-engine',
  '/reports/launch-engine?length=full',
  '/units',
  '/limits',
  '/records',
  '/backup',
  '/history/launch-engine',
  '/orders',
  '/labels?of=job:launch-box',
]

/** Pages of a unit, whose id is made where it is imported. */
async function ofUnit(address: string): Promise<string[]> {
  const units = (await (await fetch(`${address}/api/units`)).json()) as { id: string; name: string }[]
  const { id } = units.find(({ name }) => name === 'Mail launch')!
  return [`/units/${id}`, `/trends/${id}`]
}

/** What unfolds only when it is asked for. */
async function unfold(page: Page, address: string, look: (name: string) => Promise<void>): Promise<void> {
  await page.goto(`${address}/checks/mr-bigends`)
  await page
    .getByRole('button', { name: /Choose/ })
    .first()
    .click()
  await expect(page.getByTestId('hone-curve')).toBeVisible()
  await look('sets and honing')
  await page.goto(`${address}/checks/bus-hub-spacer`)
  await page.getByRole('button', { name: /Prove/ }).first().click()
  await expect(page.getByTestId('matched-set')).toBeVisible()
  await look('a matched set, void')
  await page.getByRole('heading', { name: 'Matched set' }).click()
  await page.keyboard.press('c')
  await expect(page.getByTestId('closing-card')).toBeVisible()
  await look('the card before closing')
  await page.goto(`${address}/stock`)
  await page.getByRole('button', { name: 'Whole kit' }).click()
  await page.getByLabel(/^Sizes, one a line/).fill('32 stepped\nred 4 x 2\nred 5')
  await look('a kit')
  await page.goto(`${address}/checks/le-mains`)
  await page.getByRole('button', { name: 'Work it out' }).click()
  await page.getByRole('button', { name: 'Mix grades, halves too' }).click()
  await look('all bearings')
  await page.goto(`${address}/checks/gr-shaft`)
  await page.getByRole('button', { name: 'what could be made for this place' }).click()
  await page.getByRole('button', { name: /what to order/ }).click()
  await expect(page.getByTestId('order-plan').getByText(/chance of|to order/)).toBeVisible()
  await look('made or ordered')
}

for (const theme of ['light', 'dark']) {
  test(`no view has an accessibility fault, ${theme}`, async ({ browser, shop }) => {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, bypassCSP: true })
    await context.addInitScript(value => localStorage.setItem('finitum.theme', value), theme)
    const page = await context.newPage()
    const check = async (name: string) => {
      await page.evaluate(axe)
      const faults = await page.evaluate(async () => {
        const result = await (
          globalThis as unknown as { axe: { run: () => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> } }
        ).axe.run()
        return result.violations.map(v => `${v.id}: ${v.nodes.map(n => n.html.slice(0, 120)).join(' | ')}`)
      })
      expect(faults, name).toEqual([])
    }
    for (const view of [...views, ...(await ofUnit(shop.address))]) {
      await page.goto(shop.address + view)
      await page.waitForLoadState('networkidle')
      await check(view)
    }
    await unfold(page, shop.address, check)
    await page.goto(`${shop.address}/checks/launch-input`)
    await page.getByRole('button', { name: /Set up/ }).click()
    await expect(page.getByRole('group', { name: 'Book limits' })).toBeVisible()
    await check('set-up')
    await page.getByRole('button', { name: /Choose/ }).click()
    await page.keyboard.press('f')
    await expect(page.getByRole('heading', { name: 'Change the pack' })).toBeVisible()
    await check('fit dialog')
    await page.goto(`${shop.address}/stock`)
    await page.getByRole('button', { name: 'Open 6 thou, Cover shims' }).click()
    await check('a size')
    await context.close()
  })
}

test('nothing scrolls sideways on a phone', async ({ browser, shop }) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } })
  for (const view of views) {
    await page.goto(shop.address + view)
    await page.waitForLoadState('networkidle')
    const [inner, outer] = await page.evaluate(() => [document.documentElement.scrollWidth, document.documentElement.clientWidth])
    expect(inner, view).toBeLessThanOrEqual(outer!)
  }
  await unfold(page, shop.address, async name =>
    expect(await page.evaluate(() => document.documentElement.scrollWidth), name).toBeLessThanOrEqual(390),
  )
  await page.goto(`${shop.address}/checks/launch-input`)
  await page.getByRole('button', { name: /Set up/ }).click()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await page.close()
})

test('nothing is fetched from elsewhere, and nothing is logged as an error', async ({ page, shop }) => {
  const outside: string[] = []
  const errors: string[] = []
  page.on('request', request => {
    if (!request.url().startsWith(shop.address) && !/^(data|blob):/.test(request.url())) outside.push(request.url())
  })
  page.on('console', message => {
    if (message.type() === 'error') errors.push(message.text())
  })
  page.on('pageerror', error => errors.push(error.message))
  for (const view of views) {
    await page.goto(shop.address + view)
    await page.waitForLoadState('networkidle')
  }
  expect(outside).toEqual([])
  expect(errors).toEqual([])
})

test('every key is listed under ?', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/launch-input`)
  await expect(page.getByTestId('proposals').getByRole('listitem')).toHaveCount(5)
  await page.keyboard.press('?')
  for (const words of ['pick a pack', 'fit this', 'next phase', 'explain', 'show mm'])
    await expect(page.getByRole('dialog')).toContainText(words)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
})

test('stock: take in, measure and correct, each kept, with its fault at the field', async ({ page, shop }) => {
  await page.goto(`${shop.address}/stock`)
  await page.getByRole('button', { name: 'Open 8 thou, Cover shims' }).click()
  const panel = page.getByTestId('lot-panel')
  await page.getByRole('heading', { name: 'Stock' }).click()
  await page.keyboard.press('t')
  await page.keyboard.type('-2')
  await page.keyboard.press('Enter')
  await expect(panel).toContainText('Taking in adds pieces')
  await panel.getByLabel('Take in, pieces').fill('2')
  await page.keyboard.press('Enter')
  await expect(panel).toContainText('6 on hand')
  await panel.getByLabel('Measure a piece').fill('8.1')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('lot-sizes')).toContainText('8.1; any one within about ± 0.4 thou')
  await panel.getByLabel('Correct the count').fill('5')
  await page.keyboard.press('Enter')
  await expect(panel).toContainText('Say why the count is corrected.')
  await panel.getByLabel('Reason').fill('one bent')
  await page.keyboard.press('Enter')
  await expect(panel).toContainText('5 on hand')
  await page.reload()
  await expect(page.getByRole('row', { name: /8 thou 8\.1 5/ })).toBeVisible()
})
