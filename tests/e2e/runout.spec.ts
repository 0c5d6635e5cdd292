import type { Page } from '@playwright/test'
import { fill, kindOfCheck, kit, newJob, next, pick, tabToField, tickAll } from './by-keyboard'
import { emptyForThisFile, expect, sign, tabTo, test, toCell, type } from './workshop'

// From an empty data folder to a signature, by keyboard alone. Worked example: common practice.
emptyForThisFile()

/** Marks of the turn that is there, read once more. */
async function readAgain(page: Page, marks: readonly (readonly [mark: string, figure: string])[]): Promise<void> {
  for (const [mark, figure] of marks) {
    await toCell(page, `${mark}:`)
    await type(page, figure)
  }
}

test('a housing bore read round the clock, dowels and their place chosen, a misread proof caught, read again, signed', async ({
  page,
  shop,
}) => {
  await kit(shop.address, 'offset dowels', '7 red x2', '14 blue x2', '21 green x1')
  await newJob(page, shop.address, 'fire pump', 'gearbox on')
  await kindOfCheck(page, 'Runout')
  await fill(page, 'Name', 'housing to crank')
  // Marks that do not make a turn are said at the field, and nothing is lost.
  await fill(page, /^Marks, in the order/, '12 6')
  await expect(page.getByText('Three marks at least')).toBeVisible()
  await fill(page, /^Marks, in the order/, '12 3 3 9')
  await expect(page.getByText('stands there twice')).toBeVisible()
  await fill(page, /^Marks, in the order/, '12 3 6 9')
  await pick(page, 'Pieces come from', 'offset')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '5')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await tickAll(page)
  await next(page)
  await expect(page.getByLabel('Figure read')).toBeFocused()
  await type(page, '0', '20', '10', '2', '30')
  await expect(page.getByText('Take the turn again').first()).toBeVisible()
  await type(page, '0')
  // Neither what the limit is for nor the view was said: nothing is judged, no way told.
  await expect(page.getByTestId('verdict')).toContainText('Not valid')
  await expect(page.getByText('Which figure is the limit for').first()).toBeVisible()
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /Set up/ })
    .press('Enter')
  await pick(page, 'The limit is for', 'each axis')
  await pick(page, 'The clock is seen', 'from the gearbox')
  await tickAll(page)
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /Measure/ })
    .press('Enter')
  await tickAll(page)
  // All is read: the eye meets what decides.
  await expect(page.getByTestId('verdict')).toContainText('18.0')
  await expect(page.getByTestId('results')).toContainText('−10.0')
  await expect(page.getByRole('button', { name: /3 − 9.*18\.0/ }).first()).toBeVisible()
  await expect(page.getByTestId('move')).toContainText('Move the housing 10.3 thou towards 3:58, seen from the gearbox side')
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /Choose/ })
    .press('Enter')
  // 0 + 10 and 20 + 2 differ by 12: 3 of it no dowel moves, and none is chosen before it was read again.
  await expect(page.getByTestId('hold')).toContainText('Read it again at 8 marks before a dowel is chosen')
  await expect(page.getByTestId('catalogue').getByRole('button', { name: 'Fit' })).toHaveCount(0)
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /Measure/ })
    .press('Enter')
  await readAgain(page, [
    ['At 3', '14'],
    ['At 9', '-4'],
    ['Back at 12', '0'],
  ])
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /Choose/ })
    .press('Enter')
  await expect(page.getByTestId('hold')).toHaveCount(0)
  const rows = page.getByTestId('catalogue').getByRole('row')
  await expect(rows.nth(1)).toContainText('7 thou, marks to 3:42')
  await expect(rows.nth(1)).toContainText('−4.9')
  await expect(rows.nth(1)).toContainText('+4.9')
  await expect(page.getByTestId('catalogue')).toContainText('21 thou')
  await expect(page.getByTestId('catalogue')).toContainText('not here')
  await tickAll(page)
  await rows.nth(1).getByRole('button', { name: 'Fit' }).press('Enter')
  // The place of the marks is noted with it; the whole turn is asked for again.
  await expect(page.getByRole('button', { name: 'Dowel marks point to: 3:42' })).toBeVisible()
  await expect(page.getByLabel('Figure read')).toBeFocused()
  await type(page, '0', '-2', '4', '1', '0')
  await expect(page.getByText('One of the two turns is misread').first()).toBeVisible()
  await expect(page.getByTestId('rules')).toContainText('raw spread')
  const said = page.getByTestId('rules').getByRole('row')
  await expect(said.filter({ hasText: 'each axis' })).toContainText('in, decides')
  await expect(said.filter({ hasText: 'raw spread' })).toContainText('out')
  // 6 and 9 are read again, then the return.
  await readAgain(page, [
    ['At 3', '3'],
    ['At 6', '3.5'],
    ['At 9', '-1.5'],
    ['Back at 12', '0'],
  ])
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /Measure/ })
    .press('Enter')
  await tickAll(page)
  await page.getByRole('navigation', { name: 'Phases' }).getByRole('button', { name: /Prove/ }).press('Enter')
  await tickAll(page)
  await sign(page, (await page.locator('#sign-reason').count()) > 0 ? 'read twice' : '')
})

test('a shaft between centres: bow by half its runout, nothing to choose @long', async ({ page, shop }) => {
  await newJob(page, shop.address, 'quarry loader', 'bent half shaft')
  await kindOfCheck(page, 'Runout')
  await fill(page, 'Name', 'half shaft')
  await pick(page, 'Runout of', 'A shaft')
  await pick(page, 'The limit is for', 'the offset')
  await fill(page, /^Marks, in the order/, '0 45 90 135 180 225 270 315')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '3')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await tickAll(page)
  await next(page)
  await type(page, '0', '1', '3', '6', '7', '6', '3', '1', '0')
  await expect(page.getByTestId('verdict')).toContainText('3.5')
  await expect(page.getByTestId('move')).toContainText('High spot at 6:00')
  await tickAll(page)
  await page.getByRole('navigation', { name: 'Phases' }).getByRole('button', { name: /Prove/ }).press('Enter')
  await tabTo(page, active => active.id === 'sign-name')
  await expect(page.getByText('outside the limits').first()).toBeVisible()
})
