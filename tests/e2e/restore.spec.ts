import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { AS_PROGRAM, demoForThisFile, expect, openWorkshop, test, type as typeIn } from './workshop'

demoForThisFile()

const json = { ...AS_PROGRAM, 'content-type': 'application/json' }

test('what is entered while a backup is restored is refused or stays; of two restores one is done', async ({ shop }) => {
  const file = Buffer.from(await (await fetch(`${shop.address}/api/backup`)).arrayBuffer())
  const empty = await openWorkshop('start')
  try {
    const restore = () => fetch(`${empty.address}/api/backup`, { method: 'POST', headers: AS_PROGRAM, body: file })
    const taken: string[] = []
    const statuses = new Set<number>()
    let done = false
    const writing = (async () => {
      // The file is on its way: from now on somebody tries to enter somebody.
      for (let n = 0; !done; n++) {
        const answer = await fetch(`${empty.address}/api/people`, {
          method: 'POST',
          headers: json,
          body: JSON.stringify({ op: `p${n}`, id: `p${n}`, name: `Name ${n}`, initials: `N${n}` }),
        })
        statuses.add(answer.status)
        if (answer.ok) taken.push(`p${n}`)
        if (answer.status === 503) expect(await answer.text()).toContain('A backup is being restored')
        // One is enough: the workshop is in use then.
        if (answer.ok && !done) break
      }
    })()
    const both = await Promise.all([restore(), restore()])
    done = true
    await writing
    expect([...statuses].every(status => [200, 503].includes(status))).toBe(true)
    const people = (await (await fetch(`${empty.address}/api/people`)).json()) as { id: string }[]
    // Nothing that was answered is gone, whichever came first.
    for (const id of taken) expect(people.map(person => person.id)).toContain(id)
    expect(both.filter(({ ok }) => ok).length).toBeLessThanOrEqual(1)
    expect(both.filter(({ status }) => status === 409).length).toBeGreaterThanOrEqual(1)
    expect(readdirSync(empty.folder).filter(name => name.startsWith('passing-'))).toEqual([])
  } finally {
    await empty.stop()
    rmSync(empty.folder, { recursive: true, force: true })
  }
})

test('a stick that was pulled out is said on every page, until somebody has seen to it', async ({ page, shop }) => {
  const stick = join(shop.folder, 'stick')
  mkdirSync(stick)
  await page.goto(`${shop.address}/backup`)
  await page.getByLabel('Another folder on this machine').fill(stick)
  await page.getByLabel('Another folder on this machine').press('Enter')
  await expect(page.getByText('Kept.')).toBeVisible()
  // Pulled out; what is left is an empty folder of the same name.
  renameSync(stick, `${stick}-away`)
  mkdirSync(stick)
  await page.getByRole('button', { name: 'Make one now' }).press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'Is its stick or disk plugged in?' }).first()).toBeVisible()
  expect(readdirSync(stick)).toEqual([])
  for (const path of ['/', '/stock', '/checks/launch-input']) {
    await page.goto(shop.address + path)
    await expect(page.getByTestId('no-copies'), path).toContainText(`No copies are made: ${stick}`)
  }
  await page.getByTestId('no-copies').getByRole('link').press('Enter')
  rmSync(stick, { recursive: true })
  renameSync(`${stick}-away`, stick)
  await page.getByRole('button', { name: 'Make one now' }).press('Enter')
  await expect(page.getByTestId('copies')).toContainText('restored in a trial, and the same')
  await expect(page.getByTestId('no-copies')).toHaveCount(0)
  expect(readdirSync(stick).some(name => name.endsWith('.backup.gz'))).toBe(true)
  expect(existsSync(join(shop.folder, 'copies'))).toBe(false)
})

test('what was typed for a check that is gone is kept in this browser, and said', async ({ page, shop }) => {
  await page.goto(`${shop.address}/checks/launch-input`)
  await expect(page.getByLabel('Far reading').first()).toBeVisible()
  // Another backup was restored meanwhile: this check is not in it.
  const gone = {
    status: 404,
    contentType: 'application/json',
    body: JSON.stringify({ data: { faults: [{ path: '', reason: 'There is no such check.' }] } }),
  }
  await page.route(/\/api\/checks\/launch-input/, route => route.fulfill(gone))
  await page.getByLabel('Far reading').first().focus()
  await typeIn(page, '22.3', '0')
  await expect(page.getByTestId('gone')).toContainText('This check is not here any more')
  await page.getByTestId('gone').getByRole('link', { name: 'All jobs' }).press('Enter')
  await expect(page.getByTestId('waiting')).toContainText('of a check that is not here any more')
  await expect(page.getByTestId('waiting')).toContainText('22.3')
  await page.reload()
  await page.getByTestId('waiting').getByRole('button', { name: 'Drop it' }).press('Enter')
  await expect(page.getByTestId('waiting')).toHaveCount(0)
})
