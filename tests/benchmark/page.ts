import { rmSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { chromium, type Page } from '@playwright/test'
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

/** Keystroke to verdict against a bare field that echoes its text, in the same browser; and what the bench page's script weighs. */
export async function pageFigures(say: (line: string) => void): Promise<void> {
  const shop = await openWorkshop('demo')
  const browser = await chromium.launch(config.use!.launchOptions)
  try {
    const page = await browser.newPage()
    const scripts: Buffer[] = []
    page.on('response', async response => {
      if (new URL(response.url()).pathname.endsWith('.js')) scripts.push(await response.body())
    })
    await page.goto(`${shop.address}/checks/launch-idler`)
    await page.waitForLoadState('networkidle')
    const bench = await keystroke(page, 'input[aria-label="Far reading"]', '[data-test="figure"]')
    const weight = scripts.reduce((sum, body) => sum + gzipSync(body, { level: 9 }).length, 0)
    const bare = await browser.newPage()
    await bare.setContent('<input id="a"><p id="b"></p><script>a.oninput = () => { b.textContent = a.value }</script>')
    const echo = await keystroke(bare, '#a', '#b')
    say('\nBench page')
    say(
      `  keystroke to verdict painted: ${bench.toFixed(1)} ms, ${(bench / echo).toFixed(1)} times a bare echoing field (${echo.toFixed(1)} ms)`,
    )
    say(`  script of the bench page: ${(weight / 1000).toFixed(0)} kB gzip`)
  } finally {
    await browser.close()
    await shop.stop()
    rmSync(shop.folder, { recursive: true, force: true })
  }
}
