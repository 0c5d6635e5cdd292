import { fill, keep, kindOfCheck, newJob, next, pick, tabToField, tickAll } from './by-keyboard'
import { emptyForThisFile, expect, sign, tabTo, test, toCell, type } from './workshop'

// From an empty data folder to a signature, by keyboard alone. The figures are made up.
emptyForThisFile()

test('an oil pump: what to rub off its face for both rotors, noted as rework, measured again, signed', async ({ page, shop }) => {
  await newJob(page, shop.address, 'fire pump', 'lubrication')
  await kindOfCheck(page, 'Oil pump')
  await fill(page, 'Name', 'oil pump')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '3')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await tickAll(page)
  await next(page)
  const gap = async (rotor: string, goes: string, not: string) => {
    await toCell(page, `${rotor}, end clearance:`)
    await expect(page.getByLabel(/^Thickest stack/)).toBeFocused()
    await type(page, goes, not)
  }
  await gap('Outer rotor', '5.5', '6.5')
  await gap('Inner rotor', '4.5', '5.5')
  await expect(page.getByTestId('verdict')).toContainText('Above')
  await next(page)
  // 6 and 5, up to 3: over 3 and less than 5 has to come off, 4 leaves 2 and 1.
  const target = page.getByTestId('target')
  await expect(target).toContainText('Rub off the body’s face')
  await expect(target).toContainText('4.0')
  await expect(target).toContainText('3.0 to 5.0 would do')
  await expect(target).toContainText('the cover’s face takes nothing off')

  // Rubbed: noted under the parts of the job, and what was measured no longer holds.
  await page.keyboard.press('j')
  await expect(page.getByRole('heading', { name: 'fire pump' })).toBeVisible()
  await page.getByRole('button', { name: 'Pump body was replaced or reworked' }).press('Enter')
  await expect(page.getByLabel('What was done')).toBeFocused()
  await page.keyboard.type('face rubbed down')
  await tabTo(page, active => active.id === 'part-by')
  await type(page, 'T. Marl')
  await expect(page.getByLabel('What was done')).toBeHidden()
  await page.getByRole('link', { name: /oil pump/ }).press('Enter')
  await expect(page.getByTestId('verdict')).toContainText('Stale')
  await gap('Outer rotor', '1.5', '2.5')
  await gap('Inner rotor', '0.5', '1.5')
  await page.getByRole('button', { name: 'Closed: turned by hand:' }).press('Enter')
  await type(page, 'free')
  await tickAll(page)
  await page.keyboard.press('Escape')
  await page.getByRole('navigation', { name: 'Phases' }).getByRole('button', { name: /Prove/ }).press('Enter')
  await tickAll(page)
  await sign(page, (await page.locator('#sign-reason').count()) > 0 ? 'as measured' : '')
})

test('a bore to a size: class offered by ISO 286, what to hone it to and what the dial shows, a master mistyped, signed @long', async ({
  page,
  shop,
}) => {
  await newJob(page, shop.address, 'mail launch', 'reduction box')
  await kindOfCheck(page, 'Diameter')
  await fill(page, 'Name', 'bearing bore')
  await pick(page, 'It is', 'Worked to size')
  await fill(page, /^Nominal diameter/, '60 mm')
  await pick(page, 'Class of the hole, ISO 286', 'H7')
  await fill(page, /^Actual size of the master/, '40 mm')
  await tabTo(page, active => active.text === 'Begin the check')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await tickAll(page)
  await next(page)
  const places = ['plane A, station 1', 'plane B, station 1', 'plane A, station 2', 'plane B, station 2']
  const at = async (point: string, figure: string) => {
    await toCell(page, new RegExp(`^(Bore, )?${point}:`))
    await type(page, figure)
  }
  for (const place of places) await at(place, '0.040 mm')
  // The master was mistyped: no bore gauge of the register reaches there.
  await expect(page.getByText('is outside the range of Bore gauge').first()).toBeVisible()
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /Set up/ })
    .press('Enter')
  await keep(page, /^Actual size of the master/, '60 mm')
  await next(page)
  // 60 less 0.04: no limits yet, and those of the class are offered.
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Set a limit here' }).press('Enter')
  await expect(page.getByTestId('thumb')).toContainText('ISO 286 H7 at 60 mm')
  await page.getByRole('button', { name: 'Use it as shop limits' }).press('Enter')
  await expect(page.getByTestId('verdict')).toContainText('Below')
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /Choose/ })
    .press('Enter')
  const target = page.getByTestId('target')
  await expect(target).toContainText('Hone it to')
  await expect(target).toContainText('On the dial, cold')
  await expect(target).toContainText('Still to come off')
  await page.keyboard.press('j')
  await page.getByRole('button', { name: 'Bore was replaced or reworked' }).press('Enter')
  await expect(page.getByLabel('What was done')).toBeFocused()
  await page.keyboard.type('honed')
  await tabTo(page, active => active.id === 'part-by')
  await type(page, 'T. Marl')
  await expect(page.getByLabel('What was done')).toBeHidden()
  await page.getByRole('link', { name: /bearing bore/ }).press('Enter')
  await expect(page.getByTestId('verdict')).toContainText('Stale')
  for (const place of places) await at(place, '-0.012 mm')
  await page.getByRole('navigation', { name: 'Phases' }).getByRole('button', { name: /Prove/ }).press('Enter')
  await tickAll(page)
  await sign(page, (await page.locator('#sign-reason').count()) > 0 ? 'as honed' : '')
})
