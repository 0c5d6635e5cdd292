import { spawnSync } from 'node:child_process'
import {
  cpSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  statfsSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { AS_PROGRAM, LOAD_ANEW, openWorkshop, runScript, seriesRows, type Workshop, typeReading } from './workshop'

let shop: Workshop
test.beforeAll(async () => {
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

test('the folder is readable by its owner only, and keeps a log', async () => {
  for (const entry of readdirSync(shop.folder, { recursive: true, withFileTypes: true }))
    expect(statSync(join(entry.parentPath, entry.name)).mode & 0o077, entry.name).toBe(0)
  const log = readFileSync(join(shop.folder, 'log/finitum.log'), 'utf8')
  expect(log).toMatch(/ start [0-9a-f]{8} process \d+, Node 2/)
  expect(log).not.toContain('Ferry ramp')
})

test('a copy of a data folder is checked; one in use, and one that is damaged, is not whole @long', async () => {
  const check = (folder: string) => runScript('scripts/start.mjs', {}, ['--check', folder])
  expect(await check(shop.folder)).toMatchObject({ code: 1, said: expect.stringContaining('is open in another Finitum (process ') })
  await shop.stop()
  const home = mkdtempSync(join(tmpdir(), 'finitum-test-'))
  const copy = join(home, 'copy')
  cpSync(shop.folder, copy, { recursive: true })
  await shop.start()
  const before = readdirSync(copy, { recursive: true }).length
  expect(await check(copy)).toMatchObject({
    code: 0,
    said: expect.stringMatching(/copy is whole: \d+ jobs, 0 checks, 0 readings, 0 sizes, 0 signatures\.\n$/),
  })
  expect(readdirSync(copy, { recursive: true })).toHaveLength(before)
  truncateSync(join(copy, 'database/global/pg_control'), 10)
  expect(await check(copy)).toMatchObject({ code: 1, said: expect.stringContaining('is damaged') })
  const started = await runScript('scripts/start.mjs', { PORT: '4998', FINITUM_DATA: copy })
  expect(started).toMatchObject({
    code: 1,
    said: expect.stringMatching(/is damaged \(.*\)\. Nothing was changed\. Put a copy back in its place/),
  })
  expect(await check(home)).toMatchObject({ code: 1, said: expect.stringContaining('There is no Finitum data in') })
  rmSync(home, { recursive: true })
})

test('open to the network only on purpose, and then every screen says so', async ({ page }) => {
  const folder = mkdtempSync(join(tmpdir(), 'finitum-test-'))
  const closed = await runScript('scripts/start.mjs', { PORT: '4997', HOST: '0.0.0.0', FINITUM_DATA: folder })
  expect(closed).toMatchObject({
    code: 1,
    said: expect.stringContaining('there is no sign-in yet. Where all of them may, set FINITUM_OPEN=yes.'),
  })
  const open = await openWorkshop('start', { HOST: '0.0.0.0', FINITUM_OPEN: 'yes' })
  try {
    for (const path of ['/', '/stock', '/gauges']) {
      await page.goto(open.address + path)
      await expect(page.getByTestId('open')).toContainText('Open to the network: anybody on it can read and change what is here.')
    }
  } finally {
    await open.stop()
    rmSync(open.folder, { recursive: true, force: true })
    rmSync(folder, { recursive: true, force: true })
  }
  await page.goto(shop.address)
  await expect(page.getByRole('heading', { name: 'On the bench', exact: true })).toBeVisible()
  await expect(page.getByTestId('open')).toHaveCount(0)
})

test('a demo killed while it is loaded starts whole the next time @long', async () => {
  test.setTimeout(480_000)
  const demo = await openWorkshop('demo', LOAD_ANEW)
  const jobs = async () => ((await (await fetch(`${demo.address}/api/health`)).json()) as { jobs: number }).jobs
  try {
    const whole = await jobs()
    await demo.stop()
    rmSync(join(demo.folder, 'database'), { recursive: true })
    const starting = demo.start().catch(() => null)
    await expect
      .poll(
        () =>
          fetch(`${demo.address}/api/health`).then(
            async answer => ((await answer.json()) as { jobs: number }).jobs,
            () => 0,
          ),
        { intervals: [5] },
      )
      .toBeGreaterThan(0)
    await demo.stop('SIGKILL')
    await starting
    expect(existsSync(join(demo.folder, 'demo-loading'))).toBe(true)
    await demo.start()
    expect(await jobs()).toBe(whole)
    expect(existsSync(join(demo.folder, 'demo-loading'))).toBe(false)
  } finally {
    await demo.stop()
    rmSync(demo.folder, { recursive: true, force: true })
  }
})

test('a second start in the middle of a large import is refused, and the import goes on @long', async () => {
  const demo = await openWorkshop('demo')
  try {
    const text = await (await fetch(`${demo.address}/api/jobs/launch-engine/worksheet`)).text()
    let done = 0
    const imports = Array.from({ length: 8 }, async () => {
      const answer = await fetch(`${demo.address}/api/worksheets?copy=yes`, { method: 'POST', headers: AS_PROGRAM, body: text })
      expect(answer.status).toBe(200)
      done++
    })
    const second = await runScript('scripts/start.mjs', { PORT: '4995', FINITUM_DATA: demo.folder })
    expect(second).toMatchObject({ code: 1, said: expect.stringContaining('is open in another Finitum (process ') })
    expect(done).toBeLessThan(8)
    await Promise.all(imports)
    const { found } = (await (await fetch(`${demo.address}/api/jobs?find=copy`)).json()) as { found: number }
    expect(found).toBe(8)
  } finally {
    await demo.stop()
    rmSync(demo.folder, { recursive: true, force: true })
  }
})

test('a full disk: nothing is lost, the browser keeps what is typed, and sends it when there is room @long', async ({ page }) => {
  const disk = mkdtempSync(join(tmpdir(), 'finitum-disk-'))
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=400m', 'tmpfs', disk])
  test.skip(mounted.status !== 0, 'A small disk cannot be mounted here.')
  const demo = await openWorkshop('demo', {}, join(disk, 'shop'))
  try {
    await page.goto(`${demo.address}/checks/launch-idler`)
    await page.getByRole('button', { name: /Measure/ }).click()
    await typeReading(page, '7.2')
    await expect(page.getByTestId('saved')).toHaveText('Saved')
    const fill = join(disk, 'else')
    const { bavail, bsize } = statfsSync(disk)
    writeFileSync(fill, Buffer.alloc(bavail * bsize - 20_000_000))
    const refused = await fetch(`${demo.address}/api/jobs`, {
      method: 'POST',
      headers: AS_PROGRAM,
      body: JSON.stringify({ op: 'f', id: 'f', unit: 'x', title: 'y' }),
    })
    expect(refused.status).toBe(507)
    expect(await refused.text()).toContain('is nearly full: nothing was stored. Make room on it; what was typed waits in the browser.')
    await typeReading(page, '7.4')
    await expect(page.getByTestId('away')).toBeVisible()
    await page.reload()
    await page.getByRole('button', { name: /Measure/ }).click()
    await expect(seriesRows(page)).toHaveCount(3)
    // Somebody else fills it to the last byte, in the middle of work; then there is room again.
    rmSync(fill)
    await expect(page.getByTestId('saved')).toHaveText('Saved')
    await demo.stop()
    writeFileSync(fill, Buffer.alloc(statfsSync(disk).bavail * bsize - 100_000))
    rmSync(join(disk, 'shop/spare'), { force: true })
    writeFileSync(`${fill}2`, Buffer.alloc(Math.max(0, statfsSync(disk).bavail * bsize - 100_000)))
    const full = await runScript('scripts/start.mjs', { PORT: '4996', FINITUM_DATA: join(disk, 'shop') })
    expect(full).toMatchObject({
      code: 1,
      said: expect.stringMatching(/is full: 0 MB are free, 24 MB are needed to start\. Make room and start again; nothing is lost\./),
    })
    rmSync(fill)
    rmSync(`${fill}2`)
    await demo.start()
    const { document } = (await (await fetch(`${demo.address}/api/checks/launch-idler`)).json()) as {
      document: { trials: { readings: unknown[] }[] }
    }
    expect(document.trials.at(-1)!.readings).toHaveLength(2)
  } finally {
    await demo.stop()
    spawnSync('umount', [disk])
    rmSync(disk, { recursive: true, force: true })
  }
})
