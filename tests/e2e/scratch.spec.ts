import type { Page } from '@playwright/test'
import { emptyForThisFile, expect, sign, tabTo, test, type, typeReading } from './workshop'

// From an empty data folder to a signature, by keyboard alone. The figures are made up.
emptyForThisFile()

const at = (page: Page, label: string | RegExp) => page.getByLabel(label, { exact: true }).first()

/** Picks an option as a typist does: to the field by Tab, then the beginning of its name. */
async function pick(page: Page, label: string | RegExp, option: string): Promise<void> {
  const field = at(page, label)
  await tabToField(page, label)
  await page.keyboard.type(option)
  await expect(field.locator('option:checked')).toHaveText(new RegExp(`^${option}`, 'i'))
  await page.keyboard.press('Tab')
}
async function tabToField(page: Page, label: string | RegExp): Promise<void> {
  const id = await at(page, label).getAttribute('id')
  await tabTo(page, active => active.id === id)
}
async function fill(page: Page, label: string | RegExp, text: string): Promise<void> {
  await tabToField(page, label)
  await page.keyboard.press('Control+a')
  await page.keyboard.type(text)
  await page.keyboard.press('Tab')
}

/** Every step in sight ticked, by Tab and Space. */
async function tickAll(page: Page): Promise<void> {
  for (const box of await page.getByRole('navigation', { name: 'Phases' }).getByRole('checkbox').all()) {
    if (await box.isChecked()) continue
    await box.focus()
    await page.keyboard.press('Space')
    await expect(box).toBeChecked()
  }
}

async function newJob(page: Page, address: string, unit: string, job: string): Promise<void> {
  await page.goto(address)
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible()
  await page.keyboard.press('n')
  await page.keyboard.type(unit)
  await page.keyboard.press('Tab')
  await type(page, job)
  await expect(page.getByRole('heading', { name: unit })).toBeVisible()
  await page.keyboard.press('n')
}

test('thrust halves, one loose half: played, aligned, played again, signed', async ({ page, shop }) => {
  await newJob(page, shop.address, 'ferry', 'main engine')
  await page.keyboard.type('thrust halves')
  await pick(page, 'Kind of check', 'Thrust')
  await pick(page, /^Thrust bearing/, 'One loose')
  await fill(page, /^Book limit, lower/, '3')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '6')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await tickAll(page)
  await page.keyboard.press('PageDown')
  await expect(page.getByLabel('Far reading')).toBeFocused()
  for (let i = 0; i < 3; i++) await typeReading(page, '1.5')
  await tickAll(page)
  await tabTo(page, active => active.name.startsWith('Play before aligning'))
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: /^Play after aligning/ })).toBeVisible()
  for (const far of ['4.4', '4.5', '4.5']) await typeReading(page, far)
  await expect(page.getByTestId('verdict')).toContainText('In')
  await page.keyboard.press('Escape')
  await page.keyboard.press('PageDown')
  await page.keyboard.press('PageDown')
  await tickAll(page)
  await sign(page)
})

/** Into the field of a set-up that is kept when it is left. */
async function keep(page: Page, label: string | RegExp, text: string): Promise<void> {
  await fill(page, label, text)
  await expect(page.getByTestId('saved')).toHaveText('Saved')
}
const next = async (page: Page) => {
  await page.keyboard.press('Escape')
  await page.keyboard.press('PageDown')
}

