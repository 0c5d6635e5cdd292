import { rmSync } from 'node:fs'
import { allSteps, AS_PROGRAM, demoForThisFile, expect, openWorkshop, otherMachine, seriesRows, test, typeReading } from './workshop'

demoForThisFile()

test('the server stops between two readings: the bench says so, keeps them, and sends them when it is back', async ({ page }) => {
  const shop = await openWorkshop('demo')
  try {
    await page.goto(`${shop.address}/checks/launch-idler`)
    await page.getByRole('button', { name: /Measure/ }).click()
    await typeReading(page, '7.2')
    await expect(page.getByTestId('saved')).toHaveText('Saved')
    expect(await shop.stop()).toBe(0)

    await typeReading(page, '7.4')
    await expect(page.getByTestId('away')).toContainText('The server is away.')
    await typeReading(page, '7.2')
    await expect(page.getByTestId('away')).toContainText('2 entries are kept in this browser')
    await expect(seriesRows(page)).toHaveCount(4)
    await expect(page.getByTestId('verdict')).toContainText('7.3')

    // what needs the server waits for it
    await page.getByRole('button', { name: /Set up/ }).click()
    await page.getByLabel('Guarded: 95 % sure').check()
    await expect(page.getByRole('alert')).toContainText('The server is away')
    await page.getByLabel('Pack as found').fill('10, 5')
    // Begun in one phase, it waits in the next.
    await page
      .getByRole('button', { name: /Measure/ })
      .first()
      .click()
    await expect(page.getByLabel('Pack as found')).toHaveValue('10, 5')
    await page.getByLabel('Pack as found').press('Enter')
    await expect(page.getByRole('alert')).toContainText('The server is away')
    await expect(page.getByLabel('Pack as found')).toHaveValue('10, 5')

    await shop.start()
    await expect(page.getByTestId('saved')).toHaveText('Saved')
    await expect(page.getByTestId('away')).toHaveCount(0)
    await page.getByRole('button', { name: /Set up/ }).click()
    await page.getByLabel('Pack as found').press('Enter')
    await expect(page.getByText('1 × 10, 1 × 5')).toBeVisible()
    await expect(page.getByLabel('Pack as found')).toHaveValue('')
    await page.reload()
    await page.getByRole('button', { name: /Measure/ }).click()
    await expect(seriesRows(page)).toHaveCount(4)
  } finally {
    await shop.stop()
    rmSync(shop.folder, { recursive: true, force: true })
  }
})

test('what was typed while the server was away, and the page closed, is named among the jobs and sent when its check is opened', async ({
  page,
}) => {
  const shop = await openWorkshop('demo')
  try {
    await page.goto(`${shop.address}/checks/launch-idler`)
    await page.getByRole('button', { name: /Measure/ }).click()
    await shop.stop()
    await typeReading(page, '7.4')
    await expect(page.getByTestId('away')).toBeVisible()
    await page.close()
    await shop.start()
    const later = await page.context().newPage()
    // Something of a check that is no longer here waits beside it.
    await later.goto(`${shop.address}/stock`)
    await later.evaluate(() => {
      const [key, kept] = Object.entries(localStorage).find(([name]) => name.startsWith('finitum.outbox.'))!
      localStorage.setItem(key.replace('launch-idler', 'gone'), kept)
    })
    await later.goto(shop.address)
    const waiting = later.getByTestId('waiting')
    await expect(waiting).toContainText('Kept in this browser, not with the server yet')
    await expect(waiting).toContainText('of a check that is not here any more')
    await waiting.getByRole('button', { name: 'Drop it' }).press('Enter')
    await expect(waiting).not.toContainText('not here any more')
    await waiting.getByRole('link', { name: /Idler shaft end play/ }).press('Enter')
    await expect(later.getByTestId('saved')).toHaveText('Saved')
    await later.getByRole('button', { name: /Measure/ }).click()
    await expect(seriesRows(later)).toHaveCount(2)
    await later.goto(shop.address)
    await expect(later.getByText('On the bench')).toBeVisible()
    await expect(later.getByTestId('waiting')).toHaveCount(0)
  } finally {
    await shop.stop()
    rmSync(shop.folder, { recursive: true, force: true })
  }
})

