import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { kindOfCheck, tickAll } from './by-keyboard'
import { allSteps, AS_PROGRAM, cell, demoForThisFile, expect, sign, strikeOut, tabTo, test, toCell, type } from './workshop'

demoForThisFile()

/** Opens the change once the drawer has been gone through, and confirms it. */
async function fit(page: Page, shows: string): Promise<void> {
  await expect(page.getByRole('button', { name: 'Fit this' })).toBeVisible()
  await page.keyboard.press('f')
  await expect(page.getByRole('dialog')).toContainText(shows)
  await tabTo(page, active => active.text === 'The pack is changed')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('answer')).toContainText('is expected')
}
async function standardShells(address: string): Promise<number> {
  const stock = (await (await fetch(`${address}/api/stock`)).json()) as { lots: { id: string; onHand: number }[] }
  return stock.lots.find(lot => lot.id === 'shell48-std')!.onHand
}
/** A movement: the figure, Enter, back at zero, Enter. */
const travel = (page: Page, ...figures: string[]) => type(page, ...figures.flatMap(figure => [figure, '']))

test('crankshaft at a shimmed flange, by feelers: measured, shims chosen, fitted, proved, signed', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/pb-flange`)
  await expect(page.getByTestId('verdict')).toContainText('Loose')
  await expect(page.getByText('Totals that would do: 0.847 to 0.967 mm.')).toBeVisible()
  await fit(page, 'Put in')
  await expect(page.getByLabel('Thickest stack that goes')).toBeFocused()
  // what does not go cannot be thinner than what goes
  await type(page, '0.1+0.04')
  await expect(page.getByTestId('entry').locator('..')).toContainText('= 0.14 mm')
  await type(page, '0.13')
  await expect(page.getByRole('alert')).toContainText('must be thicker than what goes')
  await page.keyboard.press('Control+a')
  await type(page, '0.15')
  await expect(page.getByTestId('series')).toContainText('0.140')
  await tickAll(page)
  await expect(page.getByTestId('verdict')).toContainText('In')
  await sign(page)
})

test('what can be done about the mains, side by side with its cost; stopped, worked out again, all of it fitted at once @long', async ({
  page,
  shop,
}) => {
  // On a copy: the other tests need the engine as it is.
  const copy = await fetch(`${shop.address}/api/worksheets?copy=yes`, {
    method: 'POST',
    headers: AS_PROGRAM,
    body: readFileSync('demo/6-mail-launch-engine.worksheet.json'),
  })
  await page.goto(`${shop.address}/jobs/${((await copy.json()) as { jobIds: string[] }).jobIds[0]}`)
  await page.getByRole('link', { name: /Main bearings/ }).press('Enter')
  const panel = page.getByTestId('options')
  // The solver takes its time to arrive, so that there is something to stop.
  await page.route(/\.wasm$/, async route => {
    await new Promise(resolve => setTimeout(resolve, 5_000))
    await route.continue().catch(() => {})
  })
  await panel.getByRole('button', { name: 'Work it out' }).press('Enter')
  await expect(panel.getByRole('status')).toBeVisible()
  await panel.getByRole('button', { name: 'stop' }).press('Enter')
  await expect(panel.getByRole('status')).toHaveCount(0)
  await expect(panel.getByTestId('option')).toHaveCount(0)
  await page.unroute(/\.wasm$/)
  await panel.getByRole('button', { name: 'Work it out' }).press('Enter')
  await expect(panel.getByTestId('option')).toHaveCount(3)
  const totals = await Promise.all(
    [1, 2].map(async row => Number(await panel.getByTestId('option').nth(row).getByRole('cell').last().innerText())),
  )
  // The mixed shells cost a fraction of the regrind.
  expect(totals[0]).toBeLessThan(totals[1]! / 5)
  await panel.getByRole('button', { name: 'Mix grades, halves too' }).press('Enter')
  await expect(panel.getByTestId('option-shown')).toContainText(/All 4 places in limits, the least sure by (8\d|9[0-4]) %\./)
  await panel.getByRole('button', { name: /Regrind/ }).press('Enter')
  await expect(panel.getByTestId('option-shown')).toContainText('Every journal ground to')
  await expect(panel.getByRole('button', { name: 'Fit all of these' })).toHaveCount(0)
  // Another wish, and what was reckoned is not left standing.
  await panel.getByLabel('bring them in').selectOption('nearest')
  await expect(panel.getByTestId('option')).toHaveCount(0)
  await panel.getByRole('button', { name: 'Work it out' }).press('Enter')
  await panel.getByRole('button', { name: 'Mix grades, halves too' }).press('Enter')
  await panel.getByRole('button', { name: 'Fit all of these' }).press('Enter')
  await expect(page.getByRole('dialog')).toContainText('Main 4: take out 2 × 1.49 (STD)')
  await page.getByRole('button', { name: 'Not yet' }).press('Enter')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await panel.getByRole('button', { name: 'Fit all of these' }).press('Enter')
  await page.getByRole('button', { name: 'The shells are changed' }).press('Enter')
  await expect(cell(page, 'Bore on the dial, main 4, A front: not read')).toBeVisible()
  await expect(page.getByTestId('answer')).toContainText('is expected')
})

test('which leaves to take next, and one snug stack taken with a wider uncertainty @long', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/le-pump`)
  await page.keyboard.press('PageUp')
  await toCell(page, /^Inner rotor/)
  await page.keyboard.type('0.05')
  await expect(page.getByTestId('next-leaves')).toContainText('Next up: 0.06')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('series')).toContainText('snug')
  await expect(page.getByTestId('finding')).toContainText('One snug stack')
})