for (const sample of [false, true])
  test(`rollers from the bag, ${sample ? 'judged by a sample' : 'every one measured'}: sorted, the bore honed to them, finished, signed`, async ({
    page,
    shop,
  }) => {
    await newJob(page, shop.address, sample ? 'mule' : 'moped', 'bottom end')
    await page.keyboard.type('big end')
    await pick(page, 'Kind of check', 'Roller')
    await fill(page, /^Book limit, lower/, '0.8')
    await tabToField(page, /^Book limit, upper/)
    await type(page, '1.4')
    await expect(page.getByTestId('verdict')).toContainText('To do')
    await keep(page, 'Rods', '1')
    await keep(page, 'Rollers in a set', sample ? '12' : '4')
    await keep(page, 'Bags of rollers', '1')
    if (sample) await pick(page, 'Sets are judged by', 'A sample')
    await keep(page, /Actual size of the master/, '2.5')
    await keep(page, /Its size is known to/, '0')
    await tickAll(page)
    await next(page)
    await expect(page.getByLabel('Figure read')).toBeFocused()
    await tickAll(page)
    await page.keyboard.press('r')
    // Two pin diameters, then the rollers.
    await type(page, '2.0000', '2.0000', '.2498', '.2499', '.2498', '.2498')
    if (sample) await type(page, '.2498', '.2498')
    await next(page)
    const take = page.getByRole('button', { name: sample ? 'Bag A for rod 1' : 'Take for rod 1' })
    await expect(take).toBeVisible()
    await take.focus()
    await page.keyboard.press('Enter')
    await tickAll(page)
    // Four of them: 2 + 0.2499 + 0.2498 + 0.0011 = 2.5008 in, that is −0.8 on a dial that climbs, set to 2.5. Twelve of the bag:
    // mean 0.249817, s ÷ c₄ 0.000043, so 0.249887 and 0.249747 to expect: 2.50073.
    await expect(page.getByTestId('targets').getByRole('row').nth(1)).toContainText(sample ? '2.5007' : '2.50080')
    await page.keyboard.press('r')
    await expect(page.getByLabel('Figure read')).toBeFocused()
    await expect(page.getByRole('heading', { name: 'Hone, rod 1, front, thou' })).toBeVisible()
    const size = sample ? '-0.73' : '-0.8'
    await type(page, '-0.4', '-0.4', size, size)
    await expect(page.getByTestId('answer')).toContainText('at size: stop')
    await type(page, size, size, size, size)
    await next(page)
    await tickAll(page)
    // 2.5008 − 2 − 2 × 0.2499 = 1.0 thou; 2.50073 − 2 − 2 × 0.249887 = 0.96.
    await expect(page.getByTestId('figure')).toHaveText('1.0')
    await expect(page.getByTestId('verdict')).toContainText('In')
    await sign(page)
  })

test('a shaft: what was read on the pack that is in counts, not what was expected of it; signed', async ({ page, shop }) => {
  await newJob(page, shop.address, 'sawmill', 'saw shaft')
  await page.keyboard.type('saw shaft play')
  await fill(page, /^Book limit, lower/, '3')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '5')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await tabToField(page, /^Pack as found/)
  await type(page, '18')
  await tickAll(page)
  await next(page)
  await expect(page.getByLabel('Far reading')).toBeFocused()
  for (let i = 0; i < 3; i++) await typeReading(page, '6')
  await expect(page.getByTestId('verdict')).toContainText('Loose')
  await tickAll(page)
  await next(page)
  await page.getByTestId('drawer-here').getByRole('button', { name: 'Put sizes in' }).press('Enter')
  await expect(page.getByLabel('Family')).toBeFocused()
  await page.keyboard.type('saw shims')
  await fill(page, /^Size, as marked/, '16')
  await page.getByLabel('Pieces', { exact: true }).focus()
  await page.keyboard.press('Control+a')
  await type(page, '2')
  // 6 − (18 − 16) = 4
  await expect(page.getByTestId('answer')).toContainText('Take out 18, put in 16: leaves 4.0')
  await expect(page.getByLabel('Pieces come from')).toHaveValue('saw shims')
  await expect(page.getByLabel('Size, as marked')).toBeFocused()
  await tabTo(page, active => active.text === 'Leave it')
  await page.keyboard.press('Enter')
  await page.keyboard.press('f')
  await tabTo(page, active => active.text === 'The pack is changed')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('answer')).toContainText('4.0 thou is expected')
  await expect(page.getByLabel('Far reading')).toBeFocused()
  for (let i = 0; i < 3; i++) await typeReading(page, '3.4')
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
  await tickAll(page)
  await expect(page.getByTestId('verdict')).toContainText('In')
  await page.keyboard.press('Escape')
  await page.keyboard.press('PageUp')
  await expect(page.getByTestId('proposals').getByRole('listitem').first()).toContainText('3.4')
  await next(page)
  await tickAll(page)
  await sign(page)
})
