import type { Page } from '@playwright/test'
import { thou } from '#core/quantity/length'
import type { CheckView, JobView, RegisteredGauge } from '#shared/types'
import { emptyForThisFile, expect, test } from './workshop'
import { put, tabToField } from './by-keyboard'
import { keys } from './key-count'

// A job typed in one line: answered at once, nothing stored, nothing asked before the answer.
emptyForThisFile()

const field = (page: Page) => page.getByLabel(/^What was read, what is allowed/)
const answer = (page: Page) => page.getByTestId('line-answer')
async function anew(page: Page, line: string): Promise<void> {
  await field(page).press('Control+a')
  await page.keyboard.press('Backspace')
  await keys(page, line)
}

test('an empty workshop begins with a line: Enter answers the example, before a job is asked for', async ({ page, shop }) => {
  await page.goto(shop.address)
  await expect(field(page)).toBeVisible()
  await keys(page, 'Enter')
  await expect(field(page)).toHaveValue('quill 31, 2-4, pack 2 2 2 5 5 5 10 10')
  await expect(answer(page)).toHaveText(/^Take out 10 \+ 5 \+ 5 \+ 5 \+ 2 \+ 2: leaves 2\.0 ± 2\.5 thou, \d\d % sure to be in limits\.$/)
  await expect(page.getByTestId('line-sum')).toHaveText('31.0 − (10 + 5 + 5 + 5 + 2 + 2) = 2.0 thou')
  await expect(page.getByTestId('line-kind')).toHaveText('Shaft end play · Under a cover, quill or retainer: thicker gives more play')
  await expect(page.getByTestId('line-stands-in')).toContainText('one reading; Dial indicator, 1 thou')
  // In a gap the same pieces move it the other way: with eight of them in, and it loose, there is nothing to put in.
  await keys(page, 'ArrowDown')
  await expect(field(page)).toHaveValue(/^in gap 31/)
  await expect(page.getByTestId('line-kind')).toContainText('thicker gives less play')
  await expect(answer(page)).not.toContainText('Take out')
  // In millimetres the same figures are others.
  await anew(page, 'in the gap 0.12, 0.02-0.04, pack 0.3, from 0.38 0.39 0.4')
  await keys(page, 'ArrowUp')
  await expect(page.getByTestId('line-unit')).toHaveText('mm')
  await expect(answer(page)).toContainText('Take out 0.3, put in 0.39: leaves 0.030')
  expect(await (await fetch(`${shop.address}/api/jobs`)).json()).toMatchObject({ found: 0 })
})

test('by W from anywhere: which way the pack moves it is asked before a piece is named; a comma is asked', async ({ page, shop }) => {
  await page.goto(`${shop.address}/gauges`)
  await expect(page.getByRole('heading', { name: 'Gauges', exact: true })).toBeVisible()
  await keys(page, 'w')
  await expect(field(page)).toBeFocused()
  await keys(page, 'end play 12, 2-4, pack 5 5')
  await expect(answer(page)).toHaveText('12.0 ± 1.2 thou: loose, 2 – 4 thou.')
  await expect(page.getByText('Which way does the pack move it?')).toBeVisible()
  await page.getByRole('button', { name: /^Under a cover, quill or retainer/ }).press('Enter')
  await expect(field(page)).toBeFocused()
  await expect(answer(page)).toContainText('Take out 5 + 5: leaves 2.0')
  await anew(page, 'quill 31,5, 2-4, pack 20')
  await page.getByRole('button', { name: '31.5 thou' }).press('Enter')
  await expect(field(page)).toHaveValue('quill 31.5, 2-4, pack 20')
  await expect(answer(page)).toContainText('Nearest for a trial: take out 20, leaves 11.5')
  // What hurts is guarded, and says so; what was not read is named.
  await anew(page, 'universal joint 4, up to 2, pack 57 57, from 58 58 59 59')
  await expect(answer(page)).toContainText('Take out 57 + 57, put in')
  await expect(page.getByText('A shaft that comes apart can kill.')).toBeVisible()
  await expect(page.getByText('Not read or said: plane 2, pushed and pulled.')).toBeVisible()
  await anew(page, 'banana 3')
  await expect(page.getByText('“banana” says nothing here.')).toBeVisible()
  await expect(answer(page)).toHaveCount(0)
  // No word says which: it is one key to say it.
  await anew(page, '31, 2-4')
  await page.getByTestId('line-others').getByRole('button', { name: 'Shaft end play', exact: true }).press('Enter')
  await expect(field(page)).toHaveValue('end play 31, 2-4')
  await expect(answer(page)).toContainText('loose')
  await keys(page, 'Escape')
  await expect(field(page)).toHaveCount(0)
})

