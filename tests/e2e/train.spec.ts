import { fill, kindOfCheck, kit, newJob, next, pick, tabToField, tickAll } from './by-keyboard'
import { cell, emptyForThisFile, expect, sign, tabTo, test, type } from './workshop'

// From an empty data folder to a signature, by keyboard alone. Worked example: common practice.
emptyForThisFile()

test('a gear train: a swap that gains nothing is said before it is apart, a judgement too wide, a pack that lands, signed', async ({
  page,
  shop,
}) => {
  await kit(shop.address, 'washers', '60 plastic x1', '60.1 bronze x1', '15 steel x3', '10 blue x2')
  await newJob(page, shop.address, 'island bus', 'gear train')
  await kindOfCheck(page, 'Gaps')
  await fill(page, 'Name', 'train')
  await fill(page, 'Gaps in the chain', '2')
  await fill(page, /^Gap 2, in build order/, 'end play')
  await pick(page, 'Gap 2 is read', 'by a dial')
  await pick(page, 'What goes into gap 1 moves', 'gap 2 too: thicker opens')
  // Of a small bolt a figure alone may be in either unit.
  await fill(page, /^Feed bolt/, '22')
  await expect(page.getByText('22 of what?')).toBeVisible()
  await page.getByRole('button', { name: '22 in·lb' }).press('Enter')
  await expect(page.getByText('22 of what?')).toHaveCount(0)
  // There is none in this one.
  await tabToField(page, /^Feed bolt/)
  await page.keyboard.press('Control+a')
  await page.keyboard.press('Backspace')
  await page.keyboard.press('Tab')
  await pick(page, 'Pieces come from', 'washers')
  await tabToField(page, /^Book limit, lower/)
  await page.keyboard.type('7')
  await tabToField(page, /^Book limit, upper/)
  await type(page, '15')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await pick(page, 'Place', 'Planet')
  await tabToField(page, /^Pack as found/)
  await type(page, 'plastic')
  await expect(page.getByText('1 × 60', { exact: false }).first()).toBeVisible()
  await pick(page, 'Place', 'end play')
  await tabToField(page, /^Pack as found/)
  await type(page, 'none')
  await expect(page.getByText('nothing fitted').first()).toBeVisible()
  await tickAll(page)
  await next(page)
  await type(page, '40..50', '')
  await type(page, '12', '', '12', '', '12', '')
  await page.keyboard.press('Escape')
  const phase = (name: RegExp) => page.getByRole('navigation', { name: 'Phases' }).getByRole('button', { name }).press('Enter')
  await phase(/Choose/)
  await expect(page.getByText('no pack is sure to land').first()).toBeVisible()
  const ifs = page.getByTestId('what-if')
  const move = async (piece: string, where: string) => {
    await pick(page, 'Piece', piece)
    await pick(page, 'Goes into', where)
    await tabTo(page, active => active.text === 'Move it')
    await page.keyboard.press('Enter')
  }
  await move('60 thou plastic', 'the drawer')
  await move('60.1 thou bronze', 'Planet')
  await expect(ifs.getByRole('row', { name: /Planet/ })).toContainText('−0.1')
  await move('15 thou steel, from', 'Planet')
  await move('15 thou steel, from', 'Planet')
  await expect(ifs.getByRole('row', { name: /Planet/ })).toContainText('9.9 to 19.9')
  await expect(ifs.getByRole('row', { name: /Planet/ })).toContainText('may land')
  // Thicker below opens the end play.
  await expect(ifs.getByRole('row', { name: /end play/ })).toContainText('+30.1')
  await ifs.getByRole('button', { name: 'Fit these' }).press('Enter')
  await expect(cell(page, 'Planet to planet: not read')).toBeVisible()
  await phase(/Measure/)
  await expect(page.getByLabel(/^From; a range/)).toBeFocused()
  await type(page, '10..13', '')
  await type(page, '42', '', '42', '', '42', '')
  await page.keyboard.press('Escape')
  await tickAll(page)
  await phase(/Prove/)
  await tickAll(page)
  await expect(
    page
      .getByText('no limit is known', { exact: false })
      .or(page.getByText('outside the limits', { exact: false }))
      .first(),
  ).toBeVisible()
  await sign(page, 'road use, none thinner to be had')
})
