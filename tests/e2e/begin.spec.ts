import { kindOfCheck, tabToField } from './by-keyboard'
import { demoForThisFile, expect, test } from './workshop'

// Which check, and what it begins with: from the demo of the island’s workshop, by keyboard.
demoForThisFile()

test('a check is found by a symptom, a part or its picture, and begins as the last one of the unit', async ({ page, shop }) => {
  await page.goto(`${shop.address}/jobs/launch-box`)
  await expect(page.getByRole('link', { name: 'New check' })).toBeVisible()
  const field = page.getByLabel(/^Which check/)
  // Typed before the page is there, it stands in its field.
  await page.keyboard.type('nbell hous')
  await expect(field).toBeFocused()
  await expect(field).toHaveValue('bell hous')
  await expect(page.locator('[data-first]')).toContainText('Runout and centring')
  await page.keyboard.press('Control+a')
  await page.keyboard.press('Backspace')
  await expect(page.locator('.kind-sketch svg')).toHaveCount(20)
  await page.keyboard.type('gramophone')
  await expect(page.getByText('No check is known by that')).toBeVisible()
  // Enter takes nothing that is not there.
  await page.keyboard.press('Enter')
  await expect(field).toBeFocused()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('thrust')
  await expect(page.locator('[data-first]')).toContainText('Thrust bearing alignment')
  // Down to the pictures, along, and what is typed there goes on in the field.
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('button', { name: 'Thrust bearing alignment' })).toBeFocused()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('button', { name: 'Crankshaft end play' })).toBeFocused()
  await page.keyboard.type('x')
  await expect(field).toHaveValue('thrustx')
  await page.keyboard.press('Control+a')
  await page.keyboard.type('loose shaft')
  await page.keyboard.press('Enter')

  const confirm = page.getByTestId('confirm')
  await expect(confirm).toContainText('As on 17 Nov 2026, Reduction box rebuild')
  await expect(confirm).toContainText('Where the pack sits: under a cover')
  await expect(confirm).toContainText('End play: 2 – 6 thou, Reduction box manual, p. 4-12')
  await expect(confirm).toContainText('Dial D-2, 1 thou')
  await expect(page.getByLabel('Pieces come from')).toHaveValue('Cover shims')
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused()
  // Enter, and again for good measure: one check.
  const before = ((await (await fetch(`${shop.address}/api/jobs/launch-box`)).json()) as { checks: unknown[] }).checks.length
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/checks\//)
  await expect(page.getByTestId('limit-band')).toHaveAttribute('aria-label', /Book limits 2 – 6 thou/)
  const after = ((await (await fetch(`${shop.address}/api/jobs/launch-box`)).json()) as { checks: unknown[] }).checks.length
  expect(after - before).toBe(1)
})

test('what nobody can know is asked, and what cannot be read is never dropped', async ({ page, shop }) => {
  await page.goto(`${shop.address}/jobs/launch-box/check`)
  await kindOfCheck(page, 'Hydraulic release')
  await expect(page.getByTestId('confirm')).toContainText('None known')
  await tabToField(page, /^Thickness of the straight bar/)
  await page.keyboard.type('0.125 inn')
  await page.keyboard.press('Enter')
  await expect(page.getByText('“inn” is not a unit of length')).toBeVisible()
  await expect(page).toHaveURL(/kind=release-bearing/)
  await expect(page.getByLabel(/^Thickness of the straight bar/)).toBeFocused()
  // Selected, so that the next figure takes its place.
  await page.keyboard.type('0.125 in')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/checks\//)
  await expect(page.getByLabel(/^Thickness of the straight bar/)).toHaveValue('0.125')
})

test('a shop that answers late takes nothing away that was typed meanwhile', async ({ page, shop }) => {
  await page.route(/beginning|api\/limits/, async route => {
    await new Promise(resolve => setTimeout(resolve, 1_500))
    await route.continue()
  })
  await page.goto(`${shop.address}/jobs/launch-box/check?kind=shaft-end-play`)
  await tabToField(page, /^Book limit, lower/)
  await page.keyboard.type('3 bananas')
  await expect(page.getByTestId('confirm')).toContainText('As on 17 Nov 2026')
  await expect(page.getByLabel(/^Book limit, lower/)).toHaveValue('3 bananas')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel(/^Book limit, lower/)).toBeFocused()
  await expect(page).toHaveURL(/kind=shaft-end-play/)
})
