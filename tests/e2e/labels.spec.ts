import type { Page } from '@playwright/test'
import { demoForThisFile, expect, test } from './workshop'

// No label on a line or on another, and no page wider than its screen: every check of the demo, at three widths. A third of them in the
// usual run, all in the long one.
demoForThisFile()
const WIDTHS = [1280, 768, 390] as const

/** What overlaps in the drawings of a page, as sentences. Boxes of letters are trimmed to what is inked. */
const overlaps = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    interface Inked {
      text: string
      left: number
      right: number
      top: number
      bottom: number
    }
    const said: string[] = []
    for (const svg of document.querySelectorAll<SVGSVGElement>('main svg')) {
      const frame = svg.getBoundingClientRect()
      if (frame.width === 0) continue
      const name =
        svg.dataset['drawing'] ?? svg.closest<SVGSVGElement>('[data-drawing]')?.dataset['drawing'] ?? svg.getAttribute('aria-label')
      const inked = [...svg.querySelectorAll('text')]
        .filter(text => text.textContent!.trim() !== '' && getComputedStyle(text).display !== 'none')
        .map((text): Inked => {
          const { left, right, top, bottom, height } = text.getBoundingClientRect()
          return {
            text: text.textContent!.trim(),
            left: left + 1,
            right: right - 1,
            top: top + height * 0.2,
            bottom: bottom - height * 0.22,
          }
        })
      // Whatever is drawn with a stroke, straight or not, as points a pixel or two apart.
      const strokes = [...svg.querySelectorAll<SVGGeometryElement>('path, line, polyline, polygon, rect, circle')]
        .filter(shape => !shape.closest('defs, marker, clipPath') && getComputedStyle(shape).stroke !== 'none')
        .flatMap(shape => {
          const [long, onScreen] = [shape.getTotalLength(), shape.getScreenCTM()!]
          const count = Math.min(400, Math.ceil(long))
          return Array.from({ length: count }, (_, i) => shape.getPointAtLength((long * i) / count).matrixTransform(onScreen))
        })
      for (const [i, a] of inked.entries()) {
        if (a.left < frame.left - 2 || a.right > frame.right + 2) said.push(`${name}: “${a.text}” leaves the drawing`)
        for (const b of inked.slice(i + 1))
          if (a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom) said.push(`${name}: “${a.text}” on “${b.text}”`)
        for (const { x, y } of strokes)
          if (x > a.left && x < a.right && y > a.top && y < a.bottom) {
            said.push(`${name}: “${a.text}” on a line`)
            break
          }
      }
    }
    const over = document.documentElement.scrollWidth - innerWidth
    return [...new Set(said), ...(over > 0 ? [`the page is ${over} px wider than its screen`] : [])]
  })

for (const [at, width] of WIDTHS.entries())
  test(`at ${width} px no label lies on a line or on another`, async ({ page, shop }) => {
    await page.setViewportSize({ width, height: 800 })
    const checks: string[] = []
    for (let skip = 0; ; skip += 20) {
      const list = (await (await fetch(`${shop.address}/api/jobs?skip=${skip}`)).json()) as {
        jobs: { checks: { id: string }[] }[]
        found: number
      }
      checks.push(...list.jobs.flatMap(job => job.checks.map(({ id }) => id)))
      if (list.jobs.length === 0 || skip + list.jobs.length >= list.found) break
    }
    expect(checks.length).toBeGreaterThan(40)
    const looked = checks.filter((_, i) => process.env['LONG'] === 'yes' || i % WIDTHS.length === at)
    for (const id of looked) {
      await page.goto(`${shop.address}/checks/${id}`)
      await expect(page.getByTestId('verdict')).not.toBeEmpty()
      await expect.poll(() => overlaps(page), { message: id }).toEqual([])
    }
  })
