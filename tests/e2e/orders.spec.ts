import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { fill, kindOfCheck, kit, newJob, next, pick, put, tabToField, tickAll } from './by-keyboard'
import { emptyForThisFile, expect, sign, tabTo, test, type } from './workshop'

// What the drawer does not have: ordered, waited for, measured as it comes, fitted. From an empty data folder, by keyboard; the figures are made up.
emptyForThisFile()

/** A shaft on the bench that is wanted at 2 to 6 thou and has more. @returns where it stands */
async function loose(
  page: Page,
  address: string,
  { unit, title, pack, reads, family = 'winch' }: { unit: string; title: string; pack: string; reads: string; family?: string },
): Promise<string> {
  await newJob(page, address, unit, 'Rebuild')
  await kindOfCheck(page, 'Shaft end play')
  await fill(page, 'Name', title)
  await pick(page, 'Where the pack sits', 'In the gap')
  await pick(page, 'Pieces come from', family)
  await fill(page, /^Book limit, lower/, '2')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '6')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await tabToField(page, /^Pack as found/)
  await type(page, pack)
  await tickAll(page)
  await next(page)
  await page.keyboard.press('r')
  for (let i = 0; i < 3; i++) await type(page, reads, '')
  await expect(page.getByTestId('verdict')).toContainText('Loose')
  return page.url()
}

