import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import { put } from './by-keyboard'
import { begin, countFromHere, counts, field, keys, logged, sign, ticks, verdict } from './key-count'
import { expect } from './workshop'

/** The job that is signed, kept as a route by its name; counted from there. */
async function keptAsRoute(page: Page, address: string): Promise<void> {
  const { jobs } = (await (await fetch(`${address}/api/jobs`)).json()) as { jobs: { id: string }[] }
  await put(address, 'POST /api/routes', { op: randomUUID(), id: randomUUID(), name: 'gearboxone', job: jobs[0]!.id })
  await page.goto(address)
  await expect(page.getByRole('heading', { name: 'On the bench', exact: true })).toBeVisible()
  await countFromHere(page)
}

counts([
  {
    check: 'Crankshaft by feelers, at two places',
    atMost: 80,
    async walk(page) {
      await begin(page, 'crank', 'Tab', '4', 'Tab', '9', 'ArrowDown', 'Tab', 'f')
      await ticks(page, 4)
      await field(page, /^Thickest stack/)
      await logged(page, '6', '7', '6', '7')
      await keys(page, 'PageDown')
      await ticks(page, 1)
      await sign(page)
    },
  },
  {
    check: 'Thrust halves, read thrice before and after',
    atMost: 80,
    async walk(page) {
      await begin(page, 'thr', 'Tab', '3', 'Tab', '6', 'ArrowDown', 'o')
      await ticks(page, 4)
      await field(page, 'Far reading')
      await keys(page, '2z2z2z4z4z4z')
      await ticks(page, 5)
      await keys(page, 'PageDown')
      await ticks(page, 1)
      await sign(page)
    },
  },
  {
    check: 'Plastic strip at two mains',
    atMost: 80,
    async walk(page) {
      await begin(page, 'cl', 'Tab', '1', 'Tab', '3', 'ArrowDown', 'Tab', '2', 'Tab', 'p', 'Tab', '1')
      await ticks(page, 3)
      await field(page, /^Figure/)
      await logged(page, '2', '2')
      await ticks(page, 2)
      await keys(page, 'PageDown')
      await ticks(page, 2)
      await sign(page)
    },
  },
  {
    check: 'Five mains, journals by micrometer, bores by dial, two stations each',
    atMost: 210,
    async walk(page) {
      await begin(page, 'cl', 'Tab', '1', 'Tab', '3', 'ArrowDown', 'Tab', '5', 'Tab', 'Tab', 'Tab', 'Tab', '1.754')
      await ticks(page, 3)
      await field(page, /^Figure/)
      await logged(page, ...Array<string>(20).fill('1.75'))
      await logged(page, ...Array<string>(20).fill('2'))
      await ticks(page, 1)
      await keys(page, 'PageDown')
      await ticks(page, 1)
      await sign(page)
    },
  },
  {
    check: 'Oil pump, two rotors by feelers',
    atMost: 80,
    async walk(page) {
      await begin(page, 'pump', 'Tab', 'Tab', '3')
      await ticks(page, 3)
      await field(page, /^Thickest stack/)
      await logged(page, '2', '3', '2', '3')
      await keys(page, 'PageDown')
      await ticks(page, 2)
      await sign(page)
    },
  },
  {
    check: 'Crankshaft by a route, figures and all',
    atMost: 25,
    async walk(page, shop) {
      await begin(page, 'crank', 'Tab', '4', 'Tab', '9', 'ArrowDown', 'Tab', 'f')
      await ticks(page, 4)
      await logged(page, '6', '7', '6', '7')
      await keys(page, 'PageDown')
      await ticks(page, 1)
      await sign(page)
      await keptAsRoute(page, shop.address)
      await keys(page, 'r')
      await expect(page.getByRole('button', { name: /gearboxone/ }).first()).toBeVisible()
      await keys(page, '1')
      await expect(page.getByLabel('Unit', { exact: true })).toHaveValue('island bus')
      await keys(page, 'Enter')
      await expect(page.getByText('Route, in build order')).toBeVisible()
      await keys(page, 'c')
      await expect(verdict(page)).toContainText('To do')
      await ticks(page, 4)
      await logged(page, '6', '7', '6', '7')
      await keys(page, 'PageDown')
      await ticks(page, 1)
      await sign(page)
    },
  },
])
