import { readdirSync } from 'node:fs'
import { join, relative } from 'node:path'
import { stream } from '../reference/drawers'
import { oneOf, spoiler } from '../spoil'
import { AS_PROGRAM, demoForThisFile, expect, test } from './workshop'

demoForThisFile()
const REQUESTS = Number(process.env.FUZZ ?? 1_000)
const HERE = join(process.cwd(), 'server/api')
/** Every route there is, from the files it is made of: `POST checks/[id]/readings`. */
const ROUTES = readdirSync(HERE, { recursive: true })
  .map(file => /^(.*?)(?:\/index|^index)?\.(get|post|patch)\.ts$/.exec(relative('.', String(file))))
  .flatMap(found => (found ? [{ path: found[1]!.replace(/\/?index$/, ''), method: found[2]!.toUpperCase() }] : []))
  // What writes everything out takes its seconds, whatever is sent with it.
  .filter(({ path, method }) => !['GET backup', 'POST copies', 'GET readings/csv'].includes(`${method} ${path}`))

/** Bodies that would do, a field of everything there is: what is sent is one of them, spoilt. */
const GOOD = [
  { op: 'o', id: 'i', unit: 'ferry', title: 'gearbox', notes: '' },
  {
    op: 'o',
    id: 'i',
    kind: 'shaft-end-play',
    settings: {
      title: 'play',
      limits: [{ result: 'play', role: 'book', set: { kind: 'upper', upper: 100000, unit: 'mm', source: { kind: 'book' } } }],
    },
  },
  {
    op: 'o',
    version: 1,
    settings: {
      setup: { pack: 'single' },
      aim: { school: 'own', own: 5 },
      packRules: { most: 3, required: 'x' },
      gauges: { micrometer: 'x' },
      tipAngle: 3,
      uRefit: 0,
    },
  },
  { op: 'o', id: 'r', version: 1, trialId: 'launch-idler-1', point: 'travel', start: 0, far: 190000, back: 0, at: '2026-05-04T13:05:00Z' },
  {
    op: 'o',
    id: 'r',
    version: 1,
    trialId: 'launch-idler-1',
    point: 'travel',
    pieces: ['a', 'b'],
    word: 'binds',
    celsius: 20,
    at: '2026-05-04T13:05:00Z',
  },
  {
    op: 'o',
    version: 1,
    trialId: 't',
    onto: 'launch-idler-1',
    packs: [{ place: 'pack', pieces: [{ lotId: 'cover-5', count: 1 }] }],
    inHand: [{ lotId: 'cover-5', id: 'n', size: 1, mark: 'a' }],
  },
  {
    op: 'o',
    version: 1,
    place: 'pack',
    pieces: [
      { lotId: 'cover-5', count: 1 },
      { size: 50000, measured: true, count: 2 },
    ],
  },
  { op: 'o', version: 1, step: 'tip', trial: 't', ticked: true },
  { op: 'o', version: 1, readingId: 'r', reason: 'slip', by: 'me', removed: true, part: 'p' },
  { op: 'o', id: 'l', family: 'f', nominal: 100000, count: 3, tags: ['a'], tolerance: { plus: 1, minus: 0 }, cost: 5, shape: 'flat' },
  { op: 'o', version: 1, why: 'count', change: -1, note: 'lost', sizes: [100000], scatter: null, mark: 'm', size: 5, id: 'x' },
  {
    op: 'o',
    id: 'g',
    kind: 'micrometer',
    version: 1,
    fields: { name: 'mic', unit: 'mm', graduation: 1000, range: { low: 0, high: 5 }, due: '2026-05-04' },
    on: '2026-05-04',
  },
  {
    op: 'o',
    version: 1,
    anvils: [{ name: '1', low: 0, high: 5 }],
    washers: [{ name: 'w', length: 5 }],
    place: 'pack',
    lotId: 'cover-5',
    target: 5,
    low: 1,
    high: 9,
    figures: [1, 2, 3, 4],
    lapId: 'x',
    at: '2026-05-04T13:05:00Z',
  },
  {
    format: 'finitum-worksheet',
    version: 5,
    jobs: [{ id: 'a', title: ' ', unit: { name: 'x' }, parts: [], checks: [] }],
    lots: [{ id: 'x', nominal: 5 }],
  },
  { op: 'o', version: 0, condition: 'bearings', trial: 'x', state: 'dry' },
  { op: 'o', version: 0, item: 'seals', trial: 'x', how: 'done', by: 'T. Marl' },
  {
    op: 'o',
    id: 'e',
    version: 1,
    fields: {
      name: 'Shaft',
      kind: 'shaft-end-play',
      result: 'play',
      type: 'Harbour launch',
      role: 'book',
      rule: {},
      set: { kind: 'upper', upper: 100_000, unit: 'thou', source: { kind: 'book', text: 'Manual' } },
    },
  },
  { op: 'o', id: 'p', version: 1, name: 'Tove Marl', initials: 'TO' },
  {
    op: 'o',
    version: 1,
    cameIn: '2026-01-01',
    promised: null,
    stage: 'ready',
    meterReading: 5,
    reference: 'r',
    type: 'Launch',
    meter: 'h',
  },
  { of: [{ thing: 'job', id: 'launch-box' }], sheet: 'a4-24', skip: 0 },
  { op: 'o', id: 'r', name: 'Route', job: 'launch-box' },
  { op: 'o', version: 1, on: '2026-05-04', good: true, note: 'n', by: 'me', due: null },
  { op: 'o', id: 'l', lotId: 'cover-5', pieces: 1 },
  { op: 'o', id: 'p', supplier: 'Skerry', lines: ['l'], reference: 'r', orderedOn: '2026-05-04', due: '2026-05-05' },
  { op: 'o', version: 1, reference: 'r', due: null },
  { op: 'o', id: 'r', lotId: 'cover-5', size: 127_000, mark: 'tray 1' },
  { op: 'o', lotId: 'cover-5', reason: 'none made' },
]
/** Which of them a route takes, by the end of its path. */
const FOR: readonly (readonly [RegExp, readonly number[]])[] = [
  [/^limits/, [16]],
  [/^people/, [17]],
  [/^units|^jobs\/\[id\]$/, [18]],
  [/^labels/, [19]],
  [/^routes/, [20]],
  [/^gauges\/\[id\]\/checks/, [21]],
  [/^jobs$/, [0]],
  [/jobs\/\[id\]\/checks/, [1]],
  [/settings/, [2]],
  [/readings/, [3, 4]],
  [/fittings/, [5]],
  [/^orders\/lines$/, [22]],
  [/^orders$/, [23]],
  [/^orders\/\[id\]$|back/, [24]],
  [/receipts/, [25]],
  [/returns|cancellations/, [26]],
  [/found-pack|reserves|wants/, [6]],
  [/ticks/, [7]],
  [/conditions/, [14]],
  [/clearings/, [15]],
  [/voids|removal|reopen|sign-off|part-changes/, [8]],
  [/^stock\/lots$/, [9]],
  [/^stock\/lots/, [10]],
  [/^gauges$|^gauges\/\[id\]$|zeroed/, [11]],
  [/kit|lap/, [12]],
  [/worksheets|csv/, [13]],
]
const IDS = [
  'launch-idler',
  'launch-box',
  'cover-5',
  'autumn',
  'dial-1-thou',
  'nobody',
  '%00',
  '..%2f..',
  '%ED%A0%80',
  'x'.repeat(300),
  '%F0%9F%98%80',
  'constructor',
  '__proto__',
  "'",
  '.',
]

