import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page, Request } from '@playwright/test'
import { demoForThisFile, expect, test } from './workshop'

demoForThisFile()

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
/** A bench of each make in every run; those that are like another, and the short report, in the long one. */
const ALIKE = [
  '/checks/le-thrust',
  '/checks/le-rods',
  '/checks/pb-mains',
  '/checks/loader-transfer',
  '/checks/bus-main',
  '/checks/launch-output',
  '/checks/moto-hub',
  '/checks/bus-release',
  '/jobs/moto-wheel',
  '/reports/launch-engine',
]
const views = [
  ...(process.env.LONG === 'yes' ? ALIKE : []),
  '/',
  '/jobs/launch-box',
  '/jobs/launch-box/check',
  '/jobs/launch-box/check?kind=shaft-end-play',
  '/stock',
  '/gauges',
  '/checks/le-mains',
  '/checks/mr-bigends',
  '/checks/launch-input',
  '/checks/bus-hub-spacer',
  '/checks/pump-housing',
  '/reports/launch-engine?length=full',
  '/units',
  '/limits',
  '/records',
  '/backup',
  '/history/launch-engine',
  '/orders',
  '/labels?of=job:launch-box',
]

/** What has every colour there is between them. */
const IN_THE_DARK = ['/', '/checks/launch-input', '/checks/bus-hub-spacer', '/stock', '/records', 'fit dialog']

/** Pages of a unit, whose id is made where it is imported. */
async function ofUnit(address: string): Promise<string[]> {
  const { items: units } = (await (await fetch(`${address}/api/units`)).json()) as { items: { id: string; name: string }[] }
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

interface Axe {
  run: (options: object) => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }>
}
const faultsIn = (page: Page, only: string[] | null): Promise<string[]> =>
  page.evaluate(async rules => {
    const { violations } = await (globalThis as unknown as { axe: Axe }).axe.run({
      ...(rules ? { runOnly: rules } : {}),
      // What passes need not be told.
      resultTypes: ['violations'],
      selectors: false,
    })
    return violations.map(v => `${v.id}: ${v.nodes.map(n => n.html.slice(0, 120)).join(' | ')}`)
  }, only)

/** What is on the screen is all there when nothing is asked of the server any more. */
async function settled(page: Page, underWay: ReadonlySet<Request>): Promise<void> {
  await expect(page.locator('main :is(h1, h2)').first()).toBeVisible()
  await expect.poll(() => underWay.size, { intervals: [25] }).toBe(0)
  await page.evaluate(() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done))))
}

/** Each view is gone to once: looked at in both themes and at the width of a phone, while all that goes wrong is heard. */
async function walk(
  page: Page,
  address: string,
  visit: (look: (name: string) => Promise<void>, to: (path: string) => Promise<void>) => Promise<void>,
) {
  const wrong: string[] = []
  // Sent once, there on every page.
  await page.addInitScript({ content: axe })
  const underWay = new Set<Request>()
  page.on('request', request => {
    underWay.add(request)
    if (!request.url().startsWith(address) && !/^(data|blob):/.test(request.url())) wrong.push(`fetched from ${request.url()}`)
  })
  const over = (request: Request) => void underWay.delete(request)
  page.on('requestfinished', over)
  page.on('requestfailed', over)
  page.on('console', message => void (message.type() === 'error' && wrong.push(message.text())))
  page.on('pageerror', error => wrong.push(error.message))
  const look = async (name: string) => {
    expect(await faultsIn(page, null), `${name}, light`).toEqual([])
    // The theme changes colours and nothing else, and its colours have names of their own: every view of it in the long run.
    if (process.env.LONG === 'yes' || IN_THE_DARK.includes(name)) {
      await page.evaluate(() => (document.documentElement.dataset.theme = 'dark'))
      expect(await faultsIn(page, ['color-contrast']), `${name}, dark`).toEqual([])
      await page.evaluate(() => (document.documentElement.dataset.theme = 'light'))
    }
    await page.setViewportSize({ width: 390, height: 844 })
    // Drawings follow the width a moment later.
    await expect
      .poll(() => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth), {
        message: `${name}, sideways on a phone`,
        intervals: [25, 100],
        timeout: 5_000,
      })
      .toBeLessThanOrEqual(0)
    await page.setViewportSize({ width: 1280, height: 800 })
  }
  await visit(look, async path => {
    await page.goto(address + path)
    await settled(page, underWay)
  })
  expect(wrong).toEqual([])
}

test.describe('accessible in both themes, not too wide for a phone, nothing from elsewhere, no error', () => {
  // Two workers share the walk.
  test.describe.configure({ mode: 'parallel' })
  const half = Math.ceil(views.length / 2)
  for (const [part, some] of [views.slice(0, half), views.slice(half)].entries())
    test(`every view, part ${part + 1}`, async ({ page, shop }) => {
      await walk(page, shop.address, async (look, to) => {
        for (const view of [...some, ...(part === 0 ? await ofUnit(shop.address) : [])]) {
          await to(view)
          await look(view)
        }
      })
    })
  test('what unfolds', async ({ page, shop }) => {
    await walk(page, shop.address, async (look, to) => {
      await unfold(page, shop.address, look)
      await to('/checks/launch-input')
      await page.getByRole('button', { name: /Set up/ }).click()
      await expect(page.getByRole('group', { name: 'Book limits' })).toBeVisible()
      await look('set-up')
      await page.getByRole('button', { name: /Choose/ }).click()
      await page.keyboard.press('f')
      await expect(page.getByRole('heading', { name: 'Change the pack' })).toBeVisible()
      await look('fit dialog')
      await to('/stock')
      await page.getByRole('button', { name: 'Open 6 thou, Cover shims' }).click()
      await look('a size')
      await to('/jobs/moto-engine')
      await page.keyboard.press('w')
      await page
        .getByLabel(/^What was read, what is allowed/)
        .pressSequentially('universal joint 4, up to 2, pack 57 57, from 58 58', { delay: 60 })
      await look('a job in one line')
      await page.keyboard.press('Enter')
      await expect(page.getByLabel('Read with')).toBeVisible()
      await look('a line to be kept')
    })
  })
})

test('the theme that was picked is there after a reload', async ({ page, shop }) => {
  await page.goto(shop.address)
  await page.getByRole('button', { name: 'Dark', exact: true }).click()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Light', exact: true })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.dataset.theme)).toBe('dark')
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
