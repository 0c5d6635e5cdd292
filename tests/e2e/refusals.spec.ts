import { CORE_VERSION } from '../../core/version'
import { AS_PROGRAM, demoForThisFile, expect, test, type Workshop } from './workshop'

demoForThisFile()

interface Refused {
  status: number
  faults: { path: string; reason: string }[]
  changed?: string[]
}
async function send(shop: Workshop, path: string, body: unknown, method = 'POST'): Promise<Refused> {
  const answer = await fetch(`${shop.address}/api/${path}`, {
    method,
    headers: AS_PROGRAM,
    body: typeof body === 'string' ? body : JSON.stringify(body),
  })
  const json = (await answer.json()) as { data?: Omit<Refused, 'status'> }
  return { status: answer.status, faults: json.data?.faults ?? [], ...(json.data?.changed ? { changed: json.data.changed } : {}) }
}
/** Other tests write to the same workshop: the version that is current now. */
async function withVersion(shop: Workshop, path: string, body: object | string): Promise<object | string> {
  if (typeof body === 'string' || !('version' in body)) return body
  const [view, id] = path.startsWith('checks') ? ['checks', path.split('/')[1]] : ['stock', path.split('/')[2]]
  const found = (await (await fetch(`${shop.address}/api/${view === 'checks' ? `checks/${id}` : 'stock'}`)).json()) as {
    version?: number
    lots?: { id: string; version: number }[]
  }
  return { ...body, version: (view === 'checks' ? found.version : found.lots?.find(lot => lot.id === id)?.version) ?? 1 }
}
const reading = {
  op: 'r1',
  id: 'r1',
  version: 1,
  trialId: 'launch-idler-1',
  point: 'travel',
  start: 0,
  far: 190000,
  back: 0,
  springBack: false,
  at: '2026-05-04T13:05:00Z',
}

for (const [what, path, body, status, place, reason] of [
  ['no JSON', 'jobs', '{', 400, '', 'not JSON'],
  ['not an object', 'jobs', '[]', 400, '', 'JSON object'],
  ['an unknown field', 'jobs', { op: 'a', id: 'a', unit: 'x', title: 'y', owner: 'me' }, 422, 'owner', 'not known'],
  ['a missing field', 'jobs', { op: 'a', id: 'a', title: 'y' }, 422, 'unit', '.'],
  ['a zero character', 'jobs', { op: 'a', id: 'a', unit: 'x\0', title: 'y' }, 422, 'unit', 'zero character'],
  ['too large a body', 'jobs', { op: 'a', id: 'a', unit: 'x', title: 'y', notes: 'n'.repeat(70_000) }, 413, '', 'too large'],
  ['a length in fractions', 'checks/launch-idler/readings', { ...reading, far: 1.5 }, 422, 'far', 'whole number of nanometres'],
  ['a length as text', 'checks/launch-idler/readings', { ...reading, far: '18 thou' }, 422, 'far', 'whole number of nanometres'],
  ['a length beyond the bench', 'checks/launch-idler/readings', { ...reading, far: 2e12 }, 422, 'far', 'longer than anything'],
  ['a date that is none', 'checks/launch-idler/readings', { ...reading, at: 'yesterday' }, 422, 'at', 'date and time'],
  [
    'a nested fault',
    'checks/launch-idler/settings',
    {
      op: 's',
      version: 1,
      settings: {
        limits: [{ result: 'play', role: 'book', set: { kind: 'two-sided', lower: 1, upper: 2, unit: 'rod', source: { kind: 'book' } } }],
      },
    },
    422,
    'settings.limits.0.set.unit',
    'unit',
  ],
  [
    'limits of no result',
    'checks/launch-idler/settings',
    {
      op: 's',
      version: 1,
      settings: { limits: [{ result: 'warp', role: 'book', set: { kind: 'upper', upper: 2, unit: 'mm', source: { kind: 'book' } } }] },
    },
    422,
    'settings.limits.0.result',
    'no such result',
  ],
  [
    'a reading of another form',
    'checks/launch-idler/readings',
    { op: 'r', version: 1, id: 'r', trialId: 'launch-idler-1', point: 'travel', figure: 5, at: reading.at },
    422,
    'figure',
    'does not take that',
  ],
  [
    'a reading without its figures',
    'checks/launch-idler/readings',
    { op: 'r', version: 1, id: 'r', trialId: 'launch-idler-1', point: 'travel', start: 0, far: 5, at: reading.at },
    422,
    'back',
    'missing',
  ],
  [
    'a choice that is none',
    'checks/launch-idler/settings',
    { op: 's', version: 1, settings: { setup: { pack: 'glued' } } },
    422,
    'settings.setup.pack',
    'not a choice',
  ],
  [
    'an aim without its figure',
    'checks/launch-idler/settings',
    { op: 's', version: 1, settings: { aim: { school: 'own' } } },
    422,
    'settings.aim.own',
    'needs its figure',
  ],
  [
    'a gauge that is none',
    'checks/launch-idler/settings',
    { op: 's', version: 1, settings: { gauges: { 'dial-indicator': 'ghost' } } },
    422,
    'settings.gauges.dial-indicator',
    'not in the register',
  ],
  ['a check that is none', 'checks/ghost/readings', reading, 404, '', 'no such check'],
  [
    'a fitting before a measurement',
    'checks/launch-idler/fittings',
    { op: 'f', version: 1, trialId: 't', packs: [{ place: 'pack', pieces: [] }] },
    409,
    '',
    'Measure first',
  ],
  ['a signature before a measurement', 'checks/launch-idler/sign-off', { op: 's', version: 1, by: 'T' }, 422, '', 'Nothing is measured'],
  ['a write to a signed check', 'checks/launch-output/readings', { ...reading, trialId: 'launch-output-2' }, 409, '', 'signed off'],
  [
    'a fitting of a ghost',
    'checks/launch-input/fittings',
    { op: 'f', version: 1, trialId: 't', packs: [{ place: 'pack', pieces: [{ lotId: 'ghost', count: 1 }] }] },
    404,
    'packs.0.pieces',
    'no such size',
  ],
  [
    'a fitting of no place',
    'checks/launch-input/fittings',
    { op: 'f', version: 1, trialId: 't', packs: [{ place: 'attic', pieces: [] }] },
    422,
    'packs.0.place',
    'no such place',
  ],
  [
    'a fitting of one place twice',
    'checks/launch-input/fittings',
    {
      op: 'f',
      version: 1,
      trialId: 't',
      packs: [
        { place: 'pack', pieces: [] },
        { place: 'pack', pieces: [] },
      ],
    },
    422,
    'packs.1.place',
    'named twice',
  ],
  [
    'taking in nothing',
    'stock/lots/cover-2/movements',
    { op: 'm', version: 1, why: 'take-in', change: 0, note: '' },
    422,
    'change',
    'adds pieces',
  ],
  [
    'a count below none',
    'stock/lots/cover-2/movements',
    { op: 'm', version: 1, why: 'count', change: -99, note: 'x' },
    422,
    'change',
    'cannot fall below none',
  ],
] as const) {
  test(`refused with its place and a sentence: ${what}`, async ({ shop }) => {
    const answer = await send(shop, path, await withVersion(shop, path, body))
    expect(answer.status).toBe(status)
    const fault = answer.faults.find(f => f.path === place)
    expect(fault?.reason, JSON.stringify(answer)).toContain(reason)
  })
}

