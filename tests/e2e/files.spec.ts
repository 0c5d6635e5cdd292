import { readFileSync } from 'node:fs'
import { execFile } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import { AS_PROGRAM, demoForThisFile, expect, test } from './workshop'

demoForThisFile()

const root = fileURLToPath(new URL('../..', import.meta.url))
const launch = readFileSync(`${root}demo/1-mail-launch.worksheet.json`, 'utf8')
const run = promisify(execFile)
const file = (text: string) => ({ name: 'sheet.json', mimeType: 'application/json', buffer: Buffer.from(text) })

test('a job goes out as a worksheet and comes back as a copy, the same in every figure', async ({ page, shop }) => {
  await page.goto(`${shop.address}/jobs/launch-box`)
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Export worksheet' }).click()])
  expect(download.suggestedFilename()).toBe('mail-launch.worksheet.json')
  const text = readFileSync(await download.path(), 'utf8')

  await page.goto(shop.address)
  await page.getByTestId('import-file').setInputFiles(file(text))
  await expect(page.getByTestId('import-result')).toContainText('is here already')
  await page.getByRole('button', { name: 'Import as a copy' }).click()
  await expect(page.getByTestId('import-result')).toContainText('1 job with 4 checks imported.')
  await expect(page.getByText('Reduction box rebuild (copy)').first()).toBeVisible()

  const { jobs } = (await (await fetch(`${shop.address}/api/jobs`)).json()) as {
    jobs: {
      id: string
      title: string
      checks: { title: string; state: string; figure: number | null; signed: boolean }[]
    }[]
  }
  const [original, copy] = ['Reduction box rebuild', 'Reduction box rebuild (copy)'].map(title =>
    jobs.find(job => job.title === title)!.checks.map(({ title, state, figure, signed }) => ({ title, state, figure, signed })),
  )
  expect(copy).toEqual(original)
  const again = (await (
    await fetch(`${shop.address}/api/jobs/${jobs.find(job => job.title.endsWith('(copy)'))!.id}/worksheet`)
  ).json()) as {
    jobs: {
      checks: { trials: { readings: unknown[]; packs: object; refitted: unknown; predicted: unknown }[]; limits: unknown; aim: unknown }[]
    }[]
  }
  const plain = (sheet: typeof again) =>
    sheet.jobs[0]!.checks.map(c => ({
      limits: c.limits,
      aim: c.aim,
      trials: c.trials.map(t => ({
        packs: t.packs,
        refitted: t.refitted,
        predicted: t.predicted,
        readings: t.readings.map(r => ({ ...(r as object), id: '', order: 0 })),
      })),
    }))
  expect(plain(again)).toEqual(plain(JSON.parse(text) as typeof again))
})

const BROKEN = [
  ['no JSON', '{"format":', '', 'This is not a JSON file'],
  ['another format', '{"format":"notes","version":1}', 'format', 'This is not a worksheet'],
  ['a newer version', launch.replace('"version": 2', '"version": 6'), 'version', 'Use a newer program'],
  ['a wrong unit', launch.replace('"entryUnit": "thou"', '"entryUnit": "furlong"'), 'jobs/0/checks/0/entryUnit', 'Must be one of'],
  ['half a nanometre', launch.replace('"far": 289560', '"far": 289560.5'), 'jobs/0/checks/0/trials/0/readings/0/far', 'must be integer'],
  [
    'a piece of no lot',
    launch.replace(/"lotId": "cover-10"/, '"lotId": "cover-99"'),
    'jobs/0/checks/0/trials/0/packs/pack/0/lotId',
    'No lot “cover-99” in this file.',
  ],
  ['an unknown field', launch.replace('"notes":', '"colour": "red", "notes":'), 'jobs/0/colour', 'This field is not known.'],
  [
    'limits upside down',
    launch.replace('"lower": 50800', '"lower": 508000'),
    'jobs/0/checks/0/limits/sets/play/book',
    'The lower limit is above the upper one.',
  ],
] as const
test('a broken file is refused whole, with the place and the reason', async ({ page, shop }) => {
  await page.goto(shop.address)
  await expect(page.getByText('Quarry loader').first()).toBeVisible()
  const before = await (await fetch(`${shop.address}/api/health`)).text()
  const said = page.getByTestId('import-result')
  for (const [what, text, place, reason] of BROKEN) {
    const fresh = text.replaceAll('launch-', `x-${what.replace(/\W/g, '')}-`)
    await page.getByTestId('import-file').setInputFiles(file(fresh))
    await expect(said, what).toContainText(reason)
    await expect(said, what).toContainText('Nothing was imported.')
    await expect(said, what).toContainText(place)
  }
  expect(await (await fetch(`${shop.address}/api/health`)).text()).toBe(before)
})

test('a huge file is refused before it is read', async ({ shop }) => {
  const answer = await fetch(`${shop.address}/api/worksheets`, { method: 'POST', headers: AS_PROGRAM, body: 'x'.repeat(4_100_000) })
  expect(answer.status).toBe(413)
  expect(((await answer.json()) as { data: { faults: { reason: string }[] } }).data.faults[0]!.reason).toContain('too large')
})

