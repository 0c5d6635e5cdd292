import { rmSync } from 'node:fs'
import { demoForThisFile, expect, openWorkshop, test } from './workshop'

demoForThisFile()

interface View {
  version: number
  document: { trials: { id: string; readings: { id: string }[] }[] }
}

test('killed in the middle of writes: what was answered is there, nothing is half done', async () => {
  test.setTimeout(180_000)
  const shop = await openWorkshop('demo')
  const url = () => `${shop.address}/api/checks/launch-idler`
  const view = async (path = url()): Promise<View> => (await fetch(path)).json() as Promise<View>
  try {
    const answered: string[] = []
    let { version } = await view()
    const writing = (async () => {
      for (let i = 0; i < 5000; i++) {
        const answer = await fetch(`${url()}/readings`, {
          method: 'POST',
          body: JSON.stringify({
            op: `k${i}`,
            id: `k${i}`,
            version,
            trialId: 'launch-idler-1',
            point: 'travel',
            start: 0,
            far: 180_000 + i,
            back: 0,
            springBack: false,
            at: '2026-05-04T13:05:00Z',
          }),
        })
        version = ((await answer.json()) as View).version
        answered.push(`k${i}`)
      }
    })().catch(() => null)
    await expect.poll(() => answered.length, { timeout: 30_000 }).toBeGreaterThan(15)
    await shop.stop('SIGKILL')
    await writing
    expect(answered.length).toBeLessThan(5000)

    // The lock of the killed one is let go by itself.
    await shop.start()
    const after = await view()
    const kept = after.document.trials[0]!.readings.map(reading => reading.id)
    expect(kept.slice(0, answered.length)).toEqual(answered)
    // At most the one write that was on its way when it was killed.
    expect(kept.length - answered.length).toBeLessThanOrEqual(1)
    expect(after.version).toBe(1 + kept.length)

    // The writer may simply send again: done once, whether or not it had landed.
    const again = {
      op: `k${answered.length}`,
      id: `k${answered.length}`,
      version: after.version,
      trialId: 'launch-idler-1',
      point: 'travel',
      start: 0,
      far: 190_000,
      back: 0,
      springBack: false,
      at: '2026-05-04T13:05:00Z',
    }
    expect((await fetch(`${url()}/readings`, { method: 'POST', body: JSON.stringify(again) })).status).toBe(200)
    expect((await view()).document.trials[0]!.readings).toHaveLength(answered.length + 1)
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

test('another site cannot write here', async ({ shop }) => {
  const answer = await fetch(`${shop.address}/api/jobs`, {
    method: 'POST',
    headers: { 'sec-fetch-site': 'cross-site' },
    body: JSON.stringify({ op: 'x', id: 'x', unit: 'x', title: 'x' }),
  })
  expect(answer.status).toBe(403)
  expect((await fetch(shop.address)).headers.get('content-security-policy')).toContain("default-src 'self'")
})
