import { answer, begin, counts, field, fit, keys, logged, sign, ticks } from './key-count'
import { expect } from './workshop'

counts([
  {
    check: 'Input shaft with one race, changed once, two readings each time',
    atMost: 80,
    drawer: ['races', '61', '68', '72', '76'],
    async walk(page) {
      await begin(page, 'sh', 'Tab', '19', 'Tab', '30', 'ArrowDown', 'i', 'i')
      await ticks(page, 5)
      await field(page, 'Far reading')
      await keys(page, '35z35z', 'PageDown')
      await field(page, /^Pack as found/)
      await logged(page, '61')
      await expect(answer(page)).toContainText('Take out 61, put in 72')
      await fit(page)
      await field(page, 'Far reading')
      await keys(page, '24z24z')
      await ticks(page, 6)
      await sign(page)
    },
  },
  {
    check: 'Quill pack of eight, changed once, two readings each time',
    atMost: 80,
    // The twos are all in it: none is left in the drawer.
    drawer: ['quill shims', '2 x0', '5 x4', '10 x4'],
    async walk(page) {
      await begin(page, 'qu', 'Tab', '2', 'Tab', '4')
      await ticks(page, 5)
      await field(page, 'Far reading')
      await keys(page, '31z31z', 'PageDown')
      await field(page, /^Pack as found/)
      await logged(page, '3x2 3x5 10 10')
      await expect(answer(page)).toContainText('leaves 2.0')
      await fit(page)
      await keys(page, '3z3z')
      await ticks(page, 6)
      await sign(page)
    },
  },
  {
    check: 'Preload by torque, three fittings',
    atMost: 100,
    drawer: ['pinion shims', '2 x3', '3 x4', '5 x4', '10 x4'],
    async walk(page) {
      await begin(page, 'tor', 'Tab', '.8', 'Tab', '1.4', 'ArrowDown', 'Tab', 'Tab', 't')
      await ticks(page, 3)
      await field(page, /^Turning/)
      await keys(page, 'y', '1.65', 'Enter', 'Enter', 'PageDown')
      await field(page, /^Pack as found/)
      await logged(page, '10 10')
      await keys(page, 'Enter')
      await expect(answer(page)).toContainText('Take out 10, put in 5 + 3')
      await fit(page)
      await keys(page, '1.5', 'Enter', 'Enter', 'PageUp')
      await expect(answer(page)).toContainText('Take out 5')
      await fit(page)
      await keys(page, '1.1', 'Enter', 'Enter', 'y')
      await ticks(page, 4)
      await sign(page)
    },
  },
  {
    check: 'Gaps of a gear train, one of three changed',
    atMost: 120,
    drawer: ['thrust washers', '60 x3', '75 x3', '90 x3', '95 x2'],
    async walk(page) {
      await begin(page, 'gaps', 'Tab', '7', 'Tab', '15')
      await ticks(page, 4)
      await logged(page, '42', '43', '25', '30')
      await field(page, 'Far reading')
      await keys(page, '12z12z12z', 'PageDown')
      await field(page, /^Pack as found/)
      await logged(page, '60')
      await expect(answer(page)).toContainText('Take out 60, put in 90')
      await fit(page)
      await logged(page, '12', '13')
      await ticks(page, 3)
      await sign(page, { reason: 'felt' })
    },
  },
  {
    check: 'Crush wire, three runs of two pieces, each read at three places',
    atMost: 120,
    drawer: ['bearing shims', '58 x2', '60 x2', '61 x2', '62 x2', '64 x2'],
    async walk(page) {
      await begin(page, 'wire', 'Tab', '4', 'Tab', '7')
      await ticks(page, 2)
      await keys(page, 'y')
      await logged(page, ...Array.from({ length: 18 }, (_, i) => (i % 2 === 0 ? '56' : '57')))
      await keys(page, 'PageDown')
      await expect(answer(page)).toContainText('No shim is in yet')
      await fit(page)
      await field(page, /^Turning/)
      await keys(page, '1.2', 'Enter', 'Enter')
      await ticks(page, 4)
      await keys(page, 'y')
      await sign(page, { ask: true, reason: 'ok' })
    },
  },
])
