import type { Page, Route } from '@playwright/test'
import { pick } from './by-keyboard'
import { demoForThisFile, expect, test } from './workshop'

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
    at: '/jobs/launch-box',
    async fill(page) {
      await expect(page.getByRole('button', { name: /New check/ })).toBeVisible()
      await page.keyboard.press('n')
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
    at: '/jobs/launch-box',
    async fill(page) {
      await page.getByTestId('parts').getByRole('button').first().press('Enter')
      await into(page, 'Name', 'T. Marl')
      await into(page, /^(Why|What was done|Reason)/, 'a new one')
    },
    field: /^(Why|What was done|Reason)/,
    posts: /\/part-changes$/,
    count: async address =>
      (await json<{ parts: { changes: unknown[] }[] }>(`${address}/api/jobs/launch-box`)).parts.flatMap(p => p.changes).length,
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
    count: listed('gauges'),
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
    count: listed('limits'),
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
]

/** They all store by one and the same means: some in every run, the others in the long one. */
const EVERY_RUN = ['a job', 'a check', 'a size']
for (const { what, at, fill, field, posts, count } of FORMS)
  test(`${what}: refused, the server gone, Enter twice on a slow one${EVERY_RUN.includes(what) ? '' : ' @long'}`, async ({
    page,
    shop,
  }) => {
    const before = await count(shop.address)
    await page.goto(shop.address + at)
    await fill(page)
    const last = page.getByLabel(field).first()
    const typed = await last.inputValue()
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
      route =>
        route.fulfill({ status: 422, json: { statusCode: 422, data: { faults: [{ path: 'nowhere', reason: 'The tide is out.' }] } } }),
      async () => {
        await last.press('Enter')
        await expect(page.getByRole('alert').filter({ hasText: 'The tide is out.' })).toBeVisible()
      },
    )
    const gone = await answers(
      route => route.abort(),
      async () => {
        await last.press('Enter')
        await expect(page.getByRole('alert').filter({ hasText: 'The server is away.' })).toBeVisible()
      },
    )
    await expect(last).toHaveValue(typed)
    expect(await count(shop.address)).toBe(before)

    const sent = await answers(
      async route => {
        await new Promise(resolve => setTimeout(resolve, 1_200))
        await route.continue()
      },
      async () => {
        await last.press('Enter')
        await page.waitForTimeout(100)
        await last.press('Enter')
        await expect.poll(() => count(shop.address)).toBe(before + 1)
      },
    )
    expect(sent).toHaveLength(1)
    // Sent again it is the same write, under the same name.
    const { op } = JSON.parse(sent[0]!) as { op: string }
    expect((JSON.parse(gone[0]!) as { op: string }).op).toBe(op)
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
  await expect(page.getByRole('heading', { name: 'ferry ramp' })).toBeVisible()
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
