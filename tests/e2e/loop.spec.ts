import { fill, kindOfCheck, tickAll } from './by-keyboard'
import { allSteps, demoForThisFile, expect, tabTo, test, typeReading } from './workshop'

demoForThisFile()

test('the whole loop on a demo job, by keyboard alone', async ({ page, shop }) => {
  await page.goto(shop.address)
  await expect(page.getByRole('heading', { name: 'On the bench', exact: true })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Carry on' }).first()).toBeVisible()
  // C carries on with what is out of limits
  await page.keyboard.press('c')
  await expect(page).toHaveURL(/checks\/launch-input/)
  await expect(page.getByTestId('verdict')).toContainText('Loose')
  await expect(page.getByTestId('figure')).toHaveText('22.2')
  await expect(page.getByTestId('proposals').getByRole('listitem')).toHaveCount(5)

  // pick another pack and come back
  await page.keyboard.press('2')
  await expect(page.getByTestId('proposals').getByRole('button', { pressed: true })).toContainText('2')
  const second = await page.getByTestId('answer').innerText()
  await page.keyboard.press('1')
  await expect(page.getByTestId('answer')).not.toHaveText(second)
  await expect(page.getByTestId('answer')).toContainText('Take out 11.8 + 10, put in 4 (m): leaves 4.4')
  await expect(page.getByTestId('answer')).toContainText('22.2 − (11.8 + 10) + 4 = 4.4 thou')

  // where the figures come from
  await page.keyboard.press('e')
  await expect(page.getByTestId('explain')).toContainText('Permissible error of the gauge')
  await expect(page.getByTestId('explain')).toContainText('Reduction box manual, p. 4-15, rev. C')
  await page.keyboard.press('Escape')

  // inch and mm at a key
  await page.keyboard.press('u')
  await expect(page.getByTestId('figure')).toHaveText('0.563')
  await page.keyboard.press('u')

  // fit it
  await page.keyboard.press('f')
  await expect(page.getByRole('dialog')).toContainText('1 × 10 thou')
  await tabTo(page, active => active.text === 'The pack is changed')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('answer')).toContainText('4.4 thou is expected')

  // measure again: the field has the focus already
  await expect(page.getByLabel('Far reading')).toBeFocused()
  for (const far of ['4.4', '4.6', '4.4']) {
    await page.keyboard.type(far)
    await page.keyboard.press('Enter')
    await page.keyboard.press('Enter')
  }
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
  await expect(page.getByTestId('proof')).toContainText('off by')
  await expect(page.getByTestId('blockers')).toContainText('Cover bolts tightened evenly')

  // tick what must be, with this fitting again: set-up too
  await expect(page.getByTestId('blockers')).toContainText('Faces clean and dry')
  await tickAll(page)
  await expect(page.getByTestId('verdict')).toContainText('In')
  await tabTo(page, active => active.id === 'sign-name')
  await page.keyboard.type('T. Marl')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('answer')).toContainText('Signed off by T. Marl')
  await expect(page.getByLabel('Far reading')).toHaveCount(0)

  // it is stored, the pieces moved, and the list knows
  await page.reload()
  await expect(page.getByTestId('answer')).toContainText('Signed off by T. Marl')
  const stock = (await (await fetch(`${shop.address}/api/stock`)).json()) as { lots: { id: string; onHand: number }[] }
  const onHand = (id: string) => stock.lots.find(lot => lot.id === id)!.onHand
  expect([onHand('cover-12'), onHand('cover-10'), onHand('cover-m10')]).toEqual([3, 6, 5])
  await page.goto(shop.address)
  await expect(page.locator('a[href="/checks/launch-input"]', { hasText: 'In, signed' })).toBeVisible()

  // reopening needs a reason
  await page.goto(`${shop.address}/checks/launch-input`)
  await page.getByRole('button', { name: 'Reopen' }).click()
  await expect(page.getByText('Give the reason: it stands in the record.')).toBeVisible()
  await page.getByLabel('Why it is opened again').fill('bearing to be changed')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Far reading')).toBeVisible()
})

