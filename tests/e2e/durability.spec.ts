import { rmSync } from 'node:fs'
import { createServer, get } from 'node:http'
import type { AddressInfo } from 'node:net'
import { AS_PROGRAM, demoForThisFile, expect, openWorkshop, test } from './workshop'

demoForThisFile()

interface View {
  version: number
  document: { trials: { id: string; readings: { id: string }[] }[] }
}

const KILLS = Number(process.env.KILLS ?? 1)

test(`killed ${KILLS} times in the middle of writes: what was answered is there, nothing is half done, it starts at once`, async () => {
  test.setTimeout(300_000 + KILLS * 15_000)
  const shop = await openWorkshop('demo')
  const url = () => `${shop.address}/api/checks/launch-idler`
  const view = async (): Promise<View> => (await fetch(url())).json() as Promise<View>
  const reading = (n: number, version: number) => ({
    op: `k${n}`,
    id: `k${n}`,
    version,
    trialId: 'launch-idler-1',
    point: 'travel',
    start: 0,
    far: 180_000 + n,
    back: 0,
    springBack: false,
    at: '2026-05-04T13:05:00Z',
  })
  const post = (body: object) => fetch(`${url()}/readings`, { method: 'POST', headers: AS_PROGRAM, body: JSON.stringify(body) })
  const answered: string[] = []
  let next = 0
  try {
    for (let kill = 0; kill < KILLS; kill++) {
      let { version } = await view()
      const enough = answered.length + 3 + (kill % 7)
      const writing = (async () => {
        for (;;) {
          const n = next++
          const answer = await post(reading(n, version))
          version = ((await answer.json()) as View).version
          answered.push(`k${n}`)
        }
      })().catch(() => null)
      await expect.poll(() => answered.length, { intervals: [5] }).toBeGreaterThan(enough)
      await shop.stop('SIGKILL')
      await writing
      await shop.start()
      const after = await view()
      const kept = after.document.trials[0]!.readings.map(({ id }) => id)
      // All that was answered, in its order; besides, at most the one that was on its way at each kill.
      expect(kept.filter(id => answered.includes(id))).toEqual(answered)
      expect(kept.length - answered.length).toBeLessThanOrEqual(kill + 1)
      expect(after.version).toBe(1 + kept.length)
      // The writer may simply send again: done once, whether or not it had landed.
      const last = next - 1
      const landed = kept.includes(`k${last}`)
      expect((await post(reading(last, after.version))).status).toBe(200)
      expect((await post(reading(last, 1))).status).toBe(200)
      expect((await view()).document.trials[0]!.readings).toHaveLength(kept.length + (landed ? 0 : 1))
      if (!answered.includes(`k${last}`)) answered.push(`k${last}`)
    }
  } finally {
    await shop.stop()
    rmSync(shop.folder, { recursive: true, force: true })
  }
})

test('two tabs fit at once: one does, the other is told, stock moves once', async ({ shop }) => {
  const url = `${shop.address}/api/checks/launch-input`
  const onHand = async () =>
    ((await (await fetch(`${shop.address}/api/stock`)).json()) as { lots: { id: string; onHand: number }[] }).lots.map(lot => [
      lot.id,
      lot.onHand,
    ])
  const before = new Map((await onHand()) as [string, number][])
  const { version } = (await (await fetch(url)).json()) as View
  const fit = (op: string) =>
    fetch(`${url}/fittings`, {
      method: 'POST',
      headers: AS_PROGRAM,
      body: JSON.stringify({
        op,
        version,
        trialId: `t-${op}`,
        packs: [
          {
            place: 'pack',
            pieces: [
              { lotId: 'cover-5', count: 1 },
              { lotId: 'cover-20', count: 1 },
            ],
          },
        ],
      }),
    })
  const statuses = (await Promise.all([fit('a'), fit('b')])).map(answer => answer.status).sort()
  expect(statuses).toEqual([200, 409])
  const after = new Map((await onHand()) as [string, number][])
  expect(before.get('cover-5')! - after.get('cover-5')!).toBe(1)
  expect(before.get('cover-20')! - after.get('cover-20')!).toBe(1)
  expect(after.get('cover-12')! - before.get('cover-12')!).toBe(1)
})

