import { answer, begin, counts, field, fit, keys, logged, sign, ticks, verdict } from './key-count'
import { expect } from './workshop'

counts([
  {
    check: 'Taper bearing hub, inspected and in limits as found',
    atMost: 80,
    async walk(page) {
      await begin(page, 'tap', 'Tab', '2', 'Tab', '6')
      await ticks(page, 4)
      await keys(page, 'y')
      await logged(page, 'g', 'n', 'n')
      await field(page, 'Far reading')
      await keys(page, '4z4z4z')
      await ticks(page, 2)
      await keys(page, 'PageDown')
      await ticks(page, 1)
      await sign(page)
    },
  },
  {
    check: 'Hub spacer by comparator, tried dry, locked and measured again',
    atMost: 80,
    async walk(page) {
      await begin(page, 'co', 'Tab', '6', 'Tab', '8')
      await ticks(page, 3)
      await keys(page, 'y')
      await logged(page, 'g', 'n', 'n', '376', '378', '0', '0', '371', 'n', 'f', '371')
      await expect(verdict(page)).toContainText('Provisional')
      await keys(page, 'PageDown')
      await ticks(page, 3)
      await sign(page)
    },
  },
  {
    check: 'One swivel by feel, the first pack from its gap',
    atMost: 80,
    drawer: ['pin shims', 'S 10 sprung 2', '3 x4', '5 x4', '10 x4', '14 x2'],
    async walk(page) {
      await begin(page, 'sw', 'ArrowDown', 'Tab', 'l', 'Tab', 'f')
      await ticks(page, 5)
      await keys(page, 'y', 'ArrowLeft')
      await logged(page, '10', '14')
      await keys(page, 'PageDown')
      await field(page, /^Pack as found/)
      await logged(page, 's')
      await expect(page.getByLabel(/^Pack as found/)).toBeHidden()
      await expect(answer(page)).toContainText('Put in')
      await fit(page)
      await logged(page, 's', 'n')
      await keys(page, 'y')
      await ticks(page, 5)
      // What a hand felt is no figure: it is accepted.
      await sign(page, { reason: 'felt' })
    },
  },
  {
    check: 'Steering head kit, seats by micrometer, its seal free',
    atMost: 120,
    async walk(page) {
      await begin(page, 'head')
      await ticks(page, 3)
      const seats = ['1.5', '1.499', '1.9', '1.902']
      await logged(page, ...seats, ...seats, '1.5', '1.5', '.3', '.1', 'n', 'f', 'n', 'f', 'f')
      await expect(verdict(page)).toContainText('No limit known')
      await keys(page, 'PageDown', 'PageDown')
      await ticks(page, 2)
      await sign(page, { reason: 'light' })
    },
  },
])