test(`${REQUESTS} spoilt requests to every route: refused or done, never a fault of ours; nothing else changes`, async ({ shop }) => {
  test.setTimeout(120_000 + REQUESTS * 100)
  expect(ROUTES.length).toBeGreaterThan(30)
  const random = stream(Number(process.env.SEED ?? 12))
  const one = <Item>(of: readonly Item[]): Item => oneOf(random, of)
  const spoil = spoiler(random)
  let count = 0
  const untouched = async () => (await (await fetch(`${shop.address}/api/jobs/moto-engine/worksheet`)).json()) as { jobs: unknown }
  const before = (await untouched()).jobs
  const faults: string[] = []
  const once = async () => {
    const route = random() < 0.03 ? { path: one(['nothing', 'jobs/x/y/z', '%']), method: 'GET' } : one(ROUTES)
    const method = random() < 0.08 ? one(['GET', 'POST', 'PATCH', 'PUT', 'DELETE', 'OPTIONS']) : route.method
    const path =
      route.path.replace('[id]', () => one(IDS)) +
      (method === 'GET' && random() < 0.5 ? `?find=${one(IDS)}&skip=${one(['-1', 'x', '1e9', '0'])}&state=${one(['in', 'x'])}` : '')
    const fits = FOR.find(([shape]) => shape.test(route.path))?.[1]
    const good = fits && random() < 0.85 ? GOOD[one(fits)]! : one(GOOD)
    // Mostly under an id of its own, or all but the first would be repeats.
    const spoilt = spoil('op' in good ? { ...good, op: `f${count++}` } : good)
    const text = random() < 0.03 ? one(['', '{', '[]', '"x"', '\u0000', `${'['.repeat(20_000)}`]) : JSON.stringify(spoilt)
    const answer = await fetch(`${shop.address}/api/${path}`, { method, headers: AS_PROGRAM, ...(method === 'GET' ? {} : { body: text }) })
    await answer.text()
    if (answer.status >= 500) faults.push(`${answer.status} ${method} ${path} ${text.slice(0, 300)}`)
  }
  for (let at = 0; at < REQUESTS; at += 8) await Promise.all(Array.from({ length: 8 }, once))
  expect(faults).toEqual([])
  expect((await fetch(`${shop.address}/api/health`)).ok).toBe(true)
  expect((await untouched()).jobs).toEqual(before)
  // What was accepted goes out and can be read back.
  const { jobs } = (await (await fetch(`${shop.address}/api/jobs?limit=100`)).json()) as { jobs: { id: string }[] }
  expect(jobs.length).toBeGreaterThan(10)
  for (const { id } of jobs) {
    // Every check of it is served, and takes a reading or says why not.
    const { checks } = (await (await fetch(`${shop.address}/api/jobs/${id}`)).json()) as { checks: { id: string }[] }
    for (const check of checks) {
      const url = `${shop.address}/api/checks/${check.id}`
      const served = await fetch(url)
      expect({ check: check.id, status: served.status }).toEqual({ check: check.id, status: 200 })
      const { version, document } = (await served.json()) as { version: number; document: { trials: { id: string }[] } }
      const reading = { point: 'travel', start: 0, far: 190_000, back: 0, at: '2026-05-04T13:05:00Z' }
      const body = {
        op: `after-${check.id}`.slice(0, 64),
        id: `after-${check.id}`.slice(0, 64),
        version,
        trialId: document.trials.at(-1)!.id,
        ...reading,
      }
      const taken = await fetch(`${url}/readings`, { method: 'POST', headers: AS_PROGRAM, body: JSON.stringify(body) })
      expect({ check: check.id, fault: taken.status >= 500 }).toEqual({ check: check.id, fault: false })
    }
    const text = await (await fetch(`${shop.address}/api/jobs/${id}/worksheet`)).text()
    const again = await fetch(`${shop.address}/api/worksheets?copy=yes`, { method: 'POST', headers: AS_PROGRAM, body: text })
    expect({ id, status: again.status, said: again.ok ? '' : await again.text() }).toEqual({ id, status: 200, said: '' })
  }
  const drawer = await (await fetch(`${shop.address}/api/stock/csv`)).text()
  const back = await fetch(`${shop.address}/api/stock/csv`, { method: 'POST', headers: AS_PROGRAM, body: drawer })
  expect(await back.json()).toEqual({ added: 0, corrected: 0 })
})