test('a second tab that is behind is told so, and its entry is put on top', async ({ context, shop }) => {
  const first = await context.newPage()
  const second = await context.newPage()
  for (const page of [first, second]) {
    await page.goto(`${shop.address}/checks/moto-kick`)
    await page.getByRole('button', { name: /Measure/ }).click()
  }
  await typeReading(first, '5.2')
  await expect(first.getByTestId('saved')).toHaveText('Saved')
  await expect(second.getByTestId('stale')).toContainText('Changed in another tab')
  await typeReading(second, '5.4')
  await expect(second.getByTestId('stale')).toContainText('Your entry is kept')
  await second.getByRole('button', { name: 'Show the newer state' }).click()
  await expect(seriesRows(second)).toHaveCount(3)
  await expect(second.getByTestId('saved')).toHaveText('Saved')
})

test('a page left open learns by itself that another machine wrote', async ({ browser, shop }) => {
  const [idle, busy] = await Promise.all([0, 1].map(() => otherMachine(browser)))
  await idle!.clock.install()
  for (const page of [idle!, busy!]) {
    await page.goto(`${shop.address}/checks/pump-crank`)
    await page.getByRole('button', { name: /Set up/ }).click()
  }
  await busy!.getByLabel('Name of the check').fill('Engine shaft, end play')
  await busy!.keyboard.press('Tab')
  await expect(busy!.getByTestId('saved')).toHaveText('Saved')
  // It looks every ten seconds.
  await idle!.clock.fastForward(10_000)
  await expect(idle!.getByTestId('stale')).toContainText('Changed on another machine')
  await idle!.getByRole('button', { name: 'Show the newer state' }).click()
  await expect(idle!.getByLabel('Name of the check')).toHaveValue('Engine shaft, end play')
  await expect(busy!.getByTestId('stale')).toHaveCount(0)
})

test('settings changed faster than a slow server answers all arrive, in their order', async ({ page, shop }) => {
  await page.route('**/settings', async route => {
    await new Promise(resolve => setTimeout(resolve, 300))
    await route.continue()
  })
  await page.goto(`${shop.address}/checks/launch-coupling`)
  await page.getByRole('button', { name: /Set up/ }).click()
  for (const title of ['first', 'second', 'third']) {
    await page.getByLabel('Name of the check').fill(title)
    await page.keyboard.press('Tab')
  }
  await expect
    .poll(
      async () =>
        ((await (await fetch(`${shop.address}/api/checks/launch-coupling`)).json()) as { document: { title: string } }).document.title,
    )
    .toBe('third')
  // an answer that comes in late does not wipe out what is being typed in the next field
  await page.goto(`${shop.address}/checks/launch-idler`)
  await page.getByRole('button', { name: /Set up/ }).click()
  await page.getByLabel('Name of the check').fill('Idler, late answer')
  await page.getByLabel('Tip’s angle, degrees').fill('12')
  await expect(page.getByRole('heading', { name: 'Idler, late answer' })).toBeVisible()
  await expect(page.getByLabel('Tip’s angle, degrees')).toHaveValue('12')

  // rules of one pack, each with its own field, do not undo each other
  const rules = async () =>
    ((await (await fetch(`${shop.address}/api/checks/launch-idler`)).json()) as { document: { packRules: object } }).document.packRules
  await page.getByLabel('Most pieces').fill('5')
  await page.getByLabel('Fewest pieces').fill('2')
  await page.getByLabel('Largest stack').fill('60')
  await page.getByLabel('put in measured pieces only').check()
  await expect.poll(rules).toMatchObject({ most: 5, fewest: 2, largestStack: 1_524_000, noUnmeasured: true })
  await page.getByLabel('Largest stack').fill('')
  await page.getByLabel('Largest stack').press('Tab')
  await expect.poll(rules).not.toHaveProperty('largestStack')
  await expect(page.getByTestId('stale')).toHaveCount(0)
})

test('a step ticked while the set-up is on its way does not stand against it', async ({ page, shop }) => {
  await page.route('**/settings', async route => {
    await new Promise(resolve => setTimeout(resolve, 800))
    await route.continue()
  })
  await page.goto(`${shop.address}/checks/launch-coupling`)
  await page
    .getByRole('button', { name: /Set up/ })
    .first()
    .click()
  await page.getByLabel('Name of the check').fill('Output shaft, slow')
  await page.keyboard.press('Tab')
  await allSteps(page)
  const box = page.getByTestId('all-steps').getByRole('checkbox').first()
  const before = await box.isChecked()
  await box.focus()
  await page.keyboard.press('Space')
  await expect(page.getByRole('heading', { name: 'Output shaft, slow' })).toBeVisible()
  await expect(page.getByTestId('saved')).toHaveText('Saved')
  await expect(page.getByTestId('stale')).toHaveCount(0)
  await page.reload()
  await page
    .getByRole('button', { name: /Set up/ })
    .first()
    .click()
  await expect(page.getByLabel('Name of the check')).toHaveValue('Output shaft, slow')
  await allSteps(page)
  expect(await box.isChecked()).toBe(!before)
})

