import type { Page } from '@playwright/test'
import { emptyForThisFile, expect, sign, tabTo, test, type, typeReading } from './workshop'

// From an empty data folder to a signature, by keyboard alone. The figures are made up.
emptyForThisFile()
test.describe.configure({ mode: 'serial' })

/** Picks an option as a typist does: to the field by Tab, then the beginning of its name. */
async function pick(page: Page, label: string | RegExp, option: string): Promise<void> {
  const field = page.getByLabel(label).first()
  await tabToField(page, label)
  await page.keyboard.type(option)
  await expect(field.locator('option:checked')).toHaveText(new RegExp(`^${option}`, 'i'))
  await page.keyboard.press('Tab')
}
async function tabToField(page: Page, label: string | RegExp): Promise<void> {
  const id = await page.getByLabel(label).first().getAttribute('id')
  await tabTo(page, active => active.id === id)
}
async function fill(page: Page, label: string | RegExp, text: string): Promise<void> {
  await tabToField(page, label)
  await page.keyboard.press('Control+a')
  await page.keyboard.type(text)
  await page.keyboard.press('Tab')
}

/** Every step in sight ticked, by Tab and Space. */
async function tickAll(page: Page): Promise<void> {
  for (const box of await page.getByRole('navigation', { name: 'Phases' }).getByRole('checkbox', { checked: false }).all()) {
    const id = await box.getAttribute('id')
    if (id) await tabTo(page, active => active.id === id, 300)
    else await box.focus()
    await page.keyboard.press('Space')
  }
}

async function newJob(page: Page, address: string, unit: string, job: string): Promise<void> {
  await page.goto(address)
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible()
  await page.keyboard.press('n')
  await page.keyboard.type(unit)
  await page.keyboard.press('Tab')
  await type(page, job)
  await expect(page.getByRole('heading', { name: unit })).toBeVisible()
  await page.keyboard.press('n')
}

test('thrust halves, one loose half: played, aligned, played again, signed', async ({ page, shop }) => {
  await newJob(page, shop.address, 'ferry', 'main engine')
  await page.keyboard.type('thrust halves')
  await pick(page, 'Kind of check', 'Thrust')
  await pick(page, /^Thrust bearing/, 'One loose')
  await fill(page, 'Book limit, lower', '3')
  await tabToField(page, 'Book limit, upper')
  await type(page, '6')
  await expect(page).toHaveURL(/checks\//)
  await tickAll(page)
  await page.keyboard.press('PageDown')
  await expect(page.getByLabel('Far reading')).toBeFocused()
  for (let i = 0; i < 3; i++) await typeReading(page, '1.5')
  await tickAll(page)
  await tabTo(page, active => active.name.startsWith('Play before aligning'))
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: /^Play after aligning/ })).toBeVisible()
  for (const far of ['4.4', '4.5', '4.5']) await typeReading(page, far)
  await expect(page.getByTestId('verdict')).toContainText('In')
  await page.keyboard.press('Escape')
  await page.keyboard.press('PageDown')
  await page.keyboard.press('PageDown')
  await tickAll(page)
  await sign(page)
})
