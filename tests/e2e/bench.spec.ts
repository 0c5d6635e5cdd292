import { readFileSync } from 'node:fs'
import { demoForThisFile, expect, seriesRows, test, typeReading } from './workshop'

demoForThisFile()

test.beforeEach(async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/launch-idler`)
  await page.getByRole('button', { name: /Measure/ }).click()
})

test('bad entries are said at the field, nothing is stored, nothing is lost', async ({ page }) => {
  const rows = seriesRows(page)
  await typeReading(page, 'dkk')
  await expect(page.getByRole('alert')).toContainText('“dkk” is not a length')
  await expect(page.getByLabel('Far reading')).toHaveValue('dkk')
  await expect(rows).toHaveCount(1)

  await page.getByLabel('Far reading').fill('.018')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('inches, or thou?')
  // Enter takes none of the answers.
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('inches, or thou?')
  // Typed anew instead of answered: every digit is there, and nothing is confirmed by the way.
  await page.keyboard.type('19.5')
  await expect(page.getByLabel('Far reading')).toHaveValue('19.5')
  await expect(page.getByLabel('Far reading')).toBeFocused()
  await expect(rows).toHaveCount(1)
  await page.getByLabel('Far reading').fill('.018')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('inches, or thou?')
  // A digit picks one; with another behind it both were the figure typed anew.
  await page.keyboard.press('1')
  await expect(page.getByTestId('figure')).toHaveText('18.0')
  await expect(page.getByLabel('Far reading')).toBeFocused()
  await page.keyboard.type('9')
  await expect(page.getByLabel('Far reading')).toHaveValue('19')
  await page.getByLabel('Far reading').fill('1.2 in')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('A play of 1.2 in is a lot')
  await page.getByLabel('Far reading').fill('')
  await expect(rows).toHaveCount(1)
})

test('estimate, gates and verdict follow every keystroke', async ({ page }) => {
  await page.getByLabel('Far reading').focus()
  await page.keyboard.type('1')
  await expect(page.getByTestId('verdict')).toContainText('Tight')
  await page.keyboard.type('1')
  await expect(page.getByTestId('verdict')).toContainText('Loose')
  await expect(page.getByTestId('figure')).toHaveText('11.0')
  await page.getByLabel('Back reading').fill('3')
  await expect(page.getByTestId('verdict')).toContainText('Not valid')
  await expect(page.getByTestId('finding').first()).toContainText('the base, the tip or the seat moved')
  await page.getByLabel('Back reading').fill('')
  await page.getByLabel('sprang back').check()
  await expect(page.getByTestId('verdict')).toContainText('Not valid')
  await page.getByLabel('sprang back').uncheck()
  await page.getByLabel('Far reading').fill('0.28 mm')
  await expect(page.getByTestId('figure')).toHaveText('11.0')
  await page.getByLabel('Far reading').fill('')
})

test('a figure half typed and a logged reading survive a reload', async ({ page }) => {
  await typeReading(page, '9.4')
  await expect(seriesRows(page)).toHaveCount(2)
  await page.getByLabel('Far reading').fill('9.')
  await page.reload()
  await expect(seriesRows(page)).toHaveCount(2)
  await expect(page.getByLabel('Far reading')).toHaveValue('9.')
  await page.getByLabel('Far reading').fill('')
})

test('Z logs at zero, V voids with a reason that stays in the record', async ({ page }) => {
  const before = await seriesRows(page).count()
  await page.getByLabel('Far reading').focus()
  await page.keyboard.type('9.2')
  // What cannot continue the figure is a command.
  await page.keyboard.press('z')
  await expect(seriesRows(page)).toHaveCount(before + 1)
  await page.keyboard.press('v')
  await expect(page.getByRole('dialog')).toContainText('Void reading 9.2')
  await page.getByLabel('Why?').press('Enter')
  await expect(page.getByText('Say why this reading is struck out.')).toBeVisible()
  await page.getByLabel('Why?').fill('lever slipped')
  await page.keyboard.press('Enter')
  await expect(page.getByText('void: lever slipped')).toBeVisible()
  await expect(page.getByTestId('saved')).toHaveText('Saved')
  await page.reload()
  await expect(page.getByText('void: lever slipped')).toBeVisible()
})

test('a series that walks is not valid, and cannot be signed', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/bus-main`)
  await expect(page.getByTestId('verdict')).toContainText('Not valid')
  await page.getByRole('button', { name: /Prove/ }).click()
  await expect(page.getByTestId('blockers')).toContainText('The series is not valid')
  await expect(page.getByRole('button', { name: 'Sign off' })).toHaveCount(0)
})

