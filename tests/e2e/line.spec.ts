import type { Page } from '@playwright/test'
import type { JobView } from '#shared/types'
import { emptyForThisFile, expect, test } from './workshop'
import { put } from './by-keyboard'
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
