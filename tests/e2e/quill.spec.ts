import { fill, kindOfCheck, kit, newJob, next, pick, states, tabToField, tickAll } from './by-keyboard'
import { emptyForThisFile, expect, sign, tabTo, test, type } from './workshop'

// From an empty data folder to a signature, by keyboard alone. The figures are made up.
emptyForThisFile()

test('a selective race known as thick, middle, thin: as it came in with seals, dry with the same one, then chosen, before beside after @long', async ({
  page,
  shop,
}) => {
  // A word is no thickness: said at its line, and nothing is lost.
  await page.goto(`${shop.address}/stock`)
  await page.getByRole('button', { name: 'Whole kit' }).press('Enter')
  await expect(page.getByLabel('Family of the kit')).toBeFocused()
  await page.keyboard.type('races')
  await page.keyboard.press('Tab')
  await type(page, 'thick', '66 middle')
  await expect(page.getByTestId('kit')).toContainText('Line 1: “thick” says which, not how thick: measure it')
  await kit(shop.address, 'races', '56 thin', '66 middle', '76 thick')

  await newJob(page, shop.address, 'island bus', 'automatic gearbox')
  await kindOfCheck(page, 'Shaft end play')
  await fill(page, 'Name', 'input shaft')
  await pick(page, 'Where the pack sits', 'In the gap: one')
  await pick(page, 'Measured before strip-down', 'Yes')
  await pick(page, 'Pieces come from', 'races')
  await fill(page, /^Book limit, lower/, '19')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '30')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await tickAll(page)
  await next(page)
  // As it came in, with its seals.
  await states(page, 'In')
  await page.getByLabel('Far reading').focus()
  await type(page, '33', '', '33', '', '33', '')
  await expect(page.getByTestId('verdict')).toContainText('Loose')
  await page.keyboard.press('Escape')
  await page.keyboard.press('PageDown')
  // What is in nobody measured: by how much another must differ is told all the same.
  await expect(page.getByTestId('answer').getByText('It wants 3 to 14 thou thicker than what is in.')).toBeVisible()
  await tabToField(page, /^Pack as found/)
  await type(page, 'fat')
  await expect(page.getByText('“fat” says which, not how thick')).toBeVisible()
  await page.keyboard.press('Control+a')
  await type(page, 'middle')
  await expect(page.getByTestId('proposals').getByRole('listitem').first()).toContainText('76')
  // Apart, cleaned, and together with the same race, without seals.
  await tabTo(page, active => active.text === 'built again with the same pack')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toContainText('Built again, the same pack')
  await tabTo(page, active => active.text === 'It is built again')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Far reading')).toBeFocused()
  await states(page, 'Out, dry')
  await page.getByLabel('Far reading').focus()
  await type(page, '35', '', '35', '', '35', '')
  await expect(page.getByTestId('verdict')).toContainText('Loose')
  await page.keyboard.press('Escape')
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /Choose/ })
    .press('Enter')
  // From the dry reading alone: 35 − 10; with seals it read 2 less, and is held against nothing.
  await expect(page.getByTestId('answer')).toContainText('leaves 25.0')
  await page.keyboard.press('f')
  await tabTo(page, active => active.text === 'The pack is changed')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Far reading')).toBeFocused()
  await type(page, '25', '', '25', '', '25', '')
  // Another race is another fitting: that it is dry and sealed off is said of it anew.
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
  await page.keyboard.press('y')
  await expect(page.getByTestId('conditions')).not.toContainText('to be said')
  await page.getByRole('navigation', { name: 'Phases' }).getByRole('button', { name: /Prove/ }).press('Enter')
  await tickAll(page)
  await expect(page.getByTestId('before-after')).toContainText('33.0')
  await expect(page.getByTestId('before-after')).toContainText('25.0')
  await expect(page.getByTestId('before-after')).toContainText('−8.0')
  await expect(page.getByTestId('fittings')).toContainText('as found · seals in')
  await sign(page)
})
