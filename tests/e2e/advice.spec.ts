import { randomUUID } from 'node:crypto'
import { nm, thou } from '#core/quantity/length'
import { fill, keep, kindOfCheck, kit, newJob, next, pick, put, states, tabToField, tickAll } from './by-keyboard'
import { emptyForThisFile, expect, seriesRows, sign, tabTo, test, toCell, type, typeReading } from './workshop'

// From an empty data folder, by keyboard alone. The figures are made up.
emptyForThisFile()

test('a gauge that cannot decide is said before the first reading; too close to call gets one advice, and a reason signs it', async ({
  page,
  shop,
}) => {
  await kit(shop.address, 'cover shims', '2 x4', '3 x4', '5 x4', '10 x4')
  await newJob(page, shop.address, 'ferry ramp', 'winch')
  await kindOfCheck(page, 'Shaft end play')
  await fill(page, 'Name', 'winch shaft')
  await pick(page, 'Pieces come from', 'cover')
  await fill(page, /^Book limit, lower/, '2')
  await fill(page, /^Book limit, upper/, '3')
  await tabTo(page, active => active.text === 'Begin the check')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  // On paper: a dial of 1 thou is known to no better than 0.6, more than half of 1; nobody has a finer one yet.
  const ahead = page.getByTestId('gauge-ahead')
  await expect(ahead).toContainText(
    'A band of 1 thou wants a dial indicator of 0.1 thou: Dial, 1 thou tells it to ± 0.6 thou and cannot decide it.',
  )
  await expect(ahead).not.toContainText('register')
  await tabToField(page, /^A refit costs/)
  await keep(page, /^A refit costs/, '0')
  await expect(page.getByText('One reading at least.').first()).toBeVisible()
  await keep(page, /^A refit costs/, '40')
  await expect(page.getByText('One reading at least.')).toHaveCount(0)
  await put(shop.address, 'POST /api/gauges', {
    op: randomUUID(),
    id: 'tenths',
    kind: 'dial-indicator',
    fields: {
      name: 'Tenths dial',
      unit: 'thou',
      graduation: thou(0.1),
      readableFraction: 0.5,
      permissibleError: nm(1_000),
      repeatability: nm(1_000),
      hysteresis: nm(0),
      sense: 'climbs',
      sizes: [],
      range: null,
      rangePerTurn: null,
      widest: null,
      lastCheck: null,
      due: null,
    } as never,
  })
  await page.reload()
  await expect(ahead).toContainText('Finer in the register: Tenths dial (± 0.1).')
  await tickAll(page)
  await next(page)
  await typeReading(page, '3')
  await expect(ahead).toHaveCount(0)
  await typeReading(page, '2.8')
  // Read where it can be told, and no pack beside it.
  const answer = page.getByTestId('answer')
  await expect(page.getByTestId('verdict')).toContainText('Too close to call')
  await expect(answer).toContainText('Too close to call: read it with Tenths dial, which tells it to ± 0.1 thou.')
  await expect(answer).not.toContainText('Take out')
  // The list says the same.
  await page.goto(shop.address)
  await expect(page.getByRole('link', { name: /winch shaft Too close to call/ })).toContainText('Too close to call')
  await page.goBack()
  await expect(answer).toContainText('read it with Tenths dial')
  // A pack somebody picks is told as such; back, and it is signed with a reason.
  await next(page)
  await next(page)
  await tickAll(page)
  await page.keyboard.press('Escape')
  await sign(page, 'the owner wants it as it is')
  await expect(answer).toContainText('Signed off')
})

test('side play under a torque is closed by its length first; what drags then gives the slope at once', async ({ page, shop }) => {
  await kit(shop.address, 'race shims', '1.9 mm', '2 mm', '2.08 mm', '2.1 mm', '2.13 mm', '2.2 mm', '2.25 mm')
  await newJob(page, shop.address, 'quarry loader', 'pinion')
  await kindOfCheck(page, 'Bearing preload by torque')
  await fill(page, 'Name', 'pinion')
  await pick(page, 'Preload told by', 'Torque gauge')
  await pick(page, 'Pieces come from', 'race')
  await fill(page, /^Book limit, lower/, '0.8')
  await fill(page, /^Book limit, upper/, '1.4')
  await tabTo(page, active => active.text === 'Begin the check')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await tabToField(page, /^Pack as found/)
  await type(page, '1.9 mm')
  await expect(page.getByText('1 × 1.9')).toBeVisible()
  await tickAll(page)
  await next(page)
  await tickAll(page)
  const asBook = ['Oiled, or dry, as the book says', 'Bare', 'Out, or its drag taken off']
  await states(page, ...asBook)
  await toCell(page, /side play, by dial/)
  for (const far of ['0.12 mm', '0.12 mm', '0.12 mm']) await typeReading(page, far)
  const answer = page.getByTestId('answer')
  await expect(answer).toContainText('Side play by dial: too little')
  await next(page)
  // 1.9 and 0.12 of play, and 0.05 of preload on top: 2.07 mm; 2.08 are 81.9 thou.
  const first = page.getByTestId('proposals').getByRole('listitem').first()
  await expect(first).toContainText('put in 81.9')
  await expect(page.getByTestId('proposals')).toContainText('side play by dial')
  const fitThis = async () => {
    await page.keyboard.press('f')
    await tabTo(page, active => active.text === 'The pack is changed')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
  await fitThis()
  await page.keyboard.press('Escape')
  await page.keyboard.press('y')
  await expect(page.getByTestId('conditions')).not.toContainText('to be said')
  await page.getByLabel('Turning', { exact: true }).focus()
  for (const torque of ['0.6', '0.6', '0.6']) {
    const rows = seriesRows(page)
    const before = await rows.count()
    await type(page, torque, '')
    await expect(rows).toHaveCount(Math.max(2, before + (before === 0 ? 0 : 1)))
  }
  await expect(page.getByTestId('verdict')).toContainText('Too little')
  await page.keyboard.press('Escape')
  await page.keyboard.press('PageUp')
  // It began at 2.02 mm: 0.6 N·m in 0.06 is 10 a mm, 0.25 a thou, and 1.1 wants 0.05 more: 2.13 mm are 83.9 thou.
  await expect(page.getByTestId('proposals')).toContainText(
    'By the slope of side play and drag together, widened by 30 %: +0.25 N·m per thou',
  )
  await expect(first).toContainText('put in 83.9')
  await fitThis()
})
