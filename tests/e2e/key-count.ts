import { randomUUID } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { nm, thou, type Nm } from '#core/quantity/length'
import type { Unit } from '#core/quantity/figure'
import type { GaugeKind } from '#core/reading/gauge'
import { measuredKit, put } from './by-keyboard'
import { emptyForThisFile, expect, test } from './workshop'

// From a new job to the signature by keyboard, every key counted, names at ten letters. The counts stand in docs/keys.md, and may not rise.
const COUNTS = 'docs/keys.md'

export interface Journey {
  readonly check: string
  /** what it may take, as was agreed before it was counted */
  readonly atMost: number
  /** the drawer of the shop: a family, and its sizes a line each */
  readonly drawer?: readonly [family: string, ...lines: string[]]
  readonly walk: (page: Page, shop: { readonly address: string }) => Promise<void>
}

const gauge = (address: string, kind: GaugeKind, unit: Unit, graduation: Nm, sizes: readonly Nm[] = []) =>
  put(address, 'POST /api/gauges', { op: randomUUID(), id: kind, kind, fields: { unit, graduation, sizes: [...sizes] } })
async function gauges(address: string): Promise<void> {
  await gauge(address, 'dial-indicator', 'thou', thou(0.5))
  // The micrometer of shims reads thou.
  await put(address, 'PATCH /api/gauges/:id', { op: randomUUID(), version: 1, fields: { unit: 'thou' } }, 'mic-0-1')
  await gauge(address, 'bore-gauge', 'thou', thou(0.1))
  await gauge(address, 'calipers', 'in', thou(1))
  await gauge(
    address,
    'feeler-set',
    'thou',
    thou(1),
    [1.5, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14].map(size => thou(size)),
  )
  await gauge(
    address,
    'plastic-strip',
    'thou',
    thou(0.5),
    [1, 1.5, 2, 2.5, 3].map(size => nm(size * 25_400)),
  )
  // A graduation of 0.05 N·m.
  await gauge(address, 'torque-gauge', 'N·m', nm(50_000_000))
}

/** Keys that reach the page, whatever page it is. */
async function countKeys(page: Page): Promise<void> {
  await page.addInitScript(() => {
    addEventListener(
      'keydown',
      event => {
        if (event.isTrusted && !['Shift', 'Control', 'Alt', 'Meta'].includes((event as KeyboardEvent).key))
          sessionStorage.setItem('keys', String(Number(sessionStorage.getItem('keys') ?? 0) + 1))
      },
      true,
    )
  })
}
/** What came before is not counted: it was another job. */
export const countFromHere = (page: Page) => page.evaluate(() => sessionStorage.removeItem('keys'))
const counted = (page: Page) => page.evaluate(() => Number(sessionStorage.getItem('keys')))

/** As fast as a person types, and no faster: what is faster is a scanner. */
export async function keys(page: Page, ...pressed: string[]): Promise<void> {
  for (const one of pressed)
    for (const key of /^[A-Z][a-zA-Z]+$/.test(one) ? [one] : one) {
      await page.keyboard.press(key === ' ' ? 'Space' : key)
      await page.waitForTimeout(65)
    }
}
/** Each figure with its Enter. */
export async function logged(page: Page, ...figures: string[]): Promise<void> {
  for (const figure of figures) await keys(page, figure, 'Enter')
}
/** Step by step as each is due, and not before it is. */
export async function ticks(page: Page, count: number): Promise<void> {
  const due = page.getByTestId('step-due')
  for (let i = 0; i < count; i++) {
    const before = await due.innerText()
    await keys(page, ' ')
    await expect.poll(() => due.innerText(), { message: before }).not.toBe(before)
  }
}
export const verdict = (page: Page) => page.getByTestId('verdict')
export const answer = (page: Page) => page.getByTestId('answer')
export const field = (page: Page, label: string | RegExp) => expect(page.getByLabel(label).first()).toBeFocused()

/** A new job, its first check, and what it begins with. */
export async function begin(page: Page, kind: string, ...more: string[]): Promise<void> {
  await keys(page, 'n', 'island bus', 'Tab', 'gearboxone', 'Enter')
  await expect(page.getByLabel(/^Which check/)).toBeFocused()
  await keys(page, kind, 'Enter')
  await field(page, 'Name')
  await expect(page.getByTestId('confirm')).not.toContainText('the register has none')
  await keys(page, ...more, 'Enter')
  await expect(verdict(page)).toContainText('To do')
}
/** The pack that is proposed goes in, its pieces as they were measured before. */
export async function fit(page: Page): Promise<void> {
  await keys(page, 'f')
  await expect(page.getByRole('button', { name: 'The pack is changed' })).toBeFocused()
  await keys(page, 'Enter')
  await expect(page.getByRole('heading', { name: 'Change the pack' })).toBeHidden()
}
/** The name behind the last step, or at the end of the phases. @param reason  where one is asked for */
export async function sign(page: Page, { reason, ask = false }: { readonly reason?: string; readonly ask?: boolean } = {}): Promise<void> {
  if (ask) await keys(page, 'PageDown')
  await expect(page.locator(reason ? '#sign-reason' : '#sign-name')).toBeFocused()
  if (reason) await keys(page, reason, 'Tab')
  if ((await page.locator('#sign-name').inputValue()) === '') await keys(page, 'Tove Marl1')
  await keys(page, 'Enter')
  await expect(answer(page)).toContainText('Signed off by Tove Marl1')
}

const line = (check: string, count: number, atMost: number) => `| ${check} | ${count} | ${atMost} |`

/** Each walked in a shop of its own. */
export function counts(journeys: readonly Journey[]): void {
  for (const { check, atMost, drawer, walk } of journeys)
    test.describe(check, () => {
      emptyForThisFile()
      test('keys', async ({ page, shop }) => {
        await gauges(shop.address)
        if (drawer) await measuredKit(shop.address, ...drawer)
        await countKeys(page)
        await page.goto(shop.address)
        await expect(page.getByRole('heading', { name: 'On the bench', exact: true })).toBeVisible()
        await walk(page, shop)
        const count = await counted(page)
        expect(count, `keys for ${check}`).toBeLessThanOrEqual(atMost)
        const text = readFileSync(COUNTS, 'utf8')
        const stood = text.split('\n').find(one => one.startsWith(`| ${check} |`))
        if (process.env.KEYS === 'new')
          writeFileSync(
            COUNTS,
            stood === undefined ? `${text.trimEnd()}\n${line(check, count, atMost)}\n` : text.replace(stood, line(check, count, atMost)),
          )
        else expect(stood, 'as it stands in docs/keys.md').toBe(line(check, count, atMost))
      })
    })
}
