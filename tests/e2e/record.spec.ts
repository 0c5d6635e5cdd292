import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { fill, kindOfCheck, next, newJob, pick, tickAll } from './by-keyboard'
import { emptyForThisFile, expect, openWorkshop, tabTo, test, type, type Workshop } from './workshop'

// From an empty workshop: a name, limits of its own, a check that goes by them, and what is left of it in the record.
emptyForThisFile()
test.describe.configure({ mode: 'serial' })

const press = async (page: Page, text: string) => {
  await tabTo(page, active => active.text === text)
  await page.keyboard.press('Enter')
}
const idOf = (page: Page) => page.url().split('/').at(-1)!
let job = ''
let check = ''

test('whoever works here is entered once; initials are enough from then on', async ({ page, shop }) => {
  await page.goto(shop.address)
  await expect(page.getByRole('heading', { name: 'Nothing on the bench yet' })).toBeVisible()
  await page.keyboard.press('i')
  await expect(page.getByRole('dialog')).toContainText('Nobody is entered yet')
  await tabTo(page, active => active.id === 'person-name')
  await type(page, 'Tove Marl')
  await expect(page.getByTestId('who')).toHaveText('TM')
  // The same initials again: a sentence at the field, and the name is still there.
  await page.keyboard.press('i')
  await tabTo(page, active => active.id === 'person-name')
  await type(page, 'Tord Myr')
  await expect(page.getByRole('dialog')).toContainText('Tove Marl has these initials.')
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Tord Myr')
  await fill(page, 'Initials', 'TOM')
  await press(page, 'Works here')
  await expect(page.getByTestId('who')).toHaveText('TOM')
  // One key picks.
  await page.keyboard.press('i')
  await expect(page.getByTestId('people')).toContainText('Tove Marl')
  await page.getByTestId('people').getByRole('button', { name: 'Tord Myr' }).first().focus()
  await page.keyboard.press('2')
  await expect(page.getByTestId('who')).toHaveText('TM')
})

test('limits go into the library, with what is wrong with them said, and are offered to a new check', async ({ page, shop }) => {
  await page.addInitScript(() => localStorage.setItem('finitum.signer', 'Tove Marl'))
  await page.goto(`${shop.address}/limits`)
  await expect(page.getByText('The library is empty')).toBeVisible()
  await page.keyboard.press('n')
  await page.keyboard.type('Winch shaft end play')
  await pick(page, 'Kind of check', 'Shaft end play')
  await pick(page, 'Limits: kind', 'From')
  await fill(page, /^Lower/, '8')
  await fill(page, /^Upper/, '5')
  await fill(page, 'Title or reason', 'Winch manual')
  await fill(page, 'Page', '3-2')
  await press(page, 'Enter them')
  await expect(page.getByTestId('library-panel')).toContainText('The lower limit is above the upper one.')
  await fill(page, /^Lower/, '2')
  await press(page, 'Enter them')
  await expect(page.getByRole('region', { name: 'Library of limits' })).toContainText('2 – 5 thou')
  await expect(page.getByTestId('library-uses')).toContainText('No check goes by them yet.')

  // Of one position alone, where a figure has several.
  await page.keyboard.press('Escape')
  await page.keyboard.press('n')
  await page.keyboard.type('Left swivel')
  await pick(page, 'Kind of check', 'Steering swivel')
  await pick(page, 'Where', 'Left')
  await pick(page, 'Limits: kind', 'From')
  await fill(page, /^Lower/, '2')
  await fill(page, /^Upper/, '4')
  await press(page, 'Enter them')
  await expect(page.getByRole('region', { name: 'Library of limits' })).toContainText(/Left swivel.*left/s)

  // Taken away and back, it stands where it stood.
  const names = page.getByRole('region', { name: 'Library of limits' }).getByRole('button', { name: /^Open/ })
  const inOrder = ['Open Winch shaft end play', 'Open Left swivel']
  const named = () => names.evaluateAll(all => all.map(button => button.getAttribute('aria-label')))
  expect(await named()).toEqual(inOrder)
  await names.first().press('Enter')
  await press(page, 'remove')
  await expect.poll(named).toEqual(inOrder.slice(1))
  await press(page, 'Undo')
  await expect.poll(named).toEqual(inOrder)

  job = (await newJob(page, shop.address, 'Ferry ramp', 'Winch')).split('/').at(-1)!
  await kindOfCheck(page, 'Shaft end play')
  // What the library has is taken, and said; nobody has to look for it.
  await expect(page.getByTestId('from-library').getByRole('checkbox')).toBeChecked()
  await expect(page.getByTestId('from-library')).toContainText('Winch shaft end play: 2 – 5 thou (Winch manual, p. 3-2)')
  await expect(page.getByTestId('confirm')).toContainText('Winch shaft end play: 2 – 5 thou, Winch manual, p. 3-2')
  await fill(page, 'Name', 'Winch shaft')
  await page.getByLabel('Name', { exact: true }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('verdict')).toContainText('To do')
  check = idOf(page)
})

