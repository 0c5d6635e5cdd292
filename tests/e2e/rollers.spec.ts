import type { Page } from '@playwright/test'
import { kindOfCheck } from './by-keyboard'
import { cell, demoForThisFile, expect, seriesRows, sign, tabTo, test, tick, toCell, type } from './workshop'

demoForThisFile()

const phase = (page: Page, name: RegExp) => page.getByRole('button', { name }).first().click()
/** To a point of the grid, by keyboard; the field is then ready. */
async function point(page: Page, name: string): Promise<void> {
  await toCell(page, name)
}

test('honed to size: a warm bore reckoned cold, the finished bores proved and signed', async ({ page, shop }) => {
  await page.goto(`${shop.address}/jobs/moto-engine`)
  await page.getByRole('link', { name: /Big ends To do: Rod 1: 0\.19 thou left cold at the rear: fine stone\./ }).press('Enter')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  // It opens where the work is: the next stroke on top, its reading in hand, where the clearance stands now on the band.
  await expect(page.getByTestId('answer')).toContainText('Rod 1: 0.19 thou left cold at the rear: fine stone.')
  await expect(page.getByRole('button', { name: /Choose/ }).first()).toHaveAttribute('aria-current', 'step')
  await expect(page.getByText('Hone, rod 1, front, thou')).toBeVisible()
  await expect(page.getByLabel('Figure read')).toBeFocused()
  await expect(page.getByRole('img', { name: /as it stands: 0\.7/ })).toBeVisible()
  await page.keyboard.press('e')
  await expect(page.getByTestId('explain')).toContainText(
    'Rod 1 clearance, largest roller, as it stands, = bore (mean) − pin (mean) − 2 × largest roller of the set',
  )
  await expect(page.getByTestId('explain-targets')).toContainText('pin (mean) + largest + smallest roller + clearance wanted')
  await page.keyboard.press('Escape')
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
  await type(page, 'warm')
  await expect(page.getByRole('alert')).toContainText('is no temperature')
  await page.keyboard.press('Control+a')
  await type(page, '18')
  await expect(page.getByLabel('Figure read')).toHaveValue('')
  await expect(plan).toContainText('Too large by 0.08 thou already at one end: stop.')
  // Read wrong: struck out, and taken again.
  // The field has gone on to the other end; what was logged last is what is struck out.
  await expect(page.getByRole('heading', { name: 'Hone, rod 1, front, thou' })).toBeVisible()
  await page.keyboard.press('v')
  await expect(page.getByRole('dialog')).toContainText('Void reading −0.6 thou, hone, rod 1, rear')
  await page.getByLabel(/^Why/).fill('finger on the anvil')
  await page.keyboard.press('Enter')
  await point(page, 'Hone, rod 1, rear')
  await expect(page.getByText('void: finger on the anvil')).toBeVisible()
  await expect(plan).toContainText('left cold at the rear: fine stone')
  await point(page, 'Finished bore, rod 1, A front')
  await type(page, '-0.55', '-0.55', '-0.5', '-0.5', '-0.75', '-0.7', '-0.75', '-0.75')
  await expect(cell(page, /Finished bore, rod 2, B rear: −0\.75/)).toBeVisible()
  await phase(page, /Prove/)
  await expect(page.getByTestId('results')).toContainText('0.9')
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
  await tick(page, 'Finished bore read cold', 'Assembled with its own set')
  await expect(page.getByTestId('verdict')).toContainText('In')
  await sign(page)
})