test('from a drawer that will not do to a signature: listed, ordered, received piece by piece, fitted', async ({ page, shop }) => {
  await page.addInitScript(() => localStorage.setItem('finitum.signer', 'T. Marl'))
  const press = async (text: string) => {
    await tabTo(page, active => active.text === text || active.name === text)
    await page.keyboard.press('Enter')
  }
  await kit(shop.address, 'winch shims', '10 x2', '30 x1', '15 x0', '16 x0', '45 x0')
  const bench = await loose(page, shop.address, { unit: 'Slip winch', title: 'Drum float', pack: '30', reads: '20' })
  await next(page)
  // 20 with a 30 in: 46 leaves the middle, 4. With a 10 more it is 10, with both tens 0.
  const plan = page.getByTestId('order-plan')
  await expect(plan).toContainText('16 thou')
  await press('Put this on the order list')
  await expect(plan).toContainText('It is on the order list.')
  await expect(page.getByTestId('place-orders')).toContainText('1 × 16 thou: on the order list')
  // It waits, and the book says so.
  await page.goto(shop.address)
  await expect(page.getByRole('listitem').filter({ hasText: 'Drum float' }).first()).toContainText('to be ordered')

  // Ordered from somebody, due on a day; a day before it is ordered is refused where it stands.
  await page.goto(`${shop.address}/stock`)
  await expect(page.getByRole('button', { name: 'Open 16 thou, winch shims' })).toBeVisible()
  await page.keyboard.press('o')
  await expect(page.getByTestId('to-order')).toContainText('No supplier named yet')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Ordered from', { exact: true })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Who is it ordered from?')).toBeVisible()
  await fill(page, 'Ordered from', 'Skerry Bearing Stores')
  await page.getByLabel('To be here on').fill('2020-01-01')
  await page.getByLabel('To be here on').press('Enter')
  await expect(page.getByText('It cannot be here before it is ordered.')).toBeVisible()
  await page.getByLabel('To be here on').fill('2099-05-04')
  await page.getByLabel('To be here on').press('Enter')
  const order = page.getByTestId('purchase')
  await expect(order).toContainText('due 4 May 2099')
  await expect(order).toContainText('0 of 1')
  const waiting = page.waitForEvent('download')
  await order.getByRole('link', { name: 'CSV' }).press('Enter')
  const csv = readFileSync(await (await waiting).path(), 'utf8')
  expect(csv.split('\n')[1]).toBe('Skerry Bearing Stores,,winch shims,16 thou,,1,0,,"1 for Slip winch, Drum float"')
  await page.goto(shop.address)
  await expect(page.getByRole('listitem').filter({ hasText: 'Drum float' }).first()).toContainText('waits for 1 piece, due 4 May 2099')

  // It comes: what is no such piece is asked about; counted by mistake, it is taken back.
  await page.goto(`${shop.address}/orders`)
  await expect(order).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  const came = page.getByTestId('receive')
  await expect(came.getByLabel('What the micrometer says')).toBeFocused()
  await type(page, '61')
  await expect(came).toContainText('61 thou is far from what it is marked. Is that right?')
  await expect(came).toContainText('piece 1 of 1')
  await page.keyboard.press('Control+a')
  await type(page, '16.2')
  await expect(came).toContainText('all here')
  await expect(came).toContainText('Kept for Slip winch, Drum float')
  await press('take the last back')
  await expect(came).toContainText('piece 1 of 1')
  await expect(came.getByLabel('What the micrometer says')).toBeFocused()
  await type(page, '16.1')
  await expect(came).toContainText('So far: 16.1 thou')
  await expect(page.getByRole('link', { name: 'Go on with it' })).toBeFocused()
  // The book carries on with it first.
  await page.goto(shop.address)
  await expect(page.getByText('what it waited for is here').first()).toBeVisible()
  await page.keyboard.press('c')
  await expect(page).toHaveURL(bench)
  await expect(page.getByTestId('place-orders')).toContainText('1 × 16 thou: here: 16.1 thou')
  await expect(page.getByTestId('kept')).toContainText('16.1')
  // 20 − 16.1 = 3.9.
  await expect(page.getByTestId('proposals')).toContainText(/put in 16\.1.*3\.9/is)
  await page.keyboard.press('f')
  await press('The pack is changed')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(page.getByTestId('place-orders')).toBeHidden()
  for (let i = 0; i < 3; i++) await type(page, '4', '')
  await page.keyboard.press('Escape')
  await page.getByRole('navigation', { name: 'Phases' }).getByRole('button', { name: /Prove/ }).press('Enter')
  await tickAll(page)
  await expect(page.getByTestId('verdict')).toContainText('In')
  // What it wanted besides leaves the list with the signature. Somebody else writes: not while this page still does.
  await expect(page.getByTestId('saved')).toHaveText('Saved')
  const check = bench.split('/').pop()!
  const ask = async (path: string) => (await fetch(`${shop.address}/api/${path}`)).json()
  const wanted = async () =>
    ((await ask('orders')) as { lines: { purchase: string | null }[] }).lines.filter(line => line.purchase === null)
  const { version, lots } = (await ask(`checks/${check}`)) as { version: number; lots: { id: string; nominal: number }[] }
  const spare = lots.find(({ nominal }) => nominal === 254_000)!
  await put(
    shop.address,
    'POST /api/checks/:id/wants',
    { op: 'spare', version, place: 'pack', pieces: [{ lotId: spare.id, count: 1 }] },
    check,
  )
  expect(await wanted()).toHaveLength(1)
  await page.reload()
  await expect(page.getByTestId('verdict')).toContainText('In')
  await sign(page)
  expect(await wanted()).toEqual([])
  // What came and went, by whom: taken in, taken back, fitted.
  await page.goto(`${shop.address}/stock`)
  // Nobody has one any more: such sizes are folded away.
  await page.getByRole('button', { name: /nobody has$/ }).press('Enter')
  await page.getByRole('button', { name: 'Open 16 thou, winch shims' }).press('Enter')
  await page.getByText('Who did what').press('Enter')
  await expect(page.getByTestId('thing-history')).toContainText(
    /1 fitted, Drum float · T. Marl.*measured 16\.1.*Taken back.*measured 16\.2/s,
  )
})