test('a changed entry asks at the open check, and changes nothing by itself', async ({ page, shop }) => {
  await page.addInitScript(() => localStorage.setItem('finitum.signer', 'Tove Marl'))
  const change = async (upper: string) => {
    await page.goto(`${shop.address}/limits`)
    await expect(page.getByRole('region', { name: 'Library of limits' })).toContainText('Winch shaft end play')
    await page.keyboard.press('ArrowDown')
    await expect(page.getByTestId('library-uses')).toContainText('Winch shaft')
    await fill(page, /^Upper/, upper)
    await press(page, 'Keep')
    await expect(page.getByRole('region', { name: 'Library of limits' })).toContainText(`2 – ${upper} thou`)
  }
  await change('6')
  await expect(page.getByTestId('library-uses')).toContainText('1 open check is asked about the change.')
  await page.goto(`${shop.address}/checks/${check}`)
  await expect(page.getByTestId('library-asks')).toContainText('now 2 – 6 thou (Winch manual, p. 3-2); this check goes by 2 – 5 thou')
  await press(page, 'Keep these')
  await expect(page.getByTestId('library-asks')).toBeHidden()
  await page.reload()
  await expect(page.getByTestId('verdict')).toBeVisible()
  await expect(page.getByTestId('library-asks')).toBeHidden()
  await change('7')
  await page.goto(`${shop.address}/checks/${check}`)
  await expect(page.getByTestId('library-asks')).toContainText('now 2 – 7 thou')
  await press(page, 'Take the new ones')
  await expect(page.getByTestId('library-asks')).toBeHidden()
})

