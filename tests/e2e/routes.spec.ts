import { emptyForThisFile, expect, tabTo, test, type } from './workshop'
import { fill, kindOfCheck, newJob, next, tabToField, tickAll } from './by-keyboard'

// A job of one's own, kept as a route, and a unit that comes back.
emptyForThisFile()

test('a job kept as a route: three keystrokes and a name begin the next; done again, its figures stand beside the new ones', async ({
  page,
  shop,
}) => {
  await page.goto(shop.address)
  await expect(page.getByRole('heading', { name: 'Nothing on the bench yet' })).toBeVisible()
  await page.keyboard.press('r')
  await expect(page.getByRole('dialog')).toContainText('There is no route yet')
  const ramp = await newJob(page, shop.address, 'Ferry ramp', 'Winch service')
  await kindOfCheck(page, 'Shaft end play')
  await fill(page, 'Name', 'Drum float')
  await fill(page, /^Book limit, lower/, '2')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '6')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await tickAll(page)
  await next(page)
  await page.keyboard.press('r')
  for (let i = 0; i < 3; i++) await type(page, '4', '')
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
  await tickAll(page)
  await next(page)
  await next(page)
  await tickAll(page)
  await expect(page.getByTestId('verdict')).toContainText('In')
  await page.keyboard.press('Escape')
  await tabTo(page, active => active.id === 'sign-name')
  await type(page, 'T. Marl')
  await expect(page.getByTestId('answer')).toContainText('Signed off by T. Marl')
  await expect(page.getByTestId('last-time')).toBeHidden()

  await page.goto(ramp)
  await expect(page.getByTestId('again')).toBeVisible()
  await tabTo(page, active => active.text === 'Keep as a route')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('What the route is called')).toBeFocused()
  await type(page, 'Winch, yearly')
  await expect(page.getByTestId('again')).toContainText('Kept: Winch, yearly')

  // Three keystrokes and a name.
  await page.goto(shop.address)
  await expect(page.getByRole('link', { name: /Ferry ramp/ }).first()).toBeVisible()
  await page.keyboard.press('r')
  await page.keyboard.press('1')
  await expect(page.getByLabel('Unit', { exact: true })).toBeFocused()
  await type(page, 'Slip winch')
  await expect(page.getByRole('heading', { name: 'Slip winch' })).toBeVisible()
  await expect(page.getByText('Winch, yearly')).toBeVisible()
  await page.keyboard.press('c')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await expect(page.getByRole('heading', { name: 'Drum float' }).first()).toBeAttached()
  await expect(page.getByTestId('last-time')).toBeHidden()

  // The ramp comes back.
  await page.goto(`${shop.address}/units`)
  await page.getByRole('link', { name: /Ferry ramp/ }).press('Enter')
  await page.getByRole('link', { name: /Winch service/ }).press('Enter')
  await tabTo(page, active => active.text === 'Do this job again')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('What is to be done')).toBeFocused()
  await type(page, 'Winch service, next year')
  await expect(page.getByText('Winch service, next year')).toBeVisible()
  await page.keyboard.press('c')
  await expect(page.getByTestId('last-time')).toContainText(/came in with 4\.0 ± .*went out with 4\.0/)
})
