import { existsSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { log, logInto } from './log'

it('keeps a line a happening, with the id that is shown, and does not grow for ever', () => {
  expect(log('error', 'nowhere to go')).toMatch(/^[0-9a-f]{8}$/)
  const folder = mkdtempSync(join(tmpdir(), 'finitum-log-'))
  logInto(folder)
  const file = join(folder, 'log/finitum.log')
  const id = log('error', 'two\nlines')
  expect(readFileSync(file, 'utf8')).toMatch(new RegExp(`^\\d{4}-\\d\\d-\\d\\dT[\\d:.]+Z error ${id} two lines\\n$`))
  for (let i = 0; i < 1_100; i++) log('import', 'x'.repeat(1_900))
  expect(existsSync(`${file}.before`)).toBe(true)
  expect(statSync(file).size + statSync(`${file}.before`).size).toBeLessThan(2_100_000)
  rmSync(folder, { recursive: true })
  expect(log('error', 'the folder is gone')).toMatch(/^[0-9a-f]{8}$/)
})
