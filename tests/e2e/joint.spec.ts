import { fill, kindOfCheck, kit, newJob, next, pick, tabToField, tickAll } from './by-keyboard'
import { emptyForThisFile, expect, sign, tabTo, test, toCell, type } from './workshop'

// From an empty data folder to a signature, by keyboard alone. The figures are made up.
emptyForThisFile()

test('a universal joint: kit by colour, every ring as a line of plays, one plane changed, frost foretold, signed', async ({
  page,
  shop,
}) => {
  await kit(shop.address, 'joint rings', '57 red x4', '58 blue x4', '59 green x4', '61 white x4')
  await newJob(page, shop.address, 'quarry loader', 'propeller shaft')
  await kindOfCheck(page, 'Universal')
  await fill(page, 'Name', 'front joint')
  await pick(page, 'Ears of plane 1', 'Aluminium')
  await fill(page, /^Plane 1, over the grooves/, '90 mm')
  await pick(page, 'Pieces come from', 'joint')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '3')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await expect(page.getByRole('navigation', { name: 'Phases' })).toContainText('can kill')
  await pick(page, 'Place', 'Plane 1')
  await tabToField(page, /^Pack as found/)
  await type(page, '59 + 59')
  await expect(page.getByText('2 × 59', { exact: false }).first()).toBeVisible()
  await pick(page, 'Place', 'Plane 2')
  await tabToField(page, /^Pack as found/)
  await type(page, '57 + 57')
  await expect(page.getByText('2 × 57', { exact: false }).first()).toBeVisible()
  await tickAll(page)
  await next(page)
  const travel = async (plane: string, ...figures: string[]) => {
    await toCell(page, `${plane}, pushed and pulled:`)
    await expect(page.getByLabel('Far reading')).toBeFocused()
    await type(page, ...figures.flatMap(figure => [figure, '']))
  }
  await travel('Plane 1', '5.2', '5.2', '5.2')
  await travel('Plane 2', '1.5', '1.5', '1.5')
  await page.keyboard.press('Escape')
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /Choose/ })
    .press('Enter')
  // 5.2 with a 59 each side: 61 leaves 1.2, 58 and 57 are looser.
  const lines = page.getByTestId('ring-lines')
  await expect(lines).toContainText('1.2')
  await expect(lines).toContainText('7.2')
  await expect(lines).toContainText('preload')
  // 118 + 5.2 − 3 to under 118 + 5.2 in all, half of it each.
  await expect(page.getByText(/^Each side would do: 60\.1 to under 61\.6 thou/)).toBeVisible()
  await page.keyboard.press('f')
  await expect(page.getByRole('dialog')).toContainText('61')
  await tabTo(page, active => active.text === 'The pack is changed')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  // Plane 2 holds; alloy ears lose 1.6 in frost.
  await travel('Plane 1', '1.2', '1.2', '1.2')
  await expect(page.getByText('it binds in frost').first()).toBeVisible()
  await page.getByRole('navigation', { name: 'Phases' }).getByRole('button', { name: /Prove/ }).press('Enter')
  await tickAll(page)
  await sign(page, (await page.locator('#sign-reason').count()) > 0 ? 'never driven in frost' : '')
})

test('a joint off the middle: unequal rings, the thicker one where it centres, proved against what they should leave @long', async ({
  page,
  shop,
}) => {
  await kit(shop.address, 'rings', '57 red x4', '58 blue x4', '59 green x4', '60 grey x4')
  await newJob(page, shop.address, 'quarry loader', 'rear shaft')
  await kindOfCheck(page, 'Universal')
  await fill(page, 'Name', 'rear joint')
  await fill(page, /^Plane 1, joint off the middle/, '-1')
  await pick(page, 'Pieces come from', 'rings')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '3')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await pick(page, 'Place', 'Plane 1')
  await tabToField(page, /^Pack as found/)
  await type(page, '57 + 57')
  await expect(page.getByText('2 × 57', { exact: false }).first()).toBeVisible()
  await pick(page, 'Place', 'Plane 2')
  await tabToField(page, /^Pack as found/)
  await type(page, '57 + 57')
  await tickAll(page)
  await next(page)
  const travel = async (plane: string, ...figures: string[]) => {
    await toCell(page, `${plane}, pushed and pulled:`)
    await expect(page.getByLabel('Far reading')).toBeFocused()
    await type(page, ...figures.flatMap(figure => [figure, '']))
  }
  await travel('Plane 1', '3.5', '3.5', '3.5')
  await travel('Plane 2', '1.5', '1.5', '1.5')
  await page.keyboard.press('Escape')
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /Choose/ })
    .press('Enter')
  const list = page.getByTestId('catalogue')
  await expect(list.getByRole('row').nth(1)).toContainText('59 green left, 57 red right')
  await expect(page.getByTestId('answer')).toContainText('Plane 1 play: 59 green left, 57 red right, in limits.')
  await list.getByRole('row').nth(1).getByRole('button', { name: 'Fit' }).press('Enter')
  await expect(page.getByRole('button', { name: 'Plane 1, the thicker ring: left' })).toBeVisible()
  // 3.5 − 2 = 1.5, as the pair foretold.
  await travel('Plane 1', '1.5', '1.5', '1.5')
  await page.getByRole('navigation', { name: 'Phases' }).getByRole('button', { name: /Prove/ }).press('Enter')
  await expect(page.getByTestId('proof')).toContainText('1.5')
  await tickAll(page)
  await sign(page)
})
