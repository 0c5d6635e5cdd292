import { rmSync } from 'node:fs'
import { chromium, type Browser, type CDPSession, type Page } from '@playwright/test'
import config from '../../playwright.config'
import { openWorkshop } from '../e2e/workshop'

const KEYSTROKES = 40

/** Median time, ms, from a keystroke until what it changes has been painted. */
async function keystroke(page: Page, field: string, shown: string): Promise<number> {
  return page.evaluate(
    async ({ field, shown, n }) => {
      const input = document.querySelector<HTMLInputElement>(field)!
      const target = document.querySelector(shown)!
      const times: number[] = []
      for (let i = 0; i < n; i++) {
        const before = target.textContent
        const began = performance.now()
        input.value = String(10 + i)
        input.dispatchEvent(new Event('input', { bubbles: true }))
        // A change that is there when a frame begins is painted by it; a task after the frame comes when that is done.
        do await new Promise(resolve => requestAnimationFrame(resolve))
        while (target.textContent === before && performance.now() - began < 2000)
        await new Promise(resolve => setTimeout(resolve))
        times.push(performance.now() - began)
      }
      return times.sort((a, b) => a - b)[n >> 1]!
    },
    { field, shown, n: KEYSTROKES },
  )
}

interface Spent {
  readonly scripts: number
  readonly styles: number
  readonly layout: number
  readonly tasks: number
}
/** What the page’s thread has done so far, s, by what it was. */
async function spent(session: CDPSession): Promise<Spent> {
  const { metrics } = await session.send('Performance.getMetrics')
  const of = (name: string) => metrics.find(metric => metric.name === name)!.value
  return { scripts: of('ScriptDuration'), styles: of('RecalcStyleDuration'), layout: of('LayoutDuration'), tasks: of('TaskDuration') }
}

/** What a browser that was never here is sent for a page: how many requests, and how many bytes over the wire. */
async function sentFor(browser: Browser, address: string): Promise<{ requests: number; bytes: number }> {
  const page = await browser.newPage()
  const session = await page.context().newCDPSession(page)
  await session.send('Network.enable')
  const sent = new Map<string, number>()
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => sent.set(requestId, encodedDataLength))
  await page.goto(address)
  await page.waitForLoadState('networkidle')
  await page.close()
  return { requests: sent.size, bytes: [...sent.values()].reduce((sum, length) => sum + length, 0) }
}

/** A keystroke in the field of a check, and where its time goes. @param echo  what it takes in a bare field, ms */
async function benchFigures(
  browser: Browser,
  address: string,
  { what, field, echo, say }: { what: string; field: string; echo: number; say: (line: string) => void },
): Promise<void> {
  const page = await browser.newPage()
  await page.goto(address)
  await page.waitForLoadState('networkidle')
  if (!(await page.getByLabel(field).first().isVisible())) throw new Error('The field is not to be seen.')
  const session = await page.context().newCDPSession(page)
  await session.send('Performance.enable')
  const before = await spent(session)
  const bench = await keystroke(page, `input[aria-label="${field}"]`, '[data-test="figure"]')
  const after = await spent(session)
  const each = (part: keyof Spent) => (((after[part] - before[part]) * 1000) / KEYSTROKES).toFixed(1)
  say(`Bench page: ${what}`)
  say(
    `  keystroke to verdict painted: ${bench.toFixed(1)} ms, ${(bench / echo).toFixed(1)} times a bare echoing field (${echo.toFixed(1)} ms)`,
  )
  say(
    `  of it, on the page’s thread: scripts ${each('scripts')} ms, styles ${each('styles')} ms, layout ${each('layout')} ms, all ${each('tasks')} ms; the rest is the frame waited for`,
  )
  await page.close()
}

/** What is sent for the main pages; a keystroke on a check with readings and packs to choose, against a bare field that echoes its text. */
export async function pageFigures(say: (line: string) => void): Promise<void> {
  const shop = await openWorkshop('demo', {}, undefined, [])
  const browser = await chromium.launch(config.use!.launchOptions)
  try {
    say('\nPages, over the wire')
    for (const path of ['/', '/checks/launch-input', '/checks/mr-bigends', '/stock', '/records']) {
      const fresh = await chromium.launch(config.use!.launchOptions)
      const { requests, bytes } = await sentFor(fresh, shop.address + path)
      await fresh.close()
      say(`  ${path}: ${requests} requests, ${(bytes / 1000).toFixed(0)} kB`)
    }
    const bare = await browser.newPage()
    await bare.setContent('<input id="a"><p id="b"></p><script>a.oninput = () => { b.textContent = a.value }</script>')
    const echo = await keystroke(bare, '#a', '#b')
    await bare.close()
    for (const [what, check, field] of [
      ['a shaft’s end play, packs to choose', 'launch-input', 'Far reading'],
      ['a torque that is learned, ten readings', 'loader-differential-preload', 'Turning'],
    ] as const)
      await benchFigures(browser, `${shop.address}/checks/${check}`, { what, field, echo, say })
  } finally {
    await browser.close()
    await shop.stop()
    rmSync(shop.folder, { recursive: true, force: true })
  }
}
