import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { demoForThisFile, expect, tabTo, test } from './workshop'

demoForThisFile()

/** The text of a PDF, as a reader would select it. */
const textOf = (file: string) => execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' })

test('a report by keyboard: read on the page, taken as a PDF with the same figures, its digest told by the open command', async ({
  page,
  shop,
}) => {
  await page.goto(`${shop.address}/jobs/launch-engine`)
  await expect(page.getByRole('heading', { name: 'Mail launch' })).toBeVisible()
  await tabTo(page, active => active.text === 'Report')
  await page.keyboard.press('Enter')
  const report = page.getByTestId('report')
  await expect(report).toContainText('Thrust halves in line')
  await expect(report).toContainText('T. Marl')
  await expect(report).toContainText('replaces no inspection')
  await expect(report).not.toContainText('Uncertainty of')
  const digest = /Record ([0-9a-f]{64})\./.exec(await report.innerText())![1]!

  // All of it, on Letter, taken as a file.
  await page.getByLabel('How much of it').selectOption('full')
  await expect(report).toContainText('Uncertainty of')
  await page.getByLabel('Paper').selectOption('LETTER')
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Take the PDF' }).press('Enter')])
  expect(file.suggestedFilename()).toBe('mail-launch.report.pdf')
  const saved = join(shop.folder, 'report.pdf')
  await file.saveAs(saved)
  expect(execFileSync('pdfinfo', [saved], { encoding: 'utf8' })).toMatch(/Page size:\s+612 x 792/)
  // The faces are in the file, so that it reads alike everywhere.
  expect(execFileSync('pdffonts', [saved], { encoding: 'utf8' })).toMatch(/Inter-Regular\s+CID TrueType\s+Identity-H\s+yes yes yes/)
  const words = textOf(saved).replace(/\s+/g, ' ')
  for (const row of await report.locator('table').first().locator('tbody tr').all()) {
    for (const cell of await row.locator('td').allInnerTexts()) for (const word of cell.split(/\s+/)) expect(words).toContain(word)
  }
  expect(words).toContain(digest)
  // Its drawings are lines and words, not pixels: nothing in it is an image.
  const drawing = report.getByTestId('report-drawing').first()
  await expect(drawing).toBeVisible()
  expect((await drawing.getAttribute('alt'))!).toContain('in its limits')
  expect(execFileSync('pdfimages', ['-list', saved], { encoding: 'utf8' }).trim().split('\n')).toHaveLength(2)
  expect(words).toContain('tight')

  // Anybody can check it without the app: the worksheet, evaluated, has the same digest.
  const sheet = await (await fetch(`${shop.address}/api/jobs/launch-engine/worksheet`, { headers: { 'x-finitum': 'tests' } })).text()
  const worksheet = join(shop.folder, 'worksheet.json')
  writeFileSync(worksheet, sheet)
  const answer = JSON.parse(execFileSync('npm', ['run', '-s', 'evaluate', '--', worksheet], { encoding: 'utf8', maxBuffer: 1e9 }))
  expect(answer.digest).toBe(digest)
  // One figure altered in the file, and it is another record.
  writeFileSync(worksheet, sheet.replace('"title":"Thrust halves in line"', '"title":"Thrust halves"'))
  expect(readFileSync(worksheet, 'utf8')).not.toBe(sheet)
  expect(JSON.parse(execFileSync('npm', ['run', '-s', 'evaluate', '--', worksheet], { encoding: 'utf8', maxBuffer: 1e9 })).digest).not.toBe(
    digest,
  )
})

test('a name in letters the PDF has not is said, and printed from the page; Greek and Cyrillic are set @long', async ({ page, shop }) => {
  const make = async (unit: string, id: string) => {
    const answer = await fetch(`${shop.address}/api/jobs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-finitum': 'tests' },
      body: JSON.stringify({ op: `op-${id}`, id, unit, title: 'Service' }),
    })
    expect(answer.ok).toBe(true)
  }
  await make('Αντλία Насос Zürich', 'job-greek')
  await make('港の船', 'job-kanji')
  await page.goto(`${shop.address}/reports/job-kanji`)
  await expect(page.getByTestId('report')).toContainText('No check was made in this job.')
  await page.getByRole('button', { name: 'Take the PDF' }).press('Enter')
  await expect(page.getByRole('alert')).toContainText('“港の船” has letters that the PDF cannot set')
  await page.goto(`${shop.address}/reports/job-greek`)
  await expect(page.getByTestId('report')).toBeVisible()
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Take the PDF' }).press('Enter')])
  const saved = join(shop.folder, 'greek.pdf')
  await file.saveAs(saved)
  expect(textOf(saved)).toContain('Αντλία Насос Zürich')
})