test('the drawer goes out as CSV, reads back unchanged, and a bad row changes nothing', async ({ page, shop }) => {
  const csv = await (await fetch(`${shop.address}/api/stock/csv`)).text()
  // A line a size, below the head.
  const sizes = csv.trim().split('\n').length - 1
  expect(sizes).toBeGreaterThan(50)
  await page.goto(`${shop.address}/stock`)
  await expect(page.getByText(`${sizes} sizes`)).toBeVisible()
  await page.getByTestId('csv-file').setInputFiles({ name: 'drawer.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  await expect(page.getByTestId('csv-result')).toContainText('0 sizes added, 0 counts corrected.')
  await page.getByTestId('csv-file').setInputFiles({
    name: 'drawer.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('family,nominal,count\nCover shims,7 thou,3\nCover shims,seven,2\nCover shims,9 thou,many\n'),
  })
  await expect(page.getByTestId('csv-result')).toContainText('Nothing was changed.')
  await expect(page.getByTestId('csv-result')).toContainText('line 3, nominal')
  await expect(page.getByTestId('csv-result')).toContainText('line 4, count')
  await expect(page.getByText(`${sizes} sizes`)).toBeVisible()
  await page.getByTestId('csv-file').setInputFiles({
    name: 'drawer.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('family,nominal,count,mark\nCover shims,"0,35 mm",3,=1+1\n'),
  })
  await expect(page.getByTestId('csv-result')).toContainText('1 sizes added')
  await expect(page.getByText(`${sizes + 1} sizes`)).toBeVisible()
  const after = await (await fetch(`${shop.address}/api/stock/csv`)).text()
  expect(after).toContain('0.35 mm')
  expect(after).toContain("'=1+1")
})

test('evaluate prints the evaluation of each check, from core alone @long', async () => {
  const tsx = `${root}node_modules/.bin/tsx`
  const args = ['--tsconfig', `${root}tsconfig.plain.json`, `${root}scripts/evaluate.ts`]
  const { stdout } = await run(tsx, [...args, `${root}demo/1-mail-launch.worksheet.json`], { cwd: root })
  const answer = JSON.parse(stdout) as {
    format: string
    checks: {
      id: string
      word: string
      results: { estimate: { value: number; n: number }; verdict: { working: { plain: string; guarded: string } } }[]
      places: { proposals: { arithmetic: string; putIn: { lot: string }[] }[] }[]
    }[]
  }
  expect(answer.format).toBe('finitum-evaluation')
  const input = answer.checks.find(check => check.id === 'launch-input')!
  expect(input).toMatchObject({
    word: 'Loose',
    results: [{ estimate: { n: 3 }, verdict: { working: { plain: 'above', guarded: 'above' } } }],
  })
  expect(input.places[0]!.proposals).toHaveLength(5)
  expect(input.places[0]!.proposals[0]).toMatchObject({ arithmetic: '22.2 − (11.8 + 6.1) = 4.3 thou', putIn: [] })
  const bad = (await run(tsx, [...args, `${root}package.json`], { cwd: root }).catch(
    (error: { code: number; stderr: string }) => error,
  )) as { code: number; stderr: string }
  expect(bad.code).toBe(2)
  expect(bad.stderr).toContain('This is not a worksheet')
  const none = (await run(tsx, [...args, 'no-such-file'], { cwd: root }).catch((error: { code: number; stderr: string }) => error)) as {
    code: number
    stderr: string
  }
  expect(none).toMatchObject({ code: 2, stderr: expect.stringContaining('there is no such file') })
})

test('a large file says how far it is and is broken off by keyboard; nothing of it stays, and it comes in whole the next time @long', async ({
  page,
  shop,
}) => {
  interface Sheet {
    readonly jobs: { readonly checks: { readonly trials: { readonly readings: object[] }[] }[] }[]
  }
  const sheet = (await (await fetch(`${shop.address}/api/jobs/launch-box/worksheet`)).json()) as Sheet
  const job = sheet.jobs[0]!
  const check = job.checks[0]!
  const trial = check.trials[0]!
  const bare = { parts: {}, laps: [], ticks: [], partChanges: [], signOff: null, reopened: null, history: {} }
  const jobs = Array.from({ length: 100 }, (_, i) => {
    const readings = Array.from({ length: 150 }, (__, r) => ({ ...trial.readings[0], id: `many${i}-${r}`, order: r + 1 }))
    const checks = [{ ...check, ...bare, id: `many-check${i}`, trials: [{ ...trial, id: `many-trial${i}`, readings }] }]
    return { ...job, id: `many${i}`, title: `One of many ${i}`, parts: [], checks }
  })
  const text = JSON.stringify({ ...sheet, jobs })
  const found = async () =>
    ((await (await fetch(`${shop.address}/api/jobs?find=${encodeURIComponent('one of many')}`)).json()) as { found: number }).found

  await page.goto(shop.address)
  await page.getByTestId('import-file').setInputFiles(file(text))
  const progress = page.getByTestId('file-progress')
  // Asked at every frame: it goes fast.
  await page.waitForFunction(() => / of 15,000 readings/.test(document.querySelector('[data-test="file-progress"]')?.textContent ?? ''))
  await progress.getByRole('button', { name: 'Cancel' }).press('Enter')
  await expect(page.getByTestId('import-cancelled')).toHaveText('Cancelled. A job comes in whole or not at all.')
  await expect(progress).toHaveCount(0)
  // Its rows go; the same file meets nothing of itself.
  expect(await found()).toBe(0)
  await page.getByTestId('import-file').setInputFiles(file(text))
  await expect(page.getByTestId('import-result')).toContainText('100 jobs with 100 checks imported.', { timeout: 60_000 })
  expect(await found()).toBe(100)
})
