import type { CDPSession, Page } from '@playwright/test'
import { AS_PROGRAM, demoForThisFile, expect, test } from './workshop'

demoForThisFile()
test.use({ scanner: true })

interface Keys {
  /** one sign to the next, ms, as the keyboard says it */
  readonly apart?: number
  /** the key is held */
  readonly held?: boolean
}
/** The numbers of keys that are not those of their signs. */
const NUMBERS: Readonly<Record<string, number>> = { '.': 190, '-': 189, '/': 191 }

/** Keys at times of their own, however long the page takes over each. `⏎` is Enter. */
class Keyboard {
  private at = 0
  private constructor(private readonly session: CDPSession) {}
  static async of(page: Page): Promise<Keyboard> {
    return new Keyboard(await page.context().newCDPSession(page))
  }
  async press(keys: string, { apart = 5, held = false }: Keys = {}): Promise<void> {
    // A pause before, longer than any within.
    this.at = Math.max(this.at + 400, Date.now())
    const sent: Promise<unknown>[] = []
    for (const sign of keys) {
      const enter = sign === '⏎'
      const key = enter ? 'Enter' : sign
      const virtual = enter ? 13 : (NUMBERS[sign] ?? sign.toUpperCase().charCodeAt(0))
      const event = { key, code: enter ? 'Enter' : '', windowsVirtualKeyCode: virtual, timestamp: this.at / 1_000 }
      sent.push(this.session.send('Input.dispatchKeyEvent', { ...event, type: 'keyDown', text: enter ? '\r' : sign, autoRepeat: held }))
      if (!held) sent.push(this.session.send('Input.dispatchKeyEvent', { ...event, type: 'keyUp' }))
      this.at += apart
    }
    await Promise.all(sent)
    // What the test presses next by itself is pressed after that.
    while (Date.now() < this.at + 150) await new Promise(resolve => setTimeout(resolve, 20))
  }
}
/** Everything that could have been done: how many jobs, sizes and checks there are, and what was done last. */
async function state(address: string): Promise<unknown> {
  const get = async (path: string) => (await (await fetch(`${address}/api/${path}`)).json()) as Record<string, unknown>
  const { jobs, lots } = await get('health')
  const versions = await Promise.all(['launch-input', 'launch-idler', 'moto-mains'].map(async id => (await get(`checks/${id}`)).version))
  const { checks } = (await get('jobs/launch-box')) as { checks: unknown[] }
  return { jobs, lots, versions, checks: checks.length, limits: (await get('limits')).length }
}
/** A key that is a command of nobody. */
const settled = (page: Page) => page.waitForTimeout(150)

const PAGES = [
  '/',
  '/jobs/launch-box',
  '/checks/launch-input',
  '/checks/launch-idler',
  '/units',
  '/stock',
  '/gauges',
  '/limits',
  '/records',
  '/backup',
  '/orders',
  '/labels?of=gauge:dial-thou',
  '/reports/launch-box',
  '/history/launch-box',
]
test('a foreign code is no command on any page, wherever the focus is: it is looked up, and nothing is done', async ({ page, shop }) => {
  test.setTimeout(180_000)
  const before = await state(shop.address)
  for (const path of PAGES) {
    await page.goto(shop.address + path)
    await expect(page.locator('main')).not.toBeEmpty()
    await settled(page)
    const keys = await Keyboard.of(page)
    // As the page has it, and on a button.
    for (const focus of ['page', 'button'] as const) {
      if (focus === 'page') await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
      else await page.locator('main button, main a').first().focus()
      for (const code of focus === 'page' ? ['FZV62041', 'N6204'] : ['F6204']) {
        await keys.press(`${code}⏎`)
        await expect(page.getByTestId('scan'), `${path} ${focus} ${code}`).toContainText(`Nothing here goes by “${code}”`)
        await expect(page.getByRole('dialog')).toHaveCount(0)
        await page.getByRole('button', { name: 'away with it' }).click()
      }
    }
    expect(new URL(page.url()).pathname, path).toBe(new URL(path, shop.address).pathname)
  }
  expect(await state(shop.address)).toEqual(before)
})