test('main bearings: the worst one chosen for, only its bores read again, the journal’s wear accepted with a reason', async ({
  page,
  shop,
}) => {
  const before = await standardShells(shop.address)
  await page.goto(`${shop.address}/checks/le-mains`)
  await expect(page.getByTestId('verdict')).toContainText('Main 4 clearance')
  await expect(page.getByTestId('journal-row')).toHaveAttribute('aria-label', /Main 4 0\.086, Loose/)
  // another bearing in hand, by Tab: its own answer, and what decides beside it
  await tabTo(page, active => active.name.startsWith('Main 2 0.055'))
  await page.keyboard.press('Enter')
  // In, but for what has to be done yet.
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
  await expect(page.getByTestId('figure')).toHaveText('0.055')
  await expect(page.getByTestId('whole')).toHaveText('The whole check: loose, Main 4 clearance, most at 0.086 mm.')
  await page.getByRole('button', { name: 'Main 4 0.086, Loose' }).press('Enter')
  await expect(page.getByTestId('whole')).toHaveCount(0)
  await fit(page, 'Main bearings, Shell halves, main 4')
  await expect(cell(page, 'Bore on the dial, main 4, A front: not read')).toBeVisible()
  await expect(page.getByRole('button', { name: /Journal, main 4, A front: 47\.96/ })).toBeVisible()
  await expect(cell(page, /Bore on the dial, main 1, A front: −0\.03/)).toBeVisible()
  // the entry walks from bore to bore
  await expect(page.getByRole('heading', { name: /^Bore on the dial, main 4, A front/ })).toBeVisible()
  await expect(page.getByLabel('Figure read')).toBeFocused()
  await type(page, '-0.01', '-0.014', '-0.011', '-0.015')
  await expect(page.getByTestId('results')).toContainText('0.047')
  await expect(page.getByTestId('proof')).toContainText('off by')
  // Bore gauge, caps, shells: all of it again, where it is proved.
  await expect(page.getByRole('navigation', { name: 'Phases' })).toContainText('again, with this fitting')
  await tickAll(page)
  await expect(page.getByText('Main 4 journal diameter: outside the limits')).toBeVisible()
  await sign(page, 'shaft kept, regrind next time')
  expect((await standardShells(shop.address)) - before).toBe(2)
})

test('rods by plastic strip: the gap beside the width, off the scale is another grade; “locks” beats the figures', async ({
  page,
  shop,
}) => {
  await page.goto(`${shop.address}/checks/le-rods`)
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await page.getByLabel('Figure read').focus()
  await type(page, '0.2')
  await expect(page.getByTestId('answer')).toContainText('off the scale')
  await toCell(page, /Strip, rod 3, front/)
  await strikeOut(page, 'typed the width')
  // A width by calipers finds its mark on the drawn scale, in both units; one too wide is another grade.
  const scale = page.getByTestId('strip-scale')
  await scale.getByLabel(/^Width by calipers/).fill('9')
  await expect(scale.getByRole('alert')).toContainText('off the scale (1.283 – 3.900 mm): take another grade')
  await scale.getByLabel(/^Width by calipers/).fill('1.95')
  await expect(scale.getByRole('button', { name: /0\.051 mm\s*strip 1\.91 mm wide/ })).toHaveAttribute('aria-pressed', 'true')
  await scale.getByRole('button', { name: '0.051 mm', exact: true }).press('Enter')
  await expect(page.getByLabel('Figure read')).toBeFocused()
  await expect(page.getByLabel('Figure read')).toHaveValue('0.051')
  await page.keyboard.press('Enter')
  await scale.getByLabel(/^Width by calipers/).fill('')
  await page.getByLabel('Figure read').focus()
  await type(page, '0.051', '0.064', '0.051')
  await expect(page.getByTestId('results')).toContainText('0.064')
  // What nothing judges is told on request.
  await page.getByRole('button', { name: 'also: clearance, mean, taper by strip' }).press('Enter')
  await expect(page.getByTestId('results')).toContainText('0.058')
  await page.getByRole('button', { name: /Shaft with rod 4 tight/ }).click()
  await page.getByRole('button', { name: 'locks' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('verdict')).toContainText('Tight')
  await expect(page.getByTestId('answer')).toContainText('the shaft locks with rod 4 tight')
  await page
    .getByRole('button', { name: /Set up/ })
    .first()
    .click()
  await expect(page.getByTestId('grade')).toHaveText('Grade for these limits: green (0.026 – 0.066 mm)')
})

test('set up for the strip, the first figure is that of the strip, not of a journal nobody asked for', async ({ page, shop }) => {
  await page.goto(`${shop.address}/jobs/pump-bottom`)
  await expect(page.getByRole('heading', { name: 'Fire pump' })).toBeVisible()
  await page.keyboard.press('n')
  await kindOfCheck(page, 'Bearing clear')
  await page.getByLabel('Name', { exact: true }).fill('By strip')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'By strip' })).toBeAttached()
  await page.getByLabel('Measured by').selectOption('strip')
  await expect(page.getByTestId('saved')).toHaveText('Saved')
  await page
    .getByRole('button', { name: /Measure/ })
    .first()
    .click()
  await expect(page.getByRole('heading', { name: /^Strip, main 1, front/ })).toBeVisible()
})

