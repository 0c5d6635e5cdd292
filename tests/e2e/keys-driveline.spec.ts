import { answer, begin, countFromHere, counts, field, fit, keys, logged, sign, ticks, verdict } from './key-count'
import { expect } from './workshop'

counts([
  {
    check: 'Release bearing again, eight depths',
    atMost: 80,
    async walk(page, shop) {
      const depths = ['.3', '3.05', '3.05', '3.05', '2.6', '2.6', '2.6', '3.58', '3.58', '3.58']
      await begin(page, 're', 'Tab', '500', 'Tab', '780')
      await ticks(page, 3)
      await logged(page, ...depths)
      await ticks(page, 2)
      await keys(page, 'PageDown')
      await sign(page, { ask: true })
      await page.goto(shop.address)
      await expect(page.getByRole('heading', { name: 'On the bench', exact: true })).toBeVisible()
      await countFromHere(page)
      await begin(page, 're')
      await ticks(page, 3)
      await logged(page, ...depths)
      await ticks(page, 2)
      await keys(page, 'PageDown')
      await sign(page, { ask: true })
    },
  },
  {
    check: 'Housing bore, four marks, a pair of offset dowels',
    atMost: 100,
    drawer: ['offset dowels', '7 x2', '14 x2', '21 x2'],
    async walk(page) {
      await begin(page, 'bell', 'Tab', 'Tab', '5', 'ArrowDown', 'Tab', 'Tab', 'Tab', 'f', 'Tab', 'e')
      await ticks(page, 4)
      await logged(page, '0', '7', '10', '3', '0')
      await keys(page, 'PageDown')
      await expect(answer(page)).toContainText('7 thou, marks to 5:16, in limits')
      await expect(page.getByRole('button', { name: 'Fit' }).first()).toBeVisible()
      await keys(page, 'f')
      await expect(page.getByRole('button', { name: 'Fit' }).first()).toBeFocused()
      await keys(page, 'Enter')
      await expect(verdict(page)).toContainText('To do')
      await field(page, 'Figure read')
      // What the dowels leave, and no more of it is out of round than before.
      await logged(page, '0', '-2', '-3', '-1', '0')
      await ticks(page, 4)
      await sign(page)
    },
  },
  {
    check: 'Universal joint, rings of both planes changed',
    atMost: 100,
    drawer: ['snap rings', '57 x4', '58 x4', '59 x4', '60 x4'],
    async walk(page) {
      await begin(page, 'joint', 'Tab', '0', 'Tab', '2')
      await ticks(page, 4)
      await keys(page, '4z4z4z5z5z5z', 'PageDown')
      await logged(page, '57 57')
      await expect(answer(page)).toContainText('put in 59 + 59')
      await fit(page)
      await field(page, 'Far reading')
      await keys(page, '1z1z1z', 'PageUp')
      await logged(page, '57 57')
      await expect(answer(page)).toContainText('put in 58 + 58')
      await fit(page)
      await field(page, 'Far reading')
      await keys(page, '1z1z1z')
      await ticks(page, 5)
      await sign(page)
    },
  },
  {
    check: 'Clutch fork, the pivot turned once',
    atMost: 120,
    async walk(page) {
      await begin(page, 'fork', 'Tab', '100', 'Tab', '140')
      await ticks(page, 2)
      await logged(page, '1.9', '1.9', '1.9', '1.85', '1.85', '1.85')
      await expect(verdict(page)).toContainText('Tight')
      await ticks(page, 2)
      await keys(page, 'PageDown')
      await logged(page, '1.78', '1.78', '1.78')
      await expect(verdict(page)).toContainText('120.0')
      await keys(page, 'PageDown')
      await ticks(page, 2)
      await sign(page)
    },
  },
])
