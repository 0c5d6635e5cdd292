import type { Page, Route } from '@playwright/test'
import { kindOfCheck, pick, tickAll } from './by-keyboard'
import { demoForThisFile, expect, test, typeReading } from './workshop'

// Every form that makes something: refused, with the server gone, and sent twice to a slow one. What it makes, it makes once.
demoForThisFile()

interface Form {
  readonly what: string
  /** the page it is on, and how it is opened and filled by keyboard; the field it is sent from has the focus at the end */
  readonly at: string
  readonly fill: (page: Page) => Promise<void>
  /** the field that was filled last */
  readonly field: string | RegExp
  readonly posts: RegExp
  /** how many there are */
  readonly count: (address: string) => Promise<number>
}

const json = async <Answer>(url: string): Promise<Answer> => (await (await fetch(url)).json()) as Answer
const listed = (path: string) => async (address: string) => (await json<unknown[]>(`${address}/api/${path}`)).length
const inParts = (path: string) => async (address: string) => (await json<{ items: unknown[] }>(`${address}/api/${path}`)).items.length
const jobs = async (address: string) => (await json<{ jobs: number }>(`${address}/api/health`)).jobs
const sizes = async (address: string) => (await json<{ lots: number }>(`${address}/api/health`)).lots

const into = async (page: Page, label: string | RegExp, text: string) => {
  const field = page.getByLabel(label).first()
  await field.focus()
  await page.keyboard.press('Control+a')
  await page.keyboard.type(text)
}

const FORMS: readonly Form[] = [
  {
    what: 'a job',
    at: '/',
    async fill(page) {
      await expect(page.getByRole('heading', { name: 'On the bench', exact: true })).toBeVisible()
      await page.keyboard.press('n')
      await into(page, 'Unit', 'ferry ramp')
      await into(page, 'What is to be done', 'hinge pins')
    },
    field: 'What is to be done',
    posts: /\/api\/jobs$/,
    count: jobs,
  },
  {
    what: 'a check',
    at: '/jobs/launch-box/check?kind=shaft-end-play',
    async fill(page) {
      await expect(page.getByTestId('confirm')).toContainText('End play: 2 – 6 thou')
      await into(page, 'Name', 'spare shaft')
    },
    field: 'Name',
    posts: /\/api\/jobs\/launch-box\/checks$/,
    count: async address => (await json<{ checks: unknown[] }>(`${address}/api/jobs/launch-box`)).checks.length,
  },
  {
    what: 'a route',
    at: '/jobs/launch-box',
    async fill(page) {
      await page.getByRole('button', { name: 'Keep as a route' }).press('Enter')
      await into(page, 'What the route is called', 'box, twice a year')
    },
    field: 'What the route is called',
    posts: /\/api\/routes$/,
    count: listed('routes'),
  },
  {
    what: 'the same job again',
    at: '/jobs/launch-box',
    async fill(page) {
      await page.getByRole('button', { name: 'Do this job again' }).press('Enter')
      await into(page, 'What is to be done', 'box once more')
    },
    field: 'What is to be done',
    posts: /\/api\/jobs$/,
    count: jobs,
  },
  {
    what: 'a replaced part',
    // Of another job: what rests on it goes stale.
    at: '/jobs/moto-engine',
    async fill(page) {
      await page.getByTestId('parts').getByRole('button').first().press('Enter')
      await into(page, 'Name', 'T. Marl')
      await into(page, /^(Why|What was done|Reason)/, 'a new one')
    },
    field: /^(Why|What was done|Reason)/,
    posts: /\/part-changes$/,
    count: async address =>
      (await json<{ parts: { changes: unknown[] }[] }>(`${address}/api/jobs/moto-engine`)).parts.flatMap(p => p.changes).length,
  },
  {
    what: 'a person',
    at: '/',
    async fill(page) {
      await expect(page.getByRole('heading', { name: 'On the bench', exact: true })).toBeVisible()
      await page.keyboard.press('i')
      await into(page, 'Name', 'Orla Tern')
    },
    field: 'Name',
    posts: /\/api\/people$/,
    count: listed('people'),
  },
  {
    what: 'a gauge',
    at: '/gauges',
    async fill(page) {
      await expect(page.getByRole('region', { name: 'Register of gauges' })).toBeVisible()
      await page.keyboard.press('n')
      await into(page, /^Name/, 'Spare dial')
    },
    field: /^Name/,
    posts: /\/api\/gauges$/,
    count: inParts('gauges'),
  },
  {
    what: 'an entry of limits',
    at: '/limits',
    async fill(page) {
      await expect(page.getByRole('heading', { name: 'Limits' }).first()).toBeVisible()
      await page.keyboard.press('n')
      await into(page, 'What they are called', 'Winch shaft')
      await pick(page, 'Limits: kind', 'From')
      await into(page, /^Lower/, '2')
      await into(page, /^Upper/, '5')
    },
    field: /^Upper/,
    posts: /\/api\/limits$/,
    count: inParts('limits'),
  },
  {
    what: 'a size',
    at: '/stock',
    async fill(page) {
      await expect(page.getByRole('heading', { name: 'Stock' })).toBeVisible()
      await page.keyboard.press('n')
      await into(page, 'Family', 'winch shims')
      await into(page, 'Size, as marked', '14')
      await into(page, /^How many|^Count|^Pieces/, '3')
    },
    field: /^How many|^Count|^Pieces/,
    posts: /\/api\/stock\/lots$/,
    count: sizes,
  },
  {
    what: 'pieces taken in',
    at: '/stock',
    async fill(page) {
      await expect(page.getByRole('heading', { name: 'Stock' })).toBeVisible()
      await page
        .getByRole('button', { name: /^Open / })
        .first()
        .press('Enter')
      await into(page, 'Take in, pieces', '1')
    },
    field: 'Take in, pieces',
    posts: /\/movements$/,
    count: async address =>
      (await json<{ lots: { onHand: number }[] }>(`${address}/api/stock`)).lots.reduce((sum, { onHand }) => sum + onHand, 0),
  },
]

