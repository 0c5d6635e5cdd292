import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { demoForThisFile, expect, tabTo, test } from './workshop'

demoForThisFile()

/** As a scanner does it: all signs at once, then Enter. */
async function scan(page: Page, code: string, delay = 0): Promise<void> {
  await page.keyboard.type(code, { delay })
  await page.keyboard.press('Enter')
}
const codeOf = async (address: string, thing: string, id: string) => {
  const answer = await fetch(`${address}/api/labels`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-finitum': 'tests' },
    body: JSON.stringify({ of: [{ thing, id }], sheet: 'a4-24', skip: 0 }),
  })
  return ((await answer.json()) as { code: string }[])[0]!.code
}

test('a job’s tag by keyboard, on the sheet that is there; scanned, it opens the job from anywhere', async ({ page, shop }) => {
  await page.goto(`${shop.address}/jobs/launch-box`)
  await expect(page.getByTestId('job-facts')).toBeVisible()
  await tabTo(page, active => active.text === 'Tag')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('labels')).toContainText('Reduction box rebuild')
  const code = (await page.getByTestId('labels').locator('.figure').innerText()).trim()
  expect(code).toMatch(/^QFJ\d{4}[0-9A-Z]$/)
  await page.getByLabel('Sheet').selectOption('roll-62')
  await expect(page.getByTestId('labels')).toContainText(code)
  await page.getByLabel('Labels gone already').fill('many')
  await page.getByRole('button', { name: 'Take the PDF' }).press('Enter')
  await expect(page.getByText('A whole number of labels.')).toBeVisible()
  await page.getByLabel('Labels gone already').fill('0')
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Take the PDF' }).press('Enter')])
  const saved = join(shop.folder, 'labels.pdf')
  await file.saveAs(saved)
  expect(execFileSync('pdfinfo', [saved], { encoding: 'utf8' })).toMatch(/Page size:\s+175\.7\d* x 82\.2/)
  expect(execFileSync('pdftotext', [saved, '-'], { encoding: 'utf8' })).toContain(code)

  await page.goto(`${shop.address}/units`)
  await expect(page.getByRole('link', { name: /Fire pump/ })).toBeVisible()
  await scan(page, code)
  await expect(page.getByRole('heading', { name: 'Mail launch' })).toBeVisible()
  // Where something is looked for, it is found.
  await page.goto(shop.address)
  await expect(page.getByLabel('Find a job')).toBeVisible()
  await page.keyboard.press('/')
  await scan(page, code.toLowerCase())
  await expect(page).toHaveURL(/\/jobs\/launch-box$/)
})

test('a scan is never a command: on the bench nothing is fitted, logged or struck out by it', async ({ page, shop }) => {
  const gauge = await codeOf(shop.address, 'gauge', 'dial-thou')
  await page.goto(`${shop.address}/checks/launch-input`)
  await expect(page.getByTestId('verdict')).toContainText('Loose')
  const version = async () => ((await (await fetch(`${shop.address}/api/checks/launch-input`)).json()) as { version: number }).version
  const before = await version()
  await page.keyboard.press('Escape')
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  // Its letters are keys of the bench, and its digits pick packs; read wrong, and by a slow scanner, it does no more.
  await scan(page, `QFZVFX12345`, 250)
  await expect(page.getByTestId('scan')).toContainText('read wrong')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  expect(await version()).toBe(before)
  // One key that happens to begin like a code takes no other key with it.
  await page.keyboard.type('q?')
  await expect(page.getByRole('dialog')).toContainText('pick a pack')
  await page.keyboard.press('Escape')
  // In the field of a reading it is offered, and the field is as it was.
  const field = page.getByLabel('Far reading').first()
  await field.focus()
  await scan(page, gauge)
  await expect(page.getByTestId('scan')).toContainText('Scanned: gauge Dial, 1 thou')
  await expect(field).toHaveValue('')
  expect(await version()).toBe(before)
  // What was typed before it stays.
  await page.keyboard.type('11.4')
  await scan(page, gauge)
  await expect(field).toHaveValue('11.4')
  expect(await version()).toBe(before)
  // In a list that has it, it is picked.
  await page.getByRole('button', { name: /Set up/ }).click()
  const list = page.locator('select', { has: page.locator('option[value="dial-metric"]') }).first()
  await list.focus()
  await scan(page, await codeOf(shop.address, 'gauge', 'dial-metric'))
  await expect(list).toHaveValue('dial-metric')
})

test('a gauge’s label opens it in the register @long', async ({ page, shop }) => {
  const code = await codeOf(shop.address, 'gauge', 'dial-metric')
  await page.goto(`${shop.address}/gauges`)
  await expect(page.getByRole('region', { name: 'Register of gauges' })).toBeVisible()
  await scan(page, code)
  await expect(page.getByTestId('gauge-panel')).toContainText('Dial, 0.01 mm')
  await tabTo(page, active => active.text === 'print its label')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('labels')).toContainText('never checked')
})

test('a size that is scanned goes into the pack in hand, names what was found, and tells what came', async ({ page, shop }) => {
  const [three, twenty] = [await codeOf(shop.address, 'size', 'cover-3'), await codeOf(shop.address, 'size', 'cover-20')]
  await page.goto(`${shop.address}/checks/launch-input`)
  await page.getByRole('button', { name: 'put a pack together yourself' }).press('Enter')
  const own = page.getByTestId('own-pack')
  await expect(own.getByRole('button', { name: 'Take out 3', exact: true })).toContainText('× 2')
  await scan(page, three)
  await expect(own.getByRole('button', { name: 'Take out 3', exact: true })).toContainText('× 3')
  await expect(page).toHaveURL(/checks\/launch-input$/)

  await page.goto(`${shop.address}/checks/launch-idler`)
  await page
    .getByRole('button', { name: /Set up/ })
    .first()
    .click()
  const found = page.getByLabel(/^Pack as found/)
  await found.fill('10')
  await scan(page, three)
  await expect(found).toHaveValue('10 + 3')
  await scan(page, twenty)
  await expect(found).toHaveValue('10 + 3 + 20')
  await page.keyboard.press('Enter')
  await expect(page.getByText('1 × 20, 1 × 10, 1 × 3', { exact: false }).first()).toBeVisible()

  await page.goto(`${shop.address}/orders`)
  await expect(page.getByTestId('purchase')).toBeVisible()
  await scan(page, twenty)
  await expect(page.getByTestId('receive')).toContainText('20 thou, Cover shims')
  await expect(page.getByLabel('What the micrometer says')).toBeFocused()
})