/** A request as it is: the address not tidied up, under any name. */
const asked = (address: string, path: string, host = new URL(address).host) =>
  new Promise<{ status: number; text: string }>(resolve => {
    get({ host: '127.0.0.1', port: new URL(address).port, path, headers: { host } }, answer => {
      let text = ''
      answer.on('data', part => (text += String(part)))
      answer.on('end', () => resolve({ status: answer.statusCode!, text }))
    })
  })

test('another site can neither write nor read here', async ({ shop }) => {
  const { port } = new URL(shop.address)
  const job = { method: 'POST', body: JSON.stringify({ op: 'x', id: 'x', unit: 'x', title: 'x' }) }
  const status = async (headers: Record<string, string>, path = '/api/jobs', more: RequestInit = job) =>
    (await fetch(`${shop.address}${path}`, { ...more, headers })).status
  // No proof at all, a foreign page, another port of this machine, a page without an origin.
  for (const headers of [{}, { origin: 'http://elsewhere.example' }, { origin: 'http://127.0.0.1:1' }, { origin: 'null', ...AS_PROGRAM }])
    expect(await status(headers as Record<string, string>)).toBe(403)
  expect((await fetch(`${shop.address}/api/jobs`)).ok).toBe(true)
  // A name of its own that leads to this machine.
  const rebound = await asked(shop.address, '/api/jobs', `elsewhere.example:${port}`)
  expect(rebound.status).toBe(403)
  expect(rebound.text).toContain('does not answer to the name “elsewhere.example')
  expect((await asked(shop.address, '/', 'elsewhere.example')).text).toMatch(/^Finitum does not answer to the name “elsewhere\.example”\./)
  expect(JSON.stringify(await (await fetch(`${shop.address}/api/jobs`)).json())).not.toContain('"title":"x"')
})

test('a page elsewhere, in a real browser, neither writes nor reads: by fetch, by form, under a name of its own', async ({
  browser,
  shop,
}) => {
  const { port } = new URL(shop.address)
  const elsewhere = createServer((_, answer) =>
    answer.setHeader('content-type', 'text/html').end('<title>elsewhere</title><form method="post"></form>'),
  )
  await new Promise<void>(resolve => elsewhere.listen(0, '127.0.0.1', resolve))
  const other = (elsewhere.address() as AddressInfo).port
  try {
    const page = await browser.newPage()
    await page.goto(`http://localhost:${other}/`)
    const tried = await page.evaluate(async address => {
      const body = JSON.stringify({ op: 'y', id: 'y', unit: 'y', title: 'Written elsewhere' })
      const plain = await fetch(`${address}/api/jobs`, { method: 'POST', body, mode: 'no-cors' }).then(
        answer => answer.type,
        () => 'failed',
      )
      const proved = await fetch(`${address}/api/jobs`, { method: 'POST', body, headers: { 'x-finitum': 'yes' } }).then(
        () => 'answered',
        () => 'failed',
      )
      const read = await fetch(`${address}/api/jobs`).then(
        () => 'answered',
        () => 'failed',
      )
      return { plain, proved, read }
    }, shop.address)
    expect(tried).toEqual({ plain: expect.stringMatching(/opaque|failed/), proved: 'failed', read: 'failed' })
    await page.evaluate(address => {
      const form = document.querySelector('form')!
      form.action = `${address}/api/jobs`
      form.enctype = 'text/plain'
      form.innerHTML = `<input name='{"op":"z","id":"z","unit":"z","title":"Written elsewhere","x":"' value='"}'>`
      form.submit()
    }, shop.address)
    await expect(page.locator('body')).toContainText('Another site tried to write here')
    // The same name, another port; then a page that is shown in a frame.
    await page.goto(`http://localhost:${other}/`)
    await page.evaluate(address => {
      document.body.innerHTML = `<iframe src="${address}"></iframe>`
    }, shop.address)
    await page.waitForTimeout(500)
    expect(page.frames().at(-1)!.url()).not.toBe(`${shop.address}/`)
    await page.close()
  } finally {
    elsewhere.close()
  }
  expect(await (await fetch(`${shop.address}/api/jobs`)).text()).not.toContain('Written elsewhere')
  expect(port).not.toBe(String(other))
})

