import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { pick } from './by-keyboard'
import { demoForThisFile, expect, tabTo, test } from './workshop'

demoForThisFile()

test('two years of services: how a figure drifts, with what was replaced; as table and drawing; beside its like', async ({
  page,
  shop,
}) => {
  await page.goto(`${shop.address}/units`)
  await page.getByRole('link', { name: /Mail launch/ }).press('Enter')
  await expect(page.getByTestId('unit-jobs')).toContainText('Service at 4,210 hours')
  await tabTo(page, active => active.text === 'Trends')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('trend-plot')).toBeVisible()
  // On paper: 4.1 → 5.0, 5.0 → 6.2, 5.2 → 6.4, 4.4 → 5.2, 5.2 → 6.2: 5.1 thou in 1,380 hours, 0.37 per 100.
  await pick(page, 'Figure', 'Input shaft end play')
  await expect(page.getByTestId('drift')).toContainText('It drifts: as much order comes by chance 0.28 % (Kendall, 6 figures). +0.37 ±')
  await expect(page.getByTestId('drift')).toContainText('no promise')
  const rows = page.getByTestId('trend-table').locator('tbody tr')
  await expect(rows).toHaveCount(6)
  await expect(rows.nth(3)).toContainText('6.4')
  await expect(rows.nth(3)).toContainText('4.4')
  // Against time the same figures, a rate of another kind.
  await pick(page, 'Against', 'time')
  await expect(page.getByTestId('drift')).toContainText('a year')
  const take = async (button: string) => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: button }).press('Enter')])
    const path = join(shop.folder, file.suggestedFilename())
    await file.saveAs(path)
    return readFileSync(path, 'utf8')
  }
  const csv = (await take('Table as CSV')).trim().split('\n')
  expect(csv).toHaveLength(7)
  expect(csv[4]).toMatch(/^Mail launch,2025-10-06,5030,.*,6\.4,.*,4\.4,/)
  expect(await take('Drawing as SVG')).toContain('<svg')
  // A thrust bearing was replaced: it went out with another figure than it came in with, and the line does not jump for it.
  await pick(page, 'Figure', 'Crankshaft end play')
  await expect(rows.nth(5)).toContainText('new halves, the old ones scored')
  await expect(rows.nth(5)).toContainText('6.9')
  // All units of the type: here there is one.
  await pick(page, 'Of', 'all of the type')
  await expect(page.getByText('all units of the type Harbour launch')).toBeVisible()
  await expect(page.getByTestId('trend-plot')).toBeVisible()
})