test('what is on its way when another check is opened arrives at the check it was written to', async ({ page, shop }) => {
  const stored = async (id: string) =>
    (
      (await (await fetch(`${shop.address}/api/checks/${id}`)).json()) as {
        document: { title: string; trials: { readings: { far?: number }[] }[] }
      }
    ).document
  await page.route(/launch-idler\/(readings|settings)$/, async route => {
    await new Promise(resolve => setTimeout(resolve, 1_200))
    await route.continue()
  })
  const before = (await stored('launch-idler')).trials.at(-1)!.readings.length
  const others = await stored('launch-coupling')
  await page.goto(`${shop.address}/jobs/launch-box`)
  await page.locator('a[href$="/checks/launch-idler"]').first().click()
  await page.getByRole('button', { name: /Measure/ }).click()
  await typeReading(page, '7.2')
  await typeReading(page, '7.3')
  await page.getByRole('button', { name: /Set up/ }).click()
  await page.getByLabel('Name of the check').fill('Idler, left in haste')
  await page.keyboard.press('Tab')
  await page.locator('a[href$="/jobs/launch-box"]').first().click()
  await page.locator('a[href$="/checks/launch-coupling"]').first().click()
  await expect(page.getByRole('heading', { name: others.title })).toBeVisible()
  await expect.poll(async () => (await stored('launch-idler')).title).toBe('Idler, left in haste')
  expect((await stored('launch-idler')).trials.at(-1)!.readings).toHaveLength(before + 2)
  // the answers did not take the bench from the check that is on it, nor reach it
  await expect(page.getByRole('heading', { name: others.title })).toBeVisible()
  await expect(page.getByTestId('stale')).toHaveCount(0)
  expect(await stored('launch-coupling')).toEqual(others)
})

test('a check made before a slow shop has answered still gets its drawer and its gauge', async ({ page, shop }) => {
  await page.route(/\/api\/(stock|gauges)$/, async route => {
    await new Promise(resolve => setTimeout(resolve, 1_500))
    await route.continue()
  })
  await page.goto(`${shop.address}/jobs/launch-box`)
  await page.getByRole('link', { name: 'New check' }).click()
  await expect(page.getByLabel(/^Which check/)).toBeFocused()
  await page.keyboard.type('shaft end')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused()
  await page.keyboard.type('Made in haste')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/checks\//)
  await expect(page.getByLabel('Pieces come from')).not.toHaveValue('')
  await expect(page.getByLabel('Dial indicator', { exact: true })).not.toHaveValue('')
})

test('another machine that is behind learns at its next write what it missed', async ({ browser, shop }) => {
  const pages = await Promise.all([0, 1].map(() => otherMachine(browser)))
  for (const page of pages) {
    await page.goto(`${shop.address}/checks/pump-governor`)
    await page.getByRole('button', { name: /Measure/ }).click()
    await expect(page.getByTestId('series')).toBeVisible()
  }
  const before = await seriesRows(pages[0]!).count()
  await typeReading(pages[0]!, '0.168')
  await expect(pages[0]!.getByTestId('saved')).toHaveText('Saved')
  await typeReading(pages[1]!, '0.17')
  await expect(pages[1]!.getByTestId('stale')).toContainText('logged')
  await pages[1]!.keyboard.press('Escape')
  await pages[1]!.getByRole('button', { name: 'Show the newer state' }).click()
  await expect(seriesRows(pages[1]!)).toHaveCount(before + 2)
  for (const page of pages) await page.context().close()
})

test('a piece that is gone from the drawer cannot be fitted', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/launch-input`)
  await expect(page.getByTestId('proposals').getByRole('listitem')).toHaveCount(5)
  const stock = (await (await fetch(`${shop.address}/api/stock`)).json()) as { lots: { id: string; version: number; onHand: number }[] }
  const lot = stock.lots.find(l => l.id === 'cover-m10')!
  const moved = await fetch(`${shop.address}/api/stock/lots/cover-m10/movements`, {
    method: 'POST',
    headers: AS_PROGRAM,
    body: JSON.stringify({ op: 'gone-1', version: lot.version, why: 'count', change: -lot.onHand, note: 'lent out' }),
  })
  expect(moved.status).toBe(200)
  await page.keyboard.press('f')
  await page.getByRole('button', { name: 'The pack is changed' }).click()
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText(/There are only 0 of [\d.]+ thou in the drawer; this needs 1\./)
})