test('signed by initials; the job tells who did what, and the report shows a photograph', async ({ page, shop }) => {
  await page.addInitScript(() => localStorage.setItem('finitum.signer', 'Tove Marl'))
  await page.goto(`${shop.address}/checks/${check}`)
  await expect(page.getByTestId('verdict')).toContainText('To do')
  await tickAll(page)
  await next(page)
  await page.keyboard.press('r')
  for (let i = 0; i < 3; i++) await type(page, '4', '')
  await expect(page.getByTestId('verdict')).toContainText('Provisional')
  await tickAll(page)
  await next(page)
  await next(page)
  await tickAll(page)
  await expect(page.getByTestId('verdict')).toContainText('In')
  await page.keyboard.press('Escape')
  await tabTo(page, active => active.id === 'sign-name')
  await page.keyboard.press('Control+a')
  await type(page, 'tom')
  await expect(page.getByTestId('answer')).toContainText('Signed off by Tord Myr')

  await page.goto(`${shop.address}/jobs/${job}`)
  await expect(page.getByTestId('job-facts')).toBeVisible()
  await fill(page, 'Reference', 'R-26/7')
  await page.getByLabel('Came in').fill('2026-03-09')
  await page.getByLabel('Came in').press('Tab')
  await page.getByLabel('Promised for').fill('2026-03-01')
  await page.getByLabel('Promised for').press('Tab')
  await expect(page.getByTestId('job-facts')).toContainText('It came in on 2026-03-09: it was promised before that.')
  await page.getByLabel('Promised for').fill('2026-03-20')
  await page.getByLabel('Promised for').press('Tab')
  await expect(page.getByTestId('job-facts')).toContainText('Saved')
  await fill(page, 'Meter', '1,2,3')
  await expect(page.getByTestId('job-facts')).toContainText('A number, as the meter shows it.')
  await fill(page, 'Meter', '1204,5')
  await expect(page.getByTestId('job-facts')).toContainText('Saved')

  // A photograph; what is none, and what is too large, is said.
  const file = await sharp({ create: { width: 1200, height: 900, channels: 3, background: '#765' } })
    .withExif({ IFD0: { Make: 'Camera of somebody' } })
    .jpeg()
    .toBuffer()
  const choose = (name: string, buffer: Buffer) => page.getByTestId('photo-file').setInputFiles({ name, mimeType: 'image/jpeg', buffer })
  const photos = page.getByTestId('photos')
  await choose('notes.jpg', Buffer.from('no photograph at all'))
  await expect(photos).toContainText('notes.jpg: This is no photograph')
  // From the disk: by hand it would be sent to the browser as text.
  writeFileSync(join(shop.folder, 'huge.jpg'), Buffer.alloc(40_000_000, 1))
  await page.getByTestId('photo-file').setInputFiles(join(shop.folder, 'huge.jpg'))
  await expect(photos).toContainText('huge.jpg has 40 MB: a photograph has 15 MB at most.')
  await choose('drum.jpg', file)
  await expect(photos.getByRole('img')).toHaveCount(1)
  await photos.getByRole('textbox', { name: /^What it shows/ }).focus()
  await page.keyboard.type('The drum as found')
  await page.keyboard.press('Tab')
  await expect(photos.getByRole('textbox', { name: /^What it shows/ })).toHaveValue('The drum as found')
  await page.reload()
  await expect(photos.getByRole('textbox', { name: /^What it shows/ })).toHaveValue('The drum as found')

  await press(page, 'Who did what')
  const history = page.getByTestId('history')
  await expect(history).toContainText('Signed off by Tord Myr')
  await expect(history.getByRole('row', { name: /Photograph added/ })).toContainText('Tove Marl')
  await expect(history.getByRole('row', { name: /Reading 4 thou logged/ }).first()).toContainText('Tove Marl')
  await expect(history.getByRole('row', { name: /Promised for: 2026-03-20/ })).toContainText('Tove Marl')

  await page.goto(`${shop.address}/reports/${job}`)
  await expect(page.getByTestId('report')).toContainText('The drum as found')
  await expect(page.getByTestId('report')).toContainText('R-26/7')
  const [pdf] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Take the PDF' }).press('Enter')])
  const saved = join(shop.folder, 'ramp.pdf')
  await pdf.saveAs(saved)
  expect(execFileSync('pdfimages', ['-list', saved], { encoding: 'utf8' })).toMatch(/1200\s+900/)
  expect(execFileSync('pdftotext', [saved, '-'], { encoding: 'utf8' })).toContain('The drum as found')
})

test('it is found again by its words; the unit has a page of its own', async ({ page, shop }) => {
  await page.goto(`${shop.address}/records`)
  await expect(page.getByTestId('found')).toHaveText('1 job')
  // Its letters are words, whatever they are a key for elsewhere.
  await page.keyboard.type('winch tord')
  await expect(page.getByLabel(/^Words:/)).toHaveValue('winch tord')
  await expect(page.getByTestId('found')).toHaveText('1 job')
  await page.keyboard.type(' zebra')
  await expect(page.getByTestId('found')).toHaveText('No job has all of that.')
  await page.keyboard.press('Control+a')
  await page.keyboard.type('r-26')
  await expect(page.getByTestId('found')).toHaveText('1 job')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Ferry ramp' })).toBeVisible()
  await page.goto(`${shop.address}/units`)
  await page.getByRole('link', { name: /Ferry ramp/ }).press('Enter')
  await expect(page.getByTestId('unit-jobs')).toContainText('1,204.5')
  await fill(page, 'Type', 'Ramp winch')
  await expect(page.getByRole('region', { name: 'About the unit' })).toContainText('Saved')
  await press(page, 'Trends')
  await expect(page.getByTestId('drift')).toContainText('Three services are needed')
  await expect(page.getByTestId('trend-table')).toContainText('4.0')
})