/** They all store by one and the same means: some in every run, the others in the long one. */
const EVERY_RUN = ['a job']
for (const { what, at, fill, field, posts, count } of FORMS)
  test(`${what}: refused, the server gone, Enter twice on a slow one${EVERY_RUN.includes(what) ? '' : ' @long'}`, async ({
    page,
    shop,
  }) => {
    await page.goto(shop.address + at)
    await fill(page)
    const last = page.getByLabel(field).first()
    const typed = await last.inputValue()
    await storesOnce(page, {
      ...{ posts, count: () => count(shop.address), send: () => last.press('Enter') },
      kept: () => expect(last).toHaveValue(typed),
    })
  })

interface Sending {
  readonly posts: RegExp
  readonly send: () => Promise<void>
  /** nothing that was typed is lost */
  readonly kept?: () => Promise<void>
  readonly count: () => Promise<number>
}
/** Sends it refused, to a server that is gone, and twice to a slow one; it is there once more than before. */
async function storesOnce(page: Page, { posts, send, kept, count }: Sending): Promise<void> {
  const before = await count()
  const answers = async (how: (route: Route) => Promise<void>, works: () => Promise<void>) => {
    const sent: string[] = []
    const hear = async (route: Route) => {
      if (route.request().method() !== 'POST') return route.fallback()
      sent.push(route.request().postData() ?? '')
      return how(route)
    }
    await page.route(posts, hear)
    await works()
    await page.unroute(posts, hear)
    return sent
  }

  // What no field of it shows is said all the same.
  await answers(
    route => route.fulfill({ status: 422, json: { statusCode: 422, data: { faults: [{ path: 'nowhere', reason: 'The tide is out.' }] } } }),
    async () => {
      await send()
      await expect(page.getByRole('alert').filter({ hasText: 'The tide is out.' })).toBeVisible()
    },
  )
  const gone = await answers(
    route => route.abort(),
    async () => {
      await send()
      await expect(page.getByRole('alert').filter({ hasText: 'The server is away.' })).toBeVisible()
    },
  )
  await kept?.()
  expect(await count()).toBe(before)

  const sent = await answers(
    async route => {
      await new Promise(resolve => setTimeout(resolve, 1_200))
      await route.continue()
    },
    async () => {
      await send()
      await page.waitForTimeout(100)
      await page.keyboard.press('Enter')
      await expect.poll(count).toBe(before + 1)
    },
  )
  expect(sent).toHaveLength(1)
  // Sent again it is the same write, under the same name.
  const { op } = JSON.parse(sent[0]!) as { op: string }
  expect((JSON.parse(gone[0]!) as { op: string }).op).toBe(op)
}

test('a fitting and a signature: refused, the server gone, Enter twice on a slow one', async ({ page, shop }) => {
  const check = () =>
    json<{ document: { trials: unknown[]; signOff: object | null } }>(`${shop.address}/api/checks/launch-input`).then(
      ({ document }) => document,
    )
  await page.goto(`${shop.address}/checks/launch-input`)
  await expect(page.getByTestId('proposals').getByRole('listitem')).toHaveCount(5)
  await page.keyboard.press('f')
  await storesOnce(page, {
    posts: /\/fittings$/,
    count: async () => (await check()).trials.length,
    send: () => page.getByRole('button', { name: 'The pack is changed' }).press('Enter'),
  })
  await expect(page.getByTestId('answer')).toContainText('4.4 thou is expected')
  for (const far of ['4.4', '4.6', '4.4']) await typeReading(page, far)
  await tickAll(page)
  await expect(page.getByTestId('verdict')).toContainText('In')
  const name = page.locator('#sign-name')
  await name.fill('T. Marl')
  await storesOnce(page, {
    posts: /\/sign-off$/,
    count: async () => Number((await check()).signOff !== null),
    send: () => name.press('Enter'),
    kept: () => expect(name).toHaveValue('T. Marl'),
  })
  await expect(page.getByTestId('answer')).toContainText('Signed off by T. Marl')
})