test('what a supplier cancels is said at the check; open checks are looked through; a size for the drawer @long', async ({
  page,
  shop,
}) => {
  await kit(shop.address, 'capstan shims', '10 x2', '30 x1', '15 x0', '16 x0', '45 x0')
  const bench = await loose(page, shop.address, {
    unit: 'Pilot cutter',
    title: 'Capstan float',
    pack: '10',
    reads: '19',
    family: 'capstan',
  })

  await page.goto(`${shop.address}/stock`)
  // Sizes nobody has are folded.
  await page
    .getByRole('button', { name: /sizes nobody has$/ })
    .first()
    .press('Enter')
  await page.getByRole('button', { name: 'Open 45 thou, capstan shims' }).press('Enter')
  await page.getByText('Who did what').press('Enter')
  await expect(page.getByTestId('thing-history')).toContainText('Nothing was done here yet.')
  await fill(page, 'Bought from', 'Northness Shim Works')
  await page.getByLabel('Bought from').press('Enter')
  await tabToField(page, 'Put on the order list, pieces')
  await type(page, '0')
  await expect(page.getByText('At least one.')).toBeVisible()
  await fill(page, 'Put on the order list, pieces', '3')
  await page.getByLabel('Put on the order list, pieces').press('Enter')
  await expect(page.getByText('3 on the order list.')).toBeVisible()
  await expect(page.getByTestId('coming')).toHaveText('3 on the order list, for the drawer')
  await expect(page.getByTestId('thing-history')).toContainText('Size changed')

  await page.goto(`${shop.address}/orders`)
  await expect(page.getByTestId('to-order')).toContainText('Northness Shim Works')
  await page.keyboard.press('l')
  const lacking = page.getByTestId('look-through')
  // 19 with a 10 in: 15 and 16 both leave 3 or 4.
  await expect(lacking).toContainText(/1 × 1[56] thou for Pilot cutter, Capstan float/)
  await lacking.getByRole('button', { name: 'On the list' }).press('Enter')
  await expect(page.getByTestId('to-order')).toHaveCount(2)
  const skerry = page.getByTestId('to-order').filter({ hasText: 'Pilot cutter' })
  await skerry.getByRole('button', { name: 'one more, for the drawer' }).press('Enter')
  await expect(skerry).toContainText('the drawer')
  await skerry.getByRole('button', { name: 'Take off the list: 1 for the drawer' }).press('Enter')
  await expect(skerry).not.toContainText('1 the drawer')
  await skerry.getByRole('button', { name: 'Order these' }).press('Enter')
  await page.getByLabel('Ordered from', { exact: true }).fill('Skerry Bearing Stores')
  await page.getByRole('button', { name: 'It is ordered' }).press('Enter')
  const order = page.getByTestId('purchase').filter({ hasText: 'Pilot cutter' })
  await expect(order).toContainText('no day said')
  await order.getByRole('button', { name: 'not ordered after all' }).press('Enter')
  await expect(page.getByTestId('to-order').filter({ hasText: 'Pilot cutter' })).toBeVisible()
  await page.getByTestId('to-order').filter({ hasText: 'Pilot cutter' }).getByRole('button', { name: 'Order these' }).press('Enter')
  await page.getByRole('button', { name: 'It is ordered' }).press('Enter')
  await order.getByRole('button', { name: 'will not come' }).press('Enter')
  await expect(page.getByLabel('Why it will not come')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Why does it not come?')).toBeVisible()
  await type(page, 'made no more')
  await expect(order).toContainText('will not come: made no more')
  await page.goto(bench)
  await expect(page.getByTestId('place-orders')).toContainText('will not come from Skerry Bearing Stores: made no more')
  await page.goto(shop.address)
  await expect(page.getByRole('listitem').filter({ hasText: 'Capstan float' }).first()).toContainText('will not come')

  // What the drawer waits for is told where the same size would be ordered once more; the order is found by its number.
  await page.goto(`${shop.address}/stock`)
  await page
    .getByRole('button', { name: /sizes? nobody has$/ })
    .first()
    .press('Enter')
  for (const size of [15, 16]) {
    await page.getByRole('button', { name: `Open ${size} thou, capstan shims` }).press('Enter')
    await fill(page, 'Bought from', 'Skerry Bearing Stores')
    await page.getByLabel('Bought from').press('Enter')
    await fill(page, 'Put on the order list, pieces', '2')
    await page.getByLabel('Put on the order list, pieces').press('Enter')
    await expect(page.getByTestId('coming')).toHaveText('2 on the order list, for the drawer')
  }
  await page.goto(`${shop.address}/orders`)
  const both = page.getByTestId('to-order').filter({ hasText: /15 thou.*16 thou/s })
  await both.getByRole('button', { name: 'Order these' }).press('Enter')
  await page.getByLabel('Ordered from', { exact: true }).fill('Skerry Bearing Stores')
  await page.getByLabel(/Number or reference/).fill('SK-88')
  await page.getByRole('button', { name: 'It is ordered' }).press('Enter')
  await expect(page.getByTestId('purchase').filter({ hasText: 'SK-88' })).toContainText('0 of 2')
  await page.goto(bench)
  await expect(page.getByTestId('order-plan').getByTestId('coming')).toContainText(
    /^1[56] thou: 2 on their way from Skerry Bearing Stores already, for the drawer\./,
  )
  await page.goto(`${shop.address}/records?words=sk-88`)
  await expect(page.getByTestId('others')).toContainText('Skerry Bearing Stores, SK-88')
  await page.getByTestId('others').getByRole('link').press('Enter')
  await expect(page.locator('[data-test="purchase"][aria-current="true"]')).toContainText('SK-88')
})

test('two at the same list: what one ordered, the other sees with the refusal; a piece is not received twice; nothing typed is lost when the server is gone', async ({
  page,
  shop,
  context,
}) => {
  await kit(shop.address, 'ramp shims', '10 x1')
  const { lots } = (await (await fetch(`${shop.address}/api/stock`)).json()) as { lots: { id: string; family: string }[] }
  const ten = lots.find(({ family }) => family === 'ramp shims')!
  await put(shop.address, 'POST /api/orders/lines', { op: 'ten', id: 'ten', lotId: ten.id, pieces: 1 })
  const order = async (tab: Page) => {
    const list = tab.getByTestId('to-order').filter({ hasText: '10 thou' })
    await list.getByRole('button', { name: 'Order these' }).press('Enter')
    await list.getByLabel('Ordered from', { exact: true }).fill('Northness Shim Works')
    return list
  }
  const other = await context.newPage()
  for (const tab of [page, other]) {
    await tab.goto(`${shop.address}/orders`)
    await expect(tab.getByTestId('to-order').filter({ hasText: '10 thou' })).toBeVisible()
  }
  await (await order(page)).getByRole('button', { name: 'It is ordered' }).press('Enter')
  const card = (tab: Page) => tab.getByTestId('purchase').filter({ hasText: '10 thou' })
  await expect(card(page)).toBeVisible()
  await (await order(other)).getByRole('button', { name: 'It is ordered' }).press('Enter')
  await expect(other.getByTestId('overtaken')).toContainText('A line was ordered in the meantime')
  await expect(card(other)).toBeVisible()
  await expect(other.getByTestId('to-order').filter({ hasText: '10 thou' })).toBeHidden()

  for (const tab of [page, other]) await card(tab).getByRole('button', { name: 'It came: 10 thou' }).press('Enter')
  await type(page, '10.1')
  await expect(page.getByTestId('receive')).toContainText('all here')
  const field = other.getByLabel('What the micrometer says')
  await other.route('**/receipts', route => route.abort())
  await field.fill('10.2')
  await field.press('Enter')
  await expect(other.getByText('The server is away. Nothing was lost')).toBeVisible()
  await expect(field).toHaveValue('10.2')
  await other.unroute('**/receipts')
  await field.press('Enter')
  await expect(other.getByTestId('overtaken')).toContainText('All of these are here already.')
  await expect(other.getByTestId('receive')).toContainText('So far: 10.1 thou')
})
