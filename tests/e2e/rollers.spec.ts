import type { Page } from '@playwright/test'
import { demoForThisFile, expect, tabTo, test } from './workshop'

demoForThisFile()

const type = async (page: Page, ...figures: string[]) => {
  for (const figure of figures) {
    await page.keyboard.type(figure)
    await page.keyboard.press('Enter')
  }
}
const tick = async (page: Page, ...steps: string[]) => {
  for (const step of steps) {
    await page.getByRole('checkbox', { name: step }).focus()
    await page.keyboard.press('Space')
    await expect(page.getByRole('checkbox', { name: step })).toBeChecked()
  }
}
const phase = (page: Page, name: RegExp) => page.getByRole('button', { name }).first().click()
/** To a point of the grid, by keyboard; the field is then ready. */
async function point(page: Page, name: string): Promise<void> {
  await page.getByTestId('points').getByRole('button', { name }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Figure read')).toBeFocused()
}

test('honed to size: a warm bore reckoned cold, the finished bores proved and signed', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/mr-bigends`)
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await phase(page, /Choose/)
  await expect(page.getByTestId('sort-words')).toContainText('36 rollers make 2 sets of 12 within the spread, each from one bag.')
  await expect(page.getByTestId('targets')).toContainText('1.55653')
  await expect(page.getByTestId('rollers')).toContainText('Clearance wanted: 0.90 thou, middle of the limits.')
  // Another aim, another bore: half a tenth looser.
  await phase(page, /Set up/)
  await page.getByLabel('Aim at').selectOption('own')
  await page.getByLabel('Own figure').fill('0.95')
  await page.keyboard.press('Tab')
  await expect(page.getByTestId('saved')).toHaveText('Saved')
  await phase(page, /Choose/)
  await expect(page.getByTestId('targets')).toContainText('1.55658')
  await expect(page.getByTestId('targets').getByRole('row').nth(1)).toContainText('0.90 – 1.00')
  await phase(page, /Set up/)
  await page.getByLabel('Aim at').selectOption('middle')
  await page.keyboard.press('Tab')
  await phase(page, /Choose/)
  await expect(page.getByTestId('targets')).toContainText('1.55653')
  const plan = page.getByTestId('hone-plan').first()
  await expect(plan).toContainText('left cold at the rear: fine stone')
  await point(page, 'Hone, rod 1, rear')
  await page.keyboard.type('-0.6')
  await tabTo(page, active => active.name.startsWith('Temperature of the part'))
  await type(page, 'hot')
  await expect(page.getByRole('alert')).toContainText('is not a temperature')
  await page.keyboard.press('Control+a')
  await type(page, '18')
  await expect(page.getByLabel('Figure read')).toHaveValue('')
  await expect(plan).toContainText('Too large by 0.08 thou already at one end: stop.')
  // Read wrong: struck out, and taken again.
  await page.getByRole('button', { name: 'Void reading 6' }).click()
  await page.getByLabel(/^Why/).fill('finger on the anvil')
  await page.keyboard.press('Enter')
  await expect(page.getByText('void: finger on the anvil')).toBeVisible()
  await expect(plan).toContainText('left cold at the rear: fine stone')
  await point(page, 'Finished bore, rod 1, A front')
  await type(page, '-0.55', '-0.55', '-0.5', '-0.5', '-0.75', '-0.7', '-0.75', '-0.75')
  await expect(page.getByRole('button', { name: /Finished bore, rod 2, B rear: −0\.75/ })).toBeVisible()
  await phase(page, /Prove/)
  await expect(page.getByTestId('results')).toContainText('0.9')
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
  await tick(page, 'Finished bore read cold', 'Assembled with its own set')
  await expect(page.getByTestId('verdict')).toContainText('In')
  await page.keyboard.press('Escape')
  await tabTo(page, active => active.id === 'sign-name')
  await page.keyboard.press('Control+a')
  await type(page, 'T. Marl')
  await expect(page.getByTestId('answer')).toContainText('Signed off by T. Marl')
})

test('a new check: no roller, too few for two rods, then sets from one bag each, taken by keyboard', async ({ page, shop }) => {
  await page.goto(`${shop.address}/jobs/moto-engine`)
  await page.getByRole('button', { name: 'New check' }).click()
  await page.getByLabel('Kind of check').selectOption('roller-big-end')
  await page.getByLabel('Name', { exact: true }).fill('Spare rods')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Spare rods' })).toBeAttached()
  await phase(page, /Set up/)
  const set = async (label: string, value: string) => {
    await page.getByLabel(label, { exact: true }).fill(value)
    await page.keyboard.press('Tab')
    await expect(page.getByTestId('saved')).toHaveText('Saved')
  }
  await set('Rods', '2')
  await set('Rollers in a set', '3')
  await set('Bags of rollers', '2')
  await page.getByLabel('Gauges and master are at').fill('-300')
  await page.keyboard.press('Tab')
  await expect(page.getByText('Nothing is that cold')).toBeVisible()
  await phase(page, /Choose/)
  await expect(page.getByTestId('sort-words')).toContainText('No roller is measured yet')
  await phase(page, /Measure/)
  await point(page, 'Rollers, bag A')
  // Two units in one row: what is said beats the unit of the field.
  await type(page, '0.1875', '4.7625 mm', '.18752')
  await expect(page.getByTestId('series').getByRole('row')).toHaveCount(4)
  await expect(page.getByTestId('series')).toContainText('0.1875')
  await phase(page, /Choose/)
  await expect(page.getByTestId('sort-words')).toContainText('3 rollers make only 1 set of 3 within the spread; 2 rods need 2. 6 rollers are the least for 2 rods.')
  await expect(page.getByRole('button', { name: 'Take for rod 2' })).toHaveCount(0)
  await point(page, 'Rollers, bag B')
  await type(page, '0.1876', '0.1876', '0.18765')
  await expect(page.getByTestId('sort-words')).toContainText('6 rollers make 2 sets of 3 within the spread, each from one bag.')
  await page.getByRole('button', { name: 'Take for rod 1' }).press('Enter')
  await page.getByRole('button', { name: 'Take for rod 2' }).press('Enter')
  await expect(page.getByTestId('set-row').nth(1)).toContainText('taken')
  await expect(page.getByTestId('roller-strip')).toHaveAttribute('aria-label', 'Rollers sorted by size: bag A, 3 rollers; bag B, 3 rollers')
  await page.reload()
  await phase(page, /Choose/)
  await expect(page.getByTestId('set-row').nth(0)).toContainText('taken')
})
