import { demoForThisFile, expect, test, type } from './workshop'

// The sheet is the field: by keyboard, as somebody types who does not look at the screen.
demoForThisFile()

test('no figure lands elsewhere: struck out, refused, chosen by the arrows, it stands where it was typed', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/le-rods`)
  const cells = page.getByTestId('points').locator('[data-cell]')
  // Two rods are read; it stands at the third.
  await expect(page.getByTestId('points').getByRole('group', { name: 'Strip, rod 3, front: not read' })).toBeVisible()
  const at = await cells.evaluateAll(all => all.findIndex(one => one.getAttribute('role') === 'group'))
  const [first, second, third, fourth] = [cells.nth(at), cells.nth(at + 1), cells.nth(at + 2), cells.nth(at + 3)]
  await page.keyboard.press('r')
  await type(page, '0.051')
  await expect(second).toHaveRole('group')
  // Struck out, the field is where the figure was; what is read instead goes there, and then on to what is empty.
  await page.keyboard.press('v')
  await expect(page.getByRole('dialog')).toContainText('Void reading 0.051')
  await type(page, 'slip')
  await expect(first).toHaveRole('group')
  await type(page, '0.038')
  await expect(first).toContainText('0.038')
  await expect(second).toHaveRole('group')
  // Refused it is selected: the next figure takes its place.
  await type(page, '0.05.1')
  await expect(page.getByRole('alert')).toBeVisible()
  await type(page, '0.051')
  await expect(second).toContainText('0.051')
  await expect(third).toHaveRole('group')
  // The arrows choose, Tab too; what was begun waits where it was begun, and is told from what is stored.
  await page.keyboard.type('0.06')
  await page.keyboard.press('ArrowUp')
  await expect(third).toHaveAttribute('aria-label', /not read, typed and not stored: 0\.06$/)
  await page.keyboard.press('ArrowDown')
  await expect(third).toHaveRole('group')
  await expect(page.getByLabel('Figure read')).toHaveValue('0.06')
  await type(page, '4')
  await expect(third).toContainText('0.064')
  await expect(fourth).toHaveRole('group')
  await page.keyboard.press('Shift+Tab')
  await expect(third).toHaveRole('group')
  // What stands there is seen through the empty field.
  await expect(page.getByPlaceholder('0.064')).toBeFocused()
  // Read again on purpose: the mean, of two, and on to what is empty.
  await type(page, '0.051')
  await expect(third).toHaveText(/0\.0575? ×2|0\.058 ×2/)
  await expect(fourth).toHaveRole('group')
})

test('one step at a time: Space when it is done, all of them at A; a must and what warns are ticked one by one', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/launch-idler`)
  const due = page.getByTestId('step-due')
  await expect(due).toContainText('Space done')
  const step = await due.getByRole('checkbox').locator('..').innerText()
  await page.keyboard.press('Escape')
  await page.keyboard.press(' ')
  await expect(due).not.toContainText(step)
  await page.keyboard.press('a')
  const all = page.getByTestId('all-steps')
  await expect(all.getByRole('checkbox', { name: step.split(' · ')[0]! })).toBeChecked()
  await page.keyboard.press('a')
  for (const item of await all.getByRole('listitem').all()) {
    const open = (await item.textContent())!.includes('must be ticked')
    const warns = (await item.locator('.caution').count()) > 0
    if (!warns) await expect(item.getByRole('checkbox')).toBeChecked({ checked: !open })
  }
  // In a cell in which something is typed, a blank belongs to it.
  await page.getByRole('button', { name: 'Measure' }).press('Enter')
  await page.getByLabel('Far reading').focus()
  await page.keyboard.type('3 1/2')
  await expect(page.getByLabel('Far reading')).toHaveValue('3 1/2')
})