test('keys of the bench are what a hand presses: one by one, quickly after each other, held', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/launch-input`)
  await expect(page.getByTestId('verdict')).not.toBeEmpty()
  const keys = await Keyboard.of(page)
  const away = () => page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await away()
  await keys.press('h')
  await expect(page.getByRole('dialog')).toHaveCount(1)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  // Two within a blink are two commands, in their order: the second pack, and what fitting it comes to.
  await away()
  await keys.press('2f', { apart: 30 })
  await expect(page.getByRole('dialog')).toContainText('Change the pack')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  // A hand that types four keys and Enter is none too fast.
  await away()
  await keys.press('eeee⏎', { apart: 90 })
  await expect(page.getByTestId('scan')).toHaveCount(0)
  await page.keyboard.press('Escape')
  // A key that is held is no scan either.
  await away()
  await keys.press('hhhhhhh⏎', { apart: 30, held: true })
  await expect(page.getByTestId('scan')).toHaveCount(0)
})

test('a page that is busy tells a scan by when its keys were pressed, not by when it comes to them', async ({ page, shop }) => {
  const before = await state(shop.address)
  await page.goto(`${shop.address}/checks/launch-input`)
  await expect(page.getByTestId('verdict')).not.toBeEmpty()
  // Every key costs this page a quarter of a second.
  await page.evaluate(() =>
    addEventListener(
      'keydown',
      () => {
        const end = performance.now() + 250
        while (performance.now() < end);
      },
      true,
    ),
  )
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  const keys = await Keyboard.of(page)
  await keys.press('FZV62041⏎', { apart: 20 })
  await expect(page.getByTestId('scan')).toContainText('Nothing here goes by “FZV62041”')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  // And a hand by the same.
  await page.getByRole('button', { name: 'away with it' }).click()
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await keys.press('h', { apart: 20 })
  await expect(page.getByRole('dialog')).toHaveCount(1)
  expect(await state(shop.address)).toEqual(before)
})

test('in a field, what reads as its entry is that; anything else is looked up and leaves it as it was', async ({ page, shop }) => {
  const article = async (id: string, text: string) => {
    const stock = (await (await fetch(`${shop.address}/api/stock`)).json()) as { lots: { id: string; version: number }[] }
    const { version } = stock.lots.find(lot => lot.id === id)!
    const answer = await fetch(`${shop.address}/api/stock/lots/${id}`, {
      method: 'PATCH',
      headers: { ...AS_PROGRAM, 'content-type': 'application/json' },
      body: JSON.stringify({ op: `article-${id}`, version, article: text }),
    })
    expect(answer.status).toBe(200)
  }
  await article('cover-5', '12.40')
  await article('cover-20', 'FZV-20')
  await page.goto(`${shop.address}/checks/launch-input`)
  const field = page.getByLabel('Far reading').first()
  await expect(field).toBeVisible()
  const version = async () => ((await (await fetch(`${shop.address}/api/checks/launch-input`)).json()) as { version: number }).version
  const before = await version()
  const keys = await Keyboard.of(page)
  await field.focus()
  await keys.press('FZV62041⏎')
  await expect(page.getByTestId('scan')).toContainText('Nothing here goes by “FZV62041”')
  await expect(field).toHaveValue('')
  // What was being typed stays, also where the two would read as one figure.
  await keys.press('11.4', { apart: 120 })
  await keys.press('6204⏎')
  await expect(page.getByTestId('scan')).toContainText('Nothing here goes by “6204”')
  await expect(field).toHaveValue('11.4')
  await field.fill('')
  // Nobody reads six inches there: it is asked about, as if it were typed, and the Enters of the scanner answer nothing.
  await keys.press('6204⏎⏎')
  await expect(page.locator('#entry-note').getByRole('button').first()).toBeVisible()
  await settled(page)
  expect(await version()).toBe(before)
  await expect(field).toHaveValue('6204')
  await field.fill('')
  // A figure that is the article of a size besides is asked about, too; Enter takes the figure.
  await field.focus()
  await keys.press('12.40⏎')
  await expect(page.getByTestId('scan')).toContainText('stands in the field as a figure, and is the article of 5 thou')
  await expect(field).toHaveValue('12.40')
  await expect(field).toBeFocused()
  expect(await version()).toBe(before)
  await keys.press('⏎')
  await expect(page.getByLabel('Back reading').first()).toBeFocused()
  // Any other is the reading it is.
  await field.fill('')
  await field.focus()
  await keys.press('12.30⏎')
  await expect(page.getByLabel('Back reading').first()).toBeFocused()
  await keys.press('⏎')
  await expect.poll(version).toBe(before + 1)
  // An article opens its size; where a pack is put together the piece goes into it.
  await field.focus()
  await keys.press('fzv-20⏎')
  await expect(page.getByTestId('scan')).toContainText('Scanned: size 20 thou')
  // In a text a code is text.
  await page.goto(`${shop.address}/jobs/launch-box`)
  await page.getByLabel('Reference').first().fill('')
  await page.getByLabel('Reference').first().focus()
  await keys.press('ORDER4711')
  await expect(page.getByLabel('Reference').first()).toHaveValue('ORDER4711')
})

test('an unknown code becomes the article of a size, and opens it from then on; a slow scanner is set once', async ({ page, shop }) => {
  await page.goto(`${shop.address}/units`)
  await expect(page.getByRole('link', { name: /Fire pump/ })).toBeVisible()
  const keys = await Keyboard.of(page)
  await keys.press('SHIM-77/3⏎')
  await page.getByRole('link', { name: 'make it the article of a size' }).press('Enter')
  await expect(page.getByTestId('article')).toContainText('Of which size is “SHIM-77/3” the article?')
  await page
    .getByRole('row', { name: /10 thou/ })
    .first()
    .click()
  await expect(page.getByLabel('Article')).toHaveValue('SHIM-77/3')
  await page.getByLabel('Article').press('Enter')
  await expect(page.getByTestId('article')).toHaveCount(0)
  await page.goto(`${shop.address}/units`)
  await expect(page.getByRole('link', { name: /Fire pump/ })).toBeVisible()
  await keys.press('shim-77/3⏎')
  await expect(page).toHaveURL(/\/stock\?pick=/)
  await expect(page.getByLabel('Article')).toHaveValue('SHIM-77/3')
  // One that takes 110 ms from sign to sign is a hand, until that is said.
  await page.goto(`${shop.address}/labels`)
  await page.getByLabel(/one sign to the next/).fill('fast')
  await page.getByLabel(/one sign to the next/).press('Enter')
  await expect(page.getByText('A whole number of ms')).toBeVisible()
  await page.getByLabel(/one sign to the next/).fill('120')
  await page.getByLabel(/one sign to the next/).press('Enter')
  await expect(page.getByText('Kept.')).toBeVisible()
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await keys.press('SHIM-77/3⏎', { apart: 110 })
  await expect(page).toHaveURL(/\/stock\?pick=/)
})

test('a scan before the page is there is no row of keys', async ({ page, shop }) => {
  const before = await state(shop.address)
  await page.goto(`${shop.address}/checks/launch-input`, { waitUntil: 'commit' })
  const keys = await Keyboard.of(page)
  await keys.press('FZV62041⏎')
  await expect(page.getByTestId('verdict')).not.toBeEmpty()
  await settled(page)
  await expect(page.getByRole('dialog')).toHaveCount(0)
  expect(await state(shop.address)).toEqual(before)
})
