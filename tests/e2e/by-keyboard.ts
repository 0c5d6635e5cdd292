import type { Page } from '@playwright/test'
import { expect, tabTo, type } from './workshop'

// The bench as somebody uses it who never touches a mouse.

const at = (page: Page, label: string | RegExp) => page.getByLabel(label, { exact: true }).first()

/** Picks an option as a typist does: to the field by Tab, then the beginning of its name. */
export async function pick(page: Page, label: string | RegExp, option: string): Promise<void> {
  const field = at(page, label)
  await tabToField(page, label)
  await page.keyboard.type(option)
  await expect(field.locator('option:checked')).toHaveText(new RegExp(`^${option}`, 'i'))
  await page.keyboard.press('Tab')
}
export async function tabToField(page: Page, label: string | RegExp): Promise<void> {
  const id = await at(page, label).getAttribute('id')
  await tabTo(page, active => active.id === id)
}
export async function fill(page: Page, label: string | RegExp, text: string): Promise<void> {
  await tabToField(page, label)
  await page.keyboard.press('Control+a')
  await page.keyboard.type(text)
  await page.keyboard.press('Tab')
}

/** Every step in sight ticked, by Tab and Space. */
export async function tickAll(page: Page): Promise<void> {
  for (const box of await page.getByRole('navigation', { name: 'Phases' }).getByRole('checkbox').all()) {
    if (await box.isChecked()) continue
    await box.focus()
    await page.keyboard.press('Space')
    await expect(box).toBeChecked()
  }
}

export async function newJob(page: Page, address: string, unit: string, job: string): Promise<void> {
  await page.goto(address)
  await expect(page.getByRole('heading', { name: 'On the bench', exact: true })).toBeVisible()
  await page.keyboard.press('n')
  await page.keyboard.type(unit)
  await page.keyboard.press('Tab')
  await type(page, job)
  await expect(page.getByRole('heading', { name: unit })).toBeVisible()
  await page.keyboard.press('n')
}

/** Into the field of a set-up that is kept when it is left. */
export async function keep(page: Page, label: string | RegExp, text: string): Promise<void> {
  await fill(page, label, text)
  await expect(page.getByTestId('saved')).toHaveText('Saved')
}
export const next = async (page: Page) => {
  await page.keyboard.press('Escape')
  await page.keyboard.press('PageDown')
}

/** A whole kit into the drawer, a size a line. */
export async function kit(page: Page, address: string, family: string, ...lines: string[]): Promise<void> {
  await page.goto(`${address}/stock`)
  await page.getByRole('button', { name: 'Whole kit' }).press('Enter')
  await expect(page.getByLabel('Family of the kit')).toBeFocused()
  await page.keyboard.type(family)
  await page.keyboard.press('Tab')
  await type(page, ...lines)
  await tabTo(page, active => active.text === 'Put the kit in')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('csv-result')).toContainText(`${lines.length} sizes of “${family}” put in`)
}