test('a photograph picked twice is there once; with the server gone it can be picked again @long', async ({ page, shop }) => {
  const photos = async () => (await json<unknown[]>(`${shop.address}/api/jobs/launch-box/photos`)).length
  await page.goto(`${shop.address}/jobs/launch-box`)
  const before = await photos()
  const send = () => page.getByTestId('photo-file').setInputFiles('docs/screenshots/jobs.png')
  const ops: string[] = []
  await page.route(/\/photos\?/, async route => {
    ops.push(new URL(route.request().url()).searchParams.get('op')!)
    if (ops.length === 1) {
      // It lands; the answer does not.
      await route.fetch()
      return route.abort()
    }
    await new Promise(resolve => setTimeout(resolve, 800))
    return route.continue()
  })
  await send()
  await expect(page.getByRole('alert')).toContainText('jobs.png: The server is away.')
  await send()
  await send()
  await expect(page.getByTestId('photos').getByRole('img')).toHaveCount(before + 1)
  expect(await photos()).toBe(before + 1)
  expect(new Set(ops).size).toBe(1)
  expect(ops).toHaveLength(2)
})

test('a kit that landed while nobody answered is not put in twice @long', async ({ page, shop }) => {
  const before = await sizes(shop.address)
  await page.goto(`${shop.address}/stock`)
  await page.getByRole('button', { name: /kit/i }).first().press('Enter')
  await into(page, 'Family of the kit', 'tiller washers')
  await into(page, /^Sizes, one a line/, '12 x 3')
  await page.route(/\/api\/stock\/csv$/, async route => {
    await route.fetch()
    await route.abort()
  })
  const put = page.getByRole('button', { name: 'Put the kit in' })
  await put.press('Enter')
  await expect(page.getByTestId('kit')).toContainText('The server is away.')
  expect(await sizes(shop.address)).toBe(before + 1)
  await page.unroute(/\/api\/stock\/csv$/)
  await put.press('Enter')
  await expect(page.getByText('1 size of “tiller washers” put in. It counts as marked until measured.')).toBeVisible()
  expect(await sizes(shop.address)).toBe(before + 1)
})

test('what was stored while nobody answered is said, and not made a second time', async ({ page, shop }) => {
  const before = await jobs(shop.address)
  await page.goto(shop.address)
  await FORMS[0]!.fill(page)
  const last = page.getByLabel('What is to be done')
  // It lands; the answer does not.
  await page.route(/\/api\/jobs$/, async route => {
    if (route.request().method() !== 'POST') return route.fallback()
    await route.fetch()
    await route.abort()
  })
  await last.press('Enter')
  await expect(page.getByRole('alert')).toContainText('The server is away.')
  await page.unroute(/\/api\/jobs$/)
  await last.press('Enter')
  await expect(page.getByRole('link', { name: 'ferry ramp › hinge pins' })).toBeVisible()
  expect(await jobs(shop.address)).toBe(before + 1)
})

test('what is typed before a page stands arrives in its field', async ({ page, shop }) => {
  // The program comes late; the hands do not wait for it.
  await page.route(/\/_nuxt\/.*\.js$/, async route => {
    await new Promise(resolve => setTimeout(resolve, 700))
    await route.continue()
  })
  await page.goto(`${shop.address}/records`, { waitUntil: 'commit' })
  await page.waitForFunction(() => 'typedEarly' in globalThis)
  await page.keyboard.type('quill')
  await expect(page.getByRole('searchbox').or(page.getByRole('textbox')).first()).toHaveValue('quill')
})

test('what is typed on a page that is not there is not done on the next one', async ({ page, shop }) => {
  await page.goto(`${shop.address}/no/such/page`)
  await expect(page.getByRole('button', { name: 'All jobs' })).toBeVisible()
  await page.keyboard.type('n')
  await page.getByRole('button', { name: 'All jobs' }).click()
  await expect(page.getByRole('heading', { name: 'On the bench', exact: true })).toBeVisible()
  await expect(page.getByTestId('new-job')).toHaveCount(0)
  await page.keyboard.press('n')
  await expect(page.getByTestId('new-job')).toBeVisible()
})

test('what is refused or asked about is not dropped: the form waits for it', async ({ page, shop }) => {
  await page.goto(`${shop.address}/jobs/launch-box/check`)
  await kindOfCheck(page, 'Shaft end')
  await into(page, 'Name', 'output float')
  await into(page, /^Book limit, upper/, '7')
  // 18 thou, or hardly anything? Enter takes neither.
  await into(page, /^Book limit, lower/, '.018')
  const lower = page.getByLabel(/^Book limit, lower/)
  await page.keyboard.press('Enter')
  await expect(lower).toBeFocused()
  await expect(lower).toHaveValue('.018')
  await expect(page).toHaveURL(/check\?kind=shaft-end-play$/)
  // Folded away it is not dropped either.
  await page.getByRole('button', { name: 'Fold it again' }).press('Enter')
  await expect(lower).toBeHidden()
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await expect(lower).toBeFocused()
  await expect(lower).toHaveValue('.018')
  await page.keyboard.type('3 bananas')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/bananas”/)).toBeVisible()
  await expect(lower).toBeFocused()
  await page.keyboard.type('3')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('limit-band')).toHaveAttribute('aria-label', /Book limits 3 – 7 thou/)
})