test('a job and a check from scratch, with an unknown pack, by keyboard @long', async ({ page, shop }) => {
  await page.goto(shop.address)
  await expect(page.getByRole('heading', { name: 'On the bench', exact: true })).toBeVisible()
  await page.keyboard.press('n')
  await expect(page.getByLabel('Unit', { exact: true })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Which unit is it?')).toBeVisible()
  await page.keyboard.type('Harbour crane')
  await page.keyboard.press('Tab')
  await page.keyboard.type('Slewing box')
  await page.keyboard.press('Enter')
  // What is to be measured is asked at once.
  await kindOfCheck(page, 'Shaft end')
  await fill(page, 'Name', 'Worm end play')
  await page.getByLabel('Pieces come from').selectOption('Cover shims')
  await page.getByLabel('Book limit, lower').focus()
  await page.keyboard.type('4')
  await page.keyboard.press('Tab')
  await page.keyboard.type('8')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/checks\//)
  await expect(page.getByRole('button', { name: /Set up/ })).toHaveAttribute('aria-current', 'step')

  // set-up: list the pack, tick the steps
  await page.getByLabel('Pack as found').fill('10, 5, 3.1 in')
  await page.keyboard.press('Enter')
  await expect(page.getByText('1 × 10')).toBeVisible()
  await page.getByLabel('Pack as found').fill('10, five')
  await page.keyboard.press('Enter')
  await expect(page.getByText('“five” says which, not how thick')).toBeVisible()
  // Two of 3, or three of 2? It asks; the answer stands in the field, and is listed.
  await page.getByLabel('Pack as found').fill('10, 5, 2 x 3')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: '2 pieces of 3' }).press('Enter')
  await expect(page.getByText('1 × 10, 1 × 5, 2 × 3')).toBeVisible()
  await allSteps(page)
  for (const box of await page.getByRole('navigation', { name: 'Phases' }).getByRole('checkbox').all()) {
    await box.focus()
    await page.keyboard.press('Space')
  }
  await page.keyboard.press('PageDown')
  await expect(page.getByLabel('Far reading')).toBeFocused()
  for (const far of ['14', '14.2', '14']) await typeReading(page, far)
  await expect(page.getByTestId('verdict')).toContainText('Loose')
  await page.keyboard.press('PageDown')
  await expect(page.getByTestId('proposals').getByRole('listitem')).toHaveCount(5)
  await expect(page.getByText(/Totals that would do: 10\.9 to 14\.9 thou/)).toBeVisible()
})

test('an own pack, put together piece by piece by keyboard, is predicted as it is, and fitted', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/pb-flange`)
  await page
    .getByRole('button', { name: /Choose/ })
    .first()
    .click()
  await page.keyboard.press('o')
  const own = page.getByTestId('own-pack')
  await expect(own.getByTestId('own-says')).toContainText('leaves')
  await expect(own.getByRole('button', { name: 'Fit this' })).toHaveCount(0)
  // The cursor stands on the thickest piece: out it comes, and what is left is said at once.
  const before = await own.getByTestId('own-says').innerText()
  await page.keyboard.press('Enter')
  await expect(own.getByTestId('own-says')).not.toHaveText(before)
  await expect(page.getByTestId('answer')).toContainText('Take out')
  await tabTo(page, active => active.name.startsWith('Put in 0.401'))
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('answer')).toContainText('put in')
  const expected = /leaves ([\d.−]+)/.exec(await page.getByTestId('answer').innerText())![1]!
  await expect(own.getByTestId('own-says')).toContainText(`leaves ${expected}`)
  await own.getByRole('button', { name: 'Fit this' }).press('Enter')
  await tabTo(page, active => active.text === 'The pack is changed')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('answer')).toContainText(`Measure again: ${expected} mm is expected`)
})