test('a new check: no roller, too few for two rods, then sets from one bag each, taken by keyboard @long', async ({ page, shop }) => {
  await page.goto(`${shop.address}/jobs/moto-engine`)
  await page.getByRole('link', { name: 'New check' }).click()
  await kindOfCheck(page, 'Roller')
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
  await expect(seriesRows(page)).toHaveCount(4)
  await expect(page.getByTestId('series')).toContainText('0.1875')
  await phase(page, /Choose/)
  await expect(page.getByTestId('sort-words')).toContainText(
    '3 rollers make only 1 set of 3 within the spread; 2 rods need 2. 6 rollers are the least for 2 rods.',
  )
  await expect(page.getByRole('button', { name: 'Take for rod 2' })).toHaveCount(0)
  await point(page, 'Rollers, bag B')
  await type(page, '0.1876', '0.1876', '0.18765')
  await expect(page.getByTestId('sort-words')).toContainText('6 rollers make 2 sets of 3 within the spread, each from one bag.')
  await expect(page.getByTestId('answer')).toContainText('Take a set of rollers for rod 1.')
  await page.getByRole('button', { name: 'Take for rod 1' }).press('Enter')
  await page.getByRole('button', { name: 'Take for rod 2' }).press('Enter')
  await expect(page.getByTestId('set-row').nth(1)).toContainText('taken')
  // the larger rollers for the first rod, and back again
  const smallest = (rod: number) => page.getByTestId('set-row').nth(rod).getByRole('cell').nth(2)
  await expect(smallest(0)).toHaveText('0.18750')
  await page.getByRole('button', { name: 'change the two sets over' }).press('Enter')
  await expect(smallest(0)).toHaveText('0.18760')
  await expect(smallest(1)).toHaveText('0.18750')
  await expect(page.getByTestId('set-row').getByText('taken')).toHaveCount(2)
  await expect(page.getByRole('button', { name: /closer set/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'change the two sets over' }).press('Enter')
  await expect(smallest(0)).toHaveText('0.18750')
  await expect(page.getByTestId('roller-strip')).toHaveAttribute('aria-label', 'Rollers sorted by size: bag A, 3 rollers; bag B, 3 rollers')
  await page.reload()
  await phase(page, /Choose/)
  await expect(page.getByTestId('set-row').nth(0)).toContainText('taken')
})

test('a set judged by a sample, the bore read in its planes, honed and finished: every figure at its point, by keyboard @long', async ({
  page,
  shop,
}) => {
  // An engine without a check of its rods before: no limits to begin with.
  await page.goto(`${shop.address}/jobs/pump-engine`)
  await page.getByRole('link', { name: 'New check' }).click()
  await kindOfCheck(page, 'Roller')
  await page.getByLabel('Name', { exact: true }).fill('By sample')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'By sample' })).toBeAttached()
  await phase(page, /Set up/)
  const set = async (label: string | RegExp, value: string) => {
    await page.getByLabel(label).first().fill(value)
    await page.keyboard.press('Tab')
    await expect(page.getByTestId('saved')).toHaveText('Saved')
  }
  await set('Rollers in a set', '12')
  await set('Spread allowed within a set', '0.3 thou')
  await page.getByLabel('Sets are judged by').selectOption({ label: 'A sample of the bag (with what is not known of the others)' })
  await set(/Actual size of the master/, '2.5')
  await set(/Its size is known to/, '0')
  await phase(page, /Measure/)
  await expect(page.getByLabel('Figure read')).toBeFocused()
  await type(page, '2.0000', '2.0000', '.2498', '.2499', '.2498', '.2497', '.2498', '.2498')
  await page.getByRole('button', { name: 'Set a limit here' }).press('Enter')
  await page.getByRole('button', { name: 'Use it as shop limits' }).press('Enter')
  await expect(page.getByText('Shop 0.9 – 1.2').first()).toBeVisible()
  await page.getByTestId('limits-here').getByRole('button', { name: 'Done' }).press('Enter')
  await expect(page.getByLabel('Figure read')).toBeFocused()
  await phase(page, /Choose/)
  await expect(page.getByTestId('sort-words')).toHaveText('6 rollers stand for bag A: a set of 12 is judged by its sample.')
  await page.getByRole('button', { name: 'Bag A for rod 1' }).press('Enter')
  await expect(page.getByLabel('Figure read')).toBeFocused()
  await expect(page.getByTestId('rollers')).toContainText('Judged by a sample: 6 rollers of bag A stand for 12.')
  await page.getByRole('button', { name: 'Before honing: 6 points that may be left out' }).press('Enter')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Figure read')).toBeFocused()
  await type(page, '-0.2', '-0.3', '0.1', '0.2', '-0.3', '-0.2')
  await expect(page.getByRole('heading', { name: 'Hone, rod 1, front, thou' })).toBeVisible()
  await expect(page.getByTestId('hone-plan')).toContainText('0.40 thou left cold at the front: medium stone.')
  await type(page, '-0.5', '-0.5', '-0.65', '-0.65')
  await expect(page.getByTestId('answer')).toContainText('at size: stop')
  await expect(page.getByRole('heading', { name: 'Finished bore, rod 1, A front, thou' })).toBeVisible()
  await type(page, '-0.65', '-0.65', '-0.60', '-0.70')
  // What was typed stands where it was typed, and nowhere else.
  for (const [name, figure] of [
    ['Before honing, rod 1, B mid', '0.2'],
    ['Before honing, rod 1, B rear', '−0.2'],
    ['Hone, rod 1, front', '−0.65'],
    ['Hone, rod 1, rear', '−0.65'],
    ['Finished bore, rod 1, A rear', '−0.60'],
    ['Finished bore, rod 1, B rear', '−0.70'],
  ] as const)
    await expect(cell(page, `${name}: ${figure}`)).toBeVisible()
  // Mean bore 2.50065, pin 2; the largest of twelve to expect 0.2498 + 1.635 × 0.0000664 = 0.2499086: 0.83 thou, below 0.9 to 1.2.
  await phase(page, /Prove/)
  await expect(page.getByTestId('figure')).toHaveText('0.8')
  await page.keyboard.press('Escape')
  await page.keyboard.press('e')
  await expect(page.getByTestId('explain')).toContainText('2 × largest roller to expect in a set, from a sample of 6')
})