test('everything is sent with what a browser may do with it; what is not there is said in JSON', async ({ shop }) => {
  for (const path of ['/', '/mark.svg', '/api/jobs', '/checks/nothing']) {
    const { headers } = await fetch(shop.address + path)
    expect(headers.get('x-content-type-options'), path).toBe('nosniff')
    expect(headers.get('x-frame-options'), path).toBe('DENY')
    expect(headers.get('referrer-policy'), path).toBe('no-referrer')
    expect(headers.get('permissions-policy'), path).toContain('camera=()')
    expect(headers.get('x-powered-by'), path).toBeNull()
    const policy = headers.get('content-security-policy')!
    expect(policy, path).toContain("default-src 'self'")
    expect(policy, path).not.toContain('unsafe-inline')
    if (path.startsWith('/api/')) expect(headers.get('cache-control')).toBe('no-store')
  }
  const answer = async (path: string, method: string) => {
    const { status, headers } = await fetch(shop.address + path, { method, headers: AS_PROGRAM })
    return { status, type: headers.get('content-type'), allow: headers.get('allow') }
  }
  expect(await answer('/api/nothing/here', 'GET')).toMatchObject({ status: 404, type: 'application/json' })
  expect(await answer('/api/jobs', 'DELETE')).toMatchObject({ status: 405, type: 'application/json', allow: 'GET, POST' })
  expect(await answer('/api/checks/launch-idler/readings', 'GET')).toMatchObject({ status: 405, allow: 'POST' })
  for (const id of ['%00', '%2e%2e', '.', '..', 'x'.repeat(65), '%ED%A0%80'])
    expect((await asked(shop.address, `/api/checks/${id}`)).status, id).toBe(404)
})

test('the first bench page comes in forty requests and 350 kB, packed; no more of the program than it needs', async ({ page, shop }) => {
  const session = await page.context().newCDPSession(page)
  await session.send('Network.enable')
  const sent = new Map<string, number>()
  // What is fetched five seconds later, so that it is here when the server is away, is no part of the first page; on a busy machine it
  // may come before the rest is through.
  await page.addInitScript(() => {
    const soon = window.setTimeout
    window.setTimeout = ((done: TimerHandler, ms?: number, ...rest: unknown[]) =>
      ms === 5_000 ? 0 : soon(done, ms, ...rest)) as typeof window.setTimeout
  })
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => sent.set(requestId, encodedDataLength))
  // One that waits for its pack, or has it by now, and one that is proved: each as if it were the first page, nothing kept from before.
  for (const check of ['launch-input', 'launch-output']) {
    await session.send('Network.clearBrowserCache')
    sent.clear()
    await page.goto(`${shop.address}/checks/${check}`)
    await expect(page.getByTestId('verdict')).not.toBeEmpty()
    await page.waitForLoadState('networkidle')
    const bytes = [...sent.values()].reduce((sum, length) => sum + length, 0)
    expect(sent.size, check).toBeLessThanOrEqual(40)
    expect(bytes, check).toBeLessThanOrEqual(350_000)
    // Less than that would be no page.
    expect(bytes, check).toBeGreaterThan(100_000)
  }
  // Answers over a kilobyte are packed as whoever asks can take them; short ones, and papers, are as they are.
  const packing = async (path: string, accepts: string) =>
    (await fetch(shop.address + path, { headers: { 'accept-encoding': accepts } })).headers.get('content-encoding')
  expect(await packing('/api/checks/launch-input', 'gzip, br')).toBe('br')
  expect(await packing('/api/checks/launch-input', 'gzip')).toBe('gzip')
  expect(await packing('/api/checks/launch-input', 'br;q=0')).toBeNull()
  expect(await packing('/api/readings/csv', 'br, gzip')).toBe('gzip')
  expect(await packing('/api/health', 'gzip, br')).toBeNull()
  expect(await packing('/api/jobs/launch-box/report.pdf', 'gzip, br')).toBeNull()
})
