import { fill, kindOfCheck, kit, newJob, next, pick, states, tabToField, tickAll } from './by-keyboard'
import { emptyForThisFile, expect, sign, tabTo, test, toCell, type } from './workshop'

// From an empty data folder to a signature, by keyboard alone. Worked example: common practice.
emptyForThisFile()

test('a shim by crush wire: runs until they agree, the shim they ask for, closed, proved by torque, signed @long', async ({
  page,
  shop,
}) => {
  await kit(shop.address, 'box shims', '40 x2', '20 x2', '1.9 x2', '5 x1')
  await newJob(page, shop.address, 'mail launch', 'reduction box')
  await kindOfCheck(page, 'Bearing shim')
  await fill(page, 'Name', 'input shaft')
  await fill(page, /^Wire, diameter/, '2.38 mm')
  await pick(page, 'Pieces come from', 'box')
  await tabToField(page, /^Book limit, lower/)
  await page.keyboard.type('4')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '7')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await pick(page, 'Limits of', 'Turning torque')
  await pick(page, 'Book limits: kind', 'From')
  await tabToField(page, /^Lower/)
  await page.keyboard.type('0.8')
  await tabToField(page, /^Upper/)
  await type(page, '1.4')
  await tickAll(page)
  await next(page)
  await states(page, /^A quarter of an hour warm/)
  const read = async (run: string, ...six: string[]) => {
    await toCell(page, `run ${run}, piece A, place 1:`)
    await type(page, ...six)
  }
  await read('1', '.0564', '.0564', '.0565', '.0563', '.0564', '.0564')
  await read('2', '.0580', '.0580', '.0580', '.0580', '.0580', '.0580')
  await expect(page.getByText('1.6 thou apart').first()).toBeVisible()
  const runs = page.getByTestId('runs')
  await expect(runs).toContainText('All 2')
  await read('3', '.0556', '.0556', '.0556', '.0556', '.0556', '.0556')
  await expect(runs).toContainText('All 3')
  await expect(runs).toContainText('56.7')
  await page.keyboard.press('Escape')
  const phase = (name: RegExp) => page.getByRole('navigation', { name: 'Phases' }).getByRole('button', { name }).press('Enter')
  await tickAll(page)
  await phase(/Choose/)
  // 56.7 and 5.5: 62.2, nearest of the drawer 40 + 20 + 1.9.
  await expect(page.getByText('put in 40', { exact: false }).first()).toBeVisible()
  await page.keyboard.press('f')
  await tabTo(page, active => active.text === 'The pack is changed')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await toCell(page, /turning:/)
  await type(page, '1.1', '', '1.1', '', '1.1', '')
  await page.keyboard.press('Escape')
  await phase(/Measure/)
  await tickAll(page)
  await phase(/Prove/)
  await tickAll(page)
  // How long it lay under torque is said of this fitting too.
  await page.keyboard.press('y')
  await expect(page.getByTestId('conditions')).not.toContainText('to be said')
  await sign(page, (await page.locator('#sign-reason').count()) > 0 ? 'torque in the middle of its limits' : '')
})
