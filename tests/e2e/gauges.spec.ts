import { AS_PROGRAM, demoForThisFile, expect, test } from './workshop'

demoForThisFile()

test('the register: overdue is said, zeroed at a key, a gauge entered and refused with its fault', async ({ page, shop }) => {
  await page.goto(`${shop.address}/gauges`)
  await expect(page.getByText('1 overdue for its check')).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('z')
  await expect(page.getByText('today', { exact: true })).toBeVisible()
  await page.keyboard.press('n')
  const panel = page.getByTestId('gauge-panel')
  await panel.getByLabel('Kind').selectOption('micrometer')
  await panel.getByLabel('Name').fill('Micrometer M-9')
  await panel.getByLabel('Graduation', { exact: true }).fill('0.1')
  await panel.getByLabel('From').fill('2')
  await panel.getByLabel('To', { exact: true }).fill('1')
  await panel.getByRole('button', { name: 'Enter it' }).press('Enter')
  await expect(panel).toContainText('The range must rise.')
  await panel.getByLabel('To', { exact: true }).fill('3')
  await panel.getByRole('button', { name: 'Enter it' }).press('Enter')
  await expect(page.getByRole('button', { name: 'Open Micrometer M-9' })).toBeVisible()
})

test('setting a micrometer: 1.7767 in is sleeve 1.775, thimble 1, vernier 7; calipers catch a whole turn', async ({ page, shop }) => {
  await page.goto(`${shop.address}/gauges`)
  await page.keyboard.press('h')
  const helper = page.getByTestId('micrometer-helper')
  await helper.getByLabel('Set it to').fill('1.7767')
  await expect(helper.getByTestId('setting')).toHaveText('1.775 in on the sleeve, 1 on the thimble, 7 on the vernier.')
  await expect(helper.getByTestId('micrometer')).toBeVisible()
  await helper.getByLabel('Calipers across it').fill('1.8017')
  await expect(helper.getByTestId('calipers-answer')).toContainText('Off by 1 whole turn')
  await helper.getByLabel('Thimble read back').fill('1.7766')
  await expect(helper.getByTestId('read-back')).toContainText('−0.1 thou off')
  await helper.getByLabel('Set it to').fill('-1')
  await expect(helper).toContainText('no setting below zero')
})

test('building a bore gauge from an edited kit; overlapping ranges both will do, a missing piece is left out @long', async ({
  page,
  shop,
}) => {
  await page.goto(`${shop.address}/gauges`)
  await page.getByRole('tab', { name: 'Bore gauge' }).click()
  const helper = page.getByTestId('bore-helper')
  const anvil = async (name: string, from: string, to: string) => {
    await helper.getByLabel('Anvil', { exact: true }).fill(name)
    await helper.getByLabel('From').fill(from)
    await helper.getByLabel('To', { exact: true }).fill(to)
    await helper.getByRole('button', { name: 'Add' }).first().press('Enter')
  }
  await anvil('A3', '1.7', '1.4')
  await expect(helper.getByRole('alert')).toContainText('must rise')
  await anvil('A3', '1.4', '1.7')
  await expect(helper.getByRole('button', { name: 'Remove A3' })).toBeVisible()
  await anvil('A4', '1.6', '1.9')
  await expect(helper.getByRole('button', { name: 'Remove A4' })).toBeVisible()
  await helper.getByLabel('Bore', { exact: true }).fill('1.65')
  await expect(helper.getByTestId('builds').getByRole('row')).toHaveCount(3)
  await helper.getByLabel('A4 is missing').check()
  await expect(helper.getByTestId('builds').getByRole('row')).toHaveCount(2)
  await helper.getByLabel('Bore', { exact: true }).fill('3')
  await expect(helper).toContainText('Nothing in the box reaches that bore.')
})

test('heat: says when it matters; a negative temperature is one, below absolute zero is none @long', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/le-mains`)
  await expect(page.getByTestId('verdict')).toContainText('Loose')
  await page.keyboard.press('h')
  await page.getByRole('tab', { name: 'Temperature' }).click()
  const helper = page.getByTestId('temperature-helper')
  await helper.getByLabel('It reads').fill('48.04')
  await helper.getByLabel('is at').first().fill('32')
  await expect(helper.getByTestId('temperature-answer')).toContainText('48.0334 mm')
  await expect(helper.getByTestId('temperature-answer')).toContainText('it matters')
  await helper.getByLabel('Part runs at').fill('90')
  await expect(helper.getByTestId('temperature-answer')).toContainText('Running at 90 °C it should be 48.0720 mm: a prediction')
  await helper.getByLabel('is at').first().fill('-5')
  await expect(helper.getByTestId('temperature-answer')).toContainText('small with cold')
  await helper.getByLabel('is at').first().fill('-300')
  await expect(helper).toContainText('absolute zero')
})

test('the bench warns of the gauge in hand, and takes that it was zeroed', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/le-mains`)
  await page
    .getByRole('button', { name: /Measure/ })
    .first()
    .click()
  await expect(page.getByTestId('gauge-warning').first()).toContainText('was due for its check on 20 Oct 2026')
  await page.getByRole('button', { name: 'zeroed now' }).press('Enter')
  await expect(page.getByRole('button', { name: 'zeroed now' })).toBeHidden()
})

test('a register of hundreds is there whole, though it comes in parts', async ({ page, shop }) => {
  const enter = (n: number) =>
    fetch(`${shop.address}/api/gauges`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...AS_PROGRAM },
      body: JSON.stringify({ op: `many-${n}`, id: `many-${n}`, kind: 'micrometer', fields: { name: `Zz micrometer ${n}` } }),
    })
  for (let n = 100; n < 290; n++) expect((await enter(n)).status).toBe(200)
  const sent: number[] = []
  page.on('response', async response => {
    if (new URL(response.url()).pathname === '/api/gauges') sent.push((await response.body()).length)
  })
  await page.goto(`${shop.address}/gauges`)
  await page.getByRole('row', { name: 'Zz micrometer 289' }).waitFor()
  await expect(page.getByRole('row', { name: 'Zz micrometer 100' })).toHaveCount(1)
  await expect.poll(() => sent.length).toBe(2)
  expect(Math.max(...sent)).toBeLessThan(100_000)

  // What is written is answered alone, and is found where its name has it.
  const answered = page.waitForResponse(response => response.url().endsWith('/many-200'))
  await page.getByRole('button', { name: 'Open Zz micrometer 200' }).press('Enter')
  await page.getByTestId('gauge-panel').getByLabel('Name').fill('Zz micrometer 288 bis')
  await page.getByTestId('gauge-panel').getByRole('button', { name: 'Keep' }).press('Enter')
  expect((await (await answered).body()).length).toBeLessThan(1000)
  const names = page.getByRole('row', { name: /^Zz micrometer/ })
  await expect(names).toHaveCount(190)
  await expect(names.nth(-2)).toContainText('Zz micrometer 288 bis')
})