test('a file that is refused costs little: by its length before it is read, by its count before it is expanded', async ({ shop }) => {
  const head = '"format":"finitum-worksheet","version":4'
  const post = async (path: string, body: BodyInit) => {
    try {
      const answer = await fetch(`${shop.address}/api/${path}`, {
        method: 'POST',
        headers: AS_PROGRAM,
        body,
        duplex: 'half',
      } as RequestInit)
      return { status: answer.status, said: await answer.text() }
    } catch {
      // Cut off while it was still being sent.
      return { status: 413, said: 'too large' }
    }
  }
  /** Sent without saying how long it is. */
  const endless = () => {
    let left = 300
    return new ReadableStream({
      pull(controller) {
        if (left-- > 0) controller.enqueue(new Uint8Array(1_000_000).fill(32))
        else controller.close()
      },
    })
  }
  const before = shop.peak
  for (const [path, body, status, said] of [
    ['worksheets', `{${head},"jobs":[],"lots":[${Array(1_200_000).fill('{}').join()}]}`, 422, 'too much in it: 500000 values'],
    ['worksheets', `{${head},"jobs":${'['.repeat(1_900_000)}${']'.repeat(1_900_000)}}`, 422, 'too much in it'],
    ['worksheets', `{${head},"jobs":[],"lots":[${Array(200_000).fill('{}').join()}]}`, 422, 'NOT have more than 5000 items'],
    ['worksheets', `{${head},"lots":[],"jobs":[${Array(200_000).fill('{}').join()}]}`, 422, 'At most 2000 jobs'],
    ['worksheets', `{${head},"jobs":${'['.repeat(400_000)}${']'.repeat(400_000)}}`, 422, 'nested too deeply'],
    ['worksheets', 'x'.repeat(4_200_000), 413, 'too large'],
    ['worksheets', endless(), 413, 'too large'],
    ['stock/csv', endless(), 413, 'too large'],
    ['jobs', endless(), 413, 'too large'],
    ['stock/csv', `family,nominal,count\n${'a,5,1\n'.repeat(100_000)}`, 413, 'At most 5000 sizes a file'],
  ] as const) {
    const answer = await post(path, body)
    expect({ status: answer.status, said: answer.said.slice(0, 400) }).toEqual({ status, said: expect.stringContaining(said) })
  }
  expect((await fetch(`${shop.address}/api/health`)).ok).toBe(true)
  if (before !== null) expect(shop.peak! - before).toBeLessThan(200)
})
