import type { Page } from '@playwright/test'
import { fill, kindOfCheck, newJob, next, pick, tabToField, tickAll } from './by-keyboard'
import { emptyForThisFile, expect, sign, tabTo, test, type } from './workshop'

// A unit that comes back twice, from an empty data folder, by keyboard: what its figure does in between, and its tag. The figures are made up.
emptyForThisFile()

/** Measured thrice, and signed. */
async function serve(page: Page, reads: string): Promise<void> {
  await tickAll(page)
  await next(page)
  await page.keyboard.press('r')
  for (let i = 0; i < 3; i++) await type(page, reads, '')
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
  await tickAll(page)
  await next(page)
  await next(page)
  await tickAll(page)
  await expect(page.getByTestId('verdict').getByText('In', { exact: true })).toBeVisible()
  await sign(page)
}

/** On the page of its job. */
async function about(page: Page, job: string, cameIn: string, meter: string): Promise<void> {
  await page.goto(job)
  await expect(page.getByTestId('job-facts')).toBeVisible()
  await tabToField(page, 'Came in')
  await page.keyboard.type(cameIn)
  await page.keyboard.press('Tab')
  await expect(page.getByTestId('job-facts')).toContainText('Saved')
  await fill(page, /^Meter/, meter)
  await expect(page.getByTestId('job-facts').getByRole('status').first()).toHaveText('Saved')
}

async function again(page: Page, job: string, title: string): Promise<string> {
  await page.goto(job)
  await expect(page.getByTestId('again')).toBeVisible()
  await tabTo(page, active => active.text === 'Do this job again')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('What is to be done')).toBeFocused()
  await type(page, title)
  await expect(page.getByText(title)).toBeVisible()
  const address = page.url()
  await page.keyboard.press('c')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  return address
}

test('three services of one unit: a meter misread is asked about, the drift agrees with the sum on paper; the tag opens the job @long', async ({
  page,
  shop,
}) => {
  const first = await newJob(page, shop.address, 'Ferry ramp', 'Service one')
  await kindOfCheck(page, 'Shaft end play')
  await fill(page, 'Name', 'Drum float')
  // The manual is metric, the dial is not.
  await fill(page, /^Book limit, lower/, '0.05 mm')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '0.15 mm')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await serve(page, '3')
  await about(page, first, '01012024', '100')

  await page.goto(`${shop.address}/units`)
  await page.getByRole('link', { name: /Ferry ramp/ }).press('Enter')
  await expect(page.getByTestId('unit-jobs')).toContainText('Service one')
  const unit = page.url()
  await pick(page, 'Counts', 'hours')
  await tabTo(page, active => active.text === 'Trends')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('drift')).toContainText('Three services are needed')

  const second = await again(page, first, 'Service two')
  await serve(page, '3.6')
  await about(page, second, '06012024', '90')
  await expect(page.getByTestId('meter-doubt')).toHaveText('It stood at 100 on 2024-01-01 already. Misread, or another meter?')
  await fill(page, 'Meter, hours', '200')
  await expect(page.getByTestId('meter-doubt')).toHaveCount(0)

  const third = await again(page, second, 'Service three')
  await expect(page.getByTestId('last-time')).toContainText(/went out with 3\.6/)
  await serve(page, '4')
  await about(page, third, '01012025', '400')

  // On paper: 0.6 in 100 hours and 0.4 in 200, 0.33 per 100; both stray by 0.267, t(0.975, 1) = 12.7, so ± 2.40.
  await page.goto(unit)
  await expect(page.getByTestId('unit-jobs')).toContainText('Service three')
  await tabTo(page, active => active.text === 'Trends')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('drift')).toContainText(
    'It rose each time, too few services to tell a drift. +0.33 ± 2.40 thou per 100 hours',
  )
  await expect(page.getByTestId('trend-table').locator('tbody tr')).toHaveCount(3)
  await expect(page.getByTestId('trend-table').locator('tbody tr').first()).toContainText('1.97 – 5.91 thou')

  await page.goto(third)
  await expect(page.getByTestId('job-facts')).toBeVisible()
  await tabTo(page, active => active.text === 'Tag')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('labels')).toContainText('Service three')
  const code = (await page.getByTestId('labels').locator('.figure').innerText()).trim()
  await page.goto(`${shop.address}/gauges`)
  await expect(page.getByRole('heading', { name: 'Gauges', exact: true })).toBeVisible()
  await page.keyboard.type(code)
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(third)
})