test('sending twice is harmless, being late is refused with what was missed', async ({ shop }) => {
  const first = { ...reading, op: 'twice', id: 'twice' }
  expect((await send(shop, 'checks/launch-idler/readings', first)).status).toBe(200)
  expect((await send(shop, 'checks/launch-idler/readings', first)).status).toBe(200)
  const view = (await (await fetch(`${shop.address}/api/checks/launch-idler`)).json()) as {
    version: number
    document: { trials: { readings: unknown[] }[] }
  }
  expect(view.document.trials[0]!.readings).toHaveLength(1)
  // With a newer version seen it is still the same; with another figure it is something else.
  expect((await send(shop, 'checks/launch-idler/readings', { ...first, version: view.version })).status).toBe(200)
  expect(await send(shop, 'checks/launch-idler/readings', { ...first, far: first.far + 1 })).toMatchObject({
    status: 409,
    faults: [{ path: 'op', reason: 'Something else was sent under this id already.' }],
  })
  const late = await send(shop, 'checks/launch-idler/readings', { ...reading, op: 'late', id: 'late' })
  expect(late.status).toBe(409)
  expect(late.changed).toEqual(['Reading 7.5 thou logged'])
  const wrong = await send(shop, 'checks/launch-idler/readings', {
    ...reading,
    op: 'w',
    id: 'w',
    version: view.version,
    trialId: 'launch-idler-9',
  })
  expect(wrong).toMatchObject({ status: 409, faults: [{ path: 'trialId' }] })
})

test('a signature keeps inputs, budget and version; outside limits it needs a reason', async ({ shop }) => {
  const version = async () => ((await (await fetch(`${shop.address}/api/checks/loader-joint`)).json()) as { version: number }).version
  const bare = await send(shop, 'checks/loader-joint/sign-off', { op: 'sg1', version: await version(), by: 'T. Marl' })
  expect(bare).toMatchObject({ status: 422, faults: [{ path: 'reason' }] })
  expect(
    (await send(shop, 'checks/loader-joint/sign-off', { op: 'sg2', version: await version(), by: 'T. Marl', reason: 'yard use only' }))
      .status,
  ).toBe(200)
  const sheet = (await (await fetch(`${shop.address}/api/jobs/loader-transfer-job/worksheet`)).json()) as {
    jobs: { checks: { id: string; signOff: unknown }[] }[]
  }
  expect(sheet.jobs[0]!.checks.find(check => check.id === 'loader-joint')!.signOff).toMatchObject({
    by: 'T. Marl',
    reason: 'yard use only',
    core: CORE_VERSION,
  })
})
