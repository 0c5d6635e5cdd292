import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import Papa from 'papaparse'
import { readKit } from '#core/pack/read-kit'
import { drawerRows } from '#shared/drawer-rows'
import { requestTo, type AnswerOf, type BodyOf, type WriteKey } from '#shared/writes'
import { allSteps, AS_PROGRAM, expect, tabTo } from './workshop'

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

/** Every step of the phase ticked, by Tab and Space. */
export async function tickAll(page: Page): Promise<void> {
  await allSteps(page)
  for (const box of await page.getByRole('navigation', { name: 'Phases' }).getByRole('checkbox').all()) {
    if (await box.isChecked()) continue
    await box.focus()
    await page.keyboard.press('Space')
    await expect(box).toBeChecked()
  }
}

/** Says in which states the unit is measured, one by one; those that are not named are as they were. */
export async function states(page: Page, ...names: (string | RegExp)[]): Promise<void> {
  const said = page.getByTestId('conditions')
  const change = said.getByRole('button', { name: 'change' })
  await expect(change.or(said.getByRole('button', { name: 'done' }))).toBeVisible()
  if (await change.isVisible()) await change.press('Enter')
  for (const name of names) await page.getByRole('radio', { name, exact: true }).press('Space')
}

/** Something the test rests on and does not test, put in as a program would. */
export async function put<Key extends WriteKey>(address: string, key: Key, body: BodyOf<Key>, id?: string): Promise<AnswerOf<Key>> {
  const { method, path } = requestTo(key, id)
  const answer = await fetch(address + path, { method, headers: AS_PROGRAM, body: JSON.stringify(body) })
  if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`)
  return (await answer.json()) as AnswerOf<Key>
}

/** A job that is there, with the page open that asks which check. @returns the address of the job */
export async function newJob(page: Page, address: string, unit: string, job: string): Promise<string> {
  const id = randomUUID()
  await put(address, 'POST /api/jobs', { op: randomUUID(), id, unit, title: job })
  await page.goto(`${address}/jobs/${id}`)
  await expect(page.getByRole('heading', { name: unit })).toBeVisible()
  await page.keyboard.press('n')
  await expect(page.getByLabel(/^Which check/)).toBeFocused()
  return `${address}/jobs/${id}`
}

/** A kind, as somebody looks for it, and everything it begins with unfolded. */
export async function kindOfCheck(page: Page, words: string): Promise<void> {
  await expect(page.getByLabel(/^Which check/)).toBeFocused()
  await page.keyboard.type(words)
  await expect(page.locator('[data-first]')).toContainText(words)
  await page.keyboard.press('Enter')
  await expect(at(page, 'Name')).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByTestId('otherwise')).toBeVisible()
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

/** A whole kit in the drawer, a size a line as somebody would type it, in thou where no unit is said. */
export const kit = (address: string, family: string, ...lines: string[]): Promise<void> => stock(address, family, lines, false)
/** The same, every piece measured and found to be its size. */
export const measuredKit = (address: string, family: string, ...lines: string[]): Promise<void> => stock(address, family, lines, true)

async function stock(address: string, family: string, lines: readonly string[], measured: boolean): Promise<void> {
  const { sizes, faults } = readKit(lines.join('\n'), 'thou')
  if (faults.length > 0) throw new Error(faults[0]!.reason)
  const rows = drawerRows(family, sizes)
  const body = Papa.unparse(measured ? rows.map(row => ({ ...row, measured: row.nominal })) : rows)
  const answer = await fetch(`${address}/api/stock/csv`, { method: 'POST', headers: { ...AS_PROGRAM, 'content-type': 'text/csv' }, body })
  if (!answer.ok) throw new Error(await answer.text())
}