test('limits, aim, rule and gauge can be changed on the bench', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/pump-crank`)
  await expect(page.getByTestId('verdict')).toContainText('Too close to call')
  await expect(page.getByTestId('figure')).toHaveText('0.204')
  await page.getByRole('button', { name: /Set up/ }).click()
  await page.getByLabel('Plain: inside the limits passes').check()
  await expect(page.getByTestId('verdict')).toContainText('Loose')
  const book = page.getByRole('group', { name: 'Book limits' })
  // kept as soon as the field is left; the answer does not take the next field out of the hand
  await book.getByLabel('Upper').fill('0.22')
  await page.keyboard.press('Tab')
  // The final torque is not ticked yet.
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
  await expect(page.getByTestId('saved')).toHaveText('Saved')
  await expect(book.getByRole('checkbox').first()).toBeFocused()
  await book.getByLabel('Upper').fill('0.01')
  await book.getByLabel('Page').focus()
  await expect(book.getByText('The lower limit is above the upper one.')).toBeVisible()
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
  await page.getByLabel('Aim at').selectOption('loose')
  await expect(page.getByRole('button', { name: 'Choose' })).toHaveAttribute('title', 'aim: loose end')
  await page.getByLabel('Dial indicator').selectOption({ label: 'Dial D-1, 0.1 thou' })
  await expect(page.getByText(/5 of 5 · Dial D-1/)).toBeVisible()
  await page.reload()
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
})

test('nothing in the drawer reaches the limits: the nearest on the safe side, named as such', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/loader-joint`)
  await expect(page.getByTestId('proposals')).toContainText('Nothing in the drawer reaches the limits.')
  await expect(page.getByTestId('proposals')).toContainText('good for a trial, not for the road')
  // the order plan shows by itself
  const plan = page.getByTestId('order-plan')
  await expect(plan).toContainText('one does, with a chance of 78 %. No size in the catalogue adds to that')
})

test('pieces kept for one open check are not offered to another, until they are let go', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/launch-input`)
  await page.getByRole('button', { name: 'keep these pieces for this check' }).press('Enter')
  await expect(page.getByTestId('kept')).toContainText('Kept for this check: 4 (m)')
  const seen = async (check: string) =>
    ((await (await fetch(`${shop.address}/api/checks/${check}`)).json()) as { lots: { id: string; reserved: number }[] }).lots.find(
      lot => lot.id === 'cover-m10',
    )!.reserved
  expect([await seen('launch-input'), await seen('launch-idler')]).toEqual([0, 1])
  await page.goto(`${shop.address}/stock`)
  await expect(page.getByText('1 kept for input shaft end play')).toBeVisible()
  await page.getByRole('button', { name: 'Open 0.10 mm, Cover shims' }).press('Enter')
  await expect(page.getByTestId('lot-panel')).toContainText('1 kept for input shaft end play')
  await page.goto(`${shop.address}/checks/launch-input`)
  await page.getByRole('button', { name: 'let them go' }).press('Enter')
  await expect(page.getByTestId('kept')).toBeHidden()
  expect(await seen('launch-idler')).toBe(0)
})

test('nothing to order where the drawer will do, asked for by hand', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/launch-input`)
  await page.getByRole('button', { name: 'what to order, if these will not do' }).press('Enter')
  await expect(page.getByTestId('order-plan')).toContainText(
    'Once a fitting has shown the play, the drawer holds a pack that fits, with a chance of > 99 %: nothing to order.',
  )
})

test('the ledger names the odd fitting; a residual needs a reason', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/loader-transfer`)
  await expect(page.getByTestId('ledger-words')).toContainText('Fitting 2 is')
  await expect(page.getByText('A 121 that is really a 118: measure it.')).toBeVisible()
  await expect(page.getByTestId('ledger-plot')).toContainText('odd one out')
  await page.getByLabel('Name', { exact: true }).fill('T. Marl')
  await page.getByRole('button', { name: 'Accept and sign off' }).click()
  await expect(page.getByText('Give the reason: it stands in the record.')).toBeVisible()
  await page.getByLabel('Reason for accepting it').fill('washer E measured: it is a 118')
  // The reason stays until it stands in the record.
  await page.route('**/sign-off', route => route.abort())
  await page.getByRole('button', { name: 'Accept and sign off' }).click()
  await expect(page.getByText('The server is away. Nothing was lost')).toBeVisible()
  await expect(page.getByLabel('Reason for accepting it')).toHaveValue('washer E measured: it is a 118')
  await page.unroute('**/sign-off')
  await page.getByRole('button', { name: 'Accept and sign off' }).click()
  await expect(page.getByTestId('answer')).toContainText('Signed off by T. Marl')
})

test('every drawing can be saved as a file that stands by itself', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/launch-input`)
  await expect(page.getByTestId('proposals').getByRole('listitem')).toHaveCount(5)
  await page.keyboard.press('e')
  for (const [name, holds] of [
    ['limit band', '22.2'],
    ['pack', '11.8'],
    ['where the gauge stands', 'Section: dial'],
  ] as const) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('dialog').getByRole('button', { name, exact: true }).press('Enter'),
    ])
    expect(download.suggestedFilename()).toBe(`${name.replaceAll(' ', '-')}.svg`)
    const svg = readFileSync(await download.path(), 'utf8')
    expect(svg).toContain(holds)
    // Colours are written out: nothing in it needs the page.
    expect(svg).not.toMatch(/var\(|class=/)
    const seen = await page.evaluate(async text => {
      const image = new Image()
      image.src = `data:image/svg+xml,${encodeURIComponent(text)}`
      await image.decode()
      return image.naturalWidth
    }, svg)
    expect(seen).toBeGreaterThan(200)
  }
})

test('“binds” is typed and logged like a figure', async ({ page }) => {
  await page.getByLabel('Far reading').focus()
  await page.keyboard.type('binds')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toHaveCount(0)
  await expect(page.getByLabel('Far reading')).toHaveValue('')
  await expect(seriesRows(page).last()).toContainText('binds')
  await expect(page.getByTestId('verdict')).toContainText('Tight')
})