test('a line is kept: asked is the unit and what is to be done; figures, limits and pack are in place, ticks to do', async ({
  page,
  shop,
}) => {
  await page.goto(shop.address)
  await expect(field(page)).toBeVisible()
  await keys(page, 'w')
  await expect(field(page)).toBeFocused()
  await keys(page, 'quill 31 31 32, 2-4, pack 2 2 2 5 5 5 10 10')
  await expect(answer(page)).toContainText('Take out')
  await keys(page, 'Enter')
  await expect(page.getByLabel('Unit', { exact: true })).toBeFocused()
  // Nothing said: each at its field, and the line stays.
  await keys(page, 'Enter')
  await expect(page.getByText('Which unit is it? The mail launch, the bus …')).toBeVisible()
  await keys(page, 'Escape')
  await expect(field(page)).toBeFocused()
  await expect(field(page)).toHaveValue(/^quill 31 31 32/)
  await keys(page, 'Enter')
  await expect(page.getByLabel('Unit', { exact: true })).toBeFocused()
  await keys(page, 'Mail launch', 'Tab', 'Reduction box', 'Enter')
  await expect(page).toHaveURL(/\/checks\//)
  await expect(page.getByRole('banner')).toContainText('Mail launch › Reduction box › Shaft end play')
  // On paper: (31 + 31 + 32) / 3 = 31.33; 31.33 − 29 = 2.33.
  await expect(page.getByTestId('figure')).toHaveText('31.3')
  await expect(page.getByTestId('answer')).toContainText('Take out 10 + 5 + 5 + 5 + 2 + 2: leaves 2.3')
  await expect(page.getByTestId('limit-band')).toContainText('Book 2 – 4')
  await page
    .getByRole('button', { name: /Set up/ })
    .first()
    .press('Enter')
  const values = () => page.locator('input').evaluateAll(all => all.map(input => (input as HTMLInputElement).value))
  await expect.poll(values).toContain('as typed in one line')
})

test('kept beside others: the job one comes from; sent again it is there once', async ({ page, shop }) => {
  await put(shop.address, 'POST /api/jobs', { op: 'job-of-line', id: 'bus-brakes', unit: 'Island bus', title: 'Front brakes' })
  await page.goto(`${shop.address}/jobs/bus-brakes`)
  await expect(page.getByRole('heading', { name: 'Island bus' })).toBeVisible()
  await keys(page, 'w')
  await expect(field(page)).toBeFocused()
  // Which figure the limit is for has to be said before it can be kept.
  await keys(page, 'disc 0 4 7 3, up to 10', 'Enter')
  await expect(page.getByTestId('line').locator('button:focus')).toHaveCount(1)
  await page.getByRole('button', { name: /^raw/ }).press('Enter')
  await expect(answer(page)).toContainText('7.0')
  await keys(page, 'Enter')
  await expect(page.getByLabel('Job', { exact: true })).toBeFocused()
  await expect(page.getByLabel('Job', { exact: true })).toHaveValue('bus-brakes')
  await expect(page.getByLabel('Unit', { exact: true })).toHaveCount(0)
  await page.route('**/api/lines', route => route.abort(), { times: 1 })
  await keys(page, 'Enter')
  await expect(page.getByTestId('line-keep').getByText(/server|reach/i)).toBeVisible()
  await keys(page, 'Enter')
  await expect(page).toHaveURL(/\/checks\//)
  // Back at the first mark was not said: it is left to read.
  await expect(page.getByTestId('verdict')).toContainText('To do')
  const { checks } = (await (await fetch(`${shop.address}/api/jobs/bus-brakes`)).json()) as JobView
  expect(checks.map(({ title }) => title)).toEqual(['Runout and centring'])
})

test('pieces by a family of the drawer and by what they go by there; a gauge the register lacks is entered on the way', async ({
  page,
  shop,
}) => {
  const sizes = [
    ['s', 32, '', 'stepped'],
    ['r', 32, 'red', 'flat'],
    ['g', 8, 'green', 'flat'],
    ['b', 2, 'blue', 'flat'],
  ] as const
  for (const [id, size, colour, shape] of sizes)
    await put(shop.address, 'POST /api/stock/lots', {
      op: `lot-${id}`,
      id,
      family: 'Hub spacers',
      nominal: thou(size),
      colour,
      shape,
      count: 2,
    })
  // A shop that was set up without dials.
  await page.route('**/api/gauges*', async route => {
    if (route.request().method() !== 'GET') return route.fallback()
    const response = await route.fetch()
    const { items, ...more } = (await response.json()) as { items: RegisteredGauge[] }
    await route.fulfill({
      response,
      json: { ...more, items: items.filter(({ kind, name }) => kind !== 'dial-indicator' || name === 'Bench dial') },
    })
  })
  await page.goto(shop.address)
  await expect(page.getByRole('heading', { name: 'On the bench', exact: true })).toBeVisible()
  await keys(page, 'w')
  await expect(field(page)).toBeFocused()
  // 27 − 64 + 40 = 3: for the red 32 an 8, the stepped one stays (common practice).
  await keys(page, 'taper hub 27, 2-6, pack red, 32 stepped, from green, blue')
  await expect(answer(page)).toContainText('Take out 32 (red), put in 8 (green): leaves 3.0')
  await expect(page.getByTestId('line-sum')).toHaveText('27.0 − 32 + 8 = 3.0 thou')
  await anew(page, 'taper hub 27, 2-6, pack red, 32 stepped, from hub sp')
  await expect(answer(page)).toContainText('Take out 32 (red), put in 8 (green): leaves 3.0')
  await keys(page, 'Enter')
  await expect(page.getByText('Dial indicator: the register has none.')).toBeVisible()
  await tabToField(page, 'Unit')
  await keys(page, 'Post motorcycle', 'Tab', 'Rear wheel', 'Enter')
  await expect(page.getByLabel('New dial indicator: its name')).toBeFocused()
  await keys(page, 'Bench dial', 'Tab', '0.5', 'Enter')
  await expect(page.getByLabel('Read with')).toHaveValue(/./)
  await keys(page, 'Enter')
  await expect(page).toHaveURL(/\/checks\//)
  await expect(page.getByTestId('answer')).toContainText('Inspect first')
  const { document, lots } = (await (await fetch(`${shop.address}/api${new URL(page.url()).pathname}`)).json()) as CheckView
  const named = Object.values(document.trials[0]!.packs)[0]!.map(({ lotId }) => lots.find(({ id }) => id === lotId)!)
  expect(named.map(({ id }) => id)).toEqual(['r', 's'])
  expect(Object.values(document.gauges).map(({ name }) => name)).toContain('Bench dial')
})