test('thrust halves lined up, from scratch by keyboard: out of line by about, in words', async ({ page, shop }) => {
  await page.goto(`${shop.address}/jobs/pump-bottom`)
  await expect(page.getByRole('heading', { name: 'Fire pump' })).toBeVisible()
  await page.keyboard.press('n')
  await kindOfCheck(page, 'Thrust bearing')
  await page.getByRole('combobox', { name: 'Thrust bearing' }).selectOption('loose-half')
  await page.getByLabel('Book limit, lower').fill('3')
  await page.getByLabel('Book limit, upper').fill('6')
  await page.getByRole('button', { name: 'Begin the check' }).press('Enter')
  await expect(page).toHaveURL(/checks/)
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await page.keyboard.press('PageDown')
  await allSteps(page)
  await expect(page.getByRole('checkbox', { name: /Push the shaft forward only/ })).toBeVisible()
  await toCell(page, /^Play before/)
  await expect(page.getByLabel('Far reading')).toBeFocused()
  await travel(page, '0.5', '0.5', '0.5')
  // Read thrice, the field stands at the next.
  await expect(cell(page, /^Play after/)).toHaveRole('group')
  await expect(page.getByLabel('Far reading')).toBeFocused()
  await travel(page, '3.5', '3.5', '3.5')
  await expect(page.getByTestId('finding').last()).toContainText('0.5 before, 3.5 thou after: the halves were out of line by about 3 thou.')
  await page.keyboard.type('4')
  await page.getByLabel('sprang back').check()
  await expect(page.getByTestId('finding').filter({ hasText: 'the halves are not in line yet' })).toBeVisible()
})

test('an eccentric shaft: the one lettered spacer, fitted and proved', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/gr-shaft`)
  await expect(page.getByTestId('verdict')).toContainText('Tight')
  await expect(page.getByTestId('answer')).toContainText('Take out 5.33 (C), put in 5.35 (R): leaves 0.054')
  await fit(page, 'mark R')
  await expect(page.getByLabel('Far reading')).toBeFocused()
  await travel(page, '0.054', '0.055', '0.054')
  await tickAll(page)
  await expect(page.getByTestId('verdict')).toContainText('In')
  await sign(page)
})

test('a replaced part: what rested on it is stale, with the reason, until it is measured again', async ({ page, shop }) => {
  await page.goto(shop.address)
  await expect(page.getByRole('link', { name: 'Main bearings Stale: shells, main 2 – new ones' })).toBeVisible()
  await page.goto(`${shop.address}/checks/pb-mains`)
  await expect(page.getByTestId('verdict')).toContainText('Stale')
  await expect(page.getByTestId('answer')).toContainText('shells, main 2 – new ones, the old were scored. Measure again.')
  // It opens at Measure, with what has to be read again in hand.
  await expect(page.getByRole('button', { name: /Measure/ }).first()).toHaveAttribute('aria-current', 'step')
  await toCell(page, /Bore on the dial, main 2, A: .*stale/)
  await expect(page.getByLabel('Figure read')).toBeFocused()
  await type(page, '-0.03', '-0.034')
  await expect(page.getByTestId('verdict')).toContainText('In')
})

test('a part replaced on the job page: exactly what rests on it is stale, and what was signed is open again', async ({ page, shop }) => {
  await page.goto(`${shop.address}/jobs/launch-engine`)
  const signed = page.getByRole('link', { name: /Thrust halves in line/ })
  await expect(signed).toContainText('In, signed off')
  await page.getByRole('button', { name: 'Thrust bearing was replaced or reworked' }).press('Enter')
  await expect(page.getByLabel('What was done')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('parts')).toContainText('Say what was done')
  await page.getByLabel('What was done').fill('new thrust washers')
  await page.getByTestId('parts').getByLabel('Name').fill('T. Marl')
  await page.getByRole('button', { name: 'Mark what is stale' }).press('Enter')
  await expect(signed).toContainText('Stale: thrust bearing – new thrust washers')
  await expect(signed).not.toContainText('signed off')
  await expect(page.getByRole('link', { name: /Crankshaft end play/ })).toContainText('Stale')
  await expect(page.getByRole('link', { name: /Oil pump/ })).not.toContainText('Stale')
  await expect(page.getByTestId('parts')).toContainText('new thrust washers · T. Marl')
  await signed.press('Enter')
  await expect(page.getByTestId('answer')).toContainText('Measure again')
})