test('a gauge found wrong names every check that rests on it since it was last good', async ({ page, shop }) => {
  await page.addInitScript(() => localStorage.setItem('finitum.signer', 'Tove Marl'))
  await page.goto(`${shop.address}/gauges`)
  await page.getByRole('button', { name: 'Open Dial, 1 thou', exact: true }).press('Enter')
  const record = page.getByTestId('gauge-record')
  await expect(record).toContainText('None is in the record.')
  await press(page, 'It was checked')
  await page.getByLabel('wrong').check()
  await press(page, 'Put it in the record')
  await expect(record).toContainText('Say what was wrong')
  await fill(page, 'What was wrong', 'sticks at half travel')
  await press(page, 'Put it in the record')
  await expect(page.getByTestId('doubtful')).toContainText('sticks at half travel')
  await expect(page.getByTestId('doubtful')).toContainText('Winch shaft')
  await expect(page.getByTestId('doubtful')).toContainText('signed off')
  await expect(page.getByRole('region', { name: 'Register of gauges' })).toContainText('found wrong')
})

test('a backup goes into an empty workshop and comes out the same; altered or into a used one it does not @long', async ({
  page,
  shop,
}) => {
  await page.goto(`${shop.address}/backup`)
  await expect(page.getByRole('heading', { name: 'Safe keeping' })).toBeVisible()
  const take = async (from: Workshop, name: string) => {
    await page.goto(`${from.address}/backup`)
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Take a backup' }).press('Enter')])
    const path = join(shop.folder, name)
    await file.saveAs(path)
    return path
  }
  const whole = await take(shop, 'whole.gz')
  await page.getByTestId('backup-file').setInputFiles(whole)
  await expect(page.getByRole('alert')).toContainText('This workshop is in use')
  await press(page, 'Make one now')
  await expect(page.getByTestId('copies')).toContainText('restored in a trial, and the same', { timeout: 60_000 })
  await fill(page, 'Another folder on this machine', '/no/such/folder')
  await press(page, 'Keep it so')
  await expect(page.getByText('There is no such folder on this machine.')).toBeVisible()

  const other = await openWorkshop('start')
  try {
    await page.goto(`${other.address}/backup`)
    const altered = join(shop.folder, 'altered.gz')
    writeFileSync(altered, gzipSync(gunzipSync(readFileSync(whole)).toString('utf8').replace('Ferry ramp', 'Fairy ramp')))
    await page.getByTestId('backup-file').setInputFiles(altered)
    await expect(page.getByRole('alert')).toContainText('This backup was altered')
    const short = join(shop.folder, 'short.gz')
    writeFileSync(short, readFileSync(whole).subarray(0, -2000))
    await page.getByTestId('backup-file').setInputFiles(short)
    await expect(page.getByRole('alert')).toContainText('cut short')
    await page.getByTestId('backup-file').setInputFiles(whole)
    await expect(page.getByRole('status').filter({ hasText: 'Restored' })).toBeVisible({ timeout: 60_000 })
    await page.goto(`${other.address}/jobs/${job}`)
    await expect(page.getByTestId('photos').getByRole('img')).toHaveCount(1)
    await page.goto(`${other.address}/records`)
    await page.keyboard.type('tord')
    await expect(page.getByTestId('found')).toHaveText('1 job')
    expect(readFileSync(await take(other, 'again.gz')).equals(readFileSync(await take(shop, 'once-more.gz')))).toBe(true)
  } finally {
    await other.stop()
  }
})
