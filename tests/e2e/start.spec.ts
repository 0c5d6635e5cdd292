import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { AS_PROGRAM, openWorkshop, runScript, type Workshop } from './workshop'

let shop: Workshop
test.beforeAll(async () => {
  test.setTimeout(120_000)
  shop = await openWorkshop('start')
})
test.afterAll(async () => {
  await shop.stop()
  rmSync(shop.folder, { recursive: true, force: true })
})

test('an empty workshop teaches its first step', async ({ page }) => {
  await page.goto(shop.address)
  await expect(page.getByRole('heading', { name: 'Nothing on the bench yet' })).toBeVisible()
  await page.goto(`${shop.address}/stock`)
  await expect(page.getByRole('heading', { name: 'The drawer is empty' })).toBeVisible()
})

test('a port in use and a folder in use: one sentence and exit code 1', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'finitum-test-'))
  const blocker = createServer()
  await new Promise<void>(resolve => blocker.listen(0, '127.0.0.1', resolve))
  const { port } = blocker.address() as { port: number }
  const busy = await runScript('scripts/start.mjs', { PORT: String(port), FINITUM_DATA: folder })
  expect(busy.code).toBe(1)
  expect(busy.said.trim()).toMatch(/^Port \d+ is in use\. [^\n]*$/)
  blocker.close()
  const locked = await runScript('scripts/start.mjs', { PORT: String(port), FINITUM_DATA: shop.folder })
  expect(locked.code).toBe(1)
  expect(locked.said.trim()).toMatch(/\nThe data folder [^\n]* is open in another Finitum \(process \d+ on [^\n]*\)\.[^\n]*$/)
  const named = await runScript('scripts/start.mjs', { PORT: 'eighty', FINITUM_DATA: folder })
  expect(named).toMatchObject({ code: 1, said: expect.stringContaining('PORT must be a number') })
  rmSync(folder, { recursive: true })
})

test('a folder that cannot be written, and a database that is newer', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'finitum-test-'))
  writeFileSync(join(folder, 'file'), '')
  const unwritable = await runScript('scripts/start.mjs', { PORT: '4999', FINITUM_DATA: join(folder, 'file', 'below') })
  expect(unwritable).toMatchObject({ code: 1, said: expect.stringContaining('cannot be written') })
  rmSync(folder, { recursive: true })
})

test('a Node that is too old is told so', async () => {
  const code = `import('${new URL('../../scripts/prepare.mjs', import.meta.url).pathname}').then(m => m.checkNode('18.19.0'))`
  const folder = mkdtempSync(join(tmpdir(), 'finitum-test-'))
  writeFileSync(join(folder, 'old.mjs'), code)
  const { spawnSync } = await import('node:child_process')
  const old = spawnSync(process.execPath, [join(folder, 'old.mjs')], { encoding: 'utf8' })
  expect(old.status).toBe(1)
  expect(old.stderr.trim()).toBe('Finitum needs Node.js 20.19 or newer; this is 18.19.0.')
  rmSync(folder, { recursive: true })
})

test('SIGINT closes the database, and the second start has what was stored', async ({ page }) => {
  await fetch(`${shop.address}/api/jobs`, {
    method: 'POST',
    headers: AS_PROGRAM,
    body: JSON.stringify({ op: 'o1', id: 'j1', unit: 'Ferry ramp', title: 'Hinge pins' }),
  })
  expect(await shop.stop('SIGINT')).toBe(0)
  await shop.start()
  await page.goto(shop.address)
  await expect(page.getByText('Ferry ramp').first()).toBeVisible()
})
